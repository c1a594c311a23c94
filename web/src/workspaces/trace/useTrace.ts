import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import { useWrite } from "../../domain/useOutbox";

export type Panel = "none" | "others" | "cannot" | "log" | "accept" | "takeOff";

/** Behaviour of the workspace: which moment is looked at, which sheet is open, keys. */
export function useTrace(jobId: string) {
  const { personId } = useSettings();
  const job = useQuery({ queryKey: ["job", jobId], queryFn: () => api.job(jobId) });
  const [drawnBack, setDrawnBack] = useState<number>();
  const [panel, setPanel] = useState<Panel>("none");
  const [refused, setRefused] = useState("");
  const write = useWrite(jobId, personId);
  const go = useNavigate();
  const moments = job.data?.assessment.river.length ?? 1;
  const moment = Math.min(drawnBack ?? moments - 1, moments - 1);
  const move = (to: number) => setDrawnBack(to >= moments - 1 ? undefined : Math.max(0, to));
  const next = job.data?.assessment.next;

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, textarea, select, [role=dialog]");
      if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === "n" && next) void go(`/jobs/${jobId}/tests/${next.procedureId}`);
      else if (e.key === "o") setPanel("others");
      else if (e.key === "b") void go("/");
      else if (e.key === "ArrowLeft") move(moment - 1);
      else if (e.key === "ArrowRight") move(moment + 1);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  const enter = async (kind: Parameters<typeof write>[0], body: Record<string, unknown>) => {
    try {
      await write(kind, body);
      setRefused("");
      setPanel("none");
    } catch (e) {
      setRefused((e as Error).message);
    }
  };
  return { job, moment, isNow: drawnBack === undefined, move, panel, setPanel, enter, refused };
}
