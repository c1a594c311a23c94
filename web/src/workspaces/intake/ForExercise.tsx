import { Link } from "react-router";
import { useSettings } from "../../domain/settings";
import type { Exercise } from "../../domain/types";
import { say } from "../../domain/words";

/** The intake of an exercise: vehicle and complaint are told, the rest is asked as of any driver. */
export function ForExercise({ exercise }: { exercise: Exercise }) {
  const { word } = useSettings();
  const { line } = exercise;
  return (
    <section className="practice-band ml-5 grid gap-2 py-3 pr-3">
      <p className="label font-semibold uppercase">{say("practiceBand")}</p>
      {line.lessonId !== undefined && <p className="text-lg">{word(`lesson.${line.lessonId}.before`)}</p>}
      <p>
        {say("practiceIntakeHow")}{" "}
        <Link to={`/practice/${line.id}`} className="underline">
          {say("practiceVehicle")}
        </Link>
      </p>
    </section>
  );
}
