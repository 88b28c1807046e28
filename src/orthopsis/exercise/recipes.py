"""Good starts: small exercises that work at once, each with why its measures are what they are.

A recipe is an ordinary document. Whoever begins from one may change everything in it.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data


@dataclass(frozen=True, eq=False)
class Recipe:
    """A start: what pupils learn by it, and why it is measured so."""

    name: str
    learn: str
    why: str
    data: dict[str, Any]

    @property
    def document(self) -> Exercise:
        """A fresh document of this recipe."""
        return from_data(self.data)


def _document(title: str, age: int, view: dict[str, Any], *pieces: Any, **more: Any) -> Any:
    return {
        "format": "orthopsis-exercise", "version": 1, "title": title, "age": age,
        "sheet": {"size": "A3", "orientation": "landscape"},
        "wording": {"units": "cm", "reading": "simple" if age < 11 else "full"},
        "view": view, "pieces": list(pieces), **more,
    }  # fmt: skip


def _one(level: float, vp: float = 210, distance: float = 300, high: float = 150) -> Any:
    return {"kind": "one-point", "eye_level_mm": level, "vanishing_point_mm": vp,
            "viewing_distance_mm": distance, "eye_height_mm": high}  # fmt: skip


def _two(level: float, left: float, right: float, high: float = 150) -> Any:
    return {"kind": "two-point", "eye_level_mm": level, "left_vp_mm": left, "right_vp_mm": right,
            "eye_height_mm": high}  # fmt: skip


def _three(level: float, left: float, right: float, third: tuple[float, float]) -> Any:
    return {"kind": "three-point", "eye_level_mm": level, "left_vp_mm": left,
            "right_vp_mm": right, "third_vp_mm": list(third), "eye_height_mm": 300}  # fmt: skip


def _front(x: float, y: float, wide: float, high: float) -> dict[str, float]:
    return {"x_mm": x, "y_mm": y, "width_mm": wide, "height_mm": high}


def _edge(x: float, top: float, bottom: float) -> dict[str, float]:
    return {"x_mm": x, "top_mm": top, "bottom_mm": bottom}


def _tower(name: str, depth: float, corners: Sequence[tuple[float, float]]) -> dict[str, Any]:
    """A tower of a little planet, by the corners of its roof on the sheet."""
    xs, ys = zip(*corners, strict=True)
    left, top = min(xs), min(ys)
    return {
        "kind": "outline", "id": name, "by": "corners", "depth": {"along_mm": depth},
        "front": _front(left, top, max(xs) - left, max(ys) - top),
        "corners": [[x - left, y - top] for x, y in corners],
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


RECIPES: tuple[Recipe, ...] = (
    Recipe(
        "one-box",
        "The first box: a front face, four lines to one point, and a back.",
        "The front is 8 × 6 cm, so every corner lies on a whole centimetre. It stands low and to "
        "the left: the top and the right side show, both wide enough to draw on.",
        _document("My first box", 8, _one(100, 270), {
            "kind": "box", "id": "box", "standing": "ground",
            "front": _front(80, 170, 80, 60), "depth": {"along_mm": 60}}),
    ),
    Recipe(
        "three-boxes",
        "What shows above, on and below the eye level.",
        "Three equal squares of 6 cm, one above, one across and one below the line, on both "
        "sides of the point, so that undersides, tops and both side walls are met.",
        _document("Above, on and below", 9, _one(150), *(
            {"kind": "box", "id": name, "front": _front(x, y, 60, 60), "depth": {"along_mm": 45}}
            for name, x, y in (("upper", 60, 30), ("middle", 320, 120), ("lower", 60, 215)))),
    ),
    Recipe(
        "cubes",
        "True depth: a cube that really is one.",
        "The distance points lie 20 cm left and right of the point, at the ends of a 40 cm line "
        "that fits the sheet. A corner joined to the opposite one cuts the cube's true depth.",
        _document("True cubes", 13, _one(100, 210, 200, 180), *(
            {"kind": "box", "id": name, "standing": "ground", "front": _front(x, y, 60, 60),
             "depth": {"true_mm": 60}}
            for name, x, y in (("left cube", 90, 190), ("right cube", 230, 215)))),
    ),
    Recipe(
        "initial",
        "A block letter: which corners send a line, and which are hidden.",
        "One letter 12 cm high, so the youngest have room. The point lies below and to the right: "
        "two sides show, and the inner corners stop some lines.",
        _document("My initial", 9, _one(240, 330), {
            "kind": "letters", "id": "initial", "text": "E",
            "front": {"x_mm": 80, "y_mm": 50, "height_mm": 120}, "depth": {"along_mm": 60}}),
    ),
    Recipe(
        "name",
        "A name in block letters, a sheet of its own for each pupil.",
        "Letters 9 cm high, so strokes and bars fall on half centimetres; the point "
        "lies below the word's middle, so that letters left and right of it show different sides.",
        _document("Names in the air", 10, _one(230, 210), {
            "kind": "letters", "id": "name", "text": "IVY",
            "front": {"x_mm": 110, "y_mm": 60, "height_mm": 90}, "depth": {"along_mm": 50}}),
    ),
    Recipe(
        "steps-from-the-side",
        "A shape swept back: steps seen from their side.",
        "Four steps of 2 cm each way: equal marks, and each corner sends a line to the point "
        "unless the shape itself is in the way.",
        _document("Steps to the pond", 10, _one(60, 330), {
            "kind": "outline", "id": "steps", "standing": "ground", "depth": {"along_mm": 70},
            "front": _front(70, 160, 80, 80),
            "corners": [[0, 80], [0, 60], [20, 60], [20, 40], [40, 40], [40, 20], [60, 20],
                        [60, 0], [80, 0], [80, 80]]}),
    ),
    Recipe(
        "gable",
        "A house end facing us: the ridge goes to the point like everything else.",
        "Wall 8 cm wide and 5 cm high, peak 4 cm above the wall's middle. The back slope is "
        "parallel to the front one, because that wall stands parallel to the paper.",
        _document("Potting shed", 10, _one(130, 320), {
            "kind": "outline", "id": "shed", "standing": "ground", "depth": {"along_mm": 90},
            "front": _front(70, 130, 80, 90),
            "corners": [[0, 40], [40, 0], [80, 40], [80, 90], [0, 90]]}),
    ),
    Recipe(
        "drums",
        "Round things: a circle in perspective by five marks.",
        "Two drums of 6 cm, one upright, one lying. The further below the eye level an end lies, "
        "the rounder it looks: compare top and foot.",
        _document("Rain barrels", 12, _one(60, 210, 420, 200),
            {"kind": "cylinder", "id": "barrel", "standing": "ground",
             "front": _front(70, 150, 80, 90), "depth": {"true_mm": 80}},
            {"kind": "cylinder", "id": "pipe", "axis": "away", "standing": "ground",
             "front": _front(270, 190, 60, 60), "depth": {"fraction": 0.4}}),
    ),
    Recipe(
        "corner-box",
        "The first box in two points: an edge, four lines, two uprights, two back edges.",
        "The points lie 10 cm outside the sheet on both sides, so the lowest corner stays blunt "
        "and nothing looks as if it tips. The edge stands a little left of the middle: one side "
        "is wider.",
        _document("A box on its corner", 10, _two(110, -100, 520), {
            "kind": "box", "id": "box", "standing": "ground", "edge": _edge(190, 90, 220),
            "left": {"x_mm": 100}, "right": {"x_mm": 310}}),
    ),
    Recipe(
        "towers",
        "A street corner: three towers, nearest first.",
        "The middle tower is the nearest and drawn first; the others stand behind it on their own "
        "feet. Every width is a whole centimetre from the paper's edge.",
        _document("Three towers", 12, _two(190, -150, 570, 60),
            {"kind": "box", "id": "near tower", "standing": "ground",
             "edge": _edge(200, 50, 230), "left": {"x_mm": 130}, "right": {"x_mm": 270}},
            {"kind": "box", "id": "left tower", "standing": "ground",
             "edge": _edge(100, 100, 212), "left": {"x_mm": 60}, "right": {"x_mm": 135}},
            {"kind": "box", "id": "right tower", "standing": "ground",
             "edge": _edge(320, 80, 212), "left": {"x_mm": 280}, "right": {"x_mm": 370}}),
    ),
    Recipe(
        "word-on-a-wall",
        "A word that shrinks to its point: letters equal in truth, smaller on paper.",
        "The edge is 12 cm, so the letters' bars lie on whole and half centimetres of it; "
        "diagonals carry them back. Thin letters I and L leave room between the others.",
        _document("A word on a wall", 12, _two(220, -150, 570), {
            "kind": "letters", "id": "word", "text": "TILE", "run": "right",
            "edge": _edge(90, 50, 170), "length": {"x_mm": 300}, "thickness": {"x_mm": 60}}),
    ),
    Recipe(
        "street",
        "A street: the road's edge is the ground line of every house.",
        "The road is 20 cm wide at the lower edge, so its edges run at the same slope. The first "
        "house stands 27 cm down; each next one begins where the last one ends.",
        _document("A street", 10, _one(150, 210, 360), {
            "kind": "way", "id": "road", "to": "VP1", "edges_mm": [110, 310],
            "dashes": {"count": 4, "wide_mm": 10, "first": {"along_mm": 25}}}, {
            "kind": "row", "id": "houses",
            "from": {"piece": "road", "side": "left", "foot_mm": 270}, "buildings": [
                {"id": "first house", "top_mm": 60, "length": {"along_mm": 30},
                 "back": {"along_mm": 90}},
                {"id": "second house", "top_mm": 95, "length": {"along_mm": 20},
                 "back": {"along_mm": 80}}]}, version=2),
    ),
    Recipe(
        "lane-with-trees",
        "A lane with trees: all as tall, smaller and closer the further away.",
        "The nearest tree is 15 cm high, its neighbour stands 5 cm up the lower line, and all "
        "others follow by diagonals. Hills and sun are drawn by hand and measured by nobody.",
        _document("A lane with trees", 7, _one(150, 210, 360), {
            "kind": "way", "id": "lane", "to": "VP1", "edges_mm": [120, 300], "look": "path"}, {
            "kind": "posts", "id": "trees", "thing": "tree", "to": "VP1", "count": 4,
            "post": {"x_mm": 70, "top_mm": 90, "foot_mm": 240}, "next": {"along_mm": 50}}, {
            "kind": "sketch", "id": "hills", "look": "hills", "area": _front(150, 115, 250, 35)}, {
            "kind": "sketch", "id": "sun", "look": "sun", "area": _front(310, 60, 60, 60)},
            version=2),
    ),
    Recipe(
        "garden-railway",
        "A railway: rails to the point, sleepers under them that close up, poles with wires.",
        "The sleepers are 20 cm long on the lower edge, the rails lie 3 cm in from their ends. "
        "The sleepers come closer on paper because they lie equally far apart in truth.",
        _document("Garden railway", 11, _one(120, 180, 360), {
            "kind": "way", "id": "track", "to": "VP1", "edges_mm": [80, 280], "look": "rails",
            "track": {"in_mm": 30, "wide_mm": 10, "side_mm": 5, "sleepers": 7, "deep": 0.5,
                      "first": {"along_mm": 25}}}, {
            "kind": "posts", "id": "poles", "to": "VP1", "count": 4,
            "post": {"x_mm": 340, "top_mm": 30, "foot_mm": 250}, "next": {"along_mm": 60},
            "arm": {"long_mm": 40, "down_mm": 15}, "wires": {"sag_mm": 15}}, {
            "kind": "sketch", "id": "hills", "look": "hills", "area": _front(20, 85, 330, 35)},
            version=2),
    ),
    Recipe(
        "pocket-planet",
        "A little planet: roofs of any shape, every corner to one point, walls down to a circle.",
        "The roofs' corners lie on half centimetres, so they are marked with the ruler alone. "
        "The circle is drawn round a roll of tape, and hides behind the houses.",
        _document("Pocket planet", 11, _one(150, 210, 300), *(
            _tower(name, depth, corners) for name, depth, corners in _PLANET),
            {"kind": "disc", "id": "planet", "centre": {"x_mm": 210, "y_mm": 150},
             "radius_mm": 50, "land_mm": 8}, version=2),
    ),
    Recipe(
        "house",
        "A house with a gable: the roof has a point of its own.",
        "The edge is 10 cm, so three windows fall on whole centimetres of it. The roof's point "
        "lies a little above the sheet, within reach of a second sheet taped on.",
        _document("A house", 12, _two(165, -80, 520), {
            "kind": "building", "id": "house", "standing": "ground", "edge": _edge(240, 115, 215),
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
        _document("The gardener's cottage", 13, _two(165, -80, 520), {
            "kind": "building", "id": "cottage", "standing": "ground",
            "edge": _edge(210, 130, 230), "left": {"x_mm": 90}, "right": {"x_mm": 310},
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
        "music-block",
        "Storeys and bays: equal marks up the near upright, one diagonal for the windows.",
        "The edge is 15 cm high, so three storeys are 5 cm each, and sills and heads fall on "
        "whole half centimetres. The same marks serve round the corner.",
        _document("The music block", 12, _two(180, -100, 520), {
            "kind": "building", "id": "music block", "standing": "ground",
            "edge": _edge(190, 80, 230), "left": {"x_mm": 90}, "right": {"x_mm": 340},
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
        "corner-of-a-town",
        "A corner of a town: two ground lines carry all the houses.",
        "The points lie 4 cm beside the sheet. The corner house is the tallest; the houses beside "
        "it begin on its end uprights, and one stands after a gap of a centimetre.",
        _document("A corner of the town", 13, _two(180, -40, 460), {
            "kind": "building", "id": "corner", "standing": "ground", "edge": _edge(210, 40, 230),
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
        "from-the-roof",
        "Three points, looking down: uprights meet below.",
        "VP3 lies 24 cm below the sheet, far enough that the walls lean only a little; the "
        "triangle of the three points holds everything, so nothing is bent out of shape.",
        _document("Seen from the roof", 13, _three(30, -120, 540, (210, 540)),
            {"kind": "box", "id": "shed", "standing": "ground",
             "edge": {"x_mm": 230, "y_mm": 110, "length_mm": 90},
             "left": {"along_mm": 90}, "right": {"along_mm": 80}},
            {"kind": "box", "id": "hutch", "standing": "ground",
             "edge": {"x_mm": 120, "y_mm": 200, "length_mm": 30},
             "left": {"along_mm": 40}, "right": {"along_mm": 45}}),
    ),
    Recipe(
        "tower-from-below",
        "Three points, looking up: a tower that closes toward the sky.",
        "The eye level is low and VP3 lies 33 cm above the sheet. The one front edge is 22.5 cm "
        "long and reaches below the eye level, where the tower stands.",
        _document("Tower from below", 13, _three(260, -120, 560, (215, -330)), {
            "kind": "box", "id": "tower", "edge": {"x_mm": 200, "y_mm": 50, "length_mm": 225},
            "left": {"along_mm": 90}, "right": {"along_mm": 100}}),
    ),
)  # fmt: skip


def recipe(name: str) -> Recipe | None:
    """The recipe of that name, if there is one."""
    return next((one for one in RECIPES if one.name == name), None)
