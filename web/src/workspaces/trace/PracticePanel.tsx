import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, told } from "../../domain/api";
import { useMe } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { useSet } from "../practice/usePractice";

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

/** Every test of this circuit by its name; which is worth most is not told. */
function ChooseTest({ job, onStart, onClose }: { job: Job; onStart: (id: string) => void; onClose: () => void }) {
  const { layout, word } = useSettings();
  const [sought, setSought] = useState("");
  const tests = layout(job.layoutId)
    .tests.map((id) => ({ id, name: word(`test.${id}`), purpose: word(`test.${id}.purpose`) }))
    .filter(({ id }) => id !== "characterise" && id !== "also-felt")
    .filter(({ name, purpose }) => `${name} ${purpose}`.toLowerCase().includes(sought.toLowerCase()))
    .sort((a, b) => a.name.localeCompare(b.name));
  return (
    <Dialog open onClose={onClose} title={say("practiceChoose")}>
      <input
        type="search"
        aria-label={say("practiceSeek")}
        placeholder={say("practiceSeek")}
        value={sought}
        onChange={(e) => setSought(e.target.value)}
        className="mb-3 min-h-11 w-full border-2 border-ink bg-panel px-3"
      />
      <ul>
        {tests.map(({ id, name, purpose }) => (
          <li key={id} className="border-b border-rule">
            <button type="button" className="min-h-11 w-full p-2 text-left hover:bg-grid" onClick={() => onStart(id)}>
              <span className="block text-lg font-semibold">{name}</span>
              <span className="text-soft">{purpose}</span>
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
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
      <Fit job={job} />
      <Link to={`/practice/${job.id}`} className="grid min-h-11 place-items-center border-2 border-ink font-semibold">
        {say("practiceVehicle")}
      </Link>
      {job.practice.lessonId !== undefined && (
        <p className="text-sm">{word(`lesson.${job.practice.lessonId}.before`)}</p>
      )}
    </section>
  );
}

/** The remedies of this circuit, each once. */
function useRemedies(job: Job): string[] {
  const { layout } = useSettings();
  return [...new Set(layout(job.layoutId).suspects.map((s) => s.remedyId))];
}

function Sure({ job }: { job: Job }) {
  const { word } = useSettings();
  const remedies = useRemedies(job);
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

/** Something is fitted whatever is believed, at its price; then the vehicle tells whether that cured it. */
function Fit({ job }: { job: Job }) {
  const { word } = useSettings();
  const remedies = useRemedies(job);
  const [open, setOpen] = useState(false);
  const [refused, setRefused] = useState("");
  const felt = useQuery({ queryKey: ["felt", job.id], queryFn: () => api.feltNow(job.id), enabled: false });
  const fit = async (subject: string) => {
    try {
      await api.rigAct(job.id, { entryId: crypto.randomUUID(), act: "replace", subject });
      await felt.refetch();
      setRefused("");
      setOpen(false);
    } catch (e) {
      setRefused(told(e as Error));
    }
  };
  return (
    <div className="grid gap-2">
      <div className="flex gap-2">
        <Button className="flex-1" onClick={() => setOpen(true)}>
          {say("practiceFit")}
        </Button>
        <Button className="flex-1" onClick={() => void felt.refetch()}>
          {say("practiceFelt")}
        </Button>
      </div>
      {felt.data && (
        <p role="status">
          {say("practiceFeltNow")} <span className="font-semibold">{word(`option.driven.${felt.data.felt}`)}</span>
        </p>
      )}
      {open && (
        <Dialog open onClose={() => setOpen(false)} title={say("practiceFit")}>
          <p className="mb-3">{say("practiceFitWhy")}</p>
          {refused !== "" && <p role="alert">{refused}</p>}
          <ul>
            {["hand-back", ...remedies.filter((id) => id !== "hand-back"), "look-elsewhere"].map((id) => (
              <li key={id} className="border-b border-rule">
                <button
                  type="button"
                  className="min-h-11 w-full p-2 text-left hover:bg-grid"
                  onClick={() => void fit(id)}
                >
                  {word(`remedy.${id}`)}
                </button>
              </li>
            ))}
          </ul>
        </Dialog>
      )}
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
