import { useSettings } from "../../domain/settings";
import type { Assessment, Figure, Job, Test, Unit } from "../../domain/types";
import { suspicionHidden } from "../../domain/practice";
import { percent } from "../../domain/units";
import { say } from "../../domain/words";
import { NOTHING_WRONG } from "../../domain/types";
import { ShareBar } from "../../ui/Hatch";
import { nextText } from "../../domain/status";
import { AsBefore, Ruler } from "../../ui/Ruler";
import { value, type RunnerDraft } from "./state";

interface Props {
  before: Assessment;
  job: Job;
  test: Test;
  draft: RunnerDraft;
  unitFor: (f: Figure) => Unit;
}

/** What the reading changed: each suspect before and after, and the mark on its ruler. */
export function OutcomePage({ before, job, test, draft, unitFor }: Props) {
  const settings = useSettings();
  const { word, figure, catalogue } = settings;
  const { verdict } = job.assessment;
  const hidden = suspicionHidden(job);
  const was = new Map(before.suspects.map((s) => [s.suspectId, s.probability]));
  const moved = [...job.assessment.suspects]
    .sort(
      (a, b) =>
        Math.abs(b.probability - (was.get(b.suspectId) ?? 0)) - Math.abs(a.probability - (was.get(a.suspectId) ?? 0)),
    )
    .slice(0, 5);
  const marked = test.figures.filter((f) => value(draft, f, unitFor(f), catalogue.units) !== undefined).slice(-1);
  return (
    <div className="grid gap-5">
      <h2 className="text-3xl font-semibold">{say(hidden ? "practiceEntered" : "whatChanged")}</h2>
      {hidden && <p className="text-lg">{say("practiceEnteredWhy")}</p>}
      {marked.map((f) => (
        <Ruler
          key={f.id}
          figure={f}
          mark={value(draft, f, unitFor(f), catalogue.units)}
          title={figure(test.id, f.id)}
        />
      ))}
      {!hidden && (
        <table className="w-full text-left text-lg">
          <thead>
            <tr className="caps">
              <th className="font-normal">{say("suspects")}</th>
              <th className="figures w-24 text-right font-normal">{say("before")}</th>
              <th className="figures w-24 text-right font-normal">{say("after")}</th>
            </tr>
          </thead>
          <tbody>
            {moved.map((s) => (
              <tr key={s.suspectId} className="border-t border-rule align-middle">
                <td className="py-2 pr-3">
                  <span className="label font-semibold">{word(`suspect.${s.suspectId}`)}</span>
                  <ShareBar id={`out-${s.suspectId}`} share={s.probability} sound={s.suspectId === NOTHING_WRONG} />
                </td>
                <td className="figures text-right text-soft">{percent(was.get(s.suspectId) ?? 0)}</td>
                <td className="figures just-changed text-right font-semibold">{percent(s.probability)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {marked.map((f) => (
        <AsBefore key={f.id} figure={f} mark={value(draft, f, unitFor(f), catalogue.units)} />
      ))}
      {hidden ? null : verdict ? (
        <p className="text-lg">
          <span className="label font-semibold">{say(`grade${verdict.grade}`)}</span> ·{" "}
          {word(`remedy.${verdict.remedyId}`)} · {percent(verdict.probability)}
        </p>
      ) : (
        <p className="text-lg">
          <span className="label font-semibold">{word(`stage.${job.stage}`)}</span> ·{" "}
          {nextText(job.status.next, settings)}
        </p>
      )}
    </div>
  );
}
