import type { Layout, Rig, RigMoment } from "../../domain/types";

/** What is plugged or clamped, as the drawing names it. */
export const fitted = (layout: Layout, rig: Rig): string[] =>
  rig.plugged.map((id) => `${layout.joints.find((j) => j.id === id)?.clampable ? "clamp" : "plug"}@${id}`);

/** Share of those in whom somebody was so sure of something that it was so; in steps of ten per cent. */
export function calibration(
  claims: { percent: number; needed: boolean }[],
): { claimed: number; held: number; count: number }[] {
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

const TICKS_PER_SECOND = 25;
/** When a held pedal is read, s after the press. */
export const MARKS = [5, 15, 30, 60] as const;
/** From here on it is pressed, N. */
const PRESSED_N = 5;
/** As long as the force changes by more in a fifth of a second, it is still being made, N. */
const STEADY_N = 4;

/** What stood at each mark since the pedal was last pressed and the force made; only marks that have come. */
export function marks(past: RigMoment[], of: (moment: RigMoment) => number): { second: number; value: number }[] {
  const last = past[past.length - 1];
  if (!last || last.forceN < PRESSED_N) return [];
  let from = past.length - 1;
  while (from > 0 && (past[from - 1]?.forceN ?? 0) >= PRESSED_N) from--;
  const step = TICKS_PER_SECOND / 5;
  while (from + step < past.length && Math.abs((past[from + step]?.forceN ?? 0) - (past[from]?.forceN ?? 0)) > STEADY_N)
    from++;
  const start = past[from]?.tick ?? 0;
  return MARKS.flatMap((second) => {
    const at = past.find((moment) => moment.tick >= start + second * TICKS_PER_SECOND);
    return at === undefined ? [] : [{ second, value: of(at) }];
  });
}
