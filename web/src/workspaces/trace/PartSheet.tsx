import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { minutes, percent } from "../../domain/units";
import { say } from "../../domain/words";
import { ShareBar } from "../../ui/Hatch";
import { Failed, Loading } from "../../ui/States";
import { EntryText } from "./EntryText";
import { standsBy, takenText } from "./state";

/** One part of the circuit: its figures, what may be wrong with it, what was read of it, what can look at it. */
export function PartSheet({ job, partId }: { job: Job; partId: string }) {
  const { word, layout, show } = useSettings();
  const part = useQuery({
    queryKey: ["part", job.id, job.sequence, partId],
    queryFn: () => api.part(job.id, partId),
  });
  if (part.isPending) return <Loading />;
  if (part.isError) return <Failed error={part.error} again={() => void part.refetch()} />;
  const { suspects, readingIds, tests } = part.data;
  const component = layout(job.layoutId).components.find((c) => c.id === partId);
  const readings = job.entries.filter((entry) => readingIds.includes(entry.id));
  const standing = new Map(job.assessment.suspects.map((s) => [s.suspectId, s]));
  const open = tests.filter((test) => test.open);
  return (
    <>
      {component?.boreMm !== undefined && <p className="figures mb-2 text-soft">{show(component.boreMm, "LENGTH")}</p>}
      <h3 className="caps">{say("partSuspects")}</h3>
      {suspects.length === 0 && <p>{say("partNoSuspects")}</p>}
      <ul className="mb-4">
        {suspects.map((s) => {
          const known = standing.get(s.suspectId);
          return (
            <li key={s.suspectId} className="border-t border-rule py-2">
              <p className="flex justify-between gap-2 font-semibold">
                {word(`suspect.${s.suspectId}`)}
                <span className="figures">{percent(s.probability)}</span>
              </p>
              <ShareBar id={`part-${s.suspectId}`} share={s.probability} />
              <p className="text-sm">{word(`suspect.${s.suspectId}.shows`)}</p>
              {known && <p className="text-sm text-soft">{standsBy(known, word)}</p>}
            </li>
          );
        })}
      </ul>
      <h3 className="caps">{say("partReadings")}</h3>
      {readings.length === 0 && <p className="mb-4">{say("partNoReadings")}</p>}
      <ul className="mb-4">
        {readings.map((entry) => (
          <li key={entry.id} className="border-t border-rule py-2">
            <EntryText entry={entry} job={job} />
            <p className="figures text-sm text-soft">{takenText(entry)}</p>
          </li>
        ))}
      </ul>
      <h3 className="caps">{say("partTests")}</h3>
      <ul>
        {open.map((test) => (
          <li key={test.procedureId} className="border-t border-rule">
            <Link
              to={`/jobs/${job.id}/tests/${test.procedureId}`}
              className="flex min-h-12 items-center justify-between gap-3 font-semibold"
            >
              <span className="underline underline-offset-4">{word(`test.${test.procedureId}`)}</span>
              <span className="figures font-normal text-soft">{minutes(test.minutes)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}
