import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { api, Refusal, type Finding } from "../../domain/api";
import { find, readDraft, saveDraft, takeBack, type Waiting } from "../../domain/outbox";
import { useJob } from "../../domain/useJob";
import { useSettings } from "../../domain/settings";
import type { Assessment, Figure, Test } from "../../domain/types";
import { useKeepSigned, useKept, useSendNow, useWrite } from "../../domain/useOutbox";
import {
  asPlanned,
  draftOf,
  emptyRun,
  figureRequests,
  pages,
  phaseOf,
  spentMinutes,
  traceIdOf,
  type KeptTrace,
  type RunnerDraft,
} from "./state";

const UNDO_SECONDS = 10;

const asFindings = (e: unknown): Finding[] =>
  e instanceof Refusal && e.findings.length > 0
    ? e.findings
    : [{ field: "", given: "", allowed: (e as Error).message }];

/** The seconds go by while something is held. */
function useNow(ticking: boolean): number {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    if (!ticking) return;
    setNow(Date.now());
    const timer = window.setInterval(() => setNow(Date.now()), 250);
    return () => window.clearInterval(timer);
  }, [ticking]);
  return now;
}

/** The draft of a test, kept at every change under the id of the entry it becomes; or a kept reading that is to be mended. */
function useDraft(key: string, test: Test | undefined) {
  const [mend] = useSearchParams();
  const mended = mend.get("mend");
  const [draft, setDraft] = useState<RunnerDraft>();
  const lastPage = test && pages(test) - 1;
  useEffect(() => {
    if (lastPage === undefined) return;
    void (async () => {
      const write = mended === null ? undefined : await find(mended);
      const found = write?.kind === "readings" ? draftOf(write, lastPage) : await readDraft<RunnerDraft>(key);
      const begun = found ?? emptyRun("");
      const own = { ...begun, entryId: begun.entryId || crypto.randomUUID(), begunAt: begun.begunAt ?? Date.now() };
      await saveDraft(key, own);
      setDraft(own);
    })();
  }, [key, mended, lastPage]);
  const change = (part: Partial<RunnerDraft>) => {
    if (!draft) return;
    const next = { ...draft, ...part };
    setDraft(next);
    void saveDraft(key, next);
  };
  return { draft, change };
}

/**
 * Behaviour of a test being done. The reading is an entry from the first tap on: kept on the device, held ten seconds for an undo, and sent by whichever
 * page is open then.
 */
export function useRunner(jobId: string, procedureId: string) {
  const settings = useSettings();
  const job = useJob(jobId);
  const test = useQuery({
    queryKey: ["test", jobId, "run", procedureId],
    queryFn: () => api.test(jobId, procedureId),
    staleTime: 0,
  });
  const key = `run-${jobId}-${procedureId}`;
  const { draft: begun, change } = useDraft(key, test.data);
  const draft = asPlanned(begun ?? emptyRun(""), procedureId, job.data?.assessment.next);
  const kept = useKept();
  const write = kept.find((w) => w.entryId === draft.entryId);
  const now = useNow(write?.holdUntil !== undefined);
  const before = useRef<Assessment>(undefined);
  const [entered, setEntered] = useState(false);
  const [refused, setRefused] = useState<Finding[]>([]);
  const setAsideId = useRef(crypto.randomUUID());
  const keepSigned = useKeepSigned();
  const sendWrite = useWrite(jobId);
  const sendNow = useSendNow();
  const unitFor = (f: Figure) => settings.unit(f.dimension);

  const wasKept = useRef(false);
  const { refetch } = job;
  useEffect(() => {
    if (wasKept.current && !write) void refetch();
    wasKept.current = write !== undefined;
  }, [write, refetch]);
  const inLog = job.data?.entries.some((e) => e.id === draft.entryId) ?? false;
  useEffect(() => {
    if (inLog) setEntered(true);
  }, [inLog]);

  const restKey = test.data && `rest-${jobId}-${test.data.rigKind}`;
  const noRest = begun !== undefined && begun.restText === undefined;
  useEffect(() => {
    if (restKey === undefined || !noRest) return;
    void readDraft<string>(restKey).then((text) => text !== undefined && text !== "" && change({ restText: text }));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the draft is there
  }, [restKey, noRest]);
  /** What the tape shows at rest is said once for a rig, whatever test it serves. */
  const rest = (text: string) => {
    change({ restText: text });
    if (restKey !== undefined) void saveDraft(restKey, text);
  };

  const type = (figure: Figure, text: string) =>
    change({
      texts: { ...draft.texts, [figure.id]: text },
      units: { ...draft.units, [figure.id]: draft.units[figure.id] ?? unitFor(figure).symbol },
    });

  const keep = async () => {
    if (!job.data || !test.data || !begun) return;
    before.current = job.data.assessment;
    setRefused([]);
    const now = Date.now();
    const body = bodyOf(test.data, draft, unitFor, now);
    await keepSigned({
      entryId: draft.entryId,
      jobId,
      kind: "readings",
      body,
      vehicle: job.data.vehicle,
      madeAt: write?.madeAt ?? now,
      holdUntil: now + UNDO_SECONDS * 1000,
      draftKey: key,
    } satisfies Waiting);
    if (draft.trace) await keepTrace(draft.trace);
  };
  /** What the figures were taken from goes along, once for a reading. */
  const keepTrace = async (trace: KeptTrace) => {
    if (!job.data) return;
    const now = Date.now();
    await keepSigned({
      entryId: traceIdOf(draft.entryId),
      jobId,
      kind: "traces",
      body: { readingId: draft.entryId, ...trace },
      vehicle: job.data.vehicle,
      madeAt: now,
      holdUntil: now + (UNDO_SECONDS + 2) * 1000,
    } satisfies Waiting);
  };
  const enterNow = async () => {
    try {
      await sendNow(draft.entryId);
      if (draft.trace) await sendNow(traceIdOf(draft.entryId));
    } catch (e) {
      setRefused(asFindings(e));
    }
  };
  const setAside = async (why: string): Promise<boolean> => {
    try {
      await sendWrite("set-aside", { procedureId, why }, setAsideId.current);
      return true;
    } catch (e) {
      setRefused(asFindings(e));
      return false;
    }
  };

  return {
    job,
    test,
    draft,
    change,
    type,
    rest,
    keep,
    enterNow,
    setAside,
    unitFor,
    ready: begun !== undefined,
    phase: phaseOf(write, entered, now),
    before: before.current,
    refused: write?.refused
      ? write.refused.findings.length > 0
        ? write.refused.findings
        : [{ field: "", given: "", allowed: write.refused.message }]
      : refused,
    undo: () => void takeBack(draft.entryId).then(() => draft.trace && takeBack(traceIdOf(draft.entryId))),
  };
}

function bodyOf(
  test: Test,
  draft: RunnerDraft,
  unitFor: (f: Figure) => ReturnType<ReturnType<typeof useSettings>["unit"]>,
  now: number,
) {
  return {
    procedureId: test.id,
    figures: figureRequests(test, draft, unitFor),
    observed: draft.observed,
    ...(draft.codes ? { codes: draft.codes } : {}),
    rigCheck: draft.rigCheck,
    anotherRig: draft.newRig ?? false,
    spentMinutes: spentMinutes(draft, now),
  };
}
