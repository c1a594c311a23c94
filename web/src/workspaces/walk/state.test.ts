import { describe, expect, it } from "vitest";
import type { Job } from "../../domain/types";
import { tapped, walkIsNext } from "./state";

const job = (next: string, read: string[] = []): Job =>
  ({
    walk: { looks: [{ procedureId: "reservoir", options: [] }] },
    entries: read.map((procedureId) => ({ kind: "reading-taken", procedureId })),
    assessment: { next: { procedureId: next } },
  }) as unknown as Job;

describe("the first walk", () => {
  it("goes from wet over damp to dry and back to not looked at", () => {
    expect(tapped(undefined)).toBe("WET");
    expect(tapped("WET")).toBe("DAMP");
    expect(tapped("DAMP")).toBe("DRY");
    expect(tapped("DRY")).toBeUndefined();
  });

  it("is next while nothing of it was read and a look of it comes next", () => {
    expect(walkIsNext(job("reservoir"))).toBe(true);
    expect(walkIsNext(job("dry-walk"))).toBe(true);
    expect(walkIsNext(job("hold-medium"))).toBe(false);
    expect(walkIsNext(job("dry-walk", ["reservoir"]))).toBe(false);
  });
});
