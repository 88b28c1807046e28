import { expect, test } from "vitest";
import { withPart } from "./parts";

const parts = [{ id: "panes" }, { id: "door" }];

test("one part is changed or taken away, the others stay as they are", () => {
  expect(withPart(parts, 1, { id: "door", height_mm: 40 })).toEqual([
    { id: "panes" },
    { id: "door", height_mm: 40 },
  ]);
  expect(withPart(parts, 0, null)).toEqual([{ id: "door" }]);
  expect(withPart(parts, 0, null)[0]).toBe(parts[1]);
});
