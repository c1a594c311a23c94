import { useState } from "react";
import { useSearchParams } from "react-router";
import { CircuitSheet } from "../../circuit/CircuitSheet";
import { useSettings } from "../../domain/settings";
import type { CheckedLayout } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";
import { useGo } from "../../ui/useGo";
import { differences, type LayoutFile, type Schema } from "./file";
import { AddParts } from "./AddParts";
import { PartFields } from "./PartFields";
import { useEditor, useStart } from "./useEditor";

/** Makes a layout from a preset: dimensions, modulator, ends, hoses; drawn as it changes. */
export function EditorView() {
  const [search] = useSearchParams();
  const start = useStart(search.get("from") ?? "tarn-box-van");
  if (start.error) return <Failed error={start.error} again={start.again} />;
  if (!start.ready) return <Loading />;
  return <Editor key={start.ready.preset.id} {...start.ready} />;
}

function Editor({ schema, preset }: { schema: Schema; preset: LayoutFile }) {
  const editor = useEditor(preset);
  const go = useGo();
  const [nameless, setNameless] = useState(false);
  const [reds, setReds] = useState<string[]>([]);
  const red = reds.filter((field) => editor.file.components.some((part) => field.startsWith(`${part.id}.`)));
  const save = async () => {
    setNameless(editor.name.trim() === "");
    if (editor.name.trim() === "") {
      document.getElementById("layout-name")?.focus();
      return;
    }
    if (await editor.save()) go("/layouts");
  };
  return (
    <>
      <TopStrip title={say("editorTitle", { name: preset.name })} />
      <main className="grid gap-x-6 gap-y-4 p-4 pb-28 lg:grid-cols-[minmax(20rem,26rem)_1fr]">
        <div className="grid content-start gap-4 max-lg:order-2">
          <div>
            <label htmlFor="layout-name" className="mb-1 block text-lg font-semibold">
              {say("layoutName")}
            </label>
            <input
              id="layout-name"
              value={editor.name}
              maxLength={60}
              onChange={(e) => editor.setName(e.target.value)}
              placeholder={say("layoutNameHint", { name: preset.name })}
              aria-invalid={nameless}
              className="min-h-12 w-full border-2 border-ink px-3 text-lg placeholder:text-soft"
            />
            {nameless && (
              <p role="alert" className="mt-1 font-semibold text-danger">
                {say("needed")}
              </p>
            )}
          </div>
          <AddParts file={editor.file} schema={schema} onChange={editor.change} />
          {editor.file.components.map((part, index) => (
            <PartFields
              key={part.id}
              part={part}
              index={index}
              file={editor.file}
              schema={schema}
              findings={editor.findings}
              preset={preset}
              onChange={editor.change}
              onRed={(field, red) => setReds((all) => [...all.filter((one) => one !== field), ...(red ? [field] : [])])}
            />
          ))}
        </div>
        <div className="min-w-0 lg:sticky lg:top-4 lg:self-start">
          {editor.checked.data ? (
            <Drawn checked={editor.checked.data} stale={editor.checked.isError} />
          ) : (
            <p aria-busy="true" className="caps border-2 border-ink p-6">
              {say("loading")}
            </p>
          )}
          {editor.checked.isError && (
            <div role="alert" className="mt-3 border-2 border-danger p-3">
              <p className="font-semibold">{say(editor.findings.length === 0 ? "failed" : "notYetACircuit")}</p>
              <ul className="list-inside list-disc">
                {editor.findings.length === 0 ? (
                  <li>{editor.checked.error.message}</li>
                ) : (
                  editor.findings.map((f) => (
                    <li key={f.field + f.allowed}>
                      {fieldText(f.field, editor.file)} {f.given} {f.allowed}
                    </li>
                  ))
                )}
              </ul>
            </div>
          )}
          {editor.saveError && (
            <p role="alert" className="mt-3 border-2 border-danger p-3">
              {editor.saveError.message}
            </p>
          )}
          <Diff preset={preset} file={editor.file} schema={schema} />
        </div>
      </main>
      <footer className="fixed inset-x-0 bottom-0 flex flex-wrap gap-3 border-t-2 border-ink bg-panel p-3">
        <Button large onClick={() => go("/layouts")}>
          {say("cancel")}
        </Button>
        <Button large disabled={!editor.canUndo} onClick={editor.undo}>
          {say("undo")}
        </Button>
        <Button
          large
          filled
          className="flex-1"
          disabled={editor.checked.isError || red.length > 0}
          onClick={() => void save()}
        >
          {say("saveLayout")}
        </Button>
        {red.length > 0 && (
          <p role="status" className="w-full font-semibold text-danger">
            {say("redFields", { count: red.length })}
          </p>
        )}
      </footer>
    </>
  );
}

/** "components.2.boreMm" told as the part it belongs to. */
function fieldText(field: string, file: LayoutFile): string {
  const at = field.match(/^components\.(\d+)\.?(.*)$/);
  return at ? `${file.components[Number(at[1])]?.id ?? ""} ${at[2] ?? ""}:` : `${field}:`;
}

function Drawn({ checked, stale }: { checked: CheckedLayout; stale: boolean }) {
  const { word, show } = useSettings();
  return (
    <section aria-label={say("drawn")} className={stale ? "opacity-50" : ""}>
      <div className="sheet-grid border-2 border-ink">
        <CircuitSheet layout={checked.layout} />
      </div>
      <p className="mt-2 text-sm text-soft">{say("figuresAt", { force: show(checked.forceN, "FORCE") })}</p>
      <dl className="mt-2 grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-4">
        {checked.figures
          .filter((f) => f.id !== "to-stop")
          .map((f) => (
            <div key={f.id}>
              <dt className="text-sm text-soft">{word(`calculator.travel.out.${f.id}`)}</dt>
              <dd className="figures text-xl font-semibold">{show(f.value, f.dimension)}</dd>
            </div>
          ))}
      </dl>
      {checked.notices.map((n) => (
        <p key={n} className="mt-1 border-l-4 border-caution bg-caution-ground px-3 py-1">
          {word(`calculator.travel.notice.${n}`)}
        </p>
      ))}
    </section>
  );
}

function Diff({ preset, file, schema }: { preset: LayoutFile; file: LayoutFile; schema: Schema }) {
  const { part } = useSettings();
  const all = differences(preset, file);
  const kind = (id: string) => file.components.find((c) => c.id === id)?.kind ?? "";
  const rule = (id: string, field: string) => schema.$defs[kind(id)]?.properties[field];
  return (
    <section className="mt-4">
      <h2 className="caps mb-1">{say("differsFrom", { name: preset.name })}</h2>
      {all.length === 0 ? (
        <p className="text-soft">{say("differsNothing")}</p>
      ) : (
        <ul>
          {all.map((d) => (
            <li key={`${d.part} ${d.field ?? ""}`} className="border-t border-grid py-1">
              <span className="label font-semibold">{part(d.part)}</span>{" "}
              {d.field ? (
                <>
                  {rule(d.part, d.field)?.title ?? d.field}:{" "}
                  <span className="figures text-soft line-through">{String(d.before)}</span>{" "}
                  <span className="figures font-semibold">
                    {String(d.after)} {rule(d.part, d.field)?.unit}
                  </span>
                </>
              ) : d.after === undefined ? (
                say("partTaken")
              ) : (
                say("partAdded")
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
