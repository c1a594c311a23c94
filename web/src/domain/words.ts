import ui from "../words/ui.json";

export type UiWord = keyof typeof ui;
export type Values = Record<string, string | number>;

/** Fills {name} with values; a value that is missing shows as its name, never as "undefined". */
export function filled(template: string, values: Values = {}): string {
  return template.replace(/\{(\w+)\}/g, (whole, name: string) => String(values[name] ?? whole));
}

/** The word of the screens by this id; the id itself where there is none. */
export function known(id: string): string {
  const words: Record<string, string> = ui;
  return words[id] ?? id;
}

/** A word of the screens; where it counts one thing, the word for one (`<id>.one`) if there is one. */
export function say(id: UiWord, values?: Values): string {
  const one = `${id}.one`;
  return filled(values?.count === 1 && one in ui ? known(one) : ui[id], values);
}

/** A test that is derived from the layout has its joints in its id ("cut-lines@front-inlet+rear-inlet"), which are no part of the key of its words. */
export function keyed(id: string): { key: string; joints: string[] } {
  const joints = /@([a-z0-9+-]+)/.exec(id)?.[1];
  return { key: joints === undefined ? id : id.replace(`@${joints}`, ""), joints: joints?.split("+") ?? [] };
}

/** A text in so many letters at most, with a mark where it was cut. */
export function short(text: string, most: number): string {
  return text.length <= most ? text : `${text.slice(0, Math.max(3, most - 1))}…`;
}
