import type { Dimension, Figure, Unit } from "./types";

export type UnitSystem = "metric" | "us";

const US_SYMBOL: Record<Dimension, string> = {
  LENGTH: "in",
  DISTANCE: "mi",
  FORCE: "lbf",
  PRESSURE: "psi",
  DEPRESSION: "inHg",
  VOLUME: "fl oz",
  TIME: "s",
  TORQUE: "lbf ft",
  TEMPERATURE: "°F",
  TEMPERATURE_RISE: "°F rise",
  SHARE: "%",
  AREA: "in²",
  STIFFNESS: "mL/bar",
  FLOW: "mL/min",
  RATIO: "×",
  TURNS: "turns",
  STROKES: "strokes",
};
const DECIMALS: Record<string, number> = {
  mm: 0,
  in: 2,
  N: 0,
  lbf: 0,
  bar: 1,
  psi: 0,
  kPa: 0,
  inHg: 1,
  mL: 1,
  "fl oz": 2,
  s: 1,
  Nm: 0,
  "lbf ft": 0,
  "°C": 0,
  "°F": 0,
  "°C rise": 0,
  "°F rise": 0,
  "%": 0,
  "mm²": 0,
  "cm²": 1,
  "in²": 2,
  "mL/bar": 4,
  "mL/min": 2,
  "×": 2,
  turns: 1,
  strokes: 0,
  m: 0,
  ft: 0,
};

/** The unit in which a dimension is shown and asked for. */
export function unitFor(dimension: Dimension, system: UnitSystem, units: Unit[]): Unit {
  const own = units.filter((unit) => unit.dimension === dimension);
  const chosen = own.find((unit) => (system === "metric" ? unit.core : unit.symbol === US_SYMBOL[dimension]));
  if (!chosen) throw new Error(`Impossible: no unit for ${dimension}`);
  return chosen;
}

/** A core value as shown: rounded to what an instrument shows, with its unit. */
export function shown(coreValue: number, dimension: Dimension, system: UnitSystem, units: Unit[]): string {
  const unit = unitFor(dimension, system, units);
  return `${shownFigure(coreValue, unit)} ${unit.symbol}`;
}

/** The figure alone. */
export function shownFigure(coreValue: number, unit: Unit): string {
  const value = (coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit;
  const little = unit.symbol === "mL" && Math.abs(value) >= 0.005 && Math.abs(value) < 0.1;
  const text = value.toFixed(little ? 2 : (DECIMALS[unit.symbol] ?? 1));
  return withMinus(text);
}

/** Noise up to which a decimal more is told, in the unit shown. */
const FINE = 0.6;

/** One decimal more where the instrument tells less than the unit by itself would show. */
function decimalsTold({ noiseSd }: Pick<Figure, "noiseSd">, unit: Unit): number {
  const usual = DECIMALS[unit.symbol] ?? 1;
  const noise = noiseSd / Math.abs(unit.coreUnitsPerUnit);
  return noise < FINE * 10 ** -usual ? (noise < FINE * 10 ** -(usual + 1) ? usual + 2 : usual + 1) : usual;
}

/** What was read, with its unit: with the decimals that its instrument can tell, and one more where it was typed. */
export function shownReading(coreValue: number, figure: Pick<Figure, "noiseSd">, unit: Unit): string {
  const decimals = decimalsTold(figure, unit);
  const value = (coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit;
  const [told, finer] = [decimals, decimals + 1].map((d) => Number(value.toFixed(d)));
  const typed = told !== finer && Math.abs(value - (finer ?? value)) < 1e-6;
  return `${withMinus(value.toFixed(typed ? decimals + 1 : decimals))} ${unit.symbol}`;
}

/** The figure of a test alone, with the decimals that its instrument can tell. */
export function readingFigure(coreValue: number, figure: Pick<Figure, "noiseSd">, unit: Unit): string {
  return withMinus(((coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit).toFixed(decimalsTold(figure, unit)));
}

function withMinus(figure: string): string {
  return figure.replace(/^-(?=0(\.0*)?$)/, "").replace("-", "−");
}

/** The longest text that is read as a figure; the server takes no longer one either. */
export const MOST_CHARACTERS = 40;
/** Thousands set apart by a gap, as on a counter: 128 740. */
const GROUPED = /^\s*[+-]?\d{1,3}([ \u00a0\u202f]\d{3})+([.,]\d*)?\s*[a-zA-Z"%°×]?/;
/** Between what a tape shows now and what it showed at rest. */
const LESS = /(?<=\d[.,]?) [-−] (?=[\d.,])/;
const NUMBER = /^\s*[+-]?(\d+([.,]\d*)?|[.,]\d+)\s*[a-zA-Z"%°×²/ ]*\s*$/;
const FRACTION = /^\s*(?:(\d+)[ -])?(\d+)\s*\/\s*([1-9]\d*)\s*[a-zA-Z"%°×²/ ]*\s*$/;

/** Typed text as a core value for the ruler; the server's own reading of it is what counts. Undefined while it is no number. */
export function preview(text: string, unit: Unit, units: Unit[]): number | undefined {
  if (text.length > MOST_CHARACTERS) return undefined;
  const symbol = text.match(/[a-zA-Z"%°×][a-zA-Z²/ ]*$/)?.[0].trim();
  const named = symbol === undefined ? unit : units.find((u) => u.symbol === (symbol === '"' ? "in" : symbol));
  if (!named || named.dimension !== unit.dimension) return undefined;
  const fraction = text.match(FRACTION);
  if (fraction)
    return (
      (Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3])) * named.coreUnitsPerUnit + named.zeroInCore
    );
  const [now = "", atRest] = text.split(LESS);
  if (atRest !== undefined && named.dimension === "LENGTH") {
    const both = [now, atRest].map((one) => preview(one.replace(/[a-zA-Z"]+\s*$/, ""), named, units));
    return both[0] === undefined || both[1] === undefined ? undefined : both[0] - both[1];
  }
  const plain = GROUPED.test(text) ? text.replace(/(?<=\d)[ \u00a0\u202f](?=\d{3})/g, "") : text;
  if (!NUMBER.test(plain)) return undefined;
  return Number.parseFloat(plain.replace(",", ".")) * named.coreUnitsPerUnit + named.zeroInCore;
}

/** What was typed, with its unit unless the unit was typed too. */
export function asTyped(text: string, unit: string | undefined): string {
  return unit === undefined || /[a-zA-Z"%°×²]\s*$/.test(text) ? text : `${text} ${unit}`;
}

/** A probability as shown: whole per cent, finer where it matters; near certainty never more than it is. */
export function percent(probability: number): string {
  if (probability >= 0.995) return "> 99 %";
  if (probability >= 0.9) return `${Math.floor(100 * probability)} %`;
  if (probability < 0.001) return "< 0.1 %";
  return probability < 0.01 ? `${(100 * probability).toFixed(1)} %` : `${Math.round(100 * probability)} %`;
}

/** "1 in 4", or "7 in 10" where it is more often wrong than not: how often acting on this probability is wrong. */
export function oneIn(wrong: number): string {
  if (wrong > 0.4) return `${Math.round(10 * wrong)} in 10`;
  const odds = Math.max(1, Math.round(1 / Math.max(wrong, 0.001)));
  return odds >= 1000 ? "under 1 in 999" : `1 in ${odds}`;
}

/** How strongly a reading speaks, by the factor by which it moves the odds, whichever way. */
export function strength(oddsFactor: number): "hardly" | "somewhat" | "plainly" | "strongly" {
  const times = oddsFactor >= 1 ? oddsFactor : 1 / oddsFactor;
  if (times >= 30) return "strongly";
  if (times >= 6) return "plainly";
  return times >= 2 ? "somewhat" : "hardly";
}

/** The factor itself, for who asks: ×9; ×0.2 becomes ×5 against. */
export function factor(oddsFactor: number): string {
  const times = oddsFactor >= 1 ? oddsFactor : 1 / oddsFactor;
  return times >= 100 ? "×100+" : `×${times >= 10 ? Math.round(times) : times.toFixed(1).replace(".0", "")}`;
}

export function minutes(value: number): string {
  return `${value <= 0 ? 0 : Math.max(1, Math.round(value))} min`;
}
