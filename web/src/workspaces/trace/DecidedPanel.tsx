import { Link } from "react-router";
import { suspicionHidden } from "../../domain/practice";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { percent } from "../../domain/units";
import { say } from "../../domain/words";
import { listed } from "./state";

/** What was decided, by what, as it stood when it was accepted; and what it turned out to be. */
export function DecidedPanel({ job }: { job: Job }) {
  const { word } = useSettings();
  const { accepted } = job;
  const { decided } = job.status;
  if (!accepted || !decided) return null;
  if (suspicionHidden(job))
    return (
      <section aria-label={say("decided")} className="border-2 border-ink bg-ground p-3">
        <h2 className="caps">{say("decided")}</h2>
        <p className="text-2xl font-semibold">{listed(accepted.remedyIds, (id) => word(`remedy.${id}`), 2)}</p>
      </section>
    );
  const carriers = accepted.carriers
    .map((id) => job.entries.find((e) => e.id === id)?.procedureId)
    .filter((id) => id !== undefined);
  return (
    <section
      aria-label={say("decided")}
      className="border-2 border-ink bg-ground p-3"
      data-turned-out={decided.turnedOut}
    >
      <h2 className="caps">{say("decided")}</h2>
      <p className="label text-2xl font-semibold">{word(`turned-out.${decided.turnedOut}`)}</p>
      <p className="font-semibold">{accepted.remedyIds.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `)}</p>
      <p className="figures text-sm text-soft">
        {say("decidedAs", {
          grade: say(`grade${accepted.grade}`).toLowerCase(),
          share: percent(accepted.probability),
        })}
      </p>
      {carriers.length > 0 && (
        <p className="text-sm">{say("carriedBy", { what: listed(carriers, (id) => word(`test.${id}`), 3) })}</p>
      )}
      {accepted.why !== "" && <p className="mt-1 text-sm">“{accepted.why}”</p>}
      {accepted.missing.length > 0 && (
        <>
          <h3 className="caps mt-2 border-t border-grid pt-2">{say("wasMissing")}</h3>
          <ul className="list-disc pl-5 text-sm">
            {accepted.missing.map((m) => (
              <li key={m}>{say(`missing${m}`)}</li>
            ))}
          </ul>
        </>
      )}
      {job.repair?.released && (
        <p className="mt-2 border-t border-grid pt-2">
          <Link to={`/jobs/${job.id}/proving`} className="inline-grid min-h-11 content-center underline">
            {say("proving")}
          </Link>{" "}
          <a href={`/api/jobs/${job.id}/report`} className="ml-3 inline-grid min-h-11 content-center underline">
            {say("report")}
          </a>
        </p>
      )}
    </section>
  );
}
