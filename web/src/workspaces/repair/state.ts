import type { BleedSheet, GateCheck, Job, Repair, WorkStep } from "../../domain/types";

/** What the hands do in one go: steps that follow one another at one place, or the same act from place to place. */
export interface Visit {
  key: string;
  section: WorkStep["section"];
  places: string[];
  steps: WorkStep[];
}

/** The plan place by place, in the order of the work; ends are bled at the bleed sheet. */
export function visits(steps: WorkStep[]): Visit[] {
  const all: Visit[] = [];
  for (const step of steps.filter((one) => one.id !== "bleed-end")) {
    const last = all[all.length - 1];
    const here = last?.places.length === 1 && last.places[0] === step.place;
    const round = last?.steps.every((one) => one.id === step.id) ?? false;
    if (last?.section === step.section && (here || round)) {
      last.steps.push(step);
      if (!last.places.includes(step.place)) last.places.push(step.place);
    } else all.push({ key: step.key, section: step.section, places: [step.place], steps: [step] });
  }
  return all;
}

/** Whether a step is done, here or by a test. */
export const isDone = (step: WorkStep): boolean => step.done !== undefined || step.already !== undefined;

/** Whether a step still has to be done before the vehicle is proved. */
export const isOpen = (step: WorkStep): boolean => !step.optional && !isDone(step) && step.id !== "bleed-end";

/** The visit of the next act; where that is elsewhere, the first that is open. */
export function visitNow(job: Job, repair: Repair): Visit | undefined {
  const all = visits(repair.steps);
  const { kind, subject } = job.status.next;
  return (
    (kind === "STEP" ? all.find((visit) => visit.steps.some((step) => step.key === subject)) : undefined) ??
    (kind === "WAIT_FOR_PART" ? all.find((visit) => visit.steps.some(isOpen)) : undefined)
  );
}

/** How far the plan is: what has to be done, and what is done only where it applies. */
export function progress(steps: WorkStep[]) {
  const asked = steps.filter((step) => !step.optional && step.id !== "bleed-end");
  const leftOut = steps.filter((step) => step.optional && !isDone(step));
  return { done: asked.filter(isDone).length, all: asked.length, leftOut };
}

/** The maker's figures that the steps of a plan need. */
export const figuresOf = (steps: WorkStep[]): string[] => [
  ...new Set(steps.filter((step) => !step.optional).flatMap((step) => step.sheetFigures)),
];

/** How many steps want a second person. */
export const helperSteps = (steps: WorkStep[]): number =>
  steps.filter((step) => step.helper && !step.optional && !isDone(step)).length;

/** A figure as it is typed; not a number while it is none. */
export const typedNumber = (text: string): number => (text.trim() === "" ? NaN : Number(text.trim().replace(",", ".")));

/** What does not go together among figures as they are typed: below or above what is allowed, and by how much. */
export function apart(step: WorkStep, typed: Record<string, string>) {
  return step.together.flatMap((two) => {
    const difference = typedNumber(typed[two.second] ?? "") - typedNumber(typed[two.first] ?? "");
    if (difference < two.least) return [{ word: `together.${two.first}.below`, by: two.least - difference }];
    if (difference > two.most) return [{ word: `together.${two.first}.above`, by: difference - two.most }];
    return [];
  });
}

/** Whether a figure as it is typed is another than the list says. */
export function differs(asked: WorkStep["asks"][number], text: string): boolean {
  if (asked.listed === undefined || asked.within === undefined) return false;
  return Math.abs(typedNumber(text) - asked.listed) > asked.within;
}

/** The last reading of a test since the circuit was closed. */
export function readingSince(job: Job, testId: string, closedAt: string | undefined) {
  return [...job.entries]
    .reverse()
    .find(
      (entry) =>
        entry.kind === "reading-taken" &&
        entry.procedureId === testId &&
        !entry.struck &&
        (closedAt === undefined || Date.parse(entry.takenAt) >= Date.parse(closedAt)),
    );
}

/** Checks that are looks and still to be passed: told in one go. */
export const looksOpen = (checks: GateCheck[]): GateCheck[] =>
  checks.filter((check) => check.testId === undefined && check.outcome === undefined);

/** The calls of a stroke, in their order: release cannot come before the screw is closed. */
export const CALLS = ["PRESS", "OPEN", "HOLD", "CLOSE", "RELEASE"] as const;
export type Call = (typeof CALLS)[number];

export function callAfter(call: Call): Call {
  return CALLS[(CALLS.indexOf(call) + 1) % CALLS.length] ?? "PRESS";
}

/** How full the reservoir is believed to be, as a share of the room between its marks. */
export function levelShare(sheet: BleedSheet): number {
  return Math.max(0, Math.min(1, sheet.aboveMinimumMl / sheet.roomMl));
}

/** Seconds left of a rest that began then. */
export function restLeft(beganAt: number, minutes: number, now: number): number {
  return Math.max(0, Math.ceil(minutes * 60 - (now - beganAt) / 1000));
}
