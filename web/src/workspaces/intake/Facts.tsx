import { Toggle } from "radix-ui";
import { useSettings, useVehicleWord } from "../../domain/settings";
import type { Layout } from "../../domain/types";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { BLED, MOST_WORK, WORK_KINDS, type IntakeDraft, type Work } from "./state";

interface Props {
  draft: IntakeDraft;
  layout: Layout;
  change: (part: Partial<IntakeDraft>) => void;
}

/** What moves the frequencies before any reading; none of it has to be known. */
export function Facts({ draft, layout, change }: Props) {
  const word = useVehicleWord(layout.id);
  const tick = (fact: "recentWork" | "sometimes", label: UiWord) => (
    <label className="flex min-h-14 items-center gap-3 border-2 border-ink bg-panel px-3 text-lg">
      <input
        type="checkbox"
        className="size-6"
        checked={draft[fact]}
        onChange={(e) => change({ [fact]: e.target.checked })}
      />
      {say(label)}
    </label>
  );
  const toggle = (id: string, on: boolean) =>
    change({ facts: on ? [...draft.facts, id] : draft.facts.filter((fact) => fact !== id) });
  return (
    <section className="grid gap-4 border-l-4 border-transparent pl-4">
      <h2 className="text-xl font-semibold">{say("intakeFacts")}</h2>
      <div className="grid items-end gap-2 sm:grid-cols-2 md:grid-cols-3">
        {tick("recentWork", "factRecentWork")}
        {tick("sometimes", "factSometimes")}
        <label className="grid gap-1">
          <span className="caps">{say("factAge")}</span>
          <select
            value={draft.age}
            onChange={(e) => change({ age: e.target.value as IntakeDraft["age"] })}
            className="min-h-14 w-full border-2 border-ink px-3 text-lg"
          >
            {(["UNKNOWN", "NEW", "OLD"] as const).map((age) => (
              <option key={age} value={age}>
                {say(`age${age}`)}
              </option>
            ))}
          </select>
        </label>
      </div>
      <details className="group border-2 border-ink bg-panel" open={draft.facts.length > 0 || undefined}>
        <summary className="min-h-11 cursor-pointer p-3 text-lg">
          {say("intakeToldLabel")}
          {draft.facts.length > 0 && <span className="figures"> · {draft.facts.length}</span>}
        </summary>
        <div role="group" aria-label={say("intakeToldLabel")} className="flex flex-wrap gap-2 p-3 pt-0">
          {layout.facts.map((id) => (
            <Toggle.Root
              key={id}
              pressed={draft.facts.includes(id)}
              onPressedChange={(on) => toggle(id, on)}
              className="min-h-11 border border-ink bg-panel px-3 text-left data-[state=on]:bg-fill data-[state=on]:text-fill-ink"
            >
              {word(`fact.${id}`)}
            </Toggle.Root>
          ))}
        </div>
      </details>
      <WorkRows draft={draft} layout={layout} change={change} />
    </section>
  );
}

/** What was done where, one row each. */
function WorkRows({ draft, layout, change }: Props) {
  const { word } = useSettings();
  const set = (at: number, part: Partial<Work>) =>
    change({ work: draft.work.map((row, i) => (i === at ? { ...row, ...part } : row)) });
  const choice = (
    row: Work,
    at: number,
    field: keyof Work,
    label: UiWord,
    ids: readonly string[],
    key: "area" | "kind" | "bled",
  ) => (
    <select
      aria-label={say(label)}
      value={row[field]}
      onChange={(e) => set(at, { [field]: e.target.value })}
      className="min-h-11 w-full border-2 border-ink px-2"
    >
      {ids.map((id) => (
        <option key={id} value={id}>
          {word(`work.${key}.${id}`)}
        </option>
      ))}
    </select>
  );
  return (
    <div className="grid gap-2">
      {draft.work.map((row, at) => (
        <div key={at} className="grid gap-2 sm:grid-cols-[1fr_1fr_1fr_auto]">
          {choice(row, at, "area", "workArea", layout.workAreas, "area")}
          {choice(row, at, "kind", "workKind", WORK_KINDS, "kind")}
          {choice(row, at, "bled", "workBled", BLED, "bled")}
          <Button onClick={() => change({ work: draft.work.filter((_, i) => i !== at) })}>{say("workRemove")}</Button>
        </div>
      ))}
      {draft.work.length < MOST_WORK && (
        <Button
          className="justify-self-start"
          onClick={() =>
            change({ work: [...draft.work, { area: layout.workAreas[0] ?? "", kind: "renewed", bled: "unknown" }] })
          }
        >
          {say("workAdd")}
        </Button>
      )}
    </div>
  );
}
