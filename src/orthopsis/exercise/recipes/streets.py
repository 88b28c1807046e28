"""Good starts with ways, rows and what stands beside them."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from orthopsis.exercise.recipes.one import (
    Recipe,
    along,
    document,
    door,
    edge,
    front,
    one,
    two,
    windows,
)


def _tower(name: str, depth: float, corners: Sequence[tuple[float, float]]) -> dict[str, Any]:
    """A tower of a little planet, by the corners of its roof on the sheet."""
    xs, ys = zip(*corners, strict=True)
    left, top = min(xs), min(ys)
    return {
        "kind": "outline", "id": name, "by": "corners", "depth": {"along_mm": depth},
        "front": front(left, top, max(xs) - left, max(ys) - top),
        "corners": [[x - left, y - top] for x, y in corners],
        "windows": {"rows": 3, "columns": 2},
    }  # fmt: skip


_PLANET: tuple[tuple[str, float, tuple[tuple[float, float], ...]], ...] = (
    ("library", 60, ((315, 125), (350, 130), (345, 175), (310, 170))),
    ("bakery", 55, ((300, 215), (345, 225), (310, 255))),
    ("school", 40, ((195, 225), (240, 225), (240, 240), (215, 240), (215, 260), (195, 260))),
    ("mill", 55, ((85, 190), (110, 180), (125, 200), (115, 225), (85, 225), (75, 205))),
    ("clock tower", 60, ((75, 85), (105, 70), (120, 100), (90, 115))),
    ("archive", 45, ((180, 65), (240, 65), (225, 30), (195, 30))),
    ("post office", 60, ((295, 50), (335, 70), (320, 100), (280, 80))),
)
"""The towers round a little planet: how deep, and the corners of the roof."""


_APART = {"count": 2, "pier": 1, "open": 1}
"""Windows that keep well apart from the ends of a wall that is seen from the side."""

STREETS: tuple[Recipe, ...] = (
    Recipe(
        "street",
        "A street with trees: the road's edge is the ground line of every house.",
        "The road is 24 cm wide at the lower edge, so its edges run at the same slope. The bakery "
        "stands 26.5 cm down, the shop begins on its end upright, the school after a gap of 1 cm. "
        "The trees stand opposite, so both sides of the sheet are full.",
        document("A street with trees", 11, one(150, 210, 360), {
            "kind": "way", "id": "road", "to": "VP1", "edges_mm": [90, 330],
            "dashes": {"count": 4, "wide_mm": 10, "first": along(25)}}, {
            "kind": "row", "id": "houses",
            "from": {"piece": "road", "side": "left", "foot_mm": 265}, "buildings": [
                {"id": "bakery", "top_mm": 45, "length": along(40), "back": along(85),
                 "parts": [windows("windows", "right", 2, 12, 28, 2, skip=1, bays=_APART),
                           door("right", 12, 26, 60)]},
                {"id": "shop", "top_mm": 85, "length": along(28), "back": along(70),
                 "parts": [windows("windows", "right", 2, 8, 20, 2, bays=_APART)]},
                {"id": "school", "top_mm": 70, "gap": along(10), "length": along(25),
                 "back": along(60),
                 "parts": [windows("windows", "right", 2, 6, 14, 2, bays=_APART)]}]}, {
            "kind": "posts", "id": "trees", "thing": "tree", "to": "VP1", "count": 4,
            "post": {"x_mm": 360, "top_mm": 85, "foot_mm": 235}, "next": along(45)},
            version=2),
    ),
    Recipe(
        "lane-and-line",
        "Two views on one sheet: each has a point of its own, both lie on one eye level.",
        "The lane's point lies 11 cm from the left, the railway's 32 cm, 21 cm apart: so both ways "
        "are 15 and 16 cm wide at the lower edge and do not meet. The fence belongs to the lane.",
        document("Lane and line", 12, one(120, 110, 360),
            {"kind": "way", "id": "lane", "to": "VP1", "edges_mm": [20, 170], "look": "path"},
            {"kind": "posts", "id": "fence", "thing": "fence", "to": "VP1", "count": 5,
             "post": {"x_mm": 185, "top_mm": 215, "foot_mm": 262}, "next": along(28),
             "rails": {"upper_mm": 10, "lower_mm": 32}},
            {"kind": "way", "id": "line", "view": "line", "to": "VP1", "edges_mm": [240, 400],
             "look": "rails",
             "track": {"in_mm": 25, "wide_mm": 8, "side_mm": 4, "sleepers": 7, "deep": 0.5,
                       "first": along(20)}},
            {"kind": "sketch", "id": "hills", "look": "hills", "area": front(20, 90, 380, 30)},
            views={"line": one(120, 320, 360)}, version=2),
    ),
    Recipe(
        "lane-with-trees",
        "A lane with trees: all as tall, smaller and closer the further away.",
        "The nearest tree is 15 cm high, its neighbour stands 5 cm up the lower line, and all "
        "others follow by diagonals. Hills and sun are drawn by hand and measured by nobody.",
        document("A lane with trees", 7, one(150, 210, 360), {
            "kind": "way", "id": "lane", "to": "VP1", "edges_mm": [120, 300], "look": "path"}, {
            "kind": "posts", "id": "trees", "thing": "tree", "to": "VP1", "count": 4,
            "post": {"x_mm": 70, "top_mm": 90, "foot_mm": 240}, "next": {"along_mm": 50}}, {
            "kind": "sketch", "id": "hills", "look": "hills", "area": front(150, 115, 250, 35)}, {
            "kind": "sketch", "id": "sun", "look": "sun", "area": front(310, 60, 60, 60)},
            version=2),
    ),
    Recipe(
        "garden-railway",
        "A railway: rails to the point, sleepers under them that close up, poles with wires.",
        "The sleepers are 20 cm long on the lower edge, the rails lie 3 cm in from their ends. "
        "The sleepers come closer on paper because they lie equally far apart in truth.",
        document("Garden railway", 11, one(120, 180, 360), {
            "kind": "way", "id": "track", "to": "VP1", "edges_mm": [80, 280], "look": "rails",
            "track": {"in_mm": 30, "wide_mm": 10, "side_mm": 5, "sleepers": 7, "deep": 0.5,
                      "first": {"along_mm": 25}}}, {
            "kind": "posts", "id": "poles", "to": "VP1", "count": 4,
            "post": {"x_mm": 340, "top_mm": 30, "foot_mm": 250}, "next": {"along_mm": 60},
            "arm": {"long_mm": 40, "down_mm": 15}, "wires": {"sag_mm": 15}}, {
            "kind": "sketch", "id": "hills", "look": "hills", "area": front(20, 85, 330, 35)},
            version=2),
    ),
    Recipe(
        "pocket-planet",
        "A little planet: roofs of any shape, every corner to one point, walls down to a circle.",
        "The roofs' corners lie on half centimetres, so they are marked with the ruler alone. "
        "The circle is drawn round a roll of tape, and hides behind the houses; the windows are "
        "drawn by hand.",
        document("Pocket planet", 11, one(150, 210, 300), *(
            _tower(name, depth, corners) for name, depth, corners in _PLANET),
            {"kind": "disc", "id": "planet", "centre": {"x_mm": 210, "y_mm": 150},
             "radius_mm": 50, "land_mm": 8}, version=2),
    ),
    Recipe(
        "corner-of-a-town",
        "A corner of a town: two ground lines carry all the houses.",
        "The points lie 4 cm beside the sheet. The corner house is the tallest; the houses beside "
        "it begin on its end uprights, and one stands after a gap of a centimetre.",
        document("A corner of the town", 13, two(180, -40, 460), {
            "kind": "building", "id": "corner", "standing": "ground", "edge": edge(210, 40, 230),
            "left": {"along_mm": 60}, "right": {"along_mm": 70}}, {
            "kind": "row", "id": "right side", "from": {"piece": "corner", "side": "right"},
            "buildings": [
                {"id": "shop", "top_mm": 90, "length": {"along_mm": 40}, "back": {"along_mm": 50}},
                {"id": "hall", "top_mm": 60, "length": {"along_mm": 30},
                 "back": {"along_mm": 50}}]}, {
            "kind": "row", "id": "left side", "from": {"piece": "corner", "side": "left"},
            "buildings": [
                {"id": "inn", "top_mm": 75, "gap": {"along_mm": 10}, "length": {"along_mm": 40},
                 "back": {"along_mm": 50}}]}, version=2),
    ),
    Recipe(
        "terrace",
        "A terrace: three equal houses, of which only the first is measured.",
        "The end house is 18 cm high, its neighbours begin 3.5 cm lower. The second and third are "
        "as high as the first by its line, and as long by the diagonal through the middle of the "
        "upright between two of them.",
        document("The terrace", 12, two(175, -60, 480),
            {"kind": "building", "id": "end house", "standing": "ground",
             "edge": edge(300, 60, 240), "left": along(55), "right": along(60)},
            {"kind": "row", "id": "terrace", "from": {"piece": "end house", "side": "left"},
             "buildings": [
                 {"id": "first", "top_mm": 95, "length": along(50), "back": along(40),
                  "parts": [windows("windows", "left", 2, 14, 26, 2)]},
                 {"id": "second", "like": "first"}, {"id": "third", "like": "first"}]},
            version=2),
    ),
    Recipe(
        "school-corner",
        "A corner of eight houses: one at the corner, four and three beside it.",
        "The points lie 6 cm beside the sheet, within reach of a strip. The school is 20.5 cm "
        "high and towers over both streets; each of its four storeys is about 5 cm. Two alleys, of "
        "8 mm and 1 cm, show a strip of ground and a foot that leads to the other point.",
        document("The school corner", 13, two(175, -60, 480),
            {"kind": "building", "id": "school", "standing": "ground", "edge": edge(215, 35, 240),
             "left": along(75), "right": along(70),
             "parts": [windows("windows", "left", 4, 14, 26, 2, skip=1),
                       windows("more windows", "right", 4, 14, 26, 2, skip=1),
                       door("right", 20, 45, 42)]},
            {"kind": "row", "id": "west", "from": {"piece": "school", "side": "left"},
             "buildings": [
                 {"id": "library", "top_mm": 80, "length": along(45), "back": along(50),
                  "parts": [windows("windows", "left", 3, 9, 18, 2)]},
                 {"id": "hall", "top_mm": 60, "length": along(35), "back": along(50)},
                 {"id": "kiosk", "top_mm": 120, "gap": along(8), "length": along(25),
                  "back": along(30)},
                 {"id": "mill", "top_mm": 75, "length": along(22), "back": along(30)}]},
            {"kind": "row", "id": "east", "from": {"piece": "school", "side": "right"},
             "buildings": [
                 {"id": "bakery", "top_mm": 95, "gap": along(10), "length": along(42),
                  "back": along(40), "parts": [windows("windows", "right", 2, 12, 22, 2)]},
                 {"id": "bank", "top_mm": 65, "length": along(36), "back": along(40)},
                 {"id": "stable", "top_mm": 115, "length": along(28), "back": along(30)}]},
            version=2),
    ),
)  # fmt: skip
