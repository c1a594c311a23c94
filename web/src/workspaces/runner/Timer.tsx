import { useCallback, useEffect, useRef, useState } from "react";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { clock, nextCall } from "./state";

const RADIUS = 130;
const AROUND = 2 * Math.PI * RADIUS;

/** A beep that is heard, a flash that is seen, a buzz that is felt. */
function call(audio: AudioContext | undefined, high: boolean) {
  navigator.vibrate?.(high ? [200, 80, 200] : 200);
  document.body.classList.remove("flash");
  void document.body.offsetWidth;
  document.body.classList.add("flash");
  if (!audio) return;
  const tone = audio.createOscillator();
  tone.frequency.value = high ? 1320 : 880;
  tone.connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.35);
}

const KEY = "overturn-timer";
/** A clock that ran out this long ago is not taken up again. */
const FORGOTTEN_SECONDS = 120;

interface KeptClock {
  keptAs: string;
  started: number;
}

function keptClock(): KeptClock | undefined {
  try {
    return (JSON.parse(sessionStorage.getItem(KEY) ?? "null") as KeptClock | null) ?? undefined;
  } catch {
    return undefined;
  }
}

/** When the clock was started, kept over a reload and a sleeping phone. */
function useStarted(keptAs: string, seconds: number) {
  const [started, setStarted] = useState<number | undefined>(() => {
    const kept = keptClock();
    const running = kept?.keptAs === keptAs && Date.now() - kept.started < (seconds + FORGOTTEN_SECONDS) * 1000;
    return running ? kept.started : undefined;
  });
  const keep = useCallback(
    (at: number | undefined) => {
      if (at === undefined) sessionStorage.removeItem(KEY);
      else sessionStorage.setItem(KEY, JSON.stringify({ keptAs, started: at }));
      setStarted(at);
    },
    [keptAs],
  );
  return [started, keep] as const;
}

/** The clock of a hold: big enough for two metres, calls at the seconds that are read. */
export function Timer({ keptAs, seconds, calls }: { keptAs: string; seconds: number; calls: number[] }) {
  const [started, setStarted] = useStarted(keptAs, seconds);
  const [elapsed, setElapsed] = useState(0);
  const audio = useRef<AudioContext>(undefined);
  const called = useRef(0);

  useEffect(() => {
    if (started === undefined) return;
    let lock: WakeLockSentinel | undefined;
    void navigator.wakeLock
      ?.request("screen")
      .then((l) => (lock = l))
      .catch(() => undefined);
    const tick = window.setInterval(() => {
      const now = (Date.now() - started) / 1000;
      setElapsed(Math.min(seconds, now));
      const due = [...calls, seconds].filter((c) => c <= now).length;
      if (due > called.current) {
        called.current = due;
        call(audio.current, now >= seconds);
      }
      if (now >= seconds) setStarted(undefined);
    }, 100);
    return () => {
      window.clearInterval(tick);
      void lock?.release();
    };
  }, [started, setStarted, seconds, calls]);

  const begin = () => {
    audio.current ??= typeof AudioContext === "undefined" ? undefined : new AudioContext();
    called.current = 0;
    setElapsed(0);
    setStarted(Date.now());
  };
  const over = started === undefined && elapsed >= seconds;
  const coming = nextCall(calls, elapsed);
  return (
    <div className="grid justify-items-center gap-3">
      <svg viewBox="0 0 300 300" className="w-full max-w-[26rem]" role="timer" aria-label={clock(elapsed)}>
        <circle cx="150" cy="150" r={RADIUS} fill="var(--panel)" stroke="var(--grid)" strokeWidth="16" />
        <circle
          cx="150"
          cy="150"
          r={RADIUS}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="16"
          transform="rotate(-90 150 150)"
          strokeDasharray={`${(AROUND * elapsed) / seconds} ${AROUND}`}
        />
        <text x="150" y="172" textAnchor="middle" className="figures fill-ink text-[76px] font-semibold">
          {clock(elapsed)}
        </text>
        <text x="150" y="210" textAnchor="middle" className="figures fill-soft text-[20px]">
          {over
            ? say("timerEnd")
            : coming !== undefined
              ? say("timerNext", { time: clock(coming) })
              : say("timerReady", { seconds })}
        </text>
      </svg>
      {started === undefined ? (
        <Button large onClick={begin} className="w-full max-w-[26rem]">
          {say("timerStart")}
        </Button>
      ) : (
        <Button large onClick={() => setStarted(undefined)} className="w-full max-w-[26rem]">
          {say("timerStop")}
        </Button>
      )}
    </div>
  );
}
