import { expect, test } from "vitest";
import type { Step } from "@/api/client";
import { clockWords, drawnNext } from "./useLesson";

const line = (curve: number | null) => ({ curve }) as Step["strokes"][number];

test("by ruler one line is drawn at a time, by hand a few chords of one curve", () => {
  const strokes = [line(null), line(null), ...Array.from({ length: 6 }, () => line(7)), line(8)];
  expect(drawnNext(strokes, 0)).toBe(1);
  expect(drawnNext(strokes, 2)).toBe(6);
  expect(drawnNext(strokes, 6)).toBe(8);
  expect(drawnNext(strokes, 8)).toBe(9);
});

test("the clock shows minutes and seconds", () => {
  expect(clockWords(125)).toBe("2:05");
});
