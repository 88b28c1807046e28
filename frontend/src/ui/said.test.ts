import { describe, expect, it } from "vitest";
import type { Exercise, Settings } from "@/api/client";
import { asSaid } from "./said";

const doc = { title: "x", wording: { units: "cm", line: "eye level" } } as Exercise;
const plain = { paper: "A3", office: "A4", left_handed: false } as Settings;

describe("the teacher's own words", () => {
  it("hold where they are set", () => {
    const said = asSaid(doc, { ...plain, units: "in", ruler_mm: 300 });
    expect(said.wording).toEqual({ units: "in", line: "eye level", ruler_mm: 300 });
    expect(doc.wording?.units).toBe("cm");
  });
  it("leave the exercise alone where they are not", () => {
    expect(asSaid(doc, plain)).toBe(doc);
    expect(asSaid(doc, { ...plain, units: null })).toBe(doc);
    expect(asSaid(doc, undefined)).toBe(doc);
  });
});
