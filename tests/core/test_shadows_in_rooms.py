"""Shadows in rooms: on floors, walls and tops, of what stands there, hangs, or lies on a table."""

from __future__ import annotations

import random

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.shadows import shadows
from orthopsis.exercise.tone import planes
from tests.agreement import difference, kept_shadows
from tests.core.test_shadows import SIDE, agrees, lit
from tests.rooms import HALL, ONE, TWO, made_thing


def random_room_lit(seed):
    """A room with things in it and light of any kind, that falls on floor and walls."""
    rng = random.Random(seed)
    one_point = rng.random() < 0.6
    view = {**(ONE if one_point else TWO), "eye_level_mm": (level := rng.uniform(90, 130))}
    top_mm, foot_mm = level - rng.uniform(30, 60), level + rng.uniform(25, 50)
    room = {"kind": "room", "id": "hall"}
    if one_point:
        left_mm, right_mm = (210 + way * rng.uniform(40, 90) for way in (-1, 1))
        room["back"] = {"x_mm": left_mm, "y_mm": top_mm, "width_mm": right_mm - left_mm,
                        "height_mm": foot_mm - top_mm}  # fmt: skip
    else:
        room["corner"] = {"x_mm": rng.uniform(150, 280), "top_mm": top_mm, "bottom_mm": foot_mm}

    def placed(x_mm, y_mm, high_mm, wide_mm):
        if one_point:
            return {"front": {"x_mm": x_mm, "y_mm": y_mm - high_mm, "height_mm": high_mm,
                              "width_mm": wide_mm}, "depth": {"along_mm": wide_mm / 4}}  # fmt: skip
        edge = {"x_mm": x_mm + 40, "top_mm": y_mm - high_mm, "bottom_mm": y_mm}
        return {"edge": edge, "left": {"along_mm": wide_mm / 2}, "right": {"along_mm": wide_mm / 2}}

    pieces = [room]
    for number in range(rng.randint(1, 3)):
        high_mm = rng.uniform(15, 70)
        thing = {"kind": "box"} if rng.random() < 0.4 else made_thing(rng, one_point, high_mm)
        place = placed(60 + 110 * number + rng.uniform(-20, 20), rng.uniform(foot_mm + 20, 270),
                       high_mm, rng.uniform(20, 70))  # fmt: skip
        pieces.append({**thing, **place, "id": f"thing {number}", "standing": "ground"})
    lamp = placed(rng.uniform(60, 350), rng.uniform(foot_mm + 30, 240), rng.uniform(90, 150), 12)
    sun = {"kind": "sun", "x_mm": rng.uniform(-50, 470)}
    light = rng.choice([
        "left", {"kind": "side", "from": "right", "rise_deg": rng.uniform(8, 40)},
        {**sun, "y_mm": level - rng.uniform(60, 250)},
        {**sun, "y_mm": level + rng.uniform(20, 100)}, {"kind": "lamp", "piece": "lamp"},
    ])  # fmt: skip
    if light == {"kind": "lamp", "piece": "lamp"}:
        pieces.append({**lamp, "kind": "box", "id": "lamp", "standing": "ground"})
    walls = ("back", "left", "right") if one_point else ("left", "right")
    return lit(light, *pieces, view=view, cast=[f"hall/{one}" for one in ("floor", *walls)])


def _stand_within(scene):
    feet = (
        part.drawn.place.corners(part.stage)[k][0].xy
        for part in scene.parts[1:]
        for k in (2, 3, 6, 7)
    )
    return all(scene.pieces[0].place.floor_holds(foot, scene.main) for foot in feet)


@pytest.mark.parametrize("first", range(0, 100, 50))
def test_random_light_falls_on_floor_and_walls(first):
    drawn = on_walls = 0
    for seed in range(first, first + 50):
        try:
            scene = resolve(from_data(random_room_lit(seed)))
            if not _stand_within(scene):
                continue
            strokes = shadows(scene)
            assert difference(strokes, kept_shadows(scene)) == ([], [])
        except ExerciseError:
            continue
        except AssertionError as failure:
            raise AssertionError(f"seed {seed}") from failure
        drawn += 1
        on_walls += any(stroke.on != "hall/floor" for stroke in strokes)
    assert drawn > 20 and on_walls > 5


def _block(id, on, **place):
    return {"kind": "box", "id": id, "on": on, **place}


def _front(x_mm, y_mm, width_mm, height_mm, back_mm):
    size = {"width_mm": width_mm, "height_mm": height_mm}
    return {"front": {"x_mm": x_mm, "y_mm": y_mm, **size}, "depth": {"along_mm": back_mm}}


def _edge(x_mm, top_mm, bottom_mm, left_mm, right_mm):
    return {"edge": {"x_mm": x_mm, "top_mm": top_mm, "bottom_mm": bottom_mm},
            "left": {"along_mm": left_mm}, "right": {"along_mm": right_mm}}  # fmt: skip


FURNISHED = {
    "one": [
        {"kind": "room", "id": "hall",
         "back": {"x_mm": 140, "y_mm": 75, "width_mm": 140, "height_mm": 100}},
        {"kind": "made", "form": "table", "id": "table", "on": "hall/floor", "top_mm": 5,
         "leg_mm": 8, "foot": {"x_mm": 150, "y_mm": 230, "width_mm": 110},
         "depth": {"along_mm": 30}, "height": {"mm": 60}},
        _block("book", "table/top", **_front(160, 150, 30, 15, 8)),
        _block("cupboard", "hall/left", **_front(95, 70, 40, 60, 15)),
        _block("board", "hall/back", **_front(215, 95, 40, 30, 1)),
        _block("hood", "hall/ceiling", **_front(230, 40, 30, 20, 10)),
    ],
    "two": [
        {"kind": "room", "id": "hall", "corner": {"x_mm": 200, "top_mm": 55, "bottom_mm": 150}},
        _block("table", "hall/floor", foot={"x_mm": 230, "y_mm": 230}, height={"mm": 40},
               left={"along_mm": 50}, right={"along_mm": 40}),
        _block("book", "table/top", **_edge(230, 170, 182, 20, 15)),
        _block("cupboard", "hall/left", **_edge(150, 50, 85, 15, 25)),
        _block("board", "hall/right", **_edge(290, 60, 95, 8, 8)),
        _block("hood", "hall/ceiling", **_edge(300, 20, 35, 15, 15)),
    ],
}  # fmt: skip
"""Things on a table, on walls and under the ceiling."""
LAMPS = {
    "one": {"ceiling": _front(190, 40, 20, 12, 8), "left": _front(100, 60, 20, 12, 8),
            "right": _front(290, 60, 20, 12, 8), "back": _front(170, 85, 20, 12, 2),
            "top": _front(220, 130, 20, 30, 5)},
    "two": {"ceiling": _edge(220, 20, 35, 15, 15), "left": _edge(130, 50, 65, 15, 15),
            "right": _edge(260, 50, 65, 15, 15), "top": _edge(215, 140, 175, 5, 5)},
}  # fmt: skip
# The suns at 150 and 300 stand in line with an upright: it is found by what stands beside it.
LIGHTS = ["left", {**SIDE, "rise_deg": 35}, *(
    {"kind": "sun", "x_mm": x, "y_mm": y} for x, y in ((150, 200), (300, 160), (350, -100))
), *(("lamp", on) for on in LAMPS["one"])]  # fmt: skip


@pytest.mark.parametrize("light", LIGHTS, ids=str)
@pytest.mark.parametrize(("points", "view"), [("one", ONE), ("two", TWO)])
def test_what_hangs_and_what_stands_on_a_top_casts_on_all_surfaces(points, view, light):
    pieces = FURNISHED[points]
    if isinstance(light, tuple):
        _, where = light
        where = where if where in LAMPS[points] else "ceiling"
        on = "table/top" if where == "top" else f"hall/{where}"
        pieces = [*pieces, _block("lamp", on, **LAMPS[points][where])]
        light = {"kind": "lamp", "piece": "lamp"}
    walls = ["left", "right", *(["back"] if points == "one" else [])]
    cast_on = ["table/top", *(f"hall/{one}" for one in ("floor", *walls))]
    scene = agrees(lit(light, *pieces, view=view, cast=cast_on))
    assert len({stroke.part.piece for stroke in shadows(scene)}) > 2
    assert any(plane.cast for plane in planes(scene))


def test_a_lamp_in_a_room_casts_on_the_floor_as_far_as_the_wall():
    lamp = {"kind": "box", "id": "lamp", "on": "hall/floor", "depth": {"along_mm": 10},
            "foot": {"x_mm": 80, "y_mm": 250, "width_mm": 25}, "height": {"mm": 230}}  # fmt: skip
    table = {**HALL["pieces"][2], "foot": {"x_mm": 150, "y_mm": 230, "width_mm": 90}}
    data = lit(
        {"kind": "lamp", "piece": "lamp"}, HALL["pieces"][0], table, lamp, cast=["hall/floor"]
    )
    scene = agrees(data)
    drawn = shadows(scene)
    assert drawn and all(stroke.part.piece == "table" for stroke in drawn), (
        "the lamp itself casts none"
    )
    assert all(
        scene.pieces[0].place.floor_holds(end, scene.main) for s in drawn for end in s.segment
    )
