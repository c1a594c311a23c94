import type { Job } from "../../domain/types";

export type Spot = Job["walk"]["spots"][number]["state"];

/** What a tap on a part makes of it: wet, then damp, then dry, then not looked at again. */
export function tapped(state: Spot | undefined): Spot | undefined {
  const next: Record<Spot, Spot | undefined> = { WET: "DAMP", DAMP: "DRY", DRY: undefined };
  return state === undefined ? "WET" : next[state];
}

/** Where the next test is done: the first walk has a screen of its own. */
export const placeOf = (job: Job, procedureId: string): string =>
  `/jobs/${job.id}/${walkIsNext(job) ? "walk" : `tests/${procedureId}`}`;

/** The tests of the walk that have not been read yet. */
export const walkTests = (job: Job): string[] => [...job.walk.looks.map((look) => look.procedureId), "dry-walk"];

/**
 * Whether the first walk is still to be done: nothing of it has been read, and it comes next. The vehicle of an exercise
 * shows test by test.
 */
export function walkIsNext(job: Job): boolean {
  if (job.practice) return false;
  const tests = walkTests(job);
  const read = job.entries.some((entry) => entry.kind === "walk-seen" || tests.includes(entry.procedureId ?? ""));
  return !read && tests.includes(job.assessment.next?.procedureId ?? "");
}
