import { describe, expect, it } from "vitest";
import type { BleedSheet, Job, Repair, WorkStep } from "../../domain/types";
import { callAfter, CALLS, currentStep, itemParts, levelShare, nextPlace, sections } from "./state";

const step = (id: string, section: string, part: Partial<WorkStep> = {}) =>
  ({ key: `${id}@master`, id, section, place: "master", optional: false, asks: [], ...part }) as unknown as WorkStep;
const done = { done: { entryId: "e", personId: "p", at: "", measured: [], why: "" } } as Partial<WorkStep>;
const job = (steps: WorkStep[], kinds: string[]) =>
  ({ repair: { steps, gates: [{ blockers: kinds.map((kind) => ({ kind, item: "" })) }] } as unknown as Repair }) as Job;

describe("the plan", () => {
  it("goes on with the first step that is not ticked, leaving out what is optional and what is bled", () => {
    const steps = [
      step("cover", "PROTECT", done),
      step("turning-nut", "TAKE_OUT", { optional: true }),
      step("bleed-end", "BLEED"),
      step("wash", "CLOSE"),
    ];
    expect(currentStep({ steps } as Repair)?.id).toBe("wash");
    expect(currentStep({ steps: steps.slice(0, 3) } as Repair)).toBeUndefined();
  });

  it("is read by section in the order of the work", () => {
    const read = sections([step("a", "PROTECT"), step("b", "PROTECT"), step("c", "FIT")]);
    expect(read.map((s) => [s.section, s.steps.length])).toEqual([
      ["PROTECT", 2],
      ["FIT", 1],
    ]);
  });

  it("leads to the plan, then to the bleed sheet, then to the gates", () => {
    expect(nextPlace(job([step("wash", "CLOSE")], ["STEP_OPEN", "BLEEDING"]))).toBe("work");
    expect(nextPlace(job([step("wash", "CLOSE", done)], ["BLEEDING"]))).toBe("bleed");
    expect(nextPlace(job([step("wash", "CLOSE", done)], []))).toBe("proving");
  });

  it("tells what is on and where", () => {
    expect(itemParts("adjuster@rear-left")).toEqual({ kind: "adjuster", place: "rear-left" });
  });
});

describe("the caller", () => {
  it("never lets go before the screw is closed", () => {
    const round = CALLS.map((call) => callAfter(call));
    expect(CALLS.indexOf("CLOSE")).toBeGreaterThan(CALLS.indexOf("OPEN"));
    expect(CALLS.indexOf("RELEASE")).toBe(CALLS.indexOf("CLOSE") + 1);
    expect(round[round.length - 1]).toBe("PRESS");
  });
});

it("draws the level between the marks", () => {
  const sheet = (aboveMinimumMl: number) => ({ aboveMinimumMl, roomMl: 80 }) as BleedSheet;
  expect(levelShare(sheet(40))).toBe(0.5);
  expect(levelShare(sheet(-3))).toBe(0);
});
