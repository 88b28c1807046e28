import { expect, test } from "vitest";
import { knownWords, wayWords } from "./words";

test("photos that are there already are told by name or number", () => {
  expect(knownWords(["a.jpg"])).toBe("a.jpg is on the stack already, and not taken twice.");
  expect(knownWords(["a", "b"])).toBe("2 photos are on the stack already, and not taken twice.");
});

test("where a line goes is said in a teacher's words", () => {
  expect(["VP2", "vertical", "horizontal"].map(wayWords)).toEqual([
    "to VP2",
    "straight up and down",
    "level",
  ]);
});
