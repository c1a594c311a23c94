import type { Job, NextAct } from "./types";

type Words = {
  word: (id: string) => string;
  part: (id: string) => string;
  fitting: (item: string) => string;
};

/** The sentence of a step, by its key. */
export function stepText(key: string, { word, part }: Pick<Words, "word" | "part">): string {
  const [id = "", place = ""] = key.split("@");
  return word(`repair.${id}`).replace("{place}", part(place).toLowerCase());
}

/** What the next act is about, in words. */
function subjectOf(next: NextAct, words: Words): string {
  switch (next.kind) {
    case "TEST":
      return words.word(`test.${next.subject}`);
    case "STEP":
      return stepText(next.subject, words);
    case "BLEED":
      return words.part(next.subject).toLowerCase();
    case "SET_BACK":
      return words.fitting(next.subject);
    case "CHECK":
      return words.word(`check.${next.subject}`);
    default:
      return next.subject;
  }
}

/** The one thing that is done next, as every page says it. */
export const nextText = (next: NextAct, words: Words): string =>
  words.word(`next.${next.kind}`).replace("{what}", subjectOf(next, words));

/** The page of a job on which its next act is done; none where nothing is. */
export function nextPage(next: NextAct): "trace" | "work" | "bleed" | "proving" | "comeback" | undefined {
  switch (next.kind) {
    case "TEST":
    case "DECIDE":
      return "trace";
    case "STEP":
    case "WAIT_FOR_PART":
      return "work";
    case "BLEED":
    case "LEVEL":
    case "REST":
      return "bleed";
    case "CAME_BACK":
      return "comeback";
    case "NOTHING":
      return undefined;
    default:
      return "proving";
  }
}

/** Where that page is. */
export function nextPath(job: Pick<Job, "id">, next: NextAct): string | undefined {
  const page = nextPage(next);
  if (page === undefined) return undefined;
  if (page === "comeback") return `/jobs/${next.subject}`;
  return page === "trace" ? `/jobs/${job.id}` : `/jobs/${job.id}/${page}`;
}

/** What asks for it that a vehicle stays or moves no further, in words. */
export function reasonText(reason: Job["status"]["mayMove"]["because"][number], words: Words): string {
  const { kind, subject } = reason;
  const what =
    kind === "SUSPECT"
      ? words.word(`suspect.${subject}`).toLowerCase()
      : kind === "FACT"
        ? words.word(`fact.${subject}`).toLowerCase()
        : kind === "ITEM"
          ? words.fitting(subject).toLowerCase()
          : kind === "GATE"
            ? words.word(`gate.${subject}`).toLowerCase()
            : kind === "CHECK"
              ? words.word(`check.${subject}`)
              : "";
  return words.word(`may-move.because.${kind}`).replace("{what}", what);
}
