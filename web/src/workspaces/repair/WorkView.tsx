import clsx from "clsx";
import { useSearchParams } from "react-router";
import { ActMarks, type Act } from "../../circuit/ActMarks";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { boxesOf, viewOf } from "../../circuit/places";
import { useSettings } from "../../domain/settings";
import { nextText, stepText } from "../../domain/status";
import type { Job, Repair, WorkStep } from "../../domain/types";
import { minutes } from "../../domain/units";
import { GoOn } from "../../ui/GoOn";
import { say } from "../../domain/words";
import { Schools } from "../../ui/Schools";
import { useGo } from "../../ui/useGo";
import { Frame } from "./Frame";
import { Parts } from "./Parts";
import { isDone, progress, visitNow, visits, type Visit } from "./state";
import { useRepair, type RepairPage } from "./useRepair";
import { VisitCard } from "./VisitCard";
import { WhatYouNeed } from "./WhatYouNeed";

/** How much of the sheet is shown at least around the place of a step, and how wide against its height. */
const LEAST_VIEW = 560;
const SHAPE = 1.9;

/** The work plan: what is done now at one place, where that is on this circuit, and all else in its order. */
export function WorkView() {
  const page = useRepair();
  return <Frame page={page}>{(job, repair) => <Plan job={job} repair={repair} page={page} />}</Frame>;
}

function Plan({ job, repair, page }: { job: Job; repair: Repair; page: RepairPage }) {
  const { layout, word, part } = useSettings();
  const [asked, setAsked] = useSearchParams();
  const go = useGo();
  const all = visits(repair.steps);
  const chosen = all.find((visit) => visit.steps.some((step) => step.key === asked.get("step")));
  const now = chosen ?? visitNow(job, repair);
  const sheet = layout(job.layoutId);
  const { done, all: count, leftOut } = progress(repair.steps);
  return (
    <main className="grid lg:grid-cols-[1fr_26rem]">
      <div className="min-w-0 lg:sticky lg:top-0 lg:self-start lg:border-r-2 lg:border-ink">
        {now ? (
          <VisitCard
            key={`${now.key} ${now.steps.map((step) => Number(step.mismatched)).join("")}`}
            visit={now}
            vehicleId={job.vehicleId}
            ways={repair.ways}
            page={page}
            onDone={() => asked.has("step") && go("?")}
          />
        ) : (
          <NothingHere job={job} leftOut={leftOut} done={done} count={count} />
        )}
        {done === 0 && <WhatYouNeed job={job} repair={repair} page={page} begun={false} />}
        <div
          className="sheet-grid border-t-2 border-ink max-sm:overflow-x-auto"
          tabIndex={0}
          role="group"
          aria-label={say("where")}
        >
          <div className="h-80">
            <CircuitSheet
              layout={sheet}
              stillFitted={job.status.onOffMoved}
              at={now?.places ?? []}
              {...(now ? { view: viewOf(sheet, boxesOf(sheet, now.places), LEAST_VIEW, SHAPE) } : {})}
            >
              {now && <ActMarks layout={sheet} step={actOf(now)} />}
            </CircuitSheet>
          </div>
        </div>
        {done > 0 && <WhatYouNeed job={job} repair={repair} page={page} begun />}
        <Parts job={job} repair={repair} page={page} />
        <HowDone repair={repair} page={page} />
        <OnOffMoved job={job} />
      </div>
      <aside className="bg-panel p-4 max-lg:border-t-2 max-lg:border-ink">
        <p className="figures mb-3 text-soft">
          {say("planProgress", { done, all: count, minutes: minutes(repair.minutes) })}
          {leftOut.length > 0 && ` · ${say("planLeftOut", { count: leftOut.length })}`}
        </p>
        {all.map((visit, at) => (
          <section key={visit.key} className="mb-3">
            {all[at - 1]?.section !== visit.section && (
              <h2 className="caps border-b border-rule">{word(`section.${visit.section}`)}</h2>
            )}
            <button
              type="button"
              onClick={() => setAsked({ step: visit.key })}
              aria-current={visit.key === now?.key ? "step" : undefined}
              className={clsx(
                "grid w-full gap-0.5 border-l-4 px-2 py-1 text-left",
                visit.key === now?.key ? "border-hot" : "border-transparent",
              )}
            >
              <span className="figures text-sm text-soft">{visit.places.map(part).join(", ")}</span>
              {visit.steps.map((step) => (
                <StepLine key={step.key} step={step} />
              ))}
            </button>
          </section>
        ))}
      </aside>
    </main>
  );
}

/** Where good practitioners differ, as far as this plan depends on it. */
function HowDone({ repair, page }: { repair: Repair; page: RepairPage }) {
  if (repair.ways.length === 0 || repair.released) return null;
  return (
    <details className="border-t-2 border-ink bg-panel p-4">
      <summary className="caps min-h-11 cursor-pointer content-center">{say("ways")}</summary>
      <p className="mb-3 text-soft">{say("waysWhy")}</p>
      <Schools
        schools={repair.ways.map((one) => one.school)}
        ways={Object.fromEntries(repair.ways.map((one) => [one.school, one.way]))}
        onWay={(school, way) => void page.enter("ways", { school, way })}
      />
    </details>
  );
}

function StepLine({ step }: { step: WorkStep }) {
  const settings = useSettings();
  return (
    <span className={clsx("flex min-h-7 gap-2", isDone(step) && "text-soft")}>
      <span aria-hidden="true" className="figures w-5 shrink-0">
        {isDone(step) ? "✓" : step.mismatched ? "!" : step.optional ? "·" : "○"}
      </span>
      <span>{stepText(step.key, settings)}</span>
    </span>
  );
}

interface NothingProps {
  job: Job;
  leftOut: WorkStep[];
  done: number;
  count: number;
}

/** Nothing of the plan is to be done now: how far it is, what was left out, and where it goes on. */
function NothingHere({ job, leftOut, done, count }: NothingProps) {
  const settings = useSettings();
  return (
    <section aria-label={say("next")} className="grid gap-3 bg-panel p-4">
      <p className="caps">{say(done === count ? "planDone" : "planWaits", { done, all: count })}</p>
      <div className="flex flex-wrap items-center gap-4">
        <h2 className="min-w-0 flex-1 basis-64 text-2xl font-semibold">{nextText(job.status.next, settings)}</h2>
        <GoOn job={job} />
      </div>
      {leftOut.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer content-center">
            {say("planLeftOut", { count: leftOut.length })}
          </summary>
          <ul className="list-inside list-disc text-sm">
            {leftOut.map((step) => (
              <li key={step.key}>{stepText(step.key, settings)}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** What is on, off or moved, whoever did it. */
export function OnOffMoved({ job }: { job: Job }) {
  const { fitting } = useSettings();
  const items = job.status.onOffMoved;
  if (items.length === 0) return null;
  return (
    <section aria-label={say("onOffMoved")} className="border-t-2 border-ink bg-panel p-4">
      <h2 className="caps">{say("onOffMoved")}</h2>
      <ul className="flex flex-wrap gap-2">
        {items.map((item) => (
          <li key={item} className="border border-hot px-2 py-1 text-hot-text">
            {fitting(item)}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the hands do in a step, drawn as in a test. */
const GESTURES: Record<WorkStep["handling"], Act["gesture"]> = {
  LOOK: "LOOK",
  MEASURE: "MEASURE",
  COVER: "FIT",
  PLUG: "PLUG",
  CRACK: "CRACK",
  UNSCREW: "UNSCREW",
  PULL: "PULL_OFF",
  PRESS: "PRESS",
  CLEAN: "WIPE",
  FIT: "FIT",
  SET: "TURN",
  FILL: "FILL",
  BLEED: "CRACK",
  TORQUE: "CLOSE",
};

/** Drawn is the first step of a visit that is still to be done. */
function actOf(visit: Visit): Act {
  const step = visit.steps.find((one) => !isDone(one)) ?? visit.steps[0];
  return { gesture: GESTURES[step?.handling ?? "LOOK"], at: visit.places, joints: [] };
}
