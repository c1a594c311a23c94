import { describe, expect, it } from "vitest";
import type { Calculator, Field, Unit } from "../../domain/types";
import { columnName, inBoth, refusalOf, typedInputs } from "./state";

const MM = { symbol: "mm", dimension: "LENGTH", coreUnitsPerUnit: 1, zeroInCore: 0, core: true } as Unit;
const INCH = { symbol: "in", dimension: "LENGTH", coreUnitsPerUnit: 25.4, zeroInCore: 0, core: false } as Unit;
const TURNS = { symbol: "turns", dimension: "TURNS", coreUnitsPerUnit: 1, zeroInCore: 0, core: true } as Unit;
const field = (id: string) =>
  ({ id, dimension: "LENGTH", unit: "mm", units: ["mm", "in"], least: 0, most: 80, needed: true }) as Field;
const CALCULATOR = { id: "free-play", fields: [field("measured"), field("wanted")], readings: [] } as Calculator;
const WORDS = { asItIs: "As it is", asTyped: "As typed", whatIf: (n: number) => `What if ${n}` };

describe("the bench", () => {
  it("names a what-if after its one difference from the first column", () => {
    expect(columnName([{}], 0, CALCULATOR, WORDS)).toBe("As it is");
    expect(columnName([{ wanted: "3" }], 0, CALCULATOR, WORDS)).toBe("As typed");
    expect(columnName([{ wanted: "3" }, { wanted: "3", measured: "15/16 in" }], 1, CALCULATOR, WORDS)).toBe("15/16 in");
    expect(columnName([{ wanted: "3" }, { wanted: "3" }], 1, CALCULATOR, WORDS)).toBe("What if 1");
    expect(columnName([{}, { wanted: "3", measured: "4" }], 1, CALCULATOR, WORDS)).toBe("What if 1");
  });

  it("sends what was typed as it was typed, and leaves the layout's figures out", () => {
    expect(typedInputs({ measured: " 23,8 mm ", wanted: " " }, CALCULATOR.fields, () => INCH)).toEqual([
      { id: "measured", text: "23,8 mm", unit: "in" },
    ]);
  });

  it("shows a typed length in both systems, whichever it was typed in", () => {
    expect(inBoth("15/16 in", MM, [MM, INCH])).toBe("23.81 mm · 0.938 in");
    expect(inBoth("23,8", MM, [MM, INCH])).toBe("23.80 mm · 0.937 in");
    expect(inBoth("23", INCH, [MM, INCH])).toBe("584.20 mm · 23.000 in");
    expect(inBoth("wide", MM, [MM, INCH])).toBe("");
    expect(inBoth("2", TURNS, [TURNS])).toBe("");
  });

  it("finds the refusal of one input of one column", () => {
    const findings = [
      { field: "columns.1.measured", given: "900", allowed: "0 to 80 mm" },
      { field: "columns.0.wanted.unit", given: "bar", allowed: "mm" },
    ];
    expect(refusalOf(findings, 1, "measured")?.given).toBe("900");
    expect(refusalOf(findings, 0, "measured")).toBeUndefined();
    expect(refusalOf(findings, 0, "wanted")?.given).toBe("bar");
  });
});
