import { expect, test } from "vitest";
import { withValue } from "./editing";

test("a new value leaves the old document as it was", () => {
  const old = { view: { eye_level_mm: 1 }, pieces: [{ id: "a" }, { id: "b" }] };
  const changed = withValue(old, ["pieces", 1, "id"], "c");
  expect(changed.pieces.map((piece) => piece.id)).toEqual(["a", "c"]);
  expect(old.pieces[1]?.id).toBe("b");
  expect(changed.view).toBe(old.view);
});
