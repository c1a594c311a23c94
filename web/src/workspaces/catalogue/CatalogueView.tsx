import { useState } from "react";
import { useLocation } from "react-router";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { TopStrip } from "../../ui/TopStrip";
import { cautions, circuits, found, KINDS, schools, suspects, tests, type Kind, type Line } from "./state";

/** So many entries at a time. */
const PART = 20;

/** What the program knows: suspects, tests with what each cannot see, cautions; searched, and linked one by one. */
export function CatalogueView() {
  const { catalogue, word } = useSettings();
  const { hash } = useLocation();
  const linked = decodeURIComponent(hash.slice(1));
  const [kind, setKind] = useState<Kind>(KINDS.find((k) => linked.startsWith(`${k}.`)) ?? "suspect");
  const [search, setSearch] = useState("");
  const all: Record<Kind, () => Line[]> = {
    suspect: () => suspects(catalogue, word),
    test: () => tests(catalogue, word),
    caution: () => cautions(catalogue, word),
    school: () => schools(catalogue, word),
    circuit: () => circuits(catalogue, word),
  };
  const lines = found(all[kind](), search);
  const [parts, setParts] = useState(1);
  const most = Math.max(parts * PART, lines.findIndex((line) => line.id === linked) + 1);
  return (
    <>
      <TopStrip title={say("catalogue")} />
      <main className="mx-auto max-w-5xl p-4 md:p-8">
        <div className="mb-4 flex flex-wrap items-center gap-2">
          <input
            type="search"
            aria-label={say("catalogueSearch")}
            placeholder={say("catalogueSearch")}
            value={search}
            maxLength={80}
            onChange={(e) => setSearch(e.target.value)}
            className="min-h-12 flex-1 basis-64 border-2 border-ink bg-panel px-3 text-lg placeholder:text-soft"
          />
          <Choice
            label={say("catalogue")}
            value={kind}
            onChange={(v) => setKind(KINDS.find((k) => k === v) ?? "suspect")}
            options={KINDS.map((k) => ({ value: k, text: say(`catalogue.${k}`) }))}
          />
        </div>
        {lines.length === 0 && <p className="text-lg">{say("catalogueNone")}</p>}
        <ul className="border-t-2 border-ink">
          {lines.slice(0, most).map((line) => (
            <Entry key={line.id} line={line} linked={line.id === linked} />
          ))}
        </ul>
        {lines.length > most && (
          <Button className="mt-4" onClick={() => setParts(Math.ceil(most / PART) + 1)}>
            {say("catalogueMore", { count: Math.min(PART, lines.length - most), all: lines.length })}
          </Button>
        )}
      </main>
    </>
  );
}

function Entry({ line, linked }: { line: Line; linked: boolean }) {
  return (
    <li
      id={line.id}
      ref={(node) => {
        if (linked) node?.scrollIntoView({ block: "center" });
      }}
      className={
        linked ? "border-b border-rule border-l-4 border-l-hot bg-panel p-4" : "border-b border-rule bg-panel p-4"
      }
    >
      <h2 className="text-xl font-semibold">
        <a href={`#${line.id}`} className="hover:underline">
          {line.title}
        </a>
      </h2>
      {line.texts.map(({ label, text }) => (
        <p key={label} className="mt-1">
          {label !== "" && <span className="caps mr-2">{label}</span>}
          {text}
        </p>
      ))}
    </li>
  );
}
