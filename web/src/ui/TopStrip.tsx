import { Popover } from "radix-ui";
import { useEffect, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { useSettings } from "../domain/settings";
import { useLine } from "../domain/line";
import { needsSomebody, useConnection } from "../domain/useOutbox";
import { say, type UiWord } from "../domain/words";
import { Choice } from "./Choice";
import { Dialog } from "./Dialog";
import { KeptSheet } from "./KeptSheet";
import { showPalette } from "./usePalette";

const KEYS: [string, UiWord][] = [
  ["n", "key.n"],
  ["o", "key.o"],
  ["b", "key.b"],
  ["← →", "key.arrows"],
  ["Ctrl K", "key.palette"],
  ["?", "key.question"],
];

/** The slim strip on top: where one is, what runs, whether all is saved, who works. */
export function TopStrip({
  title,
  quote,
  onTitle,
  children,
}: {
  title: string;
  quote?: string;
  /** Shows more of what the title names. */
  onTitle?: () => void;
  children?: ReactNode;
}) {
  return (
    <header className="flex min-h-12 flex-wrap items-center gap-x-5 gap-y-1 bg-strip px-4 py-1 text-strip-ink">
      <Link to="/" aria-label={say("bay")} className="grid size-11 place-items-center">
        <svg viewBox="0 0 32 32" className="size-7" aria-hidden="true">
          <path d="M6 23h14M13 23V12a6 6 0 0 1 12 0v3" fill="none" stroke="currentColor" strokeWidth="3" />
          <path d="m21 12 4 5 4-5z" fill="var(--hot)" />
        </svg>
      </Link>
      <h1 className="text-xl font-semibold">
        {onTitle ? (
          <button type="button" className="min-h-11 underline decoration-dotted underline-offset-4" onClick={onTitle}>
            {title}
          </button>
        ) : (
          title
        )}
      </h1>
      {quote && <p className="min-w-0 flex-1 truncate max-lg:hidden">“{quote}”</p>}
      <div className="ml-auto flex flex-wrap items-center gap-2 max-sm:order-2 max-sm:ml-0">
        {children}
        <button
          type="button"
          aria-label={say("palette")}
          title={`${say("palette")} (Ctrl K)`}
          className="grid size-11 place-items-center"
          onClick={() => showPalette(true)}
        >
          <svg viewBox="0 0 24 24" className="size-6" aria-hidden="true">
            <circle cx="10" cy="10" r="6" fill="none" stroke="currentColor" strokeWidth="2.5" />
            <path d="m15 15 6 6" stroke="currentColor" strokeWidth="2.5" />
          </svg>
        </button>
        <LineTag />
        <ConnectionTag />
      </div>
      <div className="max-sm:order-1 max-sm:ml-auto">
        <Who />
      </div>
    </header>
  );
}

/** A short state in the strip. */
export function Tag({
  children,
  tone = "plain",
}: {
  children: ReactNode;
  tone?: "plain" | "hot" | "cool" | "caution";
}) {
  const colour = {
    plain: "border-current",
    hot: "border-[#ff9a70] text-[#ff9a70]",
    cool: "border-[#7fcdd3] text-[#7fcdd3]",
    caution: "border-[#f0cf6a] text-[#f0cf6a]",
  }[tone];
  return <span className={`label figures border px-2 py-1 text-sm font-medium uppercase ${colour}`}>{children}</span>;
}

/** Said where the server does not answer: what is shown is what it last said. And where newer pages are ready. */
function LineTag() {
  const { keptSince, renew } = useLine();
  const since = new Date(keptSince);
  return (
    <>
      {keptSince !== "" && (
        <Tag tone="caution">
          {say("lineKept", { since: since.toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" }) })}
        </Tag>
      )}
      {renew && (
        <button type="button" className="min-h-11" onClick={renew}>
          <Tag tone="cool">{say("lineRenew")}</Tag>
        </button>
      )}
    </>
  );
}

/** Whether all that was entered here has reached the server; a tap shows what has not. */
function ConnectionTag() {
  const { connection, kept } = useConnection();
  const [open, setOpen] = useState(false);
  const refused = kept.filter(needsSomebody).length;
  const tone = { unknown: "plain", saved: "cool", sending: "cool", waiting: "caution", refused: "hot" } as const;
  return (
    <>
      <span role="status">
        <button type="button" className="min-h-11" onClick={() => setOpen(true)}>
          <Tag tone={tone[connection]}>{say(connection, { count: refused })}</Tag>
        </button>
      </span>
      <KeptSheet open={open} onClose={() => setOpen(false)} kept={kept} />
    </>
  );
}

function Who() {
  const { person, personId, set, units, theme } = useSettings();
  const [keys, setKeys] = useState(false);
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
            onChange={(v) => set({ units: v as "metric" | "us" })}
            options={[
              { value: "metric", text: say("metric") },
              { value: "us", text: say("us") },
            ]}
          />
          <Choice
            label={say("theme")}
            value={theme}
            onChange={(v) => set({ theme: v as "light" | "dark" })}
            options={[
              { value: "light", text: say("light") },
              { value: "dark", text: say("dark") },
            ]}
          />
          <button
            type="button"
            className="min-h-11 border-2 border-ink px-3 text-left"
            onClick={() => set({ personId: "" })}
          >
            {say("who")}
          </button>
          <button type="button" className="min-h-11 border-2 border-ink px-3 text-left" onClick={() => setKeys(true)}>
            {say("keys")} ( ? )
          </button>
        </Popover.Content>
      </Popover.Portal>
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
