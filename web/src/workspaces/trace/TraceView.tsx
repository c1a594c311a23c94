import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { River } from "../../charts/RiverOfSuspicion";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { boxOf } from "../../circuit/places";
import { SpotMarks } from "../../circuit/SpotMarks";
import { ForVehicle, useSettings } from "../../domain/settings";
import type { WaitingOf } from "../../domain/outbox";
import { useDrawn } from "../../domain/soon";
import type { Job, Layout } from "../../domain/types";
import { suspicionHidden } from "../../domain/practice";
import { useKept } from "../../domain/useOutbox";
import { say } from "../../domain/words";
import { AlsoHere } from "../../ui/AlsoHere";
import { Failed, Loading } from "../../ui/States";
import { Tag, TopStrip } from "../../ui/TopStrip";
import { MayMoveNote, MayMoveTag } from "../../ui/MayMove";
import { DecidedPanel } from "./DecidedPanel";
import { Ledger } from "./Ledger";
import { NextStrip } from "./NextStrip";
import { changedComponents, isLever, needsText, sharesAt, suspicionAt } from "./state";
import { placeOf } from "../walk/state";
import { ChooseTest } from "./ChooseTest";
import { PlayAgain, PracticePanel, PracticeStrip } from "./PracticePanel";
import { useTrace } from "./useTrace";
import { VerdictPanel } from "./VerdictPanel";
import { WayOut } from "./WayOut";

const Panels = lazy(async () => ({ default: (await import("./Panels")).Panels }));

const NOTHING_CHANGED = new Set<string>();

/** The workspace of a job: circuit, next test, suspects, evidence. */
export function TraceView() {
  const { jobId = "" } = useParams();
  const trace = useTrace(jobId);
  const opening = useKept().find((write): write is WaitingOf<"jobs"> => write.kind === "jobs" && write.jobId === jobId);
  if (opening && !opening.taken && !trace.job.data) return <KeptJob write={opening} />;
  if (trace.job.isPending) return <Loading />;
  if (trace.job.isError) return <Failed error={trace.job.error} again={() => void trace.job.refetch()} />;
  return (
    <ForVehicle layoutId={trace.job.data.layoutId}>
      <Workspace job={trace.job.data} trace={trace} />
    </ForVehicle>
  );
}

/** A job that the server does not have yet: it is kept here and opens by itself. */
function KeptJob({ write }: { write: WaitingOf<"jobs"> }) {
  const { vehicle, complaint } = write.body;
  return (
    <>
      <TopStrip title={vehicle} quote={complaint} />
      <main className="mx-auto max-w-2xl p-8">
        <h2 className="text-3xl font-semibold">{say("keptJobTitle")}</h2>
        <p className="my-4 text-lg">
          {write.refused ? `${say("keptRefused")} ${write.refused.message}` : say("keptJobWhy")}
        </p>
        <Link to="/" className="underline">
          {say("bay")}
        </Link>
      </main>
    </>
  );
}

/** Where the sheet is wider than the screen it opens on the part that is suspected most. */
function useLeadingInView(job: Job, sheet: Layout) {
  const drawing = useRef<HTMLDivElement>(null);
  const leading = [...suspicionAt(job.assessment.river[job.assessment.river.length - 1])].sort(
    ([, a], [, b]) => b - a,
  )[0]?.[0];
  useEffect(() => {
    const box = leading === undefined ? undefined : boxOf(sheet, leading);
    const frame = drawing.current;
    if (!box || !frame) return;
    const middle = ((box.x + box.width / 2) / sheet.sheet.width) * frame.scrollWidth;
    frame.scrollLeft = middle - frame.clientWidth / 2;
  }, [leading, sheet]);
  return drawing;
}

function Workspace({ job, trace }: { job: Job; trace: ReturnType<typeof useTrace> }) {
  const { layout, word, person } = useSettings();
  const go = useNavigate();
  const drawn = useDrawn();
  const sheet = layout(job.layoutId);
  const drawing = useLeadingInView(job, sheet);
  const closed = job.stage === "released" && trace.isNow;
  const hidden = suspicionHidden(job);
  const [choosing, setChoosing] = useState(false);
  const shares = sharesAt(job.assessment.river[trace.moment]);
  const hunch =
    job.hunchId === ""
      ? say("hunchNone")
      : say("hunchSealed", { name: person(job.openedById), what: word(`suspect.${job.hunchId}`) });
  return (
    <div className="flex min-h-[calc(100dvh-var(--frame,0px))] flex-col lg:h-[calc(100dvh-var(--frame,0px))]">
      <TopStrip
        title={job.vehicle}
        quote={job.complaint}
        onTitle={job.practice ? undefined : () => trace.setPanel("vehicle")}
      >
        <span className="max-sm:hidden">
          <Tag>{needsText(job.vehicleState, isLever(sheet))}</Tag>
        </span>
        <MayMoveTag job={job} />
        <AlsoHere jobId={job.id} />
        {job.status.onOffMoved.length > 0 && (
          <button type="button" className="min-h-11" onClick={() => trace.setPanel("takeOff")}>
            <Tag tone="hot">{say("stillFitted", { count: job.status.onOffMoved.length })}</Tag>
          </button>
        )}
        <Link to={`/jobs/${job.id}/bench`} className="grid min-h-11 place-items-center">
          <Tag>{say("bench")}</Tag>
        </Link>
        <button type="button" className="min-h-11 min-w-11" onClick={() => trace.setPanel("log")}>
          <Tag>{say("log")}</Tag>
        </button>
      </TopStrip>
      <main className="grid min-h-0 flex-1 lg:grid-cols-[1fr_20rem]">
        <div className="flex min-h-0 min-w-0 flex-col lg:overflow-y-auto lg:border-r-2 lg:border-ink">
          <div className="sheet-grid min-h-0 flex-1 max-lg:order-2 lg:min-h-[20rem]">
            <div
              ref={drawing}
              className="h-full max-sm:overflow-x-auto"
              tabIndex={0}
              role="group"
              aria-label={sheet.name}
            >
              <div className="h-full max-sm:w-[640px]">
                <CircuitSheet
                  layout={sheet}
                  suspicion={hidden ? undefined : closed ? new Map() : suspicionAt(job.assessment.river[trace.moment])}
                  stillFitted={job.status.onOffMoved}
                  changed={hidden ? NOTHING_CHANGED : changedComponents(job.assessment.river, trace.moment)}
                  onPart={hidden ? undefined : trace.openPart}
                >
                  <SpotMarks layout={sheet} spots={job.walk.spots.filter((spot) => spot.state !== "DRY")} />
                </CircuitSheet>
              </div>
            </div>
          </div>
          {hidden && !job.accepted ? (
            <PracticeStrip job={job} onStart={(procedureId) => void go(placeOf(job, procedureId))} />
          ) : (
            <NextStrip
              job={job}
              onOthers={() => (hidden ? setChoosing(true) : trace.setPanel("others"))}
              onCannot={() => trace.setPanel("cannot")}
              onStart={(procedureId) => void go(placeOf(job, procedureId))}
              onAccept={() => trace.setPanel("accept")}
            />
          )}
          <div className="border-t-2 border-ink max-lg:order-3">
            {hidden ? null : drawn ? (
              <River moments={job.assessment.river} at={trace.moment} onMove={trace.move} hunch={hunch} />
            ) : (
              <div className="h-42" />
            )}
          </div>
        </div>
        <aside className="grid min-h-0 content-start lg:overflow-y-auto gap-4 bg-panel p-4 max-lg:border-t-2 max-lg:border-ink md:max-lg:grid-cols-2">
          {job.practice && <PracticePanel job={job} />}
          <WayOut job={job} trace={trace} />
          <DecidedPanel job={job} />
          {!hidden && <VerdictPanel job={job} onAccept={() => trace.setPanel("accept")} />}
          {drawn && !closed && !hidden && <Ledger job={job} shares={shares} isNow={trace.isNow} />}
          {drawn && closed && (
            <details>
              <summary className="min-h-11 cursor-pointer content-center underline">{say("ledgerClosed")}</summary>
              <Ledger job={job} shares={shares} isNow />
            </details>
          )}
          {job.comesBackFrom && (
            <p role="note" className="border border-caution bg-caution-ground p-2">
              {say("comeback")}{" "}
              <Link to={`/jobs/${job.comesBackFrom}`} className="underline">
                {say("comebackFrom")}
              </Link>
            </p>
          )}
          {closed && !job.practice && <PlayAgain job={job} />}
          <MayMoveNote job={job} />
        </aside>
      </main>
      {choosing && (
        <ChooseTest
          job={job}
          onStart={(procedureId) => void go(placeOf(job, procedureId))}
          onClose={() => setChoosing(false)}
        />
      )}
      {drawn && (
        <Suspense>
          <Panels job={job} trace={trace} />
        </Suspense>
      )}
    </div>
  );
}
