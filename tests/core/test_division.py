"""Parts and repeats by ruler, against the same in space."""

from __future__ import annotations

import math

import pytest

from orthopsis.construction.division import Bay, carry, divide, halve, repeat
from orthopsis.construction.moves import Act, Do, Mark
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.vector import plus, times
from orthopsis.perspective.view import View, eye_space, on_paper

VIEWS = {
    "one": View.one_point(210, 100, 300, 120),
    "two": View.two_point(-90, 510, 120, 210, 120),
    "three": View.three_point(-60, 480, 60, Point(220, 520), 120),
}


def wall(view):
    """A paper with one bay of a wall that runs to the view's last level point, by projection."""
    paper = Paper(Sheet(420, 297))
    paper.begin("a wall", Act.FRONTS)
    points = {vp.name: paper.given(vp, view.eye_level_mm) for vp in view.vanishing_points}
    along, up = view.level_points[-1], view.uprights
    top = eye_space(Point(60, 140), 1.0)
    down = times((up.at.x, up.at.y, up.at.w), 0.3 if not up.at.at_infinity else 70.0)
    step = eye_space(along.at, 0.08)
    places = [
        plus(plus(top, times(step, float(k))), down if low else (0.0, 0.0, 0.0))
        for k in range(5)
        for low in (False, True)
    ]
    marks = [Mark(f"m{k}", Point(*on_paper(place))) for k, place in enumerate(places)]
    return paper, points, along.name, up.name, marks


@pytest.mark.parametrize("view", VIEWS.values(), ids=VIEWS)
def test_bays_repeated_by_diagonals_stand_equally_far_apart_in_space(view):
    paper, points, level, upright, marks = wall(view)
    bay = Bay(marks[0], marks[1], marks[2], marks[3])
    for k in range(2, 5):
        bay = repeat(paper, bay, level, upright, points, "wall")
        assert distance(bay.far_top.at, marks[2 * k].at) < 1e-9
        assert distance(bay.far_bottom.at, marks[2 * k + 1].at) < 1e-9


@pytest.mark.parametrize("view", VIEWS.values(), ids=VIEWS)
def test_a_bay_is_halved_where_half_its_depth_is(view):
    paper, points, _, upright, marks = wall(view)
    half = halve(paper, Bay(marks[0], marks[1], marks[4], marks[5]), upright, points, "wall")
    assert distance(half.far_top.at, marks[2].at) < 1e-9
    assert distance(half.far_bottom.at, marks[3].at) < 1e-9


def test_equal_parts_and_a_carried_length():
    paper = Paper(Sheet(420, 297))
    paper.begin("parts", Act.FRONTS)
    a, b, goal = paper.measure(50, 60), paper.measure(200, 60), paper.measure(50, 260)
    parts = divide(paper, a, b, 3)
    assert [round(mark.at.x, 9) for mark in parts] == [100, 150]
    there = carry(paper, (a, parts[0]), a, goal)
    assert there.at.xy == pytest.approx((50, 110))
    assert [move.do for move in paper.steps[0].moves][-3:] == [Do.DIVIDE, Do.DIVIDE, Do.CARRY]
    # A part moves with both ends: half as doubtful from each.
    middle = divide(paper, a, b, 2)[0]
    assert math.hypot(*(x for x, _ in middle.sway.values())) == pytest.approx(math.sqrt(0.5))
    # A carried length is wrong by what makes it longer: b to the right, a to the left.
    whole = carry(paper, (a, b), a, goal)
    (reading_a, _), (reading_b, _) = a.sway, b.sway
    assert whole.sway[reading_b] == pytest.approx((0, 1))
    assert whole.sway[reading_a] == pytest.approx((1, -1))


def test_a_parallel_by_sliding_runs_the_same_way():
    paper = Paper(Sheet(420, 297))
    paper.begin("a parallel", Act.FRONTS)
    a, b, c = paper.measure(50, 60), paper.measure(110, 100), paper.measure(70, 200)
    line = paper.join(a, b, "free", "roof")
    other = paper.slide(c, line)
    assert line.line.a * other.line.b == pytest.approx(line.line.b * other.line.a)
    assert paper.steps[0].moves[-1].uses == (c.name, line.name)
