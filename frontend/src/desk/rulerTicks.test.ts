import { expect, test } from "vitest";
import { rulerTicks } from "./rulerTicks";

test("a metric ruler has a figure at whole centimetres and ticks as fine as the screen allows", () => {
  const coarse = rulerTicks(420, "cm", 0.55);
  const fine = rulerTicks(420, "cm", 0.1);
  expect(fine.length).toBeGreaterThan(coarse.length);
  expect(fine.filter((tick) => tick.label).map((tick) => tick.label)).toContain("7");
  for (const tick of coarse) expect(tick.label === "" || tick.mm % 10 === 0).toBe(true);
});

test("an inch ruler divides by halves", () => {
  const ticks = rulerTicks(101.6, "in", 0.3);
  expect(ticks.filter((tick) => tick.label).map((tick) => tick.label)).toEqual([
    "1",
    "2",
    "3",
    "4",
  ]);
  expect(ticks.some((tick) => Math.abs(tick.mm - 12.7) < 1e-9)).toBe(true);
});

test.each([
  ["cm", 0.55],
  ["mm", 0.2],
  ["in", 0.9],
] as const)("ticks and figures in %s never crowd", (units, mmPerPx) => {
  const ticks = rulerTicks(594, units, mmPerPx);
  const gaps = (list: number[]) => list.slice(1).map((mm, i) => (mm - (list[i] ?? 0)) / mmPerPx);
  expect(Math.min(...gaps(ticks.map((tick) => tick.mm)))).toBeGreaterThanOrEqual(4 - 1e-9);
  const labelled = ticks.filter((tick) => tick.label).map((tick) => tick.mm);
  expect(Math.min(...gaps(labelled))).toBeGreaterThanOrEqual(26 - 1e-9);
});
