import { useMayAccept } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import type { Job, Overturner } from "../../domain/types";
import { toldAtIntake } from "../../domain/intake";
import { minutes, percent } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { listed, quarrel, whereText } from "./state";

/** Where it stands, what it hangs on, and what would overturn it. */
export function VerdictPanel({ job, onAccept }: { job: Job; onAccept: () => void }) {
  const settings = useSettings();
  const { word } = settings;
  const mayAccept = useMayAccept();
  const { verdict, conflict } = job.assessment;
  if (!verdict) return null;
  const two = quarrel(job.entries);
  const title = say(
    job.accepted ? (job.assessment.suspects.some((s) => s.retired) ? "verdictLeft" : "verdictOther") : "verdictSoFar",
  );
  const against = new Set(
    job.assessment.suspects
      .filter((s) => s.remedyId === verdict.remedyId)
      .flatMap((s) => s.weights.filter((w) => w.oddsFactor < 1).map((w) => w.entryId)),
  );
  const carriers = verdict.carriers
    .filter((id) => !against.has(id))
    .map((id) => job.entries.find((e) => e.id === id)?.procedureId ?? "")
    .map((id) => word(`test.${id}`));
  const where = whereText(verdict, word);
  return (
    <section aria-label={title} className="border-2 border-ink bg-ground p-3" data-grade={verdict.grade}>
      <h2 className="caps">{title}</h2>
      {job.moved && (
        <p role="note" className="mb-2 border border-caution bg-caution-ground px-2 py-1 text-sm">
          {say("movedByUpgrade", {
            remedy: word(`remedy.${job.moved.remedyId}`),
            grade: say(`grade${job.moved.grade}`).toLowerCase(),
            share: percent(job.moved.probability),
          })}{" "}
          {word(`catalogue.${job.moved.since}`)}
        </p>
      )}
      <p className="flex flex-wrap items-baseline justify-between gap-x-3">
        <span className="label text-2xl font-semibold">{say(`grade${verdict.grade}`)}</span>
        <span className="figures text-lg">{percent(verdict.probability)}</span>
      </p>
      <p className="font-semibold">
        {word(`remedy.${verdict.remedyId}`)}
        {verdict.alsoRemedyId && <> {say("alsoNeeded", { remedy: word(`remedy.${verdict.alsoRemedyId}.short`) })}</>}
      </p>
      {where && <p className="text-sm">{where}</p>}
      {job.assessment.justRenewed.length > 0 && (
        <p role="note" className="mt-1 border border-caution bg-caution-ground px-2 py-1 text-sm">
          {say("justRenewed")}
        </p>
      )}
      {verdict.grade !== "OPEN" && carriers.length > 0 && (
        <p className="text-sm">{say("carriedBy", { what: carriers.slice(0, 2).join(", ") })}</p>
      )}
      {two && (
        <p role="alert" className="mt-2 border border-caution bg-caution-ground px-2 py-1 text-sm">
          {say("twoPeople", {
            test: word(`test.${two.other.procedureId}`),
            one: settings.person(two.one.personId),
            other: settings.person(two.other.personId),
          })}
        </p>
      )}
      {conflict && (
        <p role="alert" className="mt-2 border border-caution bg-caution-ground px-2 py-1 text-sm">
          {conflict.repeat
            ? say("conflictRepeat", {
                test: word(`test.${conflict.procedureId}`),
                repeat: word(`test.${conflict.repeat.procedureId}`).toLowerCase(),
                minutes: minutes(conflict.repeat.minutes),
              })
            : say(toldAtIntake(conflict.procedureId) ? "conflictComplaint" : "conflict", {
                test: word(`test.${conflict.procedureId}`),
              })}
        </p>
      )}
      {verdict.missing.length > 0 && (
        <>
          <h3 className="caps mt-2 border-t border-grid pt-2">{say("stillMissing")}</h3>
          <ul className="list-disc pl-5 text-sm">
            {verdict.missing.map((m) => (
              <li key={m}>{say(`missing${m}`)}</li>
            ))}
          </ul>
        </>
      )}
      {verdict.stripDown && (
        <p className="mt-2 border-t border-grid pt-2 text-sm">
          {say("stripDown", {
            suspects: listed(verdict.stripDown.suspectIds, (id) => word(`suspect.${id}`).toLowerCase(), 3),
            looks: listed(verdict.stripDown.procedureIds, (id) => word(`test.${id}`).toLowerCase(), 3),
          })}
        </p>
      )}
      {verdict.overturners.length > 0 && (
        <>
          <h3 className="caps mt-2 border-t border-grid pt-2">{say("wouldOverturn")}</h3>
          <ul className="grid gap-1 text-sm">
            {overturning(verdict.overturners, settings)
              .slice(0, MOST_OVERTURNERS)
              .map((told) => (
                <li key={told}>{told}</li>
              ))}
          </ul>
        </>
      )}
      {(job.accepted || verdict.grade !== "PROVEN") &&
        (mayAccept(verdict.grade) ? (
          <Button className="mt-3 w-full" onClick={onAccept}>
            {say("acceptVerdict")}
          </Button>
        ) : (
          <p role="note" className="mt-3 text-sm text-soft">
            {say("acceptByTechnician")}
          </p>
        ))}
    </section>
  );
}

const MOST_OVERTURNERS = 3;

/** What would overturn the verdict, each sentence once, the rivals of one outcome together. */
function overturning(all: Overturner[], { word, show, figure }: ReturnType<typeof useSettings>): string[] {
  const byOutcome = new Map<string, { o: Overturner; rivals: string[] }>();
  for (const o of all) {
    const outcome = [o.procedureId, o.anotherRig, o.option, o.figureId, o.above].join(" ");
    const told = byOutcome.get(outcome) ?? { o, rivals: [] };
    told.rivals.push(word(`remedy.${o.rivalRemedyId}.short`));
    byOutcome.set(outcome, told);
  }
  return [...byOutcome.values()].map(({ o, rivals }) => {
    const test = word(`test.${o.procedureId}`) + (o.anotherRig ? ` (${say("anotherRig")})` : "");
    const rival = listed([...new Set(rivals)], (name) => name, 2);
    if (o.option !== undefined)
      return say("overturnSeen", { test, option: word(`option.${o.procedureId}.${o.option}`), rival });
    return say(o.above ? "overturnAbove" : "overturnBelow", {
      test,
      figure: figure(o.procedureId, o.figureId ?? ""),
      value: o.dimension === undefined ? "" : show(o.threshold, o.dimension),
      rival,
    });
  });
}
