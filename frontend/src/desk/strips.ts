/** Paper taped on at the side of the sheet where a vanishing point lies outside it. */
const STRIP_MM = 24;
const BEYOND_MM = 10;
const TAPE_MM = 10;

interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface StripShape extends Rect {
  name: string;
  /** How far the point lies off the sheet. */
  out: number;
  tape: Rect;
  /** Whether the eye level runs on over it. */
  carriesLevel: boolean;
}

/** The strip for a point; null when it lies on the sheet. */
export function stripFor(
  point: { name: string; x_mm: number; y_mm: number },
  sheet: { width: number; height: number; eyeLevel: number },
): StripShape | null {
  const { x_mm: x, y_mm: y, name } = point;
  const across = Math.max(-x, x - sheet.width);
  const down = Math.max(-y, y - sheet.height);
  const out = Math.max(across, down);
  if (out <= 0) return null;
  const carriesLevel = y === sheet.eyeLevel;
  const half = STRIP_MM / 2;
  if (across >= down) {
    const inner = x < 0 ? 0 : sheet.width;
    const left = x < 0 ? x - BEYOND_MM : inner;
    const tape = { x: inner - TAPE_MM / 2, y: y - half - 3, width: TAPE_MM, height: STRIP_MM + 6 };
    const rect = { x: left, y: y - half, width: out + BEYOND_MM, height: STRIP_MM };
    return { ...rect, name, out, tape, carriesLevel };
  }
  const inner = y < 0 ? 0 : sheet.height;
  const top = y < 0 ? y - BEYOND_MM : inner;
  const tape = { x: x - half - 3, y: inner - TAPE_MM / 2, width: STRIP_MM + 6, height: TAPE_MM };
  const rect = { x: x - half, y: top, width: STRIP_MM, height: out + BEYOND_MM };
  return { ...rect, name, out, tape, carriesLevel };
}
