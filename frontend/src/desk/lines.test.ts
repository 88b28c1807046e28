import { expect, test } from "vitest";
import type { Step, XY } from "@/api/client";
import cases from "../../../tests/cases/said-in-both-languages.json";
import {
  belongsTo,
  finishedLines,
  helpingPoints,
  inCrowd,
  linesAfter,
  marksAt,
  runsOf,
} from "./lines";

function step(number: number, count: number, more: Partial<Step> = {}): Step {
  return {
    number,
    title: `step ${number}`,
    act: "fronts",
    bulk: false,
    piece: "crate",
    instruction: "",
    minutes: 1,
    marks: [],
    measures: [],
    check: "",
    key: "",
    second: false,
    names: [],
    hidden: false,
    note: "",
    said: [],
    earlier: false,
    darkens: [],
    erases: [],
    tried: [],
    strokes: Array.from({ length: count }, () => ({
      from: [0, 0],
      to: [1, 1],
      family: "VP1",
      role: "guide",
      piece: "crate",
      fate: "guide",
    })),
    ...more,
  };
}

const steps = [step(1, 1)];

test("after each step a line looks as the program says it in print", () => {
  for (const { steps: plain, states } of cases.moments) {
    const made = plain.map(({ strokes, ...more }, i) => step(i + 1, strokes, more));
    const found = made.map(({ number }) => linesAfter(made, number).map((line) => line.state));
    expect(found).toEqual(states);
  }
});

test("there is nothing before the first step", () => {
  expect(linesAfter(steps, 0)).toEqual([]);
});

test("hidden edges are drawn only when asked for", () => {
  const strokes = (["outline", "hidden", "guide"] as const).map((role) => ({
    from: [0, 0] as [number, number],
    to: [1, 0] as [number, number],
    family: "horizontal",
    role,
    piece: "crate",
  }));
  expect(finishedLines(strokes, false)).toHaveLength(1);
  expect(finishedLines(strokes, true).map((line) => line.state)).toEqual(["dark", "hidden"]);
});

test("the chords of a curve are one run, a straight line is its own", () => {
  const chord = (curve: number | null, x: number) => ({
    key: `${x}`,
    state: "dark" as const,
    stroke: {
      from: [x, 0] as XY,
      to: [x + 1, 0] as XY,
      family: "free",
      piece: "drum",
      curve,
    },
  });
  const runs = runsOf([chord(null, 0), chord(3, 1), chord(3, 2), chord(4, 3), chord(null, 4)]);
  expect(runs.map((run) => run.places.length)).toEqual([2, 3, 2, 2]);
  expect(runs[1]?.places).toEqual([
    [1, 0],
    [2, 0],
    [3, 0],
  ]);
});

test("a step shows its own marks and those that its words name", () => {
  const at: XY = [1, 2];
  const marks = (...names: string[]) => names.map((name) => ({ name, at }));
  const told = [
    step(1, 0, { marks: marks("A", "B", "C2", "VP1") }),
    step(2, 0, { marks: marks("D", "VP2"), names: ["B", "C2"] }),
  ];
  const points = [{ name: "VP1" }, { name: "VP2" }];
  expect(marksAt(told, 2, points).map((mark) => mark.name)).toEqual(["B", "C2", "D"]);
  expect(marksAt(told, 3, points)).toEqual([]);
});

test("a letter belongs to its word", () => {
  expect(belongsTo("fern:1", "fern")).toBe(true);
  expect(belongsTo("fern", "fern")).toBe(true);
  expect(belongsTo("ferns", "fern")).toBe(false);
  expect(belongsTo(null, null)).toBe(false);
});

test("distance points are there from the step that places them", () => {
  const place = step(2, 0, {
    key: "/helping-points/1",
    marks: [{ name: "DP2", at: [520, 120] }] as Step["marks"],
  });
  const all = [step(1, 1), place, step(3, 1)];
  expect(helpingPoints(all, 1)).toEqual([]);
  expect(helpingPoints(all, 3)).toEqual([{ name: "DP2", x_mm: 520, y_mm: 120 }]);
});

test("marks that crowd have their letters in the enlarged place", () => {
  const crowded = step(1, 0, { crowd: [10, 10, 14, 12] });
  expect(inCrowd(crowded, { at: [10, 12] })).toBe(true);
  expect(inCrowd(crowded, { at: [15, 11] })).toBe(false);
  expect(inCrowd(step(1, 0), { at: [10, 12] })).toBe(false);
  expect(inCrowd(undefined, { at: [10, 12] })).toBe(false);
});
