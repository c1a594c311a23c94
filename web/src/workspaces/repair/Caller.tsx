import { useEffect, useRef, useState } from "react";
import { api } from "../../domain/api";
import { useCall, useStopAsked } from "../../domain/calls";
import { DEVICE } from "../../domain/device";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { callAfter, type Call } from "./state";

/** How long each call stands before the next, s: time for a foot and for a spanner. */
const PACES = [1.5, 2, 3, 4] as const;
const USUAL_PACE = 2;
const PACE_KEY = "overturn-pace";

const keptPace = (): number => {
  const kept = Number(localStorage.getItem(PACE_KEY));
  return PACES.find((pace) => pace === kept) ?? USUAL_PACE;
};

const TONES: Record<Call, number> = { PRESS: 660, OPEN: 880, HOLD: 880, CLOSE: 1046, RELEASE: 523 };

/** A flash of the whole screen and a buzz. */
function flash(call: Call) {
  navigator.vibrate?.(call === "RELEASE" ? [150, 80, 150] : 200);
  document.body.classList.remove("flash");
  void document.body.offsetWidth;
  document.body.classList.add("flash");
}

/** What another device of this job calls, as large as on that one; where that one is lost, that the screw is closed. */
export function CallHeard({ jobId }: { jobId: string }) {
  const { call: heard, lost, seen } = useCall(jobId);
  const call = heard?.call.toUpperCase() as Call | undefined;
  useEffect(() => {
    if (call) flash(lost ? "CLOSE" : call);
  }, [call, heard?.stroke, lost]);
  if (!heard) return null;
  const stop = () =>
    void api
      .call(jobId, { deviceId: DEVICE, call: "stop", stroke: heard.stroke, all: heard.all })
      .catch(() => undefined);
  return (
    <div role="alert" className="fixed inset-0 z-20 grid grid-rows-[auto_1fr_auto] bg-ground p-4">
      <p className="figures text-2xl">{say("callerStroke", { count: heard.stroke, all: heard.all })}</p>
      <p className="grid place-items-center text-center font-bold text-[18vw] leading-none">
        {say(lost ? "callCLOSE" : `call${call ?? "PRESS"}`)}
      </p>
      {lost ? (
        <div className="grid gap-3">
          <p className="text-xl font-semibold">{say("callerLost")}</p>
          <Button large filled onClick={seen}>
            {say("callerClosed")}
          </Button>
        </div>
      ) : (
        <Button large onClick={stop}>
          {say("callerStop")}
        </Button>
      )}
    </div>
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
  const [pace, setPace] = useState(keptPace);
  const audio = useRef<AudioContext>(undefined);
  useStopAsked(jobId, () => setStopping(true));

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
    }, pace * 1000);
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
        {call ? say(`call${call}`) : say("callerReady")}
      </p>
      <div className="flex flex-wrap gap-3">
        {call === undefined ? (
          <>
            <div className="basis-full">
              <p className="caps mb-1">{say("callerPace")}</p>
              <Choice
                label={say("callerPace")}
                value={String(pace)}
                onChange={(chosen) => {
                  localStorage.setItem(PACE_KEY, chosen);
                  setPace(Number(chosen));
                }}
                options={PACES.map((one) => ({ value: String(one), text: `${one} s` }))}
              />
            </div>
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
