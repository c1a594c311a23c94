import clsx from "clsx";
import { useState } from "react";
import { Curves } from "../../charts/Curves";
import { useSettings } from "../../domain/settings";
import type { Calculator, Column, Field, Output } from "../../domain/types";
import { shownFigure } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { columnName, inBoth, MOST_COLUMNS, refusalOf } from "./state";
import { Rows } from "./Rows";
import { useBench, useIntoLog } from "./useBench";

interface Props {
  calculator: Calculator;
  layoutId: string;
  jobId?: string;
}

/** One calculator: inputs and results of each what-if below each other, the what-ifs side by side, and the plot under them. */
export function CalculatorSheet({ calculator, layoutId, jobId }: Props) {
  const { word } = useSettings();
  const bench = useBench(calculator, layoutId);
  const own = `calculator.${calculator.id}`;
  const results = bench.result.data?.columns ?? [];
  const names = bench.columns.map((_, i) =>
    columnName(bench.columns, i, calculator, {
      asItIs: say("asItIs"),
      asTyped: say("asTyped"),
      whatIf: (n) => say("whatIf", { n }),
    }),
  );
  const curve = results[0]?.curves[0];
  const optional = calculator.fields.filter((f) => !f.needed);
  return (
    <>
      <h2 className="text-2xl font-semibold">{word(own)}</h2>
      <p className="mb-1 max-w-3xl">{word(`${own}.formula`)}</p>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={word(own)}>
        <table className="w-full border-collapse text-left">
          <thead>
            <tr className="border-b-2 border-ink align-bottom">
              <th scope="col" className="caps w-56 py-2 font-normal">
                {say("inputs")}
              </th>
              {names.map((name, i) => (
                <th key={i} scope="col" className="w-60 min-w-40 px-2 py-2">
                  <span className="flex items-center justify-between gap-2">
                    <span className="label text-lg font-semibold">{name}</span>
                    {i > 0 && (
                      <button
                        type="button"
                        aria-label={say("removeWhatIf", { name })}
                        onClick={() => bench.remove(i)}
                        className="min-h-11 min-w-11 text-xl"
                      >
                        ×
                      </button>
                    )}
                  </span>
                </th>
              ))}
              <th className="min-w-32 py-2 pl-2">
                {bench.columns.length < MOST_COLUMNS && (
                  <Button className="whitespace-nowrap" onClick={bench.add}>
                    {say("addWhatIf")}
                  </Button>
                )}
              </th>
            </tr>
          </thead>
          <tbody>
            {calculator.fields
              .filter((f) => f.needed)
              .map((f) => (
                <InputRow key={f.id} field={f} own={own} bench={bench} names={names} />
              ))}
            {optional.length > 0 && (
              <tr>
                <th scope="row" colSpan={names.length + 2} className="caps pt-2 pb-0.5 font-normal">
                  {say("ifKnown")}
                </th>
              </tr>
            )}
            {optional.map((f) => (
              <InputRow key={f.id} field={f} own={own} bench={bench} names={names} />
            ))}
            <tr className="border-y-2 border-ink">
              <th scope="row" colSpan={names.length + 2} className="caps py-1 font-normal">
                {say("results")}
              </th>
            </tr>
            {outputIds(results).map((id) => (
              <tr key={id} className="border-b border-grid">
                <th scope="row" className="py-1 pr-3 text-[1.05rem] font-normal">
                  {word(`${own}.out.${id}`)}
                </th>
                {names.map((_, i) => (
                  <OutputCell key={i} output={results[i]?.outputs.find((o) => o.id === id)} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {bench.result.isError && bench.findings.length === 0 && (
        <p role="alert" className="mt-3 border-2 border-danger p-3">
          {bench.result.error.message}
        </p>
      )}
      <Notices own={own} results={results} names={names} />
      <IntoLog calculator={calculator} jobId={jobId} bench={bench} names={names} />
      <div className="mt-6 grid gap-6 xl:grid-cols-2">
        {curve && results.every((r) => r.curves.length > 0) && (
          <Curves
            title={word(`${own}.curve.${curve.id}`)}
            xLabel={word(`${own}.curve.${curve.id}.x`)}
            yLabel={word(`${own}.curve.${curve.id}.y`)}
            series={results.map((r, i) => ({ name: names[i] ?? "", curve: r.curves[0] ?? curve }))}
          />
        )}
        <div className="grid content-start gap-5">
          {results.map((r, i) => r.rows.length > 0 && <Rows key={i} own={own} rows={r.rows} title={names[i] ?? ""} />)}
        </div>
      </div>
    </>
  );
}

function outputIds(results: Column[]): string[] {
  return [...new Set(results.flatMap((r) => r.outputs.map((o) => o.id)))];
}

type Bench = ReturnType<typeof useBench>;

function InputRow({ field, own, bench, names }: { field: Field; own: string; bench: Bench; names: string[] }) {
  const { word, catalogue } = useSettings();
  const unit = bench.asked(field);
  const label = word(`${own}.in.${field.id}`);
  const preset = field.preset === undefined ? "" : exact(field.preset, unit);
  return (
    <tr className="border-b border-grid align-top">
      <th scope="row" className="py-1.5 pr-3 text-[1.05rem] leading-tight font-normal">
        {label}
        <span className="figures block text-sm text-soft">
          {exact(field.least, unit)} – {exact(field.most, unit)} {unit.symbol}
        </span>
      </th>
      {bench.columns.map((texts, i) => {
        const text = texts[field.id] ?? "";
        const refused = refusalOf(bench.findings, i, field.id);
        const id = `bench-${field.id}-${i}`;
        return (
          <td key={i} className="px-2 py-1">
            <div
              className={clsx(
                "flex min-h-11 items-center border-2 bg-panel pr-2 has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-offset-1 has-[:focus-visible]:outline-cool",
                refused ? "border-danger" : "border-ink",
              )}
            >
              <input
                id={id}
                aria-label={`${label}, ${names[i]}`}
                inputMode="text"
                autoComplete="off"
                value={text}
                placeholder={preset}
                aria-invalid={refused !== undefined}
                aria-describedby={refused ? `${id}-refused` : undefined}
                onChange={(e) => bench.type(i, field.id, e.target.value)}
                className="figures min-h-11 w-full min-w-0 bg-transparent px-2 text-right text-xl font-semibold outline-none placeholder:font-normal placeholder:text-soft"
              />
              <span className="figures whitespace-nowrap text-soft">{unit.symbol}</span>
            </div>
            {refused ? (
              <p id={`${id}-refused`} role="alert" className="mt-1 text-sm text-danger">
                {say("refusedInput", { given: refused.given, allowed: refused.allowed })}
              </p>
            ) : (
              text && <p className="figures text-right text-sm text-soft">{inBoth(text, unit, catalogue.units)}</p>
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** A figure in full, without rounding it to what an instrument shows. */
function exact(coreValue: number, unit: { coreUnitsPerUnit: number; zeroInCore: number }): string {
  return Number(((coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit).toPrecision(4))
    .toString()
    .replace("-", "−");
}

function OutputCell({ output }: { output?: Output }) {
  const { unit } = useSettings();
  if (!output) return <td className="px-2 py-2 text-right text-soft">–</td>;
  const shownIn = unit(output.dimension);
  const sd = output.sd / shownIn.coreUnitsPerUnit;
  return (
    <td className="figures px-2 py-1 text-right whitespace-nowrap">
      <span className="text-xl font-semibold">{oneMore(output.value, shownIn)}</span>{" "}
      <span className="text-soft">{shownIn.symbol}</span>
      {sd > 0 && <span className="text-sm text-soft"> ± {Number(sd.toPrecision(2))}</span>}
    </td>
  );
}

/** A bench figure shows one digit more than a tape does. */
function oneMore(coreValue: number, unit: Parameters<typeof shownFigure>[1]): string {
  const value = (coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit;
  if (Math.abs(value) >= 100) return shownFigure(coreValue, unit);
  return Number(value.toPrecision(3)).toString().replace("-", "−");
}

function Notices({ own, results, names }: { own: string; results: Column[]; names: string[] }) {
  const { word } = useSettings();
  const all = results.flatMap((r, i) => r.notices.map((n) => ({ column: i, notice: n })));
  if (all.length === 0) return null;
  return (
    <ul className="mt-4 grid gap-1" aria-live="polite">
      {all.map(({ column, notice }) => (
        <li
          key={`${column} ${notice}`}
          className="border-l-4 border-caution bg-caution-ground px-3 py-1.5 text-[1.05rem]"
        >
          {results.length > 1 && <span className="label font-semibold">{names[column]}: </span>}
          {word(`${own}.notice.${notice}`)}
        </li>
      ))}
    </ul>
  );
}

function IntoLog({
  calculator,
  jobId,
  bench,
  names,
}: {
  calculator: Calculator;
  jobId?: string;
  bench: Bench;
  names: string[];
}) {
  const { word } = useSettings();
  const [column, setColumn] = useState(0);
  const log = useIntoLog(jobId);
  if (!jobId) return null;
  const inputs = bench.typed[Math.min(column, bench.typed.length - 1)] ?? [];
  const reading = calculator.readings[0];
  const typed = reading && inputs.find((i) => i.id === reading.field);
  return (
    <section
      aria-label={say("intoLog")}
      className="mt-4 flex flex-wrap items-center gap-3 border-2 border-grid bg-panel p-3"
    >
      {names.length > 1 && (
        <select
          aria-label={say("whichColumn")}
          value={column}
          onChange={(e) => setColumn(Number(e.target.value))}
          className="min-h-11 border-2 border-ink px-2"
        >
          {names.map((name, i) => (
            <option key={i} value={i}>
              {name}
            </option>
          ))}
        </select>
      )}
      <Button
        disabled={bench.result.isError}
        onClick={() =>
          void log.write(
            "notes",
            { text: names[column] ?? names[0] ?? "", calculatorId: calculator.id, inputs },
            say("noted"),
          )
        }
      >
        {say("noteInLog")}
      </Button>
      {reading && typed && (
        <Button
          disabled={bench.result.isError}
          onClick={() =>
            void log.write(
              "readings",
              {
                procedureId: reading.procedureId,
                observed: "",
                rigCheck: "not-checked",
                anotherRig: false,
                figures: [{ id: reading.figureId, text: typed.text, unit: typed.unit }],
              },
              say("enteredAs", { test: word(`test.${reading.procedureId}`) }),
            )
          }
        >
          {say("enterAs", { test: word(`test.${reading.procedureId}`) })}
        </Button>
      )}
      {log.said && (
        <p role="status" className={log.said.bad ? "text-danger" : "text-cool-text"}>
          {log.said.text}
        </p>
      )}
    </section>
  );
}
