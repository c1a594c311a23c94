import { describe, expect, it } from "vitest";
import type { ComponentKind, Layout } from "../domain/types";
import { MASTER, place, plugAt, SIZE, type Stretch, UNDER_TEST_X } from "./place";

interface File {
  id: string;
  components: { id: string; kind: string }[];
  joints: { id: string; from: string; to: string; chamber: string }[];
}

const KINDS: Record<string, ComponentKind> = { "quick-connector": "CONNECTOR" };
const PRESETS = Object.values(
  import.meta.glob<File>("../../../core/src/main/resources/overturn/layouts/*-*.json", {
    eager: true,
    import: "default",
  }),
);

/** A layout file as the API tells it, as far as drawing needs it. */
function asLayout(file: File): Layout {
  const kind = (k: string) => KINDS[k] ?? (k.toUpperCase().replaceAll("-", "_") as ComponentKind);
  return {
    ...file,
    components: file.components.map((c) => ({ id: c.id, kind: kind(c.kind) })),
    joints: file.joints.map((j) => ({ ...j, chamber: j.chamber.toUpperCase() })),
  } as unknown as Layout;
}

const preset = (id: string) => asLayout(PRESETS.find((p) => p.id === id) as File);

describe("the circuit sheet", () => {
  it("stands the ends one below the other in the order of the layout", () => {
    const placed = place(preset("tarn-box-van"));
    expect(placed.ends.map((e) => [e.id, e.kind])).toEqual([
      ["front-left", "DISC"],
      ["front-right", "DISC"],
      ["rear-left", "DRUM"],
      ["rear-right", "DRUM"],
    ]);
    expect(placed.hubs.map((h) => h.kind)).toEqual(["MODULATOR"]);
  });

  it("draws each port, outlet and hose by the joint at which it can be cut", () => {
    const ids = place(preset("tarn-box-van")).pipes.map((p) => p.id);
    expect(ids).toEqual(
      expect.arrayContaining([
        "front-port",
        "rear-port",
        "front-left-outlet",
        "front-left-hose-inlet",
        "rear-right-outlet",
      ]),
    );
    expect(new Set(ids).size).toBe(ids.length);
  });

  it.each(PRESETS.map((p) => [p.id, p] as const))(
    "reaches every end of %s inside the sheet, hubs clear of the master",
    (_, file) => {
      const layout = asLayout(file);
      const placed = place(layout);
      const drawn = placed.pipes.map((p) => p.path).join(" ");
      expect(drawn).not.toMatch(/NaN|undefined/);
      placed.ends.forEach((end) => {
        expect(end.at.y).toBeGreaterThanOrEqual(placed.radius);
        expect(end.at.y).toBeLessThanOrEqual(SIZE.height - placed.radius);
        expect(placed.pipes.some((p) => p.path.includes(String(end.at.y)))).toBe(true);
      });
      placed.hubs.forEach((hub) => expect(hub.at.x).toBeGreaterThan(MASTER.x + MASTER.width));
      const hubs = layout.components.filter((c) =>
        ["MODULATOR", "JUNCTION", "CONNECTOR", "PROPORTIONING_VALVE"].includes(c.kind),
      );
      expect(placed.hubs.map((h) => h.id)).toEqual(hubs.map((h) => h.id));
    },
  );

  it.each(PRESETS.map((p) => [p.id, p] as const))("has a place for a plug at every joint of %s", (_, file) => {
    const spots = new Set(place(asLayout(file)).pipes.flatMap((p) => [p.id, ...p.later]));
    expect([...spots].sort()).toEqual(file.joints.map((j) => j.id).sort());
  });

  it.each(PRESETS.map((p) => [p.id, p] as const))("draws no two plugs of %s over one another", (_, file) => {
    const pipes = place(asLayout(file)).pipes;
    const joints = file.joints.map((j) => j.id);
    const spots = joints
      .map((id) => ({ id, stretch: pipes.find((p) => p.id === id || p.later.includes(id)) as Stretch }))
      .map(({ id, stretch }) => ({ id, at: plugAt(stretch, id) }));
    const near = spots.flatMap((one, i) =>
      spots
        .slice(i + 1)
        .filter((other) => Math.hypot(one.at.x - other.at.x, one.at.y - other.at.y) < 12)
        .map((other) => `${one.id} on ${other.id}`),
    );
    expect(near).toEqual([]);
  });

  it("plugs a modulator at its outlets, on this side of the line behind which nothing is under test", () => {
    const tarn = PRESETS.find((p) => p.id === "tarn-box-van") as File;
    const { pipes } = place(asLayout(tarn));
    const outlets = tarn.joints
      .filter((j) => j.from === "modulator")
      .map((j) => pipes.find((p) => p.id === j.id) as Stretch);
    expect(outlets).toHaveLength(4);
    outlets.forEach((outlet) => expect(plugAt(outlet, outlet.id).x).toBeLessThan(UNDER_TEST_X));
  });

  it("makes room for many ends", () => {
    const tarn = PRESETS.find((p) => p.id === "tarn-box-van") as File;
    const many = Array.from({ length: 8 }, (_, i) => `extra-${i}`);
    const wide = {
      ...tarn,
      components: [...tarn.components, ...many.map((id) => ({ id, kind: "disc" }))],
      joints: [
        ...tarn.joints,
        ...many.map((id) => ({ id: `${id}-outlet`, from: "modulator", to: id, chamber: "primary" })),
      ],
    };
    const placed = place(asLayout(wide));
    const ys = placed.ends.map((e) => e.at.y).sort((a, b) => a - b);
    expect(Math.min(...ys.slice(1).map((y, i) => y - (ys[i] ?? 0)))).toBeGreaterThan(2 * placed.radius);
  });
});
