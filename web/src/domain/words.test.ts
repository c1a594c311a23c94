import { describe, expect, it } from "vitest";
import { filled, keyed, say } from "./words";

describe("words of a test that is derived from the layout", () => {
  it("are found by its kind, the joints apart", () => {
    expect(keyed("test.cut-lines@front-inlet+rear-inlet.step.fit")).toEqual({
      key: "test.cut-lines.step.fit",
      joints: ["front-inlet", "rear-inlet"],
    });
    expect(keyed("test.cut-clamps@front-left-hose-inlet")).toEqual({
      key: "test.cut-clamps",
      joints: ["front-left-hose-inlet"],
    });
  });

  it("leave every other id as it is", () => {
    expect(keyed("test.hold-medium.step.hold")).toEqual({ key: "test.hold-medium.step.hold", joints: [] });
  });

  it("say where, and show a value that is missing by its name", () => {
    expect(filled("Hold with lines plugged: {places}", { places: "front inlet, rear inlet" })).toBe(
      "Hold with lines plugged: front inlet, rear inlet",
    );
    expect(filled("Press to {medium}")).toBe("Press to {medium}");
  });
});

it("counts one thing in the singular where there is a word for it", () => {
  expect(say("bleedNow", { count: 1, end: "front left" })).toBe("1 stroke at front left");
  expect(say("bleedNow", { count: 4, end: "front left" })).toBe("4 strokes at front left");
});
