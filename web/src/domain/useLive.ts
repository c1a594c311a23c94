import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { heard, type StrokeCall } from "./calls";
import type { Job } from "./types";

const CHANNEL = "overturn-live";
const CALLS = "overturn-calls";

/** What the server tells: a log has grown, or some may have been missed. */
export type Notice = { jobId: string; sequence: number } | "missed";

/** The notice in an event of the stream; undefined for one that tells nothing known. */
export function noticeOf(name: string, data: string): Notice | undefined {
  if (name === "missed") return "missed";
  const { jobId, sequence } = JSON.parse(data) as Partial<{ jobId: string; sequence: number }>;
  return jobId !== undefined && sequence !== undefined ? { jobId, sequence } : undefined;
}

/**
 * Reads again what others have entered, as soon as the server tells of it. One tab of a browser listens and tells the others, since a browser opens
 * few connections to one server.
 */
export function useLive() {
  const queries = useQueryClient();
  useEffect(() => {
    const ended = new AbortController();
    const heed = (notice: Notice) => {
      if (notice === "missed") void queries.invalidateQueries({ queryKey: ["job"] });
      else if ((queries.getQueryData<Job>(["job", notice.jobId])?.sequence ?? Infinity) < notice.sequence) {
        void queries.invalidateQueries({ queryKey: ["job", notice.jobId] });
      }
      void queries.invalidateQueries({ queryKey: ["jobs"] });
    };
    const others = typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel(CHANNEL);
    others?.addEventListener("message", (message: MessageEvent<Notice>) => heed(message.data));
    const calls = typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel(CALLS);
    calls?.addEventListener("message", (message: MessageEvent<StrokeCall>) => heard(message.data));
    const listen = () =>
      new Promise<void>((done) => {
        const source = new EventSource("/api/events");
        for (const name of ["grown", "missed"]) {
          source.addEventListener(name, (event: MessageEvent<string>) => {
            const notice = noticeOf(name, event.data);
            if (!notice) return;
            heed(notice);
            others?.postMessage(notice);
          });
        }
        source.addEventListener("called", (event: MessageEvent<string>) => {
          const call = JSON.parse(event.data) as StrokeCall;
          heard(call);
          calls?.postMessage(call);
        });
        ended.signal.addEventListener("abort", () => {
          source.close();
          done();
        });
      });
    if (navigator.locks) void navigator.locks.request(CHANNEL, { signal: ended.signal }, listen).catch(() => undefined);
    else void listen();
    return () => {
      ended.abort();
      others?.close();
      calls?.close();
    };
  }, [queries]);
}
