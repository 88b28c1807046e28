/**
 * Pieces by what the core tells of their kinds: no kind and no way of placing is named here. A field
 * is known by its role, and where it stands by its path.
 */
import type { Exercise, FieldSpec, FormSpec, KindSpec, Outline, Piece, XY } from "@/api/client";
import { formatMeasure, rounded, type Units } from "@/ui/measures";
import { withValue } from "../document/editing";
import { stretched } from "./shape";

/** A piece with what is told of its kind and of the way it is placed. */
export interface Told {
  piece: Piece;
  kind: KindSpec;
  form: FormSpec;
}

/** Null while the kinds are not here yet. */
export function toldOf(kinds: readonly KindSpec[], piece: Piece): Told | null {
  const kind = kinds.find((one) => one.kind === piece.kind);
  const form = kind?.forms.find((one) => valueAt(piece, [one.tells]) !== null);
  return kind && form ? { piece, kind, form } : null;
}

/** What stands at a path of a piece; null where nothing does. */
export function valueAt(piece: Piece, path: readonly string[]): unknown {
  let value: unknown = piece;
  for (const name of path) value = (value as Record<string, unknown> | null | undefined)?.[name];
  return value ?? null;
}

function numberAt(piece: Piece, path: readonly string[]): number | null {
  const value = valueAt(piece, path);
  return typeof value === "number" ? value : null;
}

/** How many vanishing points a document's view has. */
export function pointsOf({ view }: Exercise): number {
  return { "one-point": 1, "two-point": 2, "three-point": 3 }[view.kind];
}

/** The kinds that can stand in a view with so many vanishing points. */
export function kindsFor(kinds: readonly KindSpec[], points: number): KindSpec[] {
  return kinds.filter(({ forms }) => forms.some(({ systems }) => systems.includes(points)));
}

/** The fields that have something to show, those with an editor of their own first. */
export function fieldsOf({ piece, kind, form }: Told): FieldSpec[] {
  const parts = kind.fields.filter(({ editor }) => editor === "parts");
  const special = kind.fields.filter(({ editor }) => editor !== "" && editor !== "parts");
  const plain = kind.fields.filter(({ editor }) => editor === "");
  return [...special, ...form.fields, ...plain, ...parts].filter(
    (field) =>
      ofItsKind(piece, field) &&
      (field.editor === "switch" || !field.optional || valueAt(piece, field.path) !== null),
  );
}

/** Whether a thing that may be of several kinds has the field as it is now. */
function ofItsKind(piece: Piece, { path, only }: FieldSpec): boolean {
  if (!only.length) return true;
  const beside = valueAt(piece, [...path.slice(0, -1), "kind"]);
  // A part says its kind itself, also for what its fields are made of.
  const own = "uid" in piece ? null : valueAt(piece, ["kind"]);
  return only.includes(String(beside ?? own ?? only[0]));
}

/** What the piece shows: its word; empty where it shows none. */
export function textOf({ piece, kind }: Told): string {
  const field = kind.fields.find(({ role }) => role === "text");
  return field ? String(valueAt(piece, field.path) ?? "") : "";
}

const sum = (mm: number, more: number) => Number((mm + more).toFixed(4));

/** The place that a piece is taken hold of; null where it goes with another. */
export function anchorOf({ piece, form }: Told): XY | null {
  const first = (role: FieldSpec["role"]) =>
    form.fields
      .filter((field) => field.role === role)
      .map(({ path }) => numberAt(piece, path))
      .find((mm) => mm !== null);
  const [across, down] = [first("across"), first("down")];
  return across === undefined || down === undefined ? null : [across, down];
}

/** The measures that the corner opposite the anchor sets, across and down. */
function sizes({ piece, form }: Told) {
  return form.sized.map((told) => {
    const field = form.fields.find(({ path }) => path.join(".") === told);
    const mm = field ? numberAt(piece, field.path) : null;
    return field && mm !== null ? { field, mm, isLength: field.role === "length" } : null;
  });
}

/** The corner that sizes a piece; null where a length along a slanting edge does. */
export function sizeCornerOf(told: Told): XY | null {
  const anchor = anchorOf(told);
  const both = sizes(told);
  if (!anchor || both.every((one) => one === null)) return null;
  const [x = anchor[0], y = anchor[1]] = both.map((one, axis) => {
    const from = anchor[axis] ?? 0;
    if (!one) return from;
    return one.isLength ? from + one.mm : one.mm;
  });
  return [x, y];
}

/** A piece moved so that its anchor lies at a place. */
export function movedTo(told: Told, to: XY, step: number): Piece {
  const anchor = anchorOf(told);
  if (!anchor) return told.piece;
  const way = { across: rounded(to[0], step) - anchor[0], down: rounded(to[1], step) - anchor[1] };
  let piece = told.piece;
  for (const { path, role } of told.form.fields) {
    const mm = numberAt(piece, path);
    if (mm !== null && (role === "across" || role === "down"))
      piece = withValue(piece, path, sum(mm, way[role]));
  }
  return piece;
}

/** A piece at another place, and all that stands on it as far from there: each with its number. */
export function movedWith(
  kinds: readonly KindSpec[],
  pieces: readonly Piece[],
  told: Told,
  to: XY,
  step: number,
): [number, Piece][] {
  const there = movedTo(told, to, step);
  const [before, after] = [anchorOf(told), anchorOf({ ...told, piece: there })];
  const number = pieces.indexOf(told.piece);
  if (!before || !after) return [[number, there]];
  const way: XY = [after[0] - before[0], after[1] - before[1]];
  const upon = pieces.flatMap((piece) => {
    const own = piece.on?.split("/")[0] === told.piece.id ? toldOf(kinds, piece) : null;
    const at = own && anchorOf(own);
    if (!own || !at) return [];
    return movedWith(kinds, pieces, own, [at[0] + way[0], at[1] + way[1]], FINE_MM);
  });
  return [[number, there], ...upon];
}

/** Finer than any hand: what goes with another is not rounded anew. */
const FINE_MM = 0.0001;

/** A piece whose corner opposite the anchor lies at a place. */
export function sizedTo(told: Told, to: XY, step: number): Piece {
  const anchor = anchorOf(told);
  if (!anchor) return told.piece;
  let piece = told.piece;
  sizes(told).forEach((one, axis) => {
    if (!one) return;
    const [from, there] = [anchor[axis] ?? 0, to[axis] ?? 0];
    const mm = one.isLength
      ? Math.max(step, rounded(there - from, step))
      : Math.max(from + step, rounded(there, step));
    piece = withValue(piece, one.field.path, mm);
  });
  const byCorners = told.kind.fields.some(({ editor }) => editor === "corners");
  return byCorners ? stretched(piece as Outline, told.piece as Outline) : piece;
}

/** Its lengths on the paper, as far as the form gives any; what is nought is no length. */
export function lengthsOf(told: Told): number[] {
  const anchor = anchorOf(told);
  const sized = sizes(told).flatMap((one, axis) => {
    if (!one) return [];
    return [one.isLength ? one.mm : one.mm - (anchor?.[axis] ?? 0)];
  });
  if (sized.length) return sized;
  return told.form.fields.flatMap(({ role, path }) => {
    const mm = role === "length" ? numberAt(told.piece, path) : null;
    return mm ? [mm] : [];
  });
}

/** A piece in a few words: its word, what it goes with, or how large it is. */
export function summaryOf(told: Told, units: Units): string {
  const reference = told.form.fields.find(({ role }) => role === "reference");
  if (reference) return `${reference.label} ${String(valueAt(told.piece, reference.path))}`;
  const word = textOf(told);
  if (word) return word;
  const lengths = lengthsOf(told).map((mm) => formatMeasure(mm, units, false));
  return lengths.length ? `${lengths.join(" × ")} ${units}` : "";
}
