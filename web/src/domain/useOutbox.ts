import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { Refusal, type WriteKind } from "./api";
import { keep, send, waiting, type Waiting } from "./outbox";
import type { Job } from "./types";

export type Connection = "saved" | "sending" | "waiting";

const AGAIN_MS = 4000;
const listeners = new Set<(state: Connection) => void>();
let current: Connection = "saved";

function tell(state: Connection) {
  current = state;
  listeners.forEach((listener) => listener(state));
}

/** Whether everything entered on this device has reached the server. */
export function useConnection(): Connection {
  const [state, setState] = useState(current);
  useEffect(() => {
    listeners.add(setState);
    setState(current);
    return () => void listeners.delete(setState);
  }, []);
  return state;
}

/** Writes to a job's log: kept on this device first, then sent; what cannot be sent now is sent later by itself. */
export function useWrite(jobId: string, personId: string) {
  const queries = useQueryClient();
  return useCallback(
    async (kind: WriteKind, body: Record<string, unknown>, entryId: string = crypto.randomUUID()): Promise<Job | undefined> => {
      const write: Waiting = { entryId, jobId, kind, body: { ...body, personId }, madeAt: Date.now() };
      await keep(write);
      tell("sending");
      try {
        const job = await send(write, queries.getQueryData<Job>(["job", jobId])?.sequence);
        queries.setQueryData(["job", jobId], job);
        void queries.invalidateQueries({ queryKey: ["jobs"] });
        tell("saved");
        return job;
      } catch (e) {
        if (e instanceof Refusal && e.passing) {
          tell("waiting");
          return undefined;
        }
        tell("saved");
        throw e;
      }
    },
    [jobId, personId, queries],
  );
}

/** Sends what is still waiting, at start, when the connection comes back, and every few seconds. */
export function useSender() {
  const queries = useQueryClient();
  useEffect(() => {
    let busy = false;
    const sendAll = async () => {
      if (busy || current === "sending") return;
      busy = true;
      try {
        for (const write of await waiting()) {
          tell("waiting");
          queries.setQueryData(["job", write.jobId], await send(write));
        }
        if (current === "waiting") tell("saved");
      } catch {
        tell((await waiting()).length > 0 ? "waiting" : "saved");
      } finally {
        busy = false;
      }
    };
    void sendAll();
    const timer = window.setInterval(() => void sendAll(), AGAIN_MS);
    const onOnline = () => void sendAll();
    window.addEventListener("online", onOnline);
    return () => {
      window.clearInterval(timer);
      window.removeEventListener("online", onOnline);
    };
  }, [queries]);
}
