import { useState } from "react";
import { Link, useParams } from "react-router";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { halves } from "../../circuit/places";
import { SpotMarks } from "../../circuit/SpotMarks";
import { ForVehicle, useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { useJob } from "../../domain/useJob";
import { useWrite } from "../../domain/useOutbox";
import { say } from "../../domain/words";
import { AlsoHere } from "../../ui/AlsoHere";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";
import { useWide } from "../../ui/useWide";
import { useGo } from "../../ui/useGo";
import { tapped, walkTests, type Spot } from "./state";

/** The first walk round the vehicle on one screen: level, fluid, and what is wet, tapped where it was seen. */
export function WalkView() {
  const { jobId = "" } = useParams();
  const job = useJob(jobId);
  if (job.isPending) return <Loading />;
  if (job.isError) return <Failed error={job.error} again={() => void job.refetch()} />;
  return (
    <ForVehicle layoutId={job.data.layoutId}>
      <Walk job={job.data} />
    </ForVehicle>
  );
}

function Walk({ job }: { job: Job }) {
  const { word, layout, part } = useSettings();
  const go = useGo();
  const write = useWrite(job.id);
  const [looks, setLooks] = useState<Record<string, string>>({});
  const [spots, setSpots] = useState<Record<string, Spot>>({});
  const [restDry, setRestDry] = useState(false);
  const [entryId] = useState(() => crypto.randomUUID());
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState("");
  const sheet = layout(job.layoutId);
  const views = useWide() ? [undefined] : halves(sheet);
  const tap = (id: string) => {
    if (!job.walk.parts.includes(id)) return;
    const { [id]: before, ...others } = spots;
    const now = tapped(before);
    setSpots(now === undefined ? others : { ...others, [id]: now });
  };
  const shown = job.walk.parts
    .map((id) => ({ componentId: id, state: spots[id] ?? (restDry ? ("DRY" as const) : undefined) }))
    .filter((spot): spot is Job["walk"]["spots"][number] => spot.state !== undefined);
  const something = restDry || Object.keys(spots).length > 0 || Object.keys(looks).length > 0;
  const enter = async () => {
    setBusy(true);
    try {
      const said = {
        looks: Object.entries(looks).map(([procedureId, option]) => ({ procedureId, option })),
        spots: Object.entries(spots).map(([componentId, state]) => ({ componentId, state: state.toLowerCase() })),
        restDry,
      };
      await write("walks", said, entryId);
      go(`/jobs/${job.id}`);
    } catch (e) {
      setRefused((e as Error).message);
      setBusy(false);
    }
  };
  return (
    <div className="flex min-h-dvh flex-col">
      <TopStrip title={job.vehicle} quote={job.complaint}>
        <AlsoHere jobId={job.id} procedureId="dry-walk" />
      </TopStrip>
      <main className="grid flex-1 content-start lg:grid-cols-[1fr_26rem]">
        <section aria-label={say("firstWalk")} className="min-w-0 lg:border-r-2 lg:border-ink">
          <div className="bg-panel p-4">
            <h2 className="text-2xl font-semibold">{say("firstWalk")}</h2>
            <p className="text-soft">{say("walkWhy")}</p>
            <p className="mt-2 text-lg font-semibold">{say("walkTap")}</p>
          </div>
          <div className="sheet-grid border-y-2 border-ink" role="group" aria-label={sheet.name}>
            {views.map((view, page) => (
              <div key={page} className={view ? "border-b border-rule" : "h-[26rem]"}>
                <CircuitSheet layout={sheet} onPart={tap} {...(view ? { view } : {})}>
                  <SpotMarks layout={sheet} spots={shown} />
                </CircuitSheet>
              </div>
            ))}
          </div>
          <div className="flex flex-wrap items-center gap-4 p-4">
            <Button large filled={restDry} aria-pressed={restDry} onClick={() => setRestDry(!restDry)}>
              {restDry && "✓ "}
              {say(Object.keys(spots).length === 0 ? "walkRestDryAll" : "walkRestDry")}
            </Button>
            <p role="status" className="flex-1 basis-56">
              {Object.keys(spots).length === 0
                ? restDry
                  ? ""
                  : say("walkNothing")
                : Object.entries(spots)
                    .map(([id, state]) => `${part(id)}: ${say(`spot${state}`)}`)
                    .join(" · ")}
            </p>
          </div>
        </section>
        <aside className="grid content-start gap-5 bg-panel p-4 max-lg:border-t-2 max-lg:border-ink">
          {job.walk.looks.map(({ procedureId, options }) => (
            <section key={procedureId} aria-label={word(`test.${procedureId}`)} className="grid gap-2">
              <h3 className="text-lg font-semibold">{word(`test.${procedureId}`)}</h3>
              <Choice
                large
                label={word(`test.${procedureId}`)}
                value={looks[procedureId] ?? "not-seen"}
                onChange={(option) => {
                  const { [procedureId]: _before, ...others } = looks;
                  setLooks(option === "not-seen" ? others : { ...others, [procedureId]: option });
                }}
                options={["not-seen", ...options].map((option) => ({
                  value: option,
                  text: word(option === "not-seen" ? "option.not-seen" : `option.${procedureId}.${option}`),
                }))}
              />
            </section>
          ))}
          <p role="note" className="border border-caution bg-caution-ground p-3">
            {word("caution.fluid")}
          </p>
          <p className="flex flex-wrap gap-x-4 text-sm">
            <span className="text-soft">{say("walkOneByOne")}:</span>
            {walkTests(job).map((test) => (
              <Link
                key={test}
                to={`/jobs/${job.id}/tests/${test}`}
                className="inline-grid min-h-16 content-center underline"
              >
                {word(`test.${test}`)}
              </Link>
            ))}
          </p>
        </aside>
      </main>
      <footer className="sticky bottom-0 flex flex-wrap items-center gap-4 border-t-2 border-ink bg-panel p-3">
        {refused && (
          <p role="alert" className="flex-1 basis-56 border-2 border-danger p-3">
            {refused}
          </p>
        )}
        <Button
          filled
          large
          className="ml-auto w-full sm:max-w-96"
          disabled={busy || !something}
          onClick={() => void enter()}
        >
          {say(busy ? "entering" : "walkEnter")}
        </Button>
      </footer>
    </div>
  );
}
