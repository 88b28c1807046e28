import { describe, expect, it } from "vitest";
import type { Exercise } from "@/api/client";
import { heightOf, heightsIn, heightWay, nextLevel, renamedLevel } from "./heights";

const doc = {
  pieces: [
    { kind: "room", id: "hall", levels: { worktop: 28, sill: 36 } },
    { kind: "box", id: "crate" },
  ],
} as unknown as Exercise;

describe("heights in a room", () => {
  it("are measured, levels of the room, or its ceiling", () => {
    expect(heightsIn(doc).map(({ value }) => value)).toEqual([
      "mm",
      "level:worktop",
      "level:sill",
      "to:hall/ceiling",
    ]);
    expect(heightsIn({ pieces: [] } as unknown as Exercise)).toHaveLength(1);
  });

  it("are told by one of these ways, and given in another", () => {
    expect(heightWay({ mm: 40 })).toBe("mm");
    expect(heightWay({ level: "sill" })).toBe("level:sill");
    expect(heightWay({ to: "hall/ceiling" })).toBe("to:hall/ceiling");
    expect(heightOf("level:sill", { mm: 40 })).toEqual({ level: "sill" });
    expect(heightOf("to:hall/ceiling", { mm: 40 })).toEqual({ to: "hall/ceiling" });
    expect(heightOf("mm", { level: "sill" })).toEqual({ mm: 50 });
    expect(heightOf("mm", { mm: 40 })).toEqual({ mm: 40 });
  });
});

describe("levels of a room", () => {
  it("get names that none has, and keep their places when they are renamed", () => {
    const one = nextLevel({});
    expect(one).toEqual({ "height 1": 30 });
    expect(Object.keys(nextLevel(one))).toEqual(["height 1", "height 2"]);
    expect(Object.entries(renamedLevel({ a: 1, b: 2 }, "a", "sill"))).toEqual([
      ["sill", 1],
      ["b", 2],
    ]);
  });
});
