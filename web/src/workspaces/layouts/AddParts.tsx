import { useState } from "react";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import {
  ENDS,
  hoseless,
  idOf,
  places,
  standing,
  withEnd,
  withHose,
  withModulator,
  withoutModulator,
  type LayoutFile,
  type Schema,
} from "./file";

interface Props {
  file: LayoutFile;
  schema: Schema;
  onChange: (file: LayoutFile) => void;
}

/** Modulator in or out, an end more, a hose more. */
export function AddParts({ file, schema, onChange }: Props) {
  const { part } = useSettings();
  const clutch = file.components.some((c) => c.kind === "slave");
  const modulator = file.components.some((c) => c.kind === "modulator");
  return (
    <div className="flex flex-wrap gap-2">
      {!clutch && (
        <Button onClick={() => onChange(modulator ? withoutModulator(file) : withModulator(file, schema))}>
          {say(modulator ? "takeModulatorOut" : "putModulatorIn")}
        </Button>
      )}
      {!clutch && <AddEnd file={file} schema={schema} onChange={onChange} />}
      {hoseless(file).map((end) => (
        <Button key={end} onClick={() => onChange(withHose(file, schema, end))}>
          {say("putHose", { end: part(end).toLowerCase() })}
        </Button>
      ))}
    </div>
  );
}

function AddEnd({ file, schema, onChange }: Props) {
  const { part } = useSettings();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const [kind, setKind] = useState("disc");
  const where = places(file);
  const [at, setAt] = useState(0);
  const [chosen, setChosen] = useState<Partial<ReturnType<typeof standing>>>({});
  const stands = { ...standing(name), ...chosen };
  const id = idOf(name);
  const taken = file.components.some((c) => c.id === id || c.id === `${id}-hose`);
  if (where.length === 0) return null;
  if (!open) return <Button onClick={() => setOpen(true)}>{say("addEnd")}</Button>;
  const place = where[Math.min(at, where.length - 1)];
  return (
    <form
      className="grid w-full gap-2 border-2 border-ink p-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!id || taken || !place) return;
        onChange(withEnd(file, schema, kind, id, place, stands));
        setChosen({});
        setOpen(false);
        setName("");
      }}
    >
      <label className="block">
        <span className="text-sm text-soft">{say("endName")}</span>
        <input
          autoFocus
          value={name}
          maxLength={30}
          onChange={(e) => setName(e.target.value)}
          className="min-h-11 w-full border-2 border-ink px-2"
        />
      </label>
      {taken && (
        <p role="alert" className="text-danger">
          {say("endNameTaken")}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <select
          aria-label={say("endKind")}
          value={kind}
          onChange={(e) => setKind(e.target.value)}
          className="min-h-11 border-2 border-ink px-2"
        >
          {ENDS.filter((k) => k !== "slave").map((k) => (
            <option key={k} value={k}>
              {schema.$defs[k]?.title}
            </option>
          ))}
        </select>
        <select
          aria-label={say("endAt")}
          value={at}
          onChange={(e) => setAt(Number(e.target.value))}
          className="min-h-11 border-2 border-ink px-2"
        >
          {where.map((p, i) => (
            <option key={i} value={i}>
              {part(p.id)}, {say(p.chamber)}
            </option>
          ))}
        </select>
      </div>
      <div className="grid grid-cols-2 gap-2">
        {(["axle", "side"] as const).map((field) => (
          <select
            key={field}
            aria-label={schema.$defs[kind]?.properties[field]?.title}
            value={stands[field]}
            onChange={(e) => setChosen({ ...chosen, [field]: e.target.value })}
            className="min-h-11 border-2 border-ink px-2"
          >
            {schema.$defs[kind]?.properties[field]?.enum?.map((one) => (
              <option key={one} value={one}>
                {one}
              </option>
            ))}
          </select>
        ))}
      </div>
      <div className="flex gap-2">
        <Button onClick={() => setOpen(false)}>{say("cancel")}</Button>
        <button
          type="submit"
          className="label min-h-11 flex-1 border-2 border-ink bg-fill px-4 font-semibold text-fill-ink"
        >
          {say("addEnd")}
        </button>
      </div>
    </form>
  );
}
