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

/** The cut's value that belongs to a place on its guide line; null where it is not dragged. */
export function cutAt(grip: Grip, [x, y]: XY, step: number): number | null {
  const [sx, sy] = grip.start;
  const [gx, gy] = grip.goal;
  const way = Math.hypot(gx - sx, gy - sy);
  const along = ((x - sx) * (gx - sx) + (y - sy) * (gy - sy)) / way;
  if (grip.way === "x_mm")
    return clamped(rounded(x, step), Math.min(sx, gx), Math.max(sx, gx), step);
  if (grip.way === "along_mm" || grip.way === "length_mm")
    return clamped(rounded(along, step), 0, way, step);
  if (grip.way === "fraction")
    return Math.min(0.95, Math.max(0.05, rounded(along / way, step < 1 ? 0.001 : 0.05)));
  return null;
}

function clamped(value: number, low: number, high: number, step: number): number {
  return Math.min(high - Math.min(step, 1), Math.max(low + Math.min(step, 1), value));
}
