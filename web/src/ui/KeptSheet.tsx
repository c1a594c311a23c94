import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import {
  drop,
  find,
  isAnothers,
  isKnown,
  isOld,
  keep,
  TROUBLED,
  waitsForItsWriter,
  type Waiting,
} from "../domain/outbox";
import { useSettings } from "../domain/settings";
import { useKeepSigned, useSendNow } from "../domain/useOutbox";
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
  "work-steps": "keptStep",
  strokes: "keptStrokes",
  levels: "keptLevel",
  bleeding: "keptBleeding",
  ways: "ways",
  fluid: "fluidInCan",
  photos: "keptPhoto",
  traces: "keptTrace",
  walks: "firstWalk",
  rests: "keptRest",
  "second-checks": "keptSecondCheck",
  checks: "keptCheck",
  parts: "keptPart",
  withdrawal: "keptWithdrawal",
  release: "keptRelease",
};
/** The one text of an entry that can be mended where it is shown. */
function textOf(write: Waiting): string | undefined {
  if (write.kind === "notes") return write.body.text;
  return write.kind === "strikes" || write.kind === "set-aside" ? write.body.why : undefined;
}

function withText(write: Waiting, text: string): Waiting {
  if (write.kind === "notes") return { ...write, body: { ...write.body, text } };
  if (write.kind === "strikes") return { ...write, body: { ...write.body, why: text } };
  return write.kind === "set-aside" ? { ...write, body: { ...write.body, why: text } } : write;
}

const procedureOf = (write: Waiting): string | undefined =>
  write.kind === "readings" || write.kind === "set-aside" ? write.body.procedureId : undefined;

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
  const procedureId = procedureOf(write);
  const what = [
    say(isKnown(write) ? KINDS[write.kind] : "keptUnknown"),
    procedureId && word(`test.${procedureId}`),
    write.vehicle ?? (write.kind === "jobs" ? write.body.vehicle : undefined),
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
        <Waits write={write} />
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

/** Why it is still here, and what can be done. */
function Waits({ write }: { write: Waiting }) {
  const { person } = useSettings();
  const failures = write.failures ?? 0;
  if (waitsForItsWriter(write)) return <Told>{say("waitsForWriter", { name: person(write.personId ?? "") })}</Told>;
  if (!isKnown(write)) return <Told>{say("keptUnknownWhy")}</Told>;
  if (isOld(write, Date.now())) return <Told>{say("keptOldWhy")}</Told>;
  if (failures >= TROUBLED)
    return (
      <Told>
        {say(write.kind === "photos" ? "keptTroubledPhoto" : "keptTroubled", {
          count: failures,
          time: new Date(write.notBefore ?? Date.now()).toLocaleTimeString(),
        })}
      </Told>
    );
  return <p className="my-1">{say(write.holdUntil === undefined ? "keptWaits" : "keptHeld")}</p>;
}

const Told = ({ children }: { children: string }) => (
  <p role="alert" className="my-2 border-2 border-caution bg-caution-ground p-2">
    {children}
  </p>
);

/** Mend where it was made, or the text here; send again; throw away. */
function Ways({ write, onClose, onThrow }: { write: Waiting; onClose: () => void; onThrow: () => void }) {
  const go = useNavigate();
  const sendNow = useSendNow();
  const keepSigned = useKeepSigned();
  const written = textOf(write);
  const [text, setText] = useState(written ?? "");
  const busy = useRef(false);
  const again = async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const standing = await find(write.entryId);
      if (standing && written !== undefined && text.trim() !== written)
        await keepSigned(withText(standing, text.trim()));
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
  const procedureId = procedureOf(write);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {written !== undefined && write.refused && (
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
      {isAnothers(write) && <Button onClick={() => void keepSigned(write).then(again)}>{say("enterAsMine")}</Button>}
      {write.kind !== "verdict" && isKnown(write) && !isOld(write, Date.now()) && !isAnothers(write) && (
        <Button onClick={() => void again()}>{say("sendNow")}</Button>
      )}
      {isKnown(write) && isOld(write, Date.now()) && (
        <Button filled onClick={() => void keep({ ...write, withItsDate: true }).then(again)}>
          {say("keptWithItsDate", { day: new Date(write.madeAt).toLocaleDateString() })}
        </Button>
      )}
      <Button onClick={onThrow}>{say("throwAway")}</Button>
    </div>
  );
}
