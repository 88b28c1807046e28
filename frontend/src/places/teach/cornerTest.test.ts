import { expect, test } from "vitest";
import { saidOf } from "./cornerTest";

const corner = (draws: boolean) => ({ x_mm: 1, y_mm: 2, draws, to: [9, 9] as [number, number] });
const asked = (open: number) => ({
  test: {
    corners: [corner(true), corner(false), corner(true)],
    fronts: [],
    lines: 2,
    question: "Which?",
  },
  open,
});

test("the class hears the question, then each answer, and at last how many there are", () => {
  expect(saidOf(asked(0))).toBe("Which?");
  expect(saidOf(asked(1))).toBe("Corner 1: a line. 1 line so far.");
  expect(saidOf(asked(2))).toContain("runs through the shape");
  expect(saidOf(asked(3))).toBe("Corner 3: a line. 2 lines in all.");
});
