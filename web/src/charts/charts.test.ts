import { describe, expect, it } from "vitest";
import type { Moment } from "../domain/types";
import { currents, labelPlaces, REST, ribbon } from "./river";
import { spanOf } from "./span";

const moment = (...shares: [string, number][]): Moment => ({
  components: [],
  repaired: [],
  shares: shares.map(([suspectId, probability]) => ({ suspectId, probability })),
});
const MOMENTS = [moment(["a", 0.5], ["b", 0.3], ["c", 0.2]), moment(["a", 0.1], ["b", 0.85], ["c", 0.05])];

describe("the river", () => {
  it("fills the whole height at every moment, the leader on top", () => {
    const bands = currents(MOMENTS, 2);
    expect(bands.map((b) => b.id)).toEqual(["b", "a", REST]);
    for (let m = 0; m < 2; m++) {
      expect(bands[0]?.lows[m]).toBe(0);
      bands.slice(1).forEach((band, i) => expect(band.lows[m]).toBe(bands[i]?.highs[m]));
      expect(bands[bands.length - 1]?.highs[m]).toBe(1);
    }
  });

  it("is drawn as closed ribbons", () => {
    const band = currents(MOMENTS, 1)[0];
    const path = band
      ? ribbon(
          band,
          (i) => 100 * i,
          (s) => 50 * s,
        )
      : "";
    expect(path).toMatch(/^M.*Z$/);
    for (const corner of ["0,0", "100,0", "100,42.5", "0,15"]) expect(path).toContain(corner);
  });

  it("writes no label over another", () => {
    const crowded = [moment(["a", 0.5], ["b", 0.5]), moment(["a", 0.5], ["b", 0.5])];
    const places = labelPlaces(
      currents(crowded, 2),
      (i) => 10 * i,
      (s) => 10 * s,
    );
    expect(places).toHaveLength(1);
    expect(
      labelPlaces(
        currents(crowded, 2),
        (i) => 900 * i,
        (s) => 90 * s,
      ),
    ).toHaveLength(2);
  });

  it("writes no label past an end, however near to it the band is widest", () => {
    const late = [0.1, 0.2, 0.9, 0.5].map((share) => moment(["a", share]));
    const [label] = labelPlaces(
      currents(late, 1).filter((band) => band.id === "a"),
      (i) => 80 * i,
      (s) => 90 * s,
    );
    expect([label?.anchor, label?.at.x]).toEqual(["end", 232]);
  });

  it("is empty without moments", () => expect(currents([], 3)).toEqual([]));
});

describe("the ruler's span", () => {
  it("shows all values and nothing below zero that is not there", () => {
    expect(spanOf([2, 12])).toEqual([1, 13]);
    expect(spanOf([0, 10])[0]).toBe(0);
    expect(spanOf([-5, 10])[0]).toBeLessThan(-5);
  });
});
