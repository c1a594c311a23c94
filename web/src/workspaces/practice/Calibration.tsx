import type { Practice } from "../../domain/types";
import { percent } from "../../domain/units";
import { say } from "../../domain/words";
import { calibration } from "./state";

const SIZE = 220;

/** How often somebody was right when so sure, beside the planner at the same moments; on the line is as it should be. */
export function Calibration({ claims }: { claims: Practice["claims"] }) {
  if (claims.length === 0) return null;
  const own = calibration(claims);
  const planner = calibration(claims.map((c) => ({ percent: Math.min(99.9, 100 * c.planner), needed: c.needed })));
  const at = (share: number) => SIZE * share;
  return (
    <section aria-label={say("calibration")} className="border-2 border-ink bg-panel p-4">
      <h2 className="text-2xl font-semibold">{say("calibration")}</h2>
      <p className="mb-3">{say("calibrationWhy")}</p>
      <svg viewBox={`-56 -14 ${SIZE + 90} ${SIZE + 62}`} className="w-full max-w-80" role="img" aria-label={told(own)}>
        <path d={`M0 0V${SIZE}H${SIZE}`} fill="none" stroke="var(--ink)" strokeWidth="2" />
        <path d={`M0 ${SIZE}L${SIZE} 0`} stroke="var(--rule)" strokeWidth="2" strokeDasharray="6 5" />
        {[0, 0.5, 1].map((share) => (
          <g key={share} className="figures fill-soft text-[13px]">
            <text x={at(share)} y={SIZE + 18} textAnchor="middle">
              {100 * share} %
            </text>
            <text x={-6} y={SIZE - at(share) + 4} textAnchor="end">
              {100 * share} %
            </text>
          </g>
        ))}
        {planner.map((p) => (
          <rect
            key={`p${p.claimed}`}
            x={at(p.claimed) - 6}
            y={SIZE - at(p.held) - 6}
            width="12"
            height="12"
            fill="none"
            stroke="var(--cool)"
            strokeWidth="3"
          />
        ))}
        {own.map((p) => (
          <circle
            key={`o${p.claimed}`}
            cx={at(p.claimed)}
            cy={SIZE - at(p.held)}
            r={4 + Math.min(8, p.count)}
            fill="var(--ink)"
          />
        ))}
        <text x={SIZE / 2} y={SIZE + 33} textAnchor="middle" className="fill-ink text-[13px]">
          {say("calibrationClaimed")}
        </text>
      </svg>
      <p className="flex gap-5 text-sm">
        <span>● {say("debriefOwn")}</span>
        <span className="text-cool-text">□ {say("calibrationPlanner")}</span>
      </p>
    </section>
  );
}

const told = (own: ReturnType<typeof calibration>): string =>
  own
    .map((p) => say("calibrationTold", { claimed: percent(p.claimed), held: percent(p.held), count: p.count }))
    .join("; ");
