import { useQuery } from "@tanstack/react-query";
import clsx from "clsx";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Job, Repair } from "../../domain/types";
import { say, type UiWord } from "../../domain/words";
import { figuresOf, helperSteps } from "./state";

const KINDS = ["TOOL", "PART", "MATERIAL"] as const;

/** What has to be at hand before anything is opened; open until the first step is done. */
export function WhatYouNeed({ job, repair, begun }: { job: Job; repair: Repair; begun: boolean }) {
  const { word } = useSettings();
  const workshop = useQuery({ queryKey: ["workshop"], queryFn: api.workshop });
  const vehicle = useQuery({
    queryKey: ["vehicle", job.vehicleId],
    queryFn: () => api.vehicle(job.vehicleId),
  });
  const lacking = new Set(workshop.data?.tools.filter((tool) => !tool.there).map((tool) => tool.rigKind));
  const known = new Set(vehicle.data?.sheet.map((figure) => figure.what));
  const blank = vehicle.data ? figuresOf(repair.steps).filter((id) => !known.has(id)) : [];
  const helpers = helperSteps(repair.steps);
  const alone = workshop.data?.helper === false;
  return (
    <details open={!begun} className="border-t-2 border-ink bg-panel p-4">
      <summary className="caps min-h-11 cursor-pointer content-center">{say("whatYouNeed")}</summary>
      <dl className="grid gap-x-4 gap-y-2 sm:grid-cols-[6rem_1fr]">
        {KINDS.map((kind) => (
          <div key={kind} className="contents">
            <dt className="text-soft">{say(`needed${kind}` as UiWord)}</dt>
            <dd>
              <ul className="flex flex-wrap gap-2">
                {repair.needed
                  .filter((one) => one.kind === kind)
                  .map((one) => {
                    const lacks = one.rigKind !== undefined && lacking.has(one.rigKind);
                    return (
                      <li key={one.id} className={clsx("border px-2 py-1", lacks ? "border-danger" : "border-rule")}>
                        {word(`needed.${one.id}`)}
                        {lacks && <span className="ml-2 font-semibold text-danger">{say("neededLacking")}</span>}
                      </li>
                    );
                  })}
              </ul>
            </dd>
          </div>
        ))}
      </dl>
      {helpers > 0 && (
        <p className={clsx("mt-2", alone && "font-semibold")}>{say("neededHelper", { count: helpers })}</p>
      )}
      {repair.sheet?.method === "two-people" && (
        <p className={clsx("mt-2", alone && "font-semibold")}>{say("neededHelperBleeding")}</p>
      )}
      {blank.length > 0 && (
        <p className="mt-2 border-l-4 border-caution pl-3">
          {say("neededFigures", { list: blank.map((id) => word(`sheet.${id}`)).join(", ") })}
        </p>
      )}
    </details>
  );
}
