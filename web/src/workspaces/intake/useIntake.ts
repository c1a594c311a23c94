import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { api, Refusal } from "../../domain/api";
import { dropDraft, find, readDraft, saveDraft } from "../../domain/outbox";
import { useSettings } from "../../domain/settings";
import { useWrite } from "../../domain/useOutbox";
import { say } from "../../domain/words";
import { useGo } from "../../ui/useGo";
import { useExercise } from "../practice/usePractice";
import { draftOf, emptyDraft, request, unfilled, type IntakeDraft, type IntakeField } from "./state";

const DRAFT = "intake";

/** Behaviour of the intake: a draft that is kept, a comeback, an entry to be mended, or an exercise. */
export function useIntake() {
  const [draft, setDraft] = useState<IntakeDraft>(() => emptyDraft(() => crypto.randomUUID()));
  const [missing, setMissing] = useState<IntakeField[]>([]);
  const [refused, setRefused] = useState("");
  const [busy, setBusy] = useState(false);
  const changed = useRef(false);
  const go = useGo();
  const [asked] = useSearchParams();
  const mended = asked.get("mend");
  const back = asked.get("back") ?? undefined;
  const exerciseId = asked.get("exercise") ?? undefined;
  const exercise = useExercise(exerciseId ?? "").data;
  const { layout: named, word } = useSettings();
  useEffect(() => {
    if (!exercise) return;
    const { line, felt, variant, sometimes } = exercise;
    const told = word(`driver.${felt}.${variant}`);
    setDraft((now) => ({
      ...now,
      jobId: line.id,
      vehicle: say("practiceNamed", { layout: named(line.layoutId).name }),
      layoutId: line.layoutId,
      complaint: sometimes ? `${told} ${say("practiceSometimes")}` : told,
    }));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when it is there
  }, [exercise]);
  const write = useWrite(draft.jobId);
  useEffect(() => {
    if (back !== undefined)
      void api
        .job(back)
        .then(({ vehicle, vehicleId, layoutId, about, accepted }) => {
          const work = accepted?.asWork ?? [];
          setDraft((now) => ({ ...now, vehicle, vehicleId, layoutId, about, work, recentWork: work.length > 0 }));
        })
        .catch(() => undefined);
  }, [back]);
  useEffect(() => {
    if (back !== undefined || exerciseId !== undefined) return;
    void (async () => {
      const refusedWrite = mended === null ? undefined : await find(mended);
      const kept = refusedWrite ? draftOf(refusedWrite) : await readDraft<IntakeDraft>(DRAFT);
      if (kept) setDraft((now) => ({ ...now, ...kept }));
    })();
  }, [mended, back, exerciseId]);
  const change = (part: Partial<IntakeDraft>) => {
    changed.current = true;
    setDraft((now) => ({ ...now, ...part }));
    setMissing((fields) => fields.filter((field) => !(field in part)));
  };
  useEffect(() => {
    if (changed.current && exerciseId === undefined) void saveDraft(DRAFT, draft);
  }, [draft, exerciseId]);
  const open = async () => {
    const empty = unfilled(draft);
    setMissing(empty);
    if (empty.length > 0) {
      document.getElementById(`intake-${empty[0]}`)?.scrollIntoView({ block: "center" });
      return;
    }
    setBusy(true);
    try {
      const { entryId, jobId: _job, ...body } = request(draft);
      await write("jobs", back === undefined ? body : { ...body, comesBackFrom: back }, entryId);
      if (exerciseId === undefined) await dropDraft(DRAFT);
      go(`/jobs/${draft.jobId}`);
    } catch (e) {
      setRefused(e instanceof Refusal ? e.message : String(e));
      setBusy(false);
    }
  };
  return { draft, change, missing, refused, busy, open, back, exercise };
}
