import { expect, test } from "vitest";
import { namesIn } from "./names";

test("one name a line, whatever stands around it", () => {
  expect(namesIn("Ines Alder\r\n\n  Jory   Vale \n3. Kit Rue\n4) Lou\n12 Mara Fenn")).toEqual([
    "Ines Alder",
    "Jory Vale",
    "Kit Rue",
    "Lou",
    "Mara Fenn",
  ]);
  expect(namesIn(" \n")).toEqual([]);
});

test("of several columns the first two with words are the name", () => {
  const list = "1\tAlder\tZoë\t8 Rowan\n2\tD’Vale\tAnne-Lise\tanne@school\nRue; Kit; 12";
  expect(namesIn(list)).toEqual(["Alder, Zoë", "D’Vale, Anne-Lise", "Rue, Kit"]);
  expect(namesIn("Fenn, Mara")).toEqual(["Fenn, Mara"]);
});
