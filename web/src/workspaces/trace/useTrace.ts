import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../domain/api";
import { suspicionHidden } from "../../domain/practice";
import { soon } from "../../domain/soon";
import { useJob } from "../../domain/useJob";
import type { Kind, Said } from "../../domain/outbox";
import { useWrite } from "../../domain/useOutbox";
import { placeOf } from "../walk/state";

export type Panel = "none" | "others" | "cannot" | "log" | "accept" | "takeOff" | "vehicle" | "part";

/** So many tests are on the device before they are asked for: what is proposed and what is likely to follow it. */
const FETCHED_AHEAD = 4;

/** Behaviour of the workspace: which moment is looked at, which sheet is open, keys. */
export function useTrace(jobId: string) {
  const job = useJob(jobId);
  const [drawnBack, setDrawnBack] = useState<number>();
  const [panel, setPanel] = useState<Panel>("none");
  const [partId, setPartId] = useState<string>();
  const [refused, setRefused] = useState("");
  const write = useWrite(jobId);
  const go = useNavigate();
  const moments = job.data?.assessment.river.length ?? 1;
  const moment = Math.min(drawnBack ?? moments - 1, moments - 1);
  const move = (to: number) => setDrawnBack(to >= moments - 1 ? undefined : Math.max(0, to));
  const next = job.data?.assessment.next;

  const queries = useQueryClient();
  const likely = [job.data?.assessment.next, ...(job.data?.assessment.others ?? [])]
    .slice(0, FETCHED_AHEAD)
    .map((one) => one?.procedureId)
    .filter((one) => one !== undefined)
    .join(" ");
  useEffect(() => {
    if (likely === "") return;
    return soon(() =>
      likely.split(" ").forEach((id) => {
        void queries.prefetchQuery({ queryKey: ["test", jobId, "run", id], queryFn: () => api.test(jobId, id) });
      }),
    );
  }, [queries, jobId, likely]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, textarea, select, [role=dialog]");
      if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
      const hidden = job.data !== undefined && suspicionHidden(job.data);
      if (hidden && (e.key === "n" || e.key === "o")) return;
      if (e.key === "n" && next && job.data) void go(placeOf(job.data, next.procedureId));
      else if (e.key === "o") setPanel("others");
      else if (e.key === "b") void go("/");
      else if (e.key === "ArrowLeft") move(moment - 1);
      else if (e.key === "ArrowRight") move(moment + 1);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  const ids = useRef(new Map<string, string>());
  const [busy, setBusy] = useState(false);
  /** One entry for one purpose, however often it is tapped and mended, until it is in the log. */
  const enter = async <K extends Kind>(kind: K, body: Said<K>, about = "") => {
    const purpose = `${kind} ${about}`;
    const id = ids.current.get(purpose) ?? crypto.randomUUID();
    ids.current.set(purpose, id);
    setBusy(true);
    try {
      await write(kind, body, id);
      ids.current.delete(purpose);
      setRefused("");
      setPanel("none");
    } catch (e) {
      setRefused((e as Error).message);
      void job.refetch();
    } finally {
      setBusy(false);
    }
  };
  const openPanel = (to: Panel) => {
    setRefused("");
    setPanel(to);
  };
  const openPart = (id: string) => {
    setPartId(id);
    openPanel("part");
  };
  const isNow = drawnBack === undefined;
  return { job, moment, isNow, move, panel, setPanel: openPanel, partId, openPart, enter, busy, refused };
}
