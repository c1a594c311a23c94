import { describe, expect, it } from "vitest";
import type { Figure, Layout, Test, Unit } from "../domain/types";
import { filled } from "../domain/words";
import { draftOf as intakeOf, emptyDraft, offered, request, unfilled } from "./intake/state";
import {
  asPlanned,
  clock,
  draftOf,
  emptyRun as emptyRunOf,
  figureRequests,
  impossible,
  lacking,
  nextCall,
  pages,
  phaseOf,
  spentMinutes,
  value,
} from "./runner/state";
import type { WaitingOf } from "../domain/outbox";
import type { Entry, Job, Moment, Verdict } from "../domain/types";
import { changedComponents, listed, sameVerdict, suspicionAt, takenText } from "./trace/state";

const MM: Unit = { symbol: "mm", dimension: "LENGTH", coreUnitsPerUnit: 1, zeroInCore: 0, core: true };
const INCH: Unit = { symbol: "in", dimension: "LENGTH", coreUnitsPerUnit: 25.4, zeroInCore: 0, core: false };
const UNITS = [MM, INCH];
const FIGURE = { id: "play", dimension: "LENGTH", least: 0, most: 80, bands: [] } as unknown as Figure;
const SERIES = { id: "free-play", steps: [{}, {}], figures: [FIGURE], options: [] } as unknown as Test;
const LOOK = { id: "dry-walk", steps: [], figures: [], options: ["all-dry", "not-seen"] } as unknown as Test;
const emptyRun = emptyRunOf("e1");
const typed = (text: string, unit = "mm") => ({
  ...emptyRun,
  texts: { play: text },
  units: { play: unit },
  rigCheck: "sound" as const,
});

describe("intake", () => {
  const draft = { ...emptyDraft(() => "id"), layoutId: "tarn-box-van" };

  it("names what is missing in the order of the form", () => {
    expect(unfilled(draft)).toEqual(["vehicle", "complaint", "behaviour", "mayBeMoved"]);
    expect(unfilled({ ...draft, vehicle: "  " })).toContain("vehicle");
    expect(unfilled(emptyDraft(() => "id")), "no circuit is chosen for anybody").toContain("layoutId");
    expect(unfilled({ ...draft, behaviour: "no-complaint" })).not.toContain("complaint");
    expect(request({ ...draft, behaviour: "no-complaint" }).complaint).toBe("No complaint, a check");
  });

  it("sends what was chosen, trimmed", () => {
    const sent = request({ ...draft, vehicle: " SK 14 ", complaint: "sinks ", mayBeMoved: "no" });
    expect(sent).toMatchObject({ vehicle: "SK 14", complaint: "sinks", mayBeMoved: false });
  });
});

describe("a kept entry", () => {
  const write: WaitingOf<"readings"> = {
    entryId: "e1",
    jobId: "j1",
    kind: "readings",
    madeAt: 0,
    body: {
      procedureId: "free-play",
      figures: [{ id: "play", text: "23,8", unit: "mm" }],
      observed: "",
      rigCheck: "sound",
      anotherRig: true,
      spentMinutes: 4,
    },
  };

  it("is held, sent, waits, and is in the log", () => {
    expect(phaseOf({ ...write, holdUntil: 9_500 }, false, 1_000)).toEqual({ kind: "held", secondsLeft: 9 });
    expect(phaseOf({ ...write, holdUntil: 900 }, false, 1_000)).toEqual({ kind: "sending" });
    expect(phaseOf({ ...write, away: true }, false, 1_000)).toEqual({ kind: "waiting" });
    expect(phaseOf({ ...write, refused: { message: "no", findings: [] } }, false, 1_000)).toEqual({ kind: "doing" });
    expect(phaseOf(undefined, true, 1_000)).toEqual({ kind: "entered" });
  });

  it("that was refused becomes its draft again, under the same id", () =>
    expect(draftOf(write, 3)).toEqual({
      entryId: "e1",
      step: 3,
      texts: { play: "23,8" },
      units: { play: "mm" },
      observed: "",
      rigCheck: "sound",
      newRig: true,
      spentText: "4",
    }));

  it("that opens a job becomes its form again", () => {
    const form = { ...emptyDraft(() => "id"), layoutId: "tarn-box-van", vehicle: "SK 14", mayBeMoved: "no" as const };
    const { entryId, jobId, ...body } = request(form);
    expect(intakeOf({ entryId, jobId, kind: "jobs", madeAt: 0, body })).toMatchObject({
      vehicle: "SK 14",
      mayBeMoved: "no",
      entryId,
      jobId,
    });
  });

  it("says when it was made, and when it arrived if that was much later", () => {
    const at = (takenAt: string, arrived: string) => takenText({ takenAt, at: arrived } as Entry);
    expect(at("2026-11-27T08:00:00Z", "2026-11-27T08:00:30Z")).not.toContain("arrived");
    expect(at("2026-11-27T08:00:00Z", "2026-11-27T09:00:00Z")).toContain("arrived");
  });
});

describe("a verdict on the screen", () => {
  const verdict = { remedyIds: ["renew-master"], grade: "PROVEN" } as unknown as Verdict;
  const job = (sequence: number, now: Partial<Verdict>) =>
    ({ sequence, assessment: { verdict: { ...verdict, ...now } } }) as unknown as Job;

  it("stands only while log, remedies and grade are the same", () => {
    const shown = { sequence: 4, verdict };
    expect(sameVerdict(shown, job(4, {}))).toBe(true);
    expect(sameVerdict(shown, job(5, {}))).toBe(false);
    expect(sameVerdict(shown, job(4, { grade: "PROBABLE" }))).toBe(false);
    expect(sameVerdict(shown, job(4, { remedyIds: ["renew-master", "set-rod"] }))).toBe(false);
  });
});

it("a withdrawn circuit is offered to no new job", () =>
  expect(
    offered([
      { id: "a", withdrawn: false },
      { id: "b", withdrawn: true },
    ] as Layout[]).map((l) => l.id),
  ).toEqual(["a"]));

describe("a test being done", () => {
  it("tells the minutes since it was begun, or those that somebody put right", () => {
    const begun = { ...emptyRun, begunAt: 0 };
    expect([spentMinutes(begun, 12.4 * 60_000), spentMinutes(begun, 5_000), spentMinutes(begun, 99e9)]).toEqual([
      12, 1, 1440,
    ]);
    expect([
      spentMinutes({ ...begun, spentText: "4,5" }, 600_000),
      spentMinutes({ ...begun, spentText: "long" }, 600_000),
    ]).toEqual([4.5, 10]);
  });

  it("ends on one page for all figures", () => expect(pages(SERIES)).toBe(3));

  it("keeps the unit in which a figure was typed, whatever the user switches to", () => {
    expect(value(typed("1", "in"), FIGURE, MM, UNITS)).toBe(25.4);
    expect(figureRequests(SERIES, typed("1", "in"), () => MM)).toEqual([{ id: "play", text: "1", unit: "in" }]);
  });

  it("can be entered only when something possible was read and the rig was asked about", () => {
    const lacks = (draft: typeof emptyRun) => lacking(SERIES, draft, () => MM, UNITS);
    expect(lacks(typed("4"))).toBeUndefined();
    expect(lacks(typed("0"))).toBeUndefined();
    expect(lacks(typed(""))).toBe("figure");
    expect(lacks(typed("81"))).toBe("impossible");
    expect(lacks({ ...typed("4"), rigCheck: "" })).toBe("rigCheck");
    const look = { ...emptyRun, rigCheck: "not-checked" } as const;
    expect(lacking(LOOK, look, () => MM, UNITS)).toBe("observed");
    expect(lacking(LOOK, { ...look, observed: "not-seen" }, () => MM, UNITS)).toBeUndefined();
  });

  it("is taken on the rig that the plan asks for until somebody says otherwise", () => {
    const again = { procedureId: "play", anotherRig: true };
    expect(asPlanned(emptyRun, "play", again).newRig).toBe(true);
    expect(asPlanned(emptyRun, "play", { ...again, anotherRig: false }).newRig).toBe(false);
    expect(asPlanned(emptyRun, "hold", again).newRig).toBe(false);
    expect(asPlanned(emptyRun, "play").newRig).toBe(false);
    expect(asPlanned({ ...emptyRun, newRig: false }, "play", again).newRig).toBe(false);
  });

  it("calls nothing impossible before anything is typed", () => {
    expect(impossible(typed(""), FIGURE, MM, UNITS)).toBe(false);
    expect(impossible(typed("x"), FIGURE, MM, UNITS)).toBe(true);
  });

  it("knows the next call of a hold", () => {
    expect(nextCall([5, 15, 60], 5)).toBe(15);
    expect(nextCall([5], 6)).toBeUndefined();
    expect([clock(0), clock(4.2), clock(75)]).toEqual(["0:00", "0:05", "1:15"]);
  });
});

describe("suspicion on the sheet", () => {
  const moment = (shoes: number, cup: number) =>
    ({
      components: [
        { componentId: "rear-left", probability: shoes },
        { componentId: "master", probability: cup },
      ],
      shares: [],
    }) as unknown as Moment;

  it("is what the server found for each part", () => expect(suspicionAt(moment(0.3, 0.6)).get("master")).toBe(0.6));

  it("has changed where a reading moved it by more than two points", () => {
    expect(changedComponents([moment(0.2, 0.3), moment(0.2, 0.7)], 1)).toEqual(new Set(["master"]));
    expect(changedComponents([moment(0.2, 0.3), moment(0.21, 0.31)], 1).size).toBe(0);
    expect(changedComponents([moment(0.2, 0.3)], 0).size).toBe(0);
  });
});

describe("sentences", () => {
  it("list names in words", () => {
    const name = (id: string) => id;
    expect([
      listed([], name),
      listed(["a"], name),
      listed(["a", "b"], name),
      listed(["a", "b", "c", "d"], name),
    ]).toEqual(["", "a", "a and b", "a, b and 2 more"]);
  });

  it("show a hole where a value is missing", () => expect(filled("{a} and {b}", { a: 0 })).toBe("0 and {b}"));
});
