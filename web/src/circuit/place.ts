import type { ComponentKind, Layout } from "../domain/types";

export interface Point {
  x: number;
  y: number;
}

export type EndKind = "DISC" | "DRUM" | "SLAVE";
export type HubKind = "MODULATOR" | "PROPORTIONING_VALVE" | "METERING_VALVE" | "JUNCTION" | "CONNECTOR";

/** A stretch from one drawn part to the next: what runs in it, and where it can be cut. */
export interface Stretch {
  /** The joint at which it begins. */
  id: string;
  path: string;
  /** The component that is drawn with it. */
  to: string;
  hose: boolean;
  plug: Point;
  /** Joints passed on the way, and where they are cut: just before its end. */
  later: string[];
  tail: Point;
}

export interface Placed {
  ends: { id: string; kind: EndKind; at: Point }[];
  /** Radius of an end, smaller where there are many. */
  radius: number;
  hubs: { id: string; kind: HubKind; at: Point; width: number; height: number }[];
  pipes: Stretch[];
}

export const SIZE = { width: 960, height: 452 };
export const MASTER = { x: 226, y: 98, width: 198, height: 68 };
export const PORTS: Record<"PRIMARY" | "SECONDARY", Point> = {
  PRIMARY: { x: 286, y: 166 },
  SECONDARY: { x: 372, y: 166 },
};
const END_X = 806;
const HUB_X = [500, 596, 680];
const HUB_SIZE: Record<HubKind, { width: number; height: number }> = {
  MODULATOR: { width: 92, height: 72 },
  PROPORTIONING_VALVE: { width: 54, height: 36 },
  METERING_VALVE: { width: 54, height: 36 },
  CONNECTOR: { width: 34, height: 30 },
  JUNCTION: { width: 14, height: 14 },
};
const HIGHEST_HUB = 132;
const HOSE_LENGTH = 44;
/** Line behind the outlets of a plugged modulator: nothing to the right of it is under test. */
export const UNDER_TEST_X = 640;
/** From one plug to the next on the same pipe. */
const PLUG_ROOM = 14;
/** To the right of what is written beside the master. */
const CLEAR_OF_LABEL = 592;

const isEnd = (kind: ComponentKind): kind is EndKind => kind === "DISC" || kind === "DRUM" || kind === "SLAVE";
const isHub = (kind: ComponentKind): kind is HubKind => kind in HUB_SIZE;

/** Where everything stands on the sheet: foot on the left, ends on the right, in the order of the layout. */
export function place(layout: Layout): Placed {
  const kinds = new Map(layout.components.map((c) => [c.id, c.kind]));
  const ends = layout.components.filter((c) => isEnd(c.kind));
  const step = ends.length > 1 ? (SIZE.height - 92) / (ends.length - 1) : 0;
  const placedEnds = ends.map((c, i) => ({
    id: c.id,
    kind: c.kind as EndKind,
    at: { x: END_X, y: ends.length > 1 ? 46 + i * step : 262 },
  }));
  const radius = ends.length > 1 ? Math.min(34, 0.42 * step) : 34;
  const hubs = placeHubs(layout, kinds, new Map(placedEnds.map((e) => [e.id, e.at.y])));
  const pipes = new Stretches(layout, kinds, placedEnds, hubs, radius).all();
  return { ends: placedEnds, radius, hubs, pipes };
}

/** A hub stands beside the middle of the ends behind it, in the column of its distance from the master. */
function placeHubs(layout: Layout, kinds: Map<string, ComponentKind>, endY: Map<string, number>): Placed["hubs"] {
  const into = (id: string) => layout.joints.find((j) => j.to === id);
  const behind = (id: string): number[] =>
    layout.joints.filter((j) => j.from === id).flatMap((j) => (endY.has(j.to) ? [endY.get(j.to) ?? 0] : behind(j.to)));
  const depth = (id: string): number => {
    let count = 0;
    for (let joint = into(id); joint && kinds.get(joint.from) !== "MASTER"; joint = into(joint.from)) {
      if (isHub(kinds.get(joint.from) ?? "PIPE")) count++;
    }
    return count;
  };
  return layout.components
    .filter((c) => isHub(c.kind))
    .map((c) => {
      const kind = c.kind as HubKind;
      const ys = behind(c.id);
      const middle = ys.reduce((sum, y) => sum + y, 0) / Math.max(1, ys.length);
      const y = kind === "MODULATOR" ? 298 : Math.max(HIGHEST_HUB, Math.min(SIZE.height - 50, middle));
      return { id: c.id, kind, at: { x: HUB_X[Math.min(depth(c.id), HUB_X.length - 1)] ?? 500, y }, ...HUB_SIZE[kind] };
    });
}

/** Draws from the ports outwards, stretch by stretch. */
class Stretches {
  private readonly drawn: Stretch[] = [];

  constructor(
    private readonly layout: Layout,
    private readonly kinds: Map<string, ComponentKind>,
    private readonly ends: Placed["ends"],
    private readonly hubs: Placed["hubs"],
    private readonly radius: number,
  ) {}

  all(): Stretch[] {
    for (const port of this.layout.joints.filter((j) => this.kinds.get(j.from) === "MASTER")) {
      this.run(port, PORTS[port.chamber], 0);
    }
    return this.drawn;
  }

  /** Follows one joint to the next hub or end. */
  private run(joint: Layout["joints"][number], from: Point, lane: number) {
    let last = joint;
    const passed: string[] = [];
    let hose: { id: string; joint: string } | undefined;
    let pipe: string | undefined;
    while (!isEnd(this.kinds.get(last.to) ?? "PIPE") && !isHub(this.kinds.get(last.to) ?? "PIPE")) {
      if (this.kinds.get(last.to) === "HOSE") hose = { id: last.to, joint: last.id };
      else pipe ??= last.to;
      const next = this.layout.joints.find((j) => j.from === last.to && j.chamber === joint.chamber);
      if (!next) return;
      last = next;
      passed.push(next.id);
    }
    const behind = hose && hose.joint !== last.id ? last.id : undefined;
    const end = this.ends.find((e) => e.id === last.to);
    const hub = this.hubs.find((h) => h.id === last.to);
    const second = joint.chamber === "SECONDARY" ? 1 : 0;
    const target = end
      ? { x: end.at.x - this.radius, y: end.at.y }
      : { x: hub?.at.x ?? 0, y: (hub?.at.y ?? 0) + (hub?.kind === "MODULATOR" ? second * 34 - 16 : 0) };
    const start = hose ? target.x - HOSE_LENGTH : target.x;
    const first = this.kinds.get(joint.from) === "MASTER";
    const path = first
      ? fromPort(from, { x: start, y: target.y }, second)
      : fromHub(from, { x: start, y: target.y }, lane);
    this.drawn.push({
      id: joint.id,
      path,
      to: pipe ?? hose?.id ?? last.to,
      hose: false,
      plug: first
        ? { x: from.x, y: from.y + 34 }
        : this.kinds.get(joint.from) === "MODULATOR"
          ? { x: from.x + 12, y: from.y }
          : behindTee(from, { x: start, y: target.y }, lane),
      later: passed.filter((id) => id !== hose?.joint && id !== behind),
      tail: { x: start - 12, y: target.y },
    });
    if (hose) {
      this.drawn.push({
        id: hose.joint,
        path: `M${start} ${target.y}c8 -10 14 10 22 0s14 -8 22 0`,
        to: hose.id,
        hose: true,
        plug: { x: start, y: target.y },
        later: behind ? [behind] : [],
        tail: { x: target.x - 4, y: target.y },
      });
    }
    if (hub) this.leave(hub, joint.chamber);
  }

  private leave(hub: Placed["hubs"][number], chamber: "PRIMARY" | "SECONDARY") {
    const out = this.layout.joints.filter((j) => j.from === hub.id);
    out.forEach((joint, i) => {
      if (joint.chamber !== chamber) return;
      const spread = hub.kind === "MODULATOR" ? (i - (out.length - 1) / 2) * Math.min(15, 60 / out.length) : 0;
      this.run(joint, { x: hub.at.x + hub.width, y: hub.at.y + spread }, laneOf(i - (out.length - 1) / 2));
    });
  }
}

/** Down from a port, across, and to its target; below the master it goes straight. */
function fromPort(port: Point, to: Point, lane: number): string {
  if (to.y > MASTER.y + MASTER.height + 24) return `M${port.x} ${port.y}V${to.y}H${to.x}`;
  const x = (to.x > CLEAR_OF_LABEL ? CLEAR_OF_LABEL : 478) - lane * 16;
  return `M${port.x} ${port.y}V${196 + (1 - lane) * 20}H${x}V${to.y}H${to.x}`;
}

function fromHub(from: Point, to: Point, lane: number): string {
  return from.y === to.y
    ? `M${from.x} ${from.y}H${to.x}`
    : `M${from.x} ${from.y}H${bend(from, to, lane)}V${to.y}H${to.x}`;
}

/** A lane of its own for each pipe that leaves a hub, the outermost the furthest from the ends: where the ends follow one another as the pipes do, no two cross. */
function laneOf(fromMiddle: number): number {
  return fromMiddle > 0 ? fromMiddle - 0.5 : -fromMiddle;
}

function bend(from: Point, to: Point, lane: number): number {
  const last = to.x - 3 * PLUG_ROOM > from.x + 36 ? Math.min(724, to.x - 3 * PLUG_ROOM) : to.x - 8;
  return Math.max(from.x + 14, last - lane * Math.min(18, (last - from.x - 14) / 2));
}

/** Where a pipe is plugged that leaves a tee: past its bend, since all of them leave it in one place. */
function behindTee(from: Point, to: Point, lane: number): Point {
  return from.y === to.y
    ? { x: from.x + 16, y: from.y }
    : { x: Math.min(to.x, bend(from, to, lane) + PLUG_ROOM), y: to.y };
}

/** Where a joint of a stretch is plugged. */
export function plugAt(stretch: Stretch, joint: string): Point {
  const behind = stretch.later.length - 1 - stretch.later.indexOf(joint);
  return joint === stretch.id ? stretch.plug : { x: stretch.tail.x - behind * PLUG_ROOM, y: stretch.tail.y };
}
