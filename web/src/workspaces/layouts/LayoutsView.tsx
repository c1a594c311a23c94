import { useMay } from "../../domain/session";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Layout } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { TopStrip } from "../../ui/TopStrip";

/** Every circuit that a job can stand on, drawn; each can be the start of another. */
export function LayoutsView() {
  const { catalogue } = useSettings();
  return (
    <>
      <TopStrip title={say("layouts")} />
      <main className="mx-auto max-w-6xl p-4 md:p-8">
        <p className="mb-4 max-w-3xl text-lg">{say("layoutsWhy")}</p>
        <ul className="grid border-t-2 border-ink md:grid-cols-2 md:gap-x-6">
          {catalogue.layouts
            .filter((l) => !l.withdrawn)
            .map((l) => (
              <LayoutLine key={l.id} layout={l} />
            ))}
        </ul>
      </main>
    </>
  );
}

function LayoutLine({ layout: l }: { layout: Layout }) {
  const { word } = useSettings();
  const may = useMay();
  const queries = useQueryClient();
  const [sure, setSure] = useState(false);
  const [refused, setRefused] = useState("");
  const withdraw = async () => {
    try {
      await api.withdrawLayout(l.id);
      await queries.invalidateQueries({ queryKey: ["catalogue"] });
    } catch (e) {
      setRefused((e as Error).message);
    }
  };
  return (
    <li className="border-b-2 border-ink py-3">
      <div className="sheet-grid border border-grid">
        <CircuitSheet layout={l} />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <div className="min-w-0 flex-1 basis-52">
          <h2 className="text-xl font-semibold">{l.name}</h2>
          <p className="text-sm text-soft">
            {[word(`family.${l.family}`), l.preset ? l.about : say("savedFrom", { name: l.startedFrom ?? "" })]
              .filter(Boolean)
              .join(" · ")}
          </p>
        </div>
        <Link
          to={`/layouts/new?from=${l.id}`}
          className="label grid min-h-11 place-items-center border-2 border-ink bg-panel px-3 font-semibold"
        >
          {say("startFromThis")}
        </Link>
        <a
          href={`/api/layouts/${l.id}`}
          download={`${l.id}.layout.json`}
          className="label grid min-h-11 min-w-11 place-items-center px-2 underline underline-offset-4"
        >
          {say("downloadFile")}
        </a>
        {!l.preset && may("WITHDRAW_LAYOUT") && (
          <button
            type="button"
            className="label min-h-11 px-2 underline underline-offset-4"
            onClick={() => setSure(true)}
          >
            {say("withdraw")}
          </button>
        )}
      </div>
      {sure && (
        <div className="mt-2 flex flex-wrap items-center gap-2 border-2 border-ink bg-panel p-3">
          <p className="flex-1 basis-56">{say("withdrawSure")}</p>
          <Button onClick={() => setSure(false)}>{say("cancel")}</Button>
          <Button filled onClick={() => void withdraw()}>
            {say("withdraw")}
          </Button>
        </div>
      )}
      {refused && (
        <p role="alert" className="mt-2 border-2 border-danger p-2">
          {refused}
        </p>
      )}
    </li>
  );
}
