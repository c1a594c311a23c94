import { useSettings } from "../../domain/settings";
import type { Job, Test } from "../../domain/types";
import { say, type UiWord } from "../../domain/words";
import { Choice } from "../../ui/Choice";
import { QuantityField } from "../../ui/QuantityField";
import { Ruler } from "../../ui/Ruler";
import { impossible, minutesSince, unitOf, value, type Code } from "./state";
import type { useRunner } from "./useRunner";

/** Everything that was read, on one page, with the rig checked and the reading on its ruler. */
export function EntryPage({ runner, test, job }: { runner: ReturnType<typeof useRunner>; test: Test; job: Job }) {
  const { word } = useSettings();
  const { draft, change, refused } = runner;
  const repeat = job.entries.some((e) => !e.struck && e.kind === "reading-taken" && e.rigKind === test.rigKind);
  return (
    <div className="grid gap-6">
      {test.options.length > 0 ? (
        <section>
          {test.readsCodes && <Codes codes={draft.codes ?? []} onCodes={(codes) => change({ codes })} />}
          <h2 className="mb-3 text-2xl font-semibold">{say("whatSeen")}</h2>
          <Choice
            large
            label={say("whatSeen")}
            value={draft.observed}
            onChange={(observed) => change({ observed })}
            options={test.options.map((o) => ({
              value: o,
              text: word(o === "not-seen" ? "option.not-seen" : `option.${test.id}.${o}`),
            }))}
          />
        </section>
      ) : (
        <Figures runner={runner} test={test} />
      )}
      {refused.length > 0 && (
        <div role="alert" className="border-2 border-danger p-3">
          {refused.map((f) => (
            <p key={f.field + f.allowed}>
              {[f.field, f.given].filter(Boolean).join(": ")} {f.allowed}
            </p>
          ))}
        </div>
      )}
      <section className="border-2 border-grid bg-panel p-4">
        <p className="caps">{say("isRigSound")}</p>
        <h2 className="mb-3 text-xl font-semibold">{word(`rig.${test.rigKind}.check`)}</h2>
        <Choice
          large
          label={say("isRigSound")}
          value={draft.rigCheck}
          onChange={(v) => change({ rigCheck: v as typeof draft.rigCheck })}
          options={(["sound", "doubtful", "not-checked"] as const).map((v) => ({ value: v, text: word(`rig.${v}`) }))}
        />
        {repeat && (
          <div className="mt-4">
            <p className="mb-2">
              {say("rigAgain")}: {word(`rig.${test.rigKind}`)}
            </p>
            <Choice
              large
              label={say("rigAgain")}
              value={draft.newRig ? "new" : "same"}
              onChange={(v) => change({ newRig: v === "new" })}
              options={[
                { value: "same", text: say("rigSame") },
                { value: "new", text: say("rigNew") },
              ]}
            />
          </div>
        )}
      </section>
      <label className="flex items-center gap-3 text-lg">
        <span>{say("spentMinutes")}</span>
        <input
          inputMode="decimal"
          value={draft.spentText ?? String(minutesSince(draft, Date.now()))}
          maxLength={6}
          onChange={(e) => change({ spentText: e.target.value })}
          className="figures min-h-16 w-28 border-2 border-ink bg-panel px-3 text-right text-2xl"
        />
        <span className="figures text-soft">min</span>
      </label>
      <p className="text-soft">{say("blind", { what: word(`test.${test.id}.blind`) })}</p>
    </div>
  );
}

/** Every code that was read: its number, what it says, and how often; one empty row more than are filled. */
function Codes({ codes, onCodes }: { codes: Code[]; onCodes: (codes: Code[]) => void }) {
  const rows = [...codes, { number: "", text: "", often: "once" }];
  const change = (at: number, part: Partial<Code>) =>
    onCodes(
      rows
        .map((row, i) => (i === at ? { ...row, ...part } : row))
        .filter((row) => row.number !== "" || row.text !== ""),
    );
  return (
    <div className="mb-6 grid gap-3">
      <h2 className="text-2xl font-semibold">{say("codesRead")}</h2>
      {rows.map((row, at) => (
        <div key={at} className="grid gap-2 border-l-4 border-rule pl-3 sm:grid-cols-[9rem_1fr_auto]">
          <input
            aria-label={say("codeNumber", { at: at + 1 })}
            placeholder={say("codeNumberShort")}
            value={row.number}
            maxLength={20}
            onChange={(e) => change(at, { number: e.target.value })}
            className="figures min-h-11 border-2 border-ink bg-panel px-3"
          />
          <input
            aria-label={say("codeText", { at: at + 1 })}
            placeholder={say("codeTextShort")}
            value={row.text}
            maxLength={200}
            onChange={(e) => change(at, { text: e.target.value })}
            className="min-h-11 border-2 border-ink bg-panel px-3"
          />
          <Choice
            label={say("codeOften", { at: at + 1 })}
            value={row.often}
            onChange={(often) => change(at, { often })}
            options={["now", "often", "once"].map((one) => ({ value: one, text: say(`code.${one}` as UiWord) }))}
          />
        </div>
      ))}
    </div>
  );
}

function Figures({ runner, test }: { runner: ReturnType<typeof useRunner>; test: Test }) {
  const { figure, catalogue } = useSettings();
  const { draft, type, unitFor } = runner;
  const label = (id: string) => figure(test.id, id);
  const typed = test.figures.filter((f) => value(draft, f, unitFor(f), catalogue.units) !== undefined);
  const onRuler = typed[typed.length - 1] ?? test.figures[0];
  const firstEmpty = test.figures.find((f) => (draft.texts[f.id] ?? "") === "");
  return (
    <section className="grid gap-3">
      {test.figures.map((f) => (
        <QuantityField
          key={f.id}
          figure={f}
          label={label(f.id)}
          text={draft.texts[f.id] ?? ""}
          unitSymbol={unitOf(draft, f, unitFor(f))}
          onText={(text) => type(f, text)}
          current={f === firstEmpty}
          problem={impossible(draft, f, unitFor(f), catalogue.units) ? "impossible" : undefined}
        />
      ))}
      {typed.length === 0 && <p className="text-soft">{say("atLeastOne")}</p>}
      {onRuler && (
        <Ruler
          figure={onRuler}
          mark={
            impossible(draft, onRuler, unitFor(onRuler), catalogue.units)
              ? undefined
              : value(draft, onRuler, unitFor(onRuler), catalogue.units)
          }
          title={label(onRuler.id)}
        />
      )}
    </section>
  );
}
