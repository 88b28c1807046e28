import { describe, expect, it } from "vitest";
import type { ShelfItem } from "@/api/client";
import { answers, ANYTHING, documentIn } from "./shelf";

const item: ShelfItem = {
  id: 1,
  title: "Seed crates",
  counter: 1,
  saved_at: "2026-01-01T00:00:00",
  points: 1,
  pieces: 2,
  kinds: ["box"],
  about: ["boxes"],
  age: 10,
  minutes: 22,
  place: "shelf",
  set_aside_from: null,
  problem: null,
};

describe("choosing from the shelf", () => {
  it("shows everything when nothing is asked for", () => {
    expect(answers(item, ANYTHING)).toBe(true);
    expect(answers({ ...item, minutes: null, age: null }, ANYTHING)).toBe(true);
  });
  it("asks for every wish at once", () => {
    const wanted = { words: " seed", points: 1, kind: "box", age: 11, minutes: 30 };
    expect(answers(item, wanted)).toBe(true);
    expect(answers(item, { ...wanted, words: "fern" })).toBe(false);
    expect(answers(item, { ...wanted, points: 2 })).toBe(false);
    expect(answers(item, { ...wanted, kind: "letters" })).toBe(false);
    expect(answers(item, { ...wanted, minutes: 20 })).toBe(false);
  });
  it("leaves out what is meant for older pupils, and keeps what does not say", () => {
    expect(answers(item, { ...ANYTHING, age: 9 })).toBe(false);
    expect(answers({ ...item, age: null }, { ...ANYTHING, age: 9 })).toBe(true);
  });
  it("leaves out what has no steps yet when minutes are asked for", () => {
    expect(answers({ ...item, minutes: null }, { ...ANYTHING, minutes: 60 })).toBe(false);
  });
});

describe("an opened file", () => {
  const file = (text: string, name = "x.json") => new File([text], name);

  it("is read as a document", async () => {
    const text = JSON.stringify({ format: "orthopsis-exercise", version: 1 });
    expect(await documentIn(file(text))).toEqual({ format: "orthopsis-exercise", version: 1 });
  });
  it("is refused by name when it is none", async () => {
    await expect(documentIn(file("hello", "notes.txt"))).rejects.toThrow("notes.txt");
    await expect(documentIn(file("[1]", "list.json"))).rejects.toThrow("not an exercise");
    await expect(documentIn(file("null"))).rejects.toThrow("not an exercise");
  });
});
