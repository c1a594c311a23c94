import { useState } from "react";
import { api, told } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Rig, RigAct } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";

type Hose = NonNullable<Rig["hose"]>;

/** In an exercise: what the sheet asks for is done on its vehicle, and the vehicle answers. */
export function OnVehicle({
  jobId,
  doing,
  act,
  onDone,
}: {
  jobId: string;
  doing: string;
  act: RigAct;
  onDone: (rig: Rig) => void;
}) {
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState("");
  const go = async () => {
    setBusy(true);
    try {
      const rig = await api.rigAct(jobId, { entryId: crypto.randomUUID(), ...act });
      setRefused("");
      onDone(rig);
    } catch (e) {
      setRefused(told(e as Error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Button large disabled={busy} onClick={() => void go()}>
        {busy ? say("practiceTesting") : doing}
      </Button>
      {refused !== "" && <p role="alert">{refused}</p>}
    </>
  );
}

/** Strokes at one end of the vehicle of an exercise, and what came out of its hose. */
export function BleedOnVehicle({
  jobId,
  endId,
  strokes,
  onShown,
}: {
  jobId: string;
  endId: string;
  strokes: number;
  onShown: (hose: Hose) => void;
}) {
  const { show } = useSettings();
  const [rig, setRig] = useState<Rig>();
  const hose = rig?.hose;
  return (
    <section aria-label={say("practiceVehicle")} className="practice-band grid gap-3 py-3 pr-3">
      <OnVehicle
        jobId={jobId}
        doing={say("bleedOnVehicle", { count: strokes })}
        act={{ act: "bleed", subject: endId, figure: strokes }}
        onDone={(now) => {
          setRig(now);
          if (now.hose) onShown(now.hose);
        }}
      />
      {rig && hose && (
        <div role="status" className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <DrawnHose hose={hose} />
          <p className="figures min-w-0 flex-1 basis-56">
            {say("bleedHoseShowed", {
              count: hose.strokes,
              bubbles: say(`bubbles${hose.bubbles}`).toLowerCase(),
              colour: say(`colour${hose.colour}`),
              level: show(rig.aboveMinimumMl, "VOLUME"),
            })}
          </p>
        </div>
      )}
    </section>
  );
}

const BUBBLES = { NONE: 0, FEW: 3, MANY: 11 };

/** The clear hose over its jar, with what runs through it. */
function DrawnHose({ hose }: { hose: Hose }) {
  return (
    <svg viewBox="0 0 220 34" className="w-56 max-w-full" aria-hidden>
      <rect
        x="1"
        y="5"
        width="218"
        height="24"
        rx="12"
        fill="var(--caution)"
        fillOpacity={hose.colour === "DARK" ? 0.75 : 0.2}
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {Array.from({ length: BUBBLES[hose.bubbles] }, (_, n) => (
        <circle
          key={n}
          cx={18 + ((n * 67) % 186)}
          cy={12 + ((n * 5) % 11)}
          r={3 + (n % 3)}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      ))}
    </svg>
  );
}
