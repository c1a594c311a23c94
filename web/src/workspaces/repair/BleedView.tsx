import clsx from "clsx";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { useMe } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import { nextPath, nextText } from "../../domain/status";
import type { BleedSheet, Job } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { GoOn } from "../../ui/GoOn";
import { Caller, CallHeard } from "./Caller";
import { BleedOnVehicle, OnVehicle } from "./BleedOnVehicle";
import { Frame } from "./Frame";
import { HowBled } from "./HowBled";
import { ReservoirLevel } from "./ReservoirLevel";
import { restLeft } from "./state";
import { useRepair, type RepairPage } from "./useRepair";

type Colour = NonNullable<BleedSheet["ends"][number]["colour"]>;

/** The method that the caller calls for. */
const TWO_PEOPLE = "two-people";

/** The bleed sheet: the end to bleed now, how many strokes the level allows, what was seen, how much air is believed left. */
export function BleedView() {
  const page = useRepair();
  return (
    <Frame page={page}>
      {(job, repair) =>
        repair.sheet ? (
          <Sheet job={job} sheet={repair.sheet} page={page} />
        ) : (
          <p className="p-8 text-lg">{say("nothingToBleed")}</p>
        )
      }
    </Frame>
  );
}

function Sheet({ job, sheet, page }: { job: Job; sheet: BleedSheet; page: RepairPage }) {
  const { word, show } = useSettings();
  return (
    <main className="grid lg:grid-cols-[1fr_24rem]">
      <div className="min-w-0 lg:border-r-2 lg:border-ink">
        <Before job={job} />
        <Now job={job} sheet={sheet} page={page} />
        <table className="w-full border-t-2 border-ink text-left">
          <caption className="sr-only">{say("bleedSheet")}</caption>
          <thead>
            <tr className="caps">
              <th className="p-3">{say("bleedOrder")}</th>
              <th className="p-3 text-right">{say("bleedStrokes")}</th>
              <th className="p-3 text-right max-sm:hidden">{say("bleedTaken")}</th>
              <th className="p-3">{say("bleedSeen")}</th>
              <th className="p-3 text-right">{say("bleedLeft")}</th>
            </tr>
          </thead>
          <tbody className="figures">
            {sheet.ends.map((end, at) => (
              <tr
                key={end.id}
                className={clsx("border-t border-rule", end.id === sheet.next && "bg-panel font-semibold")}
              >
                <td className="p-3">
                  {at + 1}. {word(`component.${end.id}`)}
                  <span className="block text-sm font-normal text-soft">{say(`bleedState${end.state}`)}</span>
                </td>
                <td className="p-3 text-right">{end.strokes}</td>
                <td className="p-3 text-right max-sm:hidden">{show(end.takenMl, "VOLUME")}</td>
                <td className="p-3">
                  {end.bubbles ? say(`bubbles${end.bubbles}`) : "–"}
                  {end.colour ? `, ${say(`colour${end.colour}`)}` : ""}
                </td>
                <td className="p-3 text-right">{show(end.leftMl, "VOLUME")}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <HowBled sheet={sheet} page={page} />
      </div>
      <CallHeard jobId={job.id} />
      <ReservoirLevel job={job} sheet={sheet} page={page} />
    </main>
  );
}

const AT_THE_SHEET = new Set(["BLEED", "LEVEL", "REST"]);

/** What the job asks for before it is bled, and where. */
function Before({ job }: { job: Job }) {
  const settings = useSettings();
  const { next } = job.status;
  const path = nextPath(job, next);
  if (AT_THE_SHEET.has(next.kind) || path === undefined || job.repair?.sheet?.done) return null;
  return (
    <p role="note" className="flex flex-wrap items-center gap-3 border-b-2 border-caution bg-caution-ground p-3">
      <span className="min-w-0 flex-1 basis-56">{say("bleedLater", { what: nextText(next, settings) })}</span>
      <GoOn job={job} small />
    </p>
  );
}

function Now({ job, sheet, page }: { job: Job; sheet: BleedSheet; page: RepairPage }) {
  const settings = useSettings();
  const { word } = settings;
  const own = practised(job, useMe().id);
  const end = sheet.ends.find((e) => e.id === sheet.next);
  if (sheet.done || !end)
    return (
      <section aria-label={say("next")} className="flex flex-wrap items-center gap-4 bg-panel p-4">
        <div className="min-w-0 flex-1 basis-64">
          <p>{say("bleedDone")}</p>
          <h2 className="text-2xl font-semibold">{nextText(job.status.next, settings)}</h2>
        </div>
        <GoOn job={job} />
      </section>
    );
  if (sheet.topUpNow)
    return (
      <section aria-label={say("next")} className="grid gap-3 bg-panel p-4">
        <h2 role="alert" className="text-3xl font-semibold text-hot-text">
          {say(sheet.fills ? "drawDownNow" : "topUpNow")}
        </h2>
        <p>
          {!sheet.fills && job.repair?.fluid && (
            <span className="font-semibold">
              {say("fluidTakes")}: {word(`fluid.${job.repair.fluid.takes}`)}.{" "}
            </span>
          )}
          {word(sheet.fills ? "caution.brim" : "caution.fluid-kinds")}
        </p>
        {own && job.repair?.fluid && (
          <div className="practice-band grid gap-3 py-3 pr-3">
            <OnVehicle
              jobId={page.jobId}
              doing={say("rigTopUp", { fluid: word(`fluid.${job.repair.fluid.takes}`) })}
              act={{ act: "top-up", subject: job.repair.fluid.takes }}
              onDone={() => void page.enter("levels", { text: "max" })}
            />
          </div>
        )}
        <Button
          filled
          large
          disabled={page.busy}
          onClick={() => void page.enter("levels", { text: sheet.fills ? "min" : "max" })}
        >
          {say(sheet.fills ? "drawnDown" : "toppedUp")}
        </Button>
      </section>
    );
  if (sheet.restFirst) return <Resting sheet={sheet} page={page} practised={own} />;
  return <Strokes key={`${end.id} ${end.strokes}`} sheet={sheet} end={end} page={page} practised={own} />;
}

/** Whether there is a vehicle of one's own exercise on which it is done. */
const practised = (job: Job, personId: string) => job.practice?.personId === personId && !job.practice.ended;

/** The circuit is left alone, by a clock that goes on while the page is closed. */
function Resting({ sheet, page, practised }: { sheet: BleedSheet; page: RepairPage; practised: boolean }) {
  const key = `rest-${page.jobId}`;
  const [began, setBegan] = useState(() => Number(localStorage.getItem(key)) || 0);
  const now = useSecond(began > 0);
  const left = began > 0 ? restLeft(began, sheet.restMinutes, now) : undefined;
  const begin = () => {
    localStorage.setItem(key, String(Date.now()));
    setBegan(Date.now());
  };
  const rested = () => void page.enter("rests", {}).then((taken) => taken && localStorage.removeItem(key));
  return (
    <section aria-label={say("next")} className="grid gap-3 bg-panel p-4">
      <h2 className="text-2xl font-semibold">{say("restFirst")}</h2>
      {sheet.bubblesAfterRest && (
        <p className="figures">{say("roundAgain", { minutes: minutes(sheet.roundMinutes) })}</p>
      )}
      {left === undefined ? (
        <>
          <Link to={`/jobs/${page.jobId}/tests/travel-at-forces`} className="min-h-11 content-center underline">
            {say("travelBetween")}
          </Link>
          <Button filled large onClick={begin}>
            {say("restBegin", { minutes: minutes(sheet.restMinutes) })}
          </Button>
        </>
      ) : (
        <p role="timer" className="figures text-5xl font-semibold">
          {`${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")}`}
        </p>
      )}
      {practised && (
        <div className="practice-band grid gap-3 py-3 pr-3">
          <OnVehicle
            jobId={page.jobId}
            doing={say("restOnVehicle", { minutes: minutes(sheet.restMinutes) })}
            act={{ act: "stand", figure: sheet.restMinutes }}
            onDone={rested}
          />
        </div>
      )}
      <Button filled={left === 0} large disabled={page.busy} onClick={rested}>
        {say(left === 0 ? "rested" : "restedElsewhere")}
      </Button>
    </section>
  );
}

/** The time, second by second while it is wanted. */
function useSecond(ticking: boolean): number {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    if (!ticking) return;
    const timer = window.setInterval(() => setNow(Date.now()), 1000);
    return () => window.clearInterval(timer);
  }, [ticking]);
  return now;
}

/** What was seen at one end, one tap a turn: begun anew as soon as the sheet has moved on. */
function Strokes({
  sheet,
  end,
  page,
  practised,
}: {
  sheet: BleedSheet;
  end: BleedSheet["ends"][number];
  page: RepairPage;
  practised: boolean;
}) {
  const { word } = useSettings();
  const [count, setCount] = useState(String(end.strokesNow));
  const [colour, setColour] = useState<Colour>(end.colour ?? "CLEAR");
  const [calling, setCalling] = useState(false);
  const strokes = Number(count);
  const enter = (bubbles: string) =>
    void page.enter("strokes", {
      endId: end.id,
      count: strokes,
      bubbles: bubbles.toLowerCase(),
      colour: colour.toLowerCase(),
    });
  return (
    <section aria-label={say("next")} className="grid gap-3 bg-panel p-4">
      <p className="caps">
        {say(sheet.rounds > 0 ? "roundAfterRest" : "roundFirst")} · {say(`bleedState${end.state}`)}
      </p>
      <h2 className="text-2xl font-semibold">
        {say(sheet.withoutPedal ? "bleedPortions" : "bleedNow", {
          count: end.strokesNow,
          end: word(`component.${end.id}`).toLowerCase(),
        })}
      </h2>
      {end.state === "DRAWING_AIR" && (
        <p role="alert" className="border-2 border-danger p-3 font-semibold">
          {say("drawingAir")}
        </p>
      )}
      <p role="note" className="border border-caution bg-caution-ground p-3">
        {[`caution.screw`, ...(sheet.methodCautionId ? [`caution.${sheet.methodCautionId}`] : [])]
          .map((caution) => word(caution))
          .join(" ")}
      </p>
      <div className="flex flex-wrap items-center gap-3">
        {sheet.method === TWO_PEOPLE && (
          <Button large onClick={() => setCalling(true)}>
            {say("caller")}
          </Button>
        )}
        <label className="flex items-center gap-2 text-lg">
          {say("bleedStrokes")}
          <input
            inputMode="numeric"
            value={count}
            maxLength={3}
            onChange={(e) => setCount(e.target.value.replace(/\D/g, ""))}
            className="figures min-h-14 w-20 border-2 border-ink px-2 text-right text-2xl"
          />
        </label>
        <Choice
          label={say("bleedColour")}
          value={colour}
          onChange={setColour}
          options={(["CLEAR", "DARK"] as const).map((c) => ({
            value: c,
            text: say(`colour${c}`),
          }))}
        />
      </div>
      {practised && strokes > 0 && (
        <BleedOnVehicle
          jobId={page.jobId}
          endId={end.id}
          strokes={strokes}
          onShown={(hose) => {
            setCount(String(hose.strokes));
            setColour(hose.colour);
          }}
        />
      )}
      <p className="font-semibold">{say("bubblesSeen", { count: strokes })}</p>
      <div className="grid gap-2 sm:grid-cols-3" role="group" aria-label={say("bubblesSeen", { count: strokes })}>
        {(["NONE", "FEW", "MANY"] as const).map((bubbles) => (
          <Button key={bubbles} large disabled={page.busy || strokes < 1} onClick={() => enter(bubbles)}>
            {say(`bubbles${bubbles}`)}
          </Button>
        ))}
      </div>
      {calling && (
        <Caller
          jobId={page.jobId}
          strokes={end.strokesNow}
          onClose={() => setCalling(false)}
          onStrokes={(n) => {
            setCount(String(n));
            setCalling(false);
          }}
        />
      )}
    </section>
  );
}
