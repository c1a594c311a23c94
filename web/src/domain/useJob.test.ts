import { describe, expect, it } from "vitest";
import type { Job } from "./types";
import { laterOf } from "./useJob";

const job = (sequence: number, vehicle = "") => ({ sequence, vehicle }) as Job;

describe("a job that is asked for while something is entered", () => {
  it("never goes back to what the log was before", () => {
    expect(laterOf(job(7), job(6)).sequence).toBe(7);
    expect(laterOf(job(6), job(7)).sequence).toBe(7);
    expect(laterOf(undefined, job(3)).sequence).toBe(3);
  });

  it("takes a fresh answer about the same log: the server may judge it anew", () => {
    expect(laterOf(job(6, "before"), job(6, "anew")).vehicle).toBe("anew");
  });
});
