import { useSettings } from "../../domain/settings";
import type { Figure, Test } from "../../domain/types";
import { shownReading } from "../../domain/units";
import { say } from "../../domain/words";
import { QuantityField } from "../../ui/QuantityField";
import { impossible, restless, typedText, unitOf, value } from "./state";
import type { useRunner } from "./useRunner";

interface Props {
  runner: ReturnType<typeof useRunner>;
  test: Test;
  /** Those of the test that are entered here. */
  figures: Figure[];
  /** Whether a rule lies at a hand lever, in place of a tape at a pedal. */
  lever: boolean;
}

/** Fields of figures as they are read; of a travel what the tape shows, once it is said what it shows at rest. */
export function FigureFields({ runner, test, figures, lever }: Props) {
  const { figure: named, show, catalogue } = useSettings();
  const { draft, type, rest, unitFor } = runner;
  const firstEmpty = figures.find((f) => (draft.texts[f.id] ?? "") === "");
  const onTape = figures.find((f) => f.fromRest);
  return (
    <>
      {onTape && (
        <div className="border-l-4 border-rule pl-3">
          <label className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <span className="figures w-40 shrink-0 text-lg text-soft">{say(lever ? "ruleAtRest" : "tapeAtRest")}</span>
            <span className="flex min-h-16 w-44 items-center border-2 border-ink bg-panel pr-3 focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-cool">
              <input
                inputMode="decimal"
                autoComplete="off"
                maxLength={12}
                value={draft.restText ?? ""}
                onChange={(e) => rest(e.target.value)}
                className="figures min-h-16 w-full min-w-0 bg-transparent px-3 text-right text-2xl focus-visible:outline-hidden"
              />
              <span className="figures text-soft">{unitOf(draft, onTape, unitFor(onTape))}</span>
            </span>
            <span className="flex-1 basis-48 text-soft">{say("tapeAtRestWhy")}</span>
          </label>
        </div>
      )}
      {figures.map((f) => {
        const core = value(draft, f, unitFor(f), catalogue.units);
        const wrong = impossible(draft, f, unitFor(f), catalogue.units);
        const force = test.forcesN[f.id];
        return (
          <div key={f.id}>
            <QuantityField
              figure={f}
              label={[named(test.id, f.id), force === undefined ? "" : show(force, "FORCE")].filter(Boolean).join(", ")}
              text={draft.texts[f.id] ?? ""}
              unitSymbol={unitOf(draft, f, unitFor(f))}
              onText={(text) => type(f, text)}
              current={f === firstEmpty}
              problem={wrong ? "impossible" : undefined}
            />
            {wrong && f.fromRest && restless(draft) && <p className="text-danger">{say("tapeHint")}</p>}
            {!wrong && core !== undefined && typedText(draft, f) !== draft.texts[f.id] && (
              <p className="figures pl-44 text-soft">
                {say("fromRest")} {shownReading(core, f, unitFor(f))}
              </p>
            )}
          </div>
        );
      })}
    </>
  );
}
