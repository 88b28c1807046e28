import { describe, expect, test } from "vitest";
import cases from "../../../tests/cases/said-in-both-languages.json";
import { formatMeasure, parseMeasure, rounded, roundStepMm, type Units } from "./measures";

describe("measures", () => {
  test.each(cases.measures)("$mm mm in $units read $text, as in print", (one) => {
    expect(formatMeasure(one.mm, one.units as Units)).toBe(one.text);
  });

  test.each([
    [-12.7, "in", "−½ in"],
    [-120, "cm", "−12 cm"],
  ] as const)("%d mm in %s reads %s", (mm, units, text) => {
    expect(formatMeasure(mm, units)).toBe(text);
  });

  test.each([
    ["114", "mm", 114],
    ["11,4 cm", "mm", 114],
    ["3 3/8", "in", 85.725],
    ["3⅜ in", "cm", 85.725],
    ["3/8", "in", 9.525],
    ["⅜", "in", 9.525],
    ["-2 cm", "mm", -20],
    ['4"', "cm", 101.6],
  ] as const)("%s typed in %s is %d mm", (text, units, mm) => {
    expect(parseMeasure(text, units)).toBeCloseTo(mm, 9);
  });

  test.each(["", "tall", "3/0", "1 2 3", "--4"])("%s is no measure", (text) => {
    expect(parseMeasure(text, "cm")).toBeNull();
  });

  test("what is shown can be typed back", () => {
    for (let sixteenth = 1; sixteenth < 200; sixteenth += 1) {
      const mm = (sixteenth * 25.4) / 16;
      expect(parseMeasure(formatMeasure(mm, "in"), "in")).toBeCloseTo(mm, 6);
    }
  });

  test("round measures keep no stray digits", () => {
    expect(rounded(148.49, roundStepMm("cm"))).toBe(150);
    expect(rounded(100, roundStepMm("in"))).toBeCloseTo(101.6, 6);
  });
});
