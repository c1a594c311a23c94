import { Link } from "react-router";
import { standsAgainst } from "../../domain/practice";
import { useSettings } from "../../domain/settings";
import { nextText, reasonText } from "../../domain/status";
import type { Job } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { capital } from "../trace/state";
import { Frame } from "./Frame";
import { useRepair } from "./useRepair";

/** What the next shift has to know, and the tag for the wheel; both to be printed. */
export function CardView() {
  const page = useRepair();
  return <Frame page={page}>{(job) => <Card job={job} />}</Frame>;
}

function Card({ job }: { job: Job }) {
  const settings = useSettings();
  const { word, fitting } = settings;
  const { mayMove, onOffMoved, decided, next } = job.status;
  return (
    <main className="mx-auto grid max-w-3xl gap-8 p-4">
      <Button className="justify-self-start print:hidden" onClick={() => window.print()}>
        {say("print")}
      </Button>
      {mayMove.answer === "NOT_AT_ALL" && (
        <section aria-label={say("tag")} className="border-8 border-danger p-6 text-center">
          <p className="text-6xl font-bold text-danger">{say("doNotDrive")}</p>
          {standsAgainst(job)
            .slice(0, 2)
            .map((reason) => (
              <p key={`${reason.kind} ${reason.subject}`} className="text-2xl">
                {reasonText(reason, settings)}
              </p>
            ))}
          <p className="figures mt-2 text-3xl font-semibold">{job.vehicle}</p>
          <img src={`/api/jobs/${job.id}/tag`} alt={say("tagCode")} className="mx-auto mt-3 size-40 bg-white" />
          <p className="figures text-sm break-all">{`${location.origin}/jobs/${job.id}/card`}</p>
        </section>
      )}
      <section aria-label={say("handOver")} className="grid gap-3 border-2 border-ink p-6">
        <h1 className="text-3xl font-semibold">{job.vehicle}</h1>
        <p>“{job.complaint}”</p>
        <p className="text-xl">
          {capital(word(`stage.${job.stage}`))}
          {decided &&
            ` · ${decided.remedyIds.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `)} · ${word(
              `turned-out.${decided.turnedOut}`,
            )}`}
        </p>
        <p className="text-lg font-semibold">{word(`may-move.${mayMove.answer}`)}</p>
        {job.repair?.cameBackAs && (
          <Link to={`/jobs/${job.repair.cameBackAs}/card`} className="min-h-11 content-center underline">
            {say("cameBackAs")}
          </Link>
        )}
        <h2 className="caps">{say("onOffMoved")}</h2>
        {onOffMoved.length === 0 ? (
          <p>{say("nothingOn")}</p>
        ) : (
          <ul className="list-inside list-disc text-lg">
            {onOffMoved.map((item) => (
              <li key={item}>{fitting(item)}</li>
            ))}
          </ul>
        )}
        <h2 className="caps">{say("next")}</h2>
        <p className="text-xl font-semibold">{nextText(next, settings)}</p>
      </section>
    </main>
  );
}
