"""Shadows of houses, of what is built on them, and of letters: twice, and against rays of light."""

from __future__ import annotations

import random

import numpy as np
import pytest

from orthopsis.construction.line_figure import FigureLine, LineFigure
from orthopsis.construction.moves import Act
from orthopsis.construction.order import NoDrawingOrder
from orthopsis.construction.paper import Paper
from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice.said import advice
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.shadows import shadows
from orthopsis.perspective.area import Area, bordering
from orthopsis.perspective.plane import Point
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL
from tests.agreement import difference, kept_shadows
from tests.core.test_shadows import BEHIND, SIDE, SUN, _told, lit
from tests.documents import scene_of
from tests.houses import COTTAGE, random_flush_houses, random_houses
from tests.letters import random_words
from tests.rooms import ONE
from tests.streets import random_street
from tests.words import instruction


def in_light(data, seed):
    """A random document whose things stand on the ground, in random light."""
    rng = random.Random(seed)
    level = data["view"]["eye_level_mm"]
    for piece in data["pieces"]:
        if "standing" in piece:
            piece["standing"] = "ground"
        if piece["kind"] == "letters":
            piece["form"] = "block"
    sun, off_mm = {"kind": "sun", "x_mm": rng.uniform(-50, 470)}, rng.uniform(40, 150)
    light = rng.choice([
        "left", "right", {"kind": "side", "from": "left", "rise_deg": rng.uniform(30, 75)},
        {**sun, "y_mm": level - off_mm}, {**sun, "y_mm": level + off_mm},
    ])  # fmt: skip
    return {**data, "tone": {"light": light, "cast": ["ground"]}}


@pytest.mark.parametrize(
    ("made", "seeds", "least"),
    [(random_houses, range(300, 420), 12), (random_flush_houses, range(80), 8),
     (random_street, range(24), 8), (random_words, range(60, 80), 5)],
)  # fmt: skip
def test_random_houses_and_letters_in_random_light(made, seeds, least):
    agreed = lines = 0
    for seed in seeds:
        try:
            scene = resolve(from_data(in_light(made(seed), seed)))
            found = difference(shadows(scene), kept_shadows(scene))
        except (ExerciseError, NoDrawingOrder):
            continue
        assert found == ([], []), f"{made.__name__}({seed})"
        agreed, lines = agreed + 1, lines + len(shadows(scene))
    assert agreed >= least and lines > 2 * agreed


CHIMNEY = {"kind": "chimney", "id": "stack", "on": "roof left", "wide": {"along_mm": 10},
           "deep": {"along_mm": 6}, "high_mm": 35}  # fmt: skip


FLAT = {"kind": "flat"}
GABLE = {"kind": "gable", "end": "right", "peak_mm": 40}
BUILT_ON = {
    "chimney": (GABLE, CHIMNEY),
    "dormer": (GABLE, {"kind": "dormer", "id": "dormer", "on": "roof left", "rake_mm": 12,
                       "from": {"along_mm": 20}, "wide": {"along_mm": 20}, "high_mm": 14,
                       "peak_mm": 8}),
    "eaves": ({**GABLE, "eaves_mm": 6}, None),
    "rake": ({**GABLE, "eaves_mm": 6, "rake_mm": 0}, None),
    "hip": ({"kind": "hip", "end": "right", "peak_mm": 40, "ridge": "quarter"}, None),
    "pyramid": ({"kind": "hip", "end": "right", "peak_mm": 40, "ridge": "pyramid"}, None),
    "lean-to": ({"kind": "lean-to", "low": "left", "peak_mm": 25}, None),
    "setback": (FLAT, {"kind": "setback", "id": "upper", "in": {"along_mm": 20}, "height_mm": 30}),
    "garage": (FLAT, {"kind": "block", "id": "garage", "look": "garage", "on": "right",
                      "from": {"along_mm": 20}, "to": {"along_mm": 50}, "height_mm": 40,
                      "out_mm": 15}),
    "balcony": (FLAT, {"kind": "block", "id": "balcony", "look": "balcony", "on": "right",
                       "from": {"along_mm": 20}, "to": {"along_mm": 50}, "up_mm": 45,
                       "height_mm": 12, "out_mm": 8}),
}  # fmt: skip


@pytest.mark.parametrize("light", ["left", {**SUN, "x_mm": 380, "y_mm": 30}, BEHIND], ids=str)
@pytest.mark.parametrize("built", BUILT_ON)
def test_what_is_built_on_a_house_casts_its_own_shadow(built, light):
    roof, part = BUILT_ON[built]
    building = {**COTTAGE["pieces"][0], "roof": roof, "parts": [part] if part else []}
    scene = scene_of(
        {**COTTAGE, "pieces": [building], "tone": {"light": light, "cast": ["ground"]}}
    )
    assert difference(shadows(scene), kept_shadows(scene)) == ([], [])
    # A sun behind us may throw all of it behind the house.
    assert shadows(scene) or light == BEHIND


def test_a_low_sun_lengthens_the_shadow_of_a_house_and_turns_none_of_its_level_edges():
    def farthest(rise_deg):
        light = {**SIDE, "from": "left", "rise_deg": rise_deg}
        scene = scene_of({**COTTAGE, "tone": {"light": light, "cast": ["ground"]}})
        drawn = shadows(scene)
        assert {line.family for line in drawn} <= {"VP1", "VP2", HORIZONTAL, FREE}
        return max(x for line in drawn for x, _ in line.segment)

    assert farthest(60) < farthest(45) < farthest(30)


@pytest.mark.parametrize("light", [SIDE, {**SUN, "x_mm": 150}, {**BEHIND, "y_mm": 280}])
def test_a_place_beside_a_house_is_in_shadow_when_a_ray_to_the_light_meets_it(light):
    building = {**COTTAGE["pieces"][0], "parts": [CHIMNEY]}

    def on_ground(scene):
        rng = random.Random(3)
        for _ in range(400):
            x, y = rng.uniform(0, 420), rng.uniform(160, 297)
            yield np.array([x, y, 1.0]) * scene.main.eye_height_mm / (y - scene.main.eye_level_mm)

    data = {**COTTAGE, "pieces": [building], "tone": {"light": light, "cast": ["ground"]}}
    assert min(_told(data, on_ground).values()) > 20


def test_the_places_below_a_ridge_are_taught_before_its_shadow():
    scene = scene_of({**COTTAGE, "tone": {"light": {**SIDE, "from": "left"}, "cast": ["ground"]}})
    keys = [str(step.key).rsplit("/", 2)[-2] for step in run_through(scene)]
    assert keys.index("shadow-plan") < keys.index("shadow-tips") < keys.index("shadow-outline")
    said = next(instruction(s) for s in run_through(scene) if "/shadow-plan/" in str(s.key))
    assert said.count("straight below") >= 2, said


def test_of_what_is_round_the_shadow_is_sketched():
    front = {"x_mm": 150, "y_mm": 190, "width_mm": 40, "height_mm": 50}
    tin = {"kind": "cylinder", "id": "tin", "standing": "ground", "axis": "up", "front": front,
           "depth": {"along_mm": 25}}  # fmt: skip
    scene = scene_of(lit(SUN, tin, view=ONE))
    assert shadows(scene) == []

    assert [one.code for one in advice(scene, [])] == ["shadow-by-hand"]


def test_a_figure_finds_a_place_by_the_lines_that_lead_there():
    paper = Paper(Sheet(420, 297), ())
    paper.begin("block", Act.PLAN)
    marks = {k: paper.measure(*xy) for k, xy in {"a": (10, 10), "c": (50, 40)}.items()}
    lines = [FigureLine(("a", "b"), HORIZONTAL), FigureLine(("b", "c"), VERTICAL),
             FigureLine(("c", "e"), FREE)]  # fmt: skip
    figure = LineFigure(paper, lines, {}, marks)
    assert figure.find("b").at.xy == (50, 10)
    with pytest.raises(KeyError):
        figure.find("e")
    assert figure.lacks("e", [("e", Point(1, 2))]) == "e" and figure.lacks("b", []) is None


def test_no_line_runs_where_two_areas_touch():
    left, right = ((0, 0), (5, 0), (5, 5), (0, 5)), ((5, 2), (9, 2), (9, 9), (5, 9))
    found = bordering(((5, 0), (5, 10)), [Area((left,)), Area((right,))])
    assert found == [pytest.approx((0.0, 0.2), abs=1e-4), pytest.approx((0.5, 1.0), abs=1e-4)]
