import { describe, expect, it } from "vitest";
import type { Catalogue } from "../../domain/types";
import { cautions, found, suspects, tests } from "./state";

const catalogue = {
  cautions: ["stands"],
  blindSpots: [{ testId: "spout", suspectId: "rear-seal-weeping", when: "ALWAYS" }],
  layouts: [
    {
      name: "Tarn box van",
      preset: true,
      suspects: [{ id: "air-in-master", remedyId: "bleed-master" }],
      tests: ["hold-medium", "spout"],
    },
    {
      name: "Wisp",
      preset: true,
      suspects: [{ id: "air-in-master", remedyId: "bleed-master" }],
      tests: ["hold-medium"],
    },
  ],
} as unknown as Catalogue;
const word = (id: string) => `word of ${id}`;

describe("the catalogue", () => {
  it("lists a suspect once, with its remedy and the circuits that can have it", () => {
    const [only, ...more] = suspects(catalogue, word);
    expect(more).toEqual([]);
    expect(only?.texts.map((t) => t.text)).toEqual([
      "word of suspect.air-in-master.shows",
      "word of remedy.bleed-master",
      "Tarn box van · Wisp",
    ]);
  });

  it("says of every test what it cannot see", () => {
    expect(tests(catalogue, word).map((t) => t.texts[1]?.text)).toEqual([
      "word of test.hold-medium.blind",
      "word of test.spout.blind Says nothing of: word of suspect.rear-seal-weeping.",
    ]);
  });

  it("finds what holds every word, wherever it stands", () => {
    expect(found(tests(catalogue, word), "SPOUT tarn").map((l) => l.id)).toEqual(["test.spout"]);
    expect(found(tests(catalogue, word), "spout wisp")).toEqual([]);
    expect(cautions(catalogue, word).map((l) => l.id)).toEqual(["caution.stands"]);
  });
});
