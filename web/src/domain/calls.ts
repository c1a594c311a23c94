import { useEffect, useState } from "react";
import { DEVICE } from "./device";

/** A stroke that another device calls. */
export interface StrokeCall {
  jobId: string;
  deviceId: string;
  call: "press" | "open" | "hold" | "close" | "release" | "end";
  stroke: number;
  all: number;
}

/** A caller that is not heard of for this long has gone. */
const GONE_MS = 6_000;

const listeners = new Set<(call: StrokeCall) => void>();

/** Passes on what was called, wherever it was heard. */
export const heard = (call: StrokeCall) => listeners.forEach((listener) => listener(call));

/** What another device calls at this job just now. */
export function useCall(jobId: string): StrokeCall | undefined {
  const [call, setCall] = useState<StrokeCall>();
  useEffect(() => {
    let timer = 0;
    const listen = (now: StrokeCall) => {
      if (now.jobId !== jobId || now.deviceId === DEVICE) return;
      window.clearTimeout(timer);
      setCall(now.call === "end" ? undefined : now);
      timer = window.setTimeout(() => setCall(undefined), GONE_MS);
    };
    listeners.add(listen);
    return () => {
      listeners.delete(listen);
      window.clearTimeout(timer);
    };
  }, [jobId]);
  return call;
}
