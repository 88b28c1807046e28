import type { XY } from "@/api/client";

const INSIDE_MM = 4;

/** Where the way from the sheet's middle to a point leaves the sheet; null for a point on it. */
export function edgeTarget([x, y]: XY, width: number, height: number) {
  if (x >= 0 && y >= 0 && x <= width && y <= height) return null;
  const [dx, dy] = [x - width / 2, y - height / 2];
  const across = Math.abs(dx) / (width / 2 - INSIDE_MM);
  const down = Math.abs(dy) / (height / 2 - INSIDE_MM);
  const share = 1 / Math.max(across, down);
  const at: XY = [width / 2 + dx * share, height / 2 + dy * share];
  const out_mm = Math.hypot(Math.max(0, -x, x - width), Math.max(0, -y, y - height));
  const anchor = at[0] < width * 0.2 ? "start" : at[0] > width * 0.8 ? "end" : "middle";
  return { at, out_mm, anchor };
}
