import { useSettings } from "../../domain/settings";
import type { Job, Repair } from "../../domain/types";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Frame } from "./Frame";
import { currentStep } from "./state";
import { useRepair } from "./useRepair";
import { Item } from "./WorkView";

/** What the next shift has to know, and the tag for the wheel; both to be printed. */
export function CardView() {
  const page = useRepair();
  return <Frame page={page}>{(job, repair) => <Card job={job} repair={repair} />}</Frame>;
}

function Card({ job, repair }: { job: Job; repair: Repair }) {
  const { word } = useSettings();
  const now = currentStep(repair);
  const on = repair.on;
  const released = repair.released !== undefined;
  return (
    <main className="mx-auto grid max-w-3xl gap-8 p-4">
      <Button className="justify-self-start print:hidden" onClick={() => window.print()}>
        {say("print")}
      </Button>
      {!released && (
        <section aria-label={say("tag")} className="border-8 border-danger p-6 text-center">
          <p className="text-6xl font-bold text-danger">{say("doNotDrive")}</p>
          <p className="text-2xl">{say("circuitOpen")}</p>
          <p className="figures mt-2 text-3xl font-semibold">{job.vehicle}</p>
          <img src={`/api/jobs/${job.id}/tag`} alt={say("tagCode")} className="mx-auto mt-3 size-40 bg-white" />
          <p className="figures text-sm break-all">{`${location.origin}/jobs/${job.id}/card`}</p>
        </section>
      )}
      <section aria-label={say("handOver")} className="grid gap-3 border-2 border-ink p-6">
        <h1 className="text-3xl font-semibold">{job.vehicle}</h1>
        <p>“{job.complaint}”</p>
        <p className="text-xl">
          {say(`stage_${job.stage}` as UiWord)} ·{" "}
          {(job.accepted?.remedyIds ?? []).map((id) => word(`remedy.${id}`)).join(` ${say("and")} `)}
        </p>
        <h2 className="caps">{say("onOffMoved")}</h2>
        {on.length + job.stillFitted.length === 0 ? (
          <p>{say("nothingOn")}</p>
        ) : (
          <ul className="list-inside list-disc text-lg">
            {on.map((item) => (
              <li key={item}>
                <Item item={item} />
              </li>
            ))}
            {job.stillFitted.map((item) => (
              <li key={item}>{item.replace("@", " · ")}</li>
            ))}
          </ul>
        )}
        <h2 className="caps">{say("next")}</h2>
        <p className="text-xl font-semibold">
          {now
            ? word(`repair.${now.id}`).replace("{place}", word(`component.${now.place}`).toLowerCase())
            : say(
                repair.released?.conditional === false
                  ? "nothingLeft"
                  : repair.sheet && !repair.sheet.done
                    ? "bleedSheet"
                    : "proving",
              )}
        </p>
      </section>
    </main>
  );
}
