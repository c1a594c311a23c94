import { Link } from "react-router";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { TopStrip } from "../../ui/TopStrip";

/** Every circuit that a job can stand on, drawn; each can be the start of another. */
export function LayoutsView() {
  const { catalogue, word } = useSettings();
  return (
    <>
      <TopStrip title={say("layouts")} />
      <main className="mx-auto max-w-6xl p-4 md:p-8">
        <p className="mb-4 max-w-3xl text-lg">{say("layoutsWhy")}</p>
        <ul className="grid border-t-2 border-ink md:grid-cols-2 md:gap-x-6">
          {catalogue.layouts.map((l) => (
            <li key={l.id} className="border-b-2 border-ink py-3">
              <div className="sheet-grid border border-grid"><CircuitSheet layout={l} /></div>
              <div className="mt-2 flex flex-wrap items-center gap-3">
                <div className="min-w-0 flex-1 basis-52">
                  <h2 className="text-xl font-semibold">{l.name}</h2>
                  <p className="text-sm text-soft">{[word(`family.${l.family}`), l.preset ? l.about : say("savedFrom", { name: l.startedFrom ?? "" })].filter(Boolean).join(" · ")}</p>
                </div>
                <Link to={`/layouts/new?from=${l.id}`} className="label grid min-h-11 place-items-center border-2 border-ink bg-panel px-3 font-semibold">{say("startFromThis")}</Link>
                <a href={`/api/layouts/${l.id}`} download={`${l.id}.layout.json`} className="label grid min-h-11 place-items-center px-2 underline underline-offset-4">{say("downloadFile")}</a>
              </div>
            </li>
          ))}
        </ul>
      </main>
    </>
  );
}
