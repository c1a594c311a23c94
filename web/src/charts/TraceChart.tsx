import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { say } from "../domain/words";

interface Props {
  trace: { fromSeconds: number; stepSeconds: number; values: number[]; unit: string };
  /** Seconds after the press that are marked. */
  marked?: number[];
}

const WIDTH = 560;
const HEIGHT = 150;
const LEFT = 44;
const BOTTOM = 24;

/** What an instrument wrote down, against the seconds from the press. */
export function TraceChart({ trace, marked = [] }: Props) {
  const { fromSeconds, stepSeconds, values, unit } = trace;
  const to = fromSeconds + stepSeconds * (values.length - 1);
  const x = scaleLinear([fromSeconds, to], [LEFT, WIDTH - 8]);
  const y = scaleLinear(
    [Math.min(...values), Math.max(...values, Math.min(...values) + 1)],
    [HEIGHT - BOTTOM, 8],
  ).nice();
  const drawn = line<number>()
    .x((_, at) => x(fromSeconds + at * stepSeconds))
    .y((value) => y(value));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full max-w-160 bg-panel"
      role="img"
      aria-label={say("traceLabel", { from: y.domain()[0] ?? 0, to: y.domain()[1] ?? 0, unit })}
    >
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <path d={`M${LEFT} ${y(tick)}H${WIDTH - 8}`} stroke="var(--grid)" />
          <text x={LEFT - 6} y={y(tick) + 4} textAnchor="end" className="figures fill-soft text-[13px]">
            {tick}
          </text>
        </g>
      ))}
      {x.ticks(6).map((tick) => (
        <text key={tick} x={x(tick)} y={HEIGHT - 7} textAnchor="middle" className="figures fill-soft text-[13px]">
          {tick} s
        </text>
      ))}
      {marked
        .filter((second) => second <= to)
        .map((second) => (
          <path key={second} d={`M${x(second)} 8V${HEIGHT - BOTTOM}`} stroke="var(--hot)" strokeDasharray="4 4" />
        ))}
      <path d={drawn(values) ?? ""} fill="none" stroke="var(--ink)" strokeWidth="2" />
      <text x={LEFT + 4} y="16" className="fill-soft text-[13px]">
        {unit}
      </text>
    </svg>
  );
}
