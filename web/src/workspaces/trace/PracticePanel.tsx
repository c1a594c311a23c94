import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, told } from "../../domain/api";
import { useMe } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { useSet } from "../practice/usePractice";
import { ChooseTest } from "./ChooseTest";
import { NameIt, remediesOf } from "./NameIt";

const HOW_SURE = [50, 70, 90, 95, 99];

/** What whoever practises decides: which test, or whether to ask. */
export function PracticeStrip({ job, onStart }: { job: Job; onStart: (procedureId: string) => void }) {
  const [choosing, setChoosing] = useState(false);
  return (
    <section
      aria-label={say("next")}
      className="flex flex-wrap items-center gap-x-6 gap-y-3 border-t-2 border-ink bg-panel px-4 py-3 max-lg:order-1 max-lg:border-t-0 max-lg:border-b-2"
    >
      <div className="min-w-0 flex-1 basis-72">
        <p className="caps">{say("next")}</p>
        <h2 className="text-[1.65rem] leading-tight font-semibold">{say("practiceWhatNext")}</h2>
        <p>{say("practiceWhatNextWhy")}</p>
      </div>
      <div className="flex flex-wrap gap-3">
        <Ask job={job} />
        <Button filled large onClick={() => setChoosing(true)}>
          {say("practiceChoose")}
        </Button>
      </div>
      {choosing && <ChooseTest job={job} onStart={onStart} onClose={() => setChoosing(false)} />}
    </section>
  );
}

/** Asking shows what the program would do and why, until the next entry. */
function Ask({ job }: { job: Job }) {
  const queries = useQueryClient();
  const me = useMe();
  const [refused, setRefused] = useState("");
  if (job.practice?.personId !== me.id) return null;
  const ask = async () => {
    try {
      await api.askRig(job.id);
      await queries.invalidateQueries({ queryKey: ["job", job.id] });
    } catch (e) {
      setRefused(told(e as Error));
    }
  };
  return (
    <>
      <Button large onClick={() => void ask()}>
        {say("practiceAsk")}
      </Button>
      {refused !== "" && <p role="alert">{refused}</p>}
    </>
  );
}

/** At the side of an exercise: how sure one is, what could be fitted, and whether it is cured. */
export function PracticePanel({ job }: { job: Job }) {
  const { word } = useSettings();
  const me = useMe();
  if (!job.practice || job.practice.ended || job.practice.personId !== me.id) return null;
  return (
    <section aria-label={say("practice")} className="grid gap-3 border-2 border-ink p-3">
      <Sure job={job} />
      <NameIt job={job} />
      <Link to={`/practice/${job.id}`} className="grid min-h-11 place-items-center border-2 border-ink font-semibold">
        {say("practiceVehicle")}
      </Link>
      {job.practice.lessonId !== undefined && (
        <p className="text-sm">{word(`lesson.${job.practice.lessonId}.before`)}</p>
      )}
    </section>
  );
}

function Sure({ job }: { job: Job }) {
  const { layout, word } = useSettings();
  const remedies = remediesOf(layout(job.layoutId));
  const [remedyId, setRemedyId] = useState("");
  const [said, setSaid] = useState<number>();
  const [refused, setRefused] = useState("");
  const sure = async (percent: number) => {
    try {
      await api.sure(job.id, remedyId, percent);
      setSaid(percent);
      setRefused("");
    } catch (e) {
      setRefused(told(e as Error));
    }
  };
  return (
    <div className="grid gap-2">
      <label className="grid gap-1">
        <span className="caps">{say("practiceSure")}</span>
        <select
          value={remedyId}
          onChange={(e) => {
            setRemedyId(e.target.value);
            setSaid(undefined);
          }}
          className="min-h-11 min-w-0 border-2 border-ink px-2"
        >
          <option value="">{say("practiceSureWhat")}</option>
          {remedies.map((id) => (
            <option key={id} value={id}>
              {word(`remedy.${id}`)}
            </option>
          ))}
        </select>
      </label>
      {remedyId !== "" && (
        <div className="flex flex-wrap gap-1" role="group" aria-label={say("practiceSure")}>
          {HOW_SURE.map((percent) => (
            <Button
              key={percent}
              className="figures flex-1 !px-1"
              aria-pressed={said === percent}
              onClick={() => void sure(percent)}
            >
              {percent} %
            </Button>
          ))}
        </div>
      )}
      {said !== undefined && <p role="status">{say("practiceSureKept", { percent: said })}</p>}
      {refused !== "" && <p role="alert">{refused}</p>}
    </div>
  );
}

/** A job that is over can be played again: the same fault on another vehicle of its circuit. */
export function PlayAgain({ job }: { job: Job }) {
  const set = useSet();
  if ((job.status.decided?.remedyIds ?? []).length === 0) return null;
  return (
    <div className="grid gap-1">
      <Button disabled={set.isPending} onClick={() => set.mutate({ fromJobId: job.id })}>
        {say("practiceAgain")}
      </Button>
      {set.isError && <p role="alert">{told(set.error)}</p>}
    </div>
  );
}
