import type { Job, Layout } from "../domain/types";
import { spotOf } from "./places";

type State = Job["walk"]["spots"][number]["state"];

interface Props {
  layout: Layout;
  spots: Job["walk"]["spots"];
}

const DROP = "M0-17C6-7 11-2 11 5A11 11 0 0 1-11 5C-11-2-6-7 0-17Z";

/** What was seen at parts, where it was seen: a full drop for wet, an empty one for damp, a tick for dry. */
export function SpotMarks({ layout, spots }: Props) {
  return (
    <g pointerEvents="none">
      {spots.map(({ componentId, state }) => {
        const at = spotOf(layout, componentId);
        return at && <Mark key={componentId} at={at} state={state} />;
      })}
    </g>
  );
}

function Mark({ at, state }: { at: { x: number; y: number }; state: State }) {
  return (
    <g transform={`translate(${at.x} ${at.y})`}>
      {state === "DRY" ? (
        <path d="M-9 0l6 7 12-14" fill="none" stroke="var(--cool)" strokeWidth="4" strokeLinecap="round" />
      ) : (
        <path
          d={DROP}
          fill={state === "WET" ? "var(--hot)" : "var(--panel)"}
          stroke="var(--hot)"
          strokeWidth="3"
          strokeLinejoin="round"
        />
      )}
    </g>
  );
}
