import { describe, expect, it } from "vitest";
import type { PupilSheet } from "@/api/client";
import { inOrder, nextUnmarked, sureWords } from "./order";

/** A sheet of the stack: what is not given is as of a right one that waits for its mark. */
function sheet(id: number, more: Record<string, unknown> = {}): PupilSheet {
  const plain = { id, state: "done", sure: 1, mark: null, verdict: { unjudged: false } };
  return { ...plain, ...more } as unknown as PupilSheet;
}

const marked = { mark: { understanding: "sure" } };
const aside = { verdict: { unjudged: true }, sure: 0 };
const stack = [
  sheet(1, marked),
  sheet(2, { sure: 0.95 }),
  sheet(3, aside),
  sheet(4, { sure: 0.3 }),
];
const ids = (sheets: readonly PupilSheet[]) => sheets.map((one) => one.id);

describe("a stack", () => {
  it("lies in the order that is asked for, with what cannot be marked apart", () => {
    expect(ids(inOrder(stack, "came").toMark)).toEqual([1, 2, 4]);
    expect(ids(inOrder(stack, "unmarked").toMark)).toEqual([2, 4, 1]);
    expect(ids(inOrder(stack, "doubt").toMark)).toEqual([4, 2, 1]);
    expect(ids(inOrder(stack, "doubt").aside)).toEqual([3]);
  });

  it("goes on to the next that waits for a mark, from the top again at its end", () => {
    expect(nextUnmarked(stack, 2)?.id).toBe(4);
    expect(nextUnmarked(stack, 4)?.id).toBe(2);
    expect(nextUnmarked([sheet(1, marked), sheet(3, aside)], 1)).toBeNull();
  });

  it("says where to look, and nothing where the judge is sure or has not judged", () => {
    expect(stack.map(sureWords)).toEqual(["", "", "", "look closely"]);
    expect(sureWords(sheet(5, { sure: 0.7 }))).toBe("look once more");
    expect(sureWords(sheet(6, { verdict: null, sure: 0 }))).toBe("");
  });
});
