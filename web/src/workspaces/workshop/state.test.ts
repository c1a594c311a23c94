import { describe, expect, it } from "vitest";
import type { Workshop } from "../../domain/types";
import { draftOf, figure, rateReadable, request, unreadable, withPrices } from "./state";

const WORKSHOP: Workshop = {
  version: 3,
  name: "Quay 3",
  helper: true,
  lift: false,
  bleedMethod: "two-people",
  schools: { priming: "bench" },
  bleedOrder: "farthest-first",
  ratePerHour: 90,
  currency: "crowns",
  tools: [
    { rigKind: "clamps", there: true },
    { rigKind: "port-plugs", there: false },
  ],
  prices: [{ remedyId: "set-rod", labourMinutes: 25, partsMinutes: 0 }],
};

describe("the workshop's settings", () => {
  it("are sent back as they were told when nothing is changed", () => {
    expect(request(draftOf(WORKSHOP), 3)).toEqual({
      version: 3,
      helper: true,
      lift: false,
      bleedMethod: "two-people",
      bleedOrder: "farthest-first",
      schools: { priming: "bench" },
      lacks: ["port-plugs"],
      name: "Quay 3",
      ratePerHour: 90,
      currency: "crowns",
      prices: [{ remedyId: "set-rod", labourMinutes: 25, partsMinutes: 0 }],
    });
  });

  it("have no rate when the field is left blank, and are not sent while it is no number", () => {
    expect(request({ ...draftOf(WORKSHOP), rate: " " }, 3).ratePerHour).toBeUndefined();
    expect(rateReadable({ ...draftOf(WORKSHOP), rate: "" })).toBe(true);
    expect(rateReadable({ ...draftOf(WORKSHOP), rate: "much" })).toBe(false);
  });

  it("take a comma, and name the remedies whose minutes cannot be read", () => {
    expect(figure("12,5")).toBe(12.5);
    expect(figure("an hour")).toBeUndefined();
    const draft = draftOf(WORKSHOP);
    expect(unreadable(draft)).toEqual([]);
    expect(unreadable({ ...draft, prices: { "set-rod": { labour: "", parts: "0" } } })).toEqual(["set-rod"]);
  });

  it("keep what is being edited when a price table is taken in", () => {
    const edited = { ...draftOf(WORKSHOP), lift: true, rate: "95" };
    const taken = withPrices(edited, {
      ...WORKSHOP,
      version: 4,
      prices: [{ remedyId: "set-rod", labourMinutes: 40, partsMinutes: 5 }],
    });
    expect(taken.prices["set-rod"]).toEqual({ labour: "40", parts: "5" });
    expect(request(taken, 4)).toMatchObject({ lift: true, ratePerHour: 95 });
  });
});
