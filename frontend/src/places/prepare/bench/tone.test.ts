import { describe, expect, it } from "vitest";
import type { Exercise } from "@/api/client";
import { floorsOf, lightFor, lightsFor, lightWay } from "./tone";

const doc = {
  view: { kind: "one-point", eye_level_mm: 120, vanishing_point_mm: 210 },
  pieces: [
    { kind: "box", id: "crate", front: {} },
    { kind: "panel", id: "tiles", front: {} },
    { kind: "sketch", id: "hills" },
  ],
} as unknown as Exercise;

describe("the light of a sheet", () => {
  it("is told by the way it is given", () => {
    const tone = (light: unknown) => ({ light }) as NonNullable<Exercise["tone"]>;
    expect(lightWay(null)).toBe("none");
    expect(lightWay(tone("right"))).toBe("right");
    expect(lightWay(tone({ kind: "side", from: "right" }))).toBe("right");
    expect(lightWay(tone({ kind: "sun", x_mm: 1, y_mm: 2 }))).toBe("sun");
    expect(lightWay(tone({ kind: "lamp", piece: "crate" }))).toBe("lamp:crate");
  });

  it("may be a side, a sun above the eye level, or a thing as a lamp", () => {
    const ways = lightsFor(doc).map(({ value }) => value);
    expect(ways).toEqual(["none", "left", "right", "sun", "lamp:crate"]);
    expect(lightFor("none", doc)).toBeNull();
    expect(lightFor("left", doc)).toBe("left");
    expect(lightFor("sun", doc)).toEqual({ kind: "sun", x_mm: 310, y_mm: 30 });
    expect(lightFor("lamp:crate", doc)).toEqual({ kind: "lamp", piece: "crate" });
  });

  it("casts on the ground, or on the floors of the rooms", () => {
    expect(floorsOf(doc)).toEqual(["ground"]);
    const room = { ...doc, pieces: [{ kind: "room", id: "hall" }] } as unknown as Exercise;
    expect(floorsOf(room)).toEqual(["hall/floor"]);
  });
});
