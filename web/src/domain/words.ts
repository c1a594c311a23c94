import ui from "../words/ui.json";

export type UiWord = keyof typeof ui;
export type Values = Record<string, string | number>;

/** Fills {name} with values; a value that is missing shows as its name, never as "undefined". */
export function filled(template: string, values: Values = {}): string {
  return template.replace(/\{(\w+)\}/g, (whole, name: string) => String(values[name] ?? whole));
}

/** A word of the screens. */
export function say(id: UiWord, values?: Values): string {
  return filled(ui[id], values);
}
