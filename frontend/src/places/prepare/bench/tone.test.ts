import { describe, expect, it } from "vitest";
import type { Exercise } from "@/api/client";
import { lightFor, lightsFor, lightWay, sunOf, surfacesOf } from "./tone";

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
    const tone = (light: unknown) => ({ ...doc, tone: { light } }) as Exercise;
    expect(lightWay(doc)).toBe("none");
    expect(lightWay(tone("right"))).toBe("right");
    expect(lightWay(tone({ kind: "side", from: "right" }))).toBe("right");
    expect(lightWay(tone({ kind: "sun", x_mm: 1, y_mm: 2 }))).toBe("sun");
    const behind = { kind: "sun", x_mm: 1, y_mm: 200 };
    expect(lightWay(tone(behind))).toBe("sun behind");
    expect(sunOf(tone(behind))).toEqual(behind);
    expect(sunOf(tone("left"))).toBeNull();
    expect(lightWay(tone({ kind: "lamp", piece: "crate" }))).toBe("lamp:crate");
  });

  it("may be a side, a sun before or behind us, or a thing as a lamp", () => {
    const ways = lightsFor(doc).map(({ value }) => value);
    expect(ways).toEqual(["none", "left", "right", "sun", "sun behind", "lamp:crate"]);
    expect(lightFor("none", doc)).toBeNull();
    expect(lightFor("left", doc)).toBe("left");
    expect(lightFor("sun", doc)).toEqual({ kind: "sun", x_mm: 310, y_mm: 10 });
    expect(lightFor("sun behind", doc)).toEqual({ kind: "sun", x_mm: 10, y_mm: 240 });
    expect(lightFor("lamp:crate", doc)).toEqual({ kind: "lamp", piece: "crate" });
  });

  it("casts on the tops on which things stand, each once", () => {
    const on = (id: string) => ({ kind: "box", id, on: "crate/top" });
    const stacked = { ...doc, pieces: [...(doc.pieces ?? []), on("jar"), on("pot")] } as Exercise;
    expect(surfacesOf(stacked)).toEqual(["ground", "crate/top"]);
  });

  it("casts on the ground, or on the floors and walls of the rooms", () => {
    expect(surfacesOf(doc)).toEqual(["ground"]);
    const room = { ...doc, pieces: [{ kind: "room", id: "hall" }] } as unknown as Exercise;
    expect(surfacesOf(room)).toEqual(["hall/floor", "hall/back", "hall/left", "hall/right"]);
  });
});
