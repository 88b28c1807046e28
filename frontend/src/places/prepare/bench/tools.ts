/** What the hand holds at the bench: something to be put on the sheet, on a face, or in a row. */
import type { FieldSpec, KindSpec, OpenFace, Picture, RowEnd } from "@/api/client";

export type Tool =
  { does: "place"; kind: string } | { does: "part" | "house"; what: string; label: string };

export interface Offered {
  does: "part" | "house";
  what: string;
  label: string;
}

/** What may be put on the faces of the sheet and at the ends of its rows, each once, by name. */
export function offered(picture: Picture | null, kinds: readonly KindSpec[]): Offered[] {
  const labels = new Map(kinds.flatMap(({ fields }) => addedIn(fields)));
  const all = (does: Offered["does"], from: readonly (OpenFace | RowEnd)[]): Offered[] =>
    [...new Set(from.flatMap(({ takes }) => takes))].flatMap((what) => {
      const label = labels.get(what);
      return label ? [{ does, what, label }] : [];
    });
  return [...all("house", picture?.row_ends ?? []), ...all("part", picture?.faces ?? [])];
}

function addedIn(fields: readonly FieldSpec[]): [string, string][] {
  return fields.flatMap(({ added, fields: inner }) => [
    ...added.map(({ value, label }): [string, string] => [value, label]),
    ...addedIn(inner),
  ]);
}
