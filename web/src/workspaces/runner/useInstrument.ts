import { useEffect, useRef, useState } from "react";
import { api, instrumentStream, told } from "../../domain/api";
import type { TraceTable } from "../../domain/types";
import { say } from "../../domain/words";
import { linesOf, tableOf, type ShownLine } from "./lines";

const LOOK_EVERY_MS = 2_000;
/** What is kept of a stream, s: a hold and what comes before it. */
const KEPT_SECONDS = 120;

/** Listens to an instrument: the latest lines, and the hold in them once there is one. */
export function useInstrument(id: string | undefined) {
  const [lines, setLines] = useState<ShownLine[]>([]);
  const [held, setHeld] = useState<TraceTable["trace"]>();
  const [failed, setFailed] = useState("");
  const latest = useRef<ShownLine[]>([]);
  useEffect(() => {
    if (id === undefined) return;
    const ended = new AbortController();
    latest.current = [];
    setLines([]);
    setHeld(undefined);
    setFailed("");
    const listen = async () => {
      const answer = await fetch(instrumentStream(id), { signal: ended.signal });
      if (!answer.ok || !answer.body) throw new Error(say("instrumentAway"));
      for await (const line of linesOf(answer.body)) {
        const kept = latest.current.filter((one) => one.seconds > line.seconds - KEPT_SECONDS);
        latest.current = [...kept, line];
      }
      throw new Error(say("instrumentAway"));
    };
    listen().catch((e: unknown) => {
      if (!ended.signal.aborted) setFailed(e instanceof TypeError ? say("instrumentAway") : told(e as Error));
    });
    const drawing = setInterval(() => setLines(latest.current), 200);
    const looking = setInterval(() => {
      const table = tableOf(latest.current);
      if (table === undefined) return;
      void api
        .readTrace(table, "seconds", "value")
        .then((read) => setHeld(read.trace))
        .catch(() => undefined);
    }, LOOK_EVERY_MS);
    return () => {
      ended.abort();
      clearInterval(drawing);
      clearInterval(looking);
    };
  }, [id]);
  return { lines, held, failed };
}
