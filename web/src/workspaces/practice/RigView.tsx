import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { ForVehicle, useSettings } from "../../domain/settings";
import type { Exercise, Layout, Rig, RigAct, RigMoment } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/States";
import { Tag, TopStrip } from "../../ui/TopStrip";
import { isLever } from "../trace/state";
import { Gauges } from "./Gauges";
import { PartActs } from "./PartActs";
import { Pedal } from "./Pedal";
import { fitted } from "./state";
import { useEnterMarks } from "./useEnterMarks";
import { useExercise } from "./usePractice";
import { useHands, useLiveRig } from "./useRig";

/** The vehicle of an exercise, alive: pressed, opened, driven, looked at. */
export function RigView() {
  const { exerciseId = "" } = useParams();
  const exercise = useExercise(exerciseId);
  if (exercise.isPending) return <Loading />;
  if (exercise.isError) return <Failed error={exercise.error} again={() => void exercise.refetch()} />;
  return (
    <ForVehicle layoutId={exercise.data.line.layoutId}>
      <Bench exercise={exercise.data} />
    </ForVehicle>
  );
}

function Bench({ exercise }: { exercise: Exercise }) {
  const { layout, word } = useSettings();
  const { line, rig } = exercise;
  const sheet = layout(line.layoutId);
  const live = useLiveRig(line.id);
  const hands = useHands(line.id);
  const [asked] = useSearchParams();
  const marked = useEnterMarks(line.id, line.opened ? asked.get("for") : null);
  const [part, setPart] = useState<string>();
  return (
    <>
      <TopStrip title={sheet.name} quote={word(`driver.${exercise.felt}.${exercise.variant}`)}>
        <Tag tone={live.moving ? "cool" : "caution"}>
          {say(!live.moving ? "rigStands" : live.now?.rests ? "rigRests" : "rigMoves")}
        </Tag>
        <Tag>{say("rigMinutes", { minutes: minutes(rig.minutes) })}</Tag>
      </TopStrip>
      <p className="practice-band py-2 pr-4 font-semibold">
        {say("practiceBand")}.{" "}
        {line.opened ? (
          <Link to={`/jobs/${line.id}`} className="underline">
            {say("practiceCircuit")}
          </Link>
        ) : (
          <Link to={`/intake?exercise=${line.id}`} className="underline">
            {say("practiceIntake")}
          </Link>
        )}
      </p>
      <main className="grid gap-4 p-4 lg:grid-cols-[1fr_26rem]">
        {rig.stopped !== undefined && <Stopped hazard={rig.stopped} id={line.id} />}
        <div className="grid min-w-0 content-start gap-4">
          <div className="sheet-grid min-w-0 overflow-x-auto border-2 border-ink" role="group" aria-label={sheet.name}>
            <div className="max-sm:w-[640px]">
              <CircuitSheet layout={sheet} stillFitted={fitted(sheet, rig)} onPart={setPart} />
            </div>
          </div>
          <p className="text-soft">{say("rigTapParts")}</p>
          <Whole layout={sheet} rig={rig} act={hands.act} />
          <State layout={sheet} rig={rig} now={live.now} />
        </div>
        <aside className="grid min-w-0 content-start gap-5 max-lg:order-first">
          <Pedal now={live.now} lever={isLever(sheet)} stopMm={exercise.travelToStopMm} onPress={hands.press} />
          {hands.refused !== "" && (
            <p role="alert" className="border-2 border-danger p-3">
              {hands.refused}
            </p>
          )}
          <Gauges
            layout={sheet}
            now={live.now}
            past={live.past}
            test={marked.test}
            onEnter={(shows, instrument) => void marked.enter(live.past, shows, instrument)}
          />
        </aside>
      </main>
      {part !== undefined && (
        <PartActs
          layout={sheet}
          part={part}
          rig={rig}
          now={live.now}
          act={(one) => void hands.act(one)}
          onClose={() => setPart(undefined)}
        />
      )}
    </>
  );
}

/** An unsafe act ended it: what would have happened. */
function Stopped({ hazard, id }: { hazard: string; id: string }) {
  const { word } = useSettings();
  return (
    <section role="alert" className="col-span-full border-4 border-danger bg-panel p-4">
      <h2 className="text-2xl font-semibold text-danger">{say("rigStopped")}</h2>
      <p className="my-2 max-w-prose text-lg">{word(`hazard.${hazard}`)}</p>
      <Link to={`/practice/${id}/debrief`} className="inline-grid min-h-11 place-items-center border-2 border-ink px-4">
        {say("practiceDebrief")}
      </Link>
    </section>
  );
}

const OUT: [string, UiWord, string[]][] = [
  ["supply-vented", "rigVented", ["VACUUM_ASSIST", "HYDRAULIC_ASSIST"]],
  ["master-loose", "rigMasterLoose", ["MASTER"]],
  ["fuse-out", "rigFuseOut", ["MODULATOR"]],
  ["pedal-lifted", "rigPedalLifted", ["PEDAL"]],
  ["rod-turned-back", "rigRodBack", ["PEDAL", "LEVER"]],
  ["shoes-set", "rigShoesSet", ["DRUM"]],
];

/** What is done to the vehicle as a whole. */
function Whole({ layout, rig, act }: { layout: Layout; rig: Rig; act: (one: RigAct) => Promise<void> }) {
  const kinds = new Set<string>(layout.components.map((c) => c.kind));
  const [driving, setDriving] = useState(false);
  const switched = (label: UiWord, pressed: boolean, one: RigAct) => (
    <Button
      key={label}
      aria-pressed={pressed}
      className="aria-pressed:bg-fill aria-pressed:text-fill-ink"
      onClick={() => void act(one)}
    >
      {say(label)}
    </Button>
  );
  const pass = async (one: RigAct) => {
    setDriving(true);
    await act(one);
    setDriving(false);
  };
  return (
    <section aria-label={say("rigWhole")} className="flex flex-wrap gap-2">
      {!layout.family.includes("lever") && switched("rigEngine", rig.engineOn, { act: "engine", on: !rig.engineOn })}
      {switched("rigCapOff", !rig.capOn, { act: "cap", on: !rig.capOn })}
      {OUT.filter(([, , needs]) => needs.some((kind) => kinds.has(kind))).map(([id, label]) =>
        switched(label, rig.takenOut.includes(id), { act: "isolate", subject: id, on: !rig.takenOut.includes(id) }),
      )}
      <Button disabled={driving} onClick={() => void pass({ act: "drive", figure: 10 })}>
        {say("rigDrive")}
      </Button>
      <Button disabled={driving} onClick={() => void pass({ act: "stand", figure: 1 })}>
        {say("rigWait")}
      </Button>
      <Button disabled={driving} onClick={() => void pass({ act: "stand", figure: 30 })}>
        {say("rigCool")}
      </Button>
    </section>
  );
}

/** How the vehicle stands: what is off, what drips, what went wrong. */
function State({ layout, rig, now }: { layout: Layout; rig: Rig; now?: RigMoment }) {
  const { word, part, fitting } = useSettings();
  const off = [
    ...fitted(layout, rig).map((item) => fitting(item)),
    ...rig.cracked.map((id) => say("rigIsOpen", { part: part(layout.joints.find((j) => j.id === id)?.to ?? id) })),
    ...(now && now.dripMlPerMinute > 0.05 ? [say("rigDrips")] : []),
    ...(rig.rodTooLongMm > 0 ? [say("rigRodSet", { mm: rig.rodTooLongMm })] : []),
    ...(rig.warm ? [say("rigWarm")] : []),
  ];
  return (
    <section aria-label={say("rigState")} className="grid gap-1" aria-live="polite">
      {off.map((line) => (
        <p key={line} className="label">
          {line}
        </p>
      ))}
      {rig.mishaps.map((mishap, at) => (
        <p key={at} role="note" className="border border-caution bg-caution-ground px-2 py-1">
          {word(`mishap.${mishap}`)}
        </p>
      ))}
    </section>
  );
}
