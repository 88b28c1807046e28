import { expect, it } from "vitest";
import { changeOf, NOTHING, withChange, withLine } from "./corrections";

it("changes one line and forgets a change that is taken back", () => {
  const meant = withChange(NOTHING, 3, { meant: true });
  expect(changeOf(meant, 3).meant).toBe(true);
  expect(changeOf(meant, 4).meant).toBe(false);
  const both = withChange(meant, 3, { family: "VP1" });
  expect(both.lines?.["3"]).toMatchObject({ meant: true, family: "VP1" });
  expect(withChange(meant, 3, { meant: false }).lines).toEqual({});
});

it("keeps added lines through other changes", () => {
  const added = withLine(NOTHING, [1, 2], [30, 2]);
  expect(withChange(added, 0, { dismissed: true }).added).toEqual([
    [
      [1, 2],
      [30, 2],
    ],
  ]);
});
