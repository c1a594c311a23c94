import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Vehicle } from "../../domain/types";
import { say } from "../../domain/words";
import { shown } from "../../domain/units";

const SETTLE_MS = 200;
const LEAST_LETTERS = 2;
const MOST_SHOWN = 4;

/** Vehicles that the workshop knows and that are called something like what is being typed; a tap takes one. */
export function KnownVehicles({ name, onTake }: { name: string; onTake: (vehicle: Vehicle) => void }) {
  const { catalogue, units } = useSettings();
  const [search, setSearch] = useState("");
  useEffect(() => {
    const timer = setTimeout(() => setSearch(name.trim()), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [name]);
  const known = useQuery({
    queryKey: ["vehicles", search],
    queryFn: () => api.vehicles(search),
    enabled: search.length >= LEAST_LETTERS,
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (name.trim().length < LEAST_LETTERS || !known.data || known.data.length === 0) return null;
  const same = known.data.find((v) => v.name.toLowerCase() === name.trim().toLowerCase());
  const told = (v: Vehicle) =>
    [
      say(v.jobs.length === 1 ? "knownJob" : "knownJobs", { count: v.jobs.length }),
      v.distanceKm === undefined ? "" : shown(v.distanceKm, "DISTANCE", units, catalogue.units),
    ]
      .filter(Boolean)
      .join(" · ");
  if (same) return <p className="mt-1 text-soft">{say("knownVehicle", { told: told(same) })}</p>;
  return (
    <ul aria-label={say("knownVehicles")} className="mt-1 grid gap-1">
      {known.data.slice(0, MOST_SHOWN).map((v) => (
        <li key={v.id}>
          <button
            type="button"
            onClick={() => onTake(v)}
            className="figures min-h-11 w-full border border-rule bg-panel px-3 text-left"
          >
            <span className="font-semibold">{v.name}</span> <span className="text-soft">{told(v)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
