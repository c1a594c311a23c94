import { describe, expect, it } from "vitest";
import type { BleedSheet, GateCheck, Job, Repair, WorkStep } from "../../domain/types";
import {
  apart,
  callAfter,
  CALLS,
  differs,
  figuresOf,
  helperSteps,
  levelShare,
  looksOpen,
  progress,
  readingSince,
  restLeft,
  typedNumber,
  visitNow,
  visits,
} from "./state";

const step = (id: string, section: string, part: Partial<WorkStep> = {}) =>
  ({
    key: `${id}@${part.place ?? "master"}`,
    id,
    section,
    place: "master",
    optional: false,
    asks: [],
    together: [],
    ...part,
  }) as unknown as WorkStep;
const done = { done: { entryId: "e", personId: "p", at: "", measured: [], why: "" } } as Partial<WorkStep>;
const next = (kind: string, subject = "") => ({ status: { next: { kind, subject } } }) as Job;

describe("the plan", () => {
  it("is done place by place, and ends are bled elsewhere", () => {
    const read = visits([
      step("hold", "PROTECT", { place: "pedal" }),
      step("cover", "PROTECT"),
      step("crack", "TAKE_OUT"),
      step("cap", "TAKE_OUT"),
      step("bleed-end", "BLEED", { place: "rear-left" }),
      step("wheel-on", "CLOSE", { place: "rear-left" }),
      step("wheel-on", "CLOSE", { place: "rear-right" }),
    ]);
    expect(read.map((visit) => [visit.section, visit.places.join(), visit.steps.length])).toEqual([
      ["PROTECT", "pedal", 1],
      ["PROTECT", "master", 1],
      ["TAKE_OUT", "master", 2],
      ["CLOSE", "rear-left,rear-right", 2],
    ]);
  });

  it("goes on where the job says it goes on, and nowhere while that is elsewhere", () => {
    const repair = { steps: [step("cover", "PROTECT", done), step("crack", "TAKE_OUT")] } as Repair;
    expect(visitNow(next("STEP", "crack@master"), repair)?.section).toBe("TAKE_OUT");
    expect(visitNow(next("BLEED", "rear-left"), repair)).toBeUndefined();
    expect(visitNow(next("WAIT_FOR_PART", "master"), repair)?.section).toBe("TAKE_OUT");
  });

  it("counts what has to be done, a test's work as done, and tells what was left out", () => {
    const steps = [
      step("a", "PROTECT", done),
      step("b", "TAKE_OUT", { already: "reading" }),
      step("c", "FIT"),
      step("d", "FIT", { optional: true }),
      step("bleed-end", "BLEED"),
    ];
    const read = progress(steps);
    expect([read.done, read.all, read.leftOut.map((one) => one.id)]).toEqual([2, 3, ["d"]]);
  });
});

describe("what a plan needs", () => {
  const plan = [
    step("crack-nuts", "TAKE_OUT", { sheetFigures: ["port-spanner", "adapter"] }),
    step("torque-nuts", "FIT", { sheetFigures: ["nut-torque", "adapter"] }),
    step("in-the-way-off", "PROTECT", { optional: true, sheetFigures: ["in-the-way"] }),
    step("joint-pressed", "CLOSE", { helper: true, sheetFigures: [] }),
    step("lamp-seen", "CLOSE", { helper: true, sheetFigures: [], ...done }),
  ];

  it("is each figure of the maker once, of steps that have to be done", () => {
    expect(figuresOf(plan)).toEqual(["port-spanner", "adapter", "nut-torque"]);
  });

  it("is a helper for the steps that are still to be done", () => {
    expect(helperSteps(plan)).toBe(1);
  });
});

describe("figures are judged as they are typed", () => {
  const rod = step("output-rod-set", "SET", {
    together: [{ first: "rod-depth", second: "master-depth", least: 0, most: 3 }],
  });

  it("reads a comma as a point and nothing as no number", () => {
    expect(typedNumber("12,4")).toBe(12.4);
    expect(typedNumber(" ")).toBeNaN();
  });

  it("stops a rod that stands prouder than the piston lies deep", () => {
    const [found] = apart(rod, { "rod-depth": "12.4", "master-depth": "11.9" });
    expect(found?.word).toBe("together.rod-depth.below");
    expect(found?.by).toBeCloseTo(0.5);
    expect(apart(rod, { "rod-depth": "11.4", "master-depth": "11.9" })).toEqual([]);
    expect(apart(rod, { "rod-depth": "12.4" })).toEqual([]);
  });

  it("knows a bore that is another, until it is corrected", () => {
    const bore = { id: "new-bore", dimension: "LENGTH", listed: 23.81, within: 0.25 } as WorkStep["asks"][number];
    expect(differs(bore, "22.2")).toBe(true);
    expect(differs(bore, "23,81")).toBe(false);
    expect(differs(bore, "")).toBe(false);
  });
});

describe("proving", () => {
  it("tells several looks at once, and no measurement among them", () => {
    const checks = [
      { id: "pumped-firm" },
      { id: "holds-sixty", testId: "hold-medium" },
      { id: "joints", outcome: "failed" },
    ] as GateCheck[];
    expect(looksOpen(checks).map((check) => check.id)).toEqual(["pumped-firm"]);
  });

  it("takes a reading only from when the circuit was closed, and none that was struck", () => {
    const entry = (id: string, takenAt: string, struck = false) => ({
      id,
      kind: "reading-taken",
      procedureId: "hold-medium",
      takenAt,
      struck,
    });
    const job = {
      entries: [
        entry("before", "2026-11-29T08:00:00Z"),
        entry("after", "2026-11-29T10:00:00Z"),
        entry("struck", "2026-11-29T11:00:00Z", true),
      ],
    } as Job;
    expect(readingSince(job, "hold-medium", "2026-11-29T09:00:00Z")?.id).toBe("after");
    expect(readingSince(job, "hold-medium", "2026-11-29T12:00:00Z")).toBeUndefined();
  });
});

it("a rest runs by the clock, whatever the page did meanwhile", () => {
  expect(restLeft(0, 10, 0)).toBe(600);
  expect(restLeft(0, 10, 599_500)).toBe(1);
  expect(restLeft(0, 10, 700_000)).toBe(0);
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
