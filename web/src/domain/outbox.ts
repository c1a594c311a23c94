import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { api, Refusal, type Finding } from "./api";
import type { Job, Writes } from "./types";

/** Why the server did not take a write; it stays on the device until it is mended or thrown away by hand. */
export interface Refused {
  message: string;
  findings: Finding[];
}

export type Kind = keyof Writes;

/** What an entry says; its id, its age and, but for a verdict, its place in the log are put on when it is sent. */
type Body<K extends Kind> = Omit<
  Writes[K],
  "entryId" | "takenSecondsAgo" | (K extends "verdict" ? never : "sequence") | (K extends "jobs" ? "jobId" : never)
>;

/** What a page says in an entry; who says it is put on when it is kept. */
export type Said<K extends Kind> = Omit<Body<K>, "personId">;

/** A write that is kept on this device until the server has it. Its id is made at the first tap and never changes. */
export type Waiting = { [K in Kind]: WaitingOf<K> }[Kind];

export interface WaitingOf<K extends Kind> {
  entryId: string;
  jobId: string;
  kind: K;
  body: Body<K>;
  /** What the vehicle is called, for the list of what is kept. */
  vehicle?: string;
  /** When it was made, by this device's clock, ms. */
  madeAt: number;
  /** Until then it can still be taken back, ms; it is sent afterwards, whichever page is open. */
  holdUntil?: number;
  /** The draft it was made from, which is done with once the server has it. */
  draftKey?: string;
  /** Not tried again before, ms; how often the server has failed on it. */
  notBefore?: number;
  failures?: number;
  /** Whether the server could not be reached when it was last tried. */
  away?: boolean;
  refused?: Refused;
}

interface Kept extends DBSchema {
  waiting: { key: string; value: Waiting };
  drafts: { key: string; value: unknown };
}

const ATTEMPTS_WHILE_BUSY = 5;
/** What this tab is sending just now: it is not sent a second time meanwhile. */
const underWay = new Set<string>();
const MOST_FAILURES = 5;
const FIRST_PAUSE_MS = 4_000;
const LONGEST_PAUSE_MS = 60_000;

let opened: Promise<IDBPDatabase<Kept>> | undefined;
const listeners = new Set<() => void>();
const others = typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel("overturn-outbox");
others?.addEventListener("message", () => listeners.forEach((listener) => listener()));

function store(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>("overturn", 1, {
    upgrade(db) {
      db.createObjectStore("waiting", { keyPath: "entryId" });
      db.createObjectStore("drafts");
    },
  });
  return opened;
}

/** Calls back whenever what is kept has changed, in this tab or another. */
export function onChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

function changed() {
  listeners.forEach((listener) => listener());
  others?.postMessage("changed");
}

export async function keep(write: Waiting): Promise<void> {
  await (await store()).put("waiting", write);
  changed();
}

export async function drop(entryId: string): Promise<void> {
  await (await store()).delete("waiting", entryId);
  changed();
}

/** Everything kept, the oldest first. */
export const waiting = async (): Promise<Waiting[]> =>
  (await (await store()).getAll("waiting")).sort((a, b) => a.madeAt - b.madeAt);

export const find = async (entryId: string): Promise<Waiting | undefined> => (await store()).get("waiting", entryId);

/** Takes a write back while it is held; false when it is too late. */
export async function takeBack(entryId: string, now = Date.now()): Promise<boolean> {
  const transaction = (await store()).transaction("waiting", "readwrite");
  const write = await transaction.store.get(entryId);
  const held = write?.holdUntil !== undefined && write.holdUntil > now;
  if (held) await transaction.store.delete(entryId);
  await transaction.done;
  if (held) changed();
  return held;
}

/** Has a write sent now: no longer held, no longer refused. */
export async function release(entryId: string): Promise<Waiting | undefined> {
  const write = await find(entryId);
  if (!write) return undefined;
  const { holdUntil: _held, refused: _refused, notBefore: _pause, failures: _failures, away: _away, ...free } = write;
  await keep(free);
  return free;
}

export const saveDraft = async (key: string, draft: unknown): Promise<void> =>
  void (await (await store()).put("drafts", draft, key));
export const readDraft = async <T>(key: string): Promise<T | undefined> =>
  (await (await store()).get("drafts", key)) as T | undefined;
export const dropDraft = async (key: string): Promise<void> => (await store()).delete("drafts", key);

/** Whether a write is to be sent now. */
export const due = (write: Waiting, now: number): boolean =>
  write.refused === undefined && (write.holdUntil ?? 0) <= now && (write.notBefore ?? 0) <= now;

/**
 * Sends one kept write. Entries of others in between do not matter to it, so a grown log is read again and it is sent once more, under the same id:
 * what arrived already is not entered twice. Only a verdict is of the log that was on the screen. What the server refuses stays here, marked.
 */
export async function send(write: Waiting, sequence?: number): Promise<Job> {
  underWay.add(write.entryId);
  try {
    const job = await sent(write, sequence);
    if (write.draftKey !== undefined) await dropDraft(write.draftKey);
    await drop(write.entryId);
    return job;
  } catch (e) {
    if (!(e instanceof Refusal)) throw e;
    await keepAfter(write, e);
    throw e;
  } finally {
    underWay.delete(write.entryId);
  }
}

async function sent(write: Waiting, sequence?: number): Promise<Job> {
  const stamp = {
    entryId: write.entryId,
    takenSecondsAgo: Math.max(0, Math.round((Date.now() - write.madeAt) / 1000)),
  };
  if (write.kind === "jobs") return api.open({ ...write.body, ...stamp, jobId: write.jobId });
  if (write.kind === "verdict") return api.write(write.jobId, write.kind, { ...write.body, ...stamp });
  let seen = sequence ?? (await api.job(write.jobId)).sequence;
  for (let attempt = 1; ; attempt++) {
    try {
      return await sentBehind(write, { ...stamp, sequence: seen });
    } catch (e) {
      if (!(e instanceof Refusal && e.busy && attempt < ATTEMPTS_WHILE_BUSY)) throw e;
      seen = (await api.job(write.jobId)).sequence;
    }
  }
}

function sentBehind(
  write: Exclude<Waiting, { kind: "jobs" | "verdict" }>,
  stamp: { entryId: string; takenSecondsAgo: number; sequence: number },
): Promise<Job> {
  const { jobId } = write;
  switch (write.kind) {
    case "readings":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "strikes":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "set-aside":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "take-off":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "notes":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "work-steps":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "strokes":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "levels":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "bleeding":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "photos":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "walks":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "rests":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "checks":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "parts":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
    case "release":
      return api.write(jobId, write.kind, { ...write.body, ...stamp });
  }
}

/** Whether sending the same again may do. */
function mayDo(write: Waiting, refusal: Refusal): boolean {
  if (refusal.busy) return write.kind !== "verdict";
  return refusal.passing && (refusal.status !== 500 || (write.failures ?? 0) < MOST_FAILURES);
}

async function keepAfter(write: Waiting, refusal: Refusal): Promise<void> {
  if (!(await find(write.entryId))) return;
  const failures = (write.failures ?? 0) + 1;
  const { holdUntil: _held, away: _away, ...rest } = write;
  if (!mayDo(write, refusal))
    await keep({ ...rest, refused: { message: refusal.message, findings: refusal.findings } });
  else if (refusal.status === 0) await keep({ ...rest, away: true });
  else
    await keep({
      ...rest,
      failures,
      notBefore: Date.now() + Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (failures - 1)),
    });
}

/**
 * Sends everything that is due, the oldest first; one that is refused, or on which the server fails, holds up nothing but what stands on the job it opens.
 *
 * @param arrived told of every job that has taken a write
 */
export async function sendDue(arrived: (job: Job, write: Waiting) => void): Promise<void> {
  const unopened = new Set<string>();
  for (const write of await waiting()) {
    if (due(write, Date.now()) && !unopened.has(write.jobId) && !underWay.has(write.entryId)) {
      try {
        arrived(await send(write), write);
      } catch (e) {
        if (e instanceof Refusal && e.status === 0) return;
        if (write.kind === "jobs") unopened.add(write.jobId);
      }
    } else if (write.kind === "jobs") {
      unopened.add(write.jobId);
    }
  }
}
