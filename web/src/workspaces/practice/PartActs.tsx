import { useSettings } from "../../domain/settings";
import type { Layout, Rig, RigAct, RigMoment } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";

interface Props {
  layout: Layout;
  part: string;
  rig: Rig;
  now?: RigMoment;
  act: (one: RigAct) => void;
  onClose: () => void;
}

const ENDS = ["DISC", "DRUM", "SLAVE"];
/** From here on no hand turns a wheel, Nm. */
const LOCKED_NM = 150;
const FLUIDS = ["glycol", "mineral", "silicone"];
/** Sizes on the shelf, against the list's, by diameter. */
const SIZES: [number, "rigPartFits" | "rigPartSmaller" | "rigPartLarger"][] = [
  [1, "rigPartFits"],
  [0.93, "rigPartSmaller"],
  [1.08, "rigPartLarger"],
];

/** What hands can do at one part of the vehicle. */
export function PartActs({ layout, part: id, rig, now, act, onClose }: Props) {
  const { part, word, dimension } = useParts();
  const component = layout.components.find((c) => c.id === id);
  const kind = component?.kind ?? "PIPE";
  const end = ENDS.includes(kind);
  const joints = layout.joints.filter((j) => j.to === id || (kind === "MASTER" && j.from === id));
  const drag = now?.dragNmByEnd[id];
  return (
    <Dialog open onClose={onClose} title={part(id)}>
      <div className="grid gap-3">
        {drag !== undefined && (
          <p className="figures text-xl">
            {drag > LOCKED_NM ? (
              <span className="font-semibold">{say("rigWheelLocked")}</span>
            ) : (
              <>
                {say("rigWheel")} <span className="font-semibold">{dimension(drag)}</span>
              </>
            )}
          </p>
        )}
        {joints.map((joint) => {
          const plugged = rig.plugged.includes(joint.id);
          const open = rig.cracked.includes(joint.id);
          const other = kind === "MASTER" ? part(joint.to) : part(joint.from);
          return (
            <div key={joint.id} className="grid gap-2 border-t border-rule pt-2">
              <p className="caps">{say("rigJoint", { where: other })}</p>
              <div className="flex flex-wrap gap-2">
                <Button
                  large
                  aria-pressed={plugged}
                  onClick={() => act({ act: "plug", subject: joint.id, on: !plugged })}
                >
                  {say(joint.clampable ? (plugged ? "rigClampOff" : "rigClamp") : plugged ? "rigPlugOff" : "rigPlug")}
                </Button>
                <Button large aria-pressed={open} onClick={() => act({ act: "crack", subject: joint.id, on: !open })}>
                  {say(end ? (open ? "rigScrewShut" : "rigScrew") : open ? "rigTighten" : "rigCrack")}
                </Button>
              </div>
            </div>
          );
        })}
        {(end || kind === "MASTER") && (
          <div className="grid gap-2 border-t border-rule pt-2">
            <p className="caps">{say("rigShelf")}</p>
            <div className="flex flex-wrap gap-2">
              {SIZES.map(([figure, label]) => (
                <Button key={label} onClick={() => act({ act: "fit-part", subject: id, figure })}>
                  {say(label)}
                </Button>
              ))}
            </div>
          </div>
        )}
        {kind === "RESERVOIR" && (
          <div className="flex flex-wrap gap-2">
            {FLUIDS.map((fluid) => (
              <Button key={fluid} large onClick={() => act({ act: "top-up", subject: fluid })}>
                {say("rigTopUp", { fluid: word(`fluid.${fluid}`) })}
              </Button>
            ))}
          </div>
        )}
        {(kind === "PEDAL" || kind === "LEVER") && (
          <div className="flex flex-wrap gap-2">
            {[0, 0.5, 1.5].map((figure) => (
              <Button
                key={figure}
                large
                aria-pressed={rig.rodTooLongMm === figure}
                onClick={() => act({ act: "set-rod", figure })}
              >
                {figure === 0 ? say("rigRodRight") : say("rigRodLonger", { mm: figure })}
              </Button>
            ))}
          </div>
        )}
        {joints.length === 0 && !end && kind !== "RESERVOIR" && kind !== "PEDAL" && kind !== "LEVER" && (
          <p className="text-soft">{say("rigNothingHere")}</p>
        )}
      </div>
    </Dialog>
  );
}

function useParts() {
  const { part, word, unit } = useSettings();
  const torque = unit("TORQUE");
  const dimension = (nm: number) => `${Math.round(nm / torque.coreUnitsPerUnit)} ${torque.symbol}`;
  return { part, word, dimension };
}
