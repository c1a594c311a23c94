import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";

/** The maker's figures that a step needs: from this vehicle's data sheet, offered from a sister's, or asked for. */
export function SheetFigures({ vehicleId, ids }: { vehicleId: string; ids: string[] }) {
  const vehicle = useQuery({ queryKey: ["vehicle", vehicleId], queryFn: () => api.vehicle(vehicleId) });
  if (ids.length === 0) return null;
  return (
    <ul className="grid gap-2 border-l-4 border-rule pl-3">
      {ids.map((id) => (
        <Line
          key={id}
          id={id}
          vehicleId={vehicleId}
          own={vehicle.data?.sheet.find((figure) => figure.what === id)}
          sister={vehicle.data?.offered.find((figure) => figure.what === id)}
        />
      ))}
    </ul>
  );
}

interface Figure {
  text: string;
  source: string;
  ofVehicle?: string;
}

/** One entry however often it is tapped, until it is taken. */
function useEnterFigure(vehicleId: string, what: string) {
  const queries = useQueryClient();
  const entryId = useRef(crypto.randomUUID());
  return useMutation({
    mutationFn: ({ text, source }: Figure) =>
      api.addFact(vehicleId, { entryId: entryId.current, kind: "sheet", what, text, source }),
    onSuccess: (known) => {
      entryId.current = crypto.randomUUID();
      queries.setQueryData(["vehicle", vehicleId], known);
    },
  });
}

interface LineProps {
  id: string;
  vehicleId: string;
  own: Figure | undefined;
  sister: Figure | undefined;
}

function Line({ id, vehicleId, own, sister }: LineProps) {
  const { word } = useSettings();
  const [entering, setEntering] = useState(false);
  const enter = useEnterFigure(vehicleId, id);
  return (
    <li className="grid gap-1">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span>{word(`sheet.${id}`)}</span>
        <span className="figures text-lg font-semibold">
          {own ? own.text : <span className="border-b-2 border-caution">{say("makersFigure")}</span>}
        </span>
        {own && <span className="text-sm text-soft">{own.source}</span>}
        {!entering && <Button onClick={() => setEntering(true)}>{say(own ? "sheetCorrect" : "sheetEnter")}</Button>}
        {!own && sister && !entering && (
          <Button
            disabled={enter.isPending}
            onClick={() =>
              enter.mutate({
                text: sister.text,
                source: say("sheetAsSister", { vehicle: sister.ofVehicle ?? "", source: sister.source }),
              })
            }
          >
            {say("sheetTakeOver", { text: sister.text, vehicle: sister.ofVehicle ?? "" })}
          </Button>
        )}
      </div>
      {entering && (
        <EnterFigure
          label={word(`sheet.${id}`)}
          busy={enter.isPending}
          onEnter={(figure) => enter.mutate(figure, { onSuccess: () => setEntering(false) })}
        />
      )}
      {enter.isError && (
        <p role="alert" className="border-2 border-danger p-2">
          {enter.error.message}
        </p>
      )}
    </li>
  );
}

function EnterFigure({ label, busy, onEnter }: { label: string; busy: boolean; onEnter: (figure: Figure) => void }) {
  const [text, setText] = useState("");
  const [source, setSource] = useState("");
  const field = "min-h-12 min-w-0 flex-1 basis-40 border-2 border-ink px-2 text-lg placeholder:text-soft";
  return (
    <form
      className="flex flex-wrap gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onEnter({ text: text.trim(), source: source.trim() });
      }}
    >
      <input
        autoFocus
        aria-label={label}
        placeholder={say("sheetFigure")}
        maxLength={60}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className={`${field} figures`}
      />
      <input
        aria-label={say("sheetSource")}
        placeholder={say("sheetSource")}
        maxLength={120}
        value={source}
        onChange={(e) => setSource(e.target.value)}
        className={field}
      />
      <Button type="submit" disabled={busy || text.trim() === "" || source.trim() === ""}>
        {say("factAdd")}
      </Button>
    </form>
  );
}
