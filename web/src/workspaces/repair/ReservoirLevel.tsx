import { useState } from "react";
import { useSettings } from "../../domain/settings";
import type { BleedSheet, Job } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { levelShare } from "./state";
import type { RepairPage } from "./useRepair";

/** The reservoir as it is believed to stand, drawn between its marks. */
export function ReservoirLevel({ job, sheet, page }: { job: Job; sheet: BleedSheet; page: RepairPage }) {
  const { show } = useSettings();
  const [text, setText] = useState("");
  const share = levelShare(sheet);
  return (
    <aside className="grid content-start gap-4 bg-panel p-4 max-lg:border-t-2 max-lg:border-ink">
      <h2 className="caps">{say("reservoirLevel")}</h2>
      <svg
        viewBox="0 0 200 120"
        className="w-full max-w-72"
        role="img"
        aria-label={say("levelAbove", { value: show(sheet.aboveMinimumMl, "VOLUME") })}
      >
        <rect x="20" y="10" width="120" height="100" fill="none" stroke="var(--ink)" strokeWidth="3" />
        <rect x="22" y={108 - 84 * share} width="116" height={84 * share} fill="var(--caution)" opacity="0.5" />
        <path d="M140 24h16M140 108h16" stroke="var(--ink)" strokeWidth="2" />
        <text x="160" y="29" className="fill-ink text-[13px]">
          {say("markMax")}
        </text>
        <text x="160" y="112" className="fill-ink text-[13px]">
          {say("markMin")}
        </text>
      </svg>
      <p className="figures text-xl font-semibold">
        {say("levelAbove", { value: show(sheet.aboveMinimumMl, "VOLUME") })}
      </p>
      {sheet.safeStrokes > 0 && (
        <p className="figures">
          {say(sheet.fills ? "safePortions" : "safeStrokes", {
            count: sheet.safeStrokes,
            stroke: show(sheet.strokeMl, "VOLUME"),
          })}
        </p>
      )}
      <Button disabled={page.busy} onClick={() => void page.enter("levels", { text: "max" })}>
        {say("toppedUp")}
      </Button>
      <label className="grid gap-1">
        <span>{say("levelRead")}</span>
        <span className="flex gap-2">
          <input
            inputMode="decimal"
            value={text}
            maxLength={40}
            onChange={(e) => setText(e.target.value)}
            className="figures min-h-11 min-w-0 flex-1 border-2 border-ink px-2 text-right"
          />
          <Button
            disabled={page.busy || text.trim() === ""}
            onClick={() => void page.enter("levels", { text, unit: "mL" }).then((taken) => taken && setText(""))}
          >
            mL
          </Button>
        </span>
      </label>
      <p className="figures border-t border-rule pt-3">{say("airLeft", { left: show(sheet.leftMl, "VOLUME") })}</p>
      <p className="text-sm text-soft">{say("bleedWhy", { vehicle: job.vehicle })}</p>
    </aside>
  );
}
