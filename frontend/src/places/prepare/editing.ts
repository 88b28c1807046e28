/** Changes to an exercise document, each returning a new one. No rule of perspective lives here. */
import type { Box, Cut, Exercise, Grip, XY } from "@/api/client";
import { rounded } from "@/ui/measures";

type Path = readonly (string | number)[];

/** The document with a new value at a path. */
export function withValue<Doc>(doc: Doc, path: Path, value: unknown): Doc {
  const [head, ...rest] = path;
  if (head === undefined) return value as Doc;
  const copy = (Array.isArray(doc) ? [...doc] : { ...doc }) as Record<string | number, unknown>;
  copy[head] = withValue(copy[head], rest, value);
  return copy as Doc;
}

/** The one measure of a cut, with the way it is given. */
export function cutWay(cut: Cut): { way: CutWay; value: number } {
  for (const way of CUT_WAYS) {
    const value = cut[way];
    if (value !== null && value !== undefined) return { way, value };
  }
  return { way: "fraction", value: 0.3 };
}

export const CUT_WAYS = ["along_mm", "x_mm", "fraction", "true_mm"] as const;
export type CutWay = (typeof CUT_WAYS)[number];

export function cutOf(way: CutWay, value: number, from?: Cut["from"]): Cut {
  return from ? { [way]: value, from } : { [way]: value };
}

/** The cut's value that belongs to a place on its guide line; null where it is not dragged. */
export function cutAt(grip: Grip, [x, y]: XY, step: number): number | null {
  const [sx, sy] = grip.start;
  const [gx, gy] = grip.goal;
  const way = Math.hypot(gx - sx, gy - sy);
  const along = ((x - sx) * (gx - sx) + (y - sy) * (gy - sy)) / way;
  if (grip.way === "x_mm")
    return clamped(rounded(x, step), Math.min(sx, gx), Math.max(sx, gx), step);
  if (grip.way === "along_mm") return clamped(rounded(along, step), 0, way, step);
  if (grip.way === "fraction")
    return Math.min(0.95, Math.max(0.05, rounded(along / way, step < 1 ? 0.001 : 0.05)));
  return null;
}

function clamped(value: number, low: number, high: number, step: number): number {
  return Math.min(high - Math.min(step, 1), Math.max(low + Math.min(step, 1), value));
}

/** A name that no piece has yet: "box 1", "box 2" … */
export function freeId(doc: Exercise): string {
  const taken = new Set((doc.pieces ?? []).map((piece) => piece.id));
  let number = 1;
  while (taken.has(`box ${number}`)) number += 1;
  return `box ${number}`;
}

/** A new box whose nearest corner stands at a place; on the ground below the eye level. */
export function boxAt(doc: Exercise, [x, y]: XY, step: number): Box {
  const [cx, cy] = [rounded(x, step), rounded(y, step)];
  const onGround = cy > doc.view.eye_level_mm + step;
  const base = {
    kind: "box" as const,
    id: freeId(doc),
    standing: onGround ? ("ground" as const) : ("floating" as const),
    transparent: false,
  };
  const size = 10 * step;
  if (doc.view.kind === "one-point") {
    const front = { x_mm: cx, y_mm: rounded(cy - size, step), width_mm: size, height_mm: size };
    return { ...base, front, depth: { fraction: 0.3 } };
  }
  const edge = { x_mm: cx, top_mm: rounded(cy - size, step), bottom_mm: cy };
  return { ...base, edge, left: { fraction: 0.3 }, right: { fraction: 0.3 } };
}

/** A piece moved so that its anchor lies at a place. */
export function pieceMovedTo(piece: Box, [x, y]: XY, step: number): Box {
  if (piece.front) {
    return {
      ...piece,
      front: { ...piece.front, x_mm: rounded(x, step), y_mm: rounded(y, step) },
    };
  }
  if (!piece.edge) return piece;
  const top = rounded(y, step);
  const height = piece.edge.bottom_mm - piece.edge.top_mm;
  return { ...piece, edge: { x_mm: rounded(x, step), top_mm: top, bottom_mm: top + height } };
}

/** A piece whose lower (right) corner lies at a place. */
export function pieceSizedTo(piece: Box, [x, y]: XY, step: number): Box {
  if (piece.front) {
    const width = Math.max(step, rounded(x - piece.front.x_mm, step));
    const height = Math.max(step, rounded(y - piece.front.y_mm, step));
    return { ...piece, front: { ...piece.front, width_mm: width, height_mm: height } };
  }
  if (!piece.edge) return piece;
  const bottom = Math.max(piece.edge.top_mm + step, rounded(y, step));
  return { ...piece, edge: { ...piece.edge, bottom_mm: bottom } };
}

/** An empty sheet to begin with. */
export function newExercise(points: 1 | 2): Exercise {
  const start = {
    format: "orthopsis-exercise" as const,
    version: 1 as const,
    title: points === 1 ? "New one-point exercise" : "New two-point exercise",
    sheet: { size: "A3" as const, orientation: "landscape" as const, frame_mm: 0 },
    wording: { units: "cm" as const, line: "eye level" as const, spelling: "UK" as const },
    given: "measures" as const,
    views: {},
    pieces: [],
  };
  return points === 1
    ? {
        ...start,
        view: {
          kind: "one-point",
          eye_level_mm: 150,
          vanishing_point_mm: 210,
          viewing_distance_mm: 360,
        },
      }
    : {
        ...start,
        view: { kind: "two-point", eye_level_mm: 150, left_vp_mm: -120, right_vp_mm: 540 },
      };
}
