import { area, curveBumpX } from "d3-shape";
import type { Moment } from "../domain/types";

/** A band of the river: one suspect (or the rest) from moment to moment. */
export interface Current {
  id: string;
  lows: number[];
  highs: number[];
}

export const REST = "rest";

/** The few suspects that ever mattered, by what they weigh at the end, and the rest together; shares stacked from the top. */
export function currents(moments: Moment[], most: number): Current[] {
  const last = moments[moments.length - 1];
  if (!last) return [];
  const peak = new Map<string, number>();
  for (const moment of moments) {
    for (const share of moment.shares)
      peak.set(share.suspectId, Math.max(peak.get(share.suspectId) ?? 0, share.probability));
  }
  const now = new Map(last.shares.map((s) => [s.suspectId, s.probability]));
  const named = [...peak.keys()]
    .sort((a, b) => (peak.get(b) ?? 0) + 2 * (now.get(b) ?? 0) - (peak.get(a) ?? 0) - 2 * (now.get(a) ?? 0))
    .slice(0, most)
    .sort((a, b) => (now.get(b) ?? 0) - (now.get(a) ?? 0) || a.localeCompare(b));
  const result: Current[] = [...named, REST].map((id) => ({ id, lows: [], highs: [] }));
  for (const moment of moments) {
    let top = 0;
    for (const current of result) {
      const share = moment.shares.find((s) => s.suspectId === current.id)?.probability ?? 0;
      const next = current.id === REST ? 1 : Math.min(1, top + share);
      current.lows.push(top);
      current.highs.push(next);
      top = next;
    }
  }
  return result;
}

/** A closed path through the lows and back through the highs, softly curved. */
export function ribbon(current: Current, x: (moment: number) => number, y: (share: number) => number): string {
  return (
    area<number>()
      .x((_, moment) => x(moment))
      .y0((low) => y(low))
      .y1((_, moment) => y(current.highs[moment] ?? 0))
      .curve(curveBumpX)(current.lows) ?? ""
  );
}

export interface LabelPlace {
  band: Current;
  at: { x: number; y: number };
  anchor: "start" | "middle" | "end";
}

const WIDE_ENOUGH = 0.2;
const LABEL_WIDTH = 210;
const LABEL_HEIGHT = 17;

/** Where each band is written: where it is widest, if that holds a line of text and no other label is there; never past an end. */
export function labelPlaces(
  bands: Current[],
  x: (moment: number) => number,
  y: (share: number) => number,
): LabelPlace[] {
  const placed: LabelPlace[] = [];
  for (const band of bands) {
    if (band.lows.length < 2) continue;
    const spots = band.lows
      .map((low, i) => ({ i, low, width: (band.highs[i] ?? 0) - low }))
      .filter((spot) => spot.width >= WIDE_ENOUGH)
      .sort((a, b) => b.width - a.width);
    for (const spot of spots) {
      const here = x(spot.i);
      const [left, right] = [x(0), x(band.lows.length - 1)];
      const anchor = here + LABEL_WIDTH / 2 > right ? "end" : here - LABEL_WIDTH / 2 < left ? "start" : "middle";
      const at = {
        x: anchor === "start" ? left + 8 : anchor === "end" ? right - 8 : here,
        y: y(spot.low + spot.width / 2),
      };
      const free = placed.every((p) => Math.abs(p.at.x - at.x) > LABEL_WIDTH || Math.abs(p.at.y - at.y) > LABEL_HEIGHT);
      if (free) {
        placed.push({ band, at, anchor });
        break;
      }
    }
  }
  return placed;
}
