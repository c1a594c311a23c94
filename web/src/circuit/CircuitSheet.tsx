import { useMemo } from "react";
import { useSettings } from "../domain/settings";
import type { Layout, Needs } from "../domain/types";
import { percent, shownFigure } from "../domain/units";
import { say } from "../domain/words";
import { HatchPatterns, hatchFor } from "../ui/Hatch";
import { MASTER, place, PORTS, SIZE, type Placed } from "./place";

interface Props {
  layout: Layout;
  /** Probability that the fault sits at a component, by its id. */
  suspicion: Map<string, number>;
  stillFitted: string[];
  vehicle: Needs;
  /** Components whose suspicion the last reading moved. */
  changed: Set<string>;
}

/** Below this a component counts as cleared and is drawn cool. */
const CLEARED = 0.01;

interface Look {
  stroke: string;
  fill: string;
  text: string;
  p: number;
  className?: string;
}

/** The circuit of this vehicle, alive: suspicion, clearance and cuts where they belong. */
export function CircuitSheet({ layout, suspicion, stillFitted, vehicle, changed }: Props) {
  const { word, unit } = useSettings();
  const placed = useMemo(() => place(layout), [layout]);
  const name = (id: string) => word(`component.${layout.id}.${id}`);
  const look = (id: string): Look => {
    const p = suspicion.get(id) ?? 0;
    const hot = p >= CLEARED;
    return {
      p,
      stroke: p >= 0.12 ? "var(--hot)" : hot ? "var(--ink)" : "var(--cool)",
      fill: hot ? `url(#sheet-${hatchFor(p)})` : "var(--panel)",
      text: p >= 0.12 ? "fill-hot-text" : hot ? "fill-ink" : "fill-cool-text",
      className: changed.has(id) ? "just-changed" : undefined,
    };
  };
  const bore = layout.components.find((c) => c.kind === "MASTER")?.boreMm;
  const ratio = layout.components.find((c) => c.kind === "PEDAL")?.ratio;
  const length = unit("LENGTH");
  const boreText = bore === undefined ? "" : length.core ? `${bore} mm` : `${shownFigure(bore, length)} in`;
  return (
    <svg viewBox={`0 0 ${SIZE.width} ${SIZE.height}`} className="block h-full w-full" role="img"
      aria-label={`${say("circuitLabel", { layout: word(`layout.${layout.id}`) })}. ${described()}`}>
      <HatchPatterns id="sheet" />
      <Pipes placed={placed} look={look} />
      <Foot look={look} pedal={ratio === undefined ? "" : say("circuitPedal", { ratio })} assist={name("assist")} />
      <Master look={look("master")} label={say("circuitBore", { bore: boreText })} reservoir={name("reservoir")} />
      {placed.modulator && <Modulator at={placed.modulator} look={look("modulator")} label={name("modulator")} />}
      {placed.ends.map((end) => (
        <End key={end.id} end={end} look={look(end.id)} label={name(end.id)} />
      ))}
      <Cuts placed={placed} vehicle={vehicle} stillFitted={stillFitted} label={(item) => word(`fitting.${item}`)} />
    </svg>
  );

  function described(): string {
    return layout.components
      .filter((c) => (suspicion.get(c.id) ?? 0) >= CLEARED)
      .map((c) => `${name(c.id)} ${percent(suspicion.get(c.id) ?? 0)}`)
      .join(", ");
  }
}

function Share({ x, y, p }: { x: number; y: number; p: number }) {
  if (p < 0.03) return null;
  return (
    <g>
      <rect x={x - 30} y={y - 15} width="60" height="26" fill="var(--panel)" stroke="var(--hot)" />
      <text x={x} y={y + 5} textAnchor="middle" className="figures fill-hot-text text-[18px] font-semibold">{percent(p)}</text>
    </g>
  );
}

function Pipes({ placed, look }: { placed: Placed; look: (id: string) => Look }) {
  return (
    <g fill="none">
      {placed.pipes.map((pipe) => {
        const own = look(pipe.to);
        const hot = own.p >= CLEARED;
        return (
          <path key={pipe.id} d={pipe.path} stroke={pipe.hose ? own.stroke : "var(--soft)"} strokeWidth={pipe.hose ? (hot ? 7 : 4) : 3}
            strokeDasharray={pipe.hose && hot ? "3 3" : undefined} strokeLinejoin="round" opacity={pipe.hose ? 1 : 0.75} />
        );
      })}
    </g>
  );
}

function Foot({ look, pedal, assist }: { look: (id: string) => Look; pedal: string; assist: string }) {
  const foot = look("pedal");
  const booster = look("assist");
  return (
    <g>
      <g className={foot.className}>
        <text x="26" y="58" className={`figures text-[17px] font-medium ${foot.text}`}>{pedal}</text>
        <circle cx="70" cy="76" r="6" fill="var(--panel)" stroke={foot.stroke} strokeWidth="2.5" />
        <path d="M70 82L58 284M40 286H78M66 132H130" stroke={foot.stroke} strokeWidth="5" strokeLinecap="round" fill="none" />
        {foot.p >= 0.03 && <Share x={60} y={320} p={foot.p} />}
      </g>
      <g className={booster.className}>
        <path d="M132 66C186 66 200 98 200 132S186 198 132 198C124 170 124 94 132 66Z" fill="var(--panel)" />
        <path d="M132 66C186 66 200 98 200 132S186 198 132 198C124 170 124 94 132 66ZM160 70V194M200 132H226" fill={booster.fill}
          stroke={booster.stroke} strokeWidth="2.5" />
        <path d="M168 66V26" stroke={booster.stroke} strokeWidth="2.5" fill="none" />
        <text x="166" y="222" textAnchor="middle" className={`figures text-[17px] font-medium ${booster.text}`}>{assist}</text>
        <Share x={164} y={136} p={booster.p} />
      </g>
    </g>
  );
}

function Master({ look, label, reservoir }: { look: Look; label: string; reservoir: string }) {
  const { x, y, width, height } = MASTER;
  return (
    <g className={look.className}>
      <path d={`M250 ${y - 52}H400V${y - 16}H250ZM325 ${y - 52}V${y - 16}M286 ${y - 16}V${y}M364 ${y - 16}V${y}`} fill="none" stroke="var(--ink)" strokeWidth="2" />
      <rect x="251" y={y - 34} width="148" height="17" fill="var(--fluid)" />
      <text x="325" y={y - 60} textAnchor="middle" className="figures fill-ink text-[17px] font-medium">{reservoir}</text>
      <rect x={x} y={y} width={width} height={height} fill="var(--panel)" />
      <rect x={x} y={y} width={width} height={height} fill={look.fill} stroke={look.stroke} strokeWidth="3" />
      <rect x={x + 14} y={y + 3} width="13" height={height - 6} fill="var(--ink)" />
      <rect x={x + 98} y={y + 3} width="13" height={height - 6} fill="var(--ink)" />
      <path d={`M${PORTS.PRIMARY.x} ${y + height}v8M${PORTS.SECONDARY.x} ${y + height}v8`} stroke="var(--ink)" strokeWidth="8" />
      <text x={x + width + 14} y={y + 40} className={`figures text-[17px] font-medium ${look.text}`}>{label}</text>
      <Share x={x + 62} y={y + 36} p={look.p} />
    </g>
  );
}

function Modulator({ at, look, label }: { at: { x: number; y: number }; look: Look; label: string }) {
  return (
    <g className={look.className}>
      <rect x={at.x} y={at.y} width="92" height="72" fill="var(--panel)" />
      <rect x={at.x} y={at.y} width="92" height="72" fill={look.fill} stroke={look.stroke} strokeWidth="3" />
      <text x={at.x + 46} y={at.y + 94} textAnchor="middle" className={`figures text-[17px] font-medium ${look.text}`}>{label}</text>
      <Share x={at.x + 46} y={at.y + 38} p={look.p} />
    </g>
  );
}

function End({ end, look, label }: { end: Placed["ends"][number]; look: Look; label: string }) {
  const { x, y } = end.at;
  return (
    <g className={look.className}>
      <circle cx={x} cy={y} r="34" fill="var(--panel)" />
      <circle cx={x} cy={y} r="34" fill={look.fill} stroke={look.stroke} strokeWidth="2.5" />
      {end.drum ? (
        <path d={`M${x - 8} ${y - 27}A28 28 0 0 0 ${x - 8} ${y + 27}M${x + 8} ${y - 27}A28 28 0 0 1 ${x + 8} ${y + 27}`} fill="none"
          stroke={look.stroke} strokeWidth="5" />
      ) : (
        <>
          <circle cx={x} cy={y} r="11" fill="var(--panel)" stroke={look.stroke} strokeWidth="2" />
          <path d={`M${x - 38} ${y - 14}Q${x - 44} ${y} ${x - 38} ${y + 14}`} fill="none" stroke={look.stroke} strokeWidth="8" />
        </>
      )}
      <text x={x + 44} y={y - 2} className={`figures text-[17px] font-medium ${look.text}`}>{label}</text>
      <text x={x + 44} y={y + 18} className={`figures text-[15px] ${look.text}`}>{look.p >= CLEARED ? percent(look.p) : say("cleared")}</text>
    </g>
  );
}

/** Plugs and clamps where they are fitted, and the line behind which nothing is under test. */
function Cuts({ placed, vehicle, stillFitted, label }: { placed: Placed; vehicle: Needs; stillFitted: string[]; label: (item: string) => string }) {
  const atMaster = vehicle.opened === "MASTER_PORTS";
  const plugged = placed.pipes.filter((p) => !p.hose && (atMaster ? p.id.endsWith("-port") : vehicle.opened === "MODULATOR_OUTLETS" && p.id.endsWith("-outlet")));
  const clamped = placed.pipes.filter((p) => p.hose && stillFitted.includes(`clamp-${p.id.replace("-hose-inlet", "")}`));
  return (
    <g>
      {plugged.map((p) => (
        <g key={p.id}>
          <title>{label(atMaster ? `plug-${p.id}` : "plugs-modulator-outlets")}</title>
          {atMaster ? (
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
          <path d={atMaster ? "M226 216H580V20" : "M480 352H660V20"} fill="none" stroke="var(--ink)" strokeWidth="2" strokeDasharray="2 6" />
          <text x={atMaster ? 588 : 652} y="30" textAnchor={atMaster ? "start" : "end"} className="figures fill-soft text-[15px]">{say("underTest")}</text>
        </>
      )}
    </g>
  );
}
