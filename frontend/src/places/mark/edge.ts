import type { XY } from "@/api/client";

/** The place on a sheet nearest to a point that lies off it; null for a point on it. */
export function edgeTarget([x, y]: XY, width: number, height: number, inside_mm: number) {
  if (x >= 0 && y >= 0 && x <= width && y <= height) return null;
  const within = (value: number, size: number) =>
    Math.max(inside_mm, Math.min(size - inside_mm, value));
  const at: XY = [within(x, width), within(y, height)];
  const out_mm = Math.hypot(Math.max(0, -x, x - width), Math.max(0, -y, y - height));
  const anchor = at[0] < width * 0.2 ? "start" : at[0] > width * 0.8 ? "end" : "middle";
  return { at, out_mm, anchor };
}

/**
 * How a line passes a target whose rings are degrees: a chord of a circle of `radius`, `perDegree`
 * from the middle for each degree that the line (`from`, `to`) is turned from the way to `point`.
 */
export function passing(from: XY, to: XY, point: XY, perDegree: number, radius: number): [XY, XY] {
  const way: XY = [point[0] - (from[0] + to[0]) / 2, point[1] - (from[1] + to[1]) / 2];
  const line: XY = [to[0] - from[0], to[1] - from[1]];
  const cross = way[0] * line[1] - way[1] * line[0];
  const dot = way[0] * line[0] + way[1] * line[1];
  const turned_deg = (Math.atan(cross / (dot || 1e-9)) * 180) / Math.PI;
  const off = Math.max(-radius, Math.min(radius, turned_deg * perDegree));
  const half = Math.sqrt(radius ** 2 - off ** 2);
  const size = Math.hypot(...way) || 1;
  const [ux, uy] = [way[0] / size, way[1] / size];
  const middle: XY = [-uy * off, ux * off];
  return [
    [middle[0] - ux * half, middle[1] - uy * half],
    [middle[0] + ux * half, middle[1] + uy * half],
  ];
}
