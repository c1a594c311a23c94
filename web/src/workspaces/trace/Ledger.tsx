import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { toldAtIntake } from "../../domain/intake";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { percent } from "../../domain/units";
import { say } from "../../domain/words";
import { NOTHING_WRONG } from "../../domain/types";
import { ShareBar } from "../../ui/Hatch";
import { AsBefore, Ruler } from "../../ui/Ruler";
import { listed, standsBy, weighed } from "./state";

const SHOWN = 5;
/** Two suspects that are at fault together each carry the share of both. */
const MORE_THAN_ALL = 1.02;

function frequenciesUsed(job: Job): string {
  const { learned, ownJobs, elsewhereJobs, timedTests } = job.assessment.frequencies;
  return learned && ownJobs + elsewhereJobs > 0
    ? [
        say("frequenciesUsed", { own: ownJobs, elsewhere: elsewhereJobs }),
        ...(timedTests > 0 ? [say("minutesUsed", { count: timedTests })] : []),
      ].join(" ")
    : say("frequenciesUsedShipped");
}

/** The suspects with their weight and what weighs on them, then the last reading on its ruler. */
export function Ledger({ job, shares, isNow }: { job: Job; shares: Map<string, number>; isNow: boolean }) {
  const [all, setAll] = useState(false);
  const { word, catalogue } = useSettings();
  const ranked = job.assessment.suspects
    .map((s) => ({ ...s, probability: shares.get(s.suspectId) ?? 0 }))
    .sort((a, b) => b.probability - a.probability);
  const retired = isNow ? ranked.filter((s) => s.retired) : [];
  const asked = ranked.filter((s) => !retired.includes(s));
  const live = asked.filter((s) => s.probability >= catalogue.clearedBelow);
  const rest = asked.filter((s) => !live.includes(s));
  const cleared = rest.filter((s) => s.clearedBy && !toldAtIntake(s.clearedBy.procedureId)).length;
  const inPairs = live.reduce((sum, s) => sum + s.probability, 0) > MORE_THAN_ALL;
  const shown = all ? asked : asked.slice(0, Math.min(SHOWN, Math.max(2, live.length)));
  return (
    <section aria-label={say("suspects")}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h2 className="text-xl font-semibold">{say(retired.length > 0 ? "suspectsLeft" : "suspects")}</h2>
        <p className="figures text-sm text-soft">
          {say("suspectsCount", { live: live.length, unlikely: rest.length - cleared, cleared })}
        </p>
      </div>
      {isNow && <Segments job={job} />}
      {retired.length > 0 && (
        <p className="mt-1 text-sm">
          {say("suspectsRetired", {
            what: listed(
              retired.map((s) => s.suspectId),
              (id) => word(`suspect.${id}`),
              all ? 99 : 2,
            ),
          })}
        </p>
      )}
      {inPairs && <p className="mt-1 text-sm text-soft">{say("inPairs")}</p>}
      <ul>
        {shown.map((s) => (
          <li key={s.suspectId} className="mt-2.5">
            <p className="flex justify-between gap-2 font-semibold">
              <span className="label text-[1.05rem]">{word(`suspect.${s.suspectId}`)}</span>
              <span className="figures text-[1.15rem] whitespace-nowrap">{percent(s.probability)}</span>
            </p>
            <ShareBar id={`suspect-${s.suspectId}`} share={s.probability} sound={s.suspectId === NOTHING_WRONG} />
            {isNow && (
              <p className="text-[0.8rem] text-soft" title={weighed(s, word)}>
                {standsBy(s, word)}
              </p>
            )}
          </li>
        ))}
      </ul>
      <button type="button" className="mt-1 min-h-11 text-sm underline" onClick={() => setAll(!all)}>
        {say(all ? "hideCleared" : "showCleared")}
      </button>
      {all && <p className="mb-2 text-sm text-soft">{frequenciesUsed(job)}</p>}
      <LastReading job={job} />
    </section>
  );
}

/** Where in the circuit the suspicion sits, from foot to wheel. */
function Segments({ job }: { job: Job }) {
  const { word, catalogue } = useSettings();
  const suspected = job.assessment.segments
    .filter((s) => s.probability >= catalogue.clearedBelow)
    .sort((a, b) => b.probability - a.probability);
  if (suspected.length === 0) return null;
  return (
    <p className="figures mt-1 text-sm text-soft">
      {say("segments")}:{" "}
      {suspected
        .slice(0, 3)
        .map((s) => `${word(`segment.${s.segmentId}`)} ${percent(Math.min(1, s.probability))}`)
        .join(" · ")}
    </p>
  );
}

function LastReading({ job }: { job: Job }) {
  const { word, figure: named } = useSettings();
  const last = [...job.entries]
    .reverse()
    .find((e) => e.kind === "reading-taken" && !e.struck && e.figures.some((f) => f.coreValue !== undefined));
  const procedureId = last?.procedureId ?? "";
  const test = useQuery({
    queryKey: ["test", job.id, job.sequence, procedureId],
    queryFn: () => api.test(job.id, procedureId),
    enabled: procedureId !== "",
  });
  if (!last || !test.data) return null;
  const index = last.figures.map((f) => f.coreValue !== undefined).lastIndexOf(true);
  const figure = test.data.figures[index];
  if (!figure) return null;
  return (
    <div className="mt-2 border-t-2 border-grid pt-3">
      <Ruler
        compact
        figure={figure}
        mark={last.figures[index]?.coreValue}
        title={say("lastReading", {
          test: `${word(`test.${procedureId}`)}: ${named(procedureId, figure.id)}`,
        })}
      />
      <AsBefore figure={figure} mark={last.figures[index]?.coreValue} />
    </div>
  );
}
