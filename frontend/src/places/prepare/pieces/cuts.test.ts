import { expect, test } from "vitest";
import type { Grip } from "@/api/client";
import { cutAt, nearOf } from "./cuts";

const GRIP: Grip = {
  piece: "a",
  field: "depth",
  label: "depth",
  way: "fraction",
  start: [0, 0],
  goal: [100, 0],
  at: [30, 0],
};

test.each([
  ["along_mm", 40],
  ["x_mm", 40],
  ["fraction", 0.4],
  ["true_mm", null],
] as const)("a cut given by %s is dragged along its guide line", (way, value) => {
  expect(cutAt({ ...GRIP, way }, [41, 3], 5)).toBe(value);
});

test("another way begins near where the cut lies now", () => {
  expect(nearOf(GRIP, 80)).toEqual({ along_mm: 30, x_mm: 30, fraction: 0.3, true_mm: 80 });
});
