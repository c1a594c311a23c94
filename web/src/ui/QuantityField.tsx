import clsx from "clsx";
import { useSettings } from "../domain/settings";
import type { Figure } from "../domain/types";
import { MOST_CHARACTERS, shownFigure } from "../domain/units";
import { say } from "../domain/words";

interface Props {
  figure: Figure;
  label: string;
  text: string;
  unitSymbol: string;
  onText: (text: string) => void;
  problem?: string;
  current?: boolean;
}

/** A figure typed as read, with its unit beside it and its range when it cannot be. */
export function QuantityField({ figure, label, text, unitSymbol, onText, problem, current = false }: Props) {
  const { catalogue } = useSettings();
  const unit = catalogue.units.find((u) => u.symbol === unitSymbol);
  const id = `figure-${figure.id}`;
  return (
    <div>
      <div className="flex items-center gap-4">
        <label htmlFor={id} className="figures w-40 shrink-0 text-xl text-soft">
          {label}
        </label>
        <div
          className={clsx(
            "flex min-h-16 flex-1 items-center border-2 bg-panel pr-4 focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-cool",
            current || problem ? "border-hot" : "border-ink",
          )}
        >
          <input
            id={id}
            inputMode="decimal"
            autoComplete="off"
            maxLength={MOST_CHARACTERS}
            value={text}
            onChange={(e) => onText(e.target.value)}
            aria-invalid={problem !== undefined}
            aria-describedby={problem ? `${id}-problem` : undefined}
            className="figures min-h-16 w-full min-w-0 bg-transparent px-3 text-right text-3xl font-semibold focus-visible:outline-hidden"
          />
          <span className="figures text-xl text-soft">{unitSymbol}</span>
        </div>
      </div>
      {problem && unit && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-danger">
          {say("notAFigure", {
            given: text,
            low: shownFigure(figure.least, unit),
            high: shownFigure(figure.most, unit),
            unit: unitSymbol,
          })}
        </p>
      )}
    </div>
  );
}
