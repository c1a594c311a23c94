import clsx from "clsx";
import { useState } from "react";
import { Link } from "react-router";
import { useSettings } from "../../domain/settings";
import type { Gate, GateCheck, Job, Repair } from "../../domain/types";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Frame } from "./Frame";
import { useRepair, type RepairPage } from "./useRepair";
import { Item } from "./WorkView";

/** Gates from the chocks to release: what shuts them, what is still to be checked, who signs. */
export function ProvingView() {
  const page = useRepair();
  return (
    <Frame page={page}>
      {(job, repair) => (
        <main className="mx-auto grid max-w-4xl gap-6 p-4 pb-16">
          <Release job={job} repair={repair} page={page} />
          {repair.gates.map((gate) => (
            <GateSection
              key={gate.id}
              gate={gate}
              from={gate.id === "next-day" ? repair.nextDayFrom : undefined}
              page={page}
            />
          ))}
        </main>
      )}
    </Frame>
  );
}

function GateSection({ gate, from, page }: { gate: Gate; from: string | undefined; page: RepairPage }) {
  const { word } = useSettings();
  const early = gate.id === "next-day" && (from === undefined || Date.parse(from) > Date.now());
  const state = early && gate.state === "OPEN" ? "SHUT" : gate.state;
  const done = gate.checks.filter((c) => c.outcome === "passed").length;
  return (
    <section
      id={gate.id}
      aria-label={word(`gate.${gate.id}`)}
      data-gate={state}
      className={clsx(
        "border-2 p-4",
        gate.state === "FAILED" ? "border-danger" : "border-ink",
        state === "SHUT" && "opacity-80",
      )}
    >
      <h2 className="flex items-baseline justify-between gap-4 text-2xl font-semibold">
        {word(`gate.${gate.id}`)}
        <span className="figures text-base font-normal">
          {say(`gate${state}` as UiWord)} · {done}/{gate.checks.length}
        </span>
      </h2>
      {gate.blockers.length > 0 && (
        <ul className="mt-2 grid gap-1 border border-caution bg-caution-ground p-3">
          {gate.blockers.map((b) => (
            <li key={`${b.kind} ${b.item}`}>
              <span className="font-semibold">{word(`blocker.${b.kind}`)}</span>
              {b.kind === "STEP_OPEN" ? (
                <>
                  :{" "}
                  {word(`repair.${b.item.split("@")[0]}`).replace(
                    "{place}",
                    word(`component.${b.item.split("@")[1]}`).toLowerCase(),
                  )}
                </>
              ) : b.item === "" ? null : (
                <>
                  : <Item item={b.item} />
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {early && gate.state !== "SHUT" && (
        <p className="figures mt-2">
          {from === undefined ? say("nextDayNotYet") : say("nextDayFrom", { time: new Date(from).toLocaleString() })}
        </p>
      )}
      <ol className="mt-2">
        {gate.checks.map((check) => (
          <CheckRow key={check.id} check={check} shut={state === "SHUT" || early} page={page} />
        ))}
      </ol>
    </section>
  );
}

function CheckRow({ check, shut, page }: { check: GateCheck; shut: boolean; page: RepairPage }) {
  const { word, person } = useSettings();
  const [telling, setTelling] = useState<"passed" | "failed">();
  const [seen, setSeen] = useState("");
  const enter = (outcome: "passed" | "failed") =>
    void page
      .enter("checks", { checkId: check.id, outcome, ...(seen.trim() === "" ? {} : { seen }) })
      .then((taken) => taken && (setTelling(undefined), setSeen("")));
  const asked = say(telling === "passed" ? "doneSinceFailed" : "whatWasSeen");
  return (
    <li className="grid gap-2 border-t border-rule py-3">
      <div className="flex flex-wrap items-center gap-3">
        <p className={clsx("min-w-0 flex-1 basis-64 text-lg", check.outcome === "passed" && "text-soft")}>
          {word(`check.${check.id}`)}
        </p>
        {check.outcome ? (
          <p className={clsx("font-semibold", check.outcome === "failed" && "text-danger")}>
            {say(check.outcome === "failed" ? "checkFailed" : "checkPassed")}
            {check.personId && <span className="ml-2 font-normal text-soft">{person(check.personId)}</span>}
          </p>
        ) : null}
        {!shut && (
          <div className="flex gap-2">
            <Button
              disabled={page.busy || check.outcome === "passed"}
              onClick={() => (check.outcome === "failed" ? setTelling("passed") : enter("passed"))}
            >
              {say("checkPass")}
            </Button>
            <Button disabled={page.busy} onClick={() => setTelling(telling === "failed" ? undefined : "failed")}>
              {say("checkFail")}
            </Button>
          </div>
        )}
      </div>
      {check.seen && <p>{check.seen}</p>}
      {!shut && check.cautionId && check.outcome !== "passed" && (
        <p role="note" className="border border-caution bg-caution-ground px-3 py-2 text-sm">
          {word(`caution.${check.cautionId}`)}
        </p>
      )}
      {!shut && check.testId && check.outcome !== "passed" && (
        <Link to={`/jobs/${page.jobId}/tests/${check.testId}`} className="min-h-11 underline">
          {say("readAsTest", { test: word(`test.${check.testId}`) })}
        </Link>
      )}
      {telling && (
        <div className="flex flex-wrap gap-2">
          <input
            aria-label={asked}
            placeholder={asked}
            value={seen}
            maxLength={400}
            onChange={(e) => setSeen(e.target.value)}
            className="min-h-11 flex-1 border-2 border-ink px-3"
          />
          <Button disabled={page.busy || seen.trim() === ""} onClick={() => enter(telling)}>
            {say(telling === "passed" ? "enterPassed" : "enterFailed")}
          </Button>
        </div>
      )}
    </li>
  );
}

/** Who signs, and what for; what is in the way stands in the gates below. */
function Release({ job, repair, page }: { job: Job; repair: Repair; page: RepairPage }) {
  const { catalogue, personId, person, word } = useSettings();
  const [second, setSecond] = useState("");
  const conditional = !repair.mayBeReleased;
  const may = conditional ? repair.mayBeReleasedConditionally : repair.mayBeReleased;
  const released = repair.released;
  const back = repair.gates.find((gate) => gate.state !== "PASSED" && gate.id !== "next-day");
  if (released && (!released.conditional || !repair.mayBeReleased))
    return (
      <section aria-label={say("releaseTitle")} className="border-2 border-cool bg-panel p-4">
        <h2 className="text-2xl font-semibold">
          {say(released.conditional ? "releasedUntil" : "releasedFinally", { day: released.recheckOn ?? "" })}
        </h2>
        <p>{say("signedBy", { name: person(released.personId) })}</p>
        <p className="flex flex-wrap gap-4">
          <a href={`/api/jobs/${job.id}/report`} className="min-h-11 underline">
            {say("report")}
          </a>
          {repair.cameBackAs ? (
            <Link to={`/jobs/${repair.cameBackAs}`} className="min-h-11 underline">
              {say("cameBackAs")}
            </Link>
          ) : (
            <Link to={`/intake?back=${job.id}`} className="min-h-11 underline">
              {say("itCameBack")}
            </Link>
          )}
          {released.conditional && (
            <a href={`/api/jobs/${job.id}/recheck`} className="min-h-11 underline">
              {say("recheckCalendar")}
            </a>
          )}
        </p>
      </section>
    );
  return (
    <section aria-label={say("releaseTitle")} className="grid gap-3 border-2 border-ink bg-panel p-4">
      <h2 className="text-2xl font-semibold">
        {say(may ? (conditional ? "mayConditionally" : "mayFinally") : "mayNot")}
      </h2>
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
      <p>{word("caution.not-to-be-driven")}</p>
      {may && (
        <>
          <label className="grid gap-1">
            <span className="caps">{say("secondPerson")}</span>
            <select
              value={second}
              onChange={(e) => setSecond(e.target.value)}
              className="min-h-14 border-2 border-ink px-3 text-lg"
            >
              <option value="">{say("secondNone")}</option>
              {catalogue.staff
                .filter((p) => p.id !== personId)
                .map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.name}
                  </option>
                ))}
            </select>
          </label>
          <Button
            filled
            large
            disabled={page.busy}
            onClick={() => void page.enter("release", { conditional, ...(second === "" ? {} : { secondId: second }) })}
          >
            {say(conditional ? "releaseConditionally" : "releaseFinally", { name: person(personId) })}
          </Button>
        </>
      )}
    </section>
  );
}
