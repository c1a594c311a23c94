import { useMay } from "../../domain/session";
import { useState } from "react";
import { jobFile } from "../../domain/api";
import type { Job } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import type { useTrace } from "./useTrace";

type Trace = ReturnType<typeof useTrace>;

/** A job with which this version cannot work as a whole: from where on, and the way out. */
export function WayOut({ job, trace }: { job: Job; trace: Trace }) {
  const n = job.setApartFrom;
  const entry = job.entries.find((e) => e.sequence === n);
  return (
    n !== undefined &&
    entry && (
      <section role="alert" className="grid gap-2 border-2 border-danger p-3">
        <h2 className="text-lg font-semibold">{say("setApartTitle", { n })}</h2>
        <p>{say("setApartWhy", { n })}</p>
        <Button
          filled
          disabled={trace.busy}
          onClick={() => void trace.enter("strikes", { struckId: entry.id, why: say("setApartReason") }, entry.id)}
        >
          {say("setApartStrike", { n })}
        </Button>
        <Button onClick={() => trace.setPanel("vehicle")}>{say("withdraw")}</Button>
        <a href={jobFile(job.id)} download className="inline-grid min-h-11 content-center underline">
          {say("takeAlong")}
        </a>
      </section>
    )
  );
}

/** Gives a job up, with the reason. */
export function GiveUp({ job, trace }: { job: Job; trace: Trace }) {
  const may = useMay();
  const [why, setWhy] = useState("");
  if (job.withdrawn !== undefined || !may("GIVE_UP_JOB")) return null;
  return (
    <form
      className="mt-6 flex flex-wrap gap-2 border-t-2 border-ink pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        void trace.enter("withdrawal", { why: why.trim() });
      }}
    >
      <input
        aria-label={say("withdrawWhy")}
        placeholder={say("withdrawWhy")}
        value={why}
        maxLength={400}
        onChange={(e) => setWhy(e.target.value)}
        className="min-h-11 min-w-0 flex-1 basis-48 border-2 border-ink px-2 text-lg placeholder:text-soft"
      />
      <Button type="submit" disabled={trace.busy || why.trim() === ""}>
        {say("withdraw")}
      </Button>
      {trace.refused && (
        <p role="alert" className="w-full border-2 border-danger p-2">
          {trace.refused}
        </p>
      )}
    </form>
  );
}
