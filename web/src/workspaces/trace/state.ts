import type { Assessment, Entry, Job, Layout, Moment, Needs, Proposal, Suspicion, Verdict } from "../../domain/types";
import { asTyped, factor, minutes, oneIn, percent, strength } from "../../domain/units";
import { toldAtIntake } from "../../domain/intake";
import { say } from "../../domain/words";

export type Word = (id: string) => string;

/** Whether what was shown still stands: the same log, remedies and grade. */
export function sameVerdict(shown: { sequence: number; verdict: Verdict }, job: Job): boolean {
  const now = job.assessment.verdict;
  return (
    shown.sequence === job.sequence &&
    now !== undefined &&
    shown.verdict.grade === now.grade &&
    shown.verdict.remedyIds.join() === now.remedyIds.join()
  );
}

const LATE_MS = 60_000;

/** When an entry was made, and when it arrived where it was kept on a device for a while. */
export function takenText(entry: Entry): string {
  const taken = new Date(entry.takenAt).toLocaleString();
  const late = Date.parse(entry.at) - Date.parse(entry.takenAt) >= LATE_MS;
  return late ? say("arrivedLate", { taken, arrived: new Date(entry.at).toLocaleString() }) : taken;
}

/** Shares after a moment, by suspect. */
export function sharesAt(moment: Moment | undefined): Map<string, number> {
  return new Map((moment?.shares ?? []).map((s) => [s.suspectId, s.probability]));
}

/** The chance that the fault sits at each component, after a moment. */
export const suspicionAt = (moment: Moment | undefined): Map<string, number> =>
  new Map((moment?.components ?? []).map((c) => [c.componentId, c.probability]));

/** Components whose suspicion a moment changed by more than two points. */
export function changedComponents(river: Moment[], moment: number): Set<string> {
  if (moment === 0) return new Set();
  const before = suspicionAt(river[moment - 1]);
  const after = suspicionAt(river[moment]);
  return new Set([...after.keys()].filter((id) => Math.abs((after.get(id) ?? 0) - (before.get(id) ?? 0)) > 0.02));
}

/** A few names as a list in words, the rest counted. */
export function listed(ids: string[], name: Word, most = 2): string {
  const shown = ids.slice(0, most).map(name);
  const rest = ids.length - shown.length;
  if (rest > 0) return `${shown.join(", ")} ${say("and")} ${say("more", { count: rest })}`;
  return shown.length <= 1
    ? (shown[0] ?? "")
    : `${shown.slice(0, -1).join(", ")} ${say("and")} ${shown[shown.length - 1]}`;
}

const AT_ONCE_MS = 120_000;

/** Two people who read the same test within two minutes and differently: one of them may have mistyped. */
export function quarrel(entries: Entry[]): { one: Entry; other: Entry } | undefined {
  const readings = entries.filter((e) => e.kind === "reading-taken" && !e.struck && e.understood);
  const other = readings[readings.length - 1];
  const one = readings.filter((e) => e !== other && e.procedureId === other?.procedureId).pop();
  if (!one || !other || one.personId === other.personId) return undefined;
  const near = Math.abs(Date.parse(other.takenAt) - Date.parse(one.takenAt)) <= AT_ONCE_MS;
  return near && readingText(one) !== readingText(other) ? { one, other } : undefined;
}

/** What was seen, or the figures as typed. */
const readingText = (entry: Entry): string =>
  entry.observed ?? entry.figures.flatMap((f) => (f.text === undefined ? [] : [asTyped(f.text, f.unit)])).join(" · ");

/** Why this test, in one sentence. */
export function reasonText(proposal: Proposal, assessment: Assessment, word: Word): string {
  const { reason } = proposal;
  const short = (id: string) => word(`remedy.${id}.short`);
  const byWeight = (ids: string[]) => [...ids].sort((a, b) => share(assessment, b) - share(assessment, a));
  const [one, other] =
    reason.oneShare >= reason.otherShare
      ? [[reason.oneSide, reason.oneShare] as const, [reason.otherSide, reason.otherShare] as const]
      : [[reason.otherSide, reason.otherShare] as const, [reason.oneSide, reason.oneShare] as const];
  switch (reason.kind) {
    case "GATE":
      return say("reasonGATE");
    case "CONFLICT":
      return say("reasonCONFLICT");
    case "LAST_LOOK":
      return say("reasonLAST_LOOK", { other: listed(byWeight(reason.oneSide), short) });
    case "PROOF":
      return say("reasonPROOF", {
        ...leading(assessment, short),
      });
    case "BESIDE": {
      const leader = leading(assessment, short);
      const others = beside(proposal, assessment);
      return others.length === 0
        ? say("reasonUnlisted", leader)
        : say("reasonBESIDE", { ...leader, other: listed(byWeight(others), short) });
    }
    case "SPLIT":
      if (Math.max(one[1], other[1]) < LITTLE) return say("reasonLittle");
      return say("reasonSPLIT", {
        one: listed(byWeight(one[0]), short),
        oneShare: percent(one[1]),
        other: listed(byWeight(other[0]), short),
        otherShare: percent(other[1]),
      });
  }
}

/** From here on a suspect leads by what was read, be it by no one reading. */
const LEADS = 0.5;
/** A side less likely than this is not worth a sentence. */
const LITTLE = 0.01;

/** The remedy that leads, and how likely it is; once it is decided, that which leads of what is left. */
function leading(assessment: Assessment, short: Word): { one: string; share: string } {
  const first = [...assessment.suspects].sort((a, b) => b.probability - a.probability)[0];
  const remedyId = assessment.verdict?.remedyId ?? first?.remedyId ?? "";
  return {
    one: capital(short(remedyId)),
    share: percent(assessment.verdict?.probability ?? first?.probability ?? 0),
  };
}

/** What else may be wrong, by name; none where it can only be in no list. */
function beside({ reason }: Proposal, assessment: Assessment): string[] {
  return [...reason.oneSide, ...reason.otherSide].filter(
    (id) => ![assessment.verdict?.remedyId, "hand-back", "look-elsewhere"].includes(id),
  );
}

function share(assessment: Assessment, remedyId: string): number {
  return assessment.suspects.filter((s) => s.remedyId === remedyId).reduce((sum, s) => sum + s.probability, 0);
}

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** By which readings a suspect is cleared or held up, and what else weighs on it. */
export function standsBy(suspect: Suspicion, word: Word): string {
  const named = (list: Suspicion["weights"]) =>
    list
      .map((w) => `${word(`test.${w.procedureId}`).toLowerCase()}, ${say(`strength.${strength(w.oddsFactor)}`)}`)
      .join(" · ");
  const telling = (w: Suspicion["clearedBy"]) => (w && strength(w.oddsFactor) !== "hardly" ? w : undefined);
  const clearedBy = telling(suspect.clearedBy);
  const heldUpBy = telling(suspect.heldUpBy);
  const by = suspect.clearedBy ?? suspect.heldUpBy;
  const other = suspect.weights
    .filter((w) => w.entryId !== by?.entryId && w.oddsFactor < 1 === (suspect.clearedBy === undefined))
    .filter((w) => strength(w.oddsFactor) !== "hardly")
    .slice(0, 1);
  return (
    [
      clearedBy
        ? say(toldAtIntake(clearedBy.procedureId) ? "unlikelyBy" : "clearedBy", { what: named([clearedBy]) })
        : "",
      heldUpBy ? say("heldUpBy", { what: named([heldUpBy]) }) : "",
      other.length > 0 ? say(suspect.clearedBy ? "for" : "against", { what: named(other) }) : "",
    ]
      .filter(Boolean)
      .join(" · ") || say(unweighed(suspect))
  );
}

/** Why no reading stands beside a suspect: nothing in the list explains them, several weigh together, or none does. */
function unweighed(suspect: Suspicion): "noneWeight" | "manyWeigh" | "noWeight" {
  if (suspect.suspectId === "none-of-these") return "noneWeight";
  return suspect.probability > LEADS ? "manyWeigh" : "noWeight";
}

/** An amount of money as it is said: whole, the currency behind. */
const money = (amount: number, currency: string) => `${Math.round(amount)} ${currency}`;

/** Stop or test in the workshop's money; empty where it told no rate. */
export function moneyText(assessment: Assessment): string {
  const told = assessment.money;
  if (!told) return "";
  const actNow = money(told.actNow, told.currency);
  return told.nextTest === undefined
    ? say("moneyNow", { actNow })
    : say("money", { actNow, test: money(told.nextTest, told.currency) });
}

/** Whether it is worked by a hand lever. */
export const isLever = (layout: Layout): boolean => layout.kinds.includes("lever");

/** Where the vehicle has to stand, in words; one that is worked by a lever has neither seat nor bonnet. */
export function needsText(needs: Needs, lever = false): string {
  if (needs.opened === "MASTER_PORTS") return say("state.ports");
  if (needs.opened === "MODULATOR_OUTLETS") return say("state.outlets");
  if (needs.opened === "ONE_END") return say("state.end");
  if (needs.opened === "LINE") return say("state.line");
  if (needs.opened === "CLUTCH_LINE") return say("state.clutch");
  if (needs.wheelsOff) return say("state.wheels");
  if (needs.raised) return say("state.raised");
  if (lever) return say(needs.bonnetOpen ? "state.bonnetLever" : "state.seatLever");
  return say(needs.bonnetOpen ? "state.bonnet" : "state.seat");
}

/** Tests by where the vehicle has to stand for them: from the seat first, what opens the circuit last; the shortest of each first. */
export function byPlace<T extends { needs: Needs; minutes: number }>(tests: T[], lever: boolean): [string, T[]][] {
  const effort = ({ needs }: T) =>
    (needs.opened === "NOTHING" ? 0 : 8) +
    (needs.wheelsOff ? 4 : 0) +
    (needs.raised ? 2 : 0) +
    (needs.bonnetOpen ? 1 : 0);
  const places = new Map<string, T[]>();
  [...tests]
    .sort((a, b) => effort(a) - effort(b) || a.minutes - b.minutes)
    .forEach((test) => {
      const place = needsText(test.needs, lever);
      places.set(place, [...(places.get(place) ?? []), test]);
    });
  return [...places];
}

/** At which part it is, where the readings tell; empty where they leave it open or there is one. */
export function whereText(verdict: Verdict, word: Word): string {
  const told = verdict.places
    .filter((p) => p.parts.length > 1 && (p.parts[0]?.share ?? 0) > 0.5 && p.toldId !== undefined)
    .map((p) => word(`component.${p.toldId}`));
  return told.length > 0 ? say("verdictWhere", { parts: told.join(", ") }) : "";
}

/** A test that leaves more than this share of the doubt is said to change it little. */
const WORTH_TELLING = 0.9;

/** Stop or test, both sides shown, by the share that stands beside the verdict: what a test for a proof brings is the proof. */
export function stopOrTest(proposal: Proposal, verdict: Verdict | undefined): string {
  const stands = verdict?.probability ?? proposal.leadingNow;
  const wrong = 1 - stands;
  const now = oneIn(wrong);
  if (proposal.reason.kind === "PROOF") return say("orProof", { now, chance: percent(proposal.proofChance) });
  const left = Math.max(0, wrong - Math.max(0, proposal.leadingAfter - proposal.leadingNow));
  const after = oneIn(left);
  return after === now || left > WORTH_TELLING * wrong ? say("orLittle", { now }) : say("orNow", { now, after });
}

/** Figures behind the words of what weighs on a suspect, for who asks. */
export const weighed = (suspect: Suspicion, word: Word): string =>
  [suspect.clearedBy, suspect.heldUpBy, ...suspect.weights]
    .filter((w) => w !== undefined)
    .filter((w, i, all) => all.findIndex((other) => other.entryId === w.entryId) === i)
    .map((w) => `${word(`test.${w.procedureId}`)} ${w.oddsFactor < 1 ? "÷" : ""}${factor(w.oddsFactor)}`)
    .join(" · ");

/** The line above the next test: minutes, state, what stands open. */
export function nextLine(proposal: Proposal, job: Job, lever = false): string {
  const shut =
    job.vehicleState.opened === "NOTHING" && proposal.needs.opened === "NOTHING" && job.status.onOffMoved.length === 0;
  const opened = shut ? say("nothingOpened") : "";
  return [say("next"), minutes(proposal.minutes), needsText(proposal.needs, lever), opened].filter(Boolean).join(" · ");
}
