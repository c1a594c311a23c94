import type { Debrief, Layout, Rig } from "../../domain/types";

/** What is plugged or clamped, as the drawing names it. */
export const fitted = (layout: Layout, rig: Rig): string[] =>
  rig.plugged.map((id) => `${layout.joints.find((j) => j.id === id)?.clampable ? "clamp" : "plug"}@${id}`);

/** Share of those in whom somebody was so sure of something that it was so; in steps of ten per cent. */
export function calibration(claims: Debrief["claims"]): { claimed: number; held: number; count: number }[] {
  const steps = new Map<number, { claimed: number; held: number; count: number }>();
  for (const claim of claims) {
    const step = Math.min(9, Math.floor(claim.percent / 10));
    const own = steps.get(step) ?? { claimed: 0, held: 0, count: 0 };
    own.claimed += claim.percent / 100;
    own.held += claim.needed ? 1 : 0;
    own.count += 1;
    steps.set(step, own);
  }
  return [...steps.entries()]
    .sort(([a], [b]) => a - b)
    .map(([, { claimed, held, count }]) => ({ claimed: claimed / count, held: held / count, count }));
}
