import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { api, Refusal } from "./api";
import {
  drop,
  due,
  find,
  isAnothers,
  keep,
  readDraft,
  release,
  saveDraft,
  isOld,
  pauseMs,
  send,
  sendDue,
  shown,
  signedInAs,
  takeBack,
  waiting,
  type Waiting,
  type WaitingOf,
} from "./outbox";
import type { Job } from "./types";

const WRITE: WaitingOf<"set-aside"> = {
  entryId: "e1",
  jobId: "j1",
  kind: "set-aside",
  body: { procedureId: "free-play", why: "no lift" },
  madeAt: 1_000_000,
};
const NOBODY = () => Promise.resolve();
const job = (sequence: number) => ({ id: "j1", sequence }) as Job;

beforeEach(async () => {
  vi.restoreAllMocks();
  vi.spyOn(Date, "now").mockReturnValue(1_090_000);
  vi.spyOn(api, "answers").mockResolvedValue(true);
  signedInAs("juno-vale");
  for (const write of await waiting()) await drop(write.entryId);
});

describe("a kept write", () => {
  it("is kept as taken once the server has it, and gone once it is shown", async () => {
    const write = vi.spyOn(api, "write").mockResolvedValue();
    await keep(WRITE);
    await send(WRITE, 2);
    const body = { ...WRITE.body, entryId: "e1", sequence: 2, takenSecondsAgo: 90 };
    expect(write).toHaveBeenCalledWith("j1", "set-aside", body, undefined);
    const [taken] = await waiting();
    expect(taken).toEqual({ ...WRITE, taken: true });
    expect(due(taken!, 1_090_000)).toBe(false);
    await shown(WRITE);
    expect(await waiting()).toEqual([]);
  });

  it("stays on the device while the server is away", async () => {
    vi.spyOn(api, "write").mockRejectedValue(new Refusal(0, "away", "no answer"));
    await keep(WRITE);
    await expect(send(WRITE, 2)).rejects.toThrow("no answer");
    expect(await waiting()).toEqual([{ ...WRITE, away: true }]);
  });

  it("is sent again under the same id when somebody else entered something", async () => {
    vi.spyOn(api, "job").mockResolvedValue(job(7));
    const write = vi
      .spyOn(api, "write")
      .mockRejectedValueOnce(new Refusal(409, "urn:overturn:problem:log-has-grown", "grown"))
      .mockResolvedValue();
    await keep(WRITE);
    await send(WRITE, 2);
    expect(write.mock.calls.map(([, , body]) => body)).toEqual([
      { ...WRITE.body, entryId: "e1", sequence: 2, takenSecondsAgo: 90 },
      { ...WRITE.body, entryId: "e1", sequence: 7, takenSecondsAgo: 90 },
    ]);
  });

  it("that is refused stays, is not sent again by itself, and can be sent mended under the same id", async () => {
    const write = vi
      .spyOn(api, "write")
      .mockRejectedValueOnce(
        new Refusal(422, "urn:overturn:problem:input-not-allowed", "no", [
          { field: "figures.play", given: "900", allowed: "0 to 80 mm" },
        ]),
      )
      .mockResolvedValue();
    await keep(WRITE);
    await expect(send(WRITE, 2)).rejects.toThrow("no");
    expect((await find("e1"))?.refused).toEqual({
      type: "urn:overturn:problem:input-not-allowed",
      message: "no",
      findings: [{ field: "figures.play", given: "900", allowed: "0 to 80 mm" }],
    });
    await sendDue(NOBODY);
    expect(write).toHaveBeenCalledTimes(1);
    await release("e1");
    await send({ ...WRITE, body: { ...WRITE.body, why: "mended" } }, 2);
    expect(write.mock.lastCall?.[2]).toMatchObject({ entryId: "e1", why: "mended" });
    expect((await find("e1"))?.taken).toBe(true);
  });

  it("is not sent a second time while it is under way", async () => {
    let answer: () => void = () => undefined;
    const write = vi.spyOn(api, "write").mockReturnValue(new Promise((resolve) => (answer = resolve)));
    await keep(WRITE);
    const first = send(WRITE, 2);
    await sendDue(NOBODY);
    expect(write).toHaveBeenCalledTimes(1);
    answer();
    await first;
    expect((await find("e1"))?.taken).toBe(true);
  });

  it("waits, and is never dropped, however often the job is busy", async () => {
    vi.spyOn(api, "job").mockResolvedValue(job(7));
    const write = vi
      .spyOn(api, "write")
      .mockRejectedValue(new Refusal(409, "urn:overturn:problem:log-has-grown", "grown"));
    await keep(WRITE);
    await expect(send(WRITE, 2)).rejects.toThrow("grown");
    expect(write).toHaveBeenCalledTimes(5);
    const [kept] = await waiting();
    expect(kept).toMatchObject({ entryId: "e1", failures: 1, notBefore: 1_094_000 });
    expect(kept?.refused).toBeUndefined();
  });

  it("that accepts a verdict is of the log on the screen: grown, it is refused and stays", async () => {
    const write = vi
      .spyOn(api, "write")
      .mockRejectedValue(new Refusal(409, "urn:overturn:problem:log-has-grown", "grown"));
    const verdict: Waiting = {
      ...WRITE,
      kind: "verdict",
      body: { remedyIds: ["renew-master"], grade: "PROVEN", sequence: 4, why: "" },
    };
    await keep(verdict);
    await expect(send(verdict, 9)).rejects.toThrow("grown");
    expect(write).toHaveBeenCalledTimes(1);
    expect(write.mock.lastCall?.[2]).toMatchObject({ sequence: 4 });
    expect((await find("e1"))?.refused?.message).toBe("grown");
  });

  it("can be taken back while it is held, and is sent afterwards by whoever looks", async () => {
    const held = { ...WRITE, holdUntil: 1_095_000 };
    expect([due(held, 1_090_000), due(held, 1_095_000)]).toEqual([false, true]);
    await keep(held);
    expect(await takeBack("e1", 1_096_000)).toBe(false);
    expect(await takeBack("e1", 1_094_000)).toBe(true);
    expect(await waiting()).toEqual([]);
  });

  it("is done with its draft once the server has it", async () => {
    vi.spyOn(api, "write").mockResolvedValue();
    await saveDraft("run-1", { step: 2 });
    await send({ ...WRITE, draftKey: "run-1" }, 2);
    expect(await readDraft("run-1")).toBeUndefined();
  });
});

describe("many kept writes", () => {
  const named = (entryId: string, madeAt: number, more: Partial<typeof WRITE> = {}): Waiting => ({
    ...WRITE,
    entryId,
    madeAt,
    ...more,
  });

  it("are not held up by one on which the server fails, which is given up to the user in the end", async () => {
    vi.spyOn(api, "job").mockResolvedValue(job(2));
    vi.spyOn(api, "write").mockImplementation((_job, _kind, body) =>
      body.entryId === "bad"
        ? Promise.reject(new Refusal(500, "urn:overturn:problem:our-own-fault", "fault"))
        : Promise.resolve(),
    );
    await keep(named("bad", 1));
    await keep(named("good", 2));
    const arrived: string[] = [];
    await sendDue((write) => Promise.resolve(void arrived.push(write.entryId)));
    expect(arrived).toEqual(["good"]);
    for (let failures = 1; failures <= 5; failures++) {
      expect((await find("bad"))?.refused).toBeUndefined();
      vi.spyOn(Date, "now").mockReturnValue(1_090_000 + failures * 1_000_000);
      await sendDue(NOBODY);
    }
    expect((await find("bad"))?.refused?.message).toBe("fault");
  });

  it("of a job wait until it is opened", async () => {
    vi.spyOn(api, "open").mockRejectedValue(new Refusal(503, "urn:overturn:problem:store-away", "away"));
    const write = vi.spyOn(api, "write");
    await keep({
      ...named("opens", 1),
      kind: "jobs",
      body: {
        readingId: "r1",
        vehicle: "Tarn SK 31",
        layoutId: "tarn-box-van",
        complaint: "sinks",
        behaviour: "sinks",
        hunchId: "bleed",
        mayBeMoved: false,
        recentWork: false,
        sometimes: false,
        age: "UNKNOWN",
      },
    });
    await keep(named("reading", 2));
    await sendDue(NOBODY);
    expect(write).not.toHaveBeenCalled();
    expect((await waiting()).map((w) => w.entryId)).toEqual(["opens", "reading"]);
  });
});

describe("an entry that the server does not survive", () => {
  const KILLER = { ...WRITE, entryId: "killer", madeAt: 1 };
  /** The server answers nothing while it has the killer, and everything else. */
  const deadly = () =>
    vi
      .spyOn(api, "write")
      .mockImplementation((_job, _kind, body) =>
        body.entryId === "killer" ? Promise.reject(new Refusal(0, "away", "gone")) : Promise.resolve(),
      );

  it("is sent a handful of times in 150 s, ever more seldom", async () => {
    vi.spyOn(api, "job").mockResolvedValue(job(2));
    const write = deadly();
    await keep(KILLER);
    for (let s = 0; s <= 150; s += 4) {
      vi.spyOn(Date, "now").mockReturnValue(1_090_000 + s * 1000);
      await sendDue(NOBODY);
    }
    expect(write.mock.calls.length).toBeLessThanOrEqual(6);
    expect([1, 2, 3, 4, 5, 9].map(pauseMs)).toEqual([4_000, 8_000, 30_000, 120_000, 480_000, 900_000]);
    expect((await find("killer"))?.refused).toBeUndefined();
  });

  it("lets others pass", async () => {
    vi.spyOn(api, "job").mockResolvedValue(job(2));
    deadly();
    await keep({ ...KILLER, failures: 3 });
    await keep({ ...WRITE, entryId: "later" });
    const arrived: string[] = [];
    await sendDue((write) => Promise.resolve(void arrived.push(write.entryId)));
    expect(arrived).toEqual(["later"]);
    expect((await find("killer"))?.failures).toBe(4);
  });

  it("is not blamed while the server is away altogether", async () => {
    vi.spyOn(api, "answers").mockResolvedValue(false);
    const write = vi.spyOn(api, "write").mockRejectedValue(new Refusal(0, "away", "gone"));
    await keep(WRITE);
    for (let n = 0; n < 20; n++) await sendDue(NOBODY);
    const [kept] = await waiting();
    expect(kept?.failures).toBeUndefined();
    expect(kept?.away).toBe(true);
    expect(write.mock.calls.length).toBeLessThanOrEqual(1);
  });
});

describe("what these pages cannot send by themselves", () => {
  it("is kept where its kind is not known", async () => {
    const later = { ...WRITE, kind: "horoscopes" } as unknown as Waiting;
    await keep(later);
    await sendDue(NOBODY);
    expect(due(later, 1_090_000)).toBe(false);
    await expect(send(later)).rejects.toThrow("horoscopes");
    expect(await waiting()).toEqual([later]);
  });

  it("is asked about where it is older than a year", async () => {
    const write = vi.spyOn(api, "write").mockResolvedValue();
    vi.spyOn(api, "job").mockResolvedValue(job(2));
    const now = 1_000_000 + 367 * 86_400_000;
    vi.spyOn(Date, "now").mockReturnValue(now);
    await keep(WRITE);
    await sendDue(NOBODY);
    expect(write).not.toHaveBeenCalled();
    expect(isOld(WRITE, now)).toBe(true);
    await keep({ ...WRITE, withItsDate: true });
    await sendDue(NOBODY);
    expect(write.mock.lastCall?.[2]).toMatchObject({ takenSecondsAgo: 367 * 86_400 });
  });
});

describe("waiting writes and drafts", () => {
  it("keep the order in which they were made", async () => {
    await keep({ ...WRITE, entryId: "late", madeAt: 9 });
    await keep({ ...WRITE, entryId: "early", madeAt: 2 });
    expect((await waiting()).map((w) => w.entryId)).toEqual(["early", "late"]);
  });

  it("survive as typed", async () => {
    await saveDraft("run-1", { texts: { play: "23,8" } });
    expect(await readDraft("run-1")).toEqual({ texts: { play: "23,8" } });
  });
});

describe("whose an entry is", () => {
  it("goes with its signature whoever is signed in by then", async () => {
    const write = vi.spyOn(api, "write").mockResolvedValue();
    await keep({ ...WRITE, personId: "marit-osei", signature: "k.s" });
    vi.spyOn(api, "job").mockResolvedValue(job(2));
    await sendDue(NOBODY);
    expect(write.mock.calls[0]?.[3]).toBe("k.s");
  });

  it("waits for its writer where it is not signed, and for anybody where nobody is signed in", () => {
    const unsigned = { ...WRITE, personId: "marit-osei" };
    expect(due(unsigned, 2_000_000)).toBe(false);
    signedInAs("marit-osei");
    expect(due(unsigned, 2_000_000)).toBe(true);
    signedInAs("");
    expect(due({ ...WRITE, signature: "k.s" }, 2_000_000)).toBe(false);
  });

  it("can go only under another name once its signature does not fit", async () => {
    vi.spyOn(api, "write").mockRejectedValue(
      new Refusal(403, "urn:overturn:problem:signature-does-not-fit", "not as it was signed"),
    );
    await keep({ ...WRITE, personId: "juno-vale", signature: "k.s" });
    await expect(send((await find("e1"))!, 2)).rejects.toThrow();
    expect(isAnothers((await find("e1"))!)).toBe(true);
  });

  it("is no longer named in what earlier pages kept", async () => {
    const write = vi.spyOn(api, "write").mockResolvedValue();
    await send({ ...WRITE, body: { ...WRITE.body, personId: "juno-vale" } as typeof WRITE.body }, 2);
    expect(write.mock.calls[0]?.[2]).not.toHaveProperty("personId");
  });

  it("is kept as it is while the session has ended", async () => {
    vi.spyOn(api, "write").mockRejectedValue(new Refusal(401, "not-signed-in", "Sign in first"));
    await keep(WRITE);
    await expect(send(WRITE, 2)).rejects.toThrow();
    expect(await find("e1")).toEqual(WRITE);
  });
});
