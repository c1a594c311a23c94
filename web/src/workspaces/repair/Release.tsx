import { useState } from "react";
import { Link } from "react-router";
import { useMay } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import { nextPage, nextText } from "../../domain/status";
import type { Job, Repair } from "../../domain/types";
import { GoOn } from "../../ui/GoOn";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { MayMoveNote } from "../../ui/MayMove";
import type { RepairPage } from "./useRepair";

/** Who signs, and what for; what is in the way stands in the gates below. */
export function Release({ job, repair, page }: { job: Job; repair: Repair; page: RepairPage }) {
  const settings = useSettings();
  const { word } = settings;
  const released = repair.released;
  const back = repair.gates.find((gate) => gate.state !== "PASSED" && gate.id !== "next-day");
  const sign = job.status.next.kind === "SIGN" || job.status.next.kind === "SIGN_CONDITIONALLY";
  return (
    <section aria-label={say("releaseTitle")} className="grid gap-3 border-2 border-ink bg-panel p-4">
      <p className="caps">{word(`stage.${job.stage}`)}</p>
      <div className="flex flex-wrap items-center gap-4">
        <h2 className="min-w-0 flex-1 basis-64 text-2xl font-semibold">{nextText(job.status.next, settings)}</h2>
        {nextPage(job.status.next) !== "proving" && <GoOn job={job} />}
      </div>
      {repair.takenBack && (
        <p role="alert" className="border-2 border-danger p-2">
          {say("takenBack")}{" "}
          {back && (
            <a href={`#${back.id}`} className="inline-grid min-h-11 content-center font-semibold underline">
              {say("takenBackTo", { gate: word(`gate.${back.id}`) })}
            </a>
          )}
        </p>
      )}
      {released && <Released job={job} repair={repair} released={released} />}
      {sign && <Sign repair={repair} conditional={job.status.next.kind === "SIGN_CONDITIONALLY"} page={page} />}
      <MayMoveNote job={job} />
    </section>
  );
}

/** Who released it, until when, and what can be had then. */
function Released({ job, repair, released }: { job: Job; repair: Repair; released: NonNullable<Repair["released"]> }) {
  const { person } = useSettings();
  return (
    <div>
      <p className="text-lg font-semibold">
        {say(released.conditional ? "releasedUntil" : "releasedFinally", { day: released.recheckOn ?? "" })}
      </p>
      <p>
        {say("signedBy", { name: person(released.personId) })}
        {released.secondId !== undefined && ` · ${say("checkedBy", { name: person(released.secondId) })}`}
      </p>
      <p>{say("tagOff")}</p>
      <p className="flex flex-wrap gap-4">
        <a href={`/api/jobs/${job.id}/report`} className="min-h-11 content-center underline">
          {say("report")}
        </a>
        {repair.cameBackAs ? (
          <Link to={`/jobs/${repair.cameBackAs}`} className="min-h-11 content-center underline">
            {say("cameBackAs")}
          </Link>
        ) : (
          <Link to={`/intake?back=${job.id}`} className="min-h-11 content-center underline">
            {say("itCameBack")}
          </Link>
        )}
        {released.conditional && (
          <a href={`/api/jobs/${job.id}/recheck`} className="min-h-11 content-center underline">
            {say("recheckCalendar")}
          </a>
        )}
      </p>
    </div>
  );
}

function Sign({ repair, conditional, page }: { repair: Repair; conditional: boolean; page: RepairPage }) {
  const { personId, person } = useSettings();
  const may = useMay();
  const [second, setSecond] = useState("");
  const others = repair.secondChecked.filter((id) => id !== personId);
  const looked = repair.secondChecked.includes(personId);
  return (
    <>
      {others.length > 0 && (
        <label className="grid gap-1">
          <span className="caps">{say("secondPerson")}</span>
          <select
            value={second}
            onChange={(e) => setSecond(e.target.value)}
            className="min-h-14 border-2 border-ink px-3 text-lg"
          >
            <option value="">{say("secondNone")}</option>
            {others.map((id) => (
              <option key={id} value={id}>
                {person(id)}
              </option>
            ))}
          </select>
        </label>
      )}
      {may("RELEASE") ? (
        <Button
          filled
          large
          disabled={page.busy}
          onClick={() => void page.enter("release", { conditional, ...(second === "" ? {} : { secondId: second }) })}
        >
          {say(conditional ? "releaseConditionally" : "releaseFinally", { name: person(personId) })}
        </Button>
      ) : (
        <p role="note" className="border-2 border-caution bg-caution-ground p-2">
          {say("releaseByQualified")}
        </p>
      )}
      {may("SECOND_CHECK") &&
        (looked ? (
          <p role="status">{say("youLooked")}</p>
        ) : (
          <Button disabled={page.busy} onClick={() => void page.enter("second-checks", {})}>
            {say("lookedAsSecond")}
          </Button>
        ))}
    </>
  );
}
