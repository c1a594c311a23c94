import { describe, expect, it } from "vitest";
import type { Waiting } from "./outbox";
import { connectionOf } from "./useOutbox";

const WRITE: Waiting = {
  entryId: "e1",
  jobId: "j1",
  kind: "take-off",
  body: { items: [] },
  madeAt: Date.now(),
};

describe("what the strip says", () => {
  it("is saved only when nothing is left here", () => {
    expect(connectionOf(undefined, false)).toBe("unknown");
    expect(connectionOf([], false)).toBe("saved");
    expect(connectionOf([], true)).toBe("saved");
    expect(connectionOf([WRITE], true)).toBe("sending");
    expect(connectionOf([WRITE], false)).toBe("waiting");
    expect(connectionOf([{ ...WRITE, holdUntil: 5 }], true)).toBe("waiting");
    expect(connectionOf([{ ...WRITE, away: true }], true)).toBe("waiting");
  });

  it("is saved as soon as the server has it, though the page does not show it yet", () =>
    expect(connectionOf([{ ...WRITE, madeAt: Date.now(), taken: true }], false)).toBe("saved"));

  it("asks for somebody where an entry cannot be sent by itself", () => {
    const now = Date.now();
    expect(connectionOf([{ ...WRITE, madeAt: now, failures: 3 }], false)).toBe("refused");
    expect(connectionOf([{ ...WRITE, madeAt: now - 367 * 86_400_000 }], false)).toBe("refused");
    expect(connectionOf([{ ...WRITE, madeAt: now, kind: "later" } as unknown as Waiting], false)).toBe("refused");
  });

  it("tells what was refused before anything else", () =>
    expect(connectionOf([WRITE, { ...WRITE, entryId: "e2", refused: { message: "no", findings: [] } }], true)).toBe(
      "refused",
    ));
});
