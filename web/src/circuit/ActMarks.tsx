import type { ReactNode } from "react";
import type { Layout, Step } from "../domain/types";
import { boxOf, jointAt } from "./places";

type Gesture = Step["gesture"];
/** What is done where: a step of a test, or one of a work plan. */
export type Act = Pick<Step, "at" | "joints" | "gesture">;

const LINE = {
  fill: "none",
  stroke: "var(--hot)",
  strokeWidth: 4,
  strokeLinecap: "round",
  strokeLinejoin: "round",
} as const;
const SOLID = { fill: "var(--panel)", stroke: "var(--hot)", strokeWidth: 3.5, strokeLinejoin: "round" } as const;
/** More than this many places are not marked one by one: the eye is led to the first ones. */
const MOST_MARKS = 6;
/** Plugs in the outlets of a hub stand so close that they are drawn smaller. */
const BESIDE_ONE_ANOTHER = 0.5;

/** The act of a step, drawn where it is done: a plug going in, a clamp on, a screw turned, a foot pressing, an eye looking. */
export function ActMarks({ layout, step }: { layout: Layout; step: Act }) {
  const lever = step.at.some((id) => layout.components.find((c) => c.id === id)?.kind === "LEVER");
  const draw = (lever ? AT_A_LEVER[step.gesture] : undefined) ?? DRAWINGS[step.gesture];
  return (
    <g pointerEvents="none">
      {spots(layout, step).map(({ x, y, turn }) => (
        <g
          key={`${x} ${y}`}
          transform={`translate(${x} ${y})${turn === undefined ? "" : ` rotate(${turn}) scale(${BESIDE_ONE_ANOTHER})`}`}
        >
          {draw}
        </g>
      ))}
    </g>
  );
}

/** A place of the sheet, and which way round the drawing stands there, degrees. */
interface Spot {
  x: number;
  y: number;
  turn?: number;
}

/** Where the act is drawn: at its joints, else at its parts; on the pad of a pedal or the tip of a lever. */
export function spots(layout: Layout, step: Act): Spot[] {
  if (step.joints.length > 0)
    return step.joints
      .map((id) => jointSpot(layout, id, step.gesture))
      .filter((at) => at !== undefined)
      .slice(0, MOST_MARKS);
  return step.at
    .map((id) => spot(layout, id, step.gesture))
    .filter((at) => at !== undefined)
    .slice(0, MOST_MARKS);
}

/** A port of the master opens downwards; every other joint is plugged against the way that the fluid goes. */
function jointSpot(layout: Layout, jointId: string, gesture: Gesture): Spot | undefined {
  const at = jointAt(layout, jointId);
  if (!at || gesture !== "PLUG") return at;
  const from = layout.joints.find((j) => j.id === jointId)?.from;
  const port = layout.components.find((c) => c.id === from)?.kind === "MASTER";
  return port ? { x: at.x, y: layout.sheet.master.y + layout.sheet.master.height } : { ...at, turn: -90 };
}

/** What is turned at a pedal or lever is its rod or the screw behind it. */
function spot(layout: Layout, id: string, gesture: Gesture): { x: number; y: number } | undefined {
  const kind = layout.components.find((c) => c.id === id)?.kind;
  const turned = gesture === "TURN" || gesture === "UNSCREW";
  if (kind === "PEDAL") return turned ? { x: 98, y: 132 } : { x: 58, y: 278 };
  if (kind === "LEVER") return turned ? { x: 108, y: 146 } : { x: 50, y: 282 };
  const end = layout.sheet.ends.find((e) => e.id === id);
  if (end) return { x: end.at.x - layout.sheet.endRadius * 0.7, y: end.at.y - layout.sheet.endRadius * 0.7 };
  const box = boxOf(layout, id);
  if (kind === "RESERVOIR" && box) return { x: box.x + box.width / 2, y: box.y + box.height / 2 + 34 };
  return box && { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

const foot = <path d="M-66 -14Q-60 -26 -46 -20L-22 -12Q-8 -8 -8 0Q-8 8 -20 8H-60Q-68 8 -68 0Z" {...SOLID} />;
const shove = <path d="M-62 26H-18M-30 18L-18 26L-30 34" {...LINE} />;
const back = <path d="M-18 26H-62M-50 18L-62 26L-50 34" {...LINE} />;
const hand = (
  <path
    d="M-58 -8H-24V-22Q-24 -28 -18 -28T-12 -22V-4L2 -2Q10 0 8 10L4 24Q2 30 -6 30H-40Q-48 30 -50 22L-54 6H-58Z"
    {...SOLID}
  />
);
const eye = (
  <g transform="translate(0 -34)">
    <path d="M-28 0Q0 -26 28 0Q0 26 -28 0Z" {...SOLID} />
    <circle r="8" fill="var(--hot)" />
    <path d="M0 18V28" {...LINE} strokeDasharray="3 6" />
  </g>
);
const plug = (
  <>
    <path d="M-10 10H10V62H-10Z" fill="var(--ground)" />
    <g className="act-out">
      <path d="M-13 46H13L17 36L13 26H-13L-17 36Z" {...SOLID} />
      <path d="M-7 26V6L0 -4L7 6V26M-7 20L7 16M-7 12L7 8" {...SOLID} />
    </g>
  </>
);
const jaws = (
  <>
    <path d="M-34 -20H-8V20H-34M34 -20H8V20H34" {...SOLID} />
    <path d="M0 -26V26" {...LINE} strokeWidth="6" />
  </>
);
const spanner = <path d="M0 0m-12 -6a13 13 0 1 0 12 -8l-2 10l-8 2zM10 4L52 34Q60 42 52 48T40 44L2 14" {...SOLID} />;
const turnOpen = <path d="M-34 8A36 36 0 0 1 20 -32M20 -32l-12 -4M20 -32l-2 12" {...LINE} transform="scale(-1 1)" />;
const turnShut = <path d="M-34 8A36 36 0 0 1 20 -32M20 -32l-12 -4M20 -32l-2 12" {...LINE} />;
const jar = (
  <>
    <path d="M0 0C-14 20 -44 4 -48 34" {...LINE} stroke="var(--soft)" strokeWidth="6" />
    <path d="M-66 22V62H-32V22" {...SOLID} />
    <path d="M-64 40H-34V60H-64Z" fill="var(--fluid)" stroke="none" />
  </>
);
const dial = (
  <g transform="translate(0 -40)">
    <circle r="22" {...SOLID} />
    <path d="M0 0L12 -12M-15 8L-11 6M0 -17V-13M15 8L11 6M0 22V36" {...LINE} />
  </g>
);
const paper = (
  <g className="act-press">
    <path d="M-24 -30H14L24 -20V14H-24Z" {...SOLID} />
    <path d="M-14 -16Q-4 -10 4 -16T14 -12" {...LINE} strokeWidth="2.5" />
  </g>
);
const rule = (
  <g transform="translate(0 -30)">
    <path d="M-44 -10H44V12H-44Z" {...SOLID} />
    <path d="M-32 -10v10M-20 -10v14M-8 -10v10M4 -10v14M16 -10v10M28 -10v14" {...LINE} strokeWidth="2.5" />
  </g>
);
const drop = <path d="M0 -58Q16 -36 16 -26A16 16 0 0 1 -16 -26Q-16 -36 0 -58Z" {...SOLID} />;
const bubbles = (
  <>
    <circle cx="-14" cy="-14" r="10" {...SOLID} />
    <circle cx="8" cy="-24" r="7" {...SOLID} />
    <circle cx="14" cy="-4" r="5" {...SOLID} />
  </>
);
const away = <path d="M0 -12V-52M-12 -40L0 -52L12 -40" {...LINE} className="act-out" />;
const onto = <path d="M0 -52V-12M-12 -24L0 -12L12 -24" {...LINE} className="act-in" />;
const road = (
  <>
    <circle cx="-6" cy="-8" r="20" {...SOLID} />
    <circle cx="-6" cy="-8" r="6" fill="var(--hot)" />
    <path d="M-46 16H40M24 -24H48M38 -34L48 -24L38 -14" {...LINE} />
  </>
);
const round = <path d="M30 -18A36 36 0 1 0 36 12M36 12l8 -12M36 12l-13 -5" {...LINE} />;
const speech = (
  <>
    <path d="M-30 -60H50V-22H0L-12 -6V-22H-30Z" {...SOLID} />
    <path d="M-16 -46H36M-16 -34H20" {...LINE} strokeWidth="3" />
  </>
);
const glass = (
  <path
    d="M-16 -50H16M-16 -2H16M-13 -50V-40Q-13 -34 0 -26Q13 -34 13 -40V-50M-13 -2V-12Q-13 -18 0 -26Q13 -18 13 -12V-2"
    {...LINE}
  />
);
const twins = (
  <>
    <circle cx="-20" cy="-34" r="14" {...SOLID} />
    <circle cx="20" cy="-34" r="14" {...SOLID} />
    <path d="M-4 -38H4M-4 -30H4" {...LINE} strokeWidth="3" />
  </>
);
const lens = (
  <>
    <circle cx="0" cy="-34" r="20" {...SOLID} />
    <path d="M14 -20L32 0M-8 -34H8M-6 -26H6" {...LINE} />
  </>
);

/** One drawing for each gesture; a gesture without one does not compile. */
const DRAWINGS: Record<Gesture, ReactNode> = {
  ASK: speech,
  BLOCK: <path d="M-46 52L6 -2M-10 -8L12 12" {...LINE} strokeWidth="9" />,
  BLOW: <path d="M-50 -14H-14M-26 -24L-14 -14L-26 -4M-50 12H-14M-26 2L-14 12L-26 22" {...LINE} className="act-press" />,
  CHOCK: <path d="M-44 50L-8 50L-8 26Z" {...SOLID} />,
  CLAMP: <g className="act-in">{jaws}</g>,
  UNCLAMP: <g className="act-out">{jaws}</g>,
  CLOSE: (
    <>
      <g className="act-close">{spanner}</g>
      {turnShut}
    </>
  ),
  CRACK: (
    <>
      <g className="act-turn">{spanner}</g>
      {turnOpen}
    </>
  ),
  TURN: (
    <>
      <g className="act-turn">{spanner}</g>
      {turnOpen}
    </>
  ),
  UNSCREW: (
    <>
      <g className="act-turn">{spanner}</g>
      {away}
    </>
  ),
  COMPARE: twins,
  DRAW: (
    <>
      {drop}
      <path d="M28 -10V-44M18 -34L28 -44L38 -34" {...LINE} />
    </>
  ),
  FILL: (
    <>
      {drop}
      <path d="M28 -44V-10M18 -20L28 -10L38 -20" {...LINE} />
    </>
  ),
  DRIVE: road,
  FEEL: hand,
  FIT: onto,
  FIT_GAUGE: <g className="act-in">{dial}</g>,
  READ_GAUGE: dial,
  FIT_HOSE: jar,
  FOLLOW: <path d="M-40 -6Q-20 -26 0 -6T40 -6M28 -16L40 -6L30 6" {...LINE} className="act-press" />,
  HOLD: (
    <>
      {foot}
      {shove}
      <path d="M-70 44H-10" {...LINE} strokeDasharray="2 9" />
    </>
  ),
  LIFT: <path d="M-30 26H10M-10 20V-34M-24 -20L-10 -34L4 -20" {...LINE} />,
  LISTEN: <path d="M-14 8Q-26 -14 -12 -30T18 -24Q22 -8 8 0T0 14Q-4 24 -14 18M26 -34Q38 -18 30 2" {...LINE} />,
  LOOK: eye,
  MEASURE: rule,
  PLUG: plug,
  PRESS: (
    <>
      <g className="act-press">{foot}</g>
      {shove}
    </>
  ),
  PROBE: <path d="M-30 -50L0 0M-34 -44L-24 -52" {...LINE} />,
  PULL_OFF: (
    <>
      <path d="M-16 -8H16" {...LINE} strokeDasharray="4 6" />
      {away}
    </>
  ),
  TAKE_OFF: (
    <>
      <path d="M-16 -8H16" {...LINE} strokeDasharray="4 6" />
      {away}
    </>
  ),
  PUSH: (
    <>
      <g className="act-press">{hand}</g>
    </>
  ),
  READ_HEAT: <path d="M-4 -52A6 6 0 0 1 8 -52V-22A12 12 0 1 1 -4 -22ZM2 -40V-14" {...SOLID} />,
  READ_NUMBER: lens,
  RELEASE: (
    <>
      {foot}
      {back}
    </>
  ),
  SOAP: bubbles,
  START: (
    <>
      <circle cx="0" cy="-30" r="22" {...SOLID} />
      <path d="M-6 -42L12 -30L-6 -18Z" fill="var(--hot)" />
    </>
  ),
  STOP: (
    <>
      <circle cx="0" cy="-30" r="22" {...SOLID} />
      <path d="M-9 -39H9V-21H-9Z" fill="var(--hot)" />
    </>
  ),
  STEER: (
    <>
      <circle cx="0" cy="-20" r="24" {...SOLID} />
      <path d="M-24 -20H24M0 -20V4" {...LINE} />
      {turnShut}
    </>
  ),
  TAP: (
    <g className="act-turn">
      <path d="M-4 -6L-30 -44" {...LINE} />
      <path d="M-50 -40L-24 -60L-14 -48L-40 -28Z" {...SOLID} />
    </g>
  ),
  TURN_WHEEL: round,
  WAIT: glass,
  WIPE: paper,
};

const below = (mark: ReactNode) => <g transform="translate(0 22)">{mark}</g>;

/** A lever is pulled by a hand towards its grip, where a pedal is pressed by a foot. */
const AT_A_LEVER: Partial<Record<Gesture, ReactNode>> = {
  PRESS: (
    <>
      <g className="act-press">{hand}</g>
      {below(back)}
    </>
  ),
  HOLD: (
    <>
      {hand}
      {below(back)}
      <path d="M-70 44H-10" {...LINE} strokeDasharray="2 9" />
    </>
  ),
  RELEASE: (
    <>
      {hand}
      {below(shove)}
    </>
  ),
};
