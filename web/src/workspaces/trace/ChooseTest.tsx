import { useState } from "react";
import { useSettings } from "../../domain/settings";
import type { Job } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say } from "../../domain/words";
import { Dialog } from "../../ui/Dialog";
import { byPlace, capital, isLever } from "./state";

/** Every test of this circuit, by where the vehicle has to stand for it, the shortest first; which is worth most is not told. */
export function ChooseTest({
  job,
  onStart,
  onClose,
}: {
  job: Job;
  onStart: (id: string) => void;
  onClose: () => void;
}) {
  const { layout, word } = useSettings();
  const [sought, setSought] = useState("");
  const sheet = layout(job.layoutId);
  const tests = sheet.testLines
    .map((test) => ({ ...test, name: word(`test.${test.id}`), purpose: word(`test.${test.id}.purpose`) }))
    .filter(({ id }) => id !== "characterise" && id !== "also-felt")
    .filter(({ name, purpose }) => `${name} ${purpose}`.toLowerCase().includes(sought.toLowerCase()));
  const rounds = byPlace(tests, isLever(sheet));
  return (
    <Dialog open onClose={onClose} title={say("practiceChoose")}>
      <input
        type="search"
        aria-label={say("practiceSeek")}
        placeholder={say("practiceSeek")}
        value={sought}
        onChange={(e) => setSought(e.target.value)}
        className="mb-3 min-h-11 w-full border-2 border-ink bg-panel px-3"
      />
      {rounds.map(([place, there]) => (
        <section key={place} aria-label={capital(place)} className="mb-4">
          <h3 className="caps border-b-2 border-ink">{capital(place)}</h3>
          <ul>
            {there.map(({ id, name, purpose, minutes: takes }) => (
              <li key={id} className="border-b border-rule">
                <button
                  type="button"
                  className="flex min-h-11 w-full items-baseline gap-3 p-2 text-left hover:bg-grid"
                  onClick={() => onStart(id)}
                >
                  <span className="min-w-0 flex-1">
                    <span className="block text-lg font-semibold">{name}</span>
                    <span className="text-soft">{purpose}</span>
                  </span>
                  <span className="figures text-soft">{minutes(takes)}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {rounds.length === 0 && <p>{say("practiceNoTest")}</p>}
    </Dialog>
  );
}
