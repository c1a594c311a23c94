import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, liveRig, told } from "../../domain/api";
import type { Exercise, Rig, RigAct, RigMoment } from "../../domain/types";

/** A foot is told to the vehicle so often at most, ms. */
const FOOT_EVERY_MS = 100;
/** What is kept of the past, in moments: a minute held, and a little before. */
const KEPT = 1_700;

/** What the vehicle shows just now, and what it showed before. */
export interface Live {
  now?: RigMoment;
  past: RigMoment[];
  /** Whether moments come. */
  moving: boolean;
}

/** The live vehicle of an exercise: what it shows, as long as the page is there. */
export function useLiveRig(id: string): Live {
  const [live, setLive] = useState<Live>({ past: [], moving: false });
  useEffect(() => {
    const stream = new EventSource(liveRig(id));
    const past: RigMoment[] = [];
    stream.addEventListener("moment", (event) => {
      const now = JSON.parse((event as MessageEvent<string>).data) as RigMoment;
      if (now.tick !== past[past.length - 1]?.tick) past.push(now);
      if (past.length > KEPT) past.shift();
      setLive({ now, past, moving: true });
    });
    stream.onerror = () => setLive((before) => ({ ...before, moving: false }));
    return () => stream.close();
  }, [id]);
  return live;
}

/** Hands on the vehicle: acts go one after the other, and of a foot only where it stands by then. */
export function useHands(id: string) {
  const queries = useQueryClient();
  const [refused, setRefused] = useState("");
  const queue = useRef<Promise<void>>(Promise.resolve());
  const foot = useRef<{ wanted: number; sent: number; busy: boolean }>({ wanted: 0, sent: 0, busy: false });
  const keep = useCallback(
    (rig: Rig) =>
      queries.setQueryData<Exercise>(["exercise", id], (exercise) => (exercise ? { ...exercise, rig } : exercise)),
    [queries, id],
  );
  const act = useCallback(
    (one: RigAct) => {
      queue.current = queue.current.then(async () => {
        try {
          keep(await api.rigAct(id, { entryId: crypto.randomUUID(), ...one }));
          setRefused("");
        } catch (e) {
          setRefused(told(e as Error));
        }
      });
      return queue.current;
    },
    [id, keep],
  );
  const press = useCallback(
    (forceN: number) => {
      const own = foot.current;
      own.wanted = Math.round(forceN);
      if (own.busy) return;
      own.busy = true;
      void (async () => {
        while (own.wanted !== own.sent) {
          own.sent = own.wanted;
          await act({ act: "foot", figure: own.sent });
          await new Promise((done) => window.setTimeout(done, FOOT_EVERY_MS));
        }
        own.busy = false;
      })();
    },
    [act],
  );
  return { act, press, refused };
}
