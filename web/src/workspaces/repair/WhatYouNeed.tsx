import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import clsx from "clsx";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Job, Repair } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { NeededList } from "../../ui/Needed";
import { figuresOf, helperSteps } from "./state";
import type { RepairPage } from "./useRepair";

const KINDS = ["TOOL", "PART", "MATERIAL"] as const;

interface Props {
  job: Job;
  repair: Repair;
  page: RepairPage;
  begun: boolean;
}

/** What has to be at hand before anything is opened; open until the first step is done. */
export function WhatYouNeed({ job, repair, page, begun }: Props) {
  const { word } = useSettings();
  const workshop = useQuery({ queryKey: ["workshop"], queryFn: api.workshop });
  const vehicle = useQuery({
    queryKey: ["vehicle", job.vehicleId],
    queryFn: () => api.vehicle(job.vehicleId),
  });
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
            <dt className="text-soft">{say(`needed${kind}`)}</dt>
            <dd>
              <NeededList needed={repair.needed.filter((one) => one.kind === kind)} />
            </dd>
          </div>
        ))}
      </dl>
      {repair.fluid && <Can fluid={repair.fluid} page={page} />}
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

const FLUIDS = ["glycol", "mineral", "silicone"] as const;

/** The can in hand: another kind than the circuit takes is refused by name before any of it is in. */
function Can({ fluid, page }: { fluid: NonNullable<Repair["fluid"]>; page: RepairPage }) {
  const { word } = useSettings();
  const [kind, setKind] = useState("");
  const [grade, setGrade] = useState("");
  const takes = word(`fluid.${fluid.takes}`);
  if (fluid.taken !== undefined)
    return (
      <p className="mt-3">
        {say("fluidTaken")}: <span className="font-semibold">{[takes, fluid.taken].filter(Boolean).join(" · ")}</span>
      </p>
    );
  const wrong = kind !== "" && kind !== fluid.takes;
  return (
    <section className="mt-3 grid gap-2 border-t border-rule pt-3">
      <p>
        {say("fluidTakes")}: <span className="font-semibold">{takes}</span>. {say("fluidAsk")}
      </p>
      <Choice
        label={say("fluidInCan")}
        value={kind}
        onChange={setKind}
        options={FLUIDS.map((one) => ({ value: one, text: word(`fluid.${one}`) }))}
      />
      {wrong && (
        <p role="alert" className="border border-danger p-3">
          {word("fluid.refused", { takes, given: word(`fluid.${kind}`) })}
        </p>
      )}
      {kind === fluid.takes && (
        <div className="flex flex-wrap items-end gap-3">
          <label className="grid flex-1 basis-48 gap-1">
            <span className="caps">{say("fluidGrade")}</span>
            <input
              value={grade}
              maxLength={80}
              onChange={(e) => setGrade(e.target.value)}
              className="min-h-11 border-2 border-ink bg-panel px-3"
            />
          </label>
          <Button filled onClick={() => void page.enter("fluid", { fluid: kind, grade })}>
            {say("fluidNote")}
          </Button>
        </div>
      )}
    </section>
  );
}
