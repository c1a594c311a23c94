/** A layout as a file in the open format, and the changes that the editor makes to it. Pure functions; the server has the last word. */

export type Value = string | number | boolean;
export type Chamber = "primary" | "secondary";

export interface Part {
  kind: string;
  id: string;
  [field: string]: Value;
}

export interface FileJoint {
  id: string;
  from: string;
  to: string;
  chamber: Chamber;
}

export type LayoutFile = {
  format: string;
  id: string;
  name: string;
  about?: string;
  startedFrom?: string;
  family: string;
  components: Part[];
  joints: FileJoint[];
};

/** One dimension of a part as the schema tells it. */
export interface FieldRule {
  type: "number" | "integer" | "boolean" | "string";
  title: string;
  unit?: string;
  minimum?: number;
  maximum?: number;
  default: Value;
  enum?: string[];
  description?: string;
}

export interface Schema {
  $defs: Record<string, { title: string; properties: Record<string, FieldRule> }>;
}

export const ENDS = ["disc", "drum", "slave"];

/** The dimensions of a kind of part, without its kind and id. */
export function rules(schema: Schema, kind: string): [string, FieldRule][] {
  return Object.entries(schema.$defs[kind]?.properties ?? {}).filter(([name]) => name !== "kind" && name !== "id");
}

/** A new part with the schema's defaults. */
export function fresh(schema: Schema, kind: string, id: string): Part {
  return { kind, id, ...Object.fromEntries(rules(schema, kind).map(([name, rule]) => [name, rule.default])) };
}

export function withField(file: LayoutFile, id: string, field: string, value: Value): LayoutFile {
  const changed = (part: Part): Part => ({ ...part, ...along(part, field, value), [field]: value });
  return { ...file, components: file.components.map((c) => (c.id === id ? changed(c) : c)) };
}

/** What goes with a change: a master of another bore has its fast-fill bore in the same proportion. */
function along(part: Part, field: string, value: Value): Record<string, Value> {
  const [bore, fastFill] = [Number(part.boreMm), Number(part.fastFillBoreMm)];
  if (part.kind !== "master" || field !== "boreMm" || !(fastFill > 0) || !(bore > 0)) return {};
  return { fastFillBoreMm: Number(((fastFill * Number(value)) / bore).toFixed(2)) };
}

/** The same end as another kind, at its place: a caliper where a drum was; what both have stays. */
export function withKind(file: LayoutFile, schema: Schema, id: string, kind: string): LayoutFile {
  const become = (part: Part): Part => {
    const other = fresh(schema, kind, id);
    const kept = Object.fromEntries(["axle", "side"].flatMap((f) => (part[f] === undefined ? [] : [[f, part[f]]])));
    return { ...other, ...kept };
  };
  return { ...file, components: file.components.map((c) => (c.id === id ? become(c) : c)) };
}

/** Where an end stands, by how it is called: rear right, front left; in front at the centre where it does not say. */
export function standing(name: string): { axle: string; side: string } {
  const id = idOf(name);
  return {
    axle: id.includes("rear") ? "rear" : "front",
    side: id.includes("left") ? "left" : id.includes("right") ? "right" : "centre",
  };
}

const kindOf = (file: LayoutFile, id: string) => file.components.find((c) => c.id === id)?.kind;

/** A copy of a preset under a name of its own. */
export function startedFrom(preset: LayoutFile, name: string, id: string): LayoutFile {
  return { ...preset, id, name, startedFrom: preset.startedFrom ?? preset.id };
}

/** An id made of a name: lower case, dashes. */
export function idOf(name: string): string {
  return name
    .toLowerCase()
    .normalize("NFD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^[^a-z]+|-+$/g, "")
    .slice(0, 40);
}

/** Takes an end away with whatever led to it alone. */
export function withoutEnd(file: LayoutFile, endId: string): LayoutFile {
  const gone = new Set([endId]);
  let into = file.joints.find((j) => j.to === endId);
  while (
    into &&
    ["pipe", "hose", "quick-connector"].includes(kindOf(file, into.from) ?? "") &&
    file.joints.filter((j) => j.from === into?.from).length === 1
  ) {
    gone.add(into.from);
    const from: string = into.from;
    into = file.joints.find((j) => j.to === from);
  }
  return {
    ...file,
    components: file.components.filter((c) => !gone.has(c.id)),
    joints: file.joints.filter((j) => !gone.has(j.to) && !gone.has(j.from)),
  };
}

/** Where a new end can be joined: the tees and the modulator, per chamber they carry; else the last pipe of a port. */
export function places(file: LayoutFile): { id: string; chamber: Chamber }[] {
  const hubs = file.joints.filter((j) => ["junction", "modulator"].includes(kindOf(file, j.from) ?? ""));
  const found = hubs.map((j) => ({ id: j.from, chamber: j.chamber }));
  return found.filter((p, i) => found.findIndex((q) => q.id === p.id && q.chamber === p.chamber) === i);
}

/** Adds an end with its pipe and hose. */
export function withEnd(
  file: LayoutFile,
  schema: Schema,
  kind: string,
  id: string,
  at: { id: string; chamber: Chamber },
  stands: { axle: string; side: string } = standing(id),
): LayoutFile {
  return {
    ...file,
    components: [
      ...file.components,
      fresh(schema, "pipe", `${id}-pipe`),
      fresh(schema, "hose", `${id}-hose`),
      { ...fresh(schema, kind, id), ...stands },
    ],
    joints: [
      ...file.joints,
      { id: `${id}-outlet`, from: at.id, to: `${id}-pipe`, chamber: at.chamber },
      { id: `${id}-hose-inlet`, from: `${id}-pipe`, to: `${id}-hose`, chamber: at.chamber },
      { id: `${id}-hose-end`, from: `${id}-hose`, to: id, chamber: at.chamber },
    ],
  };
}

/** Takes a hose away: what fed it feeds what it fed. */
export function withoutHose(file: LayoutFile, hoseId: string): LayoutFile {
  const into = file.joints.find((j) => j.to === hoseId);
  const out = file.joints.find((j) => j.from === hoseId);
  if (!into || !out) return file;
  return {
    ...file,
    components: file.components.filter((c) => c.id !== hoseId),
    joints: file.joints.filter((j) => j !== out).map((j) => (j === into ? { ...into, to: out.to } : j)),
  };
}

/** Ends that no hose leads to. */
export function hoseless(file: LayoutFile): string[] {
  return file.components
    .filter((c) => ENDS.includes(c.kind))
    .map((c) => c.id)
    .filter((id) => !upstream(file, id).some((u) => kindOf(file, u) === "hose"));
}

function upstream(file: LayoutFile, id: string): string[] {
  const into = file.joints.find((j) => j.to === id);
  return into ? [into.from, ...upstream(file, into.from)] : [];
}

/** Puts a hose before an end. */
export function withHose(file: LayoutFile, schema: Schema, endId: string): LayoutFile {
  const into = file.joints.find((j) => j.to === endId);
  if (!into) return file;
  const id = `${endId}-hose`;
  return {
    ...file,
    components: [...file.components, fresh(schema, "hose", id)],
    joints: [
      ...file.joints.map((j) => (j === into ? { ...into, to: id } : j)),
      { id: `${endId}-hose-end`, from: id, to: endId, chamber: into.chamber },
    ],
  };
}

/** Takes the modulator away: each chamber gets a tee in its place. */
export function withoutModulator(file: LayoutFile): LayoutFile {
  const modulator = file.components.find((c) => c.kind === "modulator");
  if (!modulator) return file;
  const chambers = [...new Set(file.joints.filter((j) => j.to === modulator.id).map((j) => j.chamber))];
  const tee = (chamber: Chamber) => `${chamber}-tee`;
  return {
    ...file,
    components: [
      ...file.components.filter((c) => c !== modulator),
      ...chambers.map((c) => ({ kind: "junction", id: tee(c) })),
    ],
    joints: file.joints.map((j) => ({
      ...j,
      from: j.from === modulator.id ? tee(j.chamber) : j.from,
      to: j.to === modulator.id ? tee(j.chamber) : j.to,
    })),
  };
}

/** Puts a modulator in: where a chamber has a first tee it takes its place, else it goes behind the port's pipe. */
export function withModulator(file: LayoutFile, schema: Schema): LayoutFile {
  const master = file.components.find((c) => c.kind === "master")?.id;
  let next: LayoutFile = { ...file, components: [...file.components, fresh(schema, "modulator", "modulator")] };
  for (const port of file.joints.filter((j) => j.from === master)) {
    const first = chain(next, port).find((id) => kindOf(next, id) === "junction");
    if (first) {
      next = {
        ...next,
        components: next.components.filter((c) => c.id !== first),
        joints: next.joints.map((j) => ({
          ...j,
          from: j.from === first ? "modulator" : j.from,
          to: j.to === first ? "modulator" : j.to,
        })),
      };
    } else {
      const behind = next.joints.find((j) => j.from === port.to);
      if (!behind) continue;
      next = {
        ...next,
        joints: [
          ...next.joints.map((j) => (j === behind ? { ...behind, to: "modulator" } : j)),
          { id: `${behind.to}-outlet`, from: "modulator", to: behind.to, chamber: port.chamber },
        ],
      };
    }
  }
  return next;
}

/** Components behind a joint as long as there is one way only. */
function chain(file: LayoutFile, joint: FileJoint): string[] {
  const out = file.joints.filter((j) => j.from === joint.to && j.chamber === joint.chamber);
  return out.length === 1 && out[0] ? [joint.to, ...chain(file, out[0])] : [joint.to];
}

export interface Difference {
  part: string;
  /** Absent where the whole part was added or taken away. */
  field?: string;
  before?: Value;
  after?: Value;
}

/** What differs from the preset it was started from: dimensions, then parts added and taken away. */
export function differences(preset: LayoutFile, file: LayoutFile): Difference[] {
  const before = new Map(preset.components.map((c) => [c.id, c]));
  const after = new Map(file.components.map((c) => [c.id, c]));
  const changed = file.components.flatMap((c) => {
    const old = before.get(c.id);
    if (!old || old.kind !== c.kind) return [];
    return Object.keys(c)
      .filter((f) => c[f] !== old[f])
      .map((f) => ({ part: c.id, field: f, before: old[f], after: c[f] }));
  });
  const added = file.components
    .filter((c) => before.get(c.id)?.kind !== c.kind)
    .map((c) => ({ part: c.id, after: c.kind }));
  const taken = preset.components
    .filter((c) => after.get(c.id)?.kind !== c.kind)
    .map((c) => ({ part: c.id, before: c.kind }));
  return [...changed, ...added, ...taken];
}
