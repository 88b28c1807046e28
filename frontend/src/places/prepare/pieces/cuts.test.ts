import { expect, test } from "vitest";
import type { Grip } from "@/api/client";
import { nearOf, valueAtPlace, valueByKey } from "./cuts";

const GRIP: Grip = {
  piece: "a",
  member: "",
  field: "depth",
  reads: "along",
  stops: [],
  label: "depth",
  way: "fraction",
  start: [0, 0],
  goal: [100, 0],
  at: [30, 0],
};

test.each([
  ["along", 40],
  ["across", 40],
  ["share", 0.4],
  ["down", 5],
  ["nothing", null],
] as const)("a measure that is read %s follows the hand", (reads, value) => {
  expect(valueAtPlace({ ...GRIP, reads }, [41, 3], 5)).toBe(value);
});

test("a count takes the nearest of its stops, and by keys goes up and down by one", () => {
  const stops: Grip["stops"] = [
    [[100, 0], 1],
    [[50, 0], 2],
    [[33, 0], 3],
  ];
  const grip = { ...GRIP, reads: "stops" as const, stops, at: [50, 0] as [number, number] };
  expect(valueAtPlace(grip, [38, 9], 5)).toBe(3);
  expect(valueByKey(grip, [51, 0], 5)).toBe(1);
  expect(valueByKey(grip, [49, 0], 5)).toBe(3);
  expect(valueByKey({ ...grip, at: [33, 0] }, [30, 0], 5)).toBe(3);
});

test("another way begins near where the cut lies now", () => {
  expect(nearOf(GRIP, 80)).toEqual({ along_mm: 30, x_mm: 30, fraction: 0.3, true_mm: 80 });
});
