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
  const { word, catalogue } = useSettings();
  const part = useQuery({
    queryKey: ["part", job.id, job.sequence, partId],
    queryFn: () => api.part(job.id, partId),
  });
  if (part.isPending) return <Loading />;
  if (part.isError) return <Failed error={part.error} again={() => void part.refetch()} />;
  const { suspects, readingIds, tests } = part.data;
  const readings = job.entries.filter((entry) => readingIds.includes(entry.id));
  const live = suspects.filter((s) => s.probability >= catalogue.clearedBelow);
  const open = tests.filter((test) => test.open);
  return (
    <>
      <h3 className="caps">{say("partSuspects")}</h3>
      {suspects.length === 0 && <p>{say("partNoSuspects")}</p>}
      <Suspects job={job} suspects={live} />
      {live.length < suspects.length && (
        <details className="mb-4">
          <summary className="min-h-11 cursor-pointer underline underline-offset-4">
            {say("partCleared", { count: suspects.length - live.length })}
          </summary>
          <Suspects job={job} suspects={suspects.slice(live.length)} />
        </details>
      )}
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

/** Suspects with what they show and what weighs on them. */
function Suspects({ job, suspects }: { job: Job; suspects: { suspectId: string; probability: number }[] }) {
  const { word } = useSettings();
  const standing = new Map(job.assessment.suspects.map((s) => [s.suspectId, s]));
  return (
    <ul className="mb-2">
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
  );
}
