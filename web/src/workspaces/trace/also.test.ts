import { expect, it } from "vitest";
import type { Entry } from "../../domain/types";
import { alsoAtIt } from "./state";

const NOW = Date.parse("2026-11-27T12:00:00Z");
const entry = (personId: string, minutesAgo: number) =>
  ({ personId, at: new Date(NOW - minutesAgo * 60_000).toISOString() }) as Entry;

it("names whoever else entered something in the last quarter of an hour, once", () => {
  const entries = [entry("ines-quill", 40), entry("tobias-renn", 9), entry("juno-vale", 3), entry("tobias-renn", 1)];
  expect(alsoAtIt(entries, "juno-vale", NOW)).toEqual(["tobias-renn"]);
  expect(alsoAtIt(entries, "tobias-renn", NOW)).toEqual(["juno-vale"]);
  expect(alsoAtIt([entry("ines-quill", 16)], "juno-vale", NOW)).toEqual([]);
});
