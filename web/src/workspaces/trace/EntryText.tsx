import { photoFile } from "../../domain/api";
import { ForVehicle, useSettings } from "../../domain/settings";
import type { Entry, Job, PhotoTold } from "../../domain/types";
import { asTyped } from "../../domain/units";
import { known, say } from "../../domain/words";
import { TraceChart } from "../../charts/TraceChart";
import { toldText } from "./entries";

const noted = (value: number) => Number(value.toPrecision(3)).toString().replace("-", "−");

function Photo({ sha256, caption, procedureId }: PhotoTold) {
  const { word } = useSettings();
  const about = procedureId === "" ? "" : word(`test.${procedureId}`);
  return (
    <figure>
      <a href={photoFile(sha256)} target="_blank" rel="noreferrer">
        <img
          src={photoFile(sha256)}
          alt={say("photoOf", { caption: caption || about })}
          loading="lazy"
          className="max-h-48 border border-rule"
        />
      </a>
      <figcaption>
        <span className="label font-semibold">{say("photo")}</span> {[caption, about].filter(Boolean).join(" · ")}
      </figcaption>
    </figure>
  );
}

/** What an entry of the log says. */
export function EntryText({ entry, job }: { entry: Entry; job: Job }) {
  return (
    <ForVehicle layoutId={job.layoutId}>
      <Text entry={entry} job={job} />
    </ForVehicle>
  );
}

function Text({ entry, job }: { entry: Entry; job: Job }) {
  const { word, fitting } = useSettings();
  if (!entry.understood)
    return (
      <p className="text-soft">
        {say("notUnderstood", { kind: [entry.kind, entry.procedureId].filter(Boolean).join(" ") })}
      </p>
    );
  if (entry.note?.calculatorId === "")
    return (
      <p>
        <span className="label font-semibold">{say("noteText")}</span> {entry.note.text}
      </p>
    );
  if (entry.note) {
    const own = `calculator.${entry.note.calculatorId}`;
    const inputs = entry.note.inputs.map((i) => `${word(`${own}.in.${i.id}`)} ${asTyped(i.text, i.unit)}`).join(", ");
    const outputs = entry.note.outputs
      .map((o) => `${word(`${own}.out.${o.id}`)} ${noted(o.value)} ${o.unit}`)
      .join(" · ");
    return (
      <p>
        <span className="label font-semibold">{word(own)}</span> {entry.note.text}{" "}
        <span className="figures text-soft">{[inputs, outputs].filter(Boolean).join(" → ")}</span>
      </p>
    );
  }
  if (entry.kind === "reading-taken") {
    const test = entry.procedureId ?? "";
    const taken = entry.figures
      .filter((f) => f.text !== undefined)
      .map((f) => asTyped(f.text ?? "", f.unit))
      .join(" · ");
    const seen =
      entry.observed === undefined
        ? taken
        : entry.observed === "not-seen"
          ? word("option.not-seen")
          : word(`option.${test}.${entry.observed}`);
    return (
      <p>
        <span className="label font-semibold">{word(`test.${test}`)}</span> <span className="figures">{seen}</span>
        {entry.codes.map((code, i) => (
          <span key={i} className="figures text-soft">
            {" · "}
            {[code.number, code.text, say(`code.${code.often}`)].filter(Boolean).join(" ")}
          </span>
        ))}
      </p>
    );
  }
  if (entry.told?.kind === "photo-taken") return <Photo {...entry.told} />;
  if (entry.told?.kind === "trace-kept")
    return (
      <figure>
        <TraceChart trace={entry.told} />
        <figcaption>{toldText(entry.told, word)}</figcaption>
      </figure>
    );
  if (entry.told) return <p className="figures">{toldText(entry.told, word)}</p>;
  const struck = job.entries.find((e) => e.id === entry.struckId);
  const about = entry.procedureId ? word(`test.${entry.procedureId}`) : "";
  return (
    <>
      <p>
        <span className="label font-semibold">{known(`entry.${entry.kind}`)}</span>{" "}
        {[about, entry.why, entry.items.map(fitting).join(", ")].filter(Boolean).join(" · ")}
      </p>
      {struck && (
        <div className="border-l-2 border-rule pl-2 text-sm">
          <EntryText entry={struck} job={job} />
        </div>
      )}
    </>
  );
}
