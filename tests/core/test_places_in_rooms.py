"""Places in a room against a world of our own: a pinhole camera and a room of plain numbers.

The world is in millimetres at the scale of the back wall (in a corner: of its upright), which lies
in the picture plane: x to the right, y down, n toward us. Nothing of the program's projection is
used, so that a room, its panels and what is put in it are checked from outside.
"""

from __future__ import annotations

import math
import random
from typing import NamedTuple

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_new_piece
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.perspective.segments import distance_to_segment
from orthopsis.pieces.registry import KINDS
from tests.agreement import difference, kept, outlines
from tests.core.test_bench_edits import value_of
from tests.rooms import HALL, ONE, TWO, made_thing, random_room, scene, with_pieces

EYE_MM = ONE["vanishing_point_mm"], ONE["eye_level_mm"], ONE["viewing_distance_mm"]
LEFT, TOP, RIGHT, FOOT = 140.0, 85.0, 270.0, 170.0
"""The walls, the ceiling and the floor of the hall."""
ROOM = HALL["pieces"][0]


def seen(x, y, n):
    """Where the pinhole camera has a place of the hall's world."""
    vp_x, vp_y, away = EYE_MM
    grown = away / (away - n)
    return vp_x + (x - vp_x) * grown, vp_y + (y - vp_y) * grown


def toward_us(x_mm=None, y_mm=None, *, on):
    """How far toward us a place of a wall's foot or of the floor lies, from where it is seen."""
    vp_x, vp_y, away = EYE_MM
    grown = (y_mm - vp_y) / (FOOT - vp_y) if x_mm is None else (x_mm - vp_x) / (on - vp_x)
    return away * (1 - 1 / grown)


SURFACES = {
    "left": lambda across, n: (LEFT, TOP + across * (FOOT - TOP), n),
    "right": lambda across, n: (RIGHT, TOP + across * (FOOT - TOP), n),
    "ceiling": lambda across, n: (LEFT + across * (RIGHT - LEFT), TOP, n),
    "floor": lambda across, n: (LEFT + across * (RIGHT - LEFT), FOOT, n),
    "back": lambda across, n: (LEFT + across * (RIGHT - LEFT), TOP + n / 3, 0.0),
}


@pytest.mark.parametrize("surface", SURFACES)
def test_a_place_is_seen_on_the_surface_that_it_belongs_to(surface):
    rng = random.Random(surface)
    there = scene(ROOM)
    room, view = there.exercise.pieces[0].place, there.stage(0).view
    for _ in range(100):
        place = seen(*SURFACES[surface](rng.uniform(0.02, 0.98), rng.uniform(2, 240)))
        assert room.surface_at(place, view) == surface
        assert room.floor_holds(place, view) == (surface == "floor")


@pytest.mark.parametrize("seed", range(6))
def test_in_a_corner_too(seed):
    rng = random.Random(seed)
    # Two walls at a right angle: the points lie as far apart as their directions say.
    turn = math.radians(rng.uniform(30, 60))
    eye_x, eye_y, away = 210.0, 110.0, 300.0
    view = {**TWO, "left_vp_mm": eye_x - away / math.tan(turn),
            "right_vp_mm": eye_x + away * math.tan(turn)}  # fmt: skip
    upright = {"x_mm": 200 + rng.uniform(-20, 20), "top_mm": 60, "bottom_mm": 160}
    there = scene({"kind": "room", "id": "hall", "corner": upright}, view=view)
    room, found = there.exercise.pieces[0].place, there.stage(0).view
    # The left wall runs to the right point, away from us; from the corner it comes toward us.
    walls = {"left": (-math.sin(turn), math.cos(turn)), "right": (math.cos(turn), math.sin(turn))}

    def place_of(out, y_mm):
        """In the plane of a wall, or between both: the steps along the left and the right one."""
        x = upright["x_mm"] - eye_x + sum(walls[side][0] * by for side, by in out.items())
        n = sum(walls[side][1] * by for side, by in out.items())
        grown = away / (away - n)
        return eye_x + x * grown, eye_y + (y_mm - eye_y) * grown

    for _ in range(60):
        y_mm, both = rng.uniform(62, 158), {"left": rng.uniform(5, 90), "right": rng.uniform(5, 90)}
        for side in walls:
            assert room.surface_at(place_of({side: both[side]}, y_mm), found) == side
        assert room.surface_at(place_of(both, 160), found) == "floor"
        assert room.surface_at(place_of(both, 60), found) == "ceiling"


class Rectangle(NamedTuple):
    """The corners of a panel where the pinhole camera has them."""

    corners: list[tuple[float, float]]

    def is_drawn(self, lines):
        """Whether each of its sides lies on drawn lines, as far as the sheet goes."""
        for k, start in enumerate(self.corners):
            end = self.corners[(k + 1) % 4]
            for share in (0.03, 0.5, 0.97):
                x, y = (a + (b - a) * share for a, b in zip(start, end, strict=True))
                if 10 < x < 410 and 10 < y < 287:
                    near = min(distance_to_segment((x, y), one.segment) for one in lines)
                    assert near < 0.01, (start, end, share)


@pytest.mark.parametrize("seed", range(12))
def test_a_panel_lies_where_a_camera_has_it(seed):
    rng = random.Random(seed)
    side, wall_mm = rng.choice([("left", LEFT), ("right", RIGHT)])
    way = -1 if side == "left" else 1
    ends = sorted(wall_mm + way * rng.uniform(5, 110) for _ in range(2))
    up_mm, high_mm = rng.uniform(1, 20), rng.uniform(10, 50)
    there = scene(ROOM, {
        "kind": "panel", "id": "window", "on": f"hall/{side}", "look": "window",
        "from": {"x_mm": ends[0]}, "to": {"x_mm": ends[1]}, "up_mm": up_mm, "height_mm": high_mm,
    })  # fmt: skip
    near = [toward_us(end, on=wall_mm) for end in ends]
    heights = FOOT - up_mm - high_mm, FOOT - up_mm
    corners = [seen(wall_mm, heights[0], near[0]), seen(wall_mm, heights[0], near[1]),
               seen(wall_mm, heights[1], near[1]), seen(wall_mm, heights[1], near[0])]  # fmt: skip
    lines = [line for line in outlines(there) if line.part.piece == "window"]
    assert len(lines) >= 4
    Rectangle(corners).is_drawn(lines)


@pytest.mark.parametrize("seed", range(8))
def test_a_rug_is_as_deep_as_its_cut(seed):
    rng = random.Random(seed)
    x_mm, y_mm, wide_mm = rng.uniform(120, 170), rng.uniform(220, 270), rng.uniform(40, 120)
    deep_mm = rng.uniform(10, 90)
    there = scene(ROOM, {
        "kind": "panel", "id": "rug", "on": "hall/floor", "look": "rug",
        "foot": {"x_mm": x_mm, "y_mm": y_mm, "width_mm": wide_mm}, "depth": {"true_mm": deep_mm},
    })  # fmt: skip
    near = toward_us(y_mm=y_mm, on=None)
    # A true depth is told at the scale of the line that it is measured from.
    scale = (FOOT - EYE_MM[1]) / (y_mm - EYE_MM[1])
    far = near - deep_mm * scale
    left, right = ((x - EYE_MM[0]) * scale + EYE_MM[0] for x in (x_mm, x_mm + wide_mm))
    corners = [seen(left, FOOT, near), seen(right, FOOT, near), seen(right, FOOT, far),
               seen(left, FOOT, far)]  # fmt: skip
    if far < 0:
        return
    Rectangle(corners).is_drawn([one for one in outlines(there) if one.part.piece == "rug"])


@pytest.mark.parametrize("rows", [1, 4, 9])
def test_square_tiles_are_square_in_the_world(rows):
    there = scene(ROOM, {"kind": "panel", "id": "tiles", "on": "hall/floor", "look": "tiles",
                         "grid": [6, rows], "row": "square"})  # fmt: skip
    first = toward_us(y_mm=there.stage(0).sheet.bounds[3], on=None)
    side = (RIGHT - LEFT) / 6
    across = {
        line.start[1]
        for line in outlines(there)
        if line.part.piece == "tiles" and math.isclose(*(end[1] for end in line.segment))
    }
    for row in range(1, rows + 1):
        if first - row * side > 0:
            _, y_mm = seen(LEFT, FOOT, first - row * side)
            assert any(math.isclose(y_mm, other, abs_tol=0.01) for other in across), row


HEIGHTS = [({"level": "worktop"}, FOOT - 28), ({"to": "hall/ceiling"}, TOP)]


@pytest.mark.parametrize(("height", "top_mm"), HEIGHTS)
@pytest.mark.parametrize("foot_mm", [185, 215, 260])
def test_a_thing_on_the_floor_is_as_high_as_the_level_wherever_it_stands(height, top_mm, foot_mm):
    foot = {"x_mm": 170, "y_mm": foot_mm, "width_mm": 40}
    there = scene(ROOM, {"kind": "box", "id": "post", "on": "hall/floor", "foot": foot,
                         "depth": {"along_mm": 6}, "height": height})  # fmt: skip
    near = toward_us(y_mm=foot_mm, on=None)
    _, wanted_mm = seen(LEFT, top_mm, near)
    uprights = [line for line in outlines(there)
                if line.part.piece == "post" and line.family == "vertical"]  # fmt: skip
    tops = [min(end[1] for end in line.segment) for line in uprights]
    assert any(math.isclose(top, max(wanted_mm, 10.0), abs_tol=0.01) for top in tops)


# --- put there with a click, and taken hold of ----------------------------------------------------

PLACES = [(200, 120), (60, 160), (360, 150), (215, 30), (215, 200), (150, 260), (330, 280)]
STANDING = ("box", "cylinder", "made", "stairs", "panel", "letters", "building")

REFUSED = {
    ("cylinder", "refused-end-edge-on"), ("panel", "refused-needs-room"),
    ("panel", "refused-panel-behind-wall"),
}  # fmt: skip
"""The reasons that are good ones: each says what to do instead."""


@pytest.mark.parametrize("at", PLACES)
@pytest.mark.parametrize("kind", STANDING)
@pytest.mark.parametrize("room", ["hall", "corner"])
def test_whatever_is_put_into_a_room_is_drawn_or_refused_with_a_reason(at, kind, room):
    assert set(STANDING) <= set(KINDS)
    corner = {"kind": "room", "id": "hall",
              "corner": {"x_mm": 210, "top_mm": 60, "bottom_mm": 160}}  # fmt: skip
    base = from_data(with_pieces(ROOM) if room == "hall" else with_pieces(corner, view=TWO))
    try:
        document, id = with_new_piece(base, kind, at, 5.0)
        there = resolve(document)
        differs = difference(outlines(there), kept(there))
    except ExerciseError as refusal:
        assert (kind, refusal.says.id) in REFUSED and refusal.path
        return
    put = next(piece for piece in there.exercise.pieces if piece.id == id)
    on = getattr(put, "on", None)
    assert on is None or on.partition("/")[0] == "hall"
    assert differs == ([], [])


@pytest.mark.parametrize("first", range(0, 60, 12))
def test_every_handle_in_a_room_lies_where_its_value_is_read(first):
    read = 0
    for seed in range(first, first + 12):
        try:
            there = resolve(from_data(random_room(seed)))
        except ExerciseError:
            continue
        for number, piece in enumerate(there.exercise.pieces):
            for grip in piece.handles(there.stage(number), there.pieces[number]):
                ways = {"across": grip.at.x, "down": grip.at.y,
                        "along": math.dist(grip.at.xy, grip.start.xy)}  # fmt: skip
                if grip.reads in ways:
                    value = value_of(piece, grip)
                    assert math.isclose(ways[grip.reads], value, abs_tol=1e-6), (seed, grip)
                    read += 1
    assert read > 10


@pytest.mark.parametrize("seed", range(10))
def test_a_thing_of_any_make_stands_on_the_floor_where_its_foot_is(seed):
    rng = random.Random(seed)
    foot = {"x_mm": rng.uniform(120, 200), "y_mm": rng.uniform(200, 270), "width_mm": 60}
    thing = made_thing(rng, True, 40.0)
    data = {**thing, "id": "thing", "on": "hall/floor", "foot": foot, "height": {"mm": 40},
            "depth": {"true_mm": 30}, "standing": "ground"}  # fmt: skip
    try:
        there = scene(ROOM, data)
    except ExerciseError as refusal:
        assert refusal.path
        return
    lowest = [end[1] for line in outlines(there) if line.part.piece == "thing"
              for end in line.segment]  # fmt: skip
    assert math.isclose(max(lowest), foot["y_mm"], abs_tol=0.01) or thing["form"] == "cut"
