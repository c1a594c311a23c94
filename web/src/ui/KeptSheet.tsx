import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { drop, find, keep, type Waiting } from "../domain/outbox";
import { useSettings } from "../domain/settings";
import { useSendNow } from "../domain/useOutbox";
import { say, type UiWord } from "../domain/words";
import { Button } from "./Button";
import { Dialog } from "./Dialog";

const KINDS: Record<Waiting["kind"], UiWord> = {
  jobs: "keptJob",
  readings: "keptReading",
  strikes: "keptStrike",
  "set-aside": "keptAside",
  "take-off": "keptTakeOff",
  verdict: "keptVerdict",
  notes: "keptNote",
};
/** The one text of an entry that can be mended where it is shown. */
const TEXTS: Partial<Record<Waiting["kind"], "why" | "text">> = { strikes: "why", "set-aside": "why", notes: "text" };

/** What is kept on this device and has not reached the server: what was refused, why, and the way to mend it or throw it away. */
export function KeptSheet({ open, onClose, kept }: { open: boolean; onClose: () => void; kept: Waiting[] }) {
  return (
    <Dialog open={open} onClose={onClose} title={say("keptSheet")}>
      {kept.length === 0 && <p className="text-lg">{say("keptNothing")}</p>}
      <ul>
        {kept.map((write) => (
          <KeptLine key={write.entryId} write={write} onClose={onClose} />
        ))}
      </ul>
    </Dialog>
  );
}

function KeptLine({ write, onClose }: { write: Waiting; onClose: () => void }) {
  const { word } = useSettings();
  const [throwing, setThrowing] = useState(false);
  const about = write.body as { procedureId?: string; vehicle?: string };
  const what = [
    say(KINDS[write.kind]),
    about.procedureId && word(`test.${about.procedureId}`),
    write.vehicle ?? about.vehicle,
  ]
    .filter(Boolean)
    .join(" · ");
  return (
    <li className="border-t border-rule py-3">
      <p className="text-lg font-semibold">{what}</p>
      <p className="figures text-sm text-soft">{new Date(write.madeAt).toLocaleString()}</p>
      {write.refused ? (
        <p role="alert" className="my-2 border-2 border-danger p-2">
          {say("keptRefused")} {write.refused.message}
        </p>
      ) : (
        <p className="my-1">{say(write.holdUntil === undefined ? "keptWaits" : "keptHeld")}</p>
      )}
      {throwing ? (
        <div className="flex flex-wrap items-center gap-2">
          <p className="flex-1 basis-56">{say("throwAwaySure")}</p>
          <Button onClick={() => setThrowing(false)}>{say("cancel")}</Button>
          <Button filled onClick={() => void drop(write.entryId)}>
            {say("throwAwayYes")}
          </Button>
        </div>
      ) : (
        <Ways write={write} onClose={onClose} onThrow={() => setThrowing(true)} />
      )}
    </li>
  );
}

const textOf = (value: unknown): string => (typeof value === "string" ? value : "");

/** Mend where it was made, or the text here; send again; throw away. */
function Ways({ write, onClose, onThrow }: { write: Waiting; onClose: () => void; onThrow: () => void }) {
  const go = useNavigate();
  const sendNow = useSendNow();
  const field = TEXTS[write.kind];
  const [text, setText] = useState(field ? textOf(write.body[field]) : "");
  const busy = useRef(false);
  const again = async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const standing = await find(write.entryId);
      if (standing && field) await keep({ ...standing, body: { ...standing.body, [field]: text.trim() } });
      await sendNow(write.entryId);
    } catch {
      // What was refused stays in this list, with the reason.
    } finally {
      busy.current = false;
    }
  };
  const mend = (to: string) => {
    onClose();
    void go(to);
  };
  const procedureId = textOf(write.body["procedureId"]);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {field && write.refused && (
        <input
          aria-label={say("keptText")}
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="min-h-11 w-full border-2 border-ink px-2"
        />
      )}
      {write.refused && write.kind === "readings" && (
        <Button filled onClick={() => mend(`/jobs/${write.jobId}/tests/${procedureId}?mend=${write.entryId}`)}>
          {say("mend")}
        </Button>
      )}
      {write.refused && write.kind === "jobs" && (
        <Button filled onClick={() => mend(`/intake?mend=${write.entryId}`)}>
          {say("mend")}
        </Button>
      )}
      {write.kind !== "jobs" && <Button onClick={() => mend(`/jobs/${write.jobId}`)}>{say("toJob")}</Button>}
      {write.kind !== "verdict" && <Button onClick={() => void again()}>{say("sendNow")}</Button>}
      <Button onClick={onThrow}>{say("throwAway")}</Button>
    </div>
  );
}
