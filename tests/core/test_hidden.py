"""Solids and what is seen of them: prisms with holes, hiding, touching, far lines."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture, resolve, solids
from orthopsis.perspective.plane import Point
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part, Role
from orthopsis.perspective.vector import cross, dot, loop_normal, minus, plus, size, times
from orthopsis.perspective.view import eye_space
from orthopsis.picture import compiled, warm_up
from orthopsis.picture.drawing import draw
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.picture.solid import prism
from orthopsis.picture.visibility import Sight
from tests.documents import EXAMPLE_NAMES, example, random_document
from tests.letters import in_nine_places

SHEET = Sheet(400, 300)
CENTRE = Point(200, 100)


def outline(points, depth=1.0):
    return [eye_space(Point(x, y), depth) for x, y in points]


def rectangle(x, y, width, height):
    return [(x, y), (x + width, y), (x + width, y + height), (x, y + height)]


def block(name, points, depth=1.0, back=0.4, holes=(), **kind):
    """An outline facing the eye, swept toward the centre of vision."""
    loops = [outline(points, depth), *(outline(hole[::-1], depth) for hole in holes)]
    families = [["free"] * len(loop) for loop in loops]
    sweep = times(eye_space(CENTRE, 1.0), depth * back / (1 - back))
    return prism(Part(name), loops, families, sweep, "VP1", **kind)


def seen(solids, role=Role.OUTLINE, piece=None):
    return [
        s
        for s in draw(SHEET, Sight(solids))
        if s.role is role and (piece is None or str(s.part) == piece)
    ]


def length(strokes):
    return sum(math.dist(s.start, s.end) for s in strokes)


def test_a_prism_is_closed_and_turned_outward():
    solid = block("a", rectangle(50, 150, 60, 60), holes=[rectangle(65, 165, 20, 20)])
    assert len(solid.vertices) == 16
    assert len(solid.faces) == 10
    for edge in solid.edges:
        assert len(set(edge.faces)) == 2
    volume = 0.0
    for face in solid.faces:
        for loop in face.loops:
            corners = [solid.vertices[k] for k in loop]
            volume += dot(loop_normal(corners), corners[0])
    # Outward normals enclose a positive volume, up to the handedness of eye space.
    assert volume > 0


@pytest.mark.parametrize("turned", [False, True])
def test_loops_may_run_either_way_round(turned):
    square = rectangle(50, 150, 60, 60)
    hole = rectangle(65, 165, 20, 20)
    there = block("a", square, holes=[hole])
    if turned:
        square, hole = square[::-1], hole[::-1]
    back = block("a", square, holes=[hole])
    assert length(seen([there])) == pytest.approx(length(seen([back])))


def test_through_a_hole_its_far_inner_edges_are_seen():
    plain = block("a", rectangle(50, 150, 60, 60))
    framed = block("a", rectangle(50, 150, 60, 60), holes=[rectangle(60, 160, 40, 40)], back=0.05)
    more = len(seen([framed])) - len(seen([plain]))
    assert more >= 4 + 2, "the hole's front and some of its inside"


def test_what_stands_behind_a_hole_is_seen_through_it():
    frame = block(
        "frame", rectangle(50, 120, 120, 120), holes=[rectangle(80, 150, 60, 60)], back=0.02
    )
    behind = block("behind", rectangle(95, 165, 30, 30), depth=2.0, back=0.01)
    assert length(seen([frame, behind], piece="behind")) >= 4 * 30 - 1e-6
    wall = block("frame", rectangle(50, 120, 120, 120), back=0.02)
    assert seen([wall, behind], piece="behind") == []


def test_an_inner_corner_hides_part_of_the_line_behind_it():
    # An L: the inner corner's line runs behind the foot when the point lies below to the right.
    shape = [(50, 20), (70, 20), (70, 60), (100, 60), (100, 80), (50, 80)]
    solid = block("L", shape, back=0.3)
    roles = {role: seen([solid], role) for role in (Role.OUTLINE, Role.HIDDEN)}
    drawn, hidden = length(roles[Role.OUTLINE]), length(roles[Role.HIDDEN])
    whole = sum(math.dist(e.segment[0], e.segment[1]) for e in Sight([solid]).edges())
    assert drawn + hidden == pytest.approx(whole)
    assert 0 < hidden < whole


def test_seen_and_hidden_portions_make_up_every_edge():
    solids = [
        block("near", rectangle(60, 140, 80, 80)),
        block("far", rectangle(100, 120, 90, 60), depth=2.5),
    ]
    for found in Sight(solids).edges():
        assert all(0 <= a < b <= 1 for a, b in found.hidden)
    total = length(seen(solids)) + length(seen(solids, Role.HIDDEN))
    edges = sum(math.dist(*found.segment) for found in Sight(solids).edges())
    assert total == pytest.approx(edges)


def test_the_order_of_the_list_changes_nothing_for_things_apart_in_depth():
    near, far = (
        block("near", rectangle(60, 140, 80, 80)),
        block("far", rectangle(90, 120, 80, 60), 3.0),
    )
    one = {(str(s.part), s.start, s.end) for s in seen([near, far])}
    other = {(str(s.part), s.start, s.end) for s in seen([far, near])}
    assert one == other


def test_a_transparent_solid_shows_all_and_hides_nothing():
    glass = block("glass", rectangle(60, 140, 80, 80), transparent=True)
    far = block("far", rectangle(80, 150, 30, 30), 3.0)
    assert len(seen([glass])) == 12
    assert length(seen([glass, far], piece="far")) == pytest.approx(length(seen([far])))


def test_two_solids_in_one_place_draw_each_line_once():
    a, b = block("a", rectangle(60, 140, 80, 80)), block("b", rectangle(60, 140, 80, 80))
    assert length(seen([a, b])) == pytest.approx(length(seen([a])))
    assert {str(s.part) for s in seen([a, b])} == {"a"}


def test_lines_are_cut_at_the_sheets_edge():
    strokes = seen([block("wide", rectangle(-100, 150, 900, 400))])
    for stroke in strokes:
        assert all(-1e-9 <= x <= 400 + 1e-9 and y <= 300 + 1e-9 for x, y in stroke.segment)
    assert {s.start[0] for s in strokes} & {0, 400} or {s.end[0] for s in strokes} & {0, 400}


def test_a_solid_behind_the_eye_is_refused():
    with pytest.raises(ValueError, match="behind the eye"):
        Sight([block("behind", rectangle(10, 10, 5, 5), depth=-1.0)])
    drum = RoundSolid(
        Part("drum"), (0.0, 0.0, 1.0), (9.0, 0.0, 0.0), (0.0, 0.0, 1.5), (0.0, 9.0, 0.0), "v"
    )
    with pytest.raises(ValueError, match="'drum' reaches behind the eye"):
        Sight([drum])


def test_the_eye_level_is_seen_beside_solids_and_not_through_them():
    wall = block("wall", rectangle(150, 50, 100, 200))
    line = ((0.0, 100.0), (400.0, 100.0))
    assert Sight([wall], [line]).far_lines_seen()[0] == [
        pytest.approx((0, 150 / 400)),
        pytest.approx((250 / 400, 1)),
    ]
    assert Sight([], [line]).far_lines_seen() == [[(0.0, 1.0)]]


def test_vectors():
    a, b = (1.0, 2.0, 3.0), (4.0, 5.0, 6.0)
    assert plus(a, b) == (5, 7, 9)
    assert minus(b, a) == (3, 3, 3)
    assert dot(cross(a, b), a) == dot(cross(a, b), b) == 0
    assert size((2.0, 3.0, 6.0)) == 7
    assert times(a, 2.0) == (2, 4, 6)


def test_the_compiled_kernel_says_what_its_source_says():
    module = warm_up.ready()
    compared = 0
    letters = [
        data
        for system in ("one", "two", "three")
        for data in list(in_nine_places("B", "measured", system, "curved"))[::4]
    ]
    for data in [*map(random_document, range(60)), *letters]:
        try:
            scene = resolve(from_data(data))
            everything = solids(scene)
        except ExerciseError:
            continue
        line = ((0.0, scene.main.eye_level_mm), (420.0, scene.main.eye_level_mm))
        plain = Sight(everything, [line]).hidden()
        fast = Sight(everything, [line], kernel=module).hidden()
        assert [len(found) for found in fast] == [len(found) for found in plain]
        for a, b in zip(plain, fast, strict=True):
            assert [t for found in b for t in found] == pytest.approx([t for f in a for t in f])
        ours, theirs = Sight(everything).arcs(), Sight(everything, kernel=module).arcs()
        for a, b in zip(ours, theirs, strict=True):
            assert (a.start, a.stop, a.seen) == pytest.approx((b.start, b.stop, b.seen))
        compared += 1
    assert compared > 30
    assert not compiled.is_compiled()


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_without_what_is_hidden_the_seen_lines_are_the_same(name):
    scene = example(name)
    whole = picture(scene)
    seen = [stroke for stroke in whole if stroke.role is Role.OUTLINE]
    assert picture(scene, with_hidden=False) == seen
    # Rails lie on the ground and poles are as thin as lines: they hide nothing.
    assert len(whole) > len(seen) or name == "garden-railway"
