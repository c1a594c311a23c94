import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { api, Refusal } from "./api";
import { drop, keep, readDraft, saveDraft, send, waiting, type Waiting } from "./outbox";
import type { Job } from "./types";

const WRITE: Waiting = { entryId: "e1", jobId: "j1", kind: "readings", body: { procedureId: "free-play" }, madeAt: 1 };
const job = (sequence: number) => ({ id: "j1", sequence }) as Job;

beforeEach(async () => {
  vi.restoreAllMocks();
  for (const write of await waiting()) await drop(write.entryId);
});

describe("a kept write", () => {
  it("is gone from the device once the server has it", async () => {
    const write = vi.spyOn(api, "write").mockResolvedValue(job(3));
    await keep(WRITE);
    expect(await send(WRITE, 2)).toEqual(job(3));
    expect(write).toHaveBeenCalledWith("j1", "readings", { procedureId: "free-play", entryId: "e1", sequence: 2 });
    expect(await waiting()).toEqual([]);
  });

  it("stays on the device while the server is away", async () => {
    vi.spyOn(api, "write").mockRejectedValue(new Refusal(0, "away", "no answer"));
    await keep(WRITE);
    await expect(send(WRITE, 2)).rejects.toThrow("no answer");
    expect(await waiting()).toEqual([WRITE]);
  });

  it("is sent again under the same id when somebody else entered something", async () => {
    vi.spyOn(api, "job").mockResolvedValue(job(7));
    const write = vi.spyOn(api, "write").mockRejectedValueOnce(new Refusal(409, "urn:overturn:problem:log-has-grown", "grown")).mockResolvedValue(job(8));
    await keep(WRITE);
    expect((await send(WRITE, 2)).sequence).toBe(8);
    expect(write.mock.calls.map(([, , body]) => body)).toEqual([
      { procedureId: "free-play", entryId: "e1", sequence: 2 },
      { procedureId: "free-play", entryId: "e1", sequence: 7 },
    ]);
  });

  it("is not sent for ever when the server will never take it", async () => {
    vi.spyOn(api, "write").mockRejectedValue(new Refusal(422, "urn:overturn:problem:input-not-allowed", "no"));
    await keep(WRITE);
    await expect(send(WRITE, 2)).rejects.toThrow("no");
    expect(await waiting()).toEqual([]);
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
