import type { Told } from "../../domain/types";
import { say } from "../../domain/words";
import type { Word } from "./state";

const list = (parts: string[]) => parts.filter(Boolean).join(" · ");

/** What an entry says beside what every entry says; a picture is shown, not said. */
export function toldText(told: Told, word: Word): string {
  switch (told.kind) {
    case "work-step-done": {
      const [step = "", place = ""] = told.step.split("@");
      const done = word(`repair.${step}`).replace("{place}", word(`component.${place}`).toLowerCase());
      return list([`${say("stepDone")}: ${done}`, ...told.measured.map((m) => `${m.text} ${m.unit}`)]);
    }
    case "strokes-bled":
      return list([
        say("bleedNow", { count: told.count, end: word(`component.${told.endId}`).toLowerCase() }),
        say(`bubbles${told.bubbles}`),
        say(`colour${told.colour}`),
      ]);
    case "level-entered":
      return list([
        say("reservoirLevel"),
        told.text === "max" ? say("markMax") : told.text === "min" ? say("markMin") : `${told.text} ${told.unit}`,
      ]);
    case "bleeding-chosen":
      return list([
        word(`bleed.method.${told.method}`),
        told.source === ""
          ? word(`bleed.order.${told.order}`)
          : told.makersOrder.map((end) => word(`component.${end}`)).join(", "),
        told.source,
      ]);
    case "fluid-taken":
      return list([say("fluidInCan"), word(`fluid.${told.fluid}`), told.grade]);
    case "way-chosen":
      return `${word(`school.${told.school}`)} ${word(`school.${told.school}.${told.way}`)}`;
    case "walk-seen": {
      const spots = told.spots.filter((spot) => spot.state !== "DRY");
      const dry = told.spots.length - spots.length;
      return list([
        say("firstWalk"),
        ...spots.map((spot) => `${word(`component.${spot.componentId}`)}: ${say(`spot${spot.state}`)}`),
        dry > 0 ? say("walkDry", { count: dry }) : "",
      ]);
    }
    case "circuit-rested":
      return say("rested");
    case "data-erased":
      return say("erasedTold", { pictures: told.pictures, why: told.why });
    case "second-checked":
      return say("secondCheckedTold");
    case "check-done":
      return list([
        word(`check.${told.checkId}`),
        say(told.outcome === "FAILED" ? "checkFailed" : "checkPassed"),
        told.seen,
      ]);
    case "part-moved":
      return list([told.part, say(`part.${told.state}`), told.note]);
    case "job-released":
      return told.recheckOn === undefined ? say("releasedFinally") : say("releasedUntil", { day: told.recheckOn });
    case "came-back":
      return say("comeback");
    case "trace-kept":
      return list([say("traceKept"), told.instrument, word(`test.${told.procedureId}`)]);
    case "photo-taken":
      return list([say("photo"), told.caption]);
  }
}
