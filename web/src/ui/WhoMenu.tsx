import { Popover } from "radix-ui";
import { useEffect, useState } from "react";
import { useSettings } from "../domain/settings";
import { useMay, useMe, useSessionQuery, useSignOut } from "../domain/session";
import { known, say, type UiWord } from "../domain/words";
import { Choice } from "./Choice";
import { Dialog } from "./Dialog";
import { OwnSecrets } from "./OwnSecrets";

const KEYS: [string, UiWord][] = [
  ["n", "key.n"],
  ["o", "key.o"],
  ["b", "key.b"],
  ["← →", "key.arrows"],
  ["Ctrl K", "key.palette"],
  ["?", "key.question"],
];

const ITEM = "grid min-h-11 border-2 border-ink px-3 text-left content-center";

/** Who works, and what that person has chosen for this device. */
export function WhoMenu() {
  const { person, personId, set, units, theme } = useSettings();
  const [keys, setKeys] = useState(false);
  const [secrets, setSecrets] = useState(false);
  const me = useMe();
  const may = useMay();
  const signOut = useSignOut();
  const shared = useSessionQuery().data?.tablet !== undefined;
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key === "?" && !(e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement))
        setKeys(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <Popover.Root>
      <Popover.Trigger className="label min-h-11 px-2 underline decoration-dotted underline-offset-4">
        {person(personId)}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label={say("units")}
          className="z-10 grid w-72 gap-4 border-2 border-ink bg-panel p-4 text-ink"
        >
          <Choice
            label={say("units")}
            value={units}
            onChange={(v) => set({ units: v })}
            options={[
              { value: "metric", text: say("metric") },
              { value: "us", text: say("us") },
            ]}
          />
          <Choice
            label={say("theme")}
            value={theme}
            onChange={(v) => set({ theme: v })}
            options={[
              { value: "light", text: say("light") },
              { value: "dark", text: say("dark") },
            ]}
          />
          <p className="text-sm text-soft">
            {known(`role.${me.role}`)}
            {me.qualified && ` · ${say("mayRelease")}`}
          </p>
          <button type="button" className={ITEM} onClick={() => void signOut()}>
            {say(shared ? "handTabletOver" : "signOut")}
          </button>
          <button type="button" className={ITEM} onClick={() => setSecrets(true)}>
            {say("ownSecrets")}
          </button>
          {may("SEE_PEOPLE") && (
            <a href="/people" className={ITEM}>
              {say("peopleTitle")}
            </a>
          )}
          <button type="button" className={ITEM} onClick={() => setKeys(true)}>
            {say("keys")} ( ? )
          </button>
        </Popover.Content>
      </Popover.Portal>
      {secrets && <OwnSecrets open onClose={() => setSecrets(false)} />}
      <Dialog open={keys} onClose={() => setKeys(false)} title={say("keysTitle")}>
        <dl className="grid grid-cols-[5rem_1fr] gap-2 text-lg">
          {KEYS.map(([key, word]) => (
            <div key={key} className="contents">
              <dt className="figures font-semibold">{key}</dt>
              <dd>{say(word)}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </Popover.Root>
  );
}
