import { useEffect, useState } from "react";
import { DEVICE } from "./device";

/** A stroke that another device calls. */
export interface StrokeCall {
  jobId: string;
  deviceId: string;
  call: "press" | "open" | "hold" | "close" | "release" | "end" | "stop";
  stroke: number;
  all: number;
}

/** A caller that is not heard of for this long has gone. */
const GONE_MS = 6_000;

const listeners = new Set<(call: StrokeCall) => void>();

/** Passes on what was called, wherever it was heard. */
export const heard = (call: StrokeCall) => listeners.forEach((listener) => listener(call));

/** What another device calls at this job just now; lost where it went silent in the middle of a stroke. */
export function useCall(jobId: string): { call?: StrokeCall; lost: boolean; seen: () => void } {
  const [call, setCall] = useState<StrokeCall>();
  const [lost, setLost] = useState(false);
  useEffect(() => {
    let timer = 0;
    const listen = (now: StrokeCall) => {
      if (now.jobId !== jobId || now.deviceId === DEVICE || now.call === "stop") return;
      window.clearTimeout(timer);
      setLost(false);
      setCall(now.call === "end" ? undefined : now);
      if (now.call !== "end") timer = window.setTimeout(() => setLost(true), GONE_MS);
    };
    listeners.add(listen);
    return () => {
      listeners.delete(listen);
      window.clearTimeout(timer);
    };
  }, [jobId]);
  const seen = () => {
    setLost(false);
    setCall(undefined);
  };
  return { ...(call ? { call } : {}), lost, seen };
}

/** Runs when another device of this job asks the caller to stop. */
export function useStopAsked(jobId: string, stop: () => void) {
  useEffect(() => {
    const listen = (now: StrokeCall) => {
      if (now.jobId === jobId && now.deviceId !== DEVICE && now.call === "stop") stop();
    };
    listeners.add(listen);
    return () => void listeners.delete(listen);
  });
}
