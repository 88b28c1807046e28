import { expect, test } from "vitest";
import { knownWords, tooLarge, wayWords } from "./words";

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

test("what is too large is said before it is sent", () => {
  const limits = { most_photo_mb: 40, most_file_mb: 200 };
  expect(tooLarge({ name: "class.pdf", size: 200e6 }, limits)).toBeNull();
  expect(tooLarge({ name: "class.PDF", size: 201e6 }, limits)).toContain("up to 200 MB");
  expect(tooLarge({ name: "photo.jpg", size: 41e6 }, limits)).toContain("up to 40 MB");
  expect(tooLarge({ name: "photo.jpg", size: 1e12 })).toBeNull();
});
