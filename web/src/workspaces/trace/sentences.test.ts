import { describe, expect, it } from "vitest";
import type { Assessment, Entry, Job, Proposal, Suspicion, Told, Verdict } from "../../domain/types";
import { toldText } from "./entries";
import { byPlace, moneyText, needsText, nextLine, quarrel, reasonText, standsBy, stopOrTest } from "./state";

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
    procedureId: "hold-medium",
    anotherRig: false,
    minutes: 7.6,
    testMinutes: 3,
    stateMinutes: 4.6,
    informationNats: 0.3,
    proofChance: 0,
    leadingNow: 0.75,
    leadingAfter: 0.98,
    needs: SHUT,
    reason: { kind, oneSide: ["shoes", "air"], oneShare: 0.49, otherSide: ["master"], otherShare: 0.46 },
    ...part,
  } as Proposal;
}

describe("why this test", () => {
  it("says what it splits, the heavier side first, the likelier remedy first", () => {
    expect(reasonText(proposal("SPLIT"), ASSESSMENT, word)).toBe("Splits air and shoes (49 %) from master (46 %).");
  });

  it("says what it would prove", () => {
    expect(reasonText(proposal("PROOF"), ASSESSMENT, word)).toBe(
      "Master leads at 46 %. This would prove it or overturn it.",
    );
  });

  it("says what else it looks for when it cannot prove the leader", () => {
    expect(reasonText(proposal("BESIDE"), ASSESSMENT, word)).toBe(
      "Master leads at 46 %. This tells whether it is air and shoes instead, or too.",
    );
    const unlisted = {
      kind: "BESIDE" as const,
      oneSide: ["look-elsewhere", "air"],
      oneShare: 0.4,
      otherSide: ["master"],
      otherShare: 0.46,
    };
    expect(reasonText(proposal("BESIDE", { reason: unlisted }), ASSESSMENT, word)).toBe(
      "Master leads at 46 %. This tells whether it is air instead, or too.",
    );
    const none = { ...unlisted, oneSide: ["look-elsewhere"] };
    expect(reasonText(proposal("BESIDE", { reason: none }), ASSESSMENT, word)).toBe(
      "Master leads at 46 %. This tells whether it is a fault in no list.",
    );
  });

  it("says when it comes first anyway, and when readings quarrel", () => {
    expect(reasonText(proposal("GATE"), ASSESSMENT, word)).toMatch(/^Comes first/);
    const last = {
      kind: "LAST_LOOK" as const,
      oneSide: ["air", "master"],
      oneShare: 0.02,
      otherSide: [],
      otherShare: 0,
    };
    expect(reasonText(proposal("LAST_LOOK", { reason: last }), ASSESSMENT, word)).toMatch(/tells of master and air\.$/);
    expect(reasonText(proposal("CONFLICT"), ASSESSMENT, word)).toMatch(/looked at anew/);
  });
});

describe("what it costs", () => {
  it("shows acting now beside one more test", () => {
    const at = (probability: number) => ({ probability }) as Verdict;
    expect(stopOrTest(proposal("SPLIT"), at(0.75))).toBe("Act now: wrong 1 in 4. After this test: 1 in 50.");
    expect(stopOrTest(proposal("PROOF", { leadingNow: 0.97, leadingAfter: 0.97, proofChance: 0.62 }), at(0.97))).toBe(
      "Act now: wrong 1 in 33, not proven. This test proves it in 62 % of such vehicles.",
    );
  });

  it("says the odds of the verdict beside it, and that a test changes little where it does", () => {
    const at = (probability: number) => ({ probability }) as Verdict;
    expect(stopOrTest(proposal("SPLIT", { leadingNow: 0.6, leadingAfter: 0.83 }), at(0.75))).toBe(
      "Act now: wrong 1 in 4. After this test: 1 in 50.",
    );
    expect(stopOrTest(proposal("SPLIT", { leadingNow: 0.857, leadingAfter: 0.86 }), at(0.857))).toBe(
      "Act now: wrong 1 in 7. This test changes that little.",
    );
    expect(stopOrTest(proposal("SPLIT", { leadingNow: 0.9655, leadingAfter: 0.9667 }), at(0.9655))).toBe(
      "Act now: wrong 1 in 29. This test changes that little.",
    );
    const tiny = {
      kind: "SPLIT" as const,
      oneSide: ["air"],
      oneShare: 0.0004,
      otherSide: ["shoes"],
      otherShare: 0.0002,
    };
    expect(reasonText(proposal("SPLIT", { reason: tiny }), ASSESSMENT, word)).toBe(
      "Tells little about what is still suspected.",
    );
  });

  it("names minutes, state and what is still shut", () => {
    const job = { vehicleState: SHUT, status: { onOffMoved: [] as string[] } } as unknown as Job;
    expect(nextLine(proposal("SPLIT"), job)).toBe("Next · 8 min · from the seat · nothing opened yet");
    expect(nextLine(proposal("SPLIT"), { ...job, status: { onOffMoved: ["plug@port"] } } as unknown as Job)).toBe(
      "Next · 8 min · from the seat",
    );
    const opening = proposal("PROOF", { needs: { ...SHUT, bonnetOpen: true, opened: "MASTER_PORTS" } });
    expect(nextLine(opening, job)).toBe("Next · 8 min · opened at the master");
  });

  it("names the farthest state", () => {
    expect(
      byPlace(
        [
          { id: "opened", minutes: 2, needs: { ...SHUT, opened: "ONE_END" as const } },
          { id: "long", minutes: 6, needs: SHUT },
          { id: "raised", minutes: 1, needs: { ...SHUT, raised: true } },
          { id: "short", minutes: 3, needs: SHUT },
        ],
        false,
      ).map(([place, tests]) => [place, tests.map((test) => test.id)]),
    ).toEqual([
      ["from the seat", ["short", "long"]],
      ["raised", ["raised"]],
      ["opened at an end", ["opened"]],
    ]);
    expect(needsText({ ...SHUT, bonnetOpen: true })).toBe("bonnet up");
    expect(needsText({ ...SHUT, raised: true, wheelsOff: true })).toBe("wheels off");
  });
});

describe("by what a suspect stands", () => {
  const weight = (procedureId: string, oddsFactor: number) => ({ entryId: procedureId, procedureId, oddsFactor });
  const named = (id: string) => id.replace("test.", "");
  const suspicion = (part: Partial<Suspicion>) => ({
    suspectId: "cup",
    remedyId: "master",
    probability: 0.4,
    cleared: false,
    retired: false,
    weights: [],
    ...part,
  });

  it("names what clears it, and what still speaks for it", () => {
    const cleared = suspicion({
      cleared: true,
      clearedBy: weight("hold", 0.02),
      weights: [weight("hold", 0.02), weight("walk", 3)],
    });
    expect(standsBy(cleared, named)).toBe("cleared by hold, strongly · for: walk, somewhat");
  });

  it("names what holds it up, and what speaks against it", () => {
    const held = suspicion({ heldUpBy: weight("hold", 8), weights: [weight("hold", 8), weight("walk", 0.5)] });
    expect(standsBy(held, named)).toBe("held up by hold, plainly · against: walk, somewhat");
  });

  it("says so when nothing weighs on it", () => {
    expect(standsBy(suspicion({}), named)).toBe("no reading weighs on it yet");
  });

  it("does not say so of a fault in no list, which no single reading names", () => {
    expect(standsBy(suspicion({ suspectId: "none-of-these" }), named)).toBe(
      "grows with what nothing in the list explains",
    );
  });
});

describe("in money", () => {
  it("is silent until the workshop told its rate", () => {
    expect(moneyText(ASSESSMENT)).toBe("");
    expect(moneyText({ ...ASSESSMENT, money: { currency: "crowns", actNow: 61.6, nextTest: 12.2 } })).toBe(
      "In money: acting now 62 crowns, this test 12 crowns.",
    );
    expect(moneyText({ ...ASSESSMENT, money: { currency: "crowns", actNow: 61.6 } })).toBe("In money: 62 crowns.");
  });
});

describe("an entry after the verdict", () => {
  const said = (told: Told) => toldText(told, (id) => (id === "repair.wheel-off" ? "Wheel off at {place}." : id));

  it("says the step and where, with its figures", () => {
    expect(said({ kind: "work-step-done", step: "wheel-off@rear-left", measured: [] })).toBe(
      "Done: Wheel off at component.rear-left.",
    );
    const measured = [
      { text: "23.8", unit: "mm" },
      { text: "22.2", unit: "mm" },
    ];
    expect(said({ kind: "work-step-done", step: "compare-bore@master", measured })).toMatch(/· 23\.8 mm · 22\.2 mm$/);
  });

  it("says strokes, levels, checks and the release", () => {
    expect(said({ kind: "strokes-bled", endId: "rear-left", count: 5, bubbles: "FEW", colour: "DARK" })).toBe(
      "5 strokes at component.rear-left · Few bubbles · dark",
    );
    expect(said({ kind: "level-entered", text: "max", unit: "" })).toBe("Reservoir · MAX");
    expect(said({ kind: "check-done", checkId: "hard-press", outcome: "FAILED", seen: "drips" })).toBe(
      "check.hard-press · failed · drips",
    );
    expect(said({ kind: "job-released", recheckOn: "2026-11-28" })).toMatch(/2026-11-28/);
    expect(said({ kind: "job-released" })).not.toMatch(/20/);
  });

  it("says of a walk what was wet or damp, and how many parts were dry", () => {
    const spots = [
      { componentId: "master", state: "WET" as const },
      { componentId: "front-left", state: "DRY" as const },
      { componentId: "front-right", state: "DRY" as const },
    ];
    expect(said({ kind: "walk-seen", spots })).toMatch(/component\.master: wet · .*2/);
  });
});

describe("the same test by two people", () => {
  const reading = (id: string, personId: string, takenAt: string, text: string) =>
    ({
      id,
      kind: "reading-taken",
      procedureId: "hold-medium",
      personId,
      takenAt,
      struck: false,
      understood: true,
      figures: [{ text, unit: "mm", coreValue: Number(text) }],
    }) as unknown as Entry;
  const first = reading("a", "ines", "2026-11-29T10:00:00Z", "34");

  it("is asked about when it differs within two minutes", () => {
    const second = reading("b", "juno", "2026-11-29T10:00:50Z", "48");
    expect(quarrel([first, second])).toEqual({ one: first, other: second });
  });

  it("is no quarrel when it agrees, when it is one person, or when time has passed", () => {
    expect(quarrel([first, reading("b", "juno", "2026-11-29T10:00:50Z", "34")])).toBeUndefined();
    expect(quarrel([first, reading("b", "ines", "2026-11-29T10:00:50Z", "48")])).toBeUndefined();
    expect(quarrel([first, reading("b", "juno", "2026-11-29T10:09:00Z", "48")])).toBeUndefined();
    expect(quarrel([{ ...first, struck: true }, reading("b", "juno", "2026-11-29T10:00:50Z", "48")])).toBeUndefined();
  });
});
