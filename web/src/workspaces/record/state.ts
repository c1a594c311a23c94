import type { Insights, Learning, RecordLine } from "../../domain/types";

/** What can be looked for, as it stands in the address of the page. */
export const FILTERS = [
  "search",
  "layoutId",
  "make",
  "remedyId",
  "causeId",
  "behaviour",
  "personId",
  "from",
  "to",
  "cameBack",
] as const;
export type Filter = (typeof FILTERS)[number];
export type Asked = Partial<Record<Filter, string>>;

/** What an address looks for; what it does not know is left out. */
export function askedBy(params: URLSearchParams): Asked {
  const asked: Asked = {};
  for (const filter of FILTERS) {
    const text = params.get(filter)?.trim();
    if (text) asked[filter] = text;
  }
  return asked;
}

/** The address of a search, always in the same order, so that the same search is the same text. */
export function addressOf(asked: Asked): string {
  const params = new URLSearchParams();
  for (const filter of FILTERS) {
    const text = asked[filter];
    if (text) params.set(filter, text);
  }
  return params.toString();
}

export interface Tick {
  line: RecordLine;
  /** 0 is the first job of the vehicle, 1 now. */
  at: number;
}

/** The closed jobs of a vehicle along one line of time. */
export function ticks(lines: RecordLine[], now: Date): Tick[] {
  if (lines.length === 0) return [];
  const times = lines.map((line) => Date.parse(line.closedAt));
  const first = Math.min(...times);
  const span = Math.max(1, now.getTime() - first);
  return lines.map((line, i) => ({ line, at: ((times[i] ?? first) - first) / span }));
}

/** Minutes that were not spent, of a time: what replacing the likeliest first would have cost, less what was spent. */
export function savedMinutes(months: Insights["months"]): number {
  return months.reduce((sum, m) => sum + m.byLikelihoodMinutes - m.spentMinutes, 0);
}

/** Faults whose share has moved most, the most first; those that hardly moved are left out. */
export function moved(learning: Learning, most: number): Learning["suspects"] {
  const LEAST_FACTOR = 1.05;
  const by = (s: Learning["suspects"][number]) => Math.abs(Math.log(s.now / s.shipped));
  return learning.suspects
    .filter((s) => by(s) >= Math.log(LEAST_FACTOR))
    .sort((a, b) => Math.abs(b.now - b.shipped) - Math.abs(a.now - a.shipped))
    .slice(0, most);
}
