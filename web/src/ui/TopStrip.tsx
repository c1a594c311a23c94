import { lazy, Suspense, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { useSettings } from "../domain/settings";
import { useLine } from "../domain/line";
import { useDrawn } from "../domain/soon";
import { needsSomebody, useConnection } from "../domain/useOutbox";
import { say } from "../domain/words";
import { showPalette } from "./usePalette";

const WhoMenu = lazy(async () => ({ default: (await import("./WhoMenu")).WhoMenu }));
const KeptSheet = lazy(async () => ({ default: (await import("./KeptSheet")).KeptSheet }));

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
      {open && (
        <Suspense>
          <KeptSheet open onClose={() => setOpen(false)} kept={kept} />
        </Suspense>
      )}
    </>
  );
}

/** Who works, with units, theme and keys behind it; what opens is fetched once the page has been drawn. */
function Who() {
  const { person, personId } = useSettings();
  const drawn = useDrawn();
  const plain = <span className="label grid min-h-11 place-items-center px-2">{person(personId)}</span>;
  return drawn ? (
    <Suspense fallback={plain}>
      <WhoMenu />
    </Suspense>
  ) : (
    plain
  );
}
