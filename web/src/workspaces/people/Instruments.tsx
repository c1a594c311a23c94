import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../../domain/api";
import { useMay } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";

const AGAIN_MS = 10_000;

/** Instruments of the workshop, and those that say that they are there: registered by name, read at rest. */
export function Instruments() {
  const may = useMay()("REGISTER_INSTRUMENT");
  const { word } = useSettings();
  const queries = useQueryClient();
  const [names, setNames] = useState<Record<string, string>>({});
  const instruments = useQuery({ queryKey: ["instruments"], queryFn: api.instruments, refetchInterval: AGAIN_MS });
  const again = { onSettled: () => void queries.invalidateQueries({ queryKey: ["instruments"] }) };
  const register = useMutation({
    mutationFn: (one: { serial: string; name: string }) => api.registerInstrument(one.serial, one.name),
    ...again,
  });
  const retire = useMutation({ mutationFn: api.retireInstrument, ...again });
  if (!instruments.data) return null;
  const { registered, announced } = instruments.data;
  return (
    <section aria-label={say("instruments")} className="border-2 border-ink bg-panel p-4">
      <h2 className="text-2xl font-semibold">{say("instruments")}</h2>
      <p className="mb-3">{say("instrumentsWhy")}</p>
      {registered.length === 0 && <p>{say("instrumentsNone")}</p>}
      <ul>
        {registered.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-3 border-t border-rule py-2">
            <span className="min-w-0 flex-1">
              <span className="block font-semibold">{one.name}</span>
              <span className="figures text-soft">
                {word(`instrument.${one.kind}`)} · {say(one.there ? "instrumentIsThere" : "instrumentNotThere")} ·{" "}
                {one.dimension === undefined
                  ? say("instrumentReadsCodes")
                  : say("instrumentAtRest", { value: one.atRest.toFixed(1), unit: one.unit })}
              </span>
            </span>
            {may && (
              <Button disabled={retire.isPending} onClick={() => retire.mutate(one.id)}>
                {say("instrumentRetire")}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {announced.length > 0 && <h3 className="caps mt-3">{say("instrumentsAnnounced")}</h3>}
      <ul>
        {announced.map((one) => (
          <li key={one.serial} className="border-t border-rule py-2">
            <p className="font-semibold">{word(`instrument.${one.kind}`)}</p>
            <p className="figures text-sm text-soft">
              {one.serial} · {one.host}
            </p>
            {may && (
              <form
                className="mt-1 flex flex-wrap gap-2"
                onSubmit={(e) => {
                  e.preventDefault();
                  register.mutate({ serial: one.serial, name: names[one.serial] ?? "" });
                }}
              >
                <input
                  aria-label={say("instrumentName", { kind: word(`instrument.${one.kind}`) })}
                  placeholder={say("instrumentNameHint")}
                  maxLength={60}
                  value={names[one.serial] ?? ""}
                  onChange={(e) => setNames({ ...names, [one.serial]: e.target.value })}
                  className="min-h-11 min-w-0 flex-1 basis-40 border-2 border-ink px-3 placeholder:text-soft"
                />
                <Button type="submit" disabled={register.isPending || (names[one.serial] ?? "").trim() === ""}>
                  {say(register.isPending ? "instrumentReading" : "instrumentRegister")}
                </Button>
              </form>
            )}
            {register.error && register.variables?.serial === one.serial && <Refused error={register.error} />}
          </li>
        ))}
      </ul>
      {retire.error && <Refused error={retire.error} />}
    </section>
  );
}

function Refused({ error }: { error: Error }) {
  return (
    <p role="alert" className="mt-2 border-2 border-danger p-2">
      {told(error)}
    </p>
  );
}
