import type { ReactNode } from "react";
import type { Instrument } from "../../domain/types";
import { say } from "../../domain/words";
import { Choice } from "../../ui/Choice";

interface Props {
  label: string;
  instruments: Instrument[];
  id: string | undefined;
  onChoose: (id: string) => void;
  /** Why it shows nothing any more; empty while it does. */
  failed: string;
  /** What the chosen one shows. */
  children: ReactNode;
}

/** Instruments of the workshop by name, one to be listened to, and what it shows. */
export function ChooseInstrument({ label, instruments, id, onChoose, failed, children }: Props) {
  return (
    <section aria-label={label} className="grid gap-3 border-2 border-ink bg-panel p-3">
      <h2 className="text-lg font-semibold">{label}</h2>
      <Choice
        large
        label={say("traceInstrument")}
        value={id ?? ""}
        onChange={onChoose}
        options={instruments.map((one) => ({
          value: one.id,
          text: one.there ? one.name : `${one.name} (${say("instrumentNotThere")})`,
        }))}
      />
      {failed === "" ? (
        children
      ) : (
        <p role="alert" className="border-2 border-danger p-3">
          {failed}
        </p>
      )}
    </section>
  );
}
