import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { JobSummary } from "../../domain/types";
import { minutes, percent } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { NOTHING_WRONG } from "../../domain/types";
import { ShareBar } from "../../ui/Hatch";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";

/** The open jobs and what each waits for. */
export function BayView() {
  const jobs = useQuery({ queryKey: ["jobs"], queryFn: api.jobs });
  const go = useNavigate();
  if (jobs.isPending) return <Loading />;
  if (jobs.isError) return <Failed error={jobs.error} again={() => void jobs.refetch()} />;
  return (
    <>
      <TopStrip title={say("bayTitle")} />
      <main className="sheet-grid min-h-[calc(100dvh-3rem)] p-4 md:p-8">
        <div className="mx-auto max-w-6xl">
          <div className="mb-5 flex flex-wrap items-end justify-between gap-2">
            <p className="figures text-lg text-soft">{say("bayOpen", { count: jobs.data.length })}</p>
            <span className="ml-auto flex flex-wrap gap-2">
              <Button large onClick={() => void go("/bench")}>{say("bench")}</Button>
              <Button large onClick={() => void go("/layouts")}>{say("layouts")}</Button>
              <Button large onClick={() => void go("/workshop")}>{say("workshop")}</Button>
            </span>
            <Button filled large onClick={() => void go("/intake")}>
              {say("openJob")}
            </Button>
          </div>
          {jobs.data.length === 0 ? (
            <p className="border-2 border-dashed border-rule bg-panel p-10 text-center text-lg">{say("bayEmpty")}</p>
          ) : (
            <ul className="border-t-2 border-ink">
              {jobs.data.map((job) => (
                <JobLine key={job.id} job={job} />
              ))}
            </ul>
          )}
        </div>
      </main>
    </>
  );
}

function waitsFor(job: JobSummary, word: (id: string) => string): string {
  if (job.accepted) return say("waitsRepair");
  if (job.grade === "PROVEN") return say("waitsDecision");
  if (job.nextProcedureId === undefined) return say("waitsNothing");
  return say("waitsTest", { test: word(`test.${job.nextProcedureId}`), minutes: minutes(job.nextMinutes ?? 0) });
}

function JobLine({ job }: { job: JobSummary }) {
  const { word, person, layout } = useSettings();
  const sameAsHunch = job.leadSuspectId === job.hunchId;
  return (
    <li className="border-b-2 border-ink bg-panel">
      <Link to={`/jobs/${job.id}`} className="grid gap-x-8 gap-y-3 p-4 hover:bg-ground md:grid-cols-[1.1fr_1fr_1fr]">
        <div>
          <h2 className="text-2xl font-semibold">{job.vehicle}</h2>
          <p className="mt-1">“{job.complaint}”</p>
          <p className="mt-1 text-sm text-soft">
            {layout(job.layoutId).name} · {say("openedBy", { name: person(job.openedById) })} · {say("readings", { count: job.readings })}
          </p>
        </div>
        <div>
          <p className="caps">{say("lead")}</p>
          <p className="flex justify-between gap-3 text-lg font-semibold">
            <span className="label">{word(`suspect.${job.leadSuspectId}`)}</span>
            <span className="figures whitespace-nowrap">{percent(job.leadProbability)}</span>
          </p>
          <ShareBar id={`bay-${job.id}`} share={job.leadProbability} sound={job.leadSuspectId === NOTHING_WRONG} />
          <p className="mt-2 text-sm text-soft">
            {say("hunch")}: {word(`suspect.${job.hunchId}`)} · {say(sameAsHunch ? "hunchHolds" : "hunchElse")}
          </p>
        </div>
        <div className="md:border-l md:border-grid md:pl-6">
          <p className="label text-lg font-semibold">{say(`grade${job.grade}`)}</p>
          <p className="mt-1">{waitsFor(job, word)}</p>
          {job.stillFitted > 0 && <p className="mt-2 font-semibold text-hot-text">{say("stillFitted", { count: job.stillFitted })}</p>}
        </div>
      </Link>
    </li>
  );
}
