/** Hatching by weight of suspicion, so that it is read without colour too: none, thin, medium, heavy. */
export type HatchWeight = "none" | "thin" | "medium" | "heavy";

export function hatchFor(probability: number): HatchWeight {
  if (probability < 0.01) return "none";
  if (probability < 0.12) return "thin";
  return probability < 0.4 ? "medium" : "heavy";
}

const SPACING = { thin: 9, medium: 6, heavy: 4 } as const;
const WIDTH = { thin: 1, medium: 1.5, heavy: 2.2 } as const;

/** The patterns; once per drawing. */
export function HatchPatterns({ id }: { id: string }) {
  return (
    <defs>
      {(["thin", "medium", "heavy"] as const).map((weight) => (
        <pattern
          key={weight}
          id={`${id}-${weight}`}
          width={SPACING[weight]}
          height={SPACING[weight]}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" y2={SPACING[weight]} stroke="var(--hot)" strokeWidth={WIDTH[weight]} />
        </pattern>
      ))}
    </defs>
  );
}

/** A share as a bar: hatched hot for a suspect, plain and cool for nothing wrong. */
export function ShareBar({ id, share, sound = false }: { id: string; share: number; sound?: boolean }) {
  const weight = hatchFor(share);
  return (
    <svg className="block h-3 w-full" aria-hidden="true">
      <HatchPatterns id={id} />
      <rect x="0.5" y="0.5" width="100%" height="11" fill="none" stroke="var(--grid)" />
      {weight !== "none" && (
        <rect
          x="0.5"
          y="0.5"
          width={`${Math.max(1, 99.5 * share)}%`}
          height="11"
          fill={sound ? "var(--cool-band)" : `url(#${id}-${weight})`}
          stroke={sound ? "var(--cool)" : "var(--hot)"}
        />
      )}
    </svg>
  );
}
