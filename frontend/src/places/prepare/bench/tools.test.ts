import { expect, test } from "vitest";
import type { FieldSpec, KindSpec, OpenFace, Picture, RowEnd } from "@/api/client";
import { offered } from "./tools";

const field = (more: Partial<FieldSpec>): FieldSpec => ({
  path: ["parts"],
  label: "parts",
  role: "parts",
  optional: false,
  default: null,
  least: null,
  most: null,
  above: false,
  choices: [],
  editor: "parts",
  only: [],
  fields: [],
  added: [],
  ...more,
});
const named = (value: string, label: string) => ({ value, label, systems: [1, 2, 3] });
const kind = (fields: FieldSpec[]): KindSpec => ({
  kind: "a",
  name: "",
  several: "",
  add: "",
  fields,
  forms: [],
});
const face = (takes: string[]): OpenFace => ({
  piece: "a",
  member: "",
  name: "left",
  label: "left wall",
  outline: [],
  takes,
});
const end = (takes: string[]): RowEnd => ({ piece: "a", side: "left", at: [0, 0], takes });
const picture = (faces: OpenFace[], row_ends: RowEnd[]) => ({ faces, row_ends }) as Picture;

const KINDS = [
  kind([field({ added: [named("door", "Add a door"), named("sign", "Add a sign")] })]),
  // What a part of a part may have is found as well.
  kind([field({ fields: [field({ added: [named("house", "Next house")] })] })]),
];

test("what the sheet takes is offered once, houses first, by the names that the core gives", () => {
  const all = offered(picture([face(["door", "sign"]), face(["door"])], [end(["house"])]), KINDS);
  expect(all).toEqual([
    { does: "house", what: "house", label: "Next house" },
    { does: "part", what: "door", label: "Add a door" },
    { does: "part", what: "sign", label: "Add a sign" },
  ]);
});

test("nothing is offered that no face takes, that has no name, or before there is a picture", () => {
  expect(offered(picture([face(["nameless"])], []), KINDS)).toEqual([]);
  expect(offered(null, KINDS)).toEqual([]);
});
