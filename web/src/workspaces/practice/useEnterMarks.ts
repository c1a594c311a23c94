import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../../domain/api";
import { readDraft, saveDraft } from "../../domain/outbox";
import type { RigMoment, Test } from "../../domain/types";
import { emptyRun, marksOf, pages, type RunnerDraft } from "../runner/state";
import { marks, traceOf, zeroOf, type Shows } from "./state";

/** The test for which the live vehicle is worked by hand, and the way back to it with what an instrument showed. */
export function useEnterMarks(jobId: string, procedureId: string | null) {
  const go = useNavigate();
  const test = useQuery({
    queryKey: ["test", jobId, "run", procedureId],
    queryFn: () => api.test(jobId, procedureId ?? ""),
    enabled: procedureId !== null,
  }).data;
  const enter = async (past: RigMoment[], shows: Shows, instrument: string) => {
    if (!test) return;
    const key = `run-${jobId}-${test.id}`;
    const draft = (await readDraft<RunnerDraft>(key)) ?? emptyRun(crypto.randomUUID());
    await saveDraft(key, { ...draft, ...taken(test, past, shows, instrument) });
    void go(`/jobs/${jobId}/tests/${test.id}`);
  };
  return { test, enter };
}

/** The figures of a test as an instrument showed them, from its zero, with its trace; the test at its last page. */
export function taken(test: Test, past: RigMoment[], shows: Shows, instrument: string): Partial<RunnerDraft> {
  const ids = marksOf(test);
  const zero = zeroOf(past, shows);
  const come = marks(past, shows).filter(({ second }) => ids.has(second));
  const unit = test.figures[0]?.dimension === "PRESSURE" ? "bar" : "mm";
  const figures = come.map(({ second, value }) => [
    ids.get(second) ?? "",
    String(Math.round((value - zero) * 10) / 10),
  ]);
  return {
    step: pages(test) - 1,
    restText: "",
    texts: Object.fromEntries(figures) as Record<string, string>,
    units: Object.fromEntries(figures.map(([id]) => [id, unit])) as Record<string, string>,
    trace: { instrument, unit, ...traceOf(past, shows) },
  };
}
