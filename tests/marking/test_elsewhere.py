"""Lines drawn to another point, lines drawn twice, and the ends of lines on pale paper."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from orthopsis.marking.judge import judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.judging.families import assign
from orthopsis.marking.judging.line_ends import sure_of_ends
from orthopsis.marking.pencil.find_strokes import FoundStroke
from tests.documents import example
from tests.marking.test_benefit import KEY, OUTLINES, painted, stroke
from tests.marking.test_findings import codes, lines_of, said
from tests.words import message

NAMES = ("look-down-yard", "bell-corner", "market-corner")


def away(point, goal, mm):
    """So far from a place on the line that a point lies on, away from the point."""
    (x, y), far = point, math.dist(point, goal)
    return x + (x - goal[0]) / far * mm, y + (y - goal[1]) / far * mm


def level_edges(scene):
    names = [vp.name for vp in scene.main.level_points]
    return [
        (edge, next(n for n in names if n != edge.stroke.family))
        for edge in answer_key(scene).expected
        if edge.outline and edge.stroke.family in names[:2] and math.dist(*edge.stroke.segment) > 30
    ]


@pytest.mark.parametrize("name", NAMES)
def test_an_edge_drawn_to_another_point_is_named_though_it_runs_on_along_a_right_one(name):
    scene = example(name)
    goals = {vp.name: vp.at.xy for vp in scene.main.level_points}
    named = tried = 0
    for edge, other in level_edges(scene):
        lines = [
            line for line in lines_of(scene)
            if {line.start, line.end} != set(edge.stroke.segment)
        ]  # fmt: skip
        if len(lines) == len(lines_of(scene)):
            continue
        corner = edge.stroke.start
        # On along an edge that is right, if there is one, and well beyond that.
        far = away(corner, goals[other], 1.9 * math.dist(*edge.stroke.segment))
        tried += 1
        found = said(scene, [*lines, FoundStroke(corner, far, 0.05, 1.0)])
        fixes = codes(found)
        named += "wrong-point" in fixes[:2]
        if "wrong-point" in fixes:
            (wrong,) = [one for one in found if one.code == "wrong-point"]
            assert other in message(wrong) and edge.stroke.family in message(wrong)
            assert "missing-edge" not in fixes
    assert tried >= 3 and named >= 0.9 * tried


def test_without_such_a_line_the_edge_is_missing():
    scene = example("look-down-yard")
    gone, _ = level_edges(scene)[0]
    lines = [s for s in lines_of(scene) if {s.start, s.end} != set(gone.stroke.segment)]
    assert codes(said(scene, lines)) == ["missing-edge"]


def test_scraps_of_writing_are_no_strays_and_longer_lines_are():
    scene = example("seed-crates")
    for long_mm, expected in ((7.0, []), (30.0, ["stray-line"])):
        extra = FoundStroke((20.0, 250.0), (20.0 + long_mm, 250.0 + 0.7 * long_mm), 0.5, 1.0)
        assert codes(said(scene, [*lines_of(scene), extra])) == expected


def test_nothing_is_said_of_a_line_whose_edge_is_drawn_rightly_as_well():
    scene = example("look-down-yard")
    lines = lines_of(scene)
    edge, _ = level_edges(scene)[0]
    (x0, y0), (x1, y1) = edge.stroke.segment
    # From its start it leaves it by three degrees and more.
    astray = FoundStroke((x0, y0), (x1, y1 + 0.06 * math.dist((x0, y0), (x1, y1))), 0.05, 0.9)
    both = [*lines, astray]
    verdict = judge_strokes(answer_key(scene), both)
    assert not {"wrong-point", "line-misses"} & {one.code for one in verdict.findings}
    alone = [line for line in both if {line.start, line.end} != {(x0, y0), (x1, y1)}]
    assert {"wrong-point", "line-misses"} & set(codes(said(scene, alone)))


def test_what_is_not_sure_is_asked_and_not_said():
    scene = example("look-down-yard")
    lines = lines_of(scene)
    edge, _ = level_edges(scene)[0]
    k = next(n for n, s in enumerate(lines) if {s.start, s.end} == set(edge.stroke.segment))
    (x0, y0), (x1, y1) = lines[k].start, lines[k].end
    turned = replace(lines[k], end=(x1, y1 + 0.04 * math.dist((x0, y0), (x1, y1))))
    lines[k] = turned
    assert "unsure-line" not in codes(said(scene, lines)), "a steady line is sure"
    lines[k] = replace(turned, angle_sd_deg=1.5)
    found = said(scene, lines)
    assert [(one.code, one.level) for one in found if one.level != "praise"][-1:] == [
        ("unsure-line", "ask")
    ]
    assert not [one for one in found if one.level == "fix"]
    assert message(found[-1]).startswith("Is this line right?")


def longest():
    return max(OUTLINES, key=lambda edge: math.dist(*edge.stroke.segment))


def between(segment, first, last):
    (x0, y0), (x1, y1) = segment
    return tuple((x0 + k * (x1 - x0), y0 + k * (y1 - y0)) for k in (first, last))


def ends_found(pencil, read, guides=0.25):
    """The ends that are told of the longest edge, as shares of it."""
    segment = longest().stroke.segment
    sheet = painted([(*between(segment, *part), dark, 0.0) for part, dark in pencil])
    light = [stroke(edge.stroke.segment, guides, is_dark=False) for edge in OUTLINES[:4]]
    found = stroke(between(segment, *read), 0.6)
    lines = assign([found, *light], KEY)
    (told,) = [one for one in sure_of_ends(sheet, lines) if one.dark]
    (x0, y0), long_mm = segment[0], math.dist(*segment)
    return sorted(math.dist((x0, y0), end) / long_mm for end in (told.start, told.end))


def test_paler_pencil_up_to_the_corner_is_no_gap_and_white_paper_is():
    assert ends_found([((0, 0.9), 0.6), ((0.9, 1), 0.4)], (0, 0.9)) == pytest.approx([0, 1])
    assert ends_found([((0, 0.9), 0.6)], (0, 0.9)) == pytest.approx([0, 0.9], abs=0.01)
    # A guide line alone goes on there: the edge stops short.
    found = ends_found([((0, 0.9), 0.6), ((0.9, 1), 0.2)], (0, 0.9))
    assert found == pytest.approx([0, 0.9], abs=0.01)


def test_a_guide_line_that_goes_on_is_not_the_edge_and_dark_pencil_is():
    assert ends_found([((0, 1), 0.6), ((1, 1.1), 0.3)], (0, 1.1)) == pytest.approx([0, 1])
    found = ends_found([((0, 1.1), 0.6)], (0, 1.1))
    assert found == pytest.approx([0, 1.1], abs=0.01)
    # Where guide lines are nearly as dark, nobody can tell.
    assert ends_found([((0, 1.1), 0.6)], (0, 1.1), guides=0.5) == pytest.approx([0, 1])


def test_a_light_line_is_left_as_it_is():
    line = replace(stroke(longest().stroke.segment), dark=False)
    assert sure_of_ends(painted([]), assign([line], KEY))[0].length_mm == line.length_mm
