import clsx from "clsx";
import type { ReactNode } from "react";
import { NavLink } from "react-router";
import { say } from "../../domain/words";
import { TopStrip } from "../../ui/TopStrip";

const PAGES = [
  ["/record", "recordJobs"],
  ["/record/learned", "recordLearned"],
  ["/record/frequencies", "recordFrequencies"],
] as const;

/** The three pages of the record. */
export function Frame({ children }: { children: ReactNode }) {
  return (
    <>
      <TopStrip title={say("record")} />
      <main className="sheet-grid min-h-[calc(100dvh-3rem)] p-4 md:p-8">
        <div className="mx-auto max-w-6xl">
          <nav aria-label={say("record")} className="mb-5 flex flex-wrap gap-2">
            {PAGES.map(([path, name]) => (
              <NavLink
                key={path}
                to={path}
                end
                className={({ isActive }) =>
                  clsx(
                    "grid min-h-11 content-center border-2 border-ink px-4 font-semibold",
                    isActive ? "bg-fill text-fill-ink" : "bg-panel hover:bg-grid",
                  )
                }
              >
                {say(name)}
              </NavLink>
            ))}
          </nav>
          {children}
        </div>
      </main>
    </>
  );
}
