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
  return findings.find((f) => f.field === `columns.${column}.${fieldId}` || f.field === `columns.${column}.${fieldId}.unit`);
}

/** A typed value in both systems: "23.81 mm · 0.94 in"; nothing where there is only one unit or no number. */
export function inBoth(text: string, asked: Unit, units: Unit[]): string {
  const value = preview(text, asked, units);
  const own = units.filter((u) => u.dimension === asked.dimension);
  if (value === undefined || own.length < 2) return "";
  const core = own.find((u) => u.core);
  const other = own.find((u) => !u.core && ["in", "lbf", "psi", "inHg", "fl oz", "lbf ft", "°F", "in²"].includes(u.symbol));
  return [core, other].filter((u): u is Unit => u !== undefined).map((u) => `${fine(value, u)} ${u.symbol}`).join(" · ");
}

function fine(coreValue: number, unit: Unit): string {
  if (unit.symbol === "mm" || unit.symbol === "in") return ((coreValue - unit.zeroInCore) / unit.coreUnitsPerUnit).toFixed(unit.symbol === "mm" ? 2 : 3);
  return shownFigure(coreValue, unit);
}

/** The name of a column: the figures of the layout, or what was changed. */
export function columnName(texts: ColumnTexts, calculator: Calculator, index: number, now: string, plain: (n: number) => string): string {
  const typed = calculator.fields.filter((f) => (texts[f.id] ?? "").trim() !== "");
  if (typed.length === 0) return index === 0 ? now : plain(index);
  const only = typed[0];
  return typed.length === 1 && only ? (texts[only.id] ?? "").trim() : plain(index);
}
