import type { Calculator, Field, FigureRequest, Unit } from "../../domain/types";
import type { Finding } from "../../domain/api";
import { preview, shownFigure } from "../../domain/units";

/** What was typed into one column, by input. */
export type ColumnTexts = Record<string, string>;

export const MOST_COLUMNS = 4;

/** The typed inputs of a column as they are sent, each with the unit in which its field asks. */
export function typedInputs(texts: ColumnTexts, fields: Field[], unit: (field: Field) => Unit): FigureRequest[] {
  return fields
    .filter((f) => (texts[f.id] ?? "").trim() !== "")
    .map((f) => ({ id: f.id, text: (texts[f.id] ?? "").trim(), unit: unit(f).symbol }));
}

/** What is wrong with one input of one column, if the server refused it. */
export function refusalOf(findings: Finding[], column: number, fieldId: string): Finding | undefined {
  return findings.find(
    (f) => f.field === `columns.${column}.${fieldId}` || f.field === `columns.${column}.${fieldId}.unit`,
  );
}

/** A typed value in both systems: "23.81 mm · 0.94 in"; nothing where there is only one unit or no number. */
export function inBoth(text: string, asked: Unit, units: Unit[]): string {
  const value = preview(text, asked, units);
  const own = units.filter((u) => u.dimension === asked.dimension);
  if (value === undefined || own.length < 2) return "";
  const core = own.find((u) => u.core);
  const other = own.find(
    (u) => !u.core && ["in", "lbf", "psi", "inHg", "fl oz", "lbf ft", "°F", "°F rise", "in²"].includes(u.symbol),
  );
  return [core, other]
    .filter((u): u is Unit => u !== undefined)
    .map((u) => `${fine(value, u)} ${u.symbol}`)
    .join(" · ");
}

function fine(coreValue: number, unit: Unit): string {
  if (unit.symbol === "mm" || unit.symbol === "in")
    return ((coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit).toFixed(unit.symbol === "mm" ? 2 : 3);
  return shownFigure(coreValue, unit);
}

const typedIn = (texts: ColumnTexts | undefined, fieldId: string) => (texts?.[fieldId] ?? "").trim();

/** The name of a column: the first stands as it is or as typed; another is named after its one difference from the first, or numbered. */
export function columnName(
  columns: ColumnTexts[],
  index: number,
  calculator: Calculator,
  words: { asItIs: string; asTyped: string; whatIf: (n: number) => string },
): string {
  if (index === 0)
    return calculator.fields.some((f) => typedIn(columns[0], f.id) !== "") ? words.asTyped : words.asItIs;
  const different = calculator.fields
    .map((f) => f.id)
    .filter((id) => typedIn(columns[index], id) !== typedIn(columns[0], id));
  const only = different.length === 1 ? typedIn(columns[index], different[0] ?? "") : "";
  return only === "" ? words.whatIf(index) : only;
}
