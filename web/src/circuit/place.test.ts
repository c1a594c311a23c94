import { describe, expect, it } from "vitest";
import type { Layout } from "../domain/types";
import { place } from "./place";

const component = (id: string, kind: Layout["components"][number]["kind"]) => ({ id, kind });
const joint = (id: string, from: string, to: string, chamber: "PRIMARY" | "SECONDARY") => ({ id, from, to, chamber });
const LAYOUT = {
  id: "small",
  components: [
    component("master", "MASTER"), component("front-pipe", "PIPE"), component("rear-pipe", "PIPE"), component("modulator", "MODULATOR"),
    component("front-left-pipe", "PIPE"), component("front-left-hose", "HOSE"), component("front-left", "DISC"),
    component("rear-left-pipe", "PIPE"), component("rear-left-hose", "HOSE"), component("rear-left", "DRUM"),
  ],
  joints: [
    joint("front-port", "master", "front-pipe", "PRIMARY"), joint("rear-port", "master", "rear-pipe", "SECONDARY"),
    joint("front-left-outlet", "modulator", "front-left-pipe", "PRIMARY"),
    joint("front-left-hose-inlet", "front-left-pipe", "front-left-hose", "PRIMARY"), joint("front-left-hose-end", "front-left-hose", "front-left", "PRIMARY"),
    joint("rear-left-outlet", "modulator", "rear-left-pipe", "SECONDARY"),
    joint("rear-left-hose-inlet", "rear-left-pipe", "rear-left-hose", "SECONDARY"), joint("rear-left-hose-end", "rear-left-hose", "rear-left", "SECONDARY"),
  ],
} as unknown as Layout;

describe("the circuit sheet", () => {
  const placed = place(LAYOUT);

  it("stands the ends one below the other in the order of the layout", () => {
    expect(placed.ends.map((e) => [e.id, e.drum])).toEqual([["front-left", false], ["rear-left", true]]);
    expect(placed.ends[0]?.at.y).toBeLessThan(placed.ends[1]?.at.y ?? 0);
  });

  it("draws each port, outlet and hose by the joint at which it can be cut", () => {
    expect(placed.pipes.map((p) => p.id).sort()).toEqual(
      ["front-left-hose-inlet", "front-left-outlet", "front-port", "rear-left-hose-inlet", "rear-left-outlet", "rear-port"]);
    expect(placed.pipes.filter((p) => p.hose).map((p) => p.to)).toEqual(["front-left-hose", "rear-left-hose"]);
  });

  it("has no modulator where the layout has none", () => {
    expect(place({ ...LAYOUT, components: LAYOUT.components.filter((c) => c.kind !== "MODULATOR") }).modulator).toBeUndefined();
  });
});
