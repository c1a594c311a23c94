import { describe, expect, it } from "vitest";
import { standsAgainst } from "./practice";
import type { Job } from "./types";

const because = [
  { kind: "FACT", subject: "barely-stops" },
  { kind: "SUSPECT", subject: "primary-piston-cup" },
  { kind: "UNLISTED", subject: "" },
];
const job = (practice?: Partial<Job["practice"]>): Job =>
  ({
    status: { mayMove: { answer: "NOT_AT_ALL", because } },
    ...(practice ? { practice: { personId: "juno-vale", helped: false, ended: false, ...practice } } : {}),
  }) as unknown as Job;

describe("what stands against moving a vehicle", () => {
  it("names suspects in the shop's jobs, and in an exercise only once they are told", () => {
    expect(standsAgainst(job())).toEqual(because);
    expect(standsAgainst(job({}))).toEqual([because[0]]);
    expect(standsAgainst(job({ helped: true }))).toEqual(because);
    expect(standsAgainst(job({ ended: true }))).toEqual(because);
  });
});
