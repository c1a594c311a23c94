import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, Refusal, type Finding } from "../../domain/api";
import { dropDraft, readDraft, saveDraft } from "../../domain/outbox";
import { useSettings } from "../../domain/settings";
import type { Assessment, Figure, Test } from "../../domain/types";
import { useWrite } from "../../domain/useOutbox";
import { asPlanned, emptyRun, figureRequests, type RunnerDraft } from "./state";

const UNDO_SECONDS = 10;

export type Phase = { kind: "doing" } | { kind: "kept"; secondsLeft: number } | { kind: "entered"; before: Assessment };

/** Behaviour of a test being done: the draft is kept at every change, entering waits ten seconds for an undo. */
export function useRunner(jobId: string, procedureId: string) {
  const settings = useSettings();
  const job = useQuery({ queryKey: ["job", jobId], queryFn: () => api.job(jobId) });
  const test = useQuery({ queryKey: ["test", jobId, "run", procedureId], queryFn: () => api.test(jobId, procedureId), staleTime: 0 });
  const [kept, setKept] = useState<RunnerDraft>(emptyRun);
  const draft = asPlanned(kept, procedureId, job.data?.assessment.next);
  const [phase, setPhase] = useState<Phase>({ kind: "doing" });
  const [refused, setRefused] = useState<Finding[]>([]);
  const key = `run-${jobId}-${procedureId}`;
  const write = useWrite(jobId, settings.personId);
  const unitFor = (f: Figure) => settings.unit(f.dimension);

  useEffect(() => {
    void readDraft<RunnerDraft>(key).then((saved) => saved && setKept(saved));
  }, [key]);

  const change = (part: Partial<RunnerDraft>) => {
    const next = { ...kept, ...part };
    setKept(next);
    void saveDraft(key, next);
  };
  const type = (figure: Figure, text: string) =>
    change({ texts: { ...draft.texts, [figure.id]: text }, units: { ...draft.units, [figure.id]: draft.units[figure.id] ?? unitFor(figure).symbol } });

  const enterNow = async () => {
    if (!job.data || !test.data) return;
    const before = job.data.assessment;
    try {
      await write("readings", body(test.data, draft, unitFor));
      await dropDraft(key);
      setRefused([]);
      setPhase({ kind: "entered", before });
    } catch (e) {
      setRefused(e instanceof Refusal && e.findings.length > 0 ? e.findings : [{ field: "", given: "", allowed: (e as Error).message }]);
      setPhase({ kind: "doing" });
    }
  };

  const setAside = async (why: string): Promise<boolean> => {
    try {
      await write("set-aside", { procedureId, why });
      return true;
    } catch (e) {
      setRefused([{ field: "", given: "", allowed: (e as Error).message }]);
      return false;
    }
  };

  useEffect(() => {
    if (phase.kind !== "kept") return;
    const timer = window.setTimeout(() => {
      if (phase.secondsLeft <= 1) void enterNow();
      else setPhase({ kind: "kept", secondsLeft: phase.secondsLeft - 1 });
    }, 1000);
    return () => window.clearTimeout(timer);
  });

  return {
    job, test, draft, phase, refused, change, type, enterNow, setAside, unitFor,
    keep: () => setPhase({ kind: "kept", secondsLeft: UNDO_SECONDS }),
    undo: () => setPhase({ kind: "doing" }),
  };
}

function body(test: Test, draft: RunnerDraft, unitFor: (f: Figure) => ReturnType<ReturnType<typeof useSettings>["unit"]>) {
  return {
    procedureId: test.id,
    figures: figureRequests(test, draft, unitFor),
    observed: draft.observed,
    rigCheck: draft.rigCheck,
    anotherRig: draft.newRig ?? false,
  };
}
