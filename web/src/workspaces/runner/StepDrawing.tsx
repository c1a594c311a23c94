import { ActMarks } from "../../circuit/ActMarks";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { boxesOf, jointBoxes, viewOf } from "../../circuit/places";
import { useSettings } from "../../domain/settings";
import type { Job, Step } from "../../domain/types";
import { say } from "../../domain/words";

/** How much of the sheet is shown at least: the part and what it hangs on. */
const LEAST_VIEW = 430;
const SHAPE = 1.7;

/** The part of this circuit that the step is at, with what steps before it have put on or taken off, and what is done there. */
export function StepDrawing({ job, step, fitted }: { job: Job; step: Step; fitted: string[] }) {
  const { layout } = useSettings();
  const sheet = layout(job.layoutId);
  const places = step.joints.length > 0 ? jointBoxes(sheet, step.joints) : boxesOf(sheet, step.at);
  return (
    <div className="sheet-grid aspect-[1.7] w-full border-2 border-ink" data-gesture={step.gesture}>
      <CircuitSheet
        layout={sheet}
        stillFitted={[...job.status.onOffMoved, ...fitted]}
        at={step.at}
        view={viewOf(sheet, places, LEAST_VIEW, SHAPE)}
      >
        <ActMarks layout={sheet} step={step} />
      </CircuitSheet>
    </div>
  );
}

/** Force and time of a press as a small picture: up, held, let go. */
export function PressPicture({ force, seconds }: { force: string | undefined; seconds?: number }) {
  if (force === undefined) return null;
  const held = seconds === undefined ? "" : `${seconds} s`;
  return (
    <svg viewBox="0 0 240 84" className="h-20 w-60" role="img" aria-label={[force, held].filter(Boolean).join(", ")}>
      <path d="M8 70H232" stroke="var(--soft)" strokeWidth="2" />
      <path d="M16 70L60 28H180L204 70" fill="none" stroke="var(--hot)" strokeWidth="4" />
      <text x="120" y="20" textAnchor="middle" className="figures fill-ink text-[20px] font-semibold">
        {force}
      </text>
      <text x="120" y="60" textAnchor="middle" className="figures fill-soft text-[18px]">
        {held || say("pressRelease")}
      </text>
    </svg>
  );
}
