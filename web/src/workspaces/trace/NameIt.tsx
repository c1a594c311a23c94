import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, told } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Job, Layout } from "../../domain/types";
import { minutes } from "../../domain/units";
import { useWrite } from "../../domain/useOutbox";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";

const HAND_BACK = "hand-back";
const LOOK_ELSEWHERE = "look-elsewhere";

/** The remedies of a circuit, each once. */
export const remediesOf = (layout: Layout): string[] => [...new Set(layout.suspects.map((s) => s.remedyId))];

/** Whoever practises names what they believe, whatever the program does, and asks whether it is cured. */
export function NameIt({ job }: { job: Job }) {
  const { word } = useSettings();
  const [open, setOpen] = useState(false);
  const felt = useQuery({ queryKey: ["felt", job.id], queryFn: () => api.feltNow(job.id), enabled: false });
  return (
    <div className="grid gap-2">
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => setOpen(true)}>{say("practiceFit")}</Button>
        <Button onClick={() => void felt.refetch()}>{say("practiceFelt")}</Button>
      </div>
      {felt.data && (
        <p role="status">
          {say("practiceFeltNow")} <span className="font-semibold">{word(`option.driven.${felt.data.felt}`)}</span>
        </p>
      )}
      {open && <Remedies job={job} onClose={() => setOpen(false)} onFitted={() => void felt.refetch()} />}
    </div>
  );
}

/** What could be done, each with its price; it is fitted at once, or repaired by its plan. */
function Remedies({ job, onClose, onFitted }: { job: Job; onClose: () => void; onFitted: () => void }) {
  const { layout, word } = useSettings();
  const go = useNavigate();
  const write = useWrite(job.id);
  const workshop = useQuery({ queryKey: ["workshop"], queryFn: api.workshop });
  const [chosen, setChosen] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState("");
  const price = (id: string) => {
    const own = workshop.data?.prices.find((p) => p.remedyId === id);
    return own ? minutes(own.labourMinutes + own.partsMinutes) : "";
  };
  const done = async (what: () => Promise<unknown>, then: () => void) => {
    setBusy(true);
    try {
      await what();
      onClose();
      then();
    } catch (e) {
      setRefused(told(e as Error));
    } finally {
      setBusy(false);
    }
  };
  const remedies = [
    HAND_BACK,
    ...remediesOf(layout(job.layoutId)).filter((id) => id !== HAND_BACK && id !== LOOK_ELSEWHERE),
    LOOK_ELSEWHERE,
  ];
  return (
    <Dialog open onClose={onClose} title={say("practiceFit")}>
      <p className="mb-3">{say("practiceFitWhy")}</p>
      <ul>
        {remedies.map((id) => (
          <li key={id} className="border-b border-rule">
            <button
              type="button"
              aria-pressed={chosen === id}
              className="flex min-h-11 w-full items-baseline gap-3 p-2 text-left hover:bg-grid aria-pressed:bg-fill aria-pressed:text-fill-ink"
              onClick={() => setChosen(id)}
            >
              <span className="min-w-0 flex-1">{word(`remedy.${id}`)}</span>
              <span className="figures">{price(id)}</span>
            </button>
          </li>
        ))}
      </ul>
      {chosen !== undefined && (
        <div className="sticky -bottom-5 -mx-5 -mb-5 flex flex-wrap gap-3 border-t-2 border-ink bg-panel p-5">
          <Button
            filled
            large
            className="flex-1"
            disabled={busy}
            onClick={() =>
              void done(
                () => api.rigAct(job.id, { entryId: crypto.randomUUID(), act: "replace", subject: chosen }),
                onFitted,
              )
            }
          >
            {say("practiceFitNow")}
          </Button>
          <Button
            large
            className="flex-1"
            disabled={busy}
            onClick={() =>
              void done(
                () =>
                  write("verdict", {
                    sequence: job.sequence,
                    remedyIds: [chosen],
                    grade: "OPEN",
                    why: say("practiceNamedWhy"),
                  }),
                () => void go(`/jobs/${job.id}/work`),
              )
            }
          >
            {say("practiceByPlan")}
          </Button>
          {refused !== "" && (
            <p role="alert" className="w-full">
              {refused}
            </p>
          )}
        </div>
      )}
    </Dialog>
  );
}
