import { describe, expect, it } from "vitest";
import type { Unit } from "./types";
import {
  asTyped,
  factor,
  minutes,
  oneIn,
  percent,
  preview,
  readingFigure,
  shown,
  shownReading,
  unitFor,
} from "./units";

const UNITS: Unit[] = [
  { symbol: "mm", dimension: "LENGTH", coreUnitsPerUnit: 1, zeroInCore: 0, core: true },
  { symbol: "in", dimension: "LENGTH", coreUnitsPerUnit: 25.4, zeroInCore: 0, core: false },
  { symbol: "N", dimension: "FORCE", coreUnitsPerUnit: 1, zeroInCore: 0, core: true },
  { symbol: "lbf", dimension: "FORCE", coreUnitsPerUnit: 4.4482216152605, zeroInCore: 0, core: false },
];
const MM = UNITS[0] as Unit;
const ML: Unit = { symbol: "mL", dimension: "VOLUME", coreUnitsPerUnit: 1, zeroInCore: 0, core: true };

describe("volumes", () => {
  it.each([
    [0.045, "0.04 mL"],
    [0.001, "0.0 mL"],
    [0, "0.0 mL"],
    [0.25, "0.3 mL"],
    [25, "25.0 mL"],
  ])("%d reads %s", (value, text) => expect(shown(value, "VOLUME", "metric", [ML])).toBe(text));
});

describe("typed figures", () => {
  it.each([
    ["23.8", 23.8],
    ["23,8", 23.8],
    [" 23.8 mm ", 23.8],
    ["15/16 in", 23.8125],
    ["1 1/8in", 28.575],
    ['0.94"', 23.876],
    ["0", 0],
    ["-2", -2],
    [".5", 0.5],
    ["128 740", 128740],
    ["1 280,5 mm", 1280.5],
  ])("%s is %d mm", (text, mm) => expect(preview(text, MM, UNITS)).toBeCloseTo(mm, 6));

  it("longer than any figure is none", () => expect(preview("4" + " ".repeat(60), MM, UNITS)).toBeUndefined());

  it.each(["", "hard", "12 N", "1/0", "1,2,3", "12 furlong"])("%s is no length", (text) =>
    expect(preview(text, MM, UNITS)).toBeUndefined(),
  );
});

describe("shown figures", () => {
  it("follow the chosen system", () => {
    expect(shown(25.4, "LENGTH", "us", UNITS)).toBe("1.00 in");
    expect(shown(25.4, "LENGTH", "metric", UNITS)).toBe("25 mm");
    expect(shown(290, "FORCE", "us", UNITS)).toBe("65 lbf");
    expect(unitFor("FORCE", "metric", UNITS).symbol).toBe("N");
  });

  it("never show a minus zero", () => {
    expect(shown(-0.2, "LENGTH", "metric", UNITS)).toBe("0 mm");
    expect(shown(-3, "LENGTH", "metric", UNITS)).toBe("−3 mm");
  });

  it("never claim certainty", () => {
    expect(percent(1)).toBe("> 99 %");
    expect(percent(0)).toBe("< 0.1 %");
    expect(percent(0.455)).toBe("46 %");
    expect(percent(0.004)).toBe("0.4 %");
  });

  it("tell odds in plain words, for and against alike", () => {
    expect(factor(9)).toBe("×9");
    expect(factor(1 / 40)).toBe("×40");
    expect(factor(1e6)).toBe("×100+");
    expect(oneIn(0.25)).toBe("1 in 4");
    expect(oneIn(0.74)).toBe("7 in 10");
    expect(oneIn(0)).toBe("under 1 in 999");
  });
});

describe("a figure as typed", () => {
  it.each([
    ["3/8", "in", "3/8 in"],
    ["3/8 in", "in", "3/8 in"],
    ["23,8", "mm", "23,8 mm"],
    ['12"', "in", '12"'],
    ["4", undefined, "4"],
  ] as const)("%s typed in %s reads %s", (text, unit, shown) => {
    expect(asTyped(text, unit)).toBe(shown);
  });
});

describe("what a tape shows", () => {
  const mm = { symbol: "mm", dimension: "LENGTH", coreUnitsPerUnit: 1, zeroInCore: 0, core: true } as Unit;
  const inch = { symbol: "in", dimension: "LENGTH", coreUnitsPerUnit: 25.4, zeroInCore: 0, core: false } as Unit;

  it("is a travel once it is said what it showed at rest", () => {
    expect(preview("612 - 540", mm, [mm, inch])).toBe(72);
    expect(preview("24 1/8 - 21 in", mm, [mm, inch])).toBeCloseTo(79.375);
    expect(preview("5 - ", mm, [mm])).toBeUndefined();
  });

  it("is shown with the decimal that its instrument can tell", () => {
    expect(shownReading(-0.3, { noiseSd: 0.15 }, mm)).toBe("−0.3 mm");
    expect(readingFigure(72.4, { noiseSd: 2 }, mm)).toBe("72");
    expect(shownReading(23.81, { noiseSd: 0.02 }, mm)).toBe("23.81 mm");
  });

  it("shows what was typed, not something rounder", () => {
    expect(shownReading(5.5, { noiseSd: 1 }, MM)).toBe("5.5 mm");
    expect(shownReading(5, { noiseSd: 1 }, MM)).toBe("5 mm");
    expect(shownReading(20 / 3, { noiseSd: 1 }, MM), "worked out, not typed").toBe("7 mm");
    expect(shownReading(-0.04, { noiseSd: 1 }, MM)).toBe("0 mm");
  });
});

describe("minutes", () => {
  it("says none where nothing was spent, and no less than one where something was", () => {
    expect([0, 0.2, 1.4, 12.6].map(minutes)).toEqual(["0 min", "1 min", "1 min", "13 min"]);
  });
});
