import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { HistoryLine } from "./HistoryLine";

const SETTLE_MS = 250;
const MOST_SISTERS = 3;

/** At intake: what this vehicle had before, and what often fails on its circuit. */
export function DoneBefore({
  layoutId,
  vehicleId,
  vehicle,
}: {
  layoutId: string;
  vehicleId: string | undefined;
  vehicle: string;
}) {
  const { word } = useSettings();
  const [name, setName] = useState("");
  useEffect(() => {
    const timer = setTimeout(() => setName(vehicle.trim()), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [vehicle]);
  const which = vehicleId === undefined ? { vehicle: name } : { vehicleId };
  const before = useQuery({
    queryKey: ["before", layoutId, which],
    queryFn: () => api.before({ layoutId, ...which }),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (!before.data) return null;
  const { own, again, sisters } = before.data;
  if (own.length === 0 && sisters.length === 0) return null;
  return (
    <section aria-label={say("doneBefore")} className="ml-5 border-2 border-ink bg-panel p-3">
      <h2 className="caps">{say("doneBefore")}</h2>
      {again.map((remedy) => (
        <p key={remedy} role="note" className="my-1 border border-caution bg-caution-ground p-2 font-semibold">
          {say("doneAgain", { remedy: word(`remedy.${remedy}`) })}
        </p>
      ))}
      <HistoryLine lines={own} />
      {sisters.length > 0 && <h3 className="mt-2 font-semibold">{say("doneOnSisters")}</h3>}
      <ul>
        {sisters.slice(0, MOST_SISTERS).map((done) => (
          <li key={done.remedyId} className="figures">
            {say(done.cameBack > 0 ? "doneSistersBack" : "doneSisters", {
              remedy: word(`remedy.${done.remedyId}`),
              vehicles: done.vehicles,
              jobs: done.jobs,
              back: done.cameBack,
            })}
          </li>
        ))}
      </ul>
      {sisters.length > 0 && <p className="text-sm text-soft">{say("doneSistersWhy")}</p>}
    </section>
  );
}
