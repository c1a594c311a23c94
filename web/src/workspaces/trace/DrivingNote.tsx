import clsx from "clsx";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { say } from "../../domain/words";
import { listed } from "./state";

const FLUID_FACTS = /^(fluid-at|fluid-under|fluid-on|steering-fluid)/;

/** Whether it may be driven meanwhile, why not, and what to watch. */
export function DrivingNote({ job }: { job: Job }) {
  const { word } = useSettings();
  const { answer, becauseIds } = job.assessment.driving;
  const told = job.intake.facts;
  const lamp = job.entries.some((e) => e.observed === "lamp-stays-lit");
  return (
    <section
      aria-label={say("drivingTitle")}
      data-driving={answer}
      className={clsx("border-2 p-3", answer === "NOT_AT_ALL" ? "border-danger" : "border-caution bg-caution-ground")}
    >
      <h2 className="caps">{say("drivingTitle")}</h2>
      <p className="text-lg font-semibold">{word(`driving.${answer}`)}</p>
      {becauseIds.length > 0 && (
        <p className="text-sm">
          {say("drivingBecause", { what: listed(becauseIds, (id) => word(`suspect.${id}`).toLowerCase(), 3) })}
        </p>
      )}
      <p className="text-sm">{word(`driving.${answer}.watch`)}</p>
      {lamp && <p className="text-sm">{word("driving.lamp")}</p>}
      {told.some((fact) => FLUID_FACTS.test(fact)) && <p className="text-sm">{word("driving.fluid")}</p>}
    </section>
  );
}
