import { expect, test } from "vitest";
import type { Finding } from "@/api/client";
import { firstWords, knownWords, wayWords } from "./words";

const finding = (level: Finding["level"], message: string): Finding => ({
  code: "x",
  level,
  where: [0, 0],
  message,
});

test("praise comes first, then one correction, and nothing else", () => {
  const said = [
    finding("tidy", "t"),
    finding("fix", "f1"),
    finding("praise", "p"),
    finding("fix", "f2"),
  ];
  expect(firstWords(said)).toBe("p\nf1");
  expect(firstWords([])).toBe("");
});

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
