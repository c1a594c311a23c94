import { useEffect, useRef, useState } from "react";
import { api } from "../../domain/api";
import { useCall } from "../../domain/calls";
import { DEVICE } from "../../domain/device";
import { say, type UiWord } from "../../domain/words";
import { Button } from "../../ui/Button";
import { callAfter, type Call } from "./state";

/** Seconds each call stands before the next: time for a foot and for a spanner. */
const SECONDS: Record<Call, number> = { PRESS: 2, OPEN: 2, HOLD: 2, CLOSE: 2, RELEASE: 2 };
const TONES: Record<Call, number> = { PRESS: 660, OPEN: 880, HOLD: 880, CLOSE: 1046, RELEASE: 523 };

/** A flash of the whole screen and a buzz. */
function flash(call: Call) {
  navigator.vibrate?.(call === "RELEASE" ? [150, 80, 150] : 200);
  document.body.classList.remove("flash");
  void document.body.offsetWidth;
  document.body.classList.add("flash");
}

/** What another device of this job calls, as large as on that one. */
export function CallHeard({ jobId }: { jobId: string }) {
  const heard = useCall(jobId);
  const call = heard?.call.toUpperCase() as Call | undefined;
  useEffect(() => {
    if (call) flash(call);
  }, [call, heard?.stroke]);
  return (
    heard && (
      <div role="alert" className="fixed inset-0 z-20 grid grid-rows-[auto_1fr] bg-ground p-4">
        <p className="figures text-2xl">{say("callerStroke", { count: heard.stroke, all: heard.all })}</p>
        <p className="grid place-items-center text-center font-bold text-[18vw] leading-none">
          {say(`call${call ?? "PRESS"}` as UiWord)}
        </p>
      </div>
    )
  );
}

/**
 * Calls the strokes for two people, to be read at three metres: a word, a sound, a flash, a buzz. One call follows the other in one order only, so
 * that the pedal is never released with the screw open.
 */
export function Caller({
  jobId,
  strokes,
  onStrokes,
  onClose,
}: {
  jobId: string;
  strokes: number;
  onStrokes: (count: number) => void;
  onClose: () => void;
}) {
  const [call, setCall] = useState<Call>();
  const [count, setCount] = useState(0);
  const [stopping, setStopping] = useState(false);
  const audio = useRef<AudioContext>(undefined);

  const tell = (now: Call | "END", stroke: number) =>
    void api
      .call(jobId, { deviceId: DEVICE, call: now.toLowerCase(), stroke, all: Math.max(stroke, strokes) })
      .catch(() => undefined);

  useEffect(() => {
    if (call === undefined) return;
    tell(call, count + 1);
    flash(call);
    if (audio.current) {
      const tone = audio.current.createOscillator();
      tone.frequency.value = TONES[call];
      tone.connect(audio.current.destination);
      tone.start();
      tone.stop(audio.current.currentTime + 0.3);
    }
    const timer = window.setTimeout(() => {
      if (call !== "RELEASE") return setCall(callAfter(call));
      const counted = count + 1;
      setCount(counted);
      if (counted >= strokes || stopping) {
        tell("END", counted);
        setCall(undefined);
        setStopping(false);
        onStrokes(counted);
        setCount(0);
      } else setCall("PRESS");
    }, SECONDS[call] * 1000);
    return () => window.clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- each call stands its own time
  }, [call]);

  const begin = () => {
    audio.current ??= typeof AudioContext === "undefined" ? undefined : new AudioContext();
    setCall("PRESS");
  };
  return (
    <div
      role="dialog"
      aria-modal="true"
      aria-label={say("caller")}
      className="fixed inset-0 z-10 grid grid-rows-[auto_1fr_auto] bg-ground p-4"
    >
      <p className="figures text-2xl">{say("callerStroke", { count: call ? count + 1 : count, all: strokes })}</p>
      <p aria-live="assertive" className="grid place-items-center text-center font-bold text-[18vw] leading-none">
        {call ? say(`call${call}` as UiWord) : say("callerReady")}
      </p>
      <div className="flex flex-wrap gap-3">
        {call === undefined ? (
          <>
            <Button large onClick={onClose}>
              {say("close")}
            </Button>
            <Button filled large className="flex-1" onClick={begin}>
              {say("callerStart")}
            </Button>
          </>
        ) : (
          <Button large className="flex-1" disabled={stopping} onClick={() => setStopping(true)}>
            {say("callerStop")}
          </Button>
        )}
      </div>
    </div>
  );
}
