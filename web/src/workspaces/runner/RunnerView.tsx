import clsx from "clsx";
import { useState } from "react";
import { useParams } from "react-router";
import { useSettings } from "../../domain/settings";
import type { Job, Step, Test } from "../../domain/types";
import { say } from "../../domain/words";
import { AlsoHere } from "../../ui/AlsoHere";
import { Button } from "../../ui/Button";
import { NeededList } from "../../ui/Needed";
import { PhotoButton } from "../../ui/PhotoButton";
import { SetAside } from "../../ui/SetAside";
import { Failed, Loading } from "../../ui/States";
import { useGo } from "../../ui/useGo";
import { EntryPage } from "./EntryPage";
import { OutcomePage } from "./OutcomePage";
import { lacking, forceOf, pages } from "./state";
import { PressPicture, StepDrawing } from "./StepDrawing";
import { Timer } from "./Timer";
import { useRunner } from "./useRunner";

/** A test being done: one step at a time, readable at two metres, everything kept as it is typed. */
export function RunnerView() {
  const { jobId = "", procedureId = "" } = useParams();
  const runner = useRunner(jobId, procedureId);
  const { job, test } = runner;
  if (job.isError || test.isError) {
    return (
      <Failed
        error={(job.error ?? test.error) as Error}
        again={() => void Promise.all([job.refetch(), test.refetch()])}
      />
    );
  }
  if (!job.data || !test.data || !runner.ready) return <Loading />;
  return <Run key={procedureId} runner={runner} job={job.data} test={test.data} />;
}

function Run({ runner, job, test }: { runner: ReturnType<typeof useRunner>; job: Job; test: Test }) {
  const { word, catalogue } = useSettings();
  const go = useGo();
  const { draft, phase, change, before } = runner;
  const last = pages(test) - 1;
  const step = test.steps[draft.step];
  const [cannot, setCannot] = useState(false);
  const leave = () => go(`/jobs/${job.id}`);
  const lacks = lacking(test, draft, runner.unitFor, catalogue.units);
  return (
    <div className="flex min-h-dvh flex-col">
      <header className="bg-strip px-5 pt-3 text-strip-ink">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4 pb-3">
          <h1 className="text-xl font-semibold">{word(`test.${test.id}`)}</h1>
          <AlsoHere jobId={job.id} procedureId={test.id} />
          <p className="figures">
            {job.vehicle} · {say("stepOf", { step: Math.min(draft.step, last) + 1, steps: last + 1 })}
          </p>
        </div>
        <div className="flex gap-2" aria-hidden="true">
          {Array.from({ length: last + 1 }, (_, i) => (
            <div
              key={i}
              className={clsx(
                "h-1.5 flex-1",
                i < draft.step ? "bg-[#7fcdd3]" : i === draft.step ? "bg-hot" : "bg-[#8b969b]",
              )}
            />
          ))}
        </div>
      </header>
      <main
        className={clsx(
          "mx-auto w-full flex-1 px-5 py-6 [--halo:var(--ground)]",
          step && phase.kind === "doing" ? "max-w-6xl" : "max-w-3xl",
        )}
      >
        {phase.kind === "waiting" ? (
          <KeptPage />
        ) : phase.kind === "entered" ? (
          <OutcomePage before={before ?? job.assessment} job={job} test={test} draft={draft} unitFor={runner.unitFor} />
        ) : step ? (
          <StepPage key={draft.step} test={test} job={job} at={draft.step} onStep={(to) => change({ step: to })} />
        ) : (
          <EntryPage runner={runner} test={test} job={job} />
        )}
      </main>
      <SetAside
        open={cannot}
        procedureId={test.id}
        refused={runner.refused.map((f) => f.allowed).join("; ")}
        onClose={() => setCannot(false)}
        onSetAside={(why) => void runner.setAside(why).then((done) => done && leave())}
      />
      {phase.kind === "entered" || phase.kind === "waiting" ? (
        <footer className="sticky bottom-0 border-t-2 border-ink bg-panel p-4">
          <Button large filled className="mx-auto block w-full max-w-3xl" onClick={leave}>
            {say("toCircuit")}
          </Button>
        </footer>
      ) : (
        <footer className="sticky bottom-0 border-t-2 border-ink bg-panel p-4">
          {phase.kind === "sending" ? (
            <p role="status" className="grid min-h-16 place-items-center text-lg">
              {say("entering")}
            </p>
          ) : phase.kind === "held" ? (
            <div className="flex flex-wrap items-center gap-3" role="status">
              <p className="flex-1 text-lg">{say("keptUndo", { seconds: phase.secondsLeft })}</p>
              <Button large onClick={runner.undo}>
                {say("undo")}
              </Button>
              <Button large filled onClick={() => void runner.enterNow()}>
                {say("enterNow")}
              </Button>
            </div>
          ) : (
            <div className="mx-auto flex max-w-3xl flex-wrap gap-3">
              <Button large onClick={() => (draft.step === 0 ? leave() : change({ step: draft.step - 1 }))}>
                {say("back")}
              </Button>
              {step && (
                <Button large onClick={() => setCannot(true)}>
                  {say("cannotDo")}
                </Button>
              )}
              <PhotoButton large jobId={job.id} procedureId={test.id} />
              {step && draft.step < last - 1 && (
                <Button large className="max-sm:hidden" onClick={() => change({ step: last })}>
                  {say("toReadings")}
                </Button>
              )}
              {step ? (
                <Button large filled className="flex-1" onClick={() => change({ step: draft.step + 1 })}>
                  {say("goOn")}
                </Button>
              ) : (
                <Button
                  large
                  filled
                  className="flex-1"
                  disabled={lacks !== undefined}
                  onClick={() => void runner.keep()}
                >
                  {say("enterReading")}
                </Button>
              )}
            </div>
          )}
          <p className="mx-auto mt-2 max-w-3xl text-sm text-soft">
            {!step && phase.kind === "doing" && lacks !== undefined && (
              <span className="mr-2 font-semibold text-ink">{say(`lacks.${lacks}`)}</span>
            )}
            {say("keptHere")}
          </p>
        </footer>
      )}
    </div>
  );
}

/** The server cannot be reached: the reading is safe here, and nothing has to be done for it. */
function KeptPage() {
  return (
    <section>
      <h2 className="text-3xl font-semibold">{say("keptTitle")}</h2>
      <p className="mt-3 text-lg">{say("keptWhy")}</p>
    </section>
  );
}

interface StepProps {
  test: Test;
  job: Job;
  at: number;
  onStep: (to: number) => void;
}

/** The step to do now: its drawing, its sentence, its caution; all others beside it, to jump to. */
function StepPage({ test, job, at, onStep }: StepProps) {
  const step = test.steps[at];
  return (
    step && (
      <div className="grid gap-6 lg:grid-cols-[1fr_20rem]">
        <Now test={test} job={job} step={step} first={at === 0} />
        <ol className="content-start max-lg:hidden">
          {test.steps.map((one, i) => (
            <li key={i}>
              <StepLine test={test} step={one} now={i === at} done={i < at} onStep={() => onStep(i)} />
            </li>
          ))}
        </ol>
      </div>
    )
  );
}

interface LineProps {
  test: Test;
  step: Step;
  now: boolean;
  done: boolean;
  onStep: () => void;
}

function StepLine({ test, step, now, done, onStep }: LineProps) {
  const sentence = useSentence(test);
  return (
    <button
      type="button"
      onClick={onStep}
      aria-current={now ? "step" : undefined}
      className={clsx(
        "flex min-h-16 items-center w-full gap-2 border-l-4 px-3 py-2 text-left",
        now ? "border-hot font-semibold" : "border-rule",
        done && "text-soft",
      )}
    >
      <span aria-hidden="true" className="w-4 shrink-0 text-center">
        {done ? "✓" : "·"}
      </span>
      {sentence(step)}
    </button>
  );
}

/** What a step asks, with this vehicle's forces and places. */
function useSentence(test: Test) {
  const { word, show, part } = useSettings();
  const forces = Object.fromEntries(
    Object.entries(test.forcesN).map(([name, newton]) => [name, show(newton, "FORCE")]),
  );
  return (step: Step) =>
    word(step.word, {
      ...forces,
      ...(step.place === undefined ? {} : { place: part(step.place).toLowerCase() }),
    });
}

function Now({ test, job, step, first }: { test: Test; job: Job; step: Step; first: boolean }) {
  const { word, show, fitting } = useSettings();
  const sentence = useSentence(test);
  const pressed = forceOf(word(step.word));
  const newton = pressed === undefined ? undefined : test.forcesN[pressed];
  const pressForce = newton === undefined ? undefined : show(newton, "FORCE");
  const calls = test.figures
    .filter((f) => step.figures.includes(f.id) && f.atSecond !== undefined)
    .map((f) => f.atSecond ?? 0);
  return (
    <div className="grid min-w-0 content-start gap-5">
      <h2 className="text-[2.1rem] leading-tight font-semibold">{sentence(step)}</h2>
      {step.cautionId && (
        <p role="note" className="border border-caution bg-caution-ground p-4 text-lg">
          {word(`caution.${step.cautionId}`)}
        </p>
      )}
      {first && test.atHand.length > 0 && (
        <section className="border-l-4 border-rule pl-3">
          <h3 className="caps text-soft">{say("whatYouNeed")}</h3>
          <NeededList needed={test.atHand} inLine />
        </section>
      )}
      {step.aloneWord && <p className="text-lg text-soft">{word(step.aloneWord)}</p>}
      {step.timerSeconds !== undefined ? (
        <div className="grid items-center gap-4 md:grid-cols-[1fr_18rem]">
          <div className="grid gap-2">
            <StepDrawing job={job} step={step} />
            <PressPicture force={pressForce} seconds={step.timerSeconds} />
          </div>
          <Timer
            keptAs={`${job.id} ${test.id} ${step.id} ${step.place ?? ""}`}
            seconds={step.timerSeconds}
            calls={calls}
          />
        </div>
      ) : (
        <>
          <StepDrawing job={job} step={step} />
          <PressPicture force={pressForce} />
        </>
      )}
      {step.figures.length > 0 && <p className="text-lg text-soft">{say("enterAfter")}</p>}
      {step.fits.length > 0 && (
        <p className="label text-lg font-semibold text-hot-text">
          {say("fitsNow", { what: step.fits.map(fitting).join(" · ") })}
        </p>
      )}
    </div>
  );
}
