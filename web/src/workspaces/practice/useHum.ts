import { useEffect, useRef } from "react";

const LOW_HZ = 70;
const HIGH_HZ = 340;
const LOUDEST = 0.08;

/** A hum that rises with the force, so that it is felt without looking. */
export function useHum(on: boolean, force: number) {
  const hum = useRef<{ tone: OscillatorNode; loudness: GainNode }>(undefined);
  useEffect(() => {
    if (!on || typeof AudioContext === "undefined") return;
    const context = new AudioContext();
    const tone = context.createOscillator();
    const loudness = context.createGain();
    loudness.gain.value = 0;
    tone.type = "triangle";
    tone.connect(loudness).connect(context.destination);
    tone.start();
    hum.current = { tone, loudness };
    return () => {
      hum.current = undefined;
      tone.stop();
      void context.close();
    };
  }, [on]);
  useEffect(() => {
    if (!hum.current) return;
    hum.current.tone.frequency.value = LOW_HZ + (HIGH_HZ - LOW_HZ) * force;
    hum.current.loudness.gain.value = force > 0 ? LOUDEST * (0.3 + 0.7 * force) : 0;
  }, [on, force]);
}
