import { Link } from "react-router";
import { useSettings } from "../../domain/settings";
import type { RecordLine } from "../../domain/types";
import { say } from "../../domain/words";
import { ticks } from "./state";

const WIDTH = 600;

/** The closed jobs of one vehicle along a line of time; what came back is struck through. */
export function HistoryLine({ lines }: { lines: RecordLine[] }) {
  const { word } = useSettings();
  if (lines.length === 0) return null;
  const drawn = ticks(lines, new Date());
  const done = (line: RecordLine) =>
    line.remedies.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `) || say("recordNothingDone");
  return (
    <figure aria-label={say("historyLine")} className="my-2">
      <svg viewBox={`-12 0 ${WIDTH + 24} 40`} className="w-full" aria-hidden="true">
        <path d={`M0 20H${WIDTH}`} stroke="var(--ink)" strokeWidth="2" />
        <path d={`M${WIDTH} 12v16`} stroke="var(--ink)" strokeWidth="2" />
        {drawn.map(({ line, at }, i) => (
          <g key={line.jobId} transform={`translate(${WIDTH * at} 20)`}>
            <circle
              r="10"
              fill="var(--panel)"
              stroke={line.cameBackAt ? "var(--hot)" : "var(--ink)"}
              strokeWidth="2.5"
            />
            {line.cameBackAt && <path d="M-8 8 8-8" stroke="var(--hot)" strokeWidth="2.5" />}
            <text y="5" textAnchor="middle" className="figures fill-ink text-[13px]">
              {i + 1}
            </text>
          </g>
        ))}
      </svg>
      <ol className="grid gap-1">
        {lines.map((line, i) => (
          <li key={line.jobId} className="flex gap-2">
            <span className="figures w-5 text-soft">{i + 1}</span>
            <Link to={`/jobs/${line.jobId}`} className="min-h-8 flex-1 underline underline-offset-4">
              <span className="figures">{new Date(line.closedAt).toLocaleDateString()}</span> {done(line)}
              {line.cameBackAt !== undefined && <strong className="text-hot-text"> · {say("historyCameBack")}</strong>}
            </Link>
          </li>
        ))}
      </ol>
    </figure>
  );
}
