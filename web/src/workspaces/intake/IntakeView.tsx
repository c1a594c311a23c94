import clsx from "clsx";
import { RadioGroup } from "radix-ui";
import { useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import type { Vehicle } from "../../domain/types";
import { useSettings, useVehicleWord } from "../../domain/settings";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { TopStrip } from "../../ui/TopStrip";
import { DoneBefore } from "../record/DoneBefore";
import { BehaviourCurve } from "./behaviours";
import { Facts } from "./Facts";
import { KnownVehicles } from "./KnownVehicles";
import { ABOUT, anotherCircuit, NO_COMPLAINT, offered, type IntakeField } from "./state";
import { ForExercise } from "./ForExercise";
import { useIntake } from "./useIntake";

/** Vehicles that are refused by name, each with the caution that says why. */
const REFUSED: [string, UiWord][] = [
  ["out-of-scope", "outOfScope"],
  ["not-modelled", "notModelled"],
];

/** A new job: short, in the order of the talk with the driver. */
export function IntakeView() {
  const intake = useIntake();
  const { draft, change } = intake;
  const { catalogue, word, layout } = useSettings();
  const go = useNavigate();
  const chosen = layout(
    catalogue.layouts.some((l) => l.id === draft.layoutId) ? draft.layoutId : (catalogue.layouts[0]?.id ?? ""),
  );
  const said = useVehicleWord(chosen.id);
  const [refused, setRefused] = useState("");
  const choose = (id: string) => {
    const refuses = REFUSED.some(([kind]) => kind === id);
    setRefused(refuses ? id : "");
    if (!refuses) change(anotherCircuit(id));
  };
  const take = (vehicle: Vehicle) => {
    const { id: vehicleId, name, layoutId } = vehicle;
    const moves = layoutId !== draft.layoutId && offered(catalogue.layouts).some((l) => l.id === layoutId);
    setRefused("");
    change({
      vehicle: name,
      vehicleId,
      ...(moves ? anotherCircuit(layoutId) : {}),
    });
  };
  return (
    <>
      <TopStrip title={say("intakeTitle")} />
      <main className="mx-auto grid max-w-4xl gap-6 p-4 pb-28 md:p-8 md:pb-28">
        {intake.back !== undefined && draft.work.length > 0 && (
          <p role="note" className="ml-5 border-l-4 border-rule pl-3">
            {say("intakeBack", {
              what: draft.work.map((w) => `${word(`work.area.${w.area}`)}, ${word(`work.kind.${w.kind}`)}`).join("; "),
            })}
          </p>
        )}
        {intake.exercise && <ForExercise exercise={intake.exercise} />}
        <p role="note" className="ml-5 border border-caution bg-caution-ground p-3">
          {word("caution.not-to-be-driven")}
        </p>
        <div className="grid gap-6 md:grid-cols-2">
          <Part field="vehicle" label="intakeVehicle" missing={intake.missing}>
            <input
              id="intake-vehicle"
              aria-label={say("intakeVehicle")}
              maxLength={80}
              placeholder={say("intakeVehicleHint")}
              value={draft.vehicle}
              disabled={intake.exercise !== undefined}
              onChange={(e) => change({ vehicle: e.target.value, vehicleId: undefined })}
              className="min-h-14 w-full border-2 border-ink px-3 text-lg placeholder:text-soft"
            />
            {!intake.exercise && <KnownVehicles name={draft.vehicle} onTake={take} />}
          </Part>
          <Part field="layoutId" label="intakeLayout" missing={intake.missing}>
            <select
              id="intake-layoutId"
              aria-label={say("intakeLayout")}
              value={refused || draft.layoutId}
              disabled={intake.exercise !== undefined}
              onChange={(e) => choose(e.target.value)}
              className="min-h-14 w-full border-2 border-ink px-3 text-lg"
            >
              <option value="">{say("intakeLayoutNone")}</option>
              {offered(catalogue.layouts).map((l) => (
                <option key={l.id} value={l.id}>
                  {l.name}
                </option>
              ))}
              {REFUSED.map(([kind, name]) => (
                <option key={kind} value={kind}>
                  {say(name)}
                </option>
              ))}
            </select>
            {refused ? (
              <p role="alert" className="mt-2 border-2 border-danger p-3 font-semibold">
                {word(`caution.${refused}`)}
              </p>
            ) : draft.layoutId === "" ? null : (
              <p className="mt-1 text-soft">
                {[word(`family.${chosen.family}`), chosen.about].filter(Boolean).join(" · ")}
              </p>
            )}
          </Part>
        </div>
        <details className="ml-5 border-2 border-ink bg-panel" open={Object.keys(draft.about).length > 0 || undefined}>
          <summary className="min-h-11 cursor-pointer p-3 text-lg">{say("intakeAbout")}</summary>
          <div className="grid gap-3 p-3 pt-0 sm:grid-cols-2">
            {ABOUT.map((what) => (
              <label key={what} className="grid gap-1">
                <span className="caps">{word(`about.${what}`)}</span>
                <input
                  value={draft.about[what] ?? ""}
                  maxLength={80}
                  onChange={(e) => change({ about: { ...draft.about, [what]: e.target.value } })}
                  className="min-h-11 border-2 border-ink px-3"
                />
              </label>
            ))}
          </div>
        </details>
        {!intake.exercise && draft.layoutId !== "" && (
          <DoneBefore layoutId={draft.layoutId} vehicleId={draft.vehicleId} vehicle={draft.vehicle} />
        )}
        <Part field="complaint" label="intakeComplaint" missing={intake.missing}>
          <textarea
            id="intake-complaint"
            rows={2}
            maxLength={2000}
            aria-label={say("intakeComplaint")}
            value={draft.complaint}
            onChange={(e) => change({ complaint: e.target.value })}
            className="w-full border-2 border-ink p-3 text-lg"
          />
        </Part>
        {draft.layoutId === "" ? (
          <p className="ml-5 text-soft">{say("intakeLayoutFirst")}</p>
        ) : (
          <Part field="behaviour" label="intakeBehaviour" missing={intake.missing}>
            <RadioGroup.Root
              id="intake-behaviour"
              aria-label={say("intakeBehaviour")}
              value={draft.behaviour}
              onValueChange={(behaviour) =>
                change({
                  behaviour,
                  ...(behaviour === draft.alsoBehaviour || behaviour === NO_COMPLAINT ? { alsoBehaviour: "" } : {}),
                })
              }
              className="grid gap-2 sm:grid-cols-2 md:grid-cols-3"
            >
              {[...chosen.behaviours, NO_COMPLAINT].map((id) => (
                <RadioGroup.Item
                  key={id}
                  value={id}
                  className="flex min-h-20 items-center gap-3 border-2 border-ink bg-panel px-3 text-left text-lg font-medium data-[state=checked]:bg-fill data-[state=checked]:text-fill-ink"
                >
                  <BehaviourCurve id={id} />
                  {id === NO_COMPLAINT ? say("noComplaint") : said(`option.characterise.${id}`)}
                </RadioGroup.Item>
              ))}
            </RadioGroup.Root>
            {draft.behaviour !== "" && draft.behaviour !== NO_COMPLAINT && (
              <label className="mt-3 flex flex-wrap items-center gap-3 text-lg">
                {say("intakeAlso")}
                <select
                  value={draft.alsoBehaviour}
                  onChange={(e) => change({ alsoBehaviour: e.target.value })}
                  className="min-h-14 flex-1 border-2 border-ink px-3"
                >
                  <option value="">{say("intakeAlsoNothing")}</option>
                  {chosen.behaviours
                    .filter((id) => id !== draft.behaviour)
                    .map((id) => (
                      <option key={id} value={id}>
                        {said(`option.characterise.${id}`)}
                      </option>
                    ))}
                </select>
              </label>
            )}
          </Part>
        )}
        <Part field="mayBeMoved" label="intakeMoved" missing={intake.missing}>
          <div id="intake-mayBeMoved">
            <Choice
              label={say("intakeMoved")}
              value={draft.mayBeMoved}
              onChange={(v) => change({ mayBeMoved: v })}
              options={[
                { value: "yes", text: say("movedYes") },
                { value: "no", text: say("movedNo") },
              ]}
            />
          </div>
        </Part>
        {draft.layoutId !== "" && (
          <>
            <Facts draft={draft} layout={chosen} change={change} />
            <Part label="intakeHunch" missing={intake.missing}>
              <select
                id="intake-hunchId"
                aria-label={say("intakeHunch")}
                value={draft.hunchId}
                onChange={(e) => change({ hunchId: e.target.value })}
                className="min-h-14 w-full border-2 border-ink px-3 text-lg"
              >
                <option value="">{say("intakeHunchNone")}</option>
                {chosen.suspects.map((s) => (
                  <option key={s.id} value={s.id}>
                    {said(`suspect.${s.id}`)}
                  </option>
                ))}
                <option value="none-of-these">{word("suspect.none-of-these")}</option>
              </select>
              <p className="mt-1 text-soft">{say("intakeHunchWhy")}</p>
            </Part>
          </>
        )}
        {intake.refused && (
          <p role="alert" className="border-2 border-danger p-3">
            {intake.refused}
          </p>
        )}
      </main>
      <footer className="fixed inset-x-0 bottom-0 flex gap-3 border-t-2 border-ink bg-panel p-3">
        <Button large onClick={() => void go("/")}>
          {say("cancel")}
        </Button>
        <Button
          large
          filled
          disabled={intake.busy || refused !== ""}
          className="flex-1"
          onClick={() => void intake.open()}
        >
          {say(intake.busy ? "intakeOpening" : "intakeGo")}
        </Button>
      </footer>
    </>
  );
}

function Part({
  field,
  label,
  missing,
  children,
}: {
  field?: IntakeField;
  label: UiWord;
  missing: IntakeField[];
  children: ReactNode;
}) {
  const needed = field !== undefined && missing.includes(field);
  return (
    <section className={clsx("border-l-4 pl-4", needed ? "border-danger" : "border-transparent")}>
      <h2 className="mb-2 text-xl font-semibold">{say(label)}</h2>
      {children}
      {needed && (
        <p role="alert" className="mt-1 font-semibold text-danger">
          {say("needed")}
        </p>
      )}
    </section>
  );
}
