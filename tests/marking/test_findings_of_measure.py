"""Walls and repeats: what is equal in truth, by whatever measure and point a pupil has chosen."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest

from orthopsis.exercise.resolve import picture
from orthopsis.marking.findings.gather import ORDER
from orthopsis.marking.judge import judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.stroke import Role
from orthopsis.phrase import Phrase
from tests.documents import example
from tests.words import PLAIN, message

WORD = example("pots-on-the-wall")
VP2 = np.array([570.0, 190.0])


def drawn(scene):
    """The finished drawing's straight edges, and the same as a pupil's exact lines."""
    edges = [s for s in picture(scene) if s.role is Role.OUTLINE and s.curve is None]
    return edges, [FoundStroke(s.start, s.end, 0.05, 1.0) for s in edges]


def said(scene, lines, code):
    found = judge_strokes(answer_key(scene), lines).findings
    return [one for one in found if one.code == code]


def moved(line, change):
    start, end = (tuple(float(v) for v in change(np.array(p))) for p in (line.start, line.end))
    return replace(line, start=start, end=end)


def leaned(line, by_deg):
    """Turned about its middle."""
    turn = math.radians(by_deg)
    rotation = np.array([[math.cos(turn), -math.sin(turn)], [math.sin(turn), math.cos(turn)]])
    middle = np.array(line.middle)
    return moved(line, lambda p: middle + rotation @ (p - middle))


def closer_by(mm):
    """Each place moved toward VP2."""
    return lambda p: p + mm * (VP2 - p) / np.linalg.norm(VP2 - p)


def in_other_measure(scale):
    """Every depth toward VP2 by another unit: straight lines stay straight, and VP2 at home."""

    def change(p):
        away = p - VP2
        nearest = 510.0  # mm: about where the row begins
        distance = np.linalg.norm(away)
        reciprocal = 1.0 / nearest + scale * (1.0 / distance - 1.0 / nearest)
        return VP2 + away / distance / reciprocal

    return change


# --- repeats --------------------------------------------------------------------------------------


@pytest.mark.parametrize("member", ["pots:2", "pots:3"])
@pytest.mark.parametrize("mm", [3.7, -3.7])
def test_a_letter_out_of_step_is_named_with_its_way(member, mm):
    edges, lines = drawn(WORD)
    for k, edge in enumerate(edges):
        if str(edge.part) == member and edge.family == "vertical":
            lines[k] = moved(lines[k], closer_by(mm))
    (one,) = said(WORD, lines, "repeats-uneven")
    assert "toward VP2" in message(one)
    assert ("0.4 cm too far" if mm > 0 else "0.4 cm too near") in message(one)
    number = one.lines[0]
    place = judge_strokes(answer_key(WORD), lines).strokes[number].assigned
    assert str(place.expected.stroke.part) == member
    assert math.dist(one.where, place.found.middle) < 60.0


def test_a_small_slip_is_nothing_to_say():
    edges, lines = drawn(WORD)
    for k, edge in enumerate(edges):
        if str(edge.part) == "pots:3" and edge.family == "vertical":
            lines[k] = moved(lines[k], closer_by(1.5))
    assert said(WORD, lines, "repeats-uneven") == []


@pytest.mark.parametrize("scale", [0.985, 1.02])
def test_another_measure_for_all_is_even(scale):
    edges, lines = drawn(WORD)
    change = in_other_measure(scale)
    for k, edge in enumerate(edges):
        if edge.family == "vertical":
            (x0, _), (x1, _) = (change(np.array(p)) for p in edge.segment)
            assert abs(x0 - x1) < 0.5
            lines[k] = moved(lines[k], change)
    assert said(WORD, lines, "repeats-uneven") == []
    shifts = [abs(line.middle[0] - e.start[0]) for line, e in zip(lines, edges, strict=True)]
    assert max(shifts) > 1.0, "the measure did change"


def test_things_that_stand_alone_are_no_row():
    scene = example("three-crates")
    _, lines = drawn(scene)
    lines[::5] = [moved(line, lambda p: p + 3.0) for line in lines[::5]]
    assert said(scene, lines, "repeats-uneven") == []


# --- walls ----------------------------------------------------------------------------------------


def side_of_the_p():
    """The two long uprights of the first letter's side."""
    edges, lines = drawn(WORD)
    upright = [k for k, e in enumerate(edges) if e.family == "vertical" and str(e.part) == "pots:1"]
    first, other = sorted(upright, key=lambda k: -math.dist(*edges[k].segment))[:2]
    return lines, first, other


@pytest.mark.parametrize(("one_deg", "other_deg", "found"), [
    (1.15, -1.15, True),  # apart above, together below: both still near
    (1.15, 1.15, False),  # leaning alike, it stays as thick
    (0.3, -0.3, False),
])  # fmt: skip
def test_uprights_within_their_tolerance_can_make_a_wall_of_two_thicknesses(
    one_deg, other_deg, found
):
    lines, first, other = side_of_the_p()
    lines[first], lines[other] = leaned(lines[first], one_deg), leaned(lines[other], other_deg)
    told = said(WORD, lines, "wall-changes")
    assert bool(told) is found
    if found:
        assert "in truth it stays as thick" in message(told[0])
        assert len(told[0].lines) == 2 and told[0].level == "fix"


def test_a_wall_closes_up_toward_its_point_and_not_faster():
    edges, lines = drawn(WORD)
    long = [
        k
        for k, e in enumerate(edges)
        if (e.family == "VP2" and str(e.part) == "pots:4")
        or (e.family == "VP2" and str(e.part) == "pots:2")
    ]
    assert said(WORD, lines, "wall-changes") == []
    k = max(long, key=lambda k: math.dist(*edges[k].segment))
    for turn in (1.15, -1.15):
        bent = list(lines)
        for n in long:
            if str(edges[n].part) == str(edges[k].part):
                bent[n] = leaned(lines[n], turn if n == k else -turn)
        told = said(WORD, bent, "wall-changes")
        assert all("toward VP2 it should close up to" in message(one) for one in told)


def test_both_have_a_heading_and_a_place_in_the_order():
    assert ORDER.index("not-the-middle") < ORDER.index("repeats-uneven")
    assert ORDER.index("wall-changes") < ORDER.index("misplaced")
    for code in ORDER:
        assert PLAIN.say(Phrase(f"title-{code}"))
