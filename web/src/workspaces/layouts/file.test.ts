import schema from "../../../../core/src/main/resources/overturn/layouts/layout.schema.json";
import oldBess from "../../../../core/src/main/resources/overturn/layouts/old-bess-tender.json";
import tarn from "../../../../core/src/main/resources/overturn/layouts/tarn-box-van.json";
import { describe, expect, it } from "vitest";
import {
  differences,
  hoseless,
  idOf,
  places,
  startedFrom,
  withEnd,
  withField,
  withHose,
  withKind,
  withModulator,
  withoutEnd,
  withoutHose,
  withoutModulator,
  type LayoutFile,
  type Schema,
} from "./file";

const SCHEMA = schema as unknown as Schema;
const TARN = tarn as unknown as LayoutFile;
const OLD_BESS = oldBess as unknown as LayoutFile;
const ids = (file: LayoutFile) => file.components.map((c) => c.id);

describe("a layout in the editor", () => {
  it("is a copy that remembers where it started", () => {
    const mine = startedFrom(TARN, "Tarn with big pistons", idOf("Tarn with big pistons"));
    expect(mine.id).toBe("tarn-with-big-pistons");
    expect(mine.startedFrom).toBe("tarn-box-van");
    expect(differences(TARN, mine)).toEqual([]);
    expect(idOf("7. Älter & neuer!")).toBe("a-lter-neuer");
  });

  it("tells what was changed against the preset", () => {
    const mine = withoutHose(withField(TARN, "master", "boreMm", 25.4), "rear-left-hose");
    expect(differences(TARN, mine)).toEqual([
      { part: "master", field: "boreMm", before: 23.81, after: 25.4 },
      { part: "master", field: "fastFillBoreMm", before: 23.81, after: 25.4 },
      { part: "rear-left-hose", before: "hose" },
    ]);
  });

  it("takes the fast-fill bore along with the bore, and nothing along with anything else", () => {
    const stepped = withField(TARN, "master", "fastFillBoreMm", 31.75);
    const mine = withField(stepped, "master", "boreMm", 25.4);
    expect(mine.components.find((c) => c.id === "master")?.fastFillBoreMm).toBeCloseTo(33.87, 2);
    expect(withField(stepped, "master", "primaryStrokeMm", 20)).toMatchObject({ id: TARN.id });
  });

  it("puts a new end where its name says, unless told otherwise", () => {
    const at = { id: "modulator", chamber: "primary" as const };
    const end = (file: LayoutFile) => file.components.find((c) => c.id === "rear-right-inner");
    expect(end(withEnd(TARN, SCHEMA, "drum", "rear-right-inner", at))).toMatchObject({ axle: "rear", side: "right" });
    const told = withEnd(TARN, SCHEMA, "drum", "rear-right-inner", at, { axle: "front", side: "centre" });
    expect(end(told)).toMatchObject({ axle: "front", side: "centre" });
  });

  it("makes a drum of a caliper in one act, at the same wheel", () => {
    const mine = withKind(TARN, SCHEMA, "front-left", "drum").components.find((c) => c.id === "front-left");
    expect(mine).toMatchObject({ kind: "drum", axle: "front", side: "left" });
    expect(mine).not.toHaveProperty("rollbackMm");
  });

  it("takes an end away with its pipe and hose and nothing else", () => {
    const mine = withoutEnd(TARN, "rear-left");
    expect(ids(TARN).filter((id) => !ids(mine).includes(id))).toEqual([
      "rear-left-pipe",
      "rear-left-hose",
      "rear-left",
    ]);
    expect(mine.joints.some((j) => j.to.startsWith("rear-left"))).toBe(false);
  });

  it("adds an end where there is a place, with the defaults of the schema", () => {
    expect(places(TARN)).toEqual([
      { id: "modulator", chamber: "primary" },
      { id: "modulator", chamber: "secondary" },
    ]);
    const mine = withEnd(TARN, SCHEMA, "drum", "third", { id: "modulator", chamber: "secondary" });
    expect(mine.components.find((c) => c.id === "third")?.cylinderMm).toBe(17.46);
    expect(mine.joints.filter((j) => j.to.startsWith("third")).map((j) => j.from)).toEqual([
      "modulator",
      "third-pipe",
      "third-hose",
    ]);
  });

  it("takes a hose away and puts one back", () => {
    const without = withoutHose(TARN, "front-left-hose");
    expect(hoseless(without)).toEqual(["front-left"]);
    expect(without.joints.find((j) => j.to === "front-left")?.from).toBe("front-left-pipe");
    const back = withHose(without, SCHEMA, "front-left");
    expect(hoseless(back)).toEqual([]);
    expect(back.joints.find((j) => j.to === "front-left")?.from).toBe("front-left-hose");
  });

  it("takes the modulator out for tees and puts one in", () => {
    const plain = withoutModulator(TARN);
    expect(ids(plain)).not.toContain("modulator");
    expect(plain.joints.filter((j) => j.to.endsWith("-tee")).map((j) => j.chamber)).toEqual(["primary", "secondary"]);
    const again = withModulator(plain, SCHEMA);
    expect(again.joints.map((j) => `${j.from} ${j.to}`).sort()).toEqual(
      TARN.joints.map((j) => `${j.from} ${j.to}`).sort(),
    );
    const tender = withModulator(OLD_BESS, SCHEMA);
    expect(ids(tender)).not.toContain("front-tee");
    expect(tender.joints.find((j) => j.to === "modulator")?.from).toBe("main-pipe");
  });
});
