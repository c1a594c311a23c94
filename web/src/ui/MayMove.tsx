import clsx from "clsx";
import { Link } from "react-router";
import { useSettings } from "../domain/settings";
import { standsAgainst } from "../domain/practice";
import { reasonText } from "../domain/status";
import type { Job } from "../domain/types";
import { say } from "../domain/words";
import { Tag } from "./TopStrip";

/** In the strip: whether the vehicle may be moved. */
export function MayMoveTag({ job }: { job: Job }) {
  const { word } = useSettings();
  const { answer } = job.status.mayMove;
  return <Tag tone={answer === "NOT_AT_ALL" ? "hot" : undefined}>{word(`may-move.${answer}`)}</Tag>;
}

/** In the strip: the stage of the job, where that says more than whether it may be moved. */
export function StageTag({ job }: { job: Job }) {
  const { word } = useSettings();
  const stage = word(`stage.${job.stage}`);
  return stage === word(`may-move.${job.status.mayMove.answer}`).toLowerCase() ? null : <Tag>{stage}</Tag>;
}

const FLUID_FACTS = /^(fluid-at|fluid-under|fluid-on|steering-fluid)/;
const AS_FOUND = new Set(["tracing", "accepted", "waiting", "given-up"]);

/** Whether it may be moved, what stands against it, and what to watch. */
export function MayMoveNote({ job }: { job: Job }) {
  const settings = useSettings();
  const { word } = settings;
  const { answer } = job.status.mayMove;
  const lamp = job.entries.some((e) => e.observed === "lamp-stays-lit");
  const asFound = AS_FOUND.has(job.stage);
  const calm = answer === "RELEASED" || answer === "UNTIL_RECHECK";
  return (
    <section
      aria-label={say("mayMoveTitle")}
      data-may-move={answer}
      className={clsx(
        "border-2 p-3",
        answer === "NOT_AT_ALL"
          ? "border-danger"
          : answer === "RELEASED"
            ? "border-cool"
            : "border-caution bg-caution-ground",
      )}
    >
      <h2 className="caps">{say("mayMoveTitle")}</h2>
      <p className="text-lg font-semibold">{word(`may-move.${answer}`)}</p>
      {standsAgainst(job)
        .slice(0, 3)
        .map((reason) => (
          <p key={`${reason.kind} ${reason.subject}`} className="text-sm">
            {reasonText(reason, settings)}
          </p>
        ))}
      <p className="text-sm">{word(`may-move.${answer}.watch`)}</p>
      {job.repair?.cameBackAs && (
        <Link to={`/jobs/${job.repair.cameBackAs}`} className="block min-h-11 content-center underline">
          {say("cameBackAs")}
        </Link>
      )}
      {asFound && lamp && <p className="text-sm">{word("may-move.lamp")}</p>}
      {asFound && job.intake.facts.some((fact) => FLUID_FACTS.test(fact)) && (
        <p className="text-sm">{word("may-move.fluid")}</p>
      )}
      {!calm && <p className="mt-2 text-sm text-soft">{word("caution.not-to-be-driven")}</p>}
    </section>
  );
}
