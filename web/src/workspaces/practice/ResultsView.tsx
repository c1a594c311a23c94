import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../../domain/api";
import { useMe } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import type { ExerciseLine, PracticeResults } from "../../domain/types";
import { percent } from "../../domain/units";
import { say } from "../../domain/words";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";
import { median, sureness, whereTo } from "./state";

/** How exercises went: by person, and side by side where several people had the same vehicle. */
export function ResultsView() {
  const results = useQuery({ queryKey: ["practice", "results"], queryFn: api.practiceResults });
  if (results.isPending) return <Loading />;
  if (results.isError) return <Failed error={results.error} again={() => void results.refetch()} />;
  return (
    <>
      <TopStrip title={say("practiceResults")} />
      <main className="sheet-grid min-h-[calc(100dvh-3rem)] p-4 md:p-8">
        <div className="mx-auto grid max-w-6xl gap-8">
          <Link to="/practice" className="flex min-h-11 items-center underline">
            {say("practice")}
          </Link>
          <People people={results.data.people} />
          <Classes classes={results.data.classes} />
        </div>
      </main>
    </>
  );
}

function People({ people }: { people: PracticeResults["people"] }) {
  const { person } = useSettings();
  if (people.length === 0) {
    return <p className="border-2 border-dashed border-rule bg-panel p-6">{say("resultsNone")}</p>;
  }
  return (
    <section aria-label={say("resultsPeople")} className="border-2 border-ink bg-panel p-4">
      <h2 className="mb-2 text-2xl font-semibold">{say("resultsPeople")}</h2>
      <ul>
        {people.map((one) => (
          <li
            key={one.personId}
            className="grid grid-cols-2 gap-x-6 gap-y-1 border-t border-rule py-3 md:grid-cols-[1.2fr_0.8fr_1fr_1.4fr_1.6fr]"
          >
            <span className="text-lg font-semibold max-md:col-span-2">{person(one.personId)}</span>
            <Told label={say("resultsRight")}>
              {one.right} / {one.done}
            </Told>
            <Told label={say("resultsPoints")}>{say("resultsOfHundred", { points: Math.round(one.points) })}</Told>
            <Told label={say("resultsLatest")}>{one.latest.join(" · ")}</Told>
            <Told label={say("resultsSure")}>{sureTold(one.claims)}</Told>
          </li>
        ))}
      </ul>
    </section>
  );
}

const sureTold = (claims: PracticeResults["people"][number]["claims"]): string => {
  const so = sureness(claims);
  return so === undefined
    ? "–"
    : say("resultsSureTold", { claimed: percent(so.claimed), held: percent(so.held), count: so.count });
};

function Told({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <span>
      <span className="block text-sm text-soft">{label}</span>
      <span className="figures">{children}</span>
    </span>
  );
}

function Classes({ classes }: { classes: PracticeResults["classes"] }) {
  return (
    <section aria-label={say("resultsClasses")}>
      <h2 className="mb-2 text-2xl font-semibold">{say("resultsClasses")}</h2>
      {classes.length === 0 && (
        <p className="border-2 border-dashed border-rule bg-panel p-6">{say("resultsClassesNone")}</p>
      )}
      <div className="grid items-start gap-4 md:grid-cols-2">
        {classes.map((one) => (
          <OneClass key={one.people[0]?.id} one={one} />
        ))}
      </div>
    </section>
  );
}

function OneClass({ one }: { one: PracticeResults["classes"][number] }) {
  const { word, layout } = useSettings();
  const points = one.people.flatMap((line) => (line.points === undefined ? [] : [line.points]));
  const hidden = one.suspectIds.map((id) => word(`suspect.${id}`)).join(", ");
  return (
    <section className="border-2 border-ink bg-panel p-4">
      <h3 className="text-lg font-semibold">
        {one.lessonId === undefined ? layout(one.layoutId).name : word(`lesson.${one.lessonId}`)}
      </h3>
      <p className="text-soft">
        {new Date(one.setAt).toLocaleDateString()} · {word(`exercise.level.${one.level}`)}
      </p>
      {one.kind !== undefined && (
        <p>{say("resultsHidden", { what: hidden === "" ? word(`exercise.${one.kind}`) : hidden })}</p>
      )}
      <p className="mb-2">
        {points.length === 0
          ? say("resultsClassNobody", { count: one.people.length })
          : say("resultsClassMiddle", { ended: points.length, count: one.people.length, middle: median(points) })}
      </p>
      <ul>
        {one.people.map((line) => (
          <Person key={line.id} line={line} />
        ))}
      </ul>
    </section>
  );
}

/** One person's points as a bar with its number, a tap from the debrief. */
function Person({ line }: { line: ExerciseLine }) {
  const { person } = useSettings();
  const me = useMe();
  return (
    <li className="border-t border-rule">
      <Link
        to={whereTo(line, line.personId === me.id)}
        className="grid min-h-11 grid-cols-[1fr_5.5rem_7rem] items-center gap-3 py-1 hover:bg-ground"
      >
        <span>{person(line.personId)}</span>
        {line.points === undefined ? (
          <span className="col-span-2 text-right text-soft">
            {say(line.opened ? "practiceGoesOn" : "resultsNotBegun")}
          </span>
        ) : (
          <>
            <span aria-hidden className="h-3 bg-ground">
              <span className="block h-3 bg-ink" style={{ width: `${line.points}%` }} />
            </span>
            <span className="figures text-right">
              {line.points} · {say(line.right ? "resultsOneRight" : "resultsOneWrong")}
            </span>
          </>
        )}
      </Link>
    </li>
  );
}
