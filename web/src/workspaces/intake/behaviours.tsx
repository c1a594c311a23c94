/** Small curves of pedal travel: what each behaviour looks like, time or force to the right, travel down. */
const CURVES: Record<string, string> = {
  sinks: "M4 8 C14 14 18 18 26 20 L92 46",
  springy: "M4 6 L92 48",
  "long-then-firm": "M4 4 L40 38 L92 42",
  hard: "M4 8 L22 12 L92 15",
  "level-falls": "M4 8 C20 20 30 22 44 22 L92 22 M52 40 l0 8 M66 38 l0 10 M80 36 l0 12",
  "returns-slowly": "M4 46 C30 46 60 36 92 10",
  "does-not-free": "M4 10 L30 30 L92 30 M30 46 H92",
  slips: "M4 8 L30 30 L92 30 M4 46 C30 46 50 20 92 14 M40 50 L92 44",
  "stays-on": "M4 46 L40 46 L92 40",
  pulls: "M4 28 L50 28 M50 28 L92 10 M50 28 L92 36",
  "soft-when-hot": "M4 10 L44 14 C58 16 62 40 92 48",
  "no-complaint": "M4 8 L30 30 L92 36 M60 18 l8 8 l16 -18",
  "lamp-stays-lit": "M40 40 h16 M42 34 h12 M48 6 a13 13 0 0 1 6 24 h-12 a13 13 0 0 1 6 -24",
};

export function BehaviourCurve({ id }: { id: string }) {
  return (
    <svg viewBox="0 0 96 56" className="h-14 w-24 shrink-0" aria-hidden="true">
      <path d="M4 2V54H94" fill="none" stroke="currentColor" strokeWidth="1" opacity="0.5" />
      <path d={CURVES[id] ?? ""} fill="none" stroke="currentColor" strokeWidth="3" strokeLinejoin="round" />
    </svg>
  );
}
