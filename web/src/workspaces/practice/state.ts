import type { ExerciseLine, Layout, Rig, RigMoment } from "../../domain/types";

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

/** What an instrument shows at a moment; nothing while it has dropped out. */
export type Shows = (moment: RigMoment) => number | undefined;

/** Where in the past the pedal was last pressed and the force made; nothing while no foot is there. */
function pressedAt(past: RigMoment[]): number | undefined {
  const last = past[past.length - 1];
  if (!last || last.forceN < PRESSED_N) return undefined;
  let from = past.length - 1;
  while (from > 0 && (past[from - 1]?.forceN ?? 0) >= PRESSED_N) from--;
  const step = TICKS_PER_SECOND / 5;
  while (from + step < past.length && Math.abs((past[from + step]?.forceN ?? 0) - (past[from]?.forceN ?? 0)) > STEADY_N)
    from++;
  return from;
}

/** What stood at each mark since the press; only marks that have come and at which the instrument showed something. */
export function marks(past: RigMoment[], of: Shows): { second: number; value: number }[] {
  const from = pressedAt(past);
  const start = from === undefined ? undefined : past[from]?.tick;
  if (start === undefined) return [];
  return MARKS.flatMap((second) => {
    const at = past.find((moment) => moment.tick >= start + second * TICKS_PER_SECOND);
    const value = at && of(at);
    return value === undefined ? [] : [{ second, value }];
  });
}

const BEFORE_TICKS = 2 * TICKS_PER_SECOND;
/** Of the moments so many are kept: ten and a bit in a second are enough. */
const EVERY_TICKS = 2;

/** What an instrument showed before it was pressed: its zero. */
export function zeroOf(past: RigMoment[], of: Shows): number {
  const free = past.filter((moment) => moment.forceN < 1).slice(-BEFORE_TICKS);
  const shown = free
    .map(of)
    .filter((value) => value !== undefined)
    .sort((a, b) => a - b);
  return shown[Math.floor(shown.length / 2)] ?? 0;
}

/** What an instrument wrote down about the press, from its zero, as it is kept with a reading. */
export function traceOf(past: RigMoment[], of: Shows): { fromSeconds: number; stepSeconds: number; values: number[] } {
  const from = pressedAt(past) ?? 0;
  const zero = zeroOf(past, of);
  const first = Math.max(0, from - BEFORE_TICKS);
  let before = 0;
  const values = past
    .slice(first)
    .filter((_, at) => at % EVERY_TICKS === 0)
    .map((moment) => (before = (of(moment) ?? before + zero) - zero));
  return {
    fromSeconds: (first - from) / TICKS_PER_SECOND,
    stepSeconds: EVERY_TICKS / TICKS_PER_SECOND,
    values: values.map((value) => Math.round(value * 100) / 100),
  };
}

/** The page on which an exercise goes on. */
export const whereTo = (line: ExerciseLine, own: boolean): string =>
  line.points !== undefined
    ? `/practice/${line.id}/debrief`
    : line.opened
      ? `/jobs/${line.id}`
      : own
        ? `/intake?exercise=${line.id}`
        : `/practice/${line.id}`;

/** The one in the middle; of two the mean of both. */
export function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const low = sorted[Math.floor((sorted.length - 1) / 2)] ?? 0;
  const high = sorted[Math.ceil((sorted.length - 1) / 2)] ?? 0;
  return Math.round((low + high) / 2);
}

/** How sure somebody was on average, and how often it was so; nothing where nobody was asked. */
export function sureness(
  claims: { percent: number; needed: boolean }[],
): { claimed: number; held: number; count: number } | undefined {
  if (claims.length === 0) return undefined;
  const claimed = claims.reduce((sum, claim) => sum + claim.percent / 100, 0);
  return {
    claimed: claimed / claims.length,
    held: claims.filter((c) => c.needed).length / claims.length,
    count: claims.length,
  };
}
