import { describe, expect, it } from "vitest";
import type { Assessment, Job, Proposal } from "../../domain/types";
import { needsText, nextLine, reasonText, stopOrTest } from "./state";

const word = (id: string) => id.replace("remedy.", "").replace(".short", "");
const SHUT = { bonnetOpen: false, raised: false, wheelsOff: false, opened: "NOTHING" as const };
const ASSESSMENT = {
  suspects: [
    { suspectId: "cup", remedyId: "master", probability: 0.4, weights: [] },
    { suspectId: "seal", remedyId: "master", probability: 0.06, weights: [] },
    { suspectId: "air", remedyId: "air", probability: 0.35, weights: [] },
    { suspectId: "shoes", remedyId: "shoes", probability: 0.14, weights: [] },
  ],
  verdict: { remedyId: "master", probability: 0.46 },
} as unknown as Assessment;

function proposal(kind: string, part: Partial<Proposal> = {}): Proposal {
  return {
    procedureId: "hold-medium", anotherRig: false, minutes: 7.6, testMinutes: 3, stateMinutes: 4.6, informationNats: 0.3, proofChance: 0,
    leadingNow: 0.75, leadingAfter: 0.98, needs: SHUT,
    reason: { kind, oneSide: ["shoes", "air"], oneShare: 0.49, otherSide: ["master"], otherShare: 0.46 },
    ...part,
  } as Proposal;
}

describe("why this test", () => {
  it("says what it splits, the heavier side first, the likelier remedy first", () => {
    expect(reasonText(proposal("SPLIT"), ASSESSMENT, word)).toBe("Splits air and shoes (49 %) from master (46 %).");
  });

  it("says what it would prove", () => {
    expect(reasonText(proposal("PROOF"), ASSESSMENT, word)).toBe("Master leads at 46 %. This would prove it or overturn it.");
  });

  it("says when it comes first anyway, and when readings quarrel", () => {
    expect(reasonText(proposal("GATE"), ASSESSMENT, word)).toMatch(/^Comes first/);
    expect(reasonText(proposal("CONFLICT"), ASSESSMENT, word)).toMatch(/another rig/);
  });
});

describe("what it costs", () => {
  it("shows acting now beside one more test", () => {
    expect(stopOrTest(proposal("SPLIT"))).toBe("Act now: wrong 1 in 4. After this test: 1 in 50.");
  });

  it("names minutes, state and what is still shut", () => {
    const job = { vehicleState: SHUT } as unknown as Job;
    expect(nextLine(proposal("SPLIT"), job)).toBe("Next · 8 min · from the seat · nothing opened yet");
    const opening = proposal("PROOF", { needs: { ...SHUT, bonnetOpen: true, opened: "MASTER_PORTS" } });
    expect(nextLine(opening, job)).toBe("Next · 8 min · opened at the master");
  });

  it("names the farthest state", () => {
    expect(needsText({ ...SHUT, bonnetOpen: true })).toBe("bonnet up");
    expect(needsText({ ...SHUT, raised: true, wheelsOff: true })).toBe("wheels off");
  });
});
