import { Link } from "react-router";
import { nextPage, nextPath } from "../domain/status";
import type { Job } from "../domain/types";
import { say } from "../domain/words";

const LARGE = "grid min-h-16 place-items-center border-2 border-ink bg-fill px-6 text-xl font-semibold text-fill-ink";
const SMALL = "inline-grid min-h-11 place-items-center border-2 border-ink bg-panel px-4 font-semibold";

/** The way to the page on which the job goes on; nothing where there is none. */
export function GoOn({ job, small = false }: { job: Job; small?: boolean }) {
  const page = nextPage(job.status.next);
  const path = nextPath(job, job.status.next);
  if (page === undefined || path === undefined) return null;
  return (
    <Link to={path} className={small ? SMALL : LARGE}>
      {say(`go.${page}`)}
    </Link>
  );
}
