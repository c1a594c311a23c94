import { scaleLinear } from "d3-scale";

const LEFT = 225;
const WIDTH = 600;
const ROW = 30;
const TOP = 6;

interface Bar {
  id: string;
  name: string;
  all: number;
  /** Part of it that is drawn hot or cool. */
  hot?: number;
  cool?: number;
  told: string;
}

/** Counts as bars, a part of each hatched hot or filled cool. */
export function Bars({ label, rows }: { label: string; rows: Bar[] }) {
  if (rows.length === 0) return null;
  const x = scaleLinear([0, Math.max(...rows.map((row) => row.all), 1)], [LEFT, WIDTH - 150]);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${ROW * rows.length + TOP}`}
      className="w-full"
      role="img"
      aria-label={told(label, rows)}
    >
      {rows.map((row, i) => (
        <g key={row.id} transform={`translate(0 ${TOP + ROW * i})`}>
          <Name text={row.name} />
          <rect x={LEFT} y="2" width={x(row.all) - LEFT} height="18" fill="var(--grid)" stroke="var(--ink)" />
          {(row.hot ?? 0) > 0 && (
            <rect x={LEFT} y="2" width={x(row.hot ?? 0) - LEFT} height="18" fill="var(--hot)" stroke="var(--ink)" />
          )}
          {(row.cool ?? 0) > 0 && (
            <rect x={LEFT} y="2" width={x(row.cool ?? 0) - LEFT} height="18" fill="var(--cool)" stroke="var(--ink)" />
          )}
          <text x={x(row.all) + 8} y="16" className="figures fill-ink text-[14px]">
            {row.told}
          </text>
        </g>
      ))}
    </svg>
  );
}

interface Pair {
  id: string;
  name: string;
  hollow: number;
  full: number;
}

/** Two figures of each row on one scale: a hollow and a full mark, joined. */
export function Pairs({
  label,
  unit,
  rows,
  hollow,
  full,
}: {
  label: string;
  unit: string;
  rows: Pair[];
  hollow: string;
  full: string;
}) {
  if (rows.length === 0) return null;
  const most = Math.max(...rows.flatMap((row) => [row.hollow, row.full]), 1);
  const x = scaleLinear([0, most], [LEFT, WIDTH - 40]).nice(4);
  const height = ROW * rows.length;
  const said = rows.map((r) => `${r.name}: ${Math.round(r.hollow)}, ${Math.round(r.full)} ${unit}`).join("; ");
  return (
    <>
      <svg viewBox={`0 0 ${WIDTH} ${height + 30}`} className="w-full" role="img" aria-label={`${label}: ${said}`}>
        {x.ticks(4).map((t) => (
          <g key={t}>
            <path d={`M${x(t)} 0V${height}`} stroke="var(--grid)" strokeWidth="1.5" />
            <text x={x(t)} y={height + 18} textAnchor="middle" className="figures fill-soft text-[13px]">
              {t} {unit}
            </text>
          </g>
        ))}
        {rows.map((row, i) => (
          <g key={row.id} transform={`translate(0 ${ROW * i})`}>
            <Name text={row.name} />
            <path d={`M${x(row.hollow)} 13H${x(row.full)}`} stroke="var(--ink)" strokeWidth="2" />
            <circle cx={x(row.hollow)} cy="13" r="6" fill="var(--panel)" stroke="var(--ink)" strokeWidth="2" />
            <circle cx={x(row.full)} cy="13" r="6" fill="var(--ink)" />
          </g>
        ))}
      </svg>
      <p className="flex flex-wrap gap-x-5 text-sm">
        <span>○ {hollow}</span>
        <span>● {full}</span>
      </p>
    </>
  );
}

function Name({ text }: { text: string }) {
  const MOST = 31;
  return (
    <text x={LEFT - 8} y="17" textAnchor="end" className="label fill-ink text-[15px]">
      <title>{text}</title>
      {text.length > MOST ? `${text.slice(0, MOST - 1)}…` : text}
    </text>
  );
}

const told = (label: string, rows: Bar[]) => `${label}: ${rows.map((row) => `${row.name}, ${row.told}`).join("; ")}`;
