import { suspicionHidden } from "../../domain/practice";
import { useMayAccept } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { minutes, percent } from "../../domain/units";
import { GoOn } from "../../ui/GoOn";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { walkIsNext } from "../walk/state";
import { nextText } from "../../domain/status";
import { isLever, moneyText, nextLine, reasonText, stopOrTest, whereText } from "./state";

interface Props {
  job: Job;
  onStart: (procedureId: string) => void;
  onOthers: () => void;
  onCannot: () => void;
  onAccept: () => void;
}

const testName = (test: { procedureId: string; anotherRig: boolean }, word: (id: string) => string): string =>
  `${word(`test.${test.procedureId}`)}${test.anotherRig ? `, ${say("anotherRig")}` : ""}`;

/** The one thing to do next, with its reason and its minutes. */
export function NextStrip(props: Props) {
  const { job } = props;
  const next = job.assessment.next;
  if (job.withdrawn !== undefined) return <GivenUp why={job.withdrawn} />;
  if (job.accepted) return <AfterVerdict {...props} />;
  if (!next || job.status.next.kind === "DECIDE") return <Decide {...props} />;
  return <Next {...props} next={next} />;
}

function Next({ job, next, onStart, onOthers, onCannot }: Props & { next: NonNullable<Job["assessment"]["next"]> }) {
  const { word, layout } = useSettings();
  const waste = minutes(job.assessment.verdict?.wrongPartMinutes ?? 0);
  const caution = next.needs.opened !== "NOTHING" && job.vehicleState.opened === "NOTHING";
  return (
    <section aria-label={say("next")} className={STRIP}>
      <div className="min-w-0 flex-1 basis-72">
        <p className="caps">{nextLine(next, job, isLever(layout(job.layoutId)))}</p>
        <h2 className="text-[1.65rem] leading-tight font-semibold">
          {walkIsNext(job) ? say("firstWalk") : testName(next, word)}
        </h2>
        <p className="mt-0.5 text-[1.05rem]">{reasonText(next, job.assessment, word)}</p>
        <p className="text-sm text-soft">
          {next.stateMinutes >= 1 ? `${say("stateExtra", { minutes: minutes(next.stateMinutes) })}. ` : ""}
          {next.reason.kind === "GATE"
            ? ""
            : job.assessment.anotherTestPays
              ? `${stopOrTest(next, job.assessment.verdict)} ${say("actNowOrTest", { waste })}`
              : say("worthNoTest", { waste })}{" "}
          {moneyText(job.assessment)}
        </p>
        {caution && (
          <p className="mt-1 border border-caution bg-caution-ground px-2 py-1 text-sm">
            {word("caution.before-opening")}
          </p>
        )}
      </div>
      <div className="grid gap-1 max-sm:w-full">
        <Button filled large className="min-w-40" onClick={() => onStart(next.procedureId)}>
          {say("startTest")}
        </Button>
        <p className="flex justify-center gap-4 text-sm">
          <button type="button" className="min-h-11 underline" onClick={onOthers}>
            {say("otherTests")}
          </button>
          <button type="button" className="min-h-11 underline" onClick={onCannot}>
            {say("cannotHere")}
          </button>
        </p>
      </div>
    </section>
  );
}

function GivenUp({ why }: { why: string }) {
  const { word } = useSettings();
  return (
    <section
      aria-label={say("next")}
      className="border-t-2 border-ink bg-panel px-4 py-3 max-lg:order-1 max-lg:border-t-0 max-lg:border-b-2"
    >
      <p className="caps">{word("stage.given-up")}</p>
      <h2 className="text-[1.65rem] leading-tight font-semibold">{why}</h2>
      <p>{say("withdrawUndo")}</p>
    </section>
  );
}

const STRIP =
  "flex flex-wrap items-center gap-x-6 gap-y-3 border-t-2 border-ink bg-panel px-4 py-3 max-lg:order-1 max-lg:border-t-0 max-lg:border-b-2";

/** What is done next in a decided job, and the way there: as every other page says it. */
function AfterVerdict({ job, onOthers, onAccept }: Props) {
  const settings = useSettings();
  const { word } = settings;
  const mayAccept = useMayAccept();
  const { next, decided } = job.status;
  const remedy = (decided?.remedyIds ?? []).map((id) => word(`remedy.${id}`)).join(` ${say("and")} `);
  return (
    <section aria-label={say("next")} className={STRIP}>
      <div className="min-w-0 flex-1 basis-72">
        <p className="caps">{word(`stage.${job.stage}`)}</p>
        <h2 className="text-[1.65rem] leading-tight font-semibold">{nextText(next, settings)}</h2>
        <p className="mt-0.5">
          {suspicionHidden(job) ? remedy : `${remedy} · ${word(`turned-out.${decided?.turnedOut}`)}`}
        </p>
      </div>
      <div className="flex items-center gap-4">
        {!suspicionHidden(job) && job.assessment.verdict && mayAccept(job.assessment.verdict.grade) && (
          <button type="button" className="min-h-11 text-sm underline" onClick={onAccept}>
            {say("acceptOther")}
          </button>
        )}
        <button type="button" className="min-h-11 text-sm underline" onClick={onOthers}>
          {say("otherTests")}
        </button>
        <GoOn job={job} />
      </div>
    </section>
  );
}

/** Proven, or no test left that is worth its minutes: the verdict waits to be accepted; one can test on. */
function Decide({ job, onAccept, onOthers, onStart }: Props) {
  const { word } = useSettings();
  const mayAccept = useMayAccept();
  const { verdict, next } = job.assessment;
  if (!verdict) return null;
  const where = whereText(verdict, word);
  const why = verdict.grade === "PROVEN" ? "waitsDecision" : next ? "waitsWorth" : "waitsNothing";
  return (
    <section aria-label={say("next")} className={STRIP}>
      <div className="flex-1 basis-72">
        <p className="caps">
          {verdict.grade === "PROVEN" ? "" : `${say(`grade${verdict.grade}`)} · ${percent(verdict.probability)} · `}
          {say(why)}
        </p>
        <h2 className="text-[1.65rem] leading-tight font-semibold">
          {verdict.remedyIds.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `)}
        </h2>
        {where && <p className="text-[1.05rem]">{where}</p>}
        {next && (
          <p className="text-sm text-soft">
            {say("actNowOrTest", { waste: minutes(verdict.wrongPartMinutes) })} {moneyText(job.assessment)}
          </p>
        )}
        {next && (
          <button type="button" className="min-h-11 text-left underline" onClick={() => onStart(next.procedureId)}>
            {say("testOn", { test: testName(next, word), minutes: minutes(next.minutes) })}
          </button>
        )}
      </div>
      <div className="grid gap-1 max-sm:w-full">
        {mayAccept(verdict.grade) ? (
          <Button filled large className="min-w-40" onClick={onAccept}>
            {say("acceptVerdict")}
          </Button>
        ) : (
          <p role="note" className="max-w-60">
            {say("acceptByTechnician")}
          </p>
        )}
        <button type="button" className="min-h-11 text-sm underline" onClick={onOthers}>
          {say("otherTests")}
        </button>
      </div>
    </section>
  );
}
