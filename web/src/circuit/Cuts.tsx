import { useSettings } from "../domain/settings";
import type { Layout } from "../domain/types";
import { say } from "../domain/words";
import type { Placed, Stretch } from "./place";

/** Plugs and clamps where they are fitted, and the line behind which nothing is under test. */
export function Cuts({ placed, layout, stillFitted }: { placed: Placed; layout: Layout; stillFitted: string[] }) {
  const { fitting } = useSettings();
  const at = (kind: string) => stillFitted.filter((item) => item.startsWith(`${kind}@`)).map((item) => item.slice(kind.length + 1));
  const modulator = layout.components.find((c) => c.kind === "MODULATOR")?.id;
  const outlets = stillFitted.includes("plugs-modulator-outlets") ? layout.joints.filter((j) => j.from === modulator).map((j) => j.id) : [];
  const plugged = placed.pipes.filter((p) => !p.hose && (at("plug").includes(p.id) || outlets.includes(p.id)));
  const clamped = placed.pipes.filter((p) => p.hose && at("clamp").some((end) => feeds(layout, p, end)));
  const ports = plugged.some((p) => !outlets.includes(p.id));
  return (
    <g>
      {plugged.map((p) => (
        <g key={p.id}>
          <title>{fitting(outlets.includes(p.id) ? "plugs-modulator-outlets" : `plug@${p.id}`)}</title>
          {ports ? (
            <path d={`M${p.plug.x - 16} ${p.plug.y}h32M${p.plug.x - 10} ${p.plug.y - 6}h20M${p.plug.x} ${p.plug.y - 26}v18`} stroke="var(--ink)" strokeWidth="7" />
          ) : (
            <path d={`M${p.plug.x} ${p.plug.y - 6}v12M${p.plug.x - 8} ${p.plug.y}h8`} stroke="var(--ink)" strokeWidth="5" />
          )}
        </g>
      ))}
      {clamped.map((p) => (
        <path key={p.id} d={`M${p.plug.x + 12} ${p.plug.y - 12}v24M${p.plug.x + 20} ${p.plug.y - 12}v24`} stroke="var(--ink)" strokeWidth="4" />
      ))}
      {plugged.length > 0 && (
        <>
          <path d={ports ? "M210 216H488V20" : "M480 352H640V20"} fill="none" stroke="var(--ink)" strokeWidth="2" strokeDasharray="2 6" />
          <text x={ports ? 496 : 632} y="30" textAnchor={ports ? "start" : "end"} className="figures fill-soft text-[15px]">{say("underTest")}</text>
        </>
      )}
    </g>
  );
}

/** Whether a stretch of hose leads to an end. */
function feeds(layout: Layout, hose: Stretch, endId: string): boolean {
  let into = layout.joints.find((j) => j.to === endId);
  while (into) {
    if (into.id === hose.id) return true;
    into = layout.joints.find((j) => j.to === into?.from);
  }
  return false;
}
