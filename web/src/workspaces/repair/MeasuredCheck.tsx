import { useQuery } from "@tanstack/react-query";
import clsx from "clsx";
import { useState } from "react";
import { Link } from "react-router";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import { NOTHING_WRONG, type GateCheck, type Job, type Test } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Ruler } from "../../ui/Ruler";
import { Outcome } from "./Outcome";
import { readingSince } from "./state";
import type { RepairPage } from "./useRepair";

/** Of a hold: the last figure less the first. */
const SANK = "sank";

interface Props {
  job: Job;
  check: GateCheck;
  closedAt: string | undefined;
  live: boolean;
  early: { drivenKm?: number; early?: boolean; seen?: string };
  page: RepairPage;
}

/** A check that is a measurement: entered here or step by step, drawn beside what it was before; its reading decides. */
export function MeasuredCheck({ job, check, closedAt, live, early, page }: Props) {
  const { word } = useSettings();
  const testId = check.testId ?? "";
  const test = useQuery({
    queryKey: ["test", job.id, job.sequence, testId],
    queryFn: () => api.test(job.id, testId),
    enabled: live || check.readingId !== undefined,
  });
  const found = live && check.outcome === undefined ? readingSince(job, testId, closedAt) : undefined;
  return (
    <div className="grid gap-2 border-t border-rule py-3" data-check={check.id}>
      <div className="flex flex-wrap items-center gap-3">
        <p className={clsx("min-w-0 flex-1 basis-64 text-lg", check.outcome === "passed" && "text-soft")}>
          {word(`check.${check.id}`)}
        </p>
        <Outcome check={check} />
      </div>
      {check.seen && <p>{check.seen}</p>}
      {test.data && check.judged.length > 0 && <Judged test={test.data} judged={check.judged} />}
      {live && check.outcome !== "passed" && (
        <>
          {check.cautionId && (
            <p role="note" className="border border-caution bg-caution-ground px-3 py-2 text-sm">
              {word(`caution.${check.cautionId}`)}
            </p>
          )}
          {found && (
            <Button
              filled
              disabled={page.busy}
              onClick={() => void page.enter("checks", { ...early, checkId: check.id, readingId: found.id })}
            >
              {say("takeReading", { time: new Date(found.takenAt).toLocaleTimeString() })}
            </Button>
          )}
          <Measure job={job} check={check} test={test.data} early={early} page={page} />
        </>
      )}
    </div>
  );
}

/** Each figure beside where it had to lie; the last on a ruler, beside what it was before. */
function Judged({ test, judged }: { test: Test; judged: GateCheck["judged"] }) {
  const { figure: named, show, word } = useSettings();
  const drawn = test.figures.filter((f) => judged.some((one) => one.figureId === f.id)).slice(-1)[0];
  if (!drawn) return null;
  const mark = judged.find((one) => one.figureId === drawn.id);
  const sound = { suspectId: NOTHING_WRONG, low: mark?.least ?? 0, high: mark?.most ?? 0 };
  const name = (id: string) => (id === SANK ? say("sank") : named(test.id, id));
  return (
    <div className="grid max-w-xl gap-1">
      <Ruler
        figure={{ ...drawn, bands: [sound] }}
        mark={mark?.value}
        title={`${word(`test.${test.id}`)}: ${named(test.id, drawn.id)}`}
      />
      <ul className="figures flex flex-wrap gap-x-5">
        {judged.map((one) => (
          <li
            key={one.figureId}
            className={clsx((one.value < one.least || one.value > one.most) && "font-semibold text-danger")}
          >
            {say("judgedFigure", {
              figure: name(one.figureId),
              value: show(one.value, drawn.dimension),
              least: show(one.least, drawn.dimension),
              most: show(one.most, drawn.dimension),
            })}
          </li>
        ))}
      </ul>
      {drawn.readBefore !== undefined && mark && (
        <p className="figures text-lg">
          {say(mark.value >= mark.least && mark.value <= mark.most ? "asSound" : "notAsSound", {
            now: show(mark.value, drawn.dimension),
            before: show(drawn.readBefore, drawn.dimension),
          })}
        </p>
      )}
    </div>
  );
}

interface MeasureProps {
  job: Job;
  check: GateCheck;
  test: Awaited<ReturnType<typeof api.test>> | undefined;
  early: Props["early"];
  page: RepairPage;
}

/** The figures of the test behind a check, to be entered at once; each step with its clock is one tap away. */
function Measure({ job, check, test, early, page }: MeasureProps) {
  const { word, figure, unit } = useSettings();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [since, setSince] = useState("");
  const [failing, setFailing] = useState(false);
  const figures = test?.figures ?? [];
  const whole = figures.length > 0 && figures.every((f) => (typed[f.id] ?? "").trim() !== "");
  const again = check.outcome === "failed";
  const enter = async () => {
    const id = crypto.randomUUID();
    const body = {
      procedureId: check.testId ?? "",
      figures: figures.map((f) => ({ id: f.id, text: typed[f.id] ?? "", unit: unit(f.dimension).symbol })),
      observed: "",
      rigCheck: "not-checked",
      anotherRig: false,
    };
    if (!(await page.enter("readings", body, id))) return;
    if (again || early.early || early.drivenKm !== undefined) {
      const told = again ? { seen: since } : {};
      await page.enter("checks", { ...early, ...told, checkId: check.id, readingId: id });
    }
  };
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        {figures.map((f) => (
          <label key={f.id} className="grid gap-1">
            <span className="text-sm text-soft">{figure(check.testId ?? "", f.id)}</span>
            <span className="flex min-h-14 items-center border-2 border-ink pr-2">
              <input
                inputMode="decimal"
                autoComplete="off"
                maxLength={40}
                value={typed[f.id] ?? ""}
                onChange={(e) => setTyped({ ...typed, [f.id]: e.target.value })}
                className="figures w-24 bg-transparent px-2 text-right text-xl font-semibold"
              />
              <span className="figures text-soft">{unit(f.dimension).symbol}</span>
            </span>
          </label>
        ))}
        {again && (
          <label className="grid min-w-0 flex-1 basis-48 gap-1">
            <span className="text-sm text-soft">{say("doneSinceFailed")}</span>
            <input
              value={since}
              maxLength={400}
              onChange={(e) => setSince(e.target.value)}
              className="min-h-14 border-2 border-ink px-3"
            />
          </label>
        )}
        <Button large disabled={page.busy || !whole || (again && since.trim() === "")} onClick={() => void enter()}>
          {say("enterReading")}
        </Button>
      </div>
      <p className="flex flex-wrap gap-5">
        <Link to={`/jobs/${job.id}/tests/${check.testId}`} className="inline-grid min-h-11 content-center underline">
          {say("stepByStep", { test: word(`test.${check.testId}`) })}
        </Link>
        {!failing && !again && (
          <button type="button" className="min-h-11 underline" onClick={() => setFailing(true)}>
            {say("failsAtSight")}
          </button>
        )}
      </p>
      {failing && (
        <div className="flex flex-wrap gap-2">
          <input
            aria-label={say("whatWasSeen")}
            placeholder={say("whatWasSeen")}
            value={since}
            maxLength={400}
            onChange={(e) => setSince(e.target.value)}
            className="min-h-11 flex-1 border-2 border-ink px-3"
          />
          <Button
            disabled={page.busy || since.trim() === ""}
            onClick={() =>
              void page
                .enter("checks", { ...early, checkId: check.id, outcome: "failed", seen: since })
                .then((taken) => taken && (setFailing(false), setSince("")))
            }
          >
            {say("enterFailed")}
          </Button>
        </div>
      )}
    </>
  );
}
