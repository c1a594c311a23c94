import clsx from "clsx";
import type { ReactNode } from "react";
import { Link, NavLink, useLocation } from "react-router";
import { suspicionHidden } from "../../domain/practice";
import { ForVehicle, useSettings } from "../../domain/settings";
import type { Job, Repair } from "../../domain/types";
import { percent } from "../../domain/units";
import { say, type UiWord } from "../../domain/words";
import { AlsoHere } from "../../ui/AlsoHere";
import { Failed, Loading } from "../../ui/States";
import { MayMoveTag, StageTag } from "../../ui/MayMove";
import { Tag, TopStrip } from "../../ui/TopStrip";
import type { RepairPage } from "./useRepair";

const PAGES: { path: string; label: UiWord }[] = [
  { path: "work", label: "workPlan" },
  { path: "bleed", label: "bleedSheet" },
  { path: "proving", label: "proving" },
  { path: "card", label: "handOver" },
];

/** The pages after the verdict: what they are about, the way between them, what was refused. */
export function Frame({ page, children }: { page: RepairPage; children: (job: Job, repair: Repair) => ReactNode }) {
  if (page.job.isPending) return <Loading />;
  if (page.job.isError) return <Failed error={page.job.error} again={() => void page.job.refetch()} />;
  return (
    <ForVehicle layoutId={page.job.data.layoutId}>
      <Framed page={page} job={page.job.data}>
        {children}
      </Framed>
    </ForVehicle>
  );
}

interface FramedProps {
  page: RepairPage;
  job: Job;
  children: (job: Job, repair: Repair) => ReactNode;
}

function Framed({ page, job, children }: FramedProps) {
  const { word } = useSettings();
  const needsPlan = !useLocation().pathname.endsWith("/card");
  return (
    <div className="min-h-dvh">
      <TopStrip title={job.vehicle} quote={job.complaint}>
        <AlsoHere jobId={job.id} />
        <MayMoveTag job={job} />
        <StageTag job={job} />
        <Link to={`/jobs/${job.id}`} className="grid min-h-11 place-items-center">
          <Tag>{say("evidence")}</Tag>
        </Link>
      </TopStrip>
      <nav aria-label={say("afterVerdict")} className="flex flex-wrap border-b-2 border-ink bg-panel print:hidden">
        {PAGES.filter((p) => p.path !== "bleed" || job.repair?.sheet).map((p) => (
          <NavLink
            key={p.path}
            to={`/jobs/${job.id}/${p.path}`}
            className={({ isActive }) =>
              clsx("grid min-h-12 place-items-center px-5 text-lg font-semibold", isActive && "bg-fill text-fill-ink")
            }
          >
            {say(p.label)}
          </NavLink>
        ))}
      </nav>
      {page.refused && (
        <p role="alert" className="m-4 border-2 border-danger p-3">
          {page.refused}
        </p>
      )}
      {job.repair || !needsPlan ? (
        <>
          {job.repair?.overturned && !suspicionHidden(job) && (
            <p role="alert" className="m-4 border-2 border-danger p-3 text-lg font-semibold">
              {say("overturnedNow", {
                share: percent(job.repair.accepted),
                remedy: word(`remedy.${job.assessment.verdict?.remedyId}`),
              })}
            </p>
          )}
          {children(job, job.repair as Repair)}
        </>
      ) : (
        <main className="p-8">
          <h1 className="text-2xl font-semibold">{say("noPlanYet")}</h1>
          <Link to={`/jobs/${job.id}`} className="underline">
            {say("noPlanGo")}
          </Link>
        </main>
      )}
    </div>
  );
}
