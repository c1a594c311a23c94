import type { ComponentKind, Sheet } from "../domain/types";
import { percent } from "../domain/units";

/** How a part is drawn for its suspicion. */
export interface Look {
  /** Whether it is suspected at all. */
  hot: boolean;
  stroke: string;
  fill: string;
  text: string;
  p: number;
  className?: string;
}

function Share({ x, y, p }: { x: number; y: number; p: number }) {
  if (p < 0.03) return null;
  return (
    <g>
      <rect x={x - 30} y={y - 15} width="60" height="26" fill="var(--panel)" stroke="var(--hot)" />
      <text x={x} y={y + 5} textAnchor="middle" className="figures fill-hot-text text-[18px] font-semibold">
        {percent(p)}
      </text>
    </g>
  );
}

interface FootProps {
  input: Look;
  lever: boolean;
  label: string;
  assist?: { look: Look; label: string; hydraulic: boolean };
}

/** Pedal or lever, and the assist where there is one. */
export function Foot({ input, lever, label, assist }: FootProps) {
  return (
    <g>
      <g className={input.className}>
        <text x="26" y="58" className={`figures text-[17px] font-medium ${input.text}`}>
          {label}
        </text>
        <circle
          cx={lever ? 100 : 70}
          cy={lever ? 112 : 76}
          r="6"
          fill="var(--panel)"
          stroke={input.stroke}
          strokeWidth="2.5"
        />
        <path
          d={lever ? "M100 118Q70 190 44 300M86 146H132" : "M70 82L58 284M40 286H78M66 132H130"}
          stroke={input.stroke}
          strokeWidth={lever ? 8 : 5}
          strokeLinecap="round"
          fill="none"
        />
        {lever && (
          <path d="M18 168Q10 240 16 310" stroke="var(--soft)" strokeWidth="14" strokeLinecap="round" fill="none" />
        )}
        {input.p >= 0.03 && <Share x={lever ? 92 : 60} y={320} p={input.p} />}
      </g>
      {assist ? (
        <AssistBody {...assist} />
      ) : (
        <path d="M130 132H226" stroke={input.stroke} strokeWidth="4" fill="none" />
      )}
    </g>
  );
}

function AssistBody({ look, label, hydraulic }: { look: Look; label: string; hydraulic: boolean }) {
  return (
    <g className={look.className}>
      {hydraulic ? (
        <path
          d="M132 92H200V172H132ZM166 92V44H196M166 172V210M200 132H226"
          fill={look.fill}
          stroke={look.stroke}
          strokeWidth="2.5"
        />
      ) : (
        <>
          <path d="M132 66C186 66 200 98 200 132S186 198 132 198C124 170 124 94 132 66Z" fill="var(--panel)" />
          <path
            d="M132 66C186 66 200 98 200 132S186 198 132 198C124 170 124 94 132 66ZM160 70V194M200 132H226"
            fill={look.fill}
            stroke={look.stroke}
            strokeWidth="2.5"
          />
          <path d="M168 66V26" stroke={look.stroke} strokeWidth="2.5" fill="none" />
        </>
      )}
      <text x="166" y="230" textAnchor="middle" className={`figures text-[17px] font-medium ${look.text}`}>
        {label}
      </text>
      <Share x={164} y={136} p={look.p} />
    </g>
  );
}

interface MasterProps {
  look: Look;
  label: string;
  reservoir: { look: Look; label: string };
  sheet: Sheet;
}

/** Master and reservoir; a wall in the reservoir and a second piston where there are two chambers. */
export function Master({ look, label, reservoir, sheet }: MasterProps) {
  const { x, y, width, height } = sheet.master;
  const two = sheet.ports.length > 1;
  return (
    <g className={look.className}>
      <path
        d={`M250 ${y - 52}H400V${y - 16}H250ZM286 ${y - 16}V${y}${two ? `M325 ${y - 52}V${y - 16}M364 ${y - 16}V${y}` : ""}`}
        fill="none"
        stroke={reservoir.look.stroke}
        strokeWidth="2"
      />
      <rect x="251" y={y - 34} width="148" height="17" fill="var(--fluid)" />
      <text x="325" y={y - 60} textAnchor="middle" className={`figures text-[17px] font-medium ${reservoir.look.text}`}>
        {reservoir.label}
      </text>
      <rect x={x} y={y} width={width} height={height} fill="var(--panel)" />
      <rect x={x} y={y} width={width} height={height} fill={look.fill} stroke={look.stroke} strokeWidth="3" />
      <rect x={x + 14} y={y + 3} width="13" height={height - 6} fill="var(--ink)" />
      {two && <rect x={x + 98} y={y + 3} width="13" height={height - 6} fill="var(--ink)" />}
      <path
        d={sheet.ports.map((port) => `M${port.at.x} ${port.at.y}v8`).join("")}
        stroke="var(--ink)"
        strokeWidth="8"
      />
      <text x="410" y={y - 26} className={`figures text-[17px] font-medium ${look.text}`}>
        {label}
      </text>
      <Share x={x + 62} y={y + 36} p={look.p} />
    </g>
  );
}

interface HubProps {
  hub: Sheet["hubs"][number];
  kind: ComponentKind;
  look: Look;
  label: string;
}

/** What stands between master and ends. */
export function Hub({ hub, kind, look, label }: HubProps) {
  const { x, y } = hub.at;
  if (kind === "JUNCTION") return <circle cx={x + 7} cy={y} r="7" fill={look.stroke} />;
  const top = y - hub.height / 2;
  return (
    <g className={look.className}>
      <rect x={x} y={top} width={hub.width} height={hub.height} fill="var(--panel)" />
      <rect x={x} y={top} width={hub.width} height={hub.height} fill={look.fill} stroke={look.stroke} strokeWidth="3" />
      {kind === "CONNECTOR" && <path d={`M${x + 17} ${top}v${hub.height}`} stroke={look.stroke} strokeWidth="3" />}
      {kind.endsWith("VALVE") && (
        <path
          d={`M${x + 8} ${top + 28}L${x + 24} ${top + 12}L${x + 46} ${top + 8}`}
          stroke={look.stroke}
          strokeWidth="2.5"
          fill="none"
        />
      )}
      <text
        x={x + hub.width / 2}
        y={top + hub.height + 20}
        textAnchor="middle"
        className={`figures text-[17px] font-medium ${look.text}`}
      >
        {label}
      </text>
      <Share x={x + hub.width / 2} y={y + 2} p={look.p} />
    </g>
  );
}

/** A caliper, a drum or a slave. */
export function End({
  end,
  kind,
  radius,
  look,
  label,
  state,
}: {
  end: Sheet["ends"][number];
  kind: ComponentKind;
  radius: number;
  look: Look;
  label: string;
  state: string;
}) {
  const { x, y } = end.at;
  const r = radius;
  return (
    <g className={look.className}>
      {kind === "SLAVE" ? (
        <>
          <rect
            x={x - r}
            y={y - 0.6 * r}
            width={1.7 * r}
            height={1.2 * r}
            fill={look.fill}
            stroke={look.stroke}
            strokeWidth="2.5"
          />
          <path
            d={`M${x + 0.1 * r} ${y - 0.55 * r}V${y + 0.55 * r}M${x + 0.1 * r} ${y}H${x + 1.05 * r}`}
            stroke={look.stroke}
            strokeWidth="5"
            fill="none"
          />
        </>
      ) : (
        <>
          <circle cx={x} cy={y} r={r} fill="var(--panel)" />
          <circle cx={x} cy={y} r={r} fill={look.fill} stroke={look.stroke} strokeWidth="2.5" />
        </>
      )}
      {kind === "DRUM" && (
        <path
          d={`M${x - 0.24 * r} ${y - 0.8 * r}A${0.82 * r} ${0.82 * r} 0 0 0 ${x - 0.24 * r} ${y + 0.8 * r}M${x + 0.24 * r} ${y - 0.8 * r}A${0.82 * r} ${0.82 * r} 0 0 1 ${x + 0.24 * r} ${y + 0.8 * r}`}
          fill="none"
          stroke={look.stroke}
          strokeWidth="5"
        />
      )}
      {kind === "DISC" && (
        <>
          <circle cx={x} cy={y} r={r / 3} fill="var(--panel)" stroke={look.stroke} strokeWidth="2" />
          <path
            d={`M${x - r - 4} ${y - 0.4 * r}Q${x - r - 10} ${y} ${x - r - 4} ${y + 0.4 * r}`}
            fill="none"
            stroke={look.stroke}
            strokeWidth="8"
          />
        </>
      )}
      <text x={x + r + 10} y={state ? y - 2 : y + 6} className={`figures text-[17px] font-medium ${look.text}`}>
        {label}
      </text>
      {state && (
        <text x={x + r + 10} y={y + 18} className={`figures text-[15px] ${look.text}`}>
          {state}
        </text>
      )}
    </g>
  );
}
