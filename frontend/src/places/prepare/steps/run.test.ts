import { describe, expect, it } from "vitest";
import type { Exercise, Step } from "@/api/client";
import { editOf, kept, withEarlier, withEdit } from "./run";

const step = (key: string): Step => ({ key, number: 1 }) as Step;
const doc = { title: "x" } as Exercise;

describe("changes of the run-through", () => {
  it("belong to the lasting name of a step", () => {
    const changed = withEdit(doc, step("crate/front/1"), { note: "Slowly" });
    expect(changed.run?.steps).toEqual({ "crate/front/1": { note: "Slowly" } });
    expect(editOf(changed, step("crate/front/1"))).toEqual({ note: "Slowly" });
  });
  it("leave no trace when they are taken back", () => {
    const hidden = withEdit(doc, step("a/b"), { hidden: true });
    expect(withEdit(hidden, step("a/b"), { hidden: false }).run).toBeNull();
  });
  it("keep one another", () => {
    const both = withEdit(withEdit(doc, step("a/b"), { title: "T" }), step("a/c"), { note: "N" });
    expect(Object.keys(both.run?.steps ?? {})).toEqual(["a/b", "a/c"]);
  });
  it("put a step before the one it follows", () => {
    const steps = ["a/1", "a/2", "a/2", "a/3"].map(step);
    expect(withEarlier(doc, steps, step("a/3")).run?.order).toEqual(["a/1", "a/3", "a/2"]);
    expect(withEarlier(doc, steps, step("a/1"))).toBe(doc);
  });
});

describe("words of one's own", () => {
  it("hold measures by their number", () => {
    expect(kept("Go 12.5 cm down, then 2.5 cm.", ["2.5 cm", "12.5 cm"])).toBe(
      "Go {2} down, then {1}.",
    );
    expect(kept("No measure.", ["3 cm"])).toBe("No measure.");
  });
});
