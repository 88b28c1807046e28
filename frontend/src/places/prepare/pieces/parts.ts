/** Things in a piece, as windows in a house: each is edited by the fields that the core tells of. */
import type { FieldSpec, Piece } from "@/api/client";
import type { Told } from "./kinds";

export type Part = { id: string } & Record<string, unknown>;

/** A part in the shape that a form of fields is built from; one like another has only its gap. */
export function toldOfPart(part: Part, field: FieldSpec): Told {
  const fields = part.like ? field.fields.filter(({ path }) => path[0] === "gap") : field.fields;
  const none = { name: "", tells: "id", systems: [1, 2, 3], sized: ["", ""] as [string, string] };
  return {
    piece: part as unknown as Piece,
    kind: { kind: "part", name: "", several: "", add: "", fields, forms: [] },
    form: { ...none, fields: [] },
  };
}

/** The parts with one of them changed, or gone. */
export function withPart(parts: readonly Part[], at: number, part: Part | null): Part[] {
  return parts.flatMap((one, k) => (k === at ? (part ? [part] : []) : [one]));
}
