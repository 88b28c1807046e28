import { expect, test } from "vitest";
import type { Outline } from "@/api/client";
import { cornerGone, cornerMoved, faceOf, loopsOf, sideParted } from "./shape";

const gable = {
  kind: "outline",
  id: "g",
  front: { x_mm: 5, y_mm: 5, width_mm: 40, height_mm: 60 },
  corners: [
    [0, 60],
    [20, 0],
    [40, 60],
  ],
  holes: [
    [
      [10, 50],
      [20, 30],
      [30, 50],
    ],
  ],
} as unknown as Outline;

test("a corner is moved in steps and stays on the face", () => {
  expect(cornerMoved(gable, [0, 1], [23, 4], 5).corners[1]).toEqual([25, 5]);
  expect(cornerMoved(gable, [0, 2], [99, -3], 5).corners[2]).toEqual([40, 0]);
  expect(loopsOf(cornerMoved(gable, [1, 0], [12, 44], 1))[1]?.[0]).toEqual([12, 44]);
  expect(gable.corners[1], "the old shape stays").toEqual([20, 0]);
});

test("a side is parted in its middle, the last one too", () => {
  expect(sideParted(gable, [0, 0]).corners).toEqual([
    [0, 60],
    [10, 30],
    [20, 0],
    [40, 60],
  ]);
  expect(sideParted(gable, [0, 2]).corners[3]).toEqual([20, 60]);
});

test("three corners are left of any shape", () => {
  const four = sideParted(gable, [0, 0]);
  expect(cornerGone(four, [0, 1]).corners).toEqual(gable.corners);
  expect(cornerGone(gable, [0, 1])).toBe(gable);
});

test("the face is measured by itself where the front lies askew", () => {
  expect(faceOf(gable)).toEqual({ width: 40, height: 60 });
  const face = { width_mm: 30, height_mm: 20 };
  expect(faceOf({ ...gable, face } as Outline)).toEqual({ width: 30, height: 20 });
});
