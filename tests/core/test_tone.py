"""Tone by planes, pattern bands, and letters one behind the other along a street."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest

from orthopsis.construction.moves import Act
from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.tone import planes
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.handout.figure import PAPER, TONES, picture_figure, tone_colour, toned
from orthopsis.handout.svg import to_svg
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.segments import at
from tests.agreement import difference, kept, outlines
from tests.documents import ONE_POINT, THREE_POINT, TWO_POINT, changed, scene_of
from tests.letters import ONE, STREET, THREE, TWO
from tests.rooms import HALL, with_pieces
from tests.words import instruction, title


def value_at(scene, place):
    """The value of the nearest plane at a place: planes come from the furthest."""
    found = [plane.value for plane in planes(scene) if Area(plane.loops).inside(place)]
    return found[-1] if found else None


@pytest.mark.parametrize(("light", "lightest", "values"), [
    ("left", "top", (0, 2, 3)), ("right", "top", (0, 2, 1)),
    ("left", "front", (1, 0, 3)), ("right", "front", (1, 0, 2)),
])  # fmt: skip
def test_a_box_has_one_value_for_each_plane(light, lightest, values):
    # Below the eye level and left of VP1: its top, front and right side show. The scale from 0,
    # paper white, to 3 is common practice, no published source.
    scene = scene_of(ONE_POINT, tone={"light": light, "lightest": lightest})
    top, front, right = values
    assert value_at(scene, (110, 155)) == top
    assert value_at(scene, (90, 185)) == front
    assert value_at(scene, (126, 180)) == right
    assert value_at(scene, (300, 200)) is None


def test_with_three_values_both_sides_are_alike():
    scene = scene_of(ONE_POINT, tone={"light": "left", "values": 3})
    assert [value_at(scene, place) for place in ((110, 155), (90, 185), (126, 180))] == [0, 2, 1]


@pytest.mark.parametrize(("values", "tones"), [(4, ["middle", "dark"]), (3, ["light", "middle"])])
def test_tone_is_work_and_has_a_step_for_each_value(values, tones):
    # Of this box the top, the front and the side away from the light are seen.
    scene = scene_of(ONE_POINT, tone={"light": "left", "values": values})
    made = [step for step in run_through(scene) if step.act is Act.TONE]
    assert [step.phrase for step in made] == [f"tone-{tone}" for tone in tones]
    assert instruction(made[0]).startswith("Leave the tops white.")
    assert [f"{tone} tone" in title(step).lower() for step, tone in zip(made, tones, strict=True)]
    assert all(step.minutes > 0 and not step.strokes for step in made)
    assert not [s for s in run_through(scene_of(ONE_POINT)) if s.act is Act.TONE]


@pytest.mark.parametrize("base", [TWO_POINT, THREE_POINT])
def test_the_side_to_the_light_is_lighter_than_the_other(base):
    edge = base["pieces"][0]["edge"]
    y = edge.get("top_mm", edge.get("y_mm")) + 40
    for light, order in (("left", (1, 3)), ("right", (3, 1))):
        scene = scene_of(base, tone={"light": light})
        assert (value_at(scene, (192, y)), value_at(scene, (210, y))) == order


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
@pytest.mark.parametrize("form", ["block", "curved"])
def test_planes_cover_what_the_lines_say(base, form):
    # Beside a line of the front the front's own value shows, not that of a side behind it.
    piece = {**base["pieces"][0], "text": "BE", "form": form}
    scene = scene_of({**base, "pieces": [piece], "tone": {"light": "left"}})
    found = planes(scene)
    assert {plane.value for plane in found} <= {0, 1, 2, 3}
    assert {str(plane.part) for plane in found} == {"word:1", "word:2"}
    for body in scene.bodies:
        face = body.shown.faces[0]
        front = [p for p in found if str(p.part) == str(body.part)][-1].value
        for a, b in face.straight:
            x, y = at((a, b), 0.5)
            size = math.dist(a, b)
            inward = x - (b[1] - a[1]) / size * 0.3, y + (b[0] - a[0]) / size * 0.3
            if face.inside(inward):
                seen = [p for p in found if Area(p.loops).inside(inward)][-1]
                if str(seen.part) == str(body.part):
                    assert seen.value == front


def test_a_sheet_without_tone_has_no_planes_and_one_in_a_ring_has_none_either():
    assert planes(scene_of(ONE)) == []
    crate = ONE_POINT["pieces"][0]
    inner = {**crate, "id": "inner", "standing": "ground"}
    both = {**ONE_POINT, "pieces": [{**crate, "standing": "ground"}, inner], "tone": {}}
    assert planes(scene_of(both)) == []


def test_each_letter_has_a_family_of_colour_that_darkens_evenly_in_grey():
    def grey(colour):
        return sum(w * int(colour[k : k + 2], 16) for w, k in ((0.3, 1), (0.59, 3), (0.11, 5)))

    for family in range(len(TONES)):
        greys = [grey(tone_colour(value, family)) for value in range(4)]
        assert all(a - b > 18 for a, b in pairwise(greys))
    assert tone_colour(0, 3) == PAPER
    scene = scene_of({**ONE, "pieces": [{**ONE["pieces"][0], "text": "FERN"}], "tone": {}})
    fills = toned(scene, planes(scene))
    assert len({fill.colour for fill in fills if fill.group == "value 2"}) == 4
    drawing = to_svg(picture_figure(scene, outlines(scene)))
    assert drawing.count("<path aria-label=") == len(fills)


# --- bands ----------------------------------------------------------------------------------------


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
def test_bands_run_to_the_vanishing_point_and_stay_light(base):
    scene = scene_of({**base, "pieces": [{**base["pieces"][0], "text": "E", "bands": 2}]})
    made = steps(scene)
    bands = [step for step in made if "bands" in title(step)]
    lines = [d.stroke for step in bands for d in step.strokes]
    goal = {vp.name: vp.at for vp in scene.vanishing_points}[lines[0].family]
    assert len(lines) >= 4
    assert all(len(step.strokes) <= 8 for step in bands)
    for line in lines:
        ruler = join(Point(*line.start), Point(*line.end))
        assert distance_point_line(goal, ruler) < 1e-6
    erased = {n for step in made for n in step.erases}
    strokes = [d.stroke for step in made for d in step.strokes]
    assert not any(strokes.index(line) in erased for line in lines)
    (body,) = scene.bodies
    for line in lines:
        middle = at(line.segment, 0.5)
        assert not body.shown.faces[0].inside(middle), "no stripe runs over the face"
        assert any(side.inside(middle) for side in body.shown.faces[1:])


# --- along a street -------------------------------------------------------------------------------


@pytest.mark.parametrize("cut", [{"fraction": 0.3}, {"along_mm": 90}, {"true_mm": 150}])
@pytest.mark.parametrize("form", ["block", "curved"])
def test_letters_along_a_street_stand_equally_far_apart(cut, form):
    piece = {**STREET["pieces"][0], "street": cut, "form": form}
    scene = scene_of({**STREET, "pieces": [piece]})
    assert difference(outlines(scene), kept(scene)) == ([], [])
    tops = []
    for part in scene.parts:
        near, *_ = part.drawn.word.shape.place.frame(part.stage)
        tops.append(near[0])
    gaps = [b[2] - a[2] for a, b in pairwise(tops)]
    assert gaps == pytest.approx([gaps[0]] * len(gaps))
    # The cross-ratio of equal steps: tops lie on one line to VP1.
    line = join(*(Point(x / w, y / w) for x, y, w in tops[:2]))
    assert all(distance_point_line(Point(x / w, y / w), line) < 1e-6 for x, y, w in tops)
    assert distance_point_line(scene.vanishing_points[0].at, line) < 1e-6


def test_further_letters_of_a_street_are_found_by_diagonals():
    titles = [title(step) for step in steps(scene_of(STREET))]
    assert sum("its place in the street" in title for title in titles) == 3
    (third,) = [s for s in steps(scene_of(STREET)) if title(s).startswith("Letter R: its place")]
    assert "through the middle of the upright" in instruction(third)
    assert not third.measures, "nothing is measured anew"


def test_a_street_needs_the_ground_and_one_point():
    for change in ({"standing": "floating"}, {"street": {"x_mm": 5}}):
        with pytest.raises(ExerciseError, match=r"pieces\[0\]\.street"):
            outlines(scene_of({**STREET, "pieces": [{**STREET["pieces"][0], **change}]}))
    word = {**TWO["pieces"][0], "street": {"fraction": 0.2}, "standing": "ground",
            "edge": {"x_mm": 210, "top_mm": 160, "bottom_mm": 230}}  # fmt: skip
    with pytest.raises(ExerciseError, match=r"pieces\[0\]: give either front and depth"):
        outlines(scene_of({**TWO, "pieces": [word]}))


@pytest.mark.parametrize("base", [ONE, TWO, STREET])
def test_the_viewer_may_move_before_a_word(base):
    exercise = scene_of(base).exercise
    moved = viewer_moved(exercise, right_mm=20, back_mm=40)
    back = viewer_moved(moved, right_mm=-20, back_mm=-40)
    there = resolve(moved)
    assert difference(outlines(there), kept(there)) == ([], [])
    assert difference(outlines(resolve(back)), outlines(resolve(exercise))) == ([], [])


def test_nothing_is_shaded_beside_the_sheet():
    near = changed(HALL, pieces__2__foot={"x_mm": -20, "y_mm": 290, "width_mm": 90})
    scene = resolve(from_data(near))
    left, top, right, bottom = scene.sheet.bounds
    found = planes(scene)
    assert any(plane.value == 2 for plane in found)
    for plane in found:
        for x, y in (place for loop in plane.loops for place in loop):
            assert left - 1e-9 <= x <= right + 1e-9 and top - 1e-9 <= y <= bottom + 1e-9


def test_a_lamp_lights_things_from_where_it_stands():
    def crate(id, x_mm, **more):
        front = {"x_mm": x_mm, "y_mm": 200, "width_mm": 40, "height_mm": 40}
        return {"kind": "box", "id": id, "standing": "ground", "front": front,
                "depth": {"along_mm": 20}, **more}  # fmt: skip

    # The point lies right of the left crate and left of the right one: their inner sides show.
    left, lamp, right = crate("left", 60), crate("lamp", 190), crate("right", 320)
    tone = {"light": {"kind": "lamp", "piece": "lamp"}, "lightest": "top"}
    scene = resolve(from_data({**with_pieces(left, lamp, right), "tone": tone}))
    values = {name: sorted(plane.value for plane in planes(scene) if plane.part.piece == name)
              for name in ("left", "right")}  # fmt: skip
    assert values == {"left": [0, 1, 2], "right": [0, 1, 2]}, "both inner sides are lit"
    outside = {**tone, "light": {"kind": "lamp", "piece": "left"}}
    scene = resolve(from_data({**with_pieces(left, lamp, right), "tone": outside}))
    assert sorted(p.value for p in planes(scene) if p.part.piece == "right") == [0, 1, 2]
    outside = {**tone, "light": {"kind": "lamp", "piece": "right"}}
    scene = resolve(from_data({**with_pieces(left, lamp, right), "tone": outside}))
    assert sorted(p.value for p in planes(scene) if p.part.piece == "left") == [0, 1, 2]
    between = crate("between", 260)
    for lamp_id, side in (("left", 1), ("right", 3)):
        told = {"light": {"kind": "lamp", "piece": lamp_id}, "lightest": "top"}
        scene = resolve(from_data({**with_pieces(left, between, right), "tone": told}))
        assert side in {p.value for p in planes(scene) if p.part.piece == "between"}
    nobody = {**tone, "light": {"kind": "lamp", "piece": "nobody"}}
    with pytest.raises(ExerciseError) as error:
        planes(resolve(from_data({**with_pieces(left), "tone": nobody})))
    assert error.value.path == "tone.light.piece"
