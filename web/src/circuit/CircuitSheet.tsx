import { useLayoutEffect, useRef, type ReactNode } from "react";
import { useSettings } from "../domain/settings";
import type { ComponentKind, Layout, Sheet } from "../domain/types";
import { percent, shownFigure } from "../domain/units";
import { say } from "../domain/words";
import { HatchPatterns, hatchFor } from "../ui/Hatch";
import { Cuts } from "./Cuts";
import { boxOf, type Box } from "./places";
import { End, Foot, Hub, Master, type Look } from "./parts";

interface Props {
  layout: Layout;
  /** Probability that the fault sits at a component, by its id; nothing is suspected where it is not given. */
  suspicion?: Map<string, number>;
  stillFitted?: string[];
  /** Components whose suspicion the last reading moved. */
  changed?: Set<string>;
  /** The components that the hands are at; drawn hot where nothing is suspected. */
  at?: string[];
  /** The part of the sheet that is shown; all of it where it is not given. */
  view?: Box;
  /** A part was tapped. */
  onPart?: (id: string) => void;
  /** What is drawn over it. */
  children?: ReactNode;
}

const NOBODY = new Set<string>();
const NOTHING: string[] = [];

/** The circuit of this vehicle, alive: suspicion, clearance and cuts where they belong. Without suspicion it is a plain drawing. */
export function CircuitSheet({
  layout,
  suspicion,
  stillFitted = [],
  changed = NOBODY,
  at = NOTHING,
  view,
  onPart,
  children,
}: Props) {
  const { part, unit, catalogue } = useSettings();
  const { clearedBelow } = catalogue;
  const { sheet } = layout;
  const kinds = new Map(layout.components.map((c) => [c.id, c.kind]));
  const kind = (id: string): ComponentKind => kinds.get(id) ?? "PIPE";
  const look = (id: string): Look => {
    if (!suspicion && at.includes(id))
      return { p: 0, hot: false, stroke: "var(--hot)", fill: `url(#sheet-${hatchFor(1)})`, text: "fill-hot-text" };
    if (!suspicion) return { p: 0, hot: false, stroke: "var(--ink)", fill: "var(--panel)", text: "fill-ink" };
    const p = suspicion.get(id) ?? 0;
    const hot = p >= clearedBelow;
    return {
      p,
      hot,
      stroke: p >= 0.12 ? "var(--hot)" : hot ? "var(--ink)" : "var(--cool)",
      fill: hot ? `url(#sheet-${hatchFor(p)})` : "var(--panel)",
      text: p >= 0.12 ? "fill-hot-text" : hot ? "fill-ink" : "fill-cool-text",
      className: changed.has(id) ? "just-changed" : undefined,
    };
  };
  const input = layout.components.find((c) => c.kind === "PEDAL" || c.kind === "LEVER");
  const assist = layout.components.find((c) => c.kind === "VACUUM_ASSIST" || c.kind === "HYDRAULIC_ASSIST");
  const master = layout.components.find((c) => c.kind === "MASTER");
  const reservoir = layout.components.find((c) => c.kind === "RESERVOIR");
  const length = unit("LENGTH");
  const boreText =
    master?.boreMm === undefined
      ? ""
      : length.core
        ? `${master.boreMm} mm`
        : `${shownFigure(master.boreMm, length)} in`;
  const state = (id: string) =>
    !suspicion ? "" : (suspicion.get(id) ?? 0) >= clearedBelow ? percent(suspicion.get(id) ?? 0) : say("cleared");
  const drawing = useRef<SVGSVGElement>(null);
  useLayoutEffect(() => hideCutNames(drawing.current, view));
  return (
    <svg
      ref={drawing}
      viewBox={view ? `${view.x} ${view.y} ${view.width} ${view.height}` : `0 0 ${sheet.width} ${sheet.height}`}
      className="block h-full w-full"
      role={onPart ? "group" : "img"}
      aria-label={`${say("circuitLabel", { layout: layout.name })}. ${described()}`}
    >
      <HatchPatterns id="sheet" />
      <Pipes sheet={sheet} look={look} />
      {input && (
        <Foot
          input={look(input.id)}
          lever={input.kind === "LEVER"}
          label={say(input.kind === "LEVER" ? "circuitLever" : "circuitPedal", { ratio: input.ratio ?? "" })}
          assist={
            assist && { look: look(assist.id), label: part(assist.id), hydraulic: assist.kind === "HYDRAULIC_ASSIST" }
          }
        />
      )}
      {master && reservoir && (
        <Master
          look={look(master.id)}
          reservoir={{ look: look(reservoir.id), label: part(reservoir.id) }}
          label={say("circuitBore", { bore: boreText })}
          sheet={sheet}
        />
      )}
      {sheet.hubs.map((hub) => (
        <Hub key={hub.id} hub={hub} kind={kind(hub.id)} look={look(hub.id)} label={part(hub.id)} />
      ))}
      {sheet.ends.map((end) => (
        <End
          key={end.id}
          end={end}
          kind={kind(end.id)}
          radius={sheet.endRadius}
          look={look(end.id)}
          label={part(end.id)}
          state={state(end.id)}
        />
      ))}
      <Cuts layout={layout} stillFitted={stillFitted} />
      {children}
      {onPart &&
        tapOrder(layout, view).map((id) => (
          <Tap key={id} layout={layout} id={id} label={`${part(id)} ${state(id)}`.trim()} onTap={() => onPart(id)} />
        ))}
    </svg>
  );

  function described(): string {
    if (!suspicion) return layout.components.map((c) => part(c.id)).join(", ");
    return layout.components
      .filter((c) => (suspicion.get(c.id) ?? 0) >= clearedBelow)
      .map((c) => `${part(c.id)} ${percent(suspicion.get(c.id) ?? 0)}`)
      .join(", ");
  }
}

/** Of a part of the sheet only names that are wholly in it are shown. */
function hideCutNames(drawing: SVGSVGElement | null, view: Box | undefined) {
  if (!drawing || !view) return;
  for (const name of drawing.querySelectorAll("text")) {
    const box = name.getBBox();
    const whole =
      box.x >= view.x &&
      box.y >= view.y &&
      box.x + box.width <= view.x + view.width &&
      box.y + box.height <= view.y + view.height;
    name.style.visibility = whole ? "" : "hidden";
  }
}

/** Lines lie under what they lead to, so that a tap on a part is never taken for one on its pipe. */
function tapOrder(layout: Layout, view: Box | undefined): string[] {
  const lines = new Set(layout.sheet.stretches.map((s) => s.to));
  const drawn = layout.components
    .map((c) => c.id)
    .filter((id) => {
      const box = boxOf(layout, id);
      const middle = box && box.x + box.width / 2;
      return middle !== undefined && (!view || (middle >= view.x && middle < view.x + view.width));
    });
  return [...drawn.filter((id) => lines.has(id)), ...drawn.filter((id) => !lines.has(id))];
}

/** The place of a part, to be tapped or reached by keys: a line along its way, anything else as its box. */
function Tap({ layout, id, label, onTap }: { layout: Layout; id: string; label: string; onTap: () => void }) {
  const box = boxOf(layout, id);
  const path = layout.sheet.stretches.find((s) => s.to === id)?.path;
  const line =
    path !== undefined &&
    !layout.sheet.ends.some((end) => end.id === id) &&
    !layout.sheet.hubs.some((h) => h.id === id);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      className="part-tap"
      onClick={onTap}
      onKeyDown={(e) => {
        if (e.key !== "Enter" && e.key !== " ") return;
        e.preventDefault();
        onTap();
      }}
    >
      {line ? (
        <path d={path} fill="none" stroke="transparent" strokeWidth="26" pointerEvents="stroke" />
      ) : (
        box && <rect {...box} fill="transparent" rx="4" />
      )}
    </g>
  );
}

function Pipes({ sheet, look }: { sheet: Sheet; look: (id: string) => Look }) {
  return (
    <g fill="none">
      {sheet.stretches.map((pipe, n) => {
        const own = look(pipe.to);
        const { hot } = own;
        return (
          <path
            key={`${pipe.id}-${pipe.to}-${n}`}
            d={pipe.path}
            stroke={pipe.hose || own.p >= 0.12 ? own.stroke : "var(--soft)"}
            strokeWidth={pipe.hose ? (hot ? 7 : 4) : own.p >= 0.12 ? 5 : 3}
            strokeDasharray={pipe.hose && hot ? "3 3" : undefined}
            strokeLinejoin="round"
            opacity={pipe.hose || own.p >= 0.12 ? 1 : 0.75}
          />
        );
      })}
    </g>
  );
}
