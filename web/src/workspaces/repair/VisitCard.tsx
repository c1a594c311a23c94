import clsx from "clsx";
import { useState } from "react";
import { Link } from "react-router";
import { useSettings } from "../../domain/settings";
import { stepText } from "../../domain/status";
import type { Repair, WorkStep } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Schools } from "../../ui/Schools";
import { SheetFigures } from "./SheetFigures";
import { apart, differs, isDone, typedNumber, type Visit } from "./state";
import type { RepairPage } from "./useRepair";

const REWORK = "rework";
/** On a thread of so much pitch turns are told, mm; the usual one of such rods. */
const PITCH_MM = 1;

interface Props {
  visit: Visit;
  vehicleId: string;
  /** The ways in which this plan is done. */
  ways: Repair["ways"];
  page: RepairPage;
  onDone: () => void;
}

/** What is done at one place without going elsewhere: each step with its caution and its figures, all told at once. */
export function VisitCard({ visit, vehicleId, ways, page, onDone }: Props) {
  const { word, part } = useSettings();
  const open = visit.steps.filter((step) => !isDone(step));
  const [taken, setTaken] = useState<Record<string, boolean>>({});
  const [figures, setFigures] = useState<Record<string, Record<string, string>>>({});
  const [why, setWhy] = useState<Record<string, string>>({});
  const [sending, setSending] = useState(false);
  const counts = (step: WorkStep) => taken[step.key] ?? !step.optional;
  const typed = (step: WorkStep) => figures[step.key] ?? {};
  const whole = (step: WorkStep) => step.asks.every((asked) => !Number.isNaN(typedNumber(typed(step)[asked.id] ?? "")));
  const told = open.filter((step) => counts(step) && whole(step));
  const stays = open.filter((step) => !step.optional && !told.includes(step)).length;
  const enter = async () => {
    setSending(true);
    if (await enterAll()) onDone();
    setSending(false);
  };
  const enterAll = async () => {
    const looks = told.filter((step) => step.asks.length === 0).map((step) => step.key);
    const [first, ...also] = looks;
    if (first !== undefined && !(await page.enter("work-steps", { key: first, figures: [], also }))) return false;
    for (const step of told.filter((one) => one.asks.length > 0)) {
      const reason = (why[step.key] ?? "").trim();
      const measured = step.asks.map((asked) => ({ id: asked.id, text: typed(step)[asked.id] ?? "", unit: "mm" }));
      const body = { key: step.key, figures: measured, ...(reason === "" ? {} : { why: reason }) };
      if (!(await page.enter("work-steps", body))) return false;
    }
    return true;
  };
  return (
    <section aria-label={say("next")} data-visit={sending ? "sending" : visit.key} className="grid gap-3 bg-panel p-4">
      <p className="caps">
        {word(`section.${visit.section}`)} · {minutes(visit.steps.reduce((sum, step) => sum + step.minutes, 0))}
      </p>
      <h2 className="text-2xl leading-tight font-semibold">{visit.places.map(part).join(", ")}</h2>
      <ol className="grid gap-2">
        {visit.steps.map((step) => (
          <li key={step.key} className="grid gap-2 border-t border-rule pt-2">
            <StepRow
              step={step}
              counts={counts(step)}
              onCounts={(now) => setTaken({ ...taken, [step.key]: now })}
              page={page}
            />
            {!isDone(step) && counts(step) && (
              <Asked
                step={step}
                typed={typed(step)}
                onType={(id, text) => setFigures({ ...figures, [step.key]: { ...typed(step), [id]: text } })}
                why={why[step.key] ?? ""}
                onWhy={(text) => setWhy({ ...why, [step.key]: text })}
              />
            )}
            {!isDone(step) && step.id.startsWith("decide-") && <Rework ways={ways} page={page} />}
            {!isDone(step) && <SheetFigures vehicleId={vehicleId} ids={step.sheetFigures} />}
            {!isDone(step) && step.testId && (
              <Link to={`/jobs/${page.jobId}/tests/${step.testId}`} className="min-h-11 content-center underline">
                {say("readAsTest", { test: word(`test.${step.testId}`) })}
              </Link>
            )}
          </li>
        ))}
      </ol>
      {open.length > 0 && (
        <div className="bg-panel pt-1 lg:sticky lg:bottom-0">
          <Button
            filled
            large
            className="w-full"
            disabled={sending || page.busy || told.length === 0}
            onClick={() => void enter()}
          >
            {told.length === 1 ? say("stepDone") : say("stepsDone", { count: told.length })}
            {stays > 0 && ` · ${say("stepsStay", { count: stays })}`}
          </Button>
        </div>
      )}
    </section>
  );
}

/** Reseal or renew, chosen where it is decided. */
function Rework({ ways, page }: { ways: Repair["ways"]; page: RepairPage }) {
  const rework = ways.find((one) => one.school === REWORK);
  if (!rework) return null;
  return (
    <Schools
      schools={[REWORK]}
      ways={{ [REWORK]: rework.way }}
      onWay={(school, way) => void page.enter("ways", { school, way })}
    />
  );
}

interface RowProps {
  step: WorkStep;
  counts: boolean;
  onCounts: (counts: boolean) => void;
  page: RepairPage;
}

/** One step: what to do, what can hurt, and whether it is among those that are told. */
function StepRow({ step, counts, onCounts, page }: RowProps) {
  const settings = useSettings();
  const { word, person } = settings;
  return (
    <>
      <div className="flex flex-wrap items-start gap-3">
        <p className={clsx("min-w-0 flex-1 basis-64 text-lg", (isDone(step) || !counts) && "text-soft")}>
          {stepText(step.key, settings)}
          {step.optional && <span className="ml-2 text-sm text-soft">{say("whereItApplies")}</span>}
        </p>
        {step.done ? (
          <span className="flex items-center gap-3">
            <span className="text-sm text-soft">
              {say("doneBy", { name: person(step.done.personId) })}
              {step.done.measured.map((m) => ` · ${word(`asked.${m.id}`)} ${m.text} ${m.unit}`)}
            </span>
            <Button
              disabled={page.busy}
              onClick={() =>
                void page.enter("strikes", { struckId: step.done?.entryId ?? "", why: say("tickedWrongly") })
              }
            >
              {say("untick")}
            </Button>
          </span>
        ) : step.already ? (
          <span className="text-sm text-soft">{say("alreadySo")}</span>
        ) : (
          <button
            type="button"
            aria-pressed={counts}
            aria-label={`${say(counts ? "stepCounts" : "stepLater")}: ${stepText(step.key, settings)}`}
            className="flex min-h-11 min-w-11 items-center justify-end gap-2"
            onClick={() => onCounts(!counts)}
          >
            <span className="text-sm text-soft">
              {step.optional ? say(counts ? "stepApplies" : "stepNotHere") : counts ? "" : say("stepLater")}
            </span>
            <span
              aria-hidden="true"
              className="grid size-9 place-items-center border-2 border-ink text-2xl leading-none"
            >
              {counts ? "✓" : ""}
            </span>
          </button>
        )}
      </div>
      {!isDone(step) && step.cautionIds.length > 0 && (
        <div role="note" className="grid gap-1 border border-caution bg-caution-ground p-2">
          {step.cautionIds.map((id) => (
            <p key={id}>{word(`caution.${id}`)}</p>
          ))}
        </div>
      )}
      {!isDone(step) && step.helper && <p className="text-soft">{word(`repair.${step.id}.alone`)}</p>}
    </>
  );
}

interface AskedProps {
  step: WorkStep;
  typed: Record<string, string>;
  onType: (id: string, text: string) => void;
  why: string;
  onWhy: (text: string) => void;
}

/** The figures of a step, judged as they are typed. */
function Asked({ step, typed, onType, why, onWhy }: AskedProps) {
  const { word } = useSettings();
  if (step.asks.length === 0) return null;
  const wrong = step.asks.some((asked) => differs(asked, typed[asked.id] ?? ""));
  const together = apart(step, typed);
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        {step.asks.map((asked) => (
          <label key={asked.id} className="grid grid-cols-[1fr_auto] gap-1">
            <span>{word(`asked.${asked.id}`)}</span>
            <span className="figures text-soft">
              {asked.listed === undefined ? say("makersFigure") : say("listed", { value: `${asked.listed} mm` })}
            </span>
            <span className="col-span-2 flex min-h-14 items-center border-2 border-ink pr-3">
              <input
                inputMode="decimal"
                autoComplete="off"
                maxLength={40}
                value={typed[asked.id] ?? ""}
                onChange={(e) => onType(asked.id, e.target.value)}
                className="figures w-full min-w-0 bg-transparent px-3 text-right text-2xl font-semibold"
              />
              <span className="figures text-soft">mm</span>
            </span>
          </label>
        ))}
      </div>
      {(wrong || together.length > 0 || step.mismatched) && (
        <div role="alert" className="grid gap-2 border-2 border-danger p-3">
          {(wrong || (step.mismatched && together.length === 0)) && (
            <p className="font-semibold">{say("partDiffers")}</p>
          )}
          {together.map((one) => (
            <p key={one.word} className="figures font-semibold">
              {word(one.word, {
                by: one.by.toFixed(1),
                turns: (one.by / PITCH_MM).toFixed(1),
              })}
            </p>
          ))}
          <label className="grid gap-1">
            <span>{say("whyTaken")}</span>
            <input
              value={why}
              maxLength={400}
              onChange={(e) => onWhy(e.target.value)}
              className="min-h-14 border-2 border-ink px-3 text-lg"
            />
          </label>
        </div>
      )}
    </>
  );
}
