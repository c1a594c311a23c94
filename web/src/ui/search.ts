import { say } from "../domain/words";

/** By a word of the trade, what the same thing is called in this program. */
const TRADE = new Map(
  say("tradeWords")
    .split("|")
    .map((line) => line.split("="))
    .map(([word = "", called = ""]) => [word, called.split(",")] as const),
);

/** Whether a text holds every word that is sought, each as it is typed or as it is called here. */
export const found = (search: string, text: string): boolean => {
  const shown = text.toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((part) => shown.includes(part) || (TRADE.get(part) ?? []).some((called) => shown.includes(called)));
};
