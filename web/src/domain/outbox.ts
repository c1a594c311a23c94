import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { actAs, api, Refusal, type Finding, type WriteKind } from "./api";
import type { Writes } from "./types";

/** Why the server did not take a write; it stays on the device until it is mended or thrown away by hand. */
export interface Refused {
  /** Which problem it was; not told of what earlier pages kept. */
  type?: string;
  message: string;
  findings: Finding[];
}

export type Kind = keyof Writes;

/** What an entry says; its id, its age and, but for a verdict, its place in the log are put on when it is sent. */
type Body<K extends Kind> = Omit<
  Writes[K],
  "entryId" | "takenSecondsAgo" | (K extends "verdict" ? never : "sequence") | (K extends "jobs" ? "jobId" : never)
>;

/** What a page says in an entry. */
export type Said<K extends Kind> = Body<K>;

/** A write that is kept on this device until the server has it. Its id is made at the first tap and never changes. */
export type Waiting = { [K in Kind]: WaitingOf<K> }[Kind];

export interface WaitingOf<K extends Kind> {
  entryId: string;
  jobId: string;
  kind: K;
  body: Body<K>;
  /** Who wrote it, and the signature under it; an entry of earlier pages has neither and goes as whoever is signed in. */
  personId?: string;
  signature?: string;
  /** What the vehicle is called, for the list of what is kept. */
  vehicle?: string;
  /** When it was made, by this device's clock, ms. */
  madeAt: number;
  /** Until then it can still be taken back, ms; it is sent afterwards, whichever page is open. */
  holdUntil?: number;
  /** The draft it was made from, which is done with once the server has it. */
  draftKey?: string;
  /** Not tried again before, ms; how often the server has failed on it, or ended while it had it. */
  notBefore?: number;
  failures?: number;
  /** Whether it is in the log; it is dropped once the page shows the job with it. */
  taken?: boolean;
  /** Whether it was said that one older than a year is to be entered with its own date. */
  withItsDate?: boolean;
  /** Whether the server could not be reached when it was last tried. */
  away?: boolean;
  refused?: Refused;
}

interface Kept extends DBSchema {
  waiting: { key: string; value: Waiting };
  drafts: { key: string; value: unknown };
}

/** Every kind that these pages can send; another one was kept by later pages, which can. */
const KNOWN: Record<Kind, true> = {
  jobs: true,
  readings: true,
  strikes: true,
  "set-aside": true,
  "take-off": true,
  verdict: true,
  notes: true,
  "work-steps": true,
  strokes: true,
  levels: true,
  bleeding: true,
  ways: true,
  fluid: true,
  photos: true,
  traces: true,
  walks: true,
  rests: true,
  checks: true,
  parts: true,
  withdrawal: true,
  "second-checks": true,
  release: true,
};
export const isKnown = (write: Waiting): boolean => Object.hasOwn(KNOWN, write.kind);

const DAY_MS = 86_400_000;
const MOST_DAYS = 366;
/** Older than the server takes unasked: somebody says whether it is entered with its own date. */
export const isOld = (write: Waiting, now: number): boolean =>
  !write.withItsDate && now - write.madeAt > MOST_DAYS * DAY_MS;

const ATTEMPTS_WHILE_BUSY = 5;
/** What this tab is sending just now: it is not sent a second time meanwhile. */
const underWay = new Set<string>();
const MOST_FAILURES = 5;
const FIRST_PAUSE_MS = 4_000;
const LONGEST_PAUSE_MS = 60_000;
/** From this many failures on an entry is taken for the cause: it lets others pass and waits four times as long each time. */
export const TROUBLED = 3;
const TROUBLED_PAUSE_MS = 30_000;
const LONGEST_TROUBLED_MS = 15 * 60_000;

/** How long an entry waits on which the server has failed so often, ms. */
export const pauseMs = (failures: number): number =>
  failures < TROUBLED
    ? FIRST_PAUSE_MS * 2 ** (failures - 1)
    : Math.min(LONGEST_TROUBLED_MS, TROUBLED_PAUSE_MS * 4 ** (failures - TROUBLED));

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
  const { holdUntil: _held, refused: _refused, notBefore: _pause, away: _away, ...free } = write;
  await keep(free);
  return free;
}

export const saveDraft = async (key: string, draft: unknown): Promise<void> =>
  void (await (await store()).put("drafts", draft, key));
export const readDraft = async <T>(key: string): Promise<T | undefined> =>
  (await (await store()).get("drafts", key)) as T | undefined;
export const dropDraft = async (key: string): Promise<void> => (await store()).delete("drafts", key);

let signedIn = "";
/** Who is signed in on this page; nobody where it is empty. */
export function signedInAs(personId: string): void {
  signedIn = personId;
  actAs(personId);
}

/** Without a signature an entry goes only as whoever wrote it, while signed in. */
export const waitsForItsWriter = (write: Waiting): boolean =>
  write.signature === undefined && write.personId !== undefined && write.personId !== signedIn;

/** Whether it can go only under the name of whoever is signed in: its writer is not here, or works here no more. */
export const isAnothers = (write: Waiting): boolean =>
  waitsForItsWriter(write) || (write.refused?.type ?? "").endsWith("signature-does-not-fit");

/** Whether a write is to be sent now. */
export const due = (write: Waiting, now: number): boolean =>
  isKnown(write) &&
  signedIn !== "" &&
  !waitsForItsWriter(write) &&
  !write.taken &&
  !isOld(write, now) &&
  write.refused === undefined &&
  (write.holdUntil ?? 0) <= now &&
  (write.notBefore ?? 0) <= now;

/** Sending one that these pages do not know would lose it. */
export class UnknownKind extends Error {}

/**
 * Sends one kept write until it is in the log. Entries of others in between do not matter to it, so a grown log is read again and it is sent once more,
 * under the same id: what arrived already is not entered twice. Only a verdict is of the log that was on the screen. What the server refuses stays here,
 * marked; what it has is dropped by whoever shows it (`shown`).
 */
export async function send(write: Waiting, sequence?: number): Promise<void> {
  if (!isKnown(write)) throw new UnknownKind(write.kind);
  underWay.add(write.entryId);
  try {
    const reached = (write.failures ?? 0) === 0 && !write.away ? true : await api.answers();
    if (!reached) throw new Refusal(0, "away", "The server does not answer");
    await sent(write, sequence).catch((e: unknown) => {
      throw e instanceof Refusal && e.status === 0 && (write.failures !== undefined || write.away)
        ? new Refusal(0, ENDED, e.message)
        : e;
    });
    if (write.draftKey !== undefined) await dropDraft(write.draftKey);
    await keep({ ...write, taken: true });
  } catch (e) {
    if (!(e instanceof Refusal)) throw e;
    await keepAfter(write, e);
    throw e;
  } finally {
    underWay.delete(write.entryId);
  }
}

/** The server answered just before and did not survive this. */
const ENDED = "ended";

/** The page shows what the server has: nothing of it is left here. */
export const shown = (write: Waiting): Promise<void> => drop(write.entryId);

/** What is signed and sent of a write; entries of earlier pages name their author, which the server no longer takes. */
export function said<K extends Kind>(write: WaitingOf<K>): Body<K> & { entryId: string } {
  const { personId: _author, ...body } = write.body as Body<K> & { personId?: string };
  return {
    ...(body as unknown as Body<K>),
    entryId: write.entryId,
    ...(write.kind === "jobs" ? { jobId: write.jobId } : {}),
  };
}

/** Where a write goes. */
export const addressOf = (write: { kind: Kind; jobId: string }): string =>
  write.kind === "jobs" ? "/api/jobs" : `/api/jobs/${write.jobId}/${write.kind}`;

async function sent(write: Waiting, sequence?: number): Promise<void> {
  const age = {
    takenSecondsAgo: Math.max(0, Math.round((Date.now() - write.madeAt) / 1000)),
  };
  if (write.kind === "jobs") return api.open({ ...said(write), ...age, jobId: write.jobId }, write.signature);
  if (write.kind === "verdict") return api.write(write.jobId, write.kind, { ...said(write), ...age }, write.signature);
  let seen = sequence ?? (await api.job(write.jobId)).sequence;
  for (let attempt = 1; ; attempt++) {
    try {
      return await sentBehind(write, { ...age, sequence: seen });
    } catch (e) {
      if (!(e instanceof Refusal && e.busy && attempt < ATTEMPTS_WHILE_BUSY)) throw e;
      seen = (await api.job(write.jobId)).sequence;
    }
  }
}

function sentBehind<K extends WriteKind>(
  write: WaitingOf<K>,
  stamp: { takenSecondsAgo: number; sequence: number },
): Promise<void> {
  return api.write(write.jobId, write.kind, { ...said(write), ...stamp } as unknown as Writes[K], write.signature);
}

/** Whether sending the same again may do. */
function mayDo(write: Waiting, refusal: Refusal): boolean {
  if (refusal.busy) return write.kind !== "verdict";
  if (refusal.status === 401) return true;
  return refusal.passing && (refusal.status !== 500 || (write.failures ?? 0) < MOST_FAILURES);
}

async function keepAfter(write: Waiting, refusal: Refusal): Promise<void> {
  if (!(await find(write.entryId))) return;
  const { holdUntil: _held, away: _away, ...rest } = write;
  if (!mayDo(write, refusal))
    await keep({ ...rest, refused: { type: refusal.type, message: refusal.message, findings: refusal.findings } });
  else if (refusal.status === 401) await keep(rest);
  else if (refusal.status === 0 && refusal.type !== ENDED) await keep({ ...rest, away: true });
  else {
    const failures = (write.failures ?? 0) + 1;
    const passing = refusal.busy || refusal.status === 503 || refusal.status === 408;
    const pause = passing ? Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (failures - 1)) : pauseMs(failures);
    await keep({ ...rest, failures, notBefore: Date.now() + pause });
  }
}

const isTroubled = (write: Waiting) => (write.failures ?? 0) >= TROUBLED;

/**
 * Sends everything that is due, the oldest first, those on which the server has failed behind all others; one that is refused, or on which the server
 * fails, holds up nothing but what stands on the job it opens.
 *
 * @param arrived told of every write that is in the log
 */
export async function sendDue(arrived: (write: Waiting) => Promise<void>): Promise<void> {
  const unopened = new Set<string>();
  const all = await waiting();
  for (const write of all.filter((w) => w.taken)) await shown(write);
  for (const write of [...all.filter((w) => !isTroubled(w)), ...all.filter(isTroubled)]) {
    if (due(write, Date.now()) && !unopened.has(write.jobId) && !underWay.has(write.entryId)) {
      try {
        await send(write);
        await arrived(write);
      } catch (e) {
        if (e instanceof Refusal && (e.status === 0 || e.status === 401)) return;
        if (write.kind === "jobs") unopened.add(write.jobId);
      }
    } else if (write.kind === "jobs" && !write.taken) {
      unopened.add(write.jobId);
    }
  }
}
