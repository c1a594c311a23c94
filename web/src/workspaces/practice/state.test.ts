import { describe, expect, it } from "vitest";
import type { Layout, Rig, RigMoment } from "../../domain/types";
import { calibration, fitted, marks, median, sureness, traceOf, zeroOf } from "./state";

const moment = (tick: number, forceN: number, travelMm: number): RigMoment => ({
  tick,
  rests: false,
  forceN,
  travelMm,
  barByChamber: {},
  barByEnd: {},
  dragNmByEnd: {},
  reserve: 0,
  supply: 0,
  slaveStrokeMm: 0,
  heatC: 0,
  dripMlPerMinute: 0,
  aboveMinimumMl: 80,
  read: { "travel-tape": travelMm },
});

describe("marks of a held pedal", () => {
  /** Free for 2 s, pressed to 200 N within 0.4 s, then sinking 1 mm a second. */
  const held = (seconds: number) => [
    ...Array.from({ length: 50 }, (_, at) => moment(at, 0, 0)),
    ...Array.from({ length: 10 }, (_, at) => moment(50 + at, 20 * (at + 1), 3 * (at + 1))),
    ...Array.from({ length: seconds * 25 }, (_, at) => moment(60 + at, 200, 30 + at / 25)),
  ];

  it("come one after the other, counted from the press", () => {
    expect(marks(held(4), (m) => m.travelMm)).toEqual([]);
    const [first, second, ...more] = marks(held(20), (m) => m.travelMm);
    expect(first?.second).toBe(5);
    expect(first?.value).toBeCloseTo(34.9, 0);
    expect((second?.value ?? 0) - (first?.value ?? 0)).toBeCloseTo(10, 5);
    expect(more).toEqual([]);
  });

  it("are left out where the instrument had dropped out", () => {
    const dropped = held(20).map((m) => (m.tick >= 180 && m.tick < 230 ? { ...m, read: {} } : m));
    expect(marks(dropped, (m) => m.read["travel-tape"]).map((mark) => mark.second)).toEqual([15]);
  });

  it("come with a trace from the zero of the instrument", () => {
    const tape = (m: RigMoment) => m.travelMm + 7;
    const trace = traceOf(held(20), tape);
    expect(zeroOf(held(20), tape)).toBe(7);
    expect(trace.fromSeconds).toBeCloseTo(-2, 0);
    expect(trace.values[0]).toBe(0);
    expect(Math.max(...trace.values)).toBeCloseTo(50, 0);
  });

  it("are gone once the foot has left", () => {
    expect(marks([...held(20), moment(600, 0, 30)], (m) => m.travelMm)).toEqual([]);
  });
});

it("what is plugged is named as the drawing names it", () => {
  const layout = {
    joints: [
      { id: "a", clampable: true },
      { id: "b", clampable: false },
    ],
  } as unknown as Layout;
  expect(fitted(layout, { plugged: ["a", "b"] } as unknown as Rig)).toEqual(["clamp@a", "plug@b"]);
});

it("claims are held against what was so, step by step", () => {
  const claim = (percent: number, needed: boolean) => ({ percent, needed });
  expect(calibration([claim(90, true), claim(95, false), claim(50, false)])).toEqual([
    { claimed: 0.5, held: 0, count: 1 },
    { claimed: 0.925, held: 0.5, count: 2 },
  ]);
});

describe("results side by side", () => {
  it("has the one in the middle, and of two the mean", () => {
    expect(median([90, 10, 40])).toBe(40);
    expect(median([90, 10])).toBe(50);
    expect(median([])).toBe(0);
  });
  it("sets how sure somebody was beside how often it was so", () => {
    expect(sureness([])).toBeUndefined();
    expect(
      sureness([
        { percent: 90, needed: true },
        { percent: 70, needed: false },
      ]),
    ).toEqual({ claimed: 0.8, held: 0.5, count: 2 });
  });
});
