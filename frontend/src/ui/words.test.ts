import { expect, test } from "vitest";
import { countOf, dayWords, PLACES, UNDERSTANDING, VERDICTS } from "./words";

test("counts agree with their nouns", () => {
  expect(countOf(1, "box", "boxes")).toBe("1 box");
  expect(countOf(3, "box", "boxes")).toBe("3 boxes");
  expect(countOf(0, "line")).toBe("0 lines");
});

test("a day reads as on the board, whatever the time zone", () => {
  expect(dayWords("2026-11-20")).toBe("20 November");
  expect(dayWords("2026-01-01")).toBe("1 January");
});

test("every verdict and mark has a sign beside its colour", () => {
  const signs = [...Object.values(VERDICTS), ...UNDERSTANDING].map((one) => one.sign);
  expect(signs.every((sign) => sign.length === 1)).toBe(true);
  expect(new Set(Object.values(VERDICTS).map((one) => one.sign)).size).toBe(4);
});

test("the places follow the teacher's day", () => {
  expect(PLACES.map((place) => place.name)).toEqual(["Prepare", "Teach", "Mark", "Register"]);
});
