import { expect, test } from "vitest";
import type { Grip } from "@/api/client";
import {
  anchorOf,
  cornersFrom,
  cornersText,
  cutAt,
  freeId,
  newExercise,
  pieceAt,
  pieceMovedTo,
  pieceSizedTo,
  ranTo,
  sizeCornerOf,
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
  expect(pieceAt(doc, "box", [101, 221], 5)).toMatchObject({
    standing: "ground",
    front: { x_mm: 100, y_mm: 170, width_mm: 50, height_mm: 50 },
  });
  expect(pieceAt(doc, "box", [100, 90], 5).standing).toBe("floating");
  expect(pieceAt(newExercise(2), "box", [200, 250], 5).edge).toEqual({
    x_mm: 200,
    top_mm: 200,
    bottom_mm: 250,
  });
});

test("names are never given twice", () => {
  const doc = newExercise(1);
  const first = pieceAt(doc, "box", [10, 200], 5);
  expect(freeId({ ...doc, pieces: [first] })).toBe("box 2");
});

test("moving keeps the size and sizing keeps the place", () => {
  const box = pieceAt(newExercise(1), "box", [100, 250], 5);
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

test("in three points a piece hangs on its upper end and the line to the third point", () => {
  const doc = newExercise(3);
  const tower = pieceAt(doc, "box", [200, 250], 5);
  expect(tower.edge).toEqual({ x_mm: 200, y_mm: 200, length_mm: 50 });
  expect(anchorOf(tower)).toEqual([200, 200]);
  expect(sizeCornerOf(tower)).toBeNull();
  expect(pieceMovedTo(tower, [161, 99], 5).edge).toEqual({
    x_mm: 160,
    y_mm: 100,
    length_mm: 50,
  });
  const grip = { piece: "box 1", field: "edge", way: "length_mm", start: [200, 200] } as Grip;
  expect(cutAt({ ...grip, goal: [200, 9000], at: [200, 250] }, [204, 283], 5)).toBe(85);
});

test("a round thing has a name and an axis of its own", () => {
  const drum = pieceAt(newExercise(1), "cylinder", [100, 220], 5);
  expect(drum).toMatchObject({ kind: "cylinder", id: "drum 1", axis: "up" });
  expect(anchorOf(drum)).toEqual([100, 170]);
  expect(sizeCornerOf(drum)).toEqual([150, 220]);
});

test("a word is placed by its height, and sized without a width", () => {
  const word = pieceAt(newExercise(1), "letters", [100, 220], 5);
  expect(word).toMatchObject({ kind: "letters", front: { x_mm: 100, y_mm: 170, height_mm: 50 } });
  expect(pieceSizedTo(word, [300, 240], 5).front).toEqual({
    x_mm: 100,
    y_mm: 170,
    height_mm: 70,
  });
  expect(sizeCornerOf(word)).toEqual([100, 220]);
  const sided = pieceAt(newExercise(2), "letters", [200, 250], 5);
  expect(sided).toMatchObject({ run: "right", edge: { x_mm: 200, top_mm: 200, bottom_mm: 250 } });
});

test("a shape's corners are spread over its new front, and read as they are written", () => {
  const shape = pieceAt(newExercise(1), "outline", [100, 220], 5);
  const wide = pieceSizedTo(shape, [200, 270], 5);
  expect(wide).toMatchObject({
    corners: [
      [0, 100],
      [0, 50],
      [50, 0],
      [100, 50],
      [100, 100],
    ],
  });
  if (wide.kind === "outline") expect(cornersFrom(cornersText(wide.corners))).toEqual(wide.corners);
  expect(cornersFrom("0 0, 1")).toBeNull();
  expect(cornersFrom("0 0, 5 5")).toBeNull();
});

test("a word turned to the other side keeps its measures, but none from the sheet's edge", () => {
  const word = pieceAt(newExercise(2), "letters", [200, 250], 5);
  if (word.kind !== "letters") throw new Error(word.kind);
  const turned = ranTo({ ...word, length: { x_mm: 340 }, thickness: { along_mm: 30 } }, "left");
  expect(turned).toMatchObject({ run: "left", length: { fraction: 0.4 } });
  expect(turned.thickness).toEqual({ along_mm: 30 });
});
