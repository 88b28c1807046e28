/** Cuts: how far a face goes back, in one of the ways that teachers have. */
import type { Cut, Grip, XY } from "@/api/client";
import { rounded } from "@/ui/measures";

const CUT_WAYS = ["along_mm", "x_mm", "fraction", "true_mm"] as const;
export type CutWay = (typeof CUT_WAYS)[number];

/** The one measure of a cut, with the way it is given. */
export function cutWay(cut: Cut): { way: CutWay; value: number } {
  for (const way of CUT_WAYS) {
    const value = cut[way];
    if (value !== null && value !== undefined) return { way, value };
  }
  return { way: "fraction", value: 0.3 };
}

export function cutOf(way: CutWay, value: number, from?: Cut["from"]): Cut {
  return from ? { [way]: value, from } : { [way]: value };
}

/** What a cut measures in each way where its grip is now, so that changing the way starts near it. */
export function nearOf(grip: Grip | undefined, true_mm = 50): Record<CutWay, number> {
  if (!grip) return { along_mm: 30, x_mm: 30, fraction: 0.3, true_mm };
  const along = Math.hypot(grip.at[0] - grip.start[0], grip.at[1] - grip.start[1]);
  const way = Math.hypot(grip.goal[0] - grip.start[0], grip.goal[1] - grip.start[1]);
  const half = (mm: number) => Math.round(mm * 2) / 2;
  return {
    along_mm: Math.max(0.5, half(along)),
    x_mm: half(grip.at[0]),
    fraction: Math.min(0.99, Math.max(0.01, Math.round((along / way) * 100) / 100)),
    true_mm,
  };
}

/** The value that belongs to a place of the hand; null where it is not dragged. */
export function valueAtPlace(grip: Grip, to: XY, step: number): number | null {
  const [sx, sy] = grip.start;
  const [gx, gy] = grip.goal;
  const way = Math.hypot(gx - sx, gy - sy);
  if (grip.reads === "down") return rounded(to[1], step);
  if (grip.reads === "stops") return nearestStop(grip, to);
  if (grip.reads === "across") {
    const x = rounded(to[0], step);
    return sx === gx ? x : clamped(x, Math.min(sx, gx), Math.max(sx, gx), step);
  }
  const along = ((to[0] - sx) * (gx - sx) + (to[1] - sy) * (gy - sy)) / way;
  if (grip.reads === "along") return clamped(rounded(along, step), 0, way, step);
  if (grip.reads === "share")
    return Math.min(0.95, Math.max(0.05, rounded(along / way, step < 1 ? 0.001 : 0.05)));
  return null;
}

/** A count goes by one for a key, whichever way its stops lie. */
export function valueByKey(grip: Grip, to: XY, step: number): number | null {
  if (grip.reads !== "stops") return valueAtPlace(grip, to, step);
  const [ax, ay] = grip.at;
  const onward =
    (to[0] - ax) * (grip.goal[0] - grip.start[0]) + (to[1] - ay) * (grip.goal[1] - grip.start[1]);
  const now = nearestStop(grip, grip.at) ?? 1;
  const most = Math.max(...grip.stops.map(([, value]) => value));
  return Math.min(most, Math.max(1, onward < 0 ? now + 1 : now - 1));
}

function nearestStop(grip: Grip, [x, y]: XY): number | null {
  const far = (stop: XY) => Math.hypot(stop[0] - x, stop[1] - y);
  return grip.stops.reduce((best, one) => (far(one[0]) < far(best[0]) ? one : best))[1];
}

function clamped(value: number, low: number, high: number, step: number): number {
  return Math.min(high - Math.min(step, 1), Math.max(low + Math.min(step, 1), value));
}
