import { expect, test } from "vitest";
import type { FieldSpec, KindSpec, Piece } from "@/api/client";
import {
  anchorOf,
  fieldsOf,
  kindsFor,
  movedTo,
  movedWith,
  sizeCornerOf,
  sizedTo,
  summaryOf,
  toldOf,
  valueAt,
  type Told,
} from "./kinds";
import { cornersFrom, cornersText } from "./shape";

function field(path: string, role: FieldSpec["role"], more: Partial<FieldSpec> = {}): FieldSpec {
  const none = { default: null, least: null, most: null, above: false, choices: [], editor: "" };
  const lists = { only: [], fields: [], added: [] };
  return { path: path.split("."), role, label: path, optional: false, ...none, ...lists, ...more };
}
const FRONT = ["x_mm", "y_mm", "width_mm", "height_mm"].map((name, i) =>
  field(`front.${name}`, (["across", "down", "length", "length"] as const)[i]!),
);
const EDGE = [
  field("edge.x_mm", "across"),
  field("edge.top_mm", "down", { optional: true }),
  field("edge.bottom_mm", "down", { optional: true }),
  field("edge.y_mm", "down", { optional: true }),
  field("edge.length_mm", "length", { optional: true }),
  field("turned_vp_mm", "point", { optional: true, editor: "switch" }),
];
const wedge: KindSpec = {
  kind: "wedge",
  name: "wedge",
  several: "wedges",
  add: "Add a wedge",
  fields: [field("transparent", "flag", { default: false })],
  forms: [
    {
      name: "front",
      tells: "front",
      systems: [1],
      sized: ["front.width_mm", "front.height_mm"],
      fields: FRONT,
    },
    {
      name: "edge",
      tells: "edge",
      systems: [2, 3],
      sized: ["", "edge.bottom_mm"],
      fields: EDGE,
    },
    {
      name: "lines",
      tells: "stack",
      systems: [2],
      sized: ["", ""],
      fields: [field("stack.on", "reference"), field("stack.top_mm", "down")],
    },
  ],
};
const told = (own: object, kind = wedge): Told => {
  const piece = { kind: kind.kind, id: "a", ...own } as unknown as Piece;
  return toldOf([kind], piece)!;
};
const front = told({ front: { x_mm: 100, y_mm: 200, width_mm: 50, height_mm: 40 } });
const edge = told({ edge: { x_mm: 200, top_mm: 200, bottom_mm: 250 } });
const slanting = told({ edge: { x_mm: 200, y_mm: 200, length_mm: 50 } });

test("a kind that nobody knew is moved and sized by the roles of its fields", () => {
  expect([anchorOf(front), sizeCornerOf(front)]).toEqual([
    [100, 200],
    [150, 240],
  ]);
  expect(movedTo(front, [33, 44], 5)).toMatchObject({
    front: { x_mm: 35, y_mm: 45, width_mm: 50 },
  });
  expect(sizedTo(front, [0, 0], 5)).toMatchObject({ front: { width_mm: 5, height_mm: 5 } });
  expect(movedTo(edge, [161, 99], 5)).toMatchObject({
    edge: { x_mm: 160, top_mm: 100, bottom_mm: 150 },
  });
  expect(sizedTo(edge, [999, 302], 5)).toMatchObject({ edge: { x_mm: 200, bottom_mm: 300 } });
});

test("a length along a slanting edge is not sized by a corner", () => {
  expect(sizeCornerOf(slanting)).toBeNull();
  expect(movedTo(slanting, [161, 99], 5)).toMatchObject({
    edge: { x_mm: 160, y_mm: 100, length_mm: 50 },
  });
});

test("what goes with another piece is not taken hold of", () => {
  const stacked = told({ stack: { on: "house", top_mm: 90 } });
  expect(anchorOf(stacked)).toBeNull();
  expect(movedTo(stacked, [1, 1], 5)).toBe(stacked.piece);
  expect(summaryOf(stacked, "mm")).toBe("stack.on house");
});

test("what stands on a thing goes with it, by the same way and never rounded anew", () => {
  const box = (id: string, x_mm: number, on?: string) =>
    ({
      kind: "wedge",
      id,
      on,
      front: { x_mm, y_mm: 50, width_mm: 9, height_mm: 9 },
    }) as unknown as Piece;
  const pieces = [box("crate", 100), box("tin", 103.2, "crate/top"), box("lid", 104, "tin/top")];
  const beside = box("bin", 20, "ground");
  const crate = toldOf([wedge], pieces[0] as Piece);
  const moved = movedWith([wedge], [...pieces, beside], crate as Told, [112, 50], 5);
  const places = moved.map(([at, piece]) => [at, valueAt(piece, ["front", "x_mm"])]);
  expect(places).toEqual([
    [0, 110],
    [1, 113.2],
    [2, 114],
  ]);
});

test("a piece is told by its sizes, and what is left out has no row but a switch", () => {
  expect(summaryOf(front, "mm")).toBe("50 × 40 mm");
  expect(summaryOf(edge, "mm")).toBe("50 mm");
  expect(summaryOf(slanting, "mm")).toBe("50 mm");
  expect(fieldsOf(slanting).map(({ path }) => path.at(-1))).toEqual([
    "x_mm",
    "y_mm",
    "length_mm",
    "turned_vp_mm",
    "transparent",
  ]);
});

test("only what stands in a view can be added to it", () => {
  expect(kindsFor([wedge], 3)).toEqual([wedge]);
  expect(kindsFor([wedge], 4)).toEqual([]);
});

test("a shape's corners are spread over its new front, and read as they are written", () => {
  const shape = { ...wedge, fields: [field("corners", "face", { editor: "corners" })] };
  const corners = cornersFrom("0 40, 25 0, 50 40");
  const square = { x_mm: 100, y_mm: 200, width_mm: 50, height_mm: 40 };
  const wide = sizedTo(told({ front: square, corners }, shape), [200, 280], 5);
  expect(wide).toMatchObject({
    corners: [
      [0, 80],
      [50, 0],
      [100, 80],
    ],
  });
  expect(cornersText(corners ?? [])).toBe("0 40, 25 0, 50 40");
  expect(cornersFrom("0 0, 1")).toBeNull();
  expect(cornersFrom("0 0, 5 5")).toBeNull();
});

test("of a thing that may be of several kinds only its own fields are shown", () => {
  const roofed = (kind: string): Told => {
    const piece = { kind: "wedge", id: "house", roof: { kind, peak_mm: 40, low: "left" } };
    const fields = [
      field("roof.peak_mm", "length", { only: ["gable", "lean-to"] }),
      field("roof.low", "choice", { only: ["lean-to"] }),
    ];
    const form = { ...wedge.forms[0]!, fields: [] };
    return { piece: piece as unknown as Piece, kind: { ...wedge, fields }, form };
  };
  const shown = (kind: string) => fieldsOf(roofed(kind)).map(({ path }) => path.join("."));
  expect(shown("gable")).toContain("roof.peak_mm");
  expect(shown("gable")).not.toContain("roof.low");
  expect(shown("lean-to")).toContain("roof.low");
});

test("a part has only the fields of its kind, also within what they are made of", () => {
  const fields = [
    field("bays.pier", "fixed", { only: ["panel"] }),
    field("high_mm", "length", { only: ["chimney"] }),
  ];
  const shown = (part: object) =>
    fieldsOf({
      piece: part as unknown as Piece,
      kind: { ...wedge, fields },
      form: { ...wedge.forms[0]!, fields: [] },
    }).map(({ path }) => path.join("."));
  expect(shown({ kind: "chimney", id: "stack", high_mm: 30 })).toEqual(["high_mm"]);
  expect(shown({ kind: "panel", id: "panes", bays: { pier: 1 } })).toEqual(["bays.pier"]);
});
