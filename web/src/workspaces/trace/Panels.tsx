import { useMay } from "../../domain/session";
import { useState } from "react";
import { jobFile } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Entry, Job, Verdict } from "../../domain/types";
import { minutes, oneIn, percent } from "../../domain/units";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { PhotoButton } from "../../ui/PhotoButton";
import { SetAside } from "../../ui/SetAside";
import { sameVerdict, takenText } from "./state";
import { EntryText } from "./EntryText";
import { Others } from "./Others";
import { PartSheet } from "./PartSheet";
import type { useTrace } from "./useTrace";
import { VehicleSheet } from "./VehicleSheet";
import { GiveUp } from "./WayOut";

type Trace = ReturnType<typeof useTrace>;

/** The sheets over the workspace. */
export function Panels({ job, trace }: { job: Job; trace: Trace }) {
  const { fitting, part } = useSettings();
  const close = () => trace.setPanel("none");
  const next = job.assessment.next;
  return (
    <>
      <Dialog open={trace.panel === "others"} onClose={close} title={say("alternativesTitle")}>
        <Others job={job} />
      </Dialog>
      {next && (
        <SetAside
          open={trace.panel === "cannot"}
          procedureId={next.procedureId}
          refused={trace.refused}
          onClose={close}
          onSetAside={(why) => void trace.enter("set-aside", { procedureId: next.procedureId, why }, next.procedureId)}
        />
      )}
      <Dialog
        open={trace.panel === "part"}
        onClose={close}
        title={trace.partId === undefined ? "" : part(trace.partId)}
      >
        {trace.partId !== undefined && <PartSheet job={job} partId={trace.partId} />}
      </Dialog>
      <Dialog open={trace.panel === "vehicle"} onClose={close} title={job.vehicle}>
        <VehicleSheet job={job} />
        <GiveUp job={job} trace={trace} />
      </Dialog>
      <Dialog open={trace.panel === "log"} onClose={close} title={say("logTitle")}>
        <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
          <PhotoButton jobId={job.id} />
          <a
            href={jobFile(job.id)}
            download
            className="inline-grid min-h-11 content-center underline underline-offset-4"
          >
            {say("takeAlong")}
          </a>
          <a
            href={`/api/jobs/${job.id}/readings.csv`}
            download
            className="inline-grid min-h-11 content-center underline underline-offset-4"
          >
            {say("readingsCsv")}
          </a>
        </div>
        <Note trace={trace} />
        <Log job={job} trace={trace} />
      </Dialog>
      {trace.panel === "accept" && job.assessment.verdict && (
        <Accept job={job} standing={job.assessment.verdict} trace={trace} onClose={close} />
      )}
      <Dialog open={trace.panel === "takeOff"} onClose={close} title={say("takeOffTitle")}>
        <ul className="mb-3 list-inside list-disc text-lg">
          {job.status.onOffMoved.map((item) => (
            <li key={item}>{fitting(item)}</li>
          ))}
        </ul>
        <p className="mb-3">{say("takeOffWhy")}</p>
        <Refused text={trace.refused} />
        <Button
          filled
          large
          disabled={trace.busy}
          onClick={() => void trace.enter("take-off", { items: job.status.onOffMoved })}
        >
          {say("takeOff")}
        </Button>
      </Dialog>
    </>
  );
}

function Refused({ text }: { text: string }) {
  return text ? (
    <p role="alert" className="my-2 border-2 border-danger p-2">
      {text}
    </p>
  ) : null;
}

/** Accepts the verdict that stood when the sheet was opened; where another stands by now, it is said and shown before anything can be accepted. */
function Accept({ job, standing, trace, onClose }: { job: Job; standing: Verdict; trace: Trace; onClose: () => void }) {
  const [why, setWhy] = useState("");
  const [places, setPlaces] = useState<Record<number, string>>({});
  const [shown, setShown] = useState({ sequence: job.sequence, verdict: standing });
  const { word } = useSettings();
  const { verdict } = shown;
  const proven = verdict.grade === "PROVEN";
  const remedy = verdict.remedyIds.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `);
  if (!sameVerdict(shown, job)) {
    return (
      <Dialog open onClose={onClose} title={say("verdictMoved")}>
        <p role="alert" className="mb-3 text-lg">
          {say("verdictMovedWhy", { remedy })}
        </p>
        <Button filled large onClick={() => setShown({ sequence: job.sequence, verdict: standing })}>
          {say("verdictShowNow")}
        </Button>
      </Dialog>
    );
  }
  const placeMissing = verdict.places.some((p, i) => (places[i] ?? p.toldId ?? "") === "");
  const accept = () =>
    void trace.enter(
      "verdict",
      {
        remedyIds: verdict.remedyIds,
        grade: verdict.grade,
        sequence: shown.sequence,
        why: why.trim(),
        places: verdict.places.map((p, i) => places[i] ?? p.toldId ?? ""),
      },
      String(shown.sequence),
    );
  return (
    <Dialog open onClose={onClose} title={say("acceptTitle", { remedy })}>
      <p className="mb-3 text-lg">
        {proven
          ? say("acceptProven")
          : say("acceptAssumed", { wrong: oneIn(1 - verdict.probability), minutes: minutes(verdict.wrongPartMinutes) })}
      </p>
      {!proven && (
        <label className="mb-3 block">
          <span className="mb-1 block font-semibold">{say("acceptWhy")}</span>
          <textarea
            rows={2}
            maxLength={300}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            className="w-full border-2 border-ink p-2 text-lg"
          />
        </label>
      )}
      {!proven && !job.assessment.anotherTestPays && why === "" && (
        <button type="button" className="mb-3 min-h-11 underline" onClick={() => setWhy(say("waitsWorth"))}>
          {say("because", { why: say("waitsWorth") })}
        </button>
      )}
      {verdict.places.map(
        (p, i) =>
          p.parts.length > 1 && (
            <label key={p.remedyId} className="mb-3 block">
              <span className="mb-1 block font-semibold">
                {say("acceptWhere", { remedy: word(`remedy.${p.remedyId}`) })}
              </span>
              <select
                value={places[i] ?? p.toldId ?? ""}
                onChange={(e) => setPlaces({ ...places, [i]: e.target.value })}
                className="min-h-14 w-full border-2 border-ink px-3 text-lg"
              >
                {p.toldId === undefined && <option value="">{say("acceptWhereUnknown")}</option>}
                {p.parts.map((part) => (
                  <option key={part.componentId} value={part.componentId}>
                    {word(`component.${part.componentId}`)} · {percent(part.share)}
                  </option>
                ))}
              </select>
            </label>
          ),
      )}
      <p className="mb-3 border border-caution bg-caution-ground p-2 text-sm">{word("caution.not-to-be-driven")}</p>
      <Refused text={trace.refused} />
      <Button filled large disabled={trace.busy || (!proven && why.trim() === "") || placeMissing} onClick={accept}>
        {say("acceptVerdict")}
      </Button>
    </Dialog>
  );
}

const STRIKABLE = [
  "job-withdrawn",
  "reading-taken",
  "entry-struck",
  "test-set-aside",
  "verdict-accepted",
  "note-written",
  "work-step-done",
  "strokes-bled",
  "level-entered",
  "circuit-rested",
  "check-done",
  "walk-seen",
  "photo-taken",
  "trace-kept",
  "bleeding-chosen",
  "way-chosen",
  "fluid-taken",
  "part-moved",
  "second-checked",
];

/** A free note on the job. */
function Note({ trace }: { trace: Trace }) {
  const [text, setText] = useState("");
  return (
    <form
      className="mb-3 flex flex-wrap gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void trace.enter("notes", { text: text.trim() }, text.trim());
      }}
    >
      <textarea
        aria-label={say("noteWrite")}
        placeholder={say("noteWrite")}
        rows={1}
        maxLength={2000}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className="min-h-11 min-w-0 flex-1 basis-60 border-2 border-ink bg-panel p-2 placeholder:text-soft"
      />
      <button
        type="submit"
        disabled={trace.busy || text.trim() === ""}
        className="label min-h-11 border-2 border-ink bg-fill px-4 text-fill-ink"
      >
        {say("noteKeep")}
      </button>
    </form>
  );
}

/** Striking a strike puts back what it struck. */
const strikeWord = (entry: Entry): UiWord => (entry.kind === "entry-struck" ? "putBack" : "strike");

function Log({ job, trace }: { job: Job; trace: Trace }) {
  const [striking, setStriking] = useState<string>();
  const [why, setWhy] = useState("");
  const { person, personId } = useSettings();
  const may = useMay();
  const strikable = (e: Entry) =>
    !e.struck &&
    STRIKABLE.includes(e.kind) &&
    job.entries.find((one) => one.id === e.struckId)?.kind !== "entry-struck";
  const mayStrike = (e: Entry) => e.personId === personId || may("STRIKE_ANOTHERS");
  const strike = async (id: string) => {
    await trace.enter("strikes", { struckId: id, why: why.trim() }, id);
    setStriking(undefined);
    setWhy("");
  };
  return (
    <ol>
      {job.entries.map((e) => (
        <li key={e.id} className="border-t border-rule py-2">
          <div className="flex flex-wrap items-center gap-3">
            <div className={e.struck ? "flex-1 line-through opacity-70" : "flex-1"}>
              <EntryText entry={e} job={job} />
              <p className="figures text-sm text-soft">
                {takenText(e)} · {person(e.personId)}
                {e.spentMinutes === undefined ? "" : ` · ${minutes(e.spentMinutes)}`}
                {e.struck ? ` · ${say("struck")}` : ""}
              </p>
            </div>
            {strikable(e) && mayStrike(e) && striking !== e.id && (
              <Button onClick={() => setStriking(e.id)}>{say(strikeWord(e))}</Button>
            )}
          </div>
          {striking === e.id && (
            <form
              className="mt-2 flex flex-wrap gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                void strike(e.id);
              }}
            >
              <input
                autoFocus
                aria-label={say("strikeWhy")}
                placeholder={say("strikeWhy")}
                value={why}
                maxLength={200}
                onChange={(x) => setWhy(x.target.value)}
                className="min-h-11 flex-1 border-2 border-ink px-2 placeholder:text-soft"
              />
              <button
                type="submit"
                disabled={trace.busy || why.trim() === ""}
                className="label min-h-11 border-2 border-ink bg-fill px-4 text-fill-ink"
              >
                {say(strikeWord(e))}
              </button>
            </form>
          )}
        </li>
      ))}
      <Refused text={trace.refused} />
    </ol>
  );
}
