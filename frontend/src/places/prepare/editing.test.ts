import { expect, test } from "vitest";
import type { Grip } from "@/api/client";
import {
  boxAt,
  cutAt,
  freeId,
  newExercise,
  pieceMovedTo,
  pieceSizedTo,
  withValue,
} from "./editing";

test("a new value leaves the old document as it was", () => {
  const old = { view: { eye_level_mm: 1 }, pieces: [{ id: "a" }, { id: "b" }] };
  const changed = withValue(old, ["pieces", 1, "id"], "c");
  expect(changed.pieces.map((piece) => piece.id)).toEqual(["a", "c"]);
  expect(old.pieces[1]?.id).toBe("b");
  expect(changed.view).toBe(old.view);
});

test("a box stands on the ground below the eye level and floats above it", () => {
  const doc = newExercise(1);
  expect(boxAt(doc, [101, 221], 5)).toMatchObject({
    standing: "ground",
    front: { x_mm: 100, y_mm: 170, width_mm: 50, height_mm: 50 },
  });
  expect(boxAt(doc, [100, 90], 5).standing).toBe("floating");
  expect(boxAt(newExercise(2), [200, 250], 5).edge).toEqual({
    x_mm: 200,
    top_mm: 200,
    bottom_mm: 250,
  });
});

test("names are never given twice", () => {
  const doc = newExercise(1);
  const first = boxAt(doc, [10, 200], 5);
  expect(freeId({ ...doc, pieces: [first] })).toBe("box 2");
});

test("moving keeps the size and sizing keeps the place", () => {
  const box = boxAt(newExercise(1), [100, 250], 5);
  expect(pieceMovedTo(box, [33, 44], 5).front).toEqual({
    x_mm: 35,
    y_mm: 45,
    width_mm: 50,
    height_mm: 50,
  });
  expect(pieceSizedTo(box, [0, 0], 5).front).toMatchObject({ width_mm: 5, height_mm: 5 });
});

test.each([
  ["along_mm", 40],
  ["x_mm", 40],
  ["fraction", 0.4],
  ["true_mm", null],
] as const)("a cut given by %s is dragged along its guide line", (way, value) => {
  const grip: Grip = { piece: "a", field: "depth", way, start: [0, 0], goal: [100, 0], at: [1, 0] };
  expect(cutAt(grip, [41, 3], 5)).toBe(value);
});
