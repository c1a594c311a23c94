import clsx from "clsx";
import { useState } from "react";
import { Link } from "react-router";
import { ActMarks, type Act } from "../../circuit/ActMarks";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { boxesOf, viewOf } from "../../circuit/places";
import { useSettings } from "../../domain/settings";
import type { Job, Repair, WorkStep } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Frame } from "./Frame";
import { Parts } from "./Parts";
import { SheetFigures } from "./SheetFigures";
import { currentStep, itemParts, nextPlace, sections } from "./state";
import { useRepair, type RepairPage } from "./useRepair";

/** How much of the sheet is shown at least around the place of a step, and how wide against its height. */
const LEAST_VIEW = 560;
const SHAPE = 1.9;

/** The work plan: the step to do now, where it is on this circuit, and all others by section. */
export function WorkView() {
  const page = useRepair();
  return <Frame page={page}>{(job, repair) => <Plan job={job} repair={repair} page={page} />}</Frame>;
}

function Plan({ job, repair, page }: { job: Job; repair: Repair; page: RepairPage }) {
  const { layout, word } = useSettings();
  const [chosen, setChosen] = useState<string>();
  const now = repair.steps.find((step) => step.key === chosen) ?? currentStep(repair);
  const done = repair.steps.filter((step) => step.done).length;
  const sheet = layout(job.layoutId);
  return (
    <main className="grid lg:grid-cols-[1fr_26rem]">
      <div className="min-w-0 lg:sticky lg:top-0 lg:self-start lg:border-r-2 lg:border-ink">
        {now ? (
          <Step key={now.key} step={now} vehicleId={job.vehicleId} page={page} onDone={() => setChosen(undefined)} />
        ) : (
          <section aria-label={say("next")} className="flex flex-wrap items-center gap-4 bg-panel p-4">
            <h2 className="flex-1 text-2xl font-semibold">{say("planDone")}</h2>
            <Link
              to={`/jobs/${job.id}/${nextPlace(job)}`}
              className="grid min-h-16 place-items-center border-2 border-ink bg-fill px-6 text-xl font-semibold text-fill-ink"
            >
              {say(nextPlace(job) === "bleed" ? "bleedSheet" : "proving")}
            </Link>
          </section>
        )}
        <div
          className="sheet-grid border-t-2 border-ink max-sm:overflow-x-auto"
          tabIndex={0}
          role="group"
          aria-label={say("where")}
        >
          <div className="h-80">
            <CircuitSheet
              layout={sheet}
              stillFitted={job.stillFitted}
              at={now ? [now.place] : []}
              {...(now ? { view: viewOf(sheet, boxesOf(sheet, [now.place]), LEAST_VIEW, SHAPE) } : {})}
            >
              {now && <ActMarks layout={sheet} step={actOf(now)} />}
            </CircuitSheet>
          </div>
        </div>
        <Parts job={job} page={page} />
        {repair.on.length > 0 && (
          <section aria-label={say("onOffMoved")} className="border-t-2 border-ink bg-panel p-4">
            <h2 className="caps">{say("onOffMoved")}</h2>
            <ul className="flex flex-wrap gap-2">
              {repair.on.map((item) => (
                <li key={item} className="border border-hot px-2 py-1 text-hot-text">
                  <Item item={item} />
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <aside className="bg-panel p-4 max-lg:border-t-2 max-lg:border-ink">
        <p className="figures mb-3 text-soft">
          {say("planProgress", { done, all: repair.steps.length, minutes: minutes(repair.minutes) })}
        </p>
        {sections(repair.steps).map(({ section, steps }) => (
          <section key={section} className="mb-4">
            <h2 className="caps border-b border-rule">{word(`section.${section}`)}</h2>
            <ol>
              {steps.map((step) => (
                <li key={step.key}>
                  <button
                    type="button"
                    onClick={() => setChosen(step.key)}
                    aria-current={step.key === now?.key ? "step" : undefined}
                    className={clsx(
                      "flex min-h-11 w-full gap-2 border-l-4 px-2 py-1 text-left",
                      step.key === now?.key ? "border-hot font-semibold" : "border-transparent",
                      step.done && "text-soft",
                    )}
                  >
                    <span aria-hidden="true" className="figures w-5 shrink-0">
                      {step.done ? "✓" : step.mismatched ? "!" : step.optional ? "·" : "○"}
                    </span>
                    <StepText step={step} />
                  </button>
                </li>
              ))}
            </ol>
          </section>
        ))}
      </aside>
    </main>
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

const actOf = (step: WorkStep): Act => ({ gesture: GESTURES[step.handling], at: [step.place], joints: [] });

function StepText({ step }: { step: WorkStep }) {
  const { word } = useSettings();
  return <span>{word(`repair.${step.id}`).replace("{place}", word(`component.${step.place}`).toLowerCase())}</span>;
}

/** What is on, off or moved, and where. */
export function Item({ item }: { item: string }) {
  const { word } = useSettings();
  const { kind, place } = itemParts(item);
  return (
    <>
      {word(`moved.${kind}`)} · {word(`component.${place}`).toLowerCase()}
    </>
  );
}

interface StepProps {
  step: WorkStep;
  vehicleId: string;
  page: RepairPage;
  onDone: () => void;
}

/** One step: what to do, what can hurt, what is asked, what the maker has to say. */
function Step({ step, vehicleId, page, onDone }: StepProps) {
  const { word, person } = useSettings();
  const [figures, setFigures] = useState<Record<string, string>>({});
  const [why, setWhy] = useState("");
  const missing = step.asks.some((asked) => (figures[asked.id] ?? "").trim() === "");
  const tick = async () => {
    const typed = step.asks.map((asked) => ({ id: asked.id, text: figures[asked.id] ?? "", unit: "mm" }));
    if (await page.enter("work-steps", { key: step.key, figures: typed, ...(why === "" ? {} : { why }) })) onDone();
  };
  return (
    <section aria-label={say("next")} className="grid gap-3 bg-panel p-4">
      <p className="caps">
        {word(`section.${step.section}`)} · {word(`component.${step.place}`)} · {minutes(step.minutes)}
        {step.optional && ` · ${say("whereItApplies")}`}
      </p>
      <h2 className="text-2xl leading-tight font-semibold">
        <StepText step={step} />
      </h2>
      {step.cautionId && (
        <p role="note" className="border border-caution bg-caution-ground p-3">
          {word(`caution.${step.cautionId}`)}
        </p>
      )}
      {step.mismatched && (
        <p role="alert" className="border-2 border-danger p-3 font-semibold">
          {say("partDiffers")}
        </p>
      )}
      {step.asks.map((asked) => (
        <label key={asked.id} className="flex flex-wrap items-center gap-3 text-lg">
          <span className="w-48 text-soft">{word(`asked.${asked.id}`)}</span>
          <span className="flex min-h-14 flex-1 items-center border-2 border-ink pr-3">
            <input
              inputMode="decimal"
              autoComplete="off"
              maxLength={40}
              value={figures[asked.id] ?? ""}
              onChange={(e) => setFigures((typed) => ({ ...typed, [asked.id]: e.target.value }))}
              className="figures w-full min-w-0 bg-transparent px-3 text-right text-2xl font-semibold"
            />
            <span className="figures text-soft">mm</span>
          </span>
          <span className="figures text-soft">
            {asked.listed === undefined ? say("makersFigure") : say("listed", { value: `${asked.listed} mm` })}
          </span>
        </label>
      ))}
      {step.mismatched && (
        <label className="grid gap-1">
          <span>{say("whyTaken")}</span>
          <input
            value={why}
            maxLength={400}
            onChange={(e) => setWhy(e.target.value)}
            className="min-h-14 border-2 border-ink px-3 text-lg"
          />
        </label>
      )}
      <SheetFigures vehicleId={vehicleId} ids={step.sheetFigures} />
      {step.testId && (
        <Link to={`/jobs/${page.jobId}/tests/${step.testId}`} className="min-h-11 underline">
          {say("readAsTest", { test: word(`test.${step.testId}`) })}
        </Link>
      )}
      {step.done ? (
        <div className="flex flex-wrap items-center gap-4">
          <p className="text-soft">
            {say("doneBy", { name: person(step.done.personId) })}
            {step.done.measured.map((m) => ` · ${word(`asked.${m.id}`)} ${m.text} ${m.unit}`)}
          </p>
          <Button
            disabled={page.busy}
            onClick={() =>
              void page.enter("strikes", { struckId: step.done?.entryId ?? "", why: say("tickedWrongly") })
            }
          >
            {say("untick")}
          </Button>
        </div>
      ) : (
        <Button
          filled
          large
          disabled={page.busy || missing || (step.mismatched && why.trim() === "")}
          onClick={() => void tick()}
        >
          {say("stepDone")}
        </Button>
      )}
    </section>
  );
}
