import { useState } from "react";
import { Link } from "react-router";
import { told } from "../../domain/api";
import { useMay, useMe } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import type { ExerciseLine, Practice } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";
import { Calibration } from "./Calibration";
import { SetForOthers } from "./SetForOthers";
import { whereTo } from "./state";
import { usePracticePage, useSet } from "./usePractice";

/** Practice: the course, an exercise of one's own, and how the last ones went. */
export function PracticeView() {
  const page = usePracticePage();
  const may = useMay();
  if (page.isPending) return <Loading />;
  if (page.isError) return <Failed error={page.error} again={() => void page.refetch()} />;
  return (
    <>
      <TopStrip title={say("practice")} />
      <main className="sheet-grid min-h-[calc(100dvh-3rem)] p-4 md:p-8">
        <div className="mx-auto grid max-w-6xl gap-8 lg:grid-cols-[1.2fr_1fr]">
          <Course page={page.data} />
          <div className="grid content-start gap-8">
            <OneOfOnesOwn page={page.data} />
            {may("SET_EXERCISE") && <SetForOthers page={page.data} />}
            <Calibration claims={page.data.claims} />
            <Done lines={page.data.exercises} />
          </div>
        </div>
      </main>
    </>
  );
}

function Course({ page }: { page: Practice }) {
  const { word, layout } = useSettings();
  const me = useMe();
  const set = useSet();
  const done = (lesson: string) =>
    page.exercises.find((e) => e.lessonId === lesson && e.personId === me.id && e.points !== undefined);
  const due = (lesson: Practice["lessons"][number]) =>
    lesson.dueOn !== undefined && lesson.dueOn <= new Date().toISOString().slice(0, 10);
  const next = page.lessons.find(due) ?? page.lessons.find((lesson) => !done(lesson.id));
  return (
    <section aria-label={say("course")}>
      <h2 className="mb-1 text-2xl font-semibold">{say("course")}</h2>
      <p className="mb-3 max-w-prose">{say("courseWhy")}</p>
      {set.isError && (
        <p role="alert" className="mb-3 border-2 border-danger p-3">
          {told(set.error)}
        </p>
      )}
      <ol className="border-t-2 border-ink">
        {page.lessons.map((lesson, at) => {
          const ended = done(lesson.id);
          return (
            <li key={lesson.id} className="flex items-center gap-4 border-b-2 border-ink bg-panel p-3">
              <span className="figures w-8 text-2xl text-soft">{at + 1}</span>
              <span className="min-w-0 flex-1">
                <span className="block text-lg font-semibold">{word(`lesson.${lesson.id}`)}</span>
                <span className="text-soft">
                  {layout(lesson.layoutId).name}
                  {ended && ` · ${say("points", { points: ended.points ?? 0 })}`}
                  {due(lesson) && ` · ${say("courseDue")}`}
                </span>
              </span>
              <Button
                filled={lesson.id === next?.id}
                disabled={set.isPending}
                onClick={() => set.mutate({ lessonId: lesson.id })}
              >
                {say(ended ? "courseAgain" : "courseBegin")}
              </Button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function OneOfOnesOwn({ page }: { page: Practice }) {
  const { word, catalogue } = useSettings();
  const set = useSet();
  const [layoutId, setLayoutId] = useState("");
  const [kind, setKind] = useState("");
  const [level, setLevel] = useState("everyday");
  return (
    <section aria-label={say("practiceOwn")} className="grid gap-3 border-2 border-ink bg-panel p-4">
      <h2 className="text-2xl font-semibold">{say("practiceOwn")}</h2>
      <label className="grid gap-1">
        <span className="caps">{say("practiceCircuitOf")}</span>
        <select
          value={layoutId}
          onChange={(e) => setLayoutId(e.target.value)}
          className="min-h-11 border-2 border-ink px-3"
        >
          <option value="">{say("practiceWhatComes")}</option>
          {catalogue.layouts
            .filter((l) => !l.withdrawn)
            .map((l) => (
              <option key={l.id} value={l.id}>
                {l.name}
              </option>
            ))}
        </select>
      </label>
      <label className="grid gap-1">
        <span className="caps">{say("practiceHidden")}</span>
        <select value={kind} onChange={(e) => setKind(e.target.value)} className="min-h-11 border-2 border-ink px-3">
          <option value="">{say("practiceWhatComes")}</option>
          {page.kinds.map((one) => (
            <option key={one} value={one}>
              {word(`exercise.${one}`)}
            </option>
          ))}
        </select>
      </label>
      <Choice
        label={say("practiceLevel")}
        value={level}
        onChange={setLevel}
        options={page.levels.map((one) => ({ value: one, text: word(`exercise.level.${one}`) }))}
      />
      <p className="text-soft">{word(`exercise.level.${level}.means`)}</p>
      {set.isError && (
        <p role="alert" className="border-2 border-danger p-3">
          {told(set.error)}
        </p>
      )}
      <Button
        large
        disabled={set.isPending}
        onClick={() =>
          set.mutate({
            level,
            ...(layoutId === "" ? {} : { layoutId }),
            ...(kind === "" ? {} : { kind }),
          })
        }
      >
        {say("practiceBegin")}
      </Button>
    </section>
  );
}

function Done({ lines }: { lines: ExerciseLine[] }) {
  const { word, layout, person } = useSettings();
  const me = useMe();
  return (
    <section aria-label={say("practiceDone")}>
      <h2 className="mb-2 text-2xl font-semibold">{say("practiceDone")}</h2>
      {lines.some((line) => line.points !== undefined) && (
        <Link to="/practice/results" className="mb-2 flex min-h-11 items-center underline">
          {say("practiceResults")}
        </Link>
      )}
      {lines.length === 0 && <p className="border-2 border-dashed border-rule bg-panel p-6">{say("practiceNone")}</p>}
      <ul>
        {lines.map((line) => (
          <li key={line.id} className="border-b border-rule bg-panel">
            <Link to={whereTo(line, line.personId === me.id)} className="flex gap-4 p-3 hover:bg-ground">
              <span className="min-w-0 flex-1">
                <span className="block font-semibold">
                  {line.lessonId === undefined ? layout(line.layoutId).name : word(`lesson.${line.lessonId}`)}
                </span>
                <span className="text-sm text-soft">
                  {person(line.personId)} · {new Date(line.setAt).toLocaleDateString()}
                  {line.kind !== undefined && ` · ${word(`exercise.${line.kind}`)}`}
                </span>
              </span>
              <span className="figures text-xl whitespace-nowrap">
                {line.points === undefined ? say("practiceGoesOn") : say("points", { points: line.points })}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
