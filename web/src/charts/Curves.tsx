import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { useSettings } from "../domain/settings";
import type { Curve, Unit } from "../domain/types";

interface Props {
  title: string;
  xLabel: string;
  yLabel: string;
  /** The same curve for each what-if. */
  series: { name: string; curve: Curve }[];
}

const SIZE = { width: 640, height: 300, left: 64, right: 92, top: 16, bottom: 46 };
const DASHES = ["", "9 5", "2 5", "12 4 2 4", "5 3", "1 4"];

/** Lines of several what-ifs on one pair of axes, told apart by their dashes and named at their ends. */
export function Curves({ title, xLabel, yLabel, series }: Props) {
  const { unit } = useSettings();
  const first = series[0]?.curve;
  if (!first) return null;
  const [ux, uy] = [unit(first.x), unit(first.y)];
  const lines = series.map((s) => ({
    name: s.name,
    points: s.curve.points.map((p) => ({ x: inUnit(p.x, ux), y: inUnit(p.y, uy) })),
  }));
  const all = lines.flatMap((l) => l.points);
  const [left, right, top] = [
    Math.min(...all.map((p) => p.x)),
    Math.max(...all.map((p) => p.x)),
    Math.max(1e-9, ...all.map((p) => p.y)) * 1.06,
  ];
  const x = scaleLinear([left, right], [SIZE.left, SIZE.width - SIZE.right]);
  const y = scaleLinear([0, top], [SIZE.height - SIZE.bottom, SIZE.top]);
  const drawn = line<{ x: number; y: number }>(
    (p) => x(p.x),
    (p) => y(p.y),
  ).digits(1);
  const names = spread(lines.map((l) => y(l.points[l.points.length - 1]?.y ?? 0)));
  return (
    <figure>
      <figcaption className="caps mb-1">{title}</figcaption>
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="block w-full border border-rule bg-panel"
        role="img"
        aria-label={`${title}: ${series.map((s) => s.name).join(", ")}`}
      >
        {y.ticks(5).map((t) => (
          <g key={`y${t}`}>
            <path d={`M${SIZE.left} ${y(t)}H${SIZE.width - SIZE.right}`} stroke="var(--grid)" />
            <text x={SIZE.left - 8} y={y(t) + 5} textAnchor="end" className="figures fill-soft text-[15px]">
              {t}
            </text>
          </g>
        ))}
        {x.ticks(6).map((t) => (
          <text
            key={`x${t}`}
            x={x(t)}
            y={SIZE.height - SIZE.bottom + 19}
            textAnchor="middle"
            className="figures fill-soft text-[15px]"
          >
            {t}
          </text>
        ))}
        <path
          d={`M${SIZE.left} ${SIZE.top}V${SIZE.height - SIZE.bottom}H${SIZE.width - SIZE.right}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <text
          x={(SIZE.left + SIZE.width - SIZE.right) / 2}
          y={SIZE.height - 8}
          textAnchor="middle"
          className="figures fill-ink text-[16px]"
        >
          {xLabel}, {ux.symbol}
        </text>
        <text
          transform={`translate(16 ${(SIZE.top + SIZE.height - SIZE.bottom) / 2}) rotate(-90)`}
          textAnchor="middle"
          className="figures fill-ink text-[16px]"
        >
          {yLabel}, {uy.symbol}
        </text>
        {lines.map((s, i) => (
          <g key={i}>
            <path
              d={drawn(s.points) ?? ""}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={i === 0 ? 3 : 2}
              strokeDasharray={DASHES[i % DASHES.length]}
            />
            <text
              x={SIZE.width - SIZE.right + 6}
              y={(names[i] ?? 0) + 5}
              className="figures fill-ink text-[15px] font-medium"
            >
              {s.name}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}

const inUnit = (coreValue: number, unit: Unit) => (coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit;

/** Moves labels apart so that none overlaps. */
function spread(ys: number[]): number[] {
  const order = ys.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
  let last = -Infinity;
  const placed = [...ys];
  for (const { y, i } of order) {
    last = Math.max(y, last + 16);
    placed[i] = last;
  }
  return placed;
}
