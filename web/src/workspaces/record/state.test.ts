import { expect, test } from "vitest";
import type { Insights, Learning, RecordLine } from "../../domain/types";
import { addressOf, askedBy, moved, savedMinutes, ticks } from "./state";

test("the same search is the same address, whatever the order in which it was narrowed", () => {
  const one = askedBy(new URLSearchParams("remedyId=set-rod&search=+torn+boot+&unknown=x&make="));
  expect(one).toEqual({ search: "torn boot", remedyId: "set-rod" });
  expect(addressOf(one)).toBe(addressOf({ remedyId: "set-rod", search: "torn boot" }));
  expect(addressOf({})).toBe("");
});

test("jobs stand on the line as far apart as they were in time, the first at its beginning", () => {
  const line = (closedAt: string) => ({ closedAt }) as RecordLine;
  const drawn = ticks([line("2026-01-01T00:00:00Z"), line("2026-01-03T00:00:00Z")], new Date("2026-01-05T00:00:00Z"));
  expect(drawn.map((t) => t.at)).toEqual([0, 0.5]);
  expect(ticks([], new Date())).toEqual([]);
});

test("what was saved is what replacing would have cost in vain less what was spent, and may be a loss", () => {
  const month = (spentMinutes: number, byLikelihoodMinutes: number) =>
    ({ spentMinutes, byLikelihoodMinutes }) as Insights["months"][number];
  expect(savedMinutes([month(40, 200), month(60, 0)])).toBe(100);
  expect(savedMinutes([month(60, 0)])).toBe(-60);
});

test("faults that hardly moved are left out, the others stand by how much they moved", () => {
  const fault = (suspectId: string, shipped: number, now: number) => ({ suspectId, shipped, now, ownCount: 0 });
  const learning = { suspects: [fault("a", 0.1, 0.101), fault("b", 0.02, 0.06), fault("c", 0.3, 0.2)] } as Learning;
  expect(moved(learning, 5).map((s) => s.suspectId)).toEqual(["c", "b"]);
  expect(moved(learning, 1).map((s) => s.suspectId)).toEqual(["c"]);
});
