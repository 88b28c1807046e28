"""Good starts with houses."""

from __future__ import annotations

from orthopsis.exercise.recipes.one import (
    Recipe,
    along,
    document,
    door,
    edge,
    front,
    one,
    three,
    two,
    windows,
)

HOUSES: tuple[Recipe, ...] = (
    Recipe(
        "house",
        "A house with a gable: the roof has a point of its own.",
        "The edge is 10 cm, so three windows fall on whole centimetres of it. The roof's point "
        "lies a little above the sheet, within reach of a second sheet taped on.",
        document("A house", 12, two(165, -80, 520), {
            "kind": "building", "id": "house", "standing": "ground", "edge": edge(240, 115, 215),
            "left": {"x_mm": 110}, "right": {"x_mm": 345},
            "roof": {"kind": "gable", "end": "right", "peak_mm": 45},
            "parts": [{"kind": "panel", "id": "windows", "on": "left", "look": "windows",
                       "up_mm": 40, "height_mm": 30, "bays": {"count": 3}}]}, version=2),
    ),
    Recipe(
        "cottage",
        "A cottage with a chimney: its foot goes up the roof like every line there.",
        "The chimney stands on the middle of the slope, found by diagonals; it is 1 cm wide and "
        "3.5 cm high. The near slope, prolonged, finds the roof's own point over VP2.",
        document("The gardener's cottage", 13, two(165, -80, 520), {
            "kind": "building", "id": "cottage", "standing": "ground",
            "edge": edge(210, 130, 230), "left": {"x_mm": 90}, "right": {"x_mm": 310},
            "roof": {"kind": "gable", "end": "right", "peak_mm": 45},
            "parts": [{"kind": "panel", "id": "windows", "on": "left", "look": "windows",
                       "up_mm": 40, "height_mm": 30, "bays": {"count": 3}},
                      {"kind": "panel", "id": "door", "on": "right", "look": "door",
                       "from": {"along_mm": 40}, "to": {"along_mm": 60}, "height_mm": 60},
                      {"kind": "chimney", "id": "chimney", "on": "roof left",
                       "wide": {"along_mm": 10}, "deep": {"along_mm": 6}, "high_mm": 35}]},
            version=2),
    ),
    Recipe(
        "long-shadows",
        "A hut in the evening light: its shadow begins straight below its corners.",
        "Light from the side needs no point: shadows on the ground are level. The ridge casts the "
        "tip, and the place below it lies on the foot of the gable wall.",
        document("Long shadows", 13, two(150, -60, 500), {
            "kind": "building", "id": "hut", "standing": "ground", "edge": edge(200, 110, 200),
            "left": {"x_mm": 90}, "right": {"x_mm": 280},
            "roof": {"kind": "gable", "end": "right", "peak_mm": 35},
            "parts": [{"kind": "panel", "id": "door", "on": "right", "look": "door",
                       "from": {"along_mm": 25}, "to": {"along_mm": 50}, "height_mm": 45}]},
            version=2, tone={"light": {"kind": "side", "from": "left", "rise_deg": 40},
                             "cast": ["ground"], "values": 4}),
    ),
    Recipe(
        "music-block",
        "Storeys and bays: equal marks up the near upright, one diagonal for the windows.",
        "The edge is 15 cm high, so three storeys are 5 cm each, and sills and heads fall on "
        "whole half centimetres. The same marks serve round the corner.",
        document("The music block", 12, two(180, -100, 520), {
            "kind": "building", "id": "music block", "standing": "ground",
            "edge": edge(190, 80, 230), "left": {"x_mm": 90}, "right": {"x_mm": 340},
            "roof": {"kind": "flat", "parapet_mm": 6},
            "parts": [{"kind": "panel", "id": "windows", "on": "right", "look": "windows",
                       "storeys": 3, "sill_mm": 10, "height_mm": 25, "bays": {"count": 4}},
                      {"kind": "panel", "id": "more windows", "on": "left", "look": "windows",
                       "storeys": 3, "skip": 1, "sill_mm": 10, "height_mm": 25,
                       "bays": {"count": 3}},
                      {"kind": "panel", "id": "door", "on": "left", "look": "door",
                       "from": {"along_mm": 35}, "to": {"along_mm": 60}, "height_mm": 40}]},
            version=2),
    ),
    Recipe(
        "school-front",
        "A front that faces us: windows in rows, measured as they are, and how deep they sit.",
        "The front is 20 × 16 cm, two storeys of 8 cm each, so every sill and head falls on whole "
        "centimetres. The windows sit 6 mm deep, the door 8 mm: enough to see which side shows.",
        document("The school front", 9, one(200, 330), {
            "kind": "building", "id": "school", "standing": "ground",
            "front": front(40, 70, 200, 160), "depth": along(60),
            "roof": {"kind": "flat", "parapet_mm": 10},
            "parts": [windows("windows", "front", 2, 20, 40, 4, inset=along(6)),
                      {"kind": "panel", "id": "door", "on": "front", "look": "door",
                       "front": front(120, 175, 40, 55), "inset": along(8)}]},
            {"kind": "sketch", "id": "tree", "look": "tree", "area": front(345, 120, 60, 95)},
            version=2),
    ),
    Recipe(
        "tool-shed",
        "A tool shed: one slope, and boards that grow narrower as the wall runs away.",
        "The wall is 12 cm high and the other 3.5 cm higher; seen from a little above, the whole "
        "slope shows. Eight boards are 1.5 cm each on the near edge; a diagonal carries them.",
        document("The tool shed", 10, two(85, -100, 540), {
            "kind": "building", "id": "shed", "standing": "ground", "edge": edge(170, 110, 230),
            "left": {"x_mm": 80}, "right": {"x_mm": 335},
            "roof": {"kind": "lean-to", "low": "right", "peak_mm": 35},
            "parts": [{"kind": "pattern", "id": "boards", "on": "right", "look": "boards",
                       "bays": 8}, door("right", 50, 85, 85)]}, version=2),
    ),
    Recipe(
        "farmhouse",
        "A farmhouse whose roof hangs over, with a porch: a house built on a house.",
        "The edge of the walls is drawn on by 8 mm, and the roof's corners lie on the diagonals of "
        "the walls' top, drawn on. The porch is 3.5 cm wide and has a gable and a door of its own.",
        document("The farmhouse", 13, two(165, -80, 520), {
            "kind": "building", "id": "farmhouse", "standing": "ground",
            "edge": edge(230, 120, 225), "left": {"x_mm": 90}, "right": {"x_mm": 335},
            "roof": {"kind": "gable", "end": "right", "peak_mm": 50, "eaves_mm": 8, "board_mm": 4},
            "parts": [
                {"kind": "panel", "id": "windows", "on": "left", "look": "windows", "up_mm": 40,
                 "height_mm": 35, "bays": {"count": 3}},
                {"kind": "block", "id": "porch", "look": "porch", "on": "right",
                 "from": along(35), "to": along(70), "height_mm": 70, "out_mm": 20,
                 "roof": {"kind": "gable", "end": "right", "peak_mm": 20},
                 "parts": [door("right", 8, 26, 55)]}]}, version=2),
    ),
    Recipe(
        "kiosk",
        "A kiosk on its pavement: the kerb turns the corner, so it uses both points.",
        "The kerb is 1 cm high at the corner and the pavement reaches 14.5 cm to both sides. The "
        "kiosk's front edge stands 2.5 cm above that corner, on the pavement's top.",
        document("The kiosk", 11, two(95, -60, 480),
            {"kind": "box", "id": "pavement", "standing": "ground", "edge": edge(215, 240, 250),
             "left": {"x_mm": 70}, "right": {"x_mm": 360}},
            {"kind": "building", "id": "kiosk", "on": "pavement/top", "edge": edge(215, 130, 215),
             "left": along(60), "right": along(55),
             "roof": {"kind": "hip", "end": "left", "peak_mm": 45, "ridge": "pyramid"},
             "parts": [{"kind": "panel", "id": "window", "on": "left", "look": "windows",
                        "up_mm": 35, "height_mm": 30, "bays": {"count": 2}}]}, version=2),
    ),
    Recipe(
        "tiled-pavilion",
        "A pavilion with a hip roof, a dormer and shingles: joints and dormer go up to one point.",
        "The slope's point lies 15 cm above the sheet, on a second one taped on. The ridge ends at "
        "the quarters of the roof, found by diagonals; the dormer stands 1.4 cm up the slope.",
        document("The tiled pavilion", 14, two(170, -80, 520), {
            "kind": "building", "id": "pavilion", "standing": "ground",
            "edge": edge(235, 125, 230), "left": {"x_mm": 100}, "right": {"x_mm": 330},
            "roof": {"kind": "hip", "end": "right", "peak_mm": 80, "ridge": "quarter"},
            "parts": [
                {"kind": "pattern", "id": "shingles", "on": "roof left", "look": "shingles",
                 "courses": 5, "bays": 4},
                {"kind": "dormer", "id": "dormer", "on": "roof left", "rake_mm": 14,
                 "from": along(16), "wide": along(20), "high_mm": 13, "peak_mm": 8},
                {"kind": "panel", "id": "windows", "on": "left", "look": "windows", "up_mm": 30,
                 "height_mm": 45, "bays": {"count": 4}, "inset": along(4)},
                door("right", 40, 70, 70, inset=along(5))]}, version=2),
    ),
    Recipe(
        "clock-tower",
        "A tower seen from below: uprights close toward the sky, and the roof is a pyramid.",
        "VP3 lies 38 cm above the sheet. The edge is 17.5 cm long and leans only a little; the "
        "dials are squares for a clock face that is drawn by hand.",
        document("The clock tower", 14, three(265, -150, 570, (210, -380)), {
            "kind": "building", "id": "tower",
            "edge": {"x_mm": 195, "y_mm": 105, "length_mm": 175}, "left": along(65),
            "right": along(75),
            "roof": {"kind": "hip", "end": "left", "peak_mm": 75, "ridge": "pyramid"},
            "parts": [
                {"kind": "panel", "id": "dial", "on": "right", "from": along(22), "to": along(52),
                 "up_mm": 120, "height_mm": 35},
                {"kind": "panel", "id": "other dial", "on": "left", "from": along(18),
                 "to": along(46), "up_mm": 120, "height_mm": 35},
                {"kind": "panel", "id": "windows", "on": "left", "look": "windows", "up_mm": 55,
                 "height_mm": 25, "bays": {"count": 2}, "arch": {"rise_mm": 10}},
                {"kind": "panel", "id": "more windows", "on": "right", "look": "windows",
                 "up_mm": 55, "height_mm": 25, "bays": {"count": 2}, "arch": {"rise_mm": 10}},
                door("right", 26, 50, 42)]}, version=2),
    ),
)  # fmt: skip
