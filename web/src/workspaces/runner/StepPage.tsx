import clsx from "clsx";
import { useSettings } from "../../domain/settings";
import type { Job, Step, Test } from "../../domain/types";
import { say } from "../../domain/words";
import { NeededList } from "../../ui/Needed";
import { FigureFields } from "./FigureFields";
import { isLever } from "../trace/state";
import { forceOf } from "./state";
import { PressPicture, StepDrawing } from "./StepDrawing";
import { Timer } from "./Timer";
import type { useRunner } from "./useRunner";

interface StepProps {
  runner: ReturnType<typeof useRunner>;
  test: Test;
  job: Job;
  at: number;
  onStep: (to: number) => void;
}

/** The step to do now: its drawing, its sentence, its caution; all others beside it, to jump to. */
export function StepPage({ runner, test, job, at, onStep }: StepProps) {
  const step = test.steps[at];
  return (
    step && (
      <div className="grid gap-6 lg:grid-cols-[1fr_20rem]">
        <Now runner={runner} test={test} job={job} at={at} step={step} />
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
        {done ? "✓" : now ? "▸" : ""}
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

interface NowProps {
  runner: ReturnType<typeof useRunner>;
  test: Test;
  job: Job;
  at: number;
  step: Step;
}

function Now({ runner, test, job, at, step }: NowProps) {
  const { word, show, fitting, layout } = useSettings();
  const sentence = useSentence(test);
  const pressed = forceOf(word(step.word));
  const newton = pressed === undefined ? undefined : test.forcesN[pressed];
  const pressForce = newton === undefined ? undefined : show(newton, "FORCE");
  const fitted = test.steps.slice(0, at).flatMap((before) => before.fits);
  const read = test.figures.filter((f) => step.figures.includes(f.id));
  const calls = test.figures
    .filter((f) => step.figures.includes(f.id) && f.atSecond !== undefined)
    .map((f) => f.atSecond ?? 0);
  const fields = read.length > 0 && (
    <section className="grid gap-3">
      {calls.length > 1 && <p className="text-lg text-soft">{say("enterAfter")}</p>}
      <FigureFields runner={runner} test={test} figures={read} lever={isLever(layout(job.layoutId))} />
    </section>
  );
  return (
    <div className="grid min-w-0 content-start gap-5">
      <h2 className="text-[2.1rem] leading-tight font-semibold">{sentence(step)}</h2>
      {step.cautionId && (
        <p role="note" className="border border-caution bg-caution-ground p-4 text-lg">
          {word(`caution.${step.cautionId}`)}
        </p>
      )}
      {at === 0 && test.atHand.length > 0 && (
        <section className="border-l-4 border-rule pl-3">
          <h3 className="caps text-soft">{say("whatYouNeed")}</h3>
          <NeededList needed={test.atHand} inLine />
        </section>
      )}
      {step.aloneWord && <p className="text-lg text-soft">{word(step.aloneWord)}</p>}
      {step.timerSeconds === undefined && fields}
      {step.timerSeconds !== undefined ? (
        <div className="grid items-center gap-4 md:grid-cols-[1fr_18rem]">
          <div className="grid gap-2">
            <StepDrawing job={job} step={step} fitted={fitted} />
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
          <StepDrawing job={job} step={step} fitted={fitted} />
          <PressPicture force={pressForce} />
        </>
      )}
      {step.timerSeconds !== undefined && fields}
      {step.fits.length > 0 && (
        <p className="label text-lg font-semibold text-hot-text">
          {say("fitsNow", { what: step.fits.map(fitting).join(" · ") })}
        </p>
      )}
    </div>
  );
}
