import { describe, expect, it } from "vitest";
import { found } from "./search";

describe("what is sought", () => {
  it("is found by the letters that are shown", () => {
    expect(found("vac gauge", "Gauge at the vacuum tee")).toBe(true);
    expect(found("vac clamp", "Gauge at the vacuum tee")).toBe(false);
  });

  it("is found by the trade's other words", () => {
    expect(found("servo", "Look into the booster")).toBe(true);
    expect(found("spongy", "Air in the master")).toBe(true);
    expect(found("cylinder", "Master taken apart")).toBe(true);
    expect(found("servo", "Master taken apart")).toBe(false);
  });
});
