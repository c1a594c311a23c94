import type { BleedSheet, Job, Repair, WorkStep } from "../../domain/types";

/** The step to do now: the first that is not ticked, is not optional and is not done at the bleed sheet. */
export function currentStep(repair: Repair): WorkStep | undefined {
  return repair.steps.find((step) => !step.done && !step.optional && step.id !== "bleed-end");
}

/** Steps by section, in the order of the work. */
export function sections(steps: WorkStep[]): { section: WorkStep["section"]; steps: WorkStep[] }[] {
  const all: { section: WorkStep["section"]; steps: WorkStep[] }[] = [];
  for (const step of steps) {
    const last = all[all.length - 1];
    if (last?.section === step.section) last.steps.push(step);
    else all.push({ section: step.section, steps: [step] });
  }
  return all;
}

/** An item that is on, off or moved, as what and where. */
export function itemParts(item: string): { kind: string; place: string } {
  const [kind = item, place = ""] = item.split("@");
  return { kind, place };
}

/** What comes next after the verdict: where the button of the job leads. */
export function nextPlace(job: Job): "work" | "bleed" | "proving" {
  if (!job.repair) return "work";
  const blockers = job.repair.gates[0]?.blockers ?? [];
  if (currentStep(job.repair)?.section === "BLEED" || blockers.every((b) => b.kind === "BLEEDING"))
    return blockers.some((b) => b.kind === "BLEEDING") ? "bleed" : "proving";
  return currentStep(job.repair) ? "work" : "proving";
}

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
