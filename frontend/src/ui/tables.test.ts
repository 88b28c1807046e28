import { expect, test } from "vitest";
import { turnedIfWide } from "./tables";

const WIDE = ["Which", "From the left edge", "Wide", "High", "Lines"];

test("a wide table with few rows lies on its side", () => {
  const rows = [
    ["Tray", "20 cm", "13 cm", "3.5 cm", "2"],
    ["Bird box", "32 cm", "6 cm", "5.5 cm", "3"],
  ];
  const turned = turnedIfWide(WIDE, rows);
  expect(turned.columns).toEqual(["Which", "Tray", "Bird box"]);
  expect(turned.rows[0]).toEqual(["From the left edge", "20 cm", "32 cm"]);
  expect(turned.rows).toHaveLength(4);
});

test("a narrow table, and a long one, stand as they are", () => {
  const narrow = [["F", "8"]];
  expect(turnedIfWide(["Which", "Lines"], narrow)).toEqual({
    columns: ["Which", "Lines"],
    rows: narrow,
  });
  const long = Array.from({ length: 9 }, (_, k) => [`${k}`, "", "", "", ""]);
  expect(turnedIfWide(WIDE, long).rows).toBe(long);
});
