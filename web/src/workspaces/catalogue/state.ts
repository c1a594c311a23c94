import type { Catalogue } from "../../domain/types";
import { say } from "../../domain/words";

export const KINDS = ["suspect", "test", "caution", "school", "circuit"] as const;
export type Kind = (typeof KINDS)[number];

/** One thing that the program knows, as it is listed. */
export interface Line {
  id: string;
  title: string;
  texts: { label: string; text: string }[];
}

type Word = (id: string) => string;

const byTitle = (a: Line, b: Line) => a.title.localeCompare(b.title);
const unique = (ids: string[]) => [...new Set(ids)];
const onCircuits = (catalogue: Catalogue, holds: (layout: Catalogue["layouts"][number]) => boolean) => ({
  label: say("catalogueOn"),
  text: catalogue.layouts
    .filter((layout) => layout.preset && holds(layout))
    .map((layout) => layout.name)
    .join(" · "),
});

export function suspects(catalogue: Catalogue, word: Word): Line[] {
  const remedies = new Map(catalogue.layouts.flatMap((l) => l.suspects.map((s) => [s.id, s.remedyId] as const)));
  return [...remedies]
    .map(([id, remedyId]) => ({
      id: `suspect.${id}`,
      title: word(`suspect.${id}`),
      texts: [
        { label: say("catalogueShows"), text: word(`suspect.${id}.shows`) },
        { label: say("catalogueRemedy"), text: word(`remedy.${remedyId}`) },
        onCircuits(catalogue, (layout) => layout.suspects.some((s) => s.id === id)),
      ],
    }))
    .sort(byTitle);
}

/** Suspects that a test neither clears nor holds up, as a sentence. */
function unseen(catalogue: Catalogue, word: Word, testId: string): string[] {
  const spots = catalogue.blindSpots.filter((spot) => spot.testId === testId);
  const names = (when: "ALWAYS" | "SMALL") =>
    spots.filter((spot) => spot.when === when).map((spot) => word(`suspect.${spot.suspectId}`).toLowerCase());
  return [
    ...names("ALWAYS").map((name) => say("catalogueUnseen", { name })),
    ...names("SMALL").map((name) => say("catalogueUnseenSmall", { name })),
  ];
}

export function tests(catalogue: Catalogue, word: Word): Line[] {
  return unique(catalogue.layouts.flatMap((l) => l.tests))
    .map((id) => ({
      id: `test.${id}`,
      title: word(`test.${id}`),
      texts: [
        { label: "", text: word(`test.${id}.purpose`) },
        { label: say("catalogueBlind"), text: [word(`test.${id}.blind`), ...unseen(catalogue, word, id)].join(" ") },
        onCircuits(catalogue, (layout) => layout.tests.includes(id)),
      ],
    }))
    .sort(byTitle);
}

export function cautions(catalogue: Catalogue, word: Word): Line[] {
  return catalogue.cautions
    .map((id) => ({ id: `caution.${id}`, title: word(`caution.${id}`), texts: [] }))
    .sort(byTitle);
}

/** Ways in which good practitioners differ, each with what it is good for and where it can hurt. */
export function schools(catalogue: Catalogue, word: Word): Line[] {
  const line = (id: string, text: string): Line => ({
    id: `school.${id}`,
    title: word(`bleed.${id}`),
    texts: [{ label: say("howBled"), text }],
  });
  return [
    ...catalogue.bleedMethods.map(({ id, cautionId }) =>
      line(
        `method.${id}`,
        [word(`bleed.method.${id}.good`), ...(cautionId ? [word(`caution.${cautionId}`)] : [])].join(" "),
      ),
    ),
    ...catalogue.bleedOrders.map((id) => line(`order.${id}`, word(`bleed.order.${id}.good`))),
  ];
}

export function circuits(catalogue: Catalogue, word: Word): Line[] {
  return catalogue.layouts
    .filter((layout) => !layout.withdrawn)
    .map((layout) => ({
      id: `circuit.${layout.id}`,
      title: layout.name,
      texts: [
        { label: "", text: word(`family.${layout.family}`) },
        ...(layout.about === undefined ? [] : [{ label: "", text: layout.about }]),
        { label: say("catalogue.suspect"), text: String(layout.suspects.length) },
        { label: say("catalogue.test"), text: String(layout.tests.length) },
      ],
    }))
    .sort(byTitle);
}

/** Lines that hold every word of what is searched for. */
export function found(lines: Line[], search: string): Line[] {
  const sought = search.toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter((line) => {
    const text = [line.title, ...line.texts.map((t) => t.text)].join(" ").toLowerCase();
    return sought.every((part) => text.includes(part));
  });
}
