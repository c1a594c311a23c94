import { useState } from "react";
import { useNavigate } from "react-router";
import { useSettings } from "../../domain/settings";
import type { Job, Proposal } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { capital, isLever, listed, needsText, reasonText } from "./state";

/** Below so much a test tells nothing now. */
const TELLS_NATS = 0.005;

/** Every test that can be done, found by typing, those of one place together; what tells nothing now, and what cannot be done here, folded. */
export function Others({ job }: { job: Job }) {
  const { word, layout } = useSettings();
  const [sought, setSought] = useState("");
  const all: Proposal[] = [...(job.assessment.next ? [job.assessment.next] : []), ...job.assessment.others];
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found = all.filter((p) => {
    const name = `${word(`test.${p.procedureId}`)} ${word(`test.${p.procedureId}.purpose`)}`.toLowerCase();
    return words.every((one) => name.includes(one));
  });
  const telling = found.filter((p) => p.informationNats >= TELLS_NATS || p.worthDoing);
  const silent = found.filter((p) => !telling.includes(p));
  const places = new Map<string, Proposal[]>();
  for (const p of telling) {
    const place = capital(needsText(p.needs, isLever(layout(job.layoutId))));
    places.set(place, [...(places.get(place) ?? []), p]);
  }
  return (
    <>
      <label className="mb-3 block">
        <span className="caps">{say("othersFind")}</span>
        <input
          value={sought}
          maxLength={60}
          onChange={(e) => setSought(e.target.value)}
          className="min-h-11 w-full border-2 border-ink bg-panel px-3 text-lg"
        />
      </label>
      {words.length === 0 && <Rounds job={job} />}
      <p className="mb-2 text-soft">{say("alternativesWhy")}</p>
      {[...places].map(([place, tests]) => (
        <section key={place} aria-label={place} className="mb-4">
          <h3 className="caps border-b-2 border-ink pb-1">{place}</h3>
          <Tests job={job} tests={tests} />
        </section>
      ))}
      {found.length === 0 && <p>{say("othersNone")}</p>}
      {silent.length > 0 && (
        <details open={words.length > 0 || undefined}>
          <summary className="min-h-11 cursor-pointer content-center">
            {say("othersSilent", { count: silent.length })}
          </summary>
          <Tests job={job} tests={silent} />
        </details>
      )}
      <LeftOut job={job} />
      {job.setAside.length > 0 && (
        <p className="mt-2 text-soft">
          {say("setAside", { test: job.setAside.map((id) => word(`test.${id}`)).join(", ") })}
        </p>
      )}
    </>
  );
}

function Tests({ job, tests }: { job: Job; tests: Proposal[] }) {
  const { word } = useSettings();
  const go = useNavigate();
  return (
    <ol>
      {tests.map((p) => (
        <li key={p.procedureId} className="flex flex-wrap items-center gap-3 border-t border-rule py-2">
          <div className="min-w-0 flex-1 basis-64">
            <h4 className="text-lg font-semibold">
              {word(`test.${p.procedureId}`)}
              {p.anotherRig ? `, ${say("anotherRig")}` : ""}
            </h4>
            <p className="figures text-sm text-soft">
              {minutes(p.minutes)}
              {minutes(p.testMinutes) === minutes(p.estimatedMinutes)
                ? ""
                : `, ${say("timedHere", { estimate: minutes(p.estimatedMinutes) })}`}
              {p.stateMinutes >= 1 ? ` · ${say("stateExtra", { minutes: minutes(p.stateMinutes) })}` : ""}
            </p>
            <p className="text-sm">{reasonText(p, job.assessment, word)}</p>
          </div>
          <Button onClick={() => void go(`/jobs/${job.id}/tests/${p.procedureId}`)}>{say("doThis")}</Button>
        </li>
      ))}
    </ol>
  );
}

/** What is proposed in no case here, and why. */
function LeftOut({ job }: { job: Job }) {
  const { word } = useSettings();
  const { leftOut } = job.assessment;
  if (leftOut.length === 0) return null;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center">
        {say("othersLeftOut", { count: leftOut.length })}
      </summary>
      <ul className="grid gap-1">
        {leftOut.map((one) => (
          <li key={one.procedureId}>
            <span className="font-semibold">{word(`test.${one.procedureId}`)}</span>:{" "}
            {say(`leftOut.${one.why}` as UiWord, { tool: word(`rig.${one.rigKind}`) })}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What is worth doing, grouped by how the vehicle has to stand, so that the way there is gone once. */
function Rounds({ job }: { job: Job }) {
  const { word } = useSettings();
  const { rounds } = job.assessment;
  if (rounds.length === 0) return null;
  return (
    <section aria-label={say("rounds")} className="mb-4 border-2 border-ink bg-panel p-3">
      <h3 className="caps">{say("rounds")}</h3>
      <ol className="grid gap-2">
        {rounds.map((r) => (
          <li key={JSON.stringify(r.needs)}>
            <p>
              {say("roundLine", {
                state: capital(needsText(r.needs)),
                tests: listed(r.procedureIds, (id) => word(`test.${id}`), 4),
              })}
            </p>
            <p className="figures text-sm text-soft">
              {r.wayMinutes >= 1
                ? say("roundWay", { minutes: minutes(r.minutes), way: minutes(r.wayMinutes) })
                : say("roundAll", { minutes: minutes(r.minutes) })}
            </p>
          </li>
        ))}
      </ol>
    </section>
  );
}
