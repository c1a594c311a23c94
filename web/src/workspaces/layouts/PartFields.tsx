import clsx from "clsx";
import { useState } from "react";
import type { Finding } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import { preview } from "../../domain/units";
import { say } from "../../domain/words";
import {
  ENDS,
  rules,
  withField,
  withKind,
  withoutEnd,
  withoutHose,
  type FieldRule,
  type LayoutFile,
  type Part,
  type Schema,
  type Value,
} from "./file";

interface Props {
  part: Part;
  index: number;
  file: LayoutFile;
  preset: LayoutFile;
  schema: Schema;
  findings: Finding[];
  onChange: (file: LayoutFile) => void;
  /** A field holds what cannot be, or no longer does. */
  onRed: (field: string, red: boolean) => void;
}

/** The dimensions of one part, folded up until they are wanted. */
export function PartFields({ part, index, file, preset, schema, findings, onChange, onRed }: Props) {
  const { part: named } = useSettings();
  const own = rules(schema, part.kind);
  const ends = file.components.filter((c) => ENDS.includes(c.kind)).length;
  const removable = (ENDS.includes(part.kind) && ends > 1) || part.kind === "hose";
  const old = preset.components.find((c) => c.id === part.id && c.kind === part.kind);
  const changed = !old || Object.keys(part).some((f) => part[f] !== old[f]);
  const refused = findings.some((f) => f.field.startsWith(`components.${index}.`) || f.field === part.id);
  if (own.length === 0 && !removable) return null;
  return (
    <details
      className={clsx("border-2 bg-panel", refused ? "border-danger" : "border-ink")}
      open={refused || undefined}
    >
      <summary className="flex min-h-11 cursor-pointer items-center gap-2 px-3">
        <span className="label flex-1 text-lg font-semibold">{named(part.id)}</span>
        <span className="text-sm text-soft">{schema.$defs[part.kind]?.title}</span>
        {changed && <span className="label border border-ink px-1.5 text-sm">{say("changed")}</span>}
      </summary>
      <div className="grid gap-2 border-t border-grid p-3">
        {own.map(([field, rule]) => (
          <Dimension
            key={field}
            part={part}
            field={field}
            rule={rule}
            finding={findings.find((f) => f.field === `components.${index}.${field}`)}
            onValue={(value) => onChange(withField(file, part.id, field, value))}
            onRed={(red) => onRed(`${part.id}.${field}`, red)}
          />
        ))}
        {(part.kind === "disc" || part.kind === "drum") && (
          <button
            type="button"
            className="label min-h-11 justify-self-start underline underline-offset-4"
            onClick={() => onChange(withKind(file, schema, part.id, part.kind === "disc" ? "drum" : "disc"))}
          >
            {say("makeIt", { kind: (schema.$defs[part.kind === "disc" ? "drum" : "disc"]?.title ?? "").toLowerCase() })}
          </button>
        )}
        {removable && (
          <button
            type="button"
            className="label min-h-11 justify-self-start underline underline-offset-4"
            onClick={() => onChange(part.kind === "hose" ? withoutHose(file, part.id) : withoutEnd(file, part.id))}
          >
            {say("takeOut", { part: named(part.id).toLowerCase() })}
          </button>
        )}
      </div>
    </details>
  );
}

interface DimensionProps {
  part: Part;
  field: string;
  rule: FieldRule;
  finding?: Finding;
  onValue: (value: Value) => void;
  onRed: (red: boolean) => void;
}

function Dimension({ part, field, rule, finding, onValue, onRed }: DimensionProps) {
  const id = `part-${part.id}-${field}`;
  if (rule.type === "boolean") {
    return (
      <label className="flex min-h-11 items-center gap-3">
        <input
          id={id}
          type="checkbox"
          checked={part[field] === true}
          onChange={(e) => onValue(e.target.checked)}
          className="size-6 accent-(--ink)"
        />
        {rule.title}
      </label>
    );
  }
  if (rule.enum) {
    return (
      <div className="grid grid-cols-2 items-center gap-2">
        <label htmlFor={id}>{rule.title}</label>
        <select
          id={id}
          value={String(part[field])}
          onChange={(e) => onValue(e.target.value)}
          className="min-h-11 border-2 border-ink px-2"
        >
          {rule.enum.map((o) => (
            <option key={o} value={o}>
              {o.replaceAll("-", " ")}
            </option>
          ))}
        </select>
      </div>
    );
  }
  return (
    <NumberField id={id} value={Number(part[field])} rule={rule} finding={finding} onValue={onValue} onRed={onRed} />
  );
}

/** A number with its unit and range; lengths may be typed in inches too. What cannot be is kept on the screen and told, not taken. */
function NumberField({
  id,
  value,
  rule,
  finding,
  onValue,
  onRed,
}: {
  id: string;
  value: number;
  rule: FieldRule;
  finding?: Finding;
  onValue: (value: number) => void;
  onRed: (red: boolean) => void;
}) {
  const { catalogue } = useSettings();
  const [text, setText] = useState(String(value));
  const [known, setKnown] = useState(value);
  if (known !== value) {
    setKnown(value);
    setText(String(value));
  }
  const unit =
    catalogue.units.find((u) => u.symbol === (rule.unit || "×")) ?? catalogue.units.find((u) => u.symbol === "×");
  /** In the unit of the schema, whatever unit it was typed in. */
  const read = (typedText: string) => {
    const core = unit && preview(typedText, unit, catalogue.units);
    return core === undefined || !unit ? undefined : (core - unit.zeroInCore) / unit.coreUnitsPerUnit;
  };
  const typed = read(text);
  const { minimum = -Infinity, maximum = Infinity } = rule;
  const refused =
    typed === undefined ||
    Number.isNaN(typed) ||
    typed < minimum ||
    typed > maximum ||
    (rule.type === "integer" && !Number.isInteger(typed));
  const problem = refused
    ? say("refusedInput", { given: text || "–", allowed: `${minimum} – ${maximum} ${rule.unit ?? ""}` })
    : finding && `${finding.given} ${finding.allowed}`;
  return (
    <div>
      <div className="grid grid-cols-2 items-center gap-2">
        <label htmlFor={id}>
          {rule.title}
          {rule.description && <span className="block text-sm text-soft">{rule.description}</span>}
        </label>
        <span
          className={clsx(
            "flex min-h-11 items-center border-2 pr-2 has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-offset-1 has-[:focus-visible]:outline-cool",
            problem ? "border-danger" : "border-ink",
          )}
        >
          <input
            id={id}
            inputMode="text"
            autoComplete="off"
            value={text}
            aria-invalid={problem !== undefined}
            aria-describedby={problem ? `${id}-problem` : undefined}
            onChange={(e) => {
              setText(e.target.value);
              const next = read(e.target.value);
              const fits =
                next !== undefined &&
                next >= minimum &&
                next <= maximum &&
                (rule.type !== "integer" || Number.isInteger(next));
              onRed(!fits);
              if (!fits) return;
              const rounded = Number(next.toPrecision(8));
              setKnown(rounded);
              onValue(rounded);
            }}
            className="figures min-h-11 w-full min-w-0 bg-transparent px-2 text-right text-lg font-semibold outline-none"
          />
          <span className="figures text-sm whitespace-nowrap text-soft">{rule.unit}</span>
        </span>
      </div>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm text-danger">
          {problem}
        </p>
      )}
    </div>
  );
}
