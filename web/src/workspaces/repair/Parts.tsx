import { useMay } from "../../domain/session";
import { useState } from "react";
import { useSettings } from "../../domain/settings";
import type { Job, Repair } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import type { RepairPage } from "./useRepair";

type State = "wanted" | "ordered" | "arrived" | "returned" | "spare" | "core-sent-back";
/** What comes next for a part in each state. */
const NEXT: Record<State, State[]> = {
  wanted: ["ordered"],
  ordered: ["arrived", "ordered"],
  arrived: ["core-sent-back", "spare", "returned"],
  returned: ["ordered"],
  spare: ["returned"],
  "core-sent-back": [],
};

/** The parts of this job: wanted, ordered, arrived, gone back; a second order is asked about. */
export function Parts({ job, repair, page }: { job: Job; repair: Repair; page: RepairPage }) {
  const { person, word } = useSettings();
  const may = useMay()("ORDER");
  const ready = repair.needed
    .filter((one) => one.kind === "PART" || one.id === "fluid")
    .map((one) => word(`needed.${one.id}`))
    .filter((name) => job.parts.every((part) => part.part !== name));
  const [twice, setTwice] = useState<string>();
  const move = (part: string, state: State, again: boolean, note?: string) => {
    setTwice(undefined);
    return page.enter("parts", { part, state, ...(again ? { again } : {}), ...(note ? { note } : {}) });
  };
  return (
    <section aria-label={say("parts")} className="border-t-2 border-ink bg-panel p-4">
      <h2 className="caps">{say("parts")}</h2>
      {repair.cost && (
        <p className="figures text-soft">
          {say("partsCost", {
            parts: `${Math.round(repair.cost.parts)} ${repair.cost.currency}`,
            labour: `${Math.round(repair.cost.labour)} ${repair.cost.currency}`,
          })}
        </p>
      )}
      <ul>
        {job.parts.map((one) => (
          <li key={one.part} className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-rule py-2">
            <p className="min-w-0 flex-1 basis-56">
              <span className="text-lg font-semibold">{one.part}</span>{" "}
              <span className="label">{say(`part.${one.state}`)}</span>
              <span className="block text-sm text-soft">
                {[one.note, person(one.personId)].filter(Boolean).join(" · ")}
              </span>
            </p>
            {NEXT[one.state]
              .filter((state) => may || state !== "ordered")
              .map((state) => {
                const second = state === "ordered" && one.state === "ordered";
                return (
                  <Button
                    key={state}
                    disabled={page.busy}
                    onClick={() => (second ? setTwice(one.part) : void move(one.part, state, false))}
                  >
                    {say(second ? "partAgain" : `partTo.${state}`)}
                  </Button>
                );
              })}
            {twice === one.part && (
              <div role="alert" className="flex basis-full flex-wrap items-center gap-3 border-2 border-caution p-3">
                <p className="flex-1">{say("partTwice", { name: person(one.personId) })}</p>
                <Button disabled={page.busy} onClick={() => void move(one.part, "ordered", true)}>
                  {say("partTwiceYes")}
                </Button>
                <Button onClick={() => setTwice(undefined)}>{say("cancel")}</Button>
              </div>
            )}
          </li>
        ))}
      </ul>
      {may && ready.length > 0 && (
        <div role="group" aria-label={say("partsReady")} className="mt-2 flex flex-wrap items-center gap-2">
          <span className="text-soft">{say("partsReady")}</span>
          {ready.map((name) => (
            <Button key={name} disabled={page.busy} onClick={() => void move(name, "wanted", false)}>
              {name}
            </Button>
          ))}
        </div>
      )}
      {may ? (
        <NewPart busy={page.busy} onAdd={(part, note) => move(part, "wanted", false, note)} />
      ) : (
        <p className="mt-2 text-soft">{say("orderByTechnician")}</p>
      )}
    </section>
  );
}

function NewPart({ busy, onAdd }: { busy: boolean; onAdd: (part: string, note: string) => Promise<boolean> }) {
  const [part, setPart] = useState("");
  const [note, setNote] = useState("");
  const field = "min-h-12 min-w-0 flex-1 basis-44 border-2 border-ink px-2 text-lg placeholder:text-soft";
  return (
    <form
      className="mt-2 flex flex-wrap gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void onAdd(part.trim(), note.trim()).then((taken) => taken && (setPart(""), setNote("")));
      }}
    >
      <input
        aria-label={say("partName")}
        placeholder={say("partName")}
        maxLength={80}
        value={part}
        onChange={(e) => setPart(e.target.value)}
        className={field}
      />
      <input
        aria-label={say("partNote")}
        placeholder={say("partNote")}
        maxLength={400}
        value={note}
        onChange={(e) => setNote(e.target.value)}
        className={field}
      />
      <Button type="submit" disabled={busy || part.trim() === ""}>
        {say("partAdd")}
      </Button>
    </form>
  );
}
