import { describe, expect, it } from "vitest";
import type { Layout } from "../domain/types";
import { spots } from "./ActMarks";
import { boxesOf, boxOf, jointAt, pathPoints, viewOf } from "./places";

const layout = {
  components: [
    { id: "pedal", kind: "PEDAL" },
    { id: "master", kind: "MASTER" },
    { id: "front-pipe", kind: "PIPE" },
    { id: "front-left", kind: "DISC" },
    { id: "front-right", kind: "DISC" },
  ],
  joints: [
    { id: "front-port", from: "master", to: "front-pipe" },
    { id: "front-left-inlet", from: "front-pipe", to: "front-left" },
  ],
  sheet: {
    width: 960,
    height: 452,
    master: { x: 226, y: 98, width: 198, height: 68 },
    endRadius: 34,
    hubs: [],
    ends: [
      { id: "front-left", at: { x: 806, y: 46 } },
      { id: "front-right", at: { x: 806, y: 400 } },
    ],
    stretches: [
      {
        id: "front-port",
        from: { x: 286, y: 166 },
        path: "M286 174V300H500",
        to: "front-pipe",
        hose: false,
        plugs: [
          { jointId: "front-port", at: { x: 286, y: 190 } },
          { jointId: "front-left-inlet", at: { x: 480, y: 300 } },
        ],
      },
    ],
  },
} as unknown as Layout;

describe("places on the sheet", () => {
  it("follows the bends of a hose to where it ends", () => {
    expect(pathPoints("M728 46c8 -10 14 10 22 0s14 -8 22 0")).toEqual([
      { x: 728, y: 46 },
      { x: 750, y: 46 },
      { x: 772, y: 46 },
    ]);
  });

  it("reads the corners of a pipe, absolute on one axis or both", () => {
    expect(pathPoints("M286 174V300H500L520 310")).toEqual([
      { x: 286, y: 174 },
      { x: 286, y: 300 },
      { x: 500, y: 300 },
      { x: 520, y: 310 },
    ]);
  });

  it("gives a pipe room around its way and nothing for a part that is not drawn", () => {
    expect(boxOf(layout, "front-pipe")).toEqual({ x: 272, y: 160, width: 242, height: 154 });
    expect(boxOf(layout, "no-such-part")).toBeUndefined();
  });

  it("shows the asked parts whole, in the asked shape, hardly beyond the sheet", () => {
    for (const ids of [["pedal"], ["front-left"], ["front-left", "front-right"], ["master", "front-right"]]) {
      const view = viewOf(layout, boxesOf(layout, ids), 430, 1.7);
      expect(view.width / view.height).toBeCloseTo(1.7);
      for (const id of ids) {
        const box = boxOf(layout, id);
        expect(box && box.x >= view.x && box.x + box.width <= view.x + view.width).toBe(true);
        expect(box && box.y >= view.y && box.y + box.height <= view.y + view.height).toBe(true);
      }
    }
    expect(viewOf(layout, [], 430, 1.7)).toEqual({ x: 0, y: 0, width: 960, height: 452 });
  });

  it("draws an act at its joints, else at its parts, a foot on the pad", () => {
    expect(jointAt(layout, "front-port")).toEqual({ x: 286, y: 190 });
    expect(spots(layout, { at: [], joints: ["front-port", "front-left-inlet"], gesture: "PLUG" })).toEqual([
      { x: 286, y: 166 },
      { x: 480, y: 300, turn: -90 },
    ]);
    expect(spots(layout, { at: [], joints: ["front-port"], gesture: "CRACK" })).toEqual([{ x: 286, y: 190 }]);
    expect(spots(layout, { at: ["pedal"], joints: [], gesture: "PRESS" })).toEqual([{ x: 58, y: 278 }]);
    expect(spots(layout, { at: ["pedal"], joints: [], gesture: "TURN" })).toEqual([{ x: 98, y: 132 }]);
    expect(spots(layout, { at: ["front-left", "front-right"], joints: [], gesture: "CRACK" })).toHaveLength(2);
  });
});
