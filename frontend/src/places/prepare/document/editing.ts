/** Changes to an exercise document, each returning a new one. No rule of perspective lives here. */
import type { Exercise } from "@/api/client";

type Path = readonly (string | number)[];

/** The document with a new value at a path. */
export function withValue<Doc>(doc: Doc, path: Path, value: unknown): Doc {
  const [head, ...rest] = path;
  if (head === undefined) return value as Doc;
  const copy = (Array.isArray(doc) ? [...doc] : { ...doc }) as Record<string | number, unknown>;
  copy[head] = withValue(copy[head], rest, value);
  return copy as Doc;
}

export type PointCount = 1 | 2 | 3;

const FIRST_VIEWS: Record<PointCount, Exercise["view"]> = {
  1: {
    kind: "one-point",
    eye_level_mm: 150,
    vanishing_point_mm: 210,
    viewing_distance_mm: 360,
  },
  2: { kind: "two-point", eye_level_mm: 150, left_vp_mm: -120, right_vp_mm: 540 },
  3: {
    kind: "three-point",
    eye_level_mm: 40,
    left_vp_mm: -140,
    right_vp_mm: 560,
    third_vp_mm: [210, 540],
  },
};

/** An empty sheet to begin with. */
export function newExercise(points: PointCount): Exercise {
  return {
    format: "orthopsis-exercise" as const,
    version: 2 as const,
    title: `New ${["", "one", "two", "three"][points]}-point exercise`,
    sheet: { size: "A3" as const, orientation: "landscape" as const, frame_mm: 0 },
    wording: {
      units: "cm" as const,
      line: "eye level" as const,
      spelling: "UK" as const,
      reading: "full" as const,
      square: "set square" as const,
      far: "long ruler" as const,
    },
    given: "measures" as const,
    schools: { fronts: "ruler" as const, guides: "as far as needed" as const },
    views: {},
    pieces: [],
    view: FIRST_VIEWS[points],
  };
}
