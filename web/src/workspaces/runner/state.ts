import type { Figure, FigureRequest, Test, Unit } from "../../domain/types";
import type { Waiting, WaitingOf } from "../../domain/outbox";
import { preview } from "../../domain/units";

/** What has been entered in a test so far; kept on the device at every change. */
const RIG_CHECKS = ["sound", "doubtful", "not-checked"] as const;
export type RigCheck = (typeof RIG_CHECKS)[number];

/** How a code came. */
export const OFTEN = ["now", "often", "once"] as const;
export type Often = (typeof OFTEN)[number];

/** A stored code: its number, what it says, and whether it is there now, came often, or once. */
export interface Code {
  number: string;
  text: string;
  often: Often;
}

/** A trace as it is kept with a reading. */
export interface KeptTrace {
  instrument: string;
  unit: string;
  fromSeconds: number;
  stepSeconds: number;
  values: number[];
}

export interface RunnerDraft {
  /** Of the entry it becomes: made when the test is begun, so that it is one entry however often it is sent, from whichever tab. */
  entryId: string;
  step: number;
  /** When the test was begun, by this device's clock, ms; and the minutes it took where somebody corrected them. */
  begunAt?: number;
  spentText?: string;
  texts: Record<string, string>;
  units: Record<string, string>;
  /** What the tape shows at rest; where it is empty, travels are entered as they are. */
  restText?: string;
  observed: string;
  /** Codes as they were read, where the test reads any. */
  codes?: Code[];
  rigCheck: "" | RigCheck;
  /** What an instrument wrote down, where the figures were taken from it. */
  trace?: KeptTrace;
  /** Whether the rig was made anew; as the plan asks until somebody says otherwise. */
  newRig?: boolean;
}

export const emptyRun = (entryId: string): RunnerDraft => ({
  entryId,
  step: 0,
  texts: {},
  units: {},
  observed: "",
  rigCheck: "",
});

/** A reading that was kept, as the draft it was made from, on its last page. */
export function draftOf(write: WaitingOf<"readings">, steps: number): RunnerDraft {
  const { body } = write;
  return {
    entryId: write.entryId,
    step: steps,
    texts: Object.fromEntries(body.figures.map((f) => [f.id, f.text])),
    units: Object.fromEntries(body.figures.map((f) => [f.id, f.unit])),
    observed: body.observed,
    ...(body.codes ? { codes: body.codes } : {}),
    rigCheck: RIG_CHECKS.find((check) => check === body.rigCheck) ?? "",
    newRig: body.anotherRig,
    ...(body.spentMinutes === undefined ? {} : { spentText: String(body.spentMinutes) }),
  };
}

/** Where an entry is on its way: being done, held for an undo, going to the server, waiting for it, in the log. */
export type Phase =
  | { kind: "doing" }
  | { kind: "held"; secondsLeft: number }
  | { kind: "sending" }
  | { kind: "waiting" }
  | { kind: "entered" };

export function phaseOf(write: Waiting | undefined, entered: boolean, now: number): Phase {
  if (!write) return { kind: entered ? "entered" : "doing" };
  if (write.refused) return { kind: "doing" };
  if (write.holdUntil !== undefined && write.holdUntil > now)
    return { kind: "held", secondsLeft: Math.ceil((write.holdUntil - now) / 1000) };
  return { kind: write.failures !== undefined || write.away ? "waiting" : "sending" };
}

/** The same with the rig made anew if this is what the plan proposes. */
export function asPlanned(
  draft: RunnerDraft,
  procedureId: string,
  next?: { procedureId: string; anotherRig: boolean },
): RunnerDraft {
  return { ...draft, newRig: draft.newRig ?? (next?.procedureId === procedureId && next.anotherRig) };
}

/** The name of the force that a sentence asks for, by the place it is left open at. */
export const forceOf = (sentence: string): string | undefined =>
  /\{(gentle|easy|stroke|medium|running)\}/.exec(sentence)?.[1];

/** Steps, then one page on which everything is entered and checked. */
export function pages(test: Test): number {
  return test.steps.length + 1;
}

/** The unit a figure was typed in; once typed it stays, whatever the user switches to. */
export function unitOf(draft: RunnerDraft, figure: Figure, preferred: Unit): string {
  return draft.units[figure.id] ?? preferred.symbol;
}

/** Whether nobody said what the tape shows at rest. */
export const restless = (draft: RunnerDraft): boolean => (draft.restText ?? "").trim() === "";

const ON_TAPE = /^\s*\d/;
const asNumber = (text: string) => Number.parseFloat(text.replace(",", "."));

/** What is entered of a figure: of a travel on a tape what it shows less what it showed at rest, whichever way it runs. */
export function typedText(draft: RunnerDraft, figure: Figure): string {
  const shown = (draft.texts[figure.id] ?? "").trim();
  const rest = (draft.restText ?? "").trim();
  if (!figure.fromRest || rest === "" || !ON_TAPE.test(shown) || / [-−] /.test(shown)) return shown;
  return asNumber(shown) >= asNumber(rest) ? `${shown} - ${rest}` : `${rest} - ${shown}`;
}

/** What was typed, as the core will see it. */
export function value(draft: RunnerDraft, figure: Figure, preferred: Unit, units: Unit[]): number | undefined {
  const text = typedText(draft, figure);
  const unit = units.find((u) => u.symbol === unitOf(draft, figure, preferred));
  return text.trim() === "" || !unit ? undefined : preview(text, unit, units);
}

/** Whether a typed figure cannot be: no number, or outside what physics allows. */
export function impossible(draft: RunnerDraft, figure: Figure, preferred: Unit, units: Unit[]): boolean {
  if ((draft.texts[figure.id] ?? "").trim() === "") return false;
  const core = value(draft, figure, preferred, units);
  return core === undefined || core < figure.least || core > figure.most;
}

const MOST_MINUTES = 1440;

/** Minutes from the start of the test to now, at least one. */
export const minutesSince = (draft: RunnerDraft, now: number): number =>
  Math.min(MOST_MINUTES, Math.max(1, Math.round((now - (draft.begunAt ?? now)) / 60_000)));

/** Minutes spent as they will be entered: as corrected, or since the test was begun. */
export function spentMinutes(draft: RunnerDraft, now: number): number {
  const corrected = Number.parseFloat((draft.spentText ?? "").replace(",", "."));
  return corrected >= 0 && corrected <= MOST_MINUTES ? corrected : minutesSince(draft, now);
}

export type Lacking = "observed" | "figure" | "impossible" | "rigCheck";

/** What keeps the reading from being entered; nothing where it can be. */
export function lacking(
  test: Test,
  draft: RunnerDraft,
  unitFor: (f: Figure) => Unit,
  units: Unit[],
): Lacking | undefined {
  const looked = test.options.length > 0;
  if (looked && draft.observed === "") return "observed";
  if (!looked && test.figures.some((f) => impossible(draft, f, unitFor(f), units))) return "impossible";
  if (!looked && test.figures.every((f) => value(draft, f, unitFor(f), units) === undefined)) return "figure";
  return draft.rigCheck === "" ? "rigCheck" : undefined;
}

export function figureRequests(test: Test, draft: RunnerDraft, unitFor: (f: Figure) => Unit): FigureRequest[] {
  return test.figures
    .filter((f) => (draft.texts[f.id] ?? "").trim() !== "")
    .map((f) => ({ id: f.id, text: typedText(draft, f), unit: unitOf(draft, f, unitFor(f)) }));
}

/** The call that comes next in a hold, s; undefined after the last. */
export function nextCall(calls: number[], elapsedSeconds: number): number | undefined {
  return calls.find((call) => call > elapsedSeconds);
}

export function clock(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** Which figures are read so many seconds after a press: their ids by the seconds. */
export const marksOf = (test: Test): Map<number, string> =>
  new Map(
    test.figures.flatMap((figure) => {
      const second = /^at-(\d+)$/.exec(figure.id)?.[1];
      return second === undefined ? [] : [[Number(second), figure.id] as const];
    }),
  );

/** The id of the entry that keeps the trace of a reading: one for each, however often it is sent. */
export const traceIdOf = (readingId: string): string =>
  readingId.replace(/^[0-9a-f]/, (digit) => ((parseInt(digit, 16) + 8) % 16).toString(16));
