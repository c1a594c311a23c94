import clsx from "clsx";
import { useState } from "react";
import { Link } from "react-router";
import { useSettings } from "../../domain/settings";
import { stepText } from "../../domain/status";
import type { Gate, GateCheck, Job, Repair } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Frame } from "./Frame";
import { LeftOpen } from "./LeftOpen";
import { MeasuredCheck } from "./MeasuredCheck";
import { Release } from "./Release";
import { Outcome } from "./Outcome";
import { isOpen, looksOpen } from "./state";
import { useRepair, type RepairPage } from "./useRepair";

/** Gates from the chocks to release: what shuts them, what is still to be checked, who signs. */
export function ProvingView() {
  const page = useRepair();
  return (
    <Frame page={page}>
      {(job, repair) => (
        <main className="mx-auto grid max-w-4xl gap-6 p-4 pb-16">
          <Release job={job} repair={repair} page={page} />
          <LeftOpen job={job} repair={repair} />
          {repair.gates.map((gate) => (
            <GateSection key={gate.id} job={job} gate={gate} repair={repair} page={page} />
          ))}
        </main>
      )}
    </Frame>
  );
}

/** What is told with the checks of the next day before it has come. */
interface Early {
  drivenKm?: number;
  early?: boolean;
  seen?: string;
}

interface GateProps {
  job: Job;
  gate: Gate;
  repair: Repair;
  page: RepairPage;
}

function GateSection({ job, gate, repair, page }: GateProps) {
  const { word } = useSettings();
  const [early, setEarly] = useState<Early>({});
  const nextDay = gate.id === "next-day";
  const from = repair.nextDayFrom;
  const waits = nextDay && (from === undefined || Date.parse(from) > Date.now());
  const released = repair.released;
  const shut = gate.state === "SHUT" || (waits && (from === undefined || !mayBeEarly(early, repair.nextDayKm)));
  const live = !shut && !(released && (!released.conditional || !nextDay));
  const done = gate.checks.filter((c) => c.outcome === "passed").length;
  const looks = live ? looksOpen(gate.checks) : [];
  return (
    <section
      id={gate.id}
      aria-label={word(`gate.${gate.id}`)}
      data-gate={waits && gate.state === "OPEN" ? "SHUT" : gate.state}
      className={clsx("border-2 p-4", gate.state === "FAILED" ? "border-danger" : "border-ink")}
    >
      <h2 className="flex items-baseline justify-between gap-4 text-2xl font-semibold">
        {word(`gate.${gate.id}`)}
        <span className="figures text-base font-normal">
          {say(`gate${waits && gate.state === "OPEN" ? "SHUT" : gate.state}`)} · {done}/{gate.checks.length}
        </span>
      </h2>
      <Blockers job={job} gate={gate} repair={repair} page={page} />
      {waits && gate.state !== "SHUT" && <NextDay from={from} km={repair.nextDayKm} early={early} onEarly={setEarly} />}
      {looks.length > 0 && (
        <div className="mt-2 grid gap-2 border-t border-rule pt-3">
          {looks.map((check) => (
            <LookRow key={check.id} check={check} live early={early} page={page} />
          ))}
          <Button
            filled={looks.length === gate.checks.filter((c) => c.outcome === undefined).length}
            large
            disabled={page.busy}
            onClick={() =>
              void page.enter("checks", {
                checkId: looks[0]?.id ?? "",
                also: looks.slice(1).map((check) => check.id),
                outcome: "passed",
                ...early,
              })
            }
          >
            {looks.length === 1 ? say("lookPassed") : say("looksPassed", { count: looks.length })}
          </Button>
        </div>
      )}
      <div className="mt-2">
        {gate.checks
          .filter((check) => !looks.includes(check))
          .map((check) =>
            check.testId === undefined ? (
              <LookRow key={check.id} check={check} live={live} early={early} page={page} />
            ) : (
              <MeasuredCheck
                key={check.id}
                job={job}
                check={check}
                closedAt={gate.closedAt}
                live={live}
                early={early}
                page={page}
              />
            ),
          )}
      </div>
    </section>
  );
}

/** Far enough driven, or a reason why it is not waited for. */
const mayBeEarly = ({ drivenKm = 0, seen = "" }: Early, km: number) => drivenKm >= km || seen.trim() !== "";

interface NextDayProps {
  from: string | undefined;
  km: number;
  early: Early;
  onEarly: (early: Early) => void;
}

/** When the next day has come; sooner by the distance driven, or by name and reason, and then it stays conditional. */
function NextDay({ from, km: far, early, onEarly }: NextDayProps) {
  if (from === undefined) return <p className="figures mt-2">{say("nextDayNotYet")}</p>;
  const field = "min-h-11 border-2 border-ink px-3";
  return (
    <div className="mt-2 grid gap-2">
      <p className="figures">{say("nextDayFrom", { time: new Date(from).toLocaleString() })}</p>
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid gap-1">
          <span className="text-sm">{say("nextDayDriven", { km: far })}</span>
          <span className="flex items-center gap-2">
            <input
              inputMode="numeric"
              value={early.drivenKm ?? ""}
              maxLength={5}
              onChange={(e) => {
                const km = Number(e.target.value.replace(/\D/g, ""));
                onEarly(km === 0 ? {} : { drivenKm: km });
              }}
              className={`${field} figures w-24 text-right`}
            />
            km
          </span>
        </label>
        <label className="grid min-w-0 flex-1 basis-56 gap-1">
          <span className="text-sm">{say("nextDayEarly")}</span>
          <input
            value={early.seen ?? ""}
            maxLength={400}
            onChange={(e) => onEarly(e.target.value === "" ? {} : { early: true, seen: e.target.value })}
            className={field}
          />
        </label>
      </div>
    </div>
  );
}

/** Whether a step that is still open sets this back. */
const byPlan = (repair: Repair, item: string) =>
  repair.steps.some((step) => isOpen(step) && step.setsBack.includes(item));

/** What keeps the gates shut, each with what settles it. */
function Blockers({ job, gate, repair, page }: GateProps) {
  const settings = useSettings();
  const { word, fitting } = settings;
  if (gate.blockers.length === 0) return null;
  const open = gate.blockers.filter((b) => b.kind === "STEP_OPEN");
  const items = gate.blockers.filter((b) => b.kind === "ON_VEHICLE").map((b) => b.item);
  const link = "inline-grid min-h-11 place-items-center border-2 border-ink bg-panel px-4 font-semibold";
  return (
    <ul className="mt-2 grid gap-2 border border-caution bg-caution-ground p-3">
      {open.length > 0 && (
        <li className="flex flex-wrap items-center gap-3">
          <span className="min-w-0 flex-1 basis-64">
            <span className="font-semibold">{word("blocker.STEP_OPEN")}</span>:{" "}
            {stepText(open[0]?.item ?? "", settings)}
            {open.length > 1 && ` ${say("and")} ${say("more", { count: open.length - 1 })}`}
          </span>
          <Link to={`/jobs/${job.id}/work?step=${encodeURIComponent(open[0]?.item ?? "")}`} className={link}>
            {say("workPlan")}
          </Link>
        </li>
      )}
      {gate.blockers.some((b) => b.kind === "BLEEDING") && (
        <li className="flex flex-wrap items-center gap-3">
          <span className="min-w-0 flex-1 basis-64 font-semibold">{word("blocker.BLEEDING")}</span>
          <Link to={`/jobs/${job.id}/bleed`} className={link}>
            {say("bleedSheet")}
          </Link>
        </li>
      )}
      {items.map((item) => (
        <li key={item} className="flex flex-wrap items-center gap-3">
          <span className="min-w-0 flex-1 basis-64">
            <span className="font-semibold">{word("blocker.ON_VEHICLE")}</span>: {fitting(item)}
          </span>
          {byPlan(repair, item) ? (
            <span className="text-soft">{say("setBackByPlan")}</span>
          ) : (
            <Button disabled={page.busy} onClick={() => void page.enter("take-off", { items: [item] })}>
              {say("setBack")}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

interface LookProps {
  check: GateCheck;
  live: boolean;
  early: Early;
  page: RepairPage;
}

/** A check that is looked at: how it went, who did it, and what was seen where it failed. */
function LookRow({ check, live, early, page }: LookProps) {
  const { word } = useSettings();
  const [telling, setTelling] = useState<"passed" | "failed">();
  const [seen, setSeen] = useState("");
  const enter = (outcome: "passed" | "failed") =>
    void page
      .enter("checks", { ...early, checkId: check.id, outcome, seen })
      .then((taken) => taken && (setTelling(undefined), setSeen("")));
  const asked = say(telling === "passed" ? "doneSinceFailed" : "whatWasSeen");
  return (
    <div className="grid gap-2 border-t border-rule py-3 first:border-t-0">
      <div className="flex flex-wrap items-center gap-3">
        <p className={clsx("min-w-0 flex-1 basis-64 text-lg", check.outcome === "passed" && "text-soft")}>
          {word(`check.${check.id}`)}
        </p>
        <Outcome check={check} />
        {live && (
          <div className="flex gap-2">
            {check.outcome === "failed" && (
              <Button disabled={page.busy} onClick={() => setTelling("passed")}>
                {say("checkPass")}
              </Button>
            )}
            <Button disabled={page.busy} onClick={() => setTelling(telling === "failed" ? undefined : "failed")}>
              {say("checkFail")}
            </Button>
          </div>
        )}
      </div>
      {check.seen && <p>{check.seen}</p>}
      {live && check.cautionId && check.outcome !== "passed" && (
        <p role="note" className="border border-caution bg-caution-ground px-3 py-2 text-sm">
          {word(`caution.${check.cautionId}`)}
        </p>
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
    </div>
  );
}
