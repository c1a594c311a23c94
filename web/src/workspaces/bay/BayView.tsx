import clsx from "clsx";
import { Link, useNavigate } from "react-router";
import { useSettings } from "../../domain/settings";
import { nextText } from "../../domain/status";
import { capital } from "../trace/state";
import type { JobList, JobSummary } from "../../domain/types";
import { minutes, percent } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { NOTHING_WRONG } from "../../domain/types";
import { ShareBar } from "../../ui/Hatch";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";
import { BackupLine } from "./BackupLine";
import { dueOn } from "./state";
import { TakeIn } from "./TakeIn";
import { useBay } from "./useBay";

/** The jobs and what each waits for. */
export function BayView() {
  const bay = useBay();
  const { jobs } = bay;
  const go = useNavigate();
  if (jobs.isPending) return <Loading />;
  if (jobs.isError && !jobs.data) return <Failed error={jobs.error} again={() => void jobs.refetch()} />;
  const lines = jobs.data.pages.flatMap((page) => page.jobs);
  const [first] = jobs.data.pages;
  const untouched = bay.search === "" && bay.which === "open";
  return (
    <>
      <TopStrip title={say("bayTitle")} />
      <main className="sheet-grid min-h-[calc(100dvh-3rem)] p-4 md:p-8">
        <div className="mx-auto max-w-6xl">
          <BackupLine />
          <div className="mb-5 flex flex-wrap items-center gap-2">
            <p className="figures text-lg text-soft">{foundText(first, untouched)}</p>
            <nav
              aria-label={say("palettePages")}
              className="flex flex-wrap gap-2 max-xl:order-last max-xl:basis-full xl:ml-auto"
            >
              <Button large onClick={() => void go("/bench")}>
                {say("bench")}
              </Button>
              <Button large onClick={() => void go("/layouts")}>
                {say("layouts")}
              </Button>
              <Button large onClick={() => void go("/catalogue")}>
                {say("catalogue")}
              </Button>
              <Button large onClick={() => void go("/record")}>
                {say("record")}
              </Button>
              <Button large onClick={() => void go("/practice")}>
                {say("practice")}
              </Button>
              <Button large onClick={() => void go("/workshop")}>
                {say("workshop")}
              </Button>
              <TakeIn />
            </nav>
            <Button filled large className="max-xl:ml-auto max-sm:w-full" onClick={() => void go("/intake")}>
              {say("openJob")}
            </Button>
          </div>
          <div className="mb-4 flex flex-wrap items-center gap-2">
            <input
              type="search"
              aria-label={say("baySearch")}
              placeholder={say("baySearch")}
              value={bay.text}
              maxLength={100}
              onChange={(e) => bay.setText(e.target.value)}
              className="min-h-11 flex-1 basis-64 border-2 border-ink bg-panel px-3 text-lg placeholder:text-soft"
            />
            <Choice
              label={say("bayWhich")}
              value={bay.which}
              onChange={bay.setWhich}
              options={[
                { value: "open", text: say("bayOpenJobs") },
                { value: "released-conditionally", text: say("bayRechecks") },
                { value: "closed", text: say("bayClosedJobs") },
              ]}
            />
          </div>
          {lines.length === 0 ? (
            <p className="border-2 border-dashed border-rule bg-panel p-10 text-center text-lg">
              {say(untouched ? "bayEmpty" : "bayNone")}
            </p>
          ) : (
            <ul className="border-t-2 border-ink">
              {lines.map((job) => (
                <JobLine key={job.id} job={job} />
              ))}
            </ul>
          )}
          {jobs.hasNextPage && (
            <Button
              large
              className="mt-4 w-full"
              disabled={jobs.isFetchingNextPage}
              onClick={() => void jobs.fetchNextPage()}
            >
              {say(jobs.isFetchingNextPage ? "loading" : "bayMore")}
            </Button>
          )}
        </div>
      </main>
    </>
  );
}

function foundText(list: JobList | undefined, untouched: boolean): string {
  const count = list?.found ?? 0;
  if (list?.atLeast) return say("bayFoundMore", { count });
  return say(untouched ? "bayOpen" : "bayFound", { count });
}

/** Where a job stands and what is done next, as its own pages say it. */
function waitsFor(job: JobSummary, settings: ReturnType<typeof useSettings>): string {
  const { word } = settings;
  const stands = job.lead?.current ? job.lead.stands : undefined;
  if (job.stage !== "tracing")
    return stands && stands.next.kind !== "NOTHING"
      ? `${capital(word(`stage.${job.stage}`))}. ${say("next")}: ${nextText(stands.next, settings)}`
      : capital(word(`stage.${job.stage}`));
  if (!job.lead) return "";
  if (job.lead.grade === "PROVEN") return say("waitsDecision");
  if (job.lead.nextProcedureId === undefined) return word("next.DECIDE");
  return say("waitsTest", {
    test: word(`test.${job.lead.nextProcedureId}`),
    minutes: minutes(job.lead.nextMinutes ?? 0),
  });
}

/** When a vehicle is looked at again; what is late or due today stands out. */
function Recheck({ day }: { day: string }) {
  const due = dueOn(day, new Date());
  const told = new Date(`${day}T12:00`).toLocaleDateString(undefined, {
    weekday: "short",
    day: "numeric",
    month: "long",
  });
  return <p className={due === "recheckOn" ? "mt-1" : "mt-1 font-semibold text-hot-text"}>{say(due, { day: told })}</p>;
}

function JobLine({ job }: { job: JobSummary }) {
  const settings = useSettings();
  const { word, person, layout } = settings;
  const { lead } = job;
  const decided = lead?.stands?.decided ?? [];
  return (
    <li className="border-b-2 border-ink bg-panel">
      <Link
        to={`/jobs/${job.id}`}
        className="grid gap-x-8 gap-y-3 p-4 hover:bg-ground [&>div]:min-w-0 max-sm:gap-y-0.5 max-sm:px-3 max-sm:py-2 md:grid-cols-[1.1fr_1fr_1fr]"
      >
        <div>
          <h2 className="text-2xl font-semibold max-sm:line-clamp-1 max-sm:text-xl">{job.vehicle}</h2>
          <p className="mt-1 max-sm:mt-0 max-sm:line-clamp-1">“{job.complaint}”</p>
          <p className="mt-1 text-sm text-soft max-sm:hidden">
            {layout(job.layoutId).name} · {say("openedBy", { name: person(job.openedById) })} ·{" "}
            {say("readings", { count: job.readings })}
          </p>
        </div>
        <div>
          <p className="caps max-sm:hidden">{say(decided.length > 0 ? "decided" : "lead")}</p>
          {decided.length > 0 ? (
            <p className="label text-lg font-semibold max-sm:line-clamp-1 max-sm:text-base">
              {decided.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `)}
            </p>
          ) : lead ? (
            <>
              <p className="flex justify-between gap-3 text-lg font-semibold max-sm:text-base">
                <span className="label max-sm:line-clamp-1">{word(`suspect.${lead.suspectId}`)}</span>
                <span className="figures whitespace-nowrap">{percent(lead.probability)}</span>
              </p>
              <ShareBar id={`bay-${job.id}`} share={lead.probability} sound={lead.suspectId === NOTHING_WRONG} />
            </>
          ) : (
            <p className="text-lg">{say("leadUnknown")}</p>
          )}
          <p className="mt-2 text-sm text-soft max-sm:hidden">
            {job.hunchId === "" ? say("hunchNone") : `${say("hunch")}: ${word(`suspect.${job.hunchId}`)}`}
            {lead &&
              decided.length === 0 &&
              job.hunchId !== "" &&
              ` · ${say(lead.suspectId === job.hunchId ? "hunchHolds" : "hunchElse")}`}
          </p>
        </div>
        <div className="md:border-l md:border-grid md:pl-6">
          <p className="label text-lg font-semibold max-sm:hidden">
            {lead?.stands?.turnedOut
              ? capital(word(`turned-out.${lead.stands.turnedOut}`))
              : lead && say(`grade${lead.grade}`)}
          </p>
          <p
            className={clsx(
              "mt-1 max-sm:mt-0 max-sm:line-clamp-1",
              job.stage === "release-taken-back" && "font-semibold text-hot-text",
            )}
          >
            {waitsFor(job, settings)}
          </p>
          {lead?.stands && (
            <p className="mt-1 text-sm text-soft max-sm:mt-0 max-sm:line-clamp-1">
              {word(`may-move.${lead.stands.mayMove}`)}
            </p>
          )}
          {job.recheckOn !== undefined && <Recheck day={job.recheckOn} />}
          {job.stillFitted > 0 && (
            <p className="mt-2 font-semibold text-hot-text max-sm:mt-0">
              {say("stillFitted", { count: job.stillFitted })}
            </p>
          )}
        </div>
      </Link>
    </li>
  );
}
