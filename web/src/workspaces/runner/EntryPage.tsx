import type { ReactNode } from "react";
import { useSettings } from "../../domain/settings";
import type { Job, Test } from "../../domain/types";
import { say } from "../../domain/words";
import { Choice } from "../../ui/Choice";
import { Ruler } from "../../ui/Ruler";
import { FigureFields } from "./FigureFields";
import { FromCodeReader } from "./FromCodeReader";
import { impossible, marksOf, minutesSince, OFTEN, value, type Code } from "./state";
import type { useRunner } from "./useRunner";

interface Props {
  runner: ReturnType<typeof useRunner>;
  test: Test;
  /** Whether it is worked by a hand lever. */
  lever: boolean;
  /** What stands between the reading and the minutes. */
  children: ReactNode;
}

/** Everything that was read, on one page, with the rig checked and the reading on its ruler. */
export function EntryPage({ runner, test, lever, children }: Props) {
  const { word } = useSettings();
  const { draft, change, refused } = runner;
  return (
    <div className="grid gap-6">
      {test.options.length > 0 ? (
        <section>
          {test.readsCodes && (
            <>
              <FromCodeReader onCodes={(codes) => change({ codes })} />
              <Codes codes={draft.codes ?? []} onCodes={(codes) => change({ codes })} />
            </>
          )}
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
        <Figures runner={runner} test={test} lever={lever} />
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
      {children}
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
  const rows: Code[] = [...codes, { number: "", text: "", often: "once" }];
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
            options={OFTEN.map((one) => ({ value: one, text: say(`code.${one}`) }))}
          />
        </div>
      ))}
    </div>
  );
}

function Figures({ runner, test, lever }: { runner: ReturnType<typeof useRunner>; test: Test; lever: boolean }) {
  const { figure, catalogue } = useSettings();
  const { draft, unitFor } = runner;
  const typed = test.figures.filter((f) => value(draft, f, unitFor(f), catalogue.units) !== undefined);
  const onRuler = typed[typed.length - 1] ?? test.figures[0];
  return (
    <section className="grid gap-3">
      <FigureFields runner={runner} test={test} figures={test.figures} lever={lever} />
      {marksOf(test).size > 0 && <p className="text-soft">{say("holdBrokenOff")}</p>}
      {onRuler && (
        <Ruler
          figure={onRuler}
          mark={
            impossible(draft, onRuler, unitFor(onRuler), catalogue.units)
              ? undefined
              : value(draft, onRuler, unitFor(onRuler), catalogue.units)
          }
          title={figure(test.id, onRuler.id)}
        />
      )}
    </section>
  );
}

/** Whether the test itself is sound; stands above the bar, so that it is seen whatever is read. */
export function RigCheck({ runner, test, job }: { runner: ReturnType<typeof useRunner>; test: Test; job: Job }) {
  const { word, own } = useSettings();
  const { draft, change } = runner;
  const repeat = job.entries.some((e) => !e.struck && e.kind === "reading-taken" && e.rigKind === test.rigKind);
  const asked = own(`test.${test.id}.check`) === undefined ? `rig.${test.rigKind}.check` : `test.${test.id}.check`;
  return (
    <div className="mx-auto mb-3 grid max-w-3xl gap-2">
      <p>
        <span className="caps mr-2 text-soft">{say("isRigSound")}</span>
        <span className="font-semibold">{word(asked)}</span>
      </p>
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <div className="min-w-0 flex-1 basis-80">
          <Choice
            large
            label={say("isRigSound")}
            value={draft.rigCheck}
            onChange={(v) => change({ rigCheck: v })}
            options={(["sound", "doubtful", "not-checked"] as const).map((v) => ({ value: v, text: word(`rig.${v}`) }))}
          />
        </div>
        {repeat && (
          <div className="min-w-0 flex-1 basis-80">
            <Choice
              large
              label={say("rigAgain")}
              value={draft.newRig ? "new" : "same"}
              onChange={(v) => change({ newRig: v === "new" })}
              options={[
                { value: "same", text: `${word(`rig.${test.rigKind}`)}: ${say("rigSame")}` },
                { value: "new", text: say("rigNew") },
              ]}
            />
          </div>
        )}
      </div>
    </div>
  );
}
