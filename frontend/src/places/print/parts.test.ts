import { describe, expect, it } from "vitest";
import { FIRST_ORDER, keepOrder, keptOrder, withOffice, withPart } from "./parts";

describe("the choice of parts", () => {
  it("keeps at least one part", () => {
    const one = withPart(FIRST_ORDER, "key", false);
    expect(one.parts).toEqual(["steps"]);
    expect(withPart(one, "steps", false)).toBe(one);
    expect(withPart(one, "fan", true).parts).toEqual(["steps", "fan"]);
  });
  it("takes tiles along to another paper", () => {
    expect(withOffice(FIRST_ORDER, "Letter")).toMatchObject({ office: "Letter", paper: "sheet" });
    const tiles = { ...FIRST_ORDER, paper: "A4" as const };
    expect(withOffice(tiles, "Letter")).toMatchObject({ office: "Letter", paper: "Letter" });
  });
  it("is found again as it was left", () => {
    const drawer = new Map<string, string>();
    const storage = {
      getItem: (key: string) => drawer.get(key) ?? null,
      setItem: (key: string, value: string) => void drawer.set(key, value),
    };
    expect(keptOrder(storage)).toEqual(FIRST_ORDER);
    const order = { ...FIRST_ORDER, parts: ["fan" as const], grey: true };
    keepOrder(order, storage);
    expect(keptOrder(storage)).toEqual(order);
  });
  it("begins anew where what was kept cannot be used", () => {
    expect(keptOrder({ getItem: () => "{" })).toEqual(FIRST_ORDER);
    expect(keptOrder({ getItem: () => '{"parts": ["poster"]}' }).parts).toEqual(["steps", "key"]);
  });
});
