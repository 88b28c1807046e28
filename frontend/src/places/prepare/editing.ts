/** Changes to an exercise document, each returning a new one. No rule of perspective lives here. */
import type { Cut, Exercise, Grip, Letters, Piece, XY } from "@/api/client";
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
  if (grip.way === "along_mm" || grip.way === "length_mm")
    return clamped(rounded(along, step), 0, way, step);
  if (grip.way === "fraction")
    return Math.min(0.95, Math.max(0.05, rounded(along / way, step < 1 ? 0.001 : 0.05)));
  return null;
}

function clamped(value: number, low: number, high: number, step: number): number {
  return Math.min(high - Math.min(step, 1), Math.max(low + Math.min(step, 1), value));
}

/** A name that no piece has yet: "box 1", "box 2" … */
export function freeId(doc: Exercise, kind: PieceKind = "box"): string {
  const taken = new Set((doc.pieces ?? []).map((piece) => piece.id));
  const word = KIND_WORDS[kind];
  let number = 1;
  while (taken.has(`${word} ${number}`)) number += 1;
  return `${word} ${number}`;
}

export type PieceKind = Piece["kind"];
/** What each kind is called on the bench. */
export const KIND_WORDS: Record<PieceKind, string> = {
  box: "box",
  cylinder: "drum",
  letters: "word",
  outline: "shape",
};

/** The cuts of a piece by the fields that hold them, in the order they are shown. */
export const CUT_FIELDS = ["depth", "left", "right", "length", "thickness", "street"] as const;
export type CutField = (typeof CUT_FIELDS)[number];

export function cutIn(piece: Piece, field: string): Cut | null {
  return ((piece as Record<string, unknown>)[field] as Cut | null | undefined) ?? null;
}

/** The block on whose lines a piece stands. */
export function stackOf(piece: Piece) {
  return "stack" in piece ? (piece.stack ?? null) : null;
}

/** How wide a piece's front is; the width of a word follows from its letters. */
export function frontWidthOf({ front }: Piece): number | null {
  return front && "width_mm" in front ? front.width_mm : null;
}

/** A new piece whose nearest corner stands at a place; on the ground below the eye level. */
export function pieceAt(doc: Exercise, kind: PieceKind, [x, y]: XY, step: number): Piece {
  const [cx, cy] = [rounded(x, step), rounded(y, step)];
  const onGround = cy > doc.view.eye_level_mm + step;
  const base = {
    id: freeId(doc, kind),
    standing: onGround ? ("ground" as const) : ("floating" as const),
    transparent: false,
  };
  const size = 10 * step;
  const top = rounded(cy - size, step);
  if (doc.view.kind === "one-point") {
    const front = { x_mm: cx, y_mm: top, width_mm: size, height_mm: size };
    const depth = { fraction: 0.3 };
    if (kind === "letters") return { ...FIRST_WORD, ...base, front: placed(front), depth };
    if (kind === "outline") return { ...gable(size), ...base, front, depth };
    return { ...solidOf(kind), ...base, front, depth };
  }
  const edge =
    doc.view.kind === "three-point"
      ? { x_mm: cx, y_mm: top, length_mm: size }
      : { x_mm: cx, top_mm: top, bottom_mm: cy };
  if (kind === "letters") {
    return { ...FIRST_WORD, ...base, edge, run: "right", ...FIRST_CUTS };
  }
  const sides = { edge, left: { fraction: 0.3 }, right: { fraction: 0.3 } };
  if (kind === "outline") {
    const face = { width_mm: size, height_mm: size };
    return { ...gable(size), ...base, ...sides, run: "left", face };
  }
  return { ...solidOf(kind), ...base, ...sides };
}

const FIRST_WORD = {
  kind: "letters" as const,
  text: "ABC",
  alphabet: "measured" as const,
  form: "block" as const,
  bands: 0,
  gap_mm: 10,
};

const FIRST_CUTS = { length: { fraction: 0.4 }, thickness: { fraction: 0.15 } };

/** A word along the other side; a cut measured from the sheet's edge would lie on the wrong one. */
export function ranTo(word: Letters, run: "left" | "right"): Letters {
  const own = (field: "length" | "thickness") => {
    const cut = word[field];
    return cut && cutWay(cut).way === "x_mm" ? FIRST_CUTS[field] : cut;
  };
  return { ...word, run, length: own("length"), thickness: own("thickness") };
}

function solidOf(kind: "box" | "cylinder") {
  return kind === "box" ? { kind } : { kind, axis: "up" as const };
}

/** A wall with a gable, to begin a shape with. */
function gable(size: number) {
  const corners: XY[] = [
    [0, size],
    [0, size / 2],
    [size / 2, 0],
    [size, size / 2],
    [size, size],
  ];
  return { kind: "outline" as const, corners, holes: [], bands: 0 };
}

/** A front without its width. */
function placed({ x_mm, y_mm, height_mm }: { x_mm: number; y_mm: number; height_mm: number }) {
  return { x_mm, y_mm, height_mm };
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

/** The place that a piece is taken hold of: its front's top left corner, its edge's upper end. */
export function anchorOf({ front, edge }: Piece): XY {
  if (front) return [front.x_mm, front.y_mm];
  return [edge?.x_mm ?? 0, edge?.top_mm ?? edge?.y_mm ?? 0];
}

/** The corner that sizes a piece; null where a length along a slanting edge does. */
export function sizeCornerOf(piece: Piece): XY | null {
  const { front, edge } = piece;
  if (front) return [front.x_mm + (frontWidthOf(piece) ?? 0), front.y_mm + front.height_mm];
  if (edge?.bottom_mm === null || edge?.bottom_mm === undefined) return null;
  return [edge.x_mm, edge.bottom_mm];
}

/** A piece moved so that its anchor lies at a place. */
export function pieceMovedTo(piece: Piece, [x, y]: XY, step: number): Piece {
  const [x_mm, top] = [rounded(x, step), rounded(y, step)];
  if (piece.front) return { ...piece, front: { ...piece.front, x_mm, y_mm: top } } as Piece;
  const { edge } = piece;
  if (!edge) return piece;
  if (edge.length_mm) return { ...piece, edge: { x_mm, y_mm: top, length_mm: edge.length_mm } };
  const height = (edge.bottom_mm ?? 0) - (edge.top_mm ?? 0);
  return { ...piece, edge: { x_mm, top_mm: top, bottom_mm: top + height } };
}

/** A piece whose lower (right) corner lies at a place. */
export function pieceSizedTo(piece: Piece, [x, y]: XY, step: number): Piece {
  if (piece.front) {
    const height_mm = Math.max(step, rounded(y - piece.front.y_mm, step));
    if (!("width_mm" in piece.front)) {
      return { ...piece, front: { ...piece.front, height_mm } } as Piece;
    }
    const width_mm = Math.max(step, rounded(x - piece.front.x_mm, step));
    const sized = { ...piece, front: { ...piece.front, width_mm, height_mm } } as Piece;
    return sized.kind === "outline" ? stretched(sized, piece.front) : sized;
  }
  const top = piece.edge?.top_mm;
  if (!piece.edge || top === null || top === undefined) return piece;
  const bottom = Math.max(top + step, rounded(y, step));
  return { ...piece, edge: { ...piece.edge, bottom_mm: bottom } };
}

/** A shape's corners spread over a front of another size. */
function stretched(
  shape: Extract<Piece, { kind: "outline" }>,
  before: { width_mm: number; height_mm: number },
): Piece {
  if (!shape.front || shape.face) return shape;
  const across = shape.front.width_mm / before.width_mm;
  const down = shape.front.height_mm / before.height_mm;
  const spread = (loop: readonly (readonly number[])[]) =>
    loop.map(([x = 0, y = 0]): XY => [rounded(x * across, 0.5), rounded(y * down, 0.5)]);
  return { ...shape, corners: spread(shape.corners), holes: (shape.holes ?? []).map(spread) };
}

export type PointCount = 1 | 2 | 3;

const FIRST_VIEWS: Record<PointCount, Exercise["view"]> = {
  1: {
    kind: "one-point",
    eye_level_mm: 150,
    vanishing_point_mm: 210,
    viewing_distance_mm: 360,
  },
  2: { kind: "two-point", eye_level_mm: 150, left_vp_mm: -120, right_vp_mm: 540 },
  3: {
    kind: "three-point",
    eye_level_mm: 40,
    left_vp_mm: -140,
    right_vp_mm: 560,
    third_vp_mm: [210, 540],
  },
};

/** An empty sheet to begin with. */
export function newExercise(points: PointCount): Exercise {
  return {
    format: "orthopsis-exercise" as const,
    version: 1 as const,
    title: `New ${["", "one", "two", "three"][points]}-point exercise`,
    sheet: { size: "A3" as const, orientation: "landscape" as const, frame_mm: 0 },
    wording: {
      units: "cm" as const,
      line: "eye level" as const,
      spelling: "UK" as const,
      reading: "full" as const,
      square: "set square" as const,
      far: "long ruler" as const,
    },
    given: "measures" as const,
    views: {},
    pieces: [],
    view: FIRST_VIEWS[points],
  };
}
