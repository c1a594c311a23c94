import { useEffect, type ReactNode } from "react";
import { Link, useLocation } from "react-router";
import { Practising, useMe } from "../domain/session";
import { useJob } from "../domain/useJob";
import { say } from "../domain/words";

/** Every page of a job that is an exercise says so on top, and may do what is only practised. */
export function PracticeFrame({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  const me = useMe();
  const jobId = /^\/jobs\/([^/]+)/.exec(pathname)?.[1] ?? "";
  const job = useJob(jobId);
  const practice = job.data?.practice;
  useEffect(() => {
    if (!practice) return;
    document.documentElement.style.setProperty("--frame", "3rem");
    return () => void document.documentElement.style.removeProperty("--frame");
  }, [practice]);
  if (!practice) return children;
  const framed = (
    <>
      <nav aria-label={say("practice")} className="practice-band flex min-h-11 flex-wrap items-center gap-x-5 pr-4">
        <p className="label font-semibold uppercase">{say("practiceBand")}</p>
        <p className="max-md:hidden">{say("practiceBandWhy")}</p>
        <span className="ml-auto flex flex-wrap gap-x-4">
          <Link to={`/jobs/${jobId}`} className="grid min-h-11 place-items-center underline">
            {say("practiceCircuit")}
          </Link>
          <Link to={`/practice/${jobId}`} className="grid min-h-11 place-items-center underline">
            {say("practiceVehicle")}
          </Link>
          <Link to={`/practice/${jobId}/debrief`} className="grid min-h-11 place-items-center underline">
            {say(practice.ended ? "practiceDebrief" : "practiceEnd")}
          </Link>
        </span>
      </nav>
      {children}
    </>
  );
  return practice.personId === me.id ? <Practising>{framed}</Practising> : framed;
}
