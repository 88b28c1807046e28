"""Cast shadows: handbook values, projection against ruler, and rays that are counted one by one."""

from __future__ import annotations

import random

import numpy as np
import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.records import drawing_record, stroke_record
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.shadows import shadow_areas, shadows
from orthopsis.exercise.tone import planes
from orthopsis.perspective.area import Area
from orthopsis.perspective.light import LightOnPaper, from_the_side, sun_at, tip, tip_on
from orthopsis.perspective.plane import Point, join
from orthopsis.perspective.stroke import Role
from tests.agreement import difference, kept, kept_shadows, outlines
from tests.core.test_depth_buffer import triangles_of
from tests.rooms import HALL, ONE, TWO, made_thing, with_pieces
from tests.words import instruction

SIDE = {"kind": "side", "from": "right", "rise_deg": 45}
SUN = {"kind": "sun", "x_mm": 320, "y_mm": 20}
BEHIND = {"kind": "sun", "x_mm": 60, "y_mm": 260}


def lit(light, *pieces, view=ONE, cast=("ground",), **more):
    return {**with_pieces(*pieces, view=view), "tone": {"light": light, "cast": list(cast)}, **more}


def crate(**fields):
    front = {"x_mm": 150, "y_mm": 190, "width_mm": 40, "height_mm": 50}
    return {"kind": "box", "id": "crate", "standing": "ground", "depth": {"along_mm": 25},
            "front": front, **fields}  # fmt: skip


TABLE = {"kind": "made", "id": "table", "form": "table", "standing": "ground", "top_mm": 5,
         "leg_mm": 7, "front": {"x_mm": 250, "y_mm": 170, "width_mm": 90, "height_mm": 50},
         "depth": {"along_mm": 30}}  # fmt: skip


# Worked out by hand: eye level 140, VP 220, a post from its foot (150, 240) to its top (150, 190).
TIPS = [
    (from_the_side(True, 45), (100.0, 240.0)),
    (sun_at(Point(320, 20), 140), (28.57, 311.43)),
    (sun_at(Point(60, 260), 140), (123.53, 210.59)),
    (LightOnPaper(Point(300, 40), Point(300, 200)), (81.82, 258.18)),
]


@pytest.mark.parametrize(("light", "where"), TIPS)
def test_a_post_casts_its_shadow_where_the_handbook_has_it(light, where):
    assert tip(Point(150, 190), Point(150, 240), light).xy == pytest.approx(where, abs=0.01)


@pytest.mark.parametrize(
    ("light", "where"), [(SIDE, TIPS[0][1]), (SUN, TIPS[1][1]), (BEHIND, TIPS[2][1])]
)
def test_and_so_does_the_edge_of_a_box_by_projection(light, where):
    view = {**ONE, "eye_level_mm": 140, "vanishing_point_mm": 220}
    data = lit(light, crate(), view=view, sheet={"size": "A2"})
    corners = [
        xy
        for _, loops, _ in shadow_areas(resolve(from_data(data)))
        for loop in loops
        for xy in loop
    ]
    assert min(np.hypot(x - where[0], y - where[1]) for x, y in corners) < 0.01


def agrees(data):
    scene = resolve(from_data(data))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    assert difference(shadows(scene), kept_shadows(scene)) == ([], [])
    return scene


@pytest.mark.parametrize("light", ["left", SIDE, SUN, BEHIND])
def test_shadows_by_projection_and_by_ruler_are_the_same(light):
    scene = agrees(lit(light, crate(), TABLE))
    drawn = shadows(scene)
    assert {stroke.role for stroke in drawn} == {Role.SHADOW}
    assert {stroke.on for stroke in drawn} == {"ground"}
    assert {stroke.part.piece for stroke in drawn} == {"crate", "table"}


def random_lit(seed):
    rng = random.Random(seed)
    one_point = rng.random() < 0.6
    view = {**(ONE if one_point else TWO), "eye_level_mm": rng.uniform(60, 140)}
    pieces = []
    for number in range(rng.randint(1, 3)):
        high_mm = rng.uniform(15, 60)
        thing = {"kind": "box"} if rng.random() < 0.4 else made_thing(rng, one_point, high_mm)
        foot_mm, x_mm = rng.uniform(view["eye_level_mm"] + 40, 280), 30 + 120 * number
        if one_point:
            thing["front"] = {"x_mm": x_mm, "y_mm": foot_mm - high_mm, "height_mm": high_mm,
                              "width_mm": rng.uniform(20, 90)}  # fmt: skip
            thing["depth"] = {"along_mm": rng.uniform(8, 30)}
        else:
            thing["edge"] = {"x_mm": x_mm + 60, "top_mm": foot_mm - high_mm, "bottom_mm": foot_mm}
            thing |= {side: {"along_mm": rng.uniform(15, 50)} for side in ("left", "right")}
        pieces.append({**thing, "id": f"thing {number}", "standing": "ground"})
    sun = {"kind": "sun", "x_mm": rng.uniform(-50, 470)}
    off_mm = rng.uniform(60, 150)
    light = rng.choice([
        "left", "right", {"kind": "side", "from": "left", "rise_deg": rng.uniform(15, 75)},
        {**sun, "y_mm": view["eye_level_mm"] - off_mm},
        {**sun, "y_mm": view["eye_level_mm"] + off_mm},
    ])  # fmt: skip
    return lit(light, *pieces, view=view)


@pytest.mark.parametrize("first", range(0, 120, 40))
def test_random_things_in_random_light(first):
    drawn = 0
    for seed in range(first, first + 40):
        try:
            agrees(random_lit(seed))
        except ExerciseError:
            continue
        except AssertionError as failure:
            raise AssertionError(f"seed {seed}") from failure
        drawn += 1
    assert drawn > 15


def test_on_a_wall_the_guide_turns_upright():
    """Worked out by hand: eye level 140, VP 220; the wall's foot leads from VP through (300, 200),
    so it is met at (353.33, 240); light at 10° has fallen by 35.85 mm there.
    """
    foot = join(Point(220, 140), Point(300, 200))
    post = Point(150, 190), Point(150, 240)
    found = tip_on(*post, from_the_side(False, 10), foot, 140)
    assert found.turn.xy == pytest.approx((353.33, 240), abs=0.01) and found.reached
    assert found.at.xy == pytest.approx((353.33, 225.85), abs=0.01)
    assert not tip_on(*post, from_the_side(True, 10), foot, 140).reached, "it shines the other way"


def _toward(light, place, view):
    """The way from a place of eye space to the light, for the document's own words."""
    if light["kind"] == "side":
        rise = np.radians(light["rise_deg"])
        return np.array(
            [np.cos(rise) * (1 if light["from"] == "right" else -1), -np.sin(rise), 0.0]
        )
    behind = light["y_mm"] > view["eye_level_mm"]
    return np.array([light["x_mm"], light["y_mm"], 1.0]) * (-1.0 if behind else 1.0)


def _meets(scene, place, way):
    """Whether a ray from a place meets what stands there; None where it runs along a border.

    Source: the ray and triangle test of Möller and Trumbore, 1997 (from memory).
    """
    triangles = np.concatenate(
        [triangles_of(s) for of_part in scene.solids for s in of_part if s.faces]
    )
    a, b, c = (triangles[:, k] for k in range(3))
    side = np.cross(way, c - a)
    det = np.einsum("ij,ij->i", b - a, side)
    with np.errstate(all="ignore"):
        u = np.einsum("ij,ij->i", place - a, side) / det
        q = np.cross(place - a, b - a)
        v, t = q @ way / det, np.einsum("ij,ij->i", c - a, q) / det
        real = np.abs(det) > 1e-12
        met = np.any(real & (u > 1e-6) & (v > 1e-6) & (u + v < 1 - 1e-6) & (t > 1e-6))
        near = np.any(real & (t > -1e-6) & (u > -1e-3) & (v > -1e-3) & (u + v < 1.001))
    return bool(met) if met == near else None


def _told(data, places):
    """How many places lie in shadow and in light, after each is asked for by its ray, too."""
    scene = resolve(from_data(data))
    areas = [Area(loops) for _, loops, _ in shadow_areas(scene)]
    told = {True: 0, False: 0}
    for place in places(scene):
        met = _meets(scene, place, _toward(data["tone"]["light"], place, data["view"]))
        if met is not None:
            told[met] += 1
            x, y = place[:2] / place[2]
            assert met == any(area.inside((x, y)) for area in areas), (x, y)
    return told


@pytest.mark.parametrize("light", [SIDE, SUN, BEHIND])
def test_a_place_is_in_shadow_when_a_ray_to_the_light_meets_something(light):
    def on_ground(scene):
        rng = random.Random(3)
        for _ in range(400):
            x, y = rng.uniform(0, 420), rng.uniform(135, 297)
            yield np.array([x, y, 1.0]) * scene.main.eye_height_mm / (y - scene.main.eye_level_mm)

    assert min(_told(lit(light, crate(), TABLE), on_ground).values()) > 30


@pytest.mark.parametrize(
    ("light", "wall", "left"),
    [(SIDE, "left", True), (SUN, "left", True), (BEHIND, "left", True),
     ({"kind": "sun", "x_mm": 250, "y_mm": 140}, "back", False)],
)  # fmt: skip
def test_so_it_is_on_a_wall(light, wall, left):
    """The wall's plane from three places of it, worked out here."""
    standing = crate(front={"x_mm": 70, "y_mm": 150, "width_mm": 30, "height_mm": 90})

    def on_wall(scene):
        rng = random.Random(3)
        corner = np.array([140, 170, 1.0]) * scene.main.eye_height_mm / 50
        ways = np.array([0, 1.0, 0]), np.array([210, 120, 1.0] if left else [1.0, 0, 0])
        for _ in range(400):
            seen = np.array(
                [rng.uniform(0, 140), rng.uniform(60, 200), 1.0] if left
                else [rng.uniform(140, 270), rng.uniform(85, 170), 1.0]
            )  # fmt: skip
            depth = np.linalg.solve(np.column_stack([seen, -ways[0], -ways[1]]), corner)[0]
            if scene.pieces[0].place.surface_at(tuple(seen[:2]), scene.main) == wall:
                yield seen * depth

    told = _told(lit(light, HALL["pieces"][0], standing, cast=[f"hall/{wall}"]), on_wall)
    assert min(told.values()) > 10, told


def test_shadows_are_taught_and_printed_and_toned():
    scene = resolve(from_data(lit(SUN, crate(), TABLE)))
    lesson = run_through(scene)
    acts = [step.act.value for step in lesson]
    assert acts[-2:] == ["tone", "ink"] or "tone" in acts[-4:]
    words = " ".join(instruction(step) for step in lesson if step.act.value == "tone")
    assert "32 cm" in words and "2 cm" in words, "the sun's place is said"
    record = stroke_record(shadows(scene)[0])
    assert record["role"] == "shadow" and record["on"] == "ground" and record["piece"] == "crate"
    assert drawing_record(scene, shadows(scene)).plain()["strokes"]
    toned = planes(scene)
    first_of_thing = next(k for k, plane in enumerate(toned) if not plane.cast)
    assert first_of_thing > 0 and not any(plane.cast for plane in toned[first_of_thing:])


def test_a_table_is_toned_so_that_nearer_parts_lie_over_others():
    scene = resolve(from_data({**with_pieces(TABLE), "tone": {"light": "left"}}))
    top = [plane for plane in planes(scene) if plane.value == 0]
    assert planes(scene)[0] not in top, "the top lies over the legs behind it"


def test_a_shadow_that_runs_on_behind_us_ends_at_the_edge_of_the_sheet():
    scene = agrees(lit({"kind": "sun", "x_mm": 300, "y_mm": 110}, crate()))
    assert max(line.end[1] for line in shadows(scene)) == pytest.approx(scene.sheet.bounds[3])


@pytest.mark.parametrize(
    ("wrong", "field"),
    [
        ({"light": {"kind": "sun", "x_mm": 300, "y_mm": 120.2}}, "tone.light.y_mm"),
        ({"light": {"kind": "lamp", "piece": "nobody"}}, "tone.light.piece"),
        ({"cast": ["crate/side"]}, "tone.cast[0]"),
    ],
)
def test_light_that_casts_nothing_is_refused_with_its_field(wrong, field):
    data = lit(SUN, crate())
    data["tone"] = {**data["tone"], **wrong}
    with pytest.raises(ExerciseError) as refused:
        shadows(resolve(from_data(data)))
    assert refused.value.path == field
