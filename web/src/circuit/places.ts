import type { Layout } from "../domain/types";

/** A box of the sheet. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

const INPUT: Box = { x: 10, y: 40, width: 120, height: 300 };
const ASSIST: Box = { x: 130, y: 30, width: 76, height: 206 };
const RESERVOIR_ABOVE_MASTER = 74;
const LABEL_WIDTH = 110;
/** A pipe is a line: it gets this much room on every side. */
const LINE_ROOM = 14;
const JOINT_ROOM = 70;
/** What is shown around parts, as a share of their size. */
const ROOM = 1.2;

/** Where a part stands on the sheet; nothing for a part that is not drawn. */
export function boxOf(layout: Layout, id: string): Box | undefined {
  const { sheet } = layout;
  const kind = layout.components.find((c) => c.id === id)?.kind;
  if (kind === "PEDAL" || kind === "LEVER") return INPUT;
  if (kind === "VACUUM_ASSIST" || kind === "HYDRAULIC_ASSIST") return ASSIST;
  if (kind === "MASTER") return sheet.master;
  if (kind === "RESERVOIR")
    return { x: 250, y: sheet.master.y - RESERVOIR_ABOVE_MASTER, width: 150, height: RESERVOIR_ABOVE_MASTER - 6 };
  const hub = sheet.hubs.find((h) => h.id === id);
  if (hub) return { x: hub.at.x, y: hub.at.y - hub.height / 2, width: Math.max(hub.width, 30), height: hub.height };
  const end = sheet.ends.find((e) => e.id === id);
  if (end) {
    const r = sheet.endRadius + 8;
    return { x: end.at.x - r, y: end.at.y - r, width: 2 * r + LABEL_WIDTH, height: 2 * r };
  }
  const stretch = sheet.stretches.find((s) => s.to === id);
  return stretch && around(pathPoints(stretch.path), LINE_ROOM);
}

/** The corners of path data made of M, L, H, V, Q and, for the bends of a hose, c and s. */
export function pathPoints(path: string): { x: number; y: number }[] {
  const points: { x: number; y: number }[] = [];
  let [x, y] = [0, 0];
  for (const [, command = "", rest = ""] of path.matchAll(/([MLHVQcs])([^MLHVQcs]*)/g)) {
    const numbers = (rest.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
    if (command === "H") x = numbers.at(-1) ?? x;
    else if (command === "V") y = numbers.at(-1) ?? y;
    else if (command === "c" || command === "s") [x, y] = [x + (numbers.at(-2) ?? 0), y + (numbers.at(-1) ?? 0)];
    else [x, y] = [numbers.at(-2) ?? x, numbers.at(-1) ?? y];
    points.push({ x, y });
  }
  return points;
}

/** Where a mark of a part stands: on the line of a pipe or hose, in the middle of anything else. */
export function spotOf(layout: Layout, id: string): { x: number; y: number } | undefined {
  const { sheet } = layout;
  const end = sheet.ends.find((e) => e.id === id);
  if (end) return end.at;
  const stretch = sheet.stretches.find((s) => s.to === id);
  if (stretch) return middleOf(pathPoints(stretch.path));
  const box = boxOf(layout, id);
  return box && { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** The middle of the longest straight of a line. */
function middleOf(points: { x: number; y: number }[]): { x: number; y: number } | undefined {
  let middle = points[0];
  let longest = -1;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    if (!a || !b) continue;
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    if (length > longest) [longest, middle] = [length, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }];
  }
  return middle;
}

function around(points: { x: number; y: number }[], room: number): Box {
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [left, top] = [Math.min(...xs) - room, Math.min(...ys) - room];
  return { x: left, y: top, width: Math.max(...xs) + room - left, height: Math.max(...ys) + room - top };
}

/** How far beyond the sheet a picture may reach, so that a foot beside the pedal is not cut. */
const MARGIN = 40;

/** The part of the sheet that shows these places with what is around them, so many times as wide as high. */
export function viewOf({ sheet }: Layout, boxes: Box[], leastWidth: number, shape: number): Box {
  if (boxes.length === 0) return { x: 0, y: 0, width: sheet.width, height: sheet.height };
  const left = Math.min(...boxes.map((b) => b.x));
  const top = Math.min(...boxes.map((b) => b.y));
  const right = Math.max(...boxes.map((b) => b.x + b.width));
  const bottom = Math.max(...boxes.map((b) => b.y + b.height));
  const width = Math.max(leastWidth, (right - left) * ROOM, (bottom - top) * ROOM * shape);
  const height = width / shape;
  return {
    x: within((left + right) / 2, width, sheet.width),
    y: within((top + bottom) / 2, height, sheet.height),
    width,
    height,
  };
}

/** A sheet in two pages, one below the other, where a phone is too narrow for the whole of it. */
export function halves({ sheet }: Layout): Box[] {
  const width = sheet.width / 2;
  return [0, width].map((x) => ({ x, y: 0, width, height: sheet.height }));
}

/** Where a stretch begins that is to lie within a length and its margins; in the middle where it is longer. */
function within(middle: number, size: number, most: number): number {
  return size > most + 2 * MARGIN
    ? (most - size) / 2
    : Math.max(-MARGIN, Math.min(most + MARGIN - size, middle - size / 2));
}

/** Where parts stand, without those that are not drawn. */
export const boxesOf = (layout: Layout, ids: string[]): Box[] =>
  ids.map((id) => boxOf(layout, id)).filter((box) => box !== undefined);

/** Where joints are, each with room for what is done to it. */
export function jointBoxes(layout: Layout, jointIds: string[]): Box[] {
  return jointIds
    .map((id) => jointAt(layout, id))
    .filter((at) => at !== undefined)
    .map((at) => ({ x: at.x - JOINT_ROOM, y: at.y - JOINT_ROOM, width: 2 * JOINT_ROOM, height: 2 * JOINT_ROOM }));
}

/** Where a joint is plugged or cracked on the sheet. */
export function jointAt(layout: Layout, jointId: string): { x: number; y: number } | undefined {
  return layout.sheet.stretches.flatMap((s) => s.plugs).find((p) => p.jointId === jointId)?.at;
}
