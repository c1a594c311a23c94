import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { EraseVehicle } from "./EraseVehicle";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Job, Vehicle } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Failed, Loading } from "../../ui/States";
import { HistoryLine } from "../record/HistoryLine";

const KINDS = ["distance", "figure", "remark"] as const;
type Kind = (typeof KINDS)[number];

/** What is known of the vehicle, whichever job found it, and its other jobs. */
export function VehicleSheet({ job }: { job: Job }) {
  const { layout, person, word } = useSettings();
  const vehicle = useQuery({ queryKey: ["vehicle", job.vehicleId], queryFn: () => api.vehicle(job.vehicleId) });
  const history = useQuery({
    queryKey: ["before", job.layoutId, job.vehicleId],
    queryFn: () => api.before({ layoutId: job.layoutId, vehicleId: job.vehicleId }),
  });
  if (vehicle.isPending) return <Loading />;
  if (vehicle.isError) return <Failed error={vehicle.error} again={() => void vehicle.refetch()} />;
  const { data } = vehicle;
  const others = data.jobs.filter((one) => one.id !== job.id);
  return (
    <>
      <p className="mb-2 text-soft">{layout(data.layoutId).name}</p>
      {Object.entries(job.about).map(([what, text]) => (
        <p key={what}>
          <span className="caps">{word(`about.${what}`)}</span> {text}
        </p>
      ))}
      <h3 className="caps">{say("vehicleFacts")}</h3>
      {data.facts.length === 0 && <p>{say("vehicleNoFacts")}</p>}
      <ul>
        {data.facts
          .filter((fact) => fact.kind !== "sheet")
          .map((fact) => (
            <li key={fact.id} className="border-t border-rule py-2">
              <p className="figures text-lg">{factText(fact)}</p>
              <p className="figures text-sm text-soft">
                {new Date(fact.at).toLocaleDateString()} · {person(fact.personId)}
              </p>
            </li>
          ))}
      </ul>
      <AddFact vehicleId={data.id} />
      <h3 className="caps mt-4">{say("vehicleSheet")}</h3>
      {data.sheet.length === 0 && <p>{say("vehicleNoSheet")}</p>}
      <ul>
        {data.sheet.map((figure) => (
          <li key={figure.what} className="border-t border-rule py-2">
            <p className="figures text-lg">
              {word(`sheet.${figure.what}`)}: {figure.text}
            </p>
            <p className="text-sm text-soft">{figure.source}</p>
          </li>
        ))}
      </ul>
      <h3 className="caps mt-4">{say("vehicleJobs")}</h3>
      {others.length === 0 && <p>{say("vehicleNoJobs")}</p>}
      <ul>
        {others.map((one) => (
          <li key={one.id} className="border-t border-rule py-2">
            <Link to={`/jobs/${one.id}`} className="grid min-h-11 content-center underline underline-offset-4">
              {one.complaint}
            </Link>
            <p className="figures text-sm text-soft">
              {new Date(one.openedAt).toLocaleDateString()} · {word(`stage.${one.stage}`)}
            </p>
          </li>
        ))}
      </ul>
      <h3 className="caps mt-4">{say("historyLine")}</h3>
      <HistoryLine lines={history.data?.own ?? []} />
      <EraseVehicle vehicleId={data.id} />
    </>
  );
}

function factText(fact: Vehicle["facts"][number]): string {
  if (fact.kind === "not-understood") return say("notUnderstood", { kind: fact.what ?? "" });
  const figure = fact.unit === undefined || fact.text.endsWith(fact.unit) ? fact.text : `${fact.text} ${fact.unit}`;
  return fact.what === undefined ? figure : `${fact.what}: ${figure}`;
}

/** One entry however often it is tapped, until it is taken. */
function useAddFact(vehicleId: string) {
  const queries = useQueryClient();
  const entryId = useRef(crypto.randomUUID());
  return useMutation({
    mutationFn: (fact: { kind: Kind; what: string; text: string; unit: string }) =>
      api.addFact(vehicleId, { ...fact, entryId: entryId.current }),
    onSuccess: (known) => {
      entryId.current = crypto.randomUUID();
      queries.setQueryData(["vehicle", vehicleId], known);
    },
  });
}

function AddFact({ vehicleId }: { vehicleId: string }) {
  const { catalogue, unit } = useSettings();
  const [kind, setKind] = useState<Kind>("distance");
  const [what, setWhat] = useState("");
  const [text, setText] = useState("");
  const [figureUnit, setFigureUnit] = useState(unit("LENGTH").symbol);
  const add = useAddFact(vehicleId);
  const field = "min-h-11 border-2 border-ink px-2 text-lg placeholder:text-soft";
  return (
    <form
      className="mt-2 grid gap-2 border-2 border-rule p-3"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(
          {
            kind,
            what,
            text,
            unit: kind === "distance" ? unit("DISTANCE").symbol : kind === "figure" ? figureUnit : "",
          },
          { onSuccess: () => (setText(""), setWhat("")) },
        );
      }}
    >
      <Choice
        label={say("vehicleAdd")}
        value={kind}
        onChange={(v) => setKind(KINDS.find((k) => k === v) ?? "distance")}
        options={KINDS.map((k) => ({ value: k, text: say(`fact.${k}`) }))}
      />
      <div className="flex flex-wrap gap-2">
        {kind === "figure" && (
          <input
            aria-label={say("factWhat")}
            placeholder={say("factWhat")}
            maxLength={60}
            value={what}
            onChange={(e) => setWhat(e.target.value)}
            className={`${field} min-w-0 flex-1 basis-40`}
          />
        )}
        <input
          aria-label={say(`fact.${kind}`)}
          placeholder={kind === "remark" ? say("fact.remark") : "0"}
          inputMode={kind === "remark" ? "text" : "decimal"}
          maxLength={kind === "remark" ? 400 : 40}
          value={text}
          onChange={(e) => setText(e.target.value)}
          className={`${field} figures min-w-0 flex-1 basis-32`}
        />
        {kind === "distance" && <span className="figures self-center text-lg">{unit("DISTANCE").symbol}</span>}
        {kind === "figure" && (
          <select
            aria-label={say("factUnit")}
            value={figureUnit}
            onChange={(e) => setFigureUnit(e.target.value)}
            className={field}
          >
            {catalogue.units.map((u) => (
              <option key={u.symbol}>{u.symbol}</option>
            ))}
          </select>
        )}
        <Button type="submit" disabled={add.isPending || text.trim() === ""}>
          {say("factAdd")}
        </Button>
      </div>
      {add.isError && (
        <p role="alert" className="border-2 border-danger p-2">
          {add.error.message}
        </p>
      )}
    </form>
  );
}
