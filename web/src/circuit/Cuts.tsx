import { useSettings } from "../domain/settings";
import type { Layout, Sheet } from "../domain/types";
import { say } from "../domain/words";

type Stretch = Sheet["stretches"][number];

/** Plugs and clamps where they are fitted, and the line behind which nothing is under test. */
export function Cuts({ layout, stillFitted }: { layout: Layout; stillFitted: string[] }) {
  const { stretches, underTestX } = layout.sheet;
  const { fitting } = useSettings();
  const at = (kind: string) =>
    stillFitted.filter((item) => item.startsWith(`${kind}@`)).map((item) => item.slice(kind.length + 1));
  const leaving = (kind: string) =>
    layout.joints.filter((j) => layout.components.find((c) => c.id === j.from)?.kind === kind).map((j) => j.id);
  const ports = leaving("MASTER");
  const outlets = leaving("MODULATOR");
  const all = stillFitted.includes("plugs-modulator-outlets");
  const plugs = [...at("plug"), ...(all ? outlets : [])];
  const clamped = stretches.filter(
    (p) => p.hose && at("clamp").some((place) => place === p.id || feeds(layout, p, place)),
  );
  const fitted = (joints: string[]) => joints.length > 0 && joints.every((id) => plugs.includes(id));
  const name = (id: string) => fitting(all && outlets.includes(id) ? "plugs-modulator-outlets" : `plug@${id}`);
  return (
    <g>
      {stretches
        .flatMap((p) => p.plugs)
        .filter((p) => plugs.includes(p.jointId))
        .map((p) => (
          <Plug key={p.jointId} at={p.at} name={name(p.jointId)} across={ports.includes(p.jointId)} />
        ))}
      {clamped.map((p) => (
        <path
          key={p.id}
          d={`M${p.from.x + 12} ${p.from.y - 12}v24M${p.from.x + 20} ${p.from.y - 12}v24`}
          stroke="var(--ink)"
          strokeWidth="4"
        />
      ))}
      {(fitted(ports) || fitted(outlets)) && (
        <>
          <path
            d={fitted(ports) ? "M210 216H560V20" : `M480 368H${underTestX}V20`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2"
            strokeDasharray="2 6"
          />
          <text
            x={fitted(ports) ? 568 : underTestX - 8}
            y="30"
            textAnchor={fitted(ports) ? "start" : "end"}
            className="figures fill-soft text-[15px]"
          >
            {say("underTest")}
          </text>
        </>
      )}
    </g>
  );
}

/** A plug, across a port that hangs down or a pipe that runs sideways; the line that was there is off and capped. */
function Plug({ at: { x, y }, name, across }: { at: Stretch["from"]; name: string; across: boolean }) {
  return (
    <g>
      <title>{name}</title>
      {across ? (
        <>
          <path d={`M${x} ${y + 4}v26`} stroke="var(--ground)" strokeWidth="8" />
          <path d={`M${x - 8} ${y + 30}h16`} stroke="var(--soft)" strokeWidth="4" />
          <path d={`M${x - 16} ${y}h32M${x - 10} ${y - 6}h20M${x} ${y - 26}v18`} stroke="var(--ink)" strokeWidth="7" />
        </>
      ) : (
        <>
          <path d={`M${x + 3} ${y}h14`} stroke="var(--ground)" strokeWidth="8" />
          <path d={`M${x + 17} ${y - 5}v10`} stroke="var(--soft)" strokeWidth="4" />
          <path d={`M${x} ${y - 6}v12M${x - 8} ${y}h8`} stroke="var(--ink)" strokeWidth="5" />
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
