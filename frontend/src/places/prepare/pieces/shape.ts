import type { Outline, XY } from "@/api/client";
import { rounded } from "@/ui/measures";

/** A shape's loops: first its corners, then those of its holes. */
export function loopsOf(shape: Outline): XY[][] {
  return [shape.corners, ...(shape.holes ?? [])] as XY[][];
}

function withLoops(shape: Outline, [corners = [], ...holes]: XY[][]): Outline {
  return { ...shape, corners, holes };
}

/** How wide and high the face is in the measures of its corners. */
export function faceOf(shape: Outline): { width: number; height: number } {
  const { width_mm: width, height_mm: height } = shape.face ??
    shape.front ?? {
      width_mm: 1,
      height_mm: 1,
    };
  return { width, height };
}

function changed(loops: XY[][], loop: number, change: (places: XY[]) => XY[]): XY[][] {
  return loops.map((places, i) => (i === loop ? change([...places]) : places));
}

/** One corner moved to a place, rounded and kept on the face. */
export function cornerMoved(
  shape: Outline,
  [loop, corner]: [number, number],
  to: XY,
  step: number,
): Outline {
  const { width, height } = faceOf(shape);
  const within = (mm: number, most: number) => Math.max(0, Math.min(most, rounded(mm, step)));
  const place: XY = [within(to[0], width), within(to[1], height)];
  return withLoops(
    shape,
    changed(loopsOf(shape), loop, (places) => places.map((one, i) => (i === corner ? place : one))),
  );
}

/** A new corner in the middle of the side that begins at a corner. */
export function sideParted(shape: Outline, [loop, corner]: [number, number]): Outline {
  return withLoops(
    shape,
    changed(loopsOf(shape), loop, (places) => {
      const [[x0, y0], [x1, y1]] = sideFrom(places, corner);
      places.splice(corner + 1, 0, [rounded((x0 + x1) / 2, 0.5), rounded((y0 + y1) / 2, 0.5)]);
      return places;
    }),
  );
}

/** Without a corner; the shape as it was when only three are left. */
export function cornerGone(shape: Outline, [loop, corner]: [number, number]): Outline {
  const loops = loopsOf(shape);
  if ((loops[loop]?.length ?? 0) <= 3) return shape;
  return withLoops(
    shape,
    changed(loops, loop, (places) => places.filter((_, i) => i !== corner)),
  );
}

/** The side of a loop that begins at a corner. */
export function sideFrom(places: readonly XY[], corner: number): [XY, XY] {
  return [places[corner] ?? [0, 0], places[(corner + 1) % places.length] ?? [0, 0]];
}

/** A shape's corners spread over a front of another size; those on a face of its own stay. */
export function stretched(shape: Outline, before: Outline): Outline {
  if (shape.face || !shape.front || !before.front) return shape;
  const across = shape.front.width_mm / before.front.width_mm;
  const down = shape.front.height_mm / before.front.height_mm;
  const spread = (loop: readonly (readonly number[])[]) =>
    loop.map(([x = 0, y = 0]): XY => [rounded(x * across, 0.5), rounded(y * down, 0.5)]);
  return { ...shape, corners: spread(shape.corners), holes: (shape.holes ?? []).map(spread) };
}

/** Corners as they are typed: "0 60, 40 0, 80 60"; null when they are not pairs of numbers. */
export function cornersFrom(text: string): XY[] | null {
  const places = text
    .split(/[,;\n]+/)
    .map((pair) => pair.trim().split(/\s+/).filter(Boolean).map(Number))
    .filter((pair) => pair.length > 0);
  const whole = places.every((pair) => pair.length === 2 && pair.every(Number.isFinite));
  return whole && places.length > 2 ? (places as XY[]) : null;
}

export function cornersText(corners: readonly (readonly number[])[]): string {
  return corners.map((place) => place.join(" ")).join(", ");
}
