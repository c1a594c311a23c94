import { laterOf } from "./useJob";
import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { api, Refusal } from "./api";
import { signed } from "./entryKeys";
import { useMe } from "./session";
import {
  addressOf,
  said,
  find,
  isKnown,
  isOld,
  keep,
  onChange,
  release,
  send,
  sendDue,
  shown,
  TROUBLED,
  waiting,
  type Kind,
  type Said,
  type Waiting,
  type WaitingOf,
} from "./outbox";
import type { Job } from "./types";

export type Connection = "unknown" | "saved" | "sending" | "waiting" | "refused";

const LOOK_EVERY_MS = 1_000;
const AGAIN_MS = 4_000;
let underWay = 0;

/** Everything that is kept on this device, as it changes in this tab or another; undefined until it has been looked up. */
function useKeptOrUnknown(): Waiting[] | undefined {
  const [kept, setKept] = useState<Waiting[]>();
  useEffect(() => {
    let here = true;
    const read = () => void waiting().then((all) => here && setKept(all));
    const stop = onChange(read);
    read();
    return () => {
      here = false;
      stop();
    };
  }, []);
  return kept;
}

const NONE: Waiting[] = [];

/** Everything that is kept on this device; nothing while it is being looked up. */
export const useKept = (): Waiting[] => useKeptOrUnknown() ?? NONE;

/** Whether an entry stays here until somebody says what is to become of it. */
export const needsSomebody = (write: Waiting): boolean =>
  write.refused !== undefined ||
  (write.failures ?? 0) >= TROUBLED ||
  !isKnown(write) ||
  (!write.taken && isOld(write, Date.now()));

/** Whether everything entered on this device has reached the server; not said before it is known. */
export function connectionOf(kept: Waiting[] | undefined, sending: boolean): Connection {
  if (kept === undefined) return "unknown";
  const here = kept.filter((write) => !write.taken);
  if (here.some(needsSomebody)) return "refused";
  if (here.length === 0) return "saved";
  return sending && here.every((write) => write.failures === undefined && !write.away && write.holdUntil === undefined)
    ? "sending"
    : "waiting";
}

export function useConnection(): { connection: Connection; kept: Waiting[] } {
  const kept = useKeptOrUnknown();
  return { connection: connectionOf(kept, underWay > 0), kept: kept?.filter((write) => !write.taken) ?? NONE };
}

/** The job as a write left it, unless something newer is there. */
function show(queries: QueryClient, job: Job) {
  queries.setQueryData<Job>(["job", job.id], (there) => laterOf(there, job));
  void queries.invalidateQueries({ queryKey: ["jobs"] });
}

/** Asks for the job as the log has it by now, and then lets go of what is in it; without an answer it is asked for later. */
async function showTaken(queries: QueryClient, write: Waiting): Promise<Job | undefined> {
  try {
    const job = await api.job(write.jobId);
    show(queries, job);
    return job;
  } catch {
    void queries.invalidateQueries({ queryKey: ["job", write.jobId] });
    return undefined;
  } finally {
    await shown(write);
  }
}

async function sendNow(queries: QueryClient, write: Waiting): Promise<Job | undefined> {
  underWay++;
  try {
    await send(write, queries.getQueryData<Job>(["job", write.jobId])?.sequence);
  } catch (e) {
    if (e instanceof Refusal && (await find(write.entryId))?.refused === undefined) return undefined;
    throw e;
  } finally {
    underWay--;
  }
  return showTaken(queries, write);
}

/** Keeps an entry on this device, signed by whoever is signed in. */
export function useKeepSigned() {
  const { id: personId } = useMe();
  return useCallback(
    async <W extends Waiting>(unsigned: W): Promise<W> => {
      const signature = await signed(personId, addressOf(unsigned), said(unsigned));
      const write: W = { ...unsigned, personId, ...(signature === undefined ? {} : { signature }) };
      await keep(write);
      return write;
    },
    [personId],
  );
}

/**
 * Writes to a job's log: kept on this device first, then sent; what cannot be sent now is sent later by itself and gives undefined. What is refused
 * stays on the device, is thrown too, and may be sent again mended under the same id.
 */
export function useWrite(jobId: string) {
  const keepSigned = useKeepSigned();
  const queries = useQueryClient();
  return useCallback(
    async <K extends Kind>(kind: K, body: Said<K>, entryId: string = crypto.randomUUID()): Promise<Job | undefined> => {
      const vehicle = queries.getQueryData<Job>(["job", jobId])?.vehicle;
      const madeAt = (await find(entryId))?.madeAt ?? Date.now();
      const write = await keepSigned({ entryId, jobId, kind, body, vehicle, madeAt } as Waiting & WaitingOf<K>);
      return sendNow(queries, write);
    },
    [jobId, keepSigned, queries],
  );
}

/** Sends a kept write at once, whether it was held or refused before. */
export function useSendNow() {
  const queries = useQueryClient();
  return useCallback(
    async (entryId: string): Promise<Job | undefined> => {
      const write = await release(entryId);
      return write && sendNow(queries, write);
    },
    [queries],
  );
}

/** Sends what is due, at start, when its time has come, when the connection comes back, and every few seconds; in one tab at a time. */
export function useSender() {
  const queries = useQueryClient();
  useEffect(() => {
    let busy = false;
    let last = 0;
    const sendAll = async () => {
      if (busy) return;
      busy = true;
      last = Date.now();
      const work = () =>
        sendDue(async (write) => {
          await showTaken(queries, write);
        });
      try {
        await (navigator.locks
          ? navigator.locks.request("overturn-outbox", { ifAvailable: true }, (lock) => (lock ? work() : undefined))
          : work());
      } finally {
        busy = false;
      }
    };
    const look = async () => {
      const now = Date.now();
      const kept = await waiting();
      const heldOver = kept.some((write) => write.holdUntil !== undefined && write.holdUntil <= now);
      if (heldOver || (kept.length > 0 && now - last >= AGAIN_MS)) await sendAll();
    };
    void sendAll();
    const timer = window.setInterval(() => void look(), LOOK_EVERY_MS);
    const onOnline = () => void sendAll();
    window.addEventListener("online", onOnline);
    return () => {
      window.clearInterval(timer);
      window.removeEventListener("online", onOnline);
    };
  }, [queries]);
}
