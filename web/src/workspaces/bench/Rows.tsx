import clsx from "clsx";
import { useSettings } from "../../domain/settings";
import type { Column } from "../../domain/types";
import { shownFigure } from "../../domain/units";

type Row = Column["rows"][number];

/** The table of a result: made bores, ends, parts of the travel; what is asked for is marked. */
export function Rows({ own, rows, title }: { own: string; rows: Row[]; title: string }) {
  const { word, part, unit } = useSettings();
  const known = (label: string) => {
    const row = word(`${own}.row.${label}`);
    if (row !== `${own}.row.${label}`) return row;
    return /^[a-z-]+$/.test(label) ? part(label) : label;
  };
  const cells = rows[0]?.cells ?? [];
  const most = Math.max(...rows.map((r) => r.cells[0]?.value ?? 0), 1e-9);
  const split = cells.length === 1 && cells[0]?.id === "part-of-travel";
  return (
    <table className="w-full border-collapse text-left">
      <caption className="caps mb-1 text-left">{title}</caption>
      <thead>
        <tr className="border-b-2 border-ink text-sm">
          <th />
          {cells.map((c) => (
            <th key={c.id} scope="col" className="px-2 py-1 text-right font-normal text-soft">
              {word(`${own}.out.${c.id}`)}, {unit(c.dimension).symbol}
            </th>
          ))}
          {split && <th aria-hidden="true" className="w-2/5" />}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.label} className={clsx("border-b border-grid", row.marked && "bg-cool-band")}>
            <th scope="row" className={clsx("px-2 py-1.5", row.marked ? "font-semibold" : "font-normal")}>
              {row.marked ? "▸ " : ""}
              {known(row.label)}
            </th>
            {row.cells.map((c) => (
              <td key={c.id} className="figures px-2 py-1.5 text-right">
                {detailed(c.value, unit(c.dimension))}
                {c.sd > 0 && (
                  <span className="text-soft">
                    {" "}
                    ± {Number((c.sd / unit(c.dimension).coreUnitsPerUnit).toPrecision(2))}
                  </span>
                )}
              </td>
            ))}
            {split && (
              <td aria-hidden="true" className="px-2">
                <div
                  className="h-4 border border-ink bg-grid"
                  style={{ width: `${Math.max(1, (100 * (row.cells[0]?.value ?? 0)) / most)}%` }}
                />
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function detailed(coreValue: number, unit: Parameters<typeof shownFigure>[1]): string {
  const value = (coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit;
  return Math.abs(value) >= 100
    ? shownFigure(coreValue, unit)
    : Number(value.toPrecision(3)).toString().replace("-", "−");
}
