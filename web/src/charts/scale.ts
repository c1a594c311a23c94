/** Maps values to positions and back, and finds round ticks. */
export interface Scale {
  low: number;
  high: number;
  at: (value: number) => number;
}

export function linear(low: number, high: number, from: number, to: number): Scale {
  const span = high - low || 1;
  return { low, high, at: (value) => from + ((value - low) / span) * (to - from) };
}

/** Round ticks, about {@code count} of them, within the scale. */
export function ticks(low: number, high: number, count = 5): number[] {
  const raw = (high - low) / Math.max(1, count);
  const power = 10 ** Math.floor(Math.log10(raw));
  const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? power;
  const result: number[] = [];
  for (let tick = Math.ceil(low / step) * step; tick <= high + step / 1e6; tick += step) {
    result.push(Number(tick.toFixed(9)));
  }
  return result;
}

/** The span that shows all these values with a little air, never below zero where nothing is. */
export function spanOf(values: number[]): [number, number] {
  const low = Math.min(...values);
  const high = Math.max(...values);
  const air = Math.max(1, 0.08 * (high - low));
  return [low >= 0 ? Math.max(0, low - air) : low - air, high + air];
}
