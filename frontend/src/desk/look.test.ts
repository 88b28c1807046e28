import { describe, expect, it } from "vitest";
import { FURTHEST, NEAREST, panned, wheelFactor, WHOLE, zoomed } from "./look";

const CENTRE: [number, number] = [210, 148.5];

describe("looking nearer", () => {
  it("keeps the place under the pointer where it is", () => {
    const at: [number, number] = [100, 50];
    const look = zoomed(WHOLE, 2, at, CENTRE);
    // Seen at (place − centre) · zoom, before and after.
    const seen = (zoom: number, centre: readonly number[]) =>
      at.map((value, k) => (value - centre[k]!) * zoom);
    expect(seen(look.zoom, look.centre!)).toEqual(seen(1, CENTRE));
  });
  it("ends where nothing more is to be seen", () => {
    expect(zoomed(WHOLE, 1000, CENTRE, CENTRE).zoom).toBe(NEAREST);
    expect(zoomed(WHOLE, 0.001, CENTRE, CENTRE).zoom).toBe(FURTHEST);
  });
  it("comes back to where it was", () => {
    const there = zoomed(WHOLE, 3, [10, 20], CENTRE);
    const back = zoomed(there, 1 / 3, [10, 20], CENTRE);
    expect(back.zoom).toBeCloseTo(1);
    expect(back.centre![0]).toBeCloseTo(CENTRE[0]);
  });
});

describe("moving the desk", () => {
  it("takes what is seen along with the hand", () => {
    expect(panned(WHOLE, 10, -5, CENTRE).centre).toEqual([200, 153.5]);
  });
});

describe("the wheel", () => {
  it("brings nearer upward and further downward, by the same", () => {
    const up = wheelFactor({ deltaY: -100, deltaMode: 0, ctrlKey: false });
    const down = wheelFactor({ deltaY: 100, deltaMode: 0, ctrlKey: false });
    expect(up).toBeGreaterThan(1);
    expect(up * down).toBeCloseTo(1);
    expect(wheelFactor({ deltaY: -3, deltaMode: 1, ctrlKey: false })).toBeGreaterThan(1.05);
  });
});
