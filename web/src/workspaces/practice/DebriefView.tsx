import clsx from "clsx";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useParams } from "react-router";
import { api, told } from "../../domain/api";
import { useMe } from "../../domain/session";
import { ForVehicle, useSettings } from "../../domain/settings";
import type { Debrief, Exercise, Route } from "../../domain/types";
import { minutes, percent } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { ShareBar } from "../../ui/Hatch";
import { Failed, Loading } from "../../ui/States";
import { Tag, TopStrip } from "../../ui/TopStrip";
import { useExercise, useSet } from "./usePractice";

/** The end of an exercise: what was hidden, how it was found, how others would have found it. */
export function DebriefView() {
  const { exerciseId = "" } = useParams();
  const exercise = useExercise(exerciseId);
  if (exercise.isPending) return <Loading />;
  if (exercise.isError) return <Failed error={exercise.error} again={() => void exercise.refetch()} />;
  return (
    <ForVehicle layoutId={exercise.data.line.layoutId}>
      {exercise.data.line.points === undefined ? (
        <BeforeTheEnd exercise={exercise.data} />
      ) : (
        <Told exercise={exercise.data} />
      )}
    </ForVehicle>
  );
}

/** Once it is told what was hidden there is no way back: that is asked first. */
function BeforeTheEnd({ exercise }: { exercise: Exercise }) {
  const { layout } = useSettings();
  const me = useMe();
  const { line } = exercise;
  const queries = useQueryClient();
  const entryId = useRef(crypto.randomUUID());
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState("");
  const end = async () => {
    setBusy(true);
    try {
      const debrief = await api.endExercise(line.id, entryId.current);
      queries.setQueryData(["debrief", line.id], debrief);
      await Promise.all(
        [["exercise", line.id], ["practice"], ["job", line.id]].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      );
    } catch (e) {
      setRefused(told(e as Error));
      setBusy(false);
    }
  };
  return (
    <>
      <TopStrip title={say("practiceEnd")} />
      <main className="mx-auto grid max-w-2xl gap-5 p-8">
        <h2 className="text-3xl font-semibold">{layout(line.layoutId).name}</h2>
        <p className="text-lg">{say(line.opened ? "practiceEndWhy" : "practiceEndNotOpened")}</p>
        {refused !== "" && (
          <p role="alert" className="border-2 border-danger p-3">
            {refused}
          </p>
        )}
        {line.opened && line.personId === me.id && (
          <Button filled large disabled={busy} onClick={() => void end()}>
            {say(busy ? "practiceEnding" : "practiceEndGo")}
          </Button>
        )}
        <Link
          to={line.opened ? `/jobs/${line.id}` : "/practice"}
          className="grid min-h-11 place-items-center underline"
        >
          {say("back")}
        </Link>
      </main>
    </>
  );
}

function Told({ exercise }: { exercise: Exercise }) {
  const { word, layout } = useSettings();
  const me = useMe();
  const { line } = exercise;
  const set = useSet();
  const debrief = useQuery({
    queryKey: ["debrief", line.id],
    queryFn: () => api.debrief(line.id),
    staleTime: Infinity,
  });
  if (debrief.isPending) return <Loading />;
  if (debrief.isError) return <Failed error={debrief.error} again={() => void debrief.refetch()} />;
  const { data } = debrief;
  const cause = (id: string) => word(id.startsWith("sludge") ? `fault.${id}` : `suspect.${id}`);
  const own = data.routes.find((route) => route.who === "own");
  return (
    <>
      <TopStrip title={say("practiceDebrief")} quote={layout(line.layoutId).name}>
        <Tag tone={own?.right ? "cool" : "caution"}>{say("points", { points: data.points })}</Tag>
      </TopStrip>
      <main className="mx-auto grid max-w-5xl gap-7 p-4 md:p-8">
        <section aria-label={say("debriefTruth")} className="border-2 border-ink bg-panel p-4">
          <p className="caps">{say("debriefTruth")}</p>
          <h2 className="text-3xl font-semibold">
            {data.causes.length === 0 ? word("suspect.nothing-wrong") : data.causes.map(cause).join(` ${say("and")} `)}
          </h2>
          <p className="mt-1 text-lg">
            {say("debriefNeeded", { what: data.needed.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `) })}
            {data.lyingRig !== undefined && ` ${say("debriefLied", { rig: word(`rig.${data.lyingRig}`) })}`}
            {data.shownShare < 1 && ` ${say("debriefSometimes", { share: percent(data.shownShare) })}`}
          </p>
          {line.lessonId !== undefined && (
            <p className="mt-3 max-w-prose text-lg">{word(`lesson.${line.lessonId}.after`)}</p>
          )}
        </section>
        {data.stopped !== undefined && (
          <p role="alert" className="border-4 border-danger p-3 text-lg">
            {word(`hazard.${data.stopped}`)}
          </p>
        )}
        <Routes routes={data.routes} />
        <Steps debrief={data} />
        {(data.mishaps.length > 0 || data.helps > 0) && (
          <section aria-label={say("debriefMishaps")}>
            <h2 className="mb-2 text-2xl font-semibold">{say("debriefMishaps")}</h2>
            {data.helps > 0 && <p>{say("debriefHelps", { count: data.helps })}</p>}
            {data.mishaps.map((mishap, at) => (
              <p key={at} className="border-l-4 border-caution pl-3">
                {word(`mishap.${mishap}`)}
              </p>
            ))}
          </section>
        )}
        {data.claims.length > 0 && <Claims claims={data.claims} />}
        <div className="flex flex-wrap gap-3">
          {line.lessonId !== undefined && line.personId === me.id && (
            <Button large onClick={() => set.mutate(line.lessonId === undefined ? {} : { lessonId: line.lessonId })}>
              {say("courseAgain")}
            </Button>
          )}
          <Link
            to="/practice"
            className="grid min-h-16 flex-1 place-items-center border-2 border-ink bg-fill px-6 text-xl font-semibold text-fill-ink"
          >
            {say("debriefOn")}
          </Link>
        </div>
      </main>
    </>
  );
}

/** The own way beside those of planner and chart on the same vehicle. */
function Routes({ routes }: { routes: Route[] }) {
  const { word } = useSettings();
  return (
    <section aria-label={say("debriefRoutes")} className="overflow-x-auto">
      <h2 className="mb-2 text-2xl font-semibold">{say("debriefRoutes")}</h2>
      <table className="w-full min-w-[36rem] border-t-2 border-ink text-left">
        <thead>
          <tr className="caps border-b border-rule">
            <th className="py-1 pr-4 font-medium">{say("debriefWho")}</th>
            <th className="pr-4 font-medium">{say("debriefNamed")}</th>
            <th className="pr-4 text-right font-medium">{say("debriefTests")}</th>
            <th className="pr-4 text-right font-medium">{say("debriefMinutes")}</th>
            <th className="pr-4 text-right font-medium">{say("debriefWrongParts")}</th>
            <th className="text-right font-medium">{say("debriefCost")}</th>
          </tr>
        </thead>
        <tbody>
          {routes.map((route) => (
            <tr
              key={route.who}
              className={clsx("border-b border-rule", route.who === "own" && "bg-panel font-semibold")}
            >
              <td className="py-2 pr-4">{route.who === "own" ? say("debriefOwn") : word(`trainee.${route.who}`)}</td>
              <td className="pr-4">
                {route.named.length === 0
                  ? say("debriefNothingNamed")
                  : route.named.map((id) => word(`remedy.${id}.short`)).join(` ${say("and")} `)}
                <span className={clsx("block text-sm font-normal", route.right ? "text-cool-text" : "text-hot-text")}>
                  {say(route.right ? "debriefRight" : "debriefWrong")}
                </span>
              </td>
              <td className="figures pr-4 text-right">{route.tests.length}</td>
              <td className="figures pr-4 text-right">{minutes(route.minutes)}</td>
              <td className="figures pr-4 text-right">{route.wrongParts}</td>
              <td className="figures text-right">{minutes(route.costMinutes)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-soft">{say("debriefCostWhy")}</p>
    </section>
  );
}

/** Reading by reading: where what was true stood before and after it; one step at a time, or all. */
function Steps({ debrief }: { debrief: Debrief }) {
  const { word } = useSettings();
  const [upTo, setUpTo] = useState(debrief.steps.length);
  const { knowableAt } = debrief;
  return (
    <section aria-label={say("debriefSteps")}>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h2 className="flex-1 text-2xl font-semibold">{say("debriefSteps")}</h2>
        <Button disabled={upTo === 0} onClick={() => setUpTo(Math.max(0, upTo - 1))}>
          {say("debriefStepBack")}
        </Button>
        <Button disabled={upTo === debrief.steps.length} onClick={() => setUpTo(upTo + 1)}>
          {say("debriefStepOn")}
        </Button>
      </div>
      <p className="mb-2">
        {knowableAt === undefined
          ? say("debriefNeverKnowable")
          : knowableAt <= 1
            ? say("debriefKnownAtOnce")
            : say("debriefKnowable", { reading: knowableAt })}
      </p>
      <ol className="border-t-2 border-ink">
        {debrief.steps.slice(0, upTo).map((step, at) => (
          <li
            key={step.readingId}
            className={clsx(
              "grid gap-1 border-b border-rule bg-panel p-3",
              at + 1 === knowableAt && "border-l-8 border-l-cool",
            )}
          >
            <p className="flex justify-between gap-4">
              <span className="font-semibold">
                {at + 1}. {word(`test.${step.procedureId}`)}
              </span>
              <span className="figures whitespace-nowrap">
                {percent(step.truthBefore)} → {percent(step.truthAfter)}
              </span>
            </p>
            <ShareBar id={`step-${at}`} share={step.truthAfter} />
            <p className="text-sm text-soft">
              {say("debriefLed", { what: word(`remedy.${step.leadAfter}.short`) })}
              {step.misread && ` · ${say("debriefMisread")}`}
              {step.needless && ` · ${say("debriefNeedless")}`}
            </p>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** How sure somebody was beside how sure the planner then was. */
function Claims({ claims }: { claims: Debrief["claims"] }) {
  const { word } = useSettings();
  return (
    <section aria-label={say("debriefClaims")}>
      <h2 className="mb-2 text-2xl font-semibold">{say("debriefClaims")}</h2>
      <ul>
        {claims.map((claim, at) => (
          <li key={at} className="flex flex-wrap justify-between gap-x-4 border-b border-rule py-1">
            <span>{word(`remedy.${claim.remedyId}.short`)}</span>
            <span className="figures">
              {say("debriefClaim", { own: claim.percent, planner: percent(claim.planner) })} ·{" "}
              {say(claim.needed ? "debriefHeld" : "debriefHeldNot")}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
