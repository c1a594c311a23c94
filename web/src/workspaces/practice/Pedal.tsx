import { useEffect, useRef, useState } from "react";
import type { RigMoment } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { useHum } from "./useHum";

interface Props {
  now?: RigMoment;
  lever: boolean;
  /** Travel to the floor or grip, mm. */
  stopMm: number;
  onPress: (forceN: number) => void;
}

const STEP_N = { foot: 20, hand: 5 };

/** Pedal or lever that is pressed by pointer, keys or buttons, and pushes back. */
export function Pedal({ now, lever, stopMm, onPress }: Props) {
  const forces = lever ? [20, 40, 60, 100, 150] : [50, 100, 200, 300, 400];
  const most = lever ? 200 : 500;
  const step = lever ? STEP_N.hand : STEP_N.foot;
  const [wanted, setWanted] = useState(0);
  const [hums, setHums] = useState(false);
  const kept = useRef(0);
  const shown = now?.forceN ?? 0;
  useHum(hums, shown / most);
  const press = (forceN: number) => {
    const force = Math.max(0, Math.min(most, Math.round(forceN)));
    if (force > 0) kept.current = force;
    setWanted(force);
    onPress(force);
  };
  useEffect(() => {
    const letGo = () => document.hidden && press(0);
    document.addEventListener("visibilitychange", letGo);
    return () => document.removeEventListener("visibilitychange", letGo);
  });
  const share = Math.min(1, (now?.travelMm ?? 0) / stopMm);
  const byPointer = (e: React.PointerEvent<HTMLDivElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    press(((e.clientY - box.top) / box.height) * most);
  };
  return (
    <section aria-label={say(lever ? "rigLever" : "rigPedal")} className="grid gap-2">
      <div
        role="slider"
        tabIndex={0}
        aria-label={say("rigForce")}
        aria-valuemin={0}
        aria-valuemax={most}
        aria-valuenow={wanted}
        aria-valuetext={`${wanted} N`}
        aria-orientation="vertical"
        className="relative h-52 touch-none border-2 border-ink bg-panel select-none"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          byPointer(e);
        }}
        onPointerMove={(e) => e.buttons > 0 && byPointer(e)}
        onPointerUp={() => press(0)}
        onPointerCancel={() => press(0)}
        onKeyDown={(e) => {
          const to = { ArrowDown: wanted + step, ArrowUp: wanted - step, Home: 0, Escape: 0 }[e.key];
          if (e.key === " ") press(wanted > 0 ? 0 : kept.current || (forces[1] ?? 0));
          else if (to !== undefined) press(to);
          else return;
          e.preventDefault();
        }}
      >
        <PedalDrawing share={share} force={shown / most} lever={lever} />
        <p className="figures pointer-events-none absolute top-2 left-3 text-3xl font-semibold">
          {Math.round(shown)} N
        </p>
      </div>
      <p className="text-sm text-soft max-sm:hidden">{say("rigPressHow")}</p>
      <div className="flex flex-wrap gap-2">
        {forces.map((force) => (
          <Button
            key={force}
            className="figures min-w-14 flex-1 !px-1 whitespace-nowrap aria-pressed:bg-fill aria-pressed:text-fill-ink"
            aria-pressed={wanted === force}
            onClick={() => press(wanted === force ? 0 : force)}
          >
            {force} N
          </Button>
        ))}
        <Button className="flex-1" disabled={wanted === 0} onClick={() => press(0)}>
          {say("rigLetGo")}
        </Button>
        <Button aria-pressed={hums} onClick={() => setHums(!hums)}>
          {say(hums ? "rigHumOff" : "rigHumOn")}
        </Button>
      </div>
    </section>
  );
}

/** Seen from the side: how far it is down, and how hard it pushes back. */
function PedalDrawing({ share, force, lever }: { share: number; force: number; lever: boolean }) {
  const angle = lever ? 8 - share * 28 : 16 - share * 30;
  return (
    <svg viewBox="0 0 400 200" className="h-full w-full" aria-hidden="true">
      {lever ? (
        <path d="M40 178H290" stroke="var(--rule)" strokeWidth="22" strokeLinecap="round" />
      ) : (
        <path d="M20 184H380" stroke="var(--rule)" strokeWidth="3" strokeDasharray="10 8" />
      )}
      <g transform={lever ? "translate(0 50)" : undefined}>
        <g transform={`rotate(${angle} 330 40)`}>
          <path
            d={lever ? "M330 40H110" : "M330 40L140 110"}
            stroke="var(--ink)"
            strokeWidth="9"
            strokeLinecap="round"
          />
          <path
            d={lever ? "M140 40H100" : "M122 84L158 136"}
            stroke="var(--ink)"
            strokeWidth="20"
            strokeLinecap="round"
          />
          {force >= 0.01 && <PushesBack force={force} lever={lever} />}
        </g>
        <circle cx="330" cy="40" r="11" fill="var(--panel)" stroke="var(--ink)" strokeWidth="4" />
      </g>
    </svg>
  );
}

/** What pad or lever pushes back with, as an arrow that grows. */
function PushesBack({ force, lever }: { force: number; lever: boolean }) {
  const length = lever ? 18 + 34 * force : 26 + 74 * force;
  return (
    <g
      transform={lever ? "translate(150 28) rotate(-90)" : "translate(126 122) rotate(145)"}
      stroke="var(--hot)"
      strokeWidth={3 + 8 * force}
      fill="none"
      strokeLinecap="round"
    >
      <path d={`M0 0H${length}M${length - 15} -11L${length} 0L${length - 15} 11`} />
    </g>
  );
}
