import clsx from "clsx";
import { useEffect, useRef, useState } from "react";
import { useParams } from "react-router";
import { suspicionHidden, withoutSuspects } from "../../domain/practice";
import { ForVehicle, useSettings } from "../../domain/settings";
import type { Job, Test } from "../../domain/types";
import { say } from "../../domain/words";
import { AlsoHere } from "../../ui/AlsoHere";
import { Button } from "../../ui/Button";
import { PhotoButton } from "../../ui/PhotoButton";
import { SetAside } from "../../ui/SetAside";
import { Failed, Loading } from "../../ui/States";
import { useGo } from "../../ui/useGo";
import { useWide } from "../../ui/useWide";
import { Arithmetic } from "./Arithmetic";
import { EntryPage, RigCheck } from "./EntryPage";
import { OutcomePage } from "./OutcomePage";
import { FromFile } from "./FromFile";
import { FromInstrument } from "./FromInstrument";
import { FromVehicle } from "./FromVehicle";
import { focusNext, useKeys } from "./keys";
import { lacking, pages } from "./state";
import { StepPage } from "./StepPage";
import { isLever } from "../trace/state";
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
  return (
    <ForVehicle layoutId={job.data.layoutId}>
      <Run
        key={procedureId}
        runner={runner}
        job={job.data}
        test={suspicionHidden(job.data) ? withoutSuspects(test.data) : test.data}
      />
    </ForVehicle>
  );
}

function Run({ runner, job, test }: { runner: ReturnType<typeof useRunner>; job: Job; test: Test }) {
  const { word, catalogue, layout } = useSettings();
  const go = useGo();
  const { draft, phase, change, before } = runner;
  const last = pages(test) - 1;
  const step = test.steps[draft.step];
  const [cannot, setCannot] = useState(false);
  const leave = () => go(`/jobs/${job.id}`);
  const lacks = lacking(test, draft, runner.unitFor, catalogue.units);
  const wide = useWide();
  const doing = phase.kind === "doing";
  const whole = useRef<HTMLDivElement>(null);
  useEffect(() => void window.scrollTo(0, 0), [draft.step, phase.kind]);
  useEffect(() => (doing ? focusNext(whole.current) : undefined), [draft.step, doing]);
  useKeys(doing && !cannot, {
    Escape: leave,
    Enter: () => (step ? change({ step: draft.step + 1 }) : lacks === undefined ? void runner.keep() : undefined),
  });
  return (
    <div ref={whole} className="flex min-h-dvh flex-col">
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
          <StepPage
            key={draft.step}
            runner={runner}
            test={test}
            job={job}
            at={draft.step}
            onStep={(to) => change({ step: to })}
          />
        ) : (
          <EntryPage runner={runner} test={test} lever={isLever(layout(job.layoutId))}>
            <Arithmetic runner={runner} test={test} layoutId={job.layoutId} />
            {!job.practice && <FromInstrument runner={runner} test={test} />}
            <FromFile runner={runner} test={test} />
            {job.practice && !job.practice.ended && <FromVehicle runner={runner} test={test} job={job} />}
            {!wide && <RigCheck runner={runner} test={test} job={job} />}
          </EntryPage>
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
          {doing && !step && wide && <RigCheck runner={runner} test={test} job={job} />}
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
                <Button large filled data-next className="flex-1" onClick={() => change({ step: draft.step + 1 })}>
                  {say("goOn")}
                </Button>
              ) : (
                <Button
                  large
                  filled
                  data-next
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
