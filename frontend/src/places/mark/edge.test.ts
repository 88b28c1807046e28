import { expect, it } from "vitest";
import { edgeTarget } from "./edge";

it("puts a far point at the edge on the way to it", () => {
  expect(edgeTarget([200, 100], 400, 300)).toBeNull();
  const left = edgeTarget([-100, 150], 400, 300);
  expect(left?.at).toEqual([4, 150]);
  expect(left?.out_mm).toBe(100);
  expect(left?.anchor).toBe("start");
  const above = edgeTarget([200, -250], 400, 300);
  expect(above?.at[0]).toBe(200);
  expect(above?.at[1]).toBeCloseTo(4);
});
