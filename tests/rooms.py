"""Rooms to test with: one hall with tiles and a table, and random rooms and furniture."""

from __future__ import annotations

import copy
import random

from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from tests.documents import Data, changed

ONE = {"kind": "one-point", "eye_level_mm": 120, "vanishing_point_mm": 210,
       "viewing_distance_mm": 300}  # fmt: skip
TWO = {"kind": "two-point", "eye_level_mm": 110, "left_vp_mm": -100, "right_vp_mm": 520}

HALL = {
    "format": "orthopsis-exercise", "version": 2, "title": "Hall", "sheet": {"size": "A3"},
    "view": ONE,
    "pieces": [
        {"kind": "room", "id": "hall",
         "back": {"x_mm": 140, "y_mm": 85, "width_mm": 130, "height_mm": 85},
         "levels": {"worktop": 28, "sill": 36}},
        {"kind": "panel", "id": "tiles", "on": "hall/floor", "look": "tiles", "grid": [6, 10],
         "row": "square", "chequered": True},
        {"kind": "made", "form": "table", "id": "table", "on": "hall/floor",
         "foot": {"x_mm": 120, "y_mm": 240, "width_mm": 110}, "depth": {"along_mm": 35},
         "height": {"mm": 50}, "top_mm": 5, "leg_mm": 7}],
}  # fmt: skip
"""As documents write it."""

FORMS = ("table", "stool", "bench", "chair", "bed", "shelf", "tank", "book", "cut")


def hall(**fields):
    return resolve(from_data(changed(HALL, **fields)))


def with_pieces(*pieces: Data, view: Data = ONE) -> Data:
    return copy.deepcopy({**HALL, "view": view, "pieces": list(pieces)})


def scene(*pieces: Data, view: Data = ONE):
    return resolve(from_data(with_pieces(*pieces, view=view)))


def _cut(rng: random.Random) -> Data:
    return rng.choice([
        {"along_mm": rng.uniform(10, 60)}, {"fraction": rng.uniform(0.1, 0.5)},
        {"true_mm": rng.uniform(20, 120)},
    ])  # fmt: skip


def made_thing(rng: random.Random, one_point: bool, high_mm: float) -> Data:
    """A made thing, all but its place."""
    form = rng.choice(FORMS)
    sides = ["front"] if one_point else ["far left", "far right"]
    thing: Data = {"kind": "made", "form": form, "standing": rng.choice(["ground", "floating"]),
                   "back": rng.choice(["back", "left", "right", *sides]),
                   "transparent": rng.random() < 0.1}  # fmt: skip
    if rng.random() < 0.8:
        thing |= {"top_mm": rng.uniform(1, high_mm / 4), "leg_mm": rng.uniform(1, 12)}
    if form in ("chair", "bed"):
        thing["seat_mm"] = rng.uniform(0.4, 0.8) * high_mm
    if form == "shelf":
        thing["boards"] = rng.randint(2, 5)
    if form == "cut":
        counts = [rng.randint(1, 3) for _ in range(3)]
        cells = [[i, j, k] for i in range(counts[0]) for j in range(counts[1])
                 for k in range(counts[2])]  # fmt: skip
        thing |= dict(zip(("columns", "rows", "layers"), counts, strict=True))
        thing["take"] = rng.sample(cells, rng.randint(0, len(cells) - 1))
    return thing


def random_made(seed: int) -> Data:
    """One made thing in one, two or three points."""
    rng = random.Random(seed)
    high_mm = rng.uniform(20, 110)
    points = rng.choice([1, 1, 2, 2, 3])
    thing = {**made_thing(rng, points == 1, high_mm), "id": "thing"}
    if points == 1:
        view = {
            **ONE,
            "eye_level_mm": rng.uniform(20, 200),
            "vanishing_point_mm": rng.uniform(50, 370),
        }
        thing["front"] = {"x_mm": rng.uniform(20, 330), "y_mm": rng.uniform(-10, 230),
                          "width_mm": rng.uniform(20, 130), "height_mm": high_mm}  # fmt: skip
        thing["depth"] = _cut(rng)
    elif points == 2:
        top_mm = rng.uniform(20, 200)
        view = {**TWO, "eye_level_mm": rng.uniform(20, 200), "left_vp_mm": rng.uniform(-300, 20)}
        thing["edge"] = {
            "x_mm": rng.uniform(100, 300),
            "top_mm": top_mm,
            "bottom_mm": top_mm + high_mm,
        }
        thing |= {"left": _cut(rng), "right": _cut(rng)}
    else:
        view = {"kind": "three-point", "eye_level_mm": 40, "left_vp_mm": -140, "right_vp_mm": 560,
                "third_vp_mm": [210 + rng.uniform(-40, 40), 540], "eye_height_mm": 300}  # fmt: skip
        thing["edge"] = {"x_mm": rng.uniform(120, 300), "y_mm": rng.uniform(60, 200),
                         "length_mm": high_mm}  # fmt: skip
        thing |= {side: {"along_mm": rng.uniform(20, 70)} for side in ("left", "right")}
    return with_pieces(thing, view=view)


def random_room(seed: int) -> Data:
    """A room with things on its floor, tiles, and panels in its walls."""
    rng = random.Random(seed)
    one_point = rng.random() < 0.6
    level_mm = rng.uniform(90, 150)
    room: Data = {"kind": "room", "id": "hall", "levels": {"worktop": rng.uniform(10, 30)}}
    if one_point:
        view = {**ONE, "eye_level_mm": level_mm, "vanishing_point_mm": rng.uniform(150, 270)}
        left_mm = view["vanishing_point_mm"] - rng.uniform(30, 90)
        room["back"] = {
            "x_mm": left_mm, "y_mm": level_mm - rng.uniform(25, 60),
            "width_mm": rng.uniform(95, 160), "height_mm": rng.uniform(65, 100),
        }  # fmt: skip
        floor_mm = room["back"]["y_mm"] + room["back"]["height_mm"]
    else:
        view = {**TWO, "eye_level_mm": level_mm}
        floor_mm = level_mm + rng.uniform(30, 60)
        room["corner"] = {"x_mm": rng.uniform(120, 300), "top_mm": level_mm - rng.uniform(30, 80),
                          "bottom_mm": floor_mm}  # fmt: skip
    pieces = [room]
    if one_point and rng.random() < 0.6:
        row = "square" if rng.random() < 0.6 else {"along_mm": rng.uniform(10, 25)}
        foot = {"x_mm": 60, "y_mm": rng.uniform(250, 290), "width_mm": rng.uniform(150, 330)}
        pieces.append({"kind": "panel", "id": "tiles", "on": "hall/floor", "look": "tiles",
                       "grid": [rng.randint(1, 9), rng.randint(1, 12)], "row": row,
                       "foot": foot if rng.random() < 0.3 else None})  # fmt: skip
    for side in rng.sample(["left", "right"], rng.randint(0, 2)):
        ends = sorted(rng.uniform(5, 110) for _ in range(2))
        places = [{"x_mm": x if side == "left" else 420 - x} for x in ends]
        up_mm = rng.choice([0, rng.uniform(2, 20)])
        pieces.append({
            "kind": "panel", "id": f"at the {side}", "on": f"hall/{side}", "look": "door",
            "from": places[0], "to": places[1], "up_mm": up_mm, "height_mm": rng.uniform(10, 40),
        })  # fmt: skip
    for number in range(rng.randint(1, 2)):
        foot_mm = rng.uniform(floor_mm + 25, 285)
        height = rng.choice(
            [{"mm": rng.uniform(20, 90)}, {"level": "worktop"}, {"to": "hall/ceiling"}]
        )
        thing: Data = {"kind": "box"}
        if rng.random() < 0.6:
            thing = made_thing(rng, one_point, 60.0)
        thing |= {"id": f"thing {number}", "on": "hall/floor", "height": height}
        x_mm = rng.uniform(60, 150) + 160 * number
        if one_point:
            thing |= {"foot": {"x_mm": x_mm, "y_mm": foot_mm, "width_mm": rng.uniform(30, 110)},
                      "depth": _cut(rng)}  # fmt: skip
        else:
            thing |= {
                "foot": {"x_mm": x_mm, "y_mm": foot_mm},
                "left": _cut(rng),
                "right": _cut(rng),
            }
        pieces.append(thing)
    return with_pieces(*pieces, view=view)
