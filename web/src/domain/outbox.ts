import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { api, Refusal, type WriteKind } from "./api";
import type { Job } from "./types";

/** A write that is kept on this device until the server has it. */
export interface Waiting {
  entryId: string;
  jobId: string;
  kind: WriteKind;
  body: Record<string, unknown>;
  madeAt: number;
}

interface Kept extends DBSchema {
  waiting: { key: string; value: Waiting };
  drafts: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Kept>> | undefined;

function store(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>("overturn", 1, {
    upgrade(db) {
      db.createObjectStore("waiting", { keyPath: "entryId" });
      db.createObjectStore("drafts");
    },
  });
  return opened;
}

export const keep = async (write: Waiting): Promise<void> => void (await (await store()).put("waiting", write));
export const drop = async (entryId: string): Promise<void> => (await store()).delete("waiting", entryId);
export const waiting = async (): Promise<Waiting[]> =>
  (await (await store()).getAll("waiting")).sort((a, b) => a.madeAt - b.madeAt);

export const saveDraft = async (key: string, draft: unknown): Promise<void> => void (await (await store()).put("drafts", draft, key));
export const readDraft = async <T>(key: string): Promise<T | undefined> => (await (await store()).get("drafts", key)) as T | undefined;
export const dropDraft = async (key: string): Promise<void> => (await store()).delete("drafts", key);

/**
 * Sends one kept write. Entries of others in between do not matter to it, so a grown log is read again and it is sent once more,
 * under the same id: what arrived already is not entered twice.
 */
export async function send(write: Waiting, sequence?: number): Promise<Job> {
  let seen = sequence ?? (await api.job(write.jobId)).sequence;
  for (let attempt = 0; ; attempt++) {
    try {
      const job = await api.write(write.jobId, write.kind, { ...write.body, entryId: write.entryId, sequence: seen });
      await drop(write.entryId);
      return job;
    } catch (e) {
      if (!(e instanceof Refusal)) throw e;
      if (e.type.endsWith("log-has-grown") && attempt < 4) {
        seen = (await api.job(write.jobId)).sequence;
        continue;
      }
      if (!e.passing) await drop(write.entryId);
      throw e;
    }
  }
}
