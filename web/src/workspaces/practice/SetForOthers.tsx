import { useState } from "react";
import { told } from "../../domain/api";
import { signsHere, useSettings } from "../../domain/settings";
import type { Practice } from "../../domain/types";
import { NOTHING_WRONG } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { useSet } from "./usePractice";

/** The lead sets an exercise: a chosen fault on a circuit, for one person or a class. */
export function SetForOthers({ page }: { page: Practice }) {
  const { word, catalogue, layout } = useSettings();
  const people = catalogue.staff.filter(signsHere);
  const set = useSet();
  const [layoutId, setLayoutId] = useState(catalogue.layouts[0]?.id ?? "");
  const [suspectId, setSuspectId] = useState("");
  const [level, setLevel] = useState(page.levels[1] ?? "everyday");
  const [personIds, setPersonIds] = useState<string[]>([]);
  return (
    <details className="border-2 border-ink bg-panel">
      <summary className="min-h-11 cursor-pointer p-3 text-lg font-semibold">{say("practiceSet")}</summary>
      <div className="grid gap-3 p-3 pt-0">
        <select
          aria-label={say("practiceCircuitOf")}
          value={layoutId}
          onChange={(e) => {
            setLayoutId(e.target.value);
            setSuspectId("");
          }}
          className="min-h-11 border-2 border-ink px-3"
        >
          {catalogue.layouts
            .filter((l) => !l.withdrawn)
            .map((l) => (
              <option key={l.id} value={l.id}>
                {l.name}
              </option>
            ))}
        </select>
        <select
          aria-label={say("practiceHidden")}
          value={suspectId}
          onChange={(e) => setSuspectId(e.target.value)}
          className="min-h-11 border-2 border-ink px-3"
        >
          <option value="">{say("practiceWhatComes")}</option>
          {layout(layoutId)
            .suspects.filter((s) => s.id !== NOTHING_WRONG)
            .map((s) => (
              <option key={s.id} value={s.id}>
                {word(`suspect.${s.id}`)}
              </option>
            ))}
        </select>
        <select
          aria-label={say("practiceLevel")}
          value={level}
          onChange={(e) => setLevel(e.target.value)}
          className="min-h-11 border-2 border-ink px-3"
        >
          {page.levels.map((one) => (
            <option key={one} value={one}>
              {word(`exercise.level.${one}`)}
            </option>
          ))}
        </select>
        <fieldset className="grid gap-1">
          <legend className="caps">{say("practiceFor")}</legend>
          {people.map((person) => (
            <label key={person.id} className="flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                className="size-6"
                checked={personIds.includes(person.id)}
                onChange={(e) =>
                  setPersonIds(
                    e.target.checked ? [...personIds, person.id] : personIds.filter((id) => id !== person.id),
                  )
                }
              />
              {person.name}
            </label>
          ))}
        </fieldset>
        {set.isError && (
          <p role="alert" className="border-2 border-danger p-3">
            {told(set.error)}
          </p>
        )}
        {set.isSuccess && <p role="status">{say("practiceIsSet")}</p>}
        <Button
          disabled={set.isPending || personIds.length === 0}
          onClick={() =>
            set.mutate({ layoutId, level, personIds, ...(suspectId === "" ? {} : { suspectIds: [suspectId] }) })
          }
        >
          {say("practiceSetGo")}
        </Button>
      </div>
    </details>
  );
}
