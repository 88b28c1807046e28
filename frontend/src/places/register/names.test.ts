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
