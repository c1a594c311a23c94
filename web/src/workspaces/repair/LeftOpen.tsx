import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import { stepText } from "../../domain/status";
import type { Job, Repair } from "../../domain/types";
import { say } from "../../domain/words";
import { progress } from "./state";

const NOT_THERE = new Set(["wanted", "ordered"]);

/** What shuts no gate and is told before it: parts that have not come, figures that nobody has entered, steps left out. */
export function LeftOpen({ job, repair }: { job: Job; repair: Repair }) {
  const settings = useSettings();
  const { word } = settings;
  const vehicle = useQuery({ queryKey: ["vehicle", job.vehicleId], queryFn: () => api.vehicle(job.vehicleId) });
  if (repair.released?.conditional === false) return null;
  const parts = job.parts.filter((part) => NOT_THERE.has(part.state));
  const known = new Set((vehicle.data?.sheet ?? []).map((figure) => figure.what));
  const figures = vehicle.data
    ? [...new Set(repair.steps.flatMap((step) => step.sheetFigures))].filter((id) => !known.has(id))
    : [];
  const { leftOut } = progress(repair.steps);
  if (parts.length + figures.length + leftOut.length === 0) return null;
  return (
    <details className="border border-caution bg-caution-ground p-3">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        {say("leftOpen", { parts: parts.length, figures: figures.length, steps: leftOut.length })}
      </summary>
      <ul className="list-inside list-disc">
        {parts.map((part) => (
          <li key={part.part}>
            {part.part}: {say(`part.${part.state}`)}
          </li>
        ))}
        {figures.map((id) => (
          <li key={id}>
            {word(`sheet.${id}`)}: {say("makersFigure")}
          </li>
        ))}
        {leftOut.map((step) => (
          <li key={step.key}>{stepText(step.key, settings)}</li>
        ))}
      </ul>
      <Link to={`/jobs/${job.id}/work`} className="inline-grid min-h-11 content-center underline">
        {say("workPlan")}
      </Link>
    </details>
  );
}
