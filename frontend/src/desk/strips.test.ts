import { expect, test } from "vitest";
import { stripFor } from "./strips";

const sheet = { width: 420, height: 297, eyeLevel: 100 };

test("a point on the sheet needs no strip", () => {
  expect(stripFor({ name: "VP1", x_mm: 0, y_mm: 100 }, sheet)).toBeNull();
});

test("a strip lies at the side where its point is, and reaches beyond it", () => {
  const left = stripFor({ name: "VP1", x_mm: -90, y_mm: 100 }, sheet);
  expect(left).toMatchObject({ x: -100, width: 100, out: 90, carriesLevel: true });
  const right = stripFor({ name: "VP2", x_mm: 500, y_mm: 100 }, sheet);
  expect(right).toMatchObject({ x: 420, width: 90, out: 80 });
});

test("a third point above or below hangs on a strip at the top or bottom", () => {
  const below = stripFor({ name: "VP3", x_mm: 200, y_mm: 520 }, sheet);
  expect(below).toMatchObject({ y: 297, height: 233, out: 223, carriesLevel: false });
  const above = stripFor({ name: "VP3", x_mm: 200, y_mm: -50 }, sheet);
  expect(above).toMatchObject({ y: -60, height: 60, out: 50 });
  expect(above?.tape.y).toBe(-5);
});
