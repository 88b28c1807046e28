import { expect, it } from "vitest";
import { edgeTarget, passing } from "./edge";

it("puts a far point at the nearest place of the sheet's edge", () => {
  expect(edgeTarget([200, 100], 400, 300, 4)).toBeNull();
  const left = edgeTarget([-100, 50], 400, 300, 4);
  expect(left?.at).toEqual([4, 50]);
  expect(left?.out_mm).toBe(100);
  expect(left?.anchor).toBe("start");
  expect(edgeTarget([210, -250], 400, 300, 4)?.at).toEqual([210, 4]);
});

it("passes the middle when a line is right, and as far off as it is turned", () => {
  const [a, b] = passing([0, 0], [10, 0], [100, 0], 10, 30);
  expect([a, b]).toEqual([
    [-30, 0],
    [30, 0],
  ]);
  const slope = Math.tan(Math.PI / 180);
  for (const [from, to] of [
    [-5, 5],
    [5, -5],
  ] as const) {
    const [c, d] = passing([from, from * slope], [to, to * slope], [100, 0], 10, 30);
    expect((c[1] + d[1]) / 2, "whichever end comes first").toBeCloseTo(10);
  }
  const [far] = passing([0, 0], [0, 9], [100, 0], 10, 30);
  expect(Math.hypot(...far), "never outside").toBeCloseTo(30);
});
