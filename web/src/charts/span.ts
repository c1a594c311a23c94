/** The span that shows all these values with a little air, never below zero where nothing is. */
export function spanOf(values: number[]): [number, number] {
  const low = Math.min(...values);
  const high = Math.max(...values);
  const air = Math.max(1, 0.08 * (high - low));
  return [low >= 0 ? Math.max(0, low - air) : low - air, high + air];
}
