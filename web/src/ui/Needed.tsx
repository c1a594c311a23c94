import clsx from "clsx";
import { useQuery } from "@tanstack/react-query";
import { api } from "../domain/api";
import { useSettings } from "../domain/settings";
import type { Test } from "../domain/types";
import { say } from "../domain/words";

/** What has to be at hand, and which of it this workshop does not have; in one line of text where there is little room. */
export function NeededList({ needed, inLine = false }: { needed: Test["atHand"]; inLine?: boolean }) {
  const { word, own } = useSettings();
  const workshop = useQuery({ queryKey: ["workshop"], queryFn: api.workshop });
  const lacking = new Set(workshop.data?.tools.filter((tool) => !tool.there).map((tool) => tool.rigKind));
  const without = needed
    .map((one) => one.rigKind)
    .filter((kind) => kind !== undefined && lacking.has(kind) && own(`rig.${kind}.without`) !== undefined);
  return (
    <>
      <ul className={clsx("flex flex-wrap", inLine ? "gap-x-4" : "gap-2")}>
        {needed.map((one) => {
          const lacks = one.rigKind !== undefined && lacking.has(one.rigKind);
          return (
            <li key={one.id} className={clsx(!inLine && "border px-2 py-1", lacks ? "border-danger" : "border-rule")}>
              {word(`needed.${one.id}`)}
              {lacks && <span className="ml-2 font-semibold text-danger">{say("neededLacking")}</span>}
            </li>
          );
        })}
      </ul>
      {without.map((kind) => (
        <p key={kind} className="mt-1">
          {word(`rig.${kind}.without`)}
        </p>
      ))}
    </>
  );
}
