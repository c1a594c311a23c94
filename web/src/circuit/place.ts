import type { Layout } from "../domain/types";

export interface Point {
  x: number;
  y: number;
}

export interface Placed {
  ends: { id: string; drum: boolean; at: Point }[];
  modulator?: Point;
  /** Joint by joint: from which point to which, bent at right angles. */
  pipes: { id: string; path: string; to: string; hose: boolean; plug: Point }[];
}

export const SIZE = { width: 960, height: 452 };
export const MASTER = { x: 226, y: 98, width: 198, height: 68 };
export const PORTS: Record<"PRIMARY" | "SECONDARY", Point> = { PRIMARY: { x: 286, y: 166 }, SECONDARY: { x: 372, y: 166 } };
const MODULATOR = { x: 520, y: 262, width: 92, height: 72 };
const END_X = 806;
const END_RADIUS = 34;

/** Where everything stands on the sheet: foot on the left, wheels on the right, in the order of the layout. */
export function place(layout: Layout): Placed {
  const ends = layout.components.filter((c) => c.kind === "DISC" || c.kind === "DRUM");
  const step = (SIZE.height - 84) / Math.max(1, ends.length - 1);
  const placedEnds = ends.map((c, i) => ({ id: c.id, drum: c.kind === "DRUM", at: { x: END_X, y: 46 + i * step } }));
  const hasModulator = layout.components.some((c) => c.kind === "MODULATOR");
  const pipes: Placed["pipes"] = [];
  (["PRIMARY", "SECONDARY"] as const).forEach((chamber, n) => {
    const port = PORTS[chamber];
    const inlet = { x: MODULATOR.x, y: MODULATOR.y + 18 + n * 34 };
    const own = layout.joints.filter((j) => j.chamber === chamber);
    const portJoint = own.find((j) => layout.components.find((c) => c.id === j.from)?.kind === "MASTER");
    if (portJoint) {
      const path = `M${port.x} ${port.y}V${inlet.y}H${inlet.x}`;
      pipes.push({ id: portJoint.id, path, to: portJoint.to, hose: false, plug: { x: port.x, y: port.y + 34 } });
    }
  });
  placedEnds.forEach((end, i) => {
    const chain = chainTo(layout, end.id);
    const out = { x: MODULATOR.x + MODULATOR.width, y: MODULATOR.y + 14 + i * 15 };
    const bend = 724 - Math.abs(i - (placedEnds.length - 1) / 2) * 18;
    const hoseStart = END_X - END_RADIUS - 44;
    if (chain.outlet) {
      const path = `M${out.x} ${out.y}H${bend}V${end.at.y}H${hoseStart}`;
      pipes.push({ id: chain.outlet.id, path, to: chain.outlet.to, hose: false, plug: { x: out.x + 16, y: out.y } });
    }
    if (chain.hose) {
      const path = `M${hoseStart} ${end.at.y}c8 -10 14 10 22 0s14 -8 20 0`;
      pipes.push({ id: chain.hose.id, path, to: chain.hose.to, hose: true, plug: { x: hoseStart, y: end.at.y } });
    }
  });
  return { ends: placedEnds, modulator: hasModulator ? MODULATOR : undefined, pipes };
}

/** The joints on the way to one end: where its pipe begins, where its hose begins. */
function chainTo(layout: Layout, endId: string) {
  const hoseEnd = layout.joints.find((j) => j.to === endId);
  const hose = layout.joints.find((j) => j.to === hoseEnd?.from);
  const outlet = layout.joints.find((j) => j.to === hose?.from);
  return { outlet, hose };
}
