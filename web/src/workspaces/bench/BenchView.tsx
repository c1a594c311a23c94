import { useQuery } from "@tanstack/react-query";
import clsx from "clsx";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { api } from "../../domain/api";
import { useJob } from "../../domain/useJob";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";
import { CalculatorSheet } from "./CalculatorSheet";

/** The arithmetic of the trade, fed by the job's layout where there is a job. */
export function BenchView() {
  const { jobId } = useParams();
  const job = useJob(jobId);
  if (jobId !== undefined && job.isPending) return <Loading />;
  if (job.isError) return <Failed error={job.error} again={() => void job.refetch()} />;
  return <Bench jobId={jobId} vehicle={job.data?.vehicle} jobLayout={job.data?.layoutId} />;
}

function Bench({ jobId, vehicle, jobLayout }: { jobId?: string; vehicle?: string; jobLayout?: string }) {
  const { catalogue, word, layout } = useSettings();
  const [search, setSearch] = useSearchParams();
  const layoutId = jobLayout ?? search.get("layout") ?? catalogue.layouts[0]?.id ?? "";
  const known = catalogue.layouts.some((l) => l.id === layoutId);
  const calculators = useQuery({
    queryKey: ["calculators", layoutId],
    queryFn: () => api.calculators(layoutId),
    enabled: known,
    staleTime: Infinity,
  });
  const [chosen, setChosen] = useState("travel");
  if (!known) return <Failed error={new Error(say("noSuchLayout", { id: layoutId }))} again={() => setSearch({})} />;
  if (calculators.isPending) return <Loading />;
  if (calculators.isError) return <Failed error={calculators.error} again={() => void calculators.refetch()} />;
  const calculator = calculators.data.find((c) => c.id === chosen) ?? calculators.data[0];
  return (
    <>
      <TopStrip title={vehicle ? `${say("bench")} · ${vehicle}` : say("bench")}>
        {jobId && (
          <Link
            to={`/jobs/${jobId}`}
            className="label grid min-h-11 place-items-center px-2 underline underline-offset-4"
          >
            {say("toCircuit")}
          </Link>
        )}
      </TopStrip>
      <main className="grid min-h-[calc(100dvh-3rem)] md:grid-cols-[15rem_1fr]">
        <nav aria-label={say("calculators")} className="border-ink max-md:border-b-2 md:border-r-2">
          <label className="block p-3 md:hidden">
            <span className="caps mb-1 block">{say("calculators")}</span>
            <select
              value={calculator?.id}
              onChange={(e) => setChosen(e.target.value)}
              className="min-h-12 w-full border-2 border-ink px-2 text-lg"
            >
              {calculators.data.map((c) => (
                <option key={c.id} value={c.id}>
                  {word(`calculator.${c.id}`)}
                </option>
              ))}
            </select>
          </label>
          <ul className="max-md:hidden">
            {calculators.data.map((c) => (
              <li key={c.id}>
                <button
                  type="button"
                  aria-current={c.id === calculator?.id}
                  onClick={() => setChosen(c.id)}
                  className={clsx(
                    "label min-h-12 w-full border-b border-grid px-4 py-2 text-left text-[1.05rem]",
                    c.id === calculator?.id ? "bg-fill font-semibold text-fill-ink" : "hover:bg-panel",
                  )}
                >
                  {word(`calculator.${c.id}`)}
                </button>
              </li>
            ))}
          </ul>
        </nav>
        <div className="min-w-0 p-4 md:px-6">
          {jobLayout ? (
            <p className="mb-3 text-soft">{say("fedBy", { layout: layout(layoutId).name })}</p>
          ) : (
            <div className="mb-3 flex flex-wrap items-center gap-3">
              <label htmlFor="bench-layout" className="text-soft">
                {say("fedByChoice")}
              </label>
              <select
                id="bench-layout"
                value={layoutId}
                onChange={(e) => setSearch({ layout: e.target.value })}
                className="min-h-11 border-2 border-ink px-2"
              >
                {catalogue.layouts
                  .filter((l) => !l.withdrawn || l.id === layoutId)
                  .map((l) => (
                    <option key={l.id} value={l.id}>
                      {l.name}
                    </option>
                  ))}
              </select>
            </div>
          )}
          {calculator && (
            <CalculatorSheet
              key={`${calculator.id} ${layoutId}`}
              calculator={calculator}
              layoutId={layoutId}
              jobId={jobId}
            />
          )}
        </div>
      </main>
    </>
  );
}
