import { scaleLinear } from "d3-scale";
import { useRef } from "react";
import { useWidth } from "../../charts/useWidth";

const USUAL_PX = 520;
/** Below this a name stands above its row instead of before it. */
const NARROW_PX = 440;
const NAMES_PX = 225;
const TOLD_PX = 110;
const ROW_PX = 30;
const NAME_PX = 18;
const LETTER_PX = 7;
const TOP_PX = 6;

interface Bar {
  id: string;
  name: string;
  all: number;
  /** Part of it that is drawn hot or cool. */
  hot?: number;
  cool?: number;
  told: string;
}

/** How rows are laid out in so much room: where marks begin, how high a row is, how far marks stand below its top. */
function rowsIn(width: number) {
  return width < NARROW_PX
    ? { left: 8, row: ROW_PX + NAME_PX, down: NAME_PX }
    : { left: NAMES_PX, row: ROW_PX, down: 0 };
}

/** Counts as bars, a part of each filled hot or cool. */
export function Bars({ label, rows }: { label: string; rows: Bar[] }) {
  const frame = useRef<HTMLDivElement>(null);
  const width = useWidth(frame, USUAL_PX);
  const { left, row: high, down } = rowsIn(width);
  const x = scaleLinear([0, Math.max(...rows.map((row) => row.all), 1)], [left, width - TOLD_PX]);
  const part = (count: number | undefined, fill: string) =>
    (count ?? 0) > 0 && (
      <rect x={left} y={down + 2} width={x(count ?? 0) - left} height="18" fill={fill} stroke="var(--ink)" />
    );
  return (
    <div ref={frame} className="[contain:inline-size]">
      <svg
        width={width}
        height={high * rows.length + TOP_PX}
        className="block"
        role="img"
        aria-label={`${label}: ${rows.map((row) => `${row.name}, ${row.told}`).join("; ")}`}
      >
        {rows.map((row, i) => (
          <g key={row.id} transform={`translate(0 ${TOP_PX + high * i})`}>
            <Name text={row.name} width={width} />
            {part(row.all, "var(--grid)")}
            {part(row.hot, "var(--hot)")}
            {part(row.cool, "var(--cool)")}
            <text x={x(row.all) + 8} y={down + 16} className="figures fill-ink text-[14px]">
              {row.told}
            </text>
          </g>
        ))}
      </svg>
    </div>
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
  const frame = useRef<HTMLDivElement>(null);
  const width = useWidth(frame, USUAL_PX);
  const { left, row: high, down } = rowsIn(width);
  const most = Math.max(...rows.flatMap((row) => [row.hollow, row.full]), 1);
  const x = scaleLinear([0, most], [left, width - 40]).nice(4);
  const height = high * rows.length;
  const said = rows.map((r) => `${r.name}: ${Math.round(r.hollow)}, ${Math.round(r.full)} ${unit}`).join("; ");
  return (
    <div ref={frame} className="[contain:inline-size]">
      <svg width={width} height={height + 30} className="block" role="img" aria-label={`${label}: ${said}`}>
        {x.ticks(width < NARROW_PX ? 3 : 4).map((t) => (
          <g key={t}>
            <path d={`M${x(t)} 0V${height}`} stroke="var(--grid)" strokeWidth="1.5" />
            <text
              x={x(t)}
              y={height + 18}
              textAnchor={t === 0 && left < NAMES_PX ? "start" : "middle"}
              className="figures fill-soft text-[13px]"
            >
              {t} {unit}
            </text>
          </g>
        ))}
        {rows.map((row, i) => (
          <g key={row.id} transform={`translate(0 ${high * i})`}>
            <Name text={row.name} width={width} />
            <path d={`M${x(row.hollow)} ${down + 13}H${x(row.full)}`} stroke="var(--ink)" strokeWidth="2" />
            <circle cx={x(row.hollow)} cy={down + 13} r="6" fill="var(--panel)" stroke="var(--ink)" strokeWidth="2" />
            <circle cx={x(row.full)} cy={down + 13} r="6" fill="var(--ink)" />
          </g>
        ))}
      </svg>
      <p className="flex flex-wrap gap-x-5 text-sm">
        <span>○ {hollow}</span>
        <span>● {full}</span>
      </p>
    </div>
  );
}

function Name({ text, width }: { text: string; width: number }) {
  const narrow = width < NARROW_PX;
  const most = Math.floor((narrow ? width : NAMES_PX) / LETTER_PX);
  return (
    <text
      x={narrow ? 2 : NAMES_PX - 8}
      y={narrow ? 14 : 17}
      textAnchor={narrow ? "start" : "end"}
      className="label fill-ink text-[15px]"
    >
      <title>{text}</title>
      {text.length > most ? `${text.slice(0, most - 1)}…` : text}
    </text>
  );
}
