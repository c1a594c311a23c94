import type { Entry } from "../../domain/types";
import { say, type UiWord } from "../../domain/words";
import type { Word } from "./state";

/** What an entry of the half after the verdict says; nothing for any other. */
export function repairText(entry: Entry, word: Word): string | undefined {
  const [first = "", second = "", third = "", fourth = ""] = entry.told;
  switch (entry.kind) {
    case "work-step-done": {
      const [step = "", place = ""] = first.split("@");
      const done = word(`repair.${step}`).replace("{place}", word(`component.${place}`).toLowerCase());
      return [`${say("stepDone")}: ${done}`, ...entry.told.slice(1)].join(" · ");
    }
    case "strokes-bled":
      return [
        say("bleedNow", { count: second, end: word(`component.${first}`).toLowerCase() }),
        say(`bubbles${third.toUpperCase()}` as UiWord),
        say(`colour${fourth.toUpperCase()}` as UiWord),
      ].join(" · ");
    case "level-entered":
      return `${say("reservoirLevel")} · ${first === "max" ? say("markMax") : first === "min" ? say("markMin") : `${first} ${second}`}`;
    case "bleeding-chosen":
      return [
        word(`bleed.method.${first}`),
        third === ""
          ? word(`bleed.order.${second}`)
          : entry.told
              .slice(3)
              .map((end) => word(`component.${end}`))
              .join(", "),
        ...(third ? [third] : []),
      ].join(" · ");
    case "fluid-taken":
      return [say("fluidInCan"), word(`fluid.${first}`), second].filter(Boolean).join(" · ");
    case "way-chosen":
      return `${word(`school.${first}`)} ${word(`school.${first}.${second}`)}`;
    case "walk-seen": {
      const spots = Array.from({ length: entry.told.length / 2 }, (_, i) => entry.told.slice(2 * i, 2 * i + 2));
      const told = spots
        .filter(([, state]) => state !== "dry")
        .map(
          ([part = "", state = ""]) => `${word(`component.${part}`)}: ${say(`spot${state.toUpperCase()}` as UiWord)}`,
        );
      const dry = spots.length - told.length;
      return [say("firstWalk"), ...told, ...(dry > 0 ? [say("walkDry", { count: dry })] : [])].join(" · ");
    }
    case "circuit-rested":
      return say("rested");
    case "check-done":
      return [
        word(`check.${first}`),
        say(second === "failed" ? "checkFailed" : "checkPassed"),
        ...(third ? [third] : []),
      ].join(" · ");
    case "part-moved":
      return [first, say(`part.${second}` as UiWord), third].filter(Boolean).join(" · ");
    case "job-released":
      return first === "" ? say("releasedFinally") : say("releasedUntil", { day: first });
    case "came-back":
      return say("comeback");
    default:
      return undefined;
  }
}
