import clsx from "clsx";
import { useSettings } from "../../domain/settings";
import type { GateCheck } from "../../domain/types";
import { say } from "../../domain/words";

/** How a check went, who did it when; one that was done before the next day had come is told and does not count. */
export function Outcome({ check }: { check: GateCheck }) {
  const { person } = useSettings();
  const at = (time: string) => new Date(time).toLocaleString(undefined, { dateStyle: "short", timeStyle: "short" });
  if (check.outcome === undefined)
    return check.early ? (
      <p className="text-sm text-soft">
        {say("checkedEarly", { name: person(check.early.personId), at: at(check.early.at), why: check.early.why })}
      </p>
    ) : null;
  return (
    <p className={clsx("font-semibold", check.outcome === "failed" && "text-danger")}>
      {say(check.outcome === "failed" ? "checkFailed" : "checkPassed")}
      <span className="figures ml-2 font-normal text-soft">
        {person(check.personId ?? "")}
        {check.at !== undefined && ` · ${at(check.at)}`}
      </span>
    </p>
  );
}
