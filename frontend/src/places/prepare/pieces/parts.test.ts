import { expect, test } from "vitest";
import type { FieldSpec } from "@/api/client";
import { toldOfPart, withPart } from "./parts";

const parts = [{ id: "panes" }, { id: "door" }];

test("one part is changed or taken away, the others stay as they are", () => {
  expect(withPart(parts, 1, { id: "door", height_mm: 40 })).toEqual([
    { id: "panes" },
    { id: "door", height_mm: 40 },
  ]);
  expect(withPart(parts, 0, null)).toEqual([{ id: "door" }]);
  expect(withPart(parts, 0, null)[0]).toBe(parts[1]);
});

test("a house like another has only the gap before it, whatever its kind has", () => {
  const fields = [["gap"], ["roof", "kind"], ["length"]].map((path) => ({ path }) as FieldSpec);
  const field = { fields } as FieldSpec;
  const paths = (part: object) =>
    toldOfPart({ id: "dairy", ...part }, field).kind.fields.map((one) => one.path.join("."));
  expect(paths({ like: "shop" })).toEqual(["gap"]);
  expect(paths({})).toEqual(["gap", "roof.kind", "length"]);
});
