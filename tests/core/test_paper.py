"""The paper: what each move makes, how far guide lines go, what stops a line."""

from __future__ import annotations

import math

import pytest

from orthopsis.construction.guides import GUIDE_OVERSHOOT_MM
from orthopsis.construction.moves import Act, Do, Idea, Mark
from orthopsis.construction.order import Body, Ordered, SeenLine, Shown
from orthopsis.construction.paper import Paper
from orthopsis.construction.record import mark_name
from orthopsis.construction.standing import StandingBodies
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import VanishingPoint
from orthopsis.phrase import Own

VP = Mark("VP1", Point(300, 100), point=True)
THING = Part("thing")
SQUARE = ((80.0, 120.0), (140.0, 120.0), (140.0, 180.0), (80.0, 180.0))


@pytest.fixture
def paper():
    paper = Paper(Sheet(420, 297))
    paper.begin("tidy", Act.INK, THING)
    return paper


def body(piece="thing", transparent=False, faces=(), edges=()):
    places = [*(xy for face in faces for xy in face), *(xy for line in edges for xy in line)]
    corners = tuple((Point(*xy), 1.0) for xy in places)
    lines = tuple(SeenLine(line, (1.0, 1.0)) for line in edges)
    areas = tuple(Area((face,)) for face in faces)
    shown = Shown(areas, lines)
    return Body(Part(piece), Own(piece), corners, (), lambda: shown, transparent, False)


def stand(paper, nearer):
    """Something that stands before the thing."""
    elsewhere = ((300.0, 10.0), (310.0, 10.0), (310.0, 20.0))
    paper.standing = StandingBodies([nearer, body(faces=(elsewhere,))], Ordered([0, 1]))


def moves(paper):
    return [move.do for move in paper.steps[-1].moves]


def test_a_mark_is_measured_from_the_left_and_the_top(paper):
    mark = paper.measure(60, 160)
    assert (mark.name, mark.at) == ("A", Point(60, 160))
    assert [(m.zero, m.axis, m.mm) for m in paper.steps[-1].measures] == [
        ("left edge", "x", 60),
        ("top edge", "y", 160),
    ]
    edge = paper.measure_on_edge(90)
    assert (edge.name, edge.at) == ("B", Point(90, 0))


def test_a_length_is_carried_toward_a_mark_or_along_a_direction(paper):
    a = paper.measure(60, 160)
    assert paper.measure_along(a, LEVEL, 40).at == Point(100, 160)
    assert paper.measure_along(a, UPRIGHT, 40).at == Point(60, 200)
    along = paper.measure_along(a, VP, 50)
    assert math.dist(along.at.xy, (60, 160)) == pytest.approx(50)
    assert paper.steps[-1].moves[-1].uses == ("A", "VP1")


def test_lines_cross_in_a_mark(paper):
    a, b = paper.measure(60, 160), paper.measure(90, 50)
    crossing = paper.cross(paper.level(a), paper.upright(b))
    assert crossing.at == Point(90, 160)
    assert moves(paper)[-3:] == [Do.SQUARE, Do.SQUARE, Do.CROSS]


def test_a_guide_line_runs_a_little_past_the_last_mark_on_it(paper):
    a = paper.measure(60, 160)
    guide = paper.aim(a, VP, THING)
    mark = paper.cross(guide, paper.upright(paper.measure(120, 0)))
    paper.finish_guides()
    (drawn,) = paper.strokes
    assert drawn.fate == "guide"
    assert drawn.stroke.family == "VP1"
    past = math.dist(drawn.stroke.end, mark.at.xy)
    assert past == pytest.approx(GUIDE_OVERSHOOT_MM)


def test_a_guide_line_never_passes_its_vanishing_point(paper):
    a = paper.measure(60, 160)
    guide = paper.aim(a, VP, THING)
    paper.cross(guide, paper.upright(paper.measure(298, 0)))
    paper.finish_guides()
    assert paper.strokes[0].stroke.end == pytest.approx((300, 100))


def test_a_guide_line_nobody_marked_goes_all_the_way(paper):
    paper.aim(paper.measure(60, 160), VP, THING)
    paper.finish_guides()
    assert paper.strokes[0].stroke.end == pytest.approx((300, 100))


def test_a_line_to_a_measuring_point_is_of_no_family(paper):
    point = paper.measuring_point("DP2", Point(380, 100), VP, Idea.DISTANCE_POINT)
    paper.aim(paper.measure(60, 160), point, THING, family="free")
    paper.finish_guides()
    assert paper.strokes[0].stroke.family == "free"
    assert [m.mm for m in paper.steps[-1].measures[:1]] == [380]
    again = paper.measuring_point("DP2", Point(380, 100), VP, Idea.DISTANCE_POINT)
    other = paper.measuring_point("DP2", Point(390, 100), VP, Idea.DISTANCE_POINT)
    assert again is point and other.name == "DP2b"


def test_a_finished_line_stops_at_nearer_things(paper):
    stand(paper, body("near", faces=(SQUARE,)))
    a, b = paper.measure(60, 150), paper.measure(200, 150)
    paper.keep(a, b, "horizontal", body())
    ends = [drawn.stroke.segment for drawn in paper.strokes]
    assert ends == [
        (pytest.approx((60, 150)), pytest.approx((80, 150))),
        (pytest.approx((140, 150)), pytest.approx((200, 150))),
    ]
    assert {drawn.fate for drawn in paper.strokes} == {"keep"}


def test_guide_lines_do_not_run_over_nearer_things_either(paper):
    stand(paper, body("near", faces=(SQUARE,)))
    paper.aim(paper.measure(60, 150), Mark("VP9", Point(300, 150)), THING)
    paper.aim(paper.measure(60, 200), Mark("VP9", Point(300, 200)), THING)
    paper.finish_guides()
    assert [d.stroke.start[1] for d in paper.strokes] == pytest.approx([150, 150, 200])
    assert paper.strokes[1].stroke.start == pytest.approx((140, 150))


def test_transparent_things_stop_nothing(paper):
    stand(paper, body("glass", transparent=True, faces=(SQUARE,)))
    paper.keep(paper.measure(60, 150), paper.measure(200, 150), "horizontal", body())
    assert len(paper.strokes) == 1


def test_a_line_that_is_already_there_is_not_drawn_again(paper):
    line = ((60.0, 150.0), (120.0, 150.0))
    stand(paper, body("near", edges=(line,)))
    paper.keep(paper.measure(90, 150), paper.measure(200, 150), "horizontal", body())
    assert paper.strokes[0].stroke.segment == (
        pytest.approx((120, 150)),
        pytest.approx((200, 150)),
    )


def test_tidying_darkens_what_stays_and_erases_the_rest(paper):
    a, b = paper.measure(60, 150), paper.measure(200, 150)
    paper.keep(a, b, "horizontal", body())
    paper.aim(a, VP, THING)
    paper.begin("tidy", Act.INK, THING)
    paper.tidy(THING)
    paper.finish()
    assert (paper.steps[-1].darkens, paper.steps[-1].erases) == ([0], [1])
    assert set(moves(paper)) == {Do.DARKEN, Do.ERASE}


def test_the_eye_level_takes_two_measures_and_one_line(paper):
    paper.eye_level(100)
    assert [m.mm for m in paper.steps[-1].measures] == [100, 100]
    assert paper.strokes[0].stroke.segment == ((0, 100), (420, 100))


def test_a_given_point_keeps_its_own_name(paper):
    mark = paper.given(VanishingPoint("rail:VP1", Point(30, 100)), 100)
    assert mark.name == "rail:VP1"
    assert paper.measure(1, 1).name == "A"


def test_names_leave_out_what_looks_like_a_figure():
    first = [mark_name(number) for number in range(48)]
    assert not {"I", "O", "I2", "O2"} & set(first)
    assert len(set(first)) == 48
    assert first[24] == "A2"


def test_minutes_grow_with_the_moves(paper):
    before = paper.steps[-1].minutes
    for i in range(8):
        paper.measure(10 + i, 10)
    assert paper.steps[-1].minutes > before >= 0.5
