import { expect, it } from "vitest";
import { dueOn } from "./state";

it("says of a re-check whether it is to come, due, or late, by the day on the wall", () => {
  const evening = new Date(2026, 10, 27, 23, 30);
  expect(dueOn("2026-11-28", evening)).toBe("recheckOn");
  expect(dueOn("2026-11-27", evening)).toBe("recheckToday");
  expect(dueOn("2026-11-26", evening)).toBe("recheckLate");
});
