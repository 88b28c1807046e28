"""Where lines meet, against NumPy's least squares; fitting and verdicts at their limits."""

from __future__ import annotations

import math

import numpy as np
import pytest

from orthopsis.marking.answer_key import AnswerKey, answer_key
from orthopsis.marking.families import Assigned, assign, signed_turn_deg
from orthopsis.marking.find_strokes import FoundStroke
from orthopsis.marking.verdicts import (
    FIRST_STEPS,
    STANDARD,
    STRETCH,
    Verdict,
    judge_lines,
    meeting_points,
)
from orthopsis.perspective.plane import UPRIGHT, Point
from tests.documents import ONE_POINT, TWO_POINT, scene_of

SCENE = scene_of(ONE_POINT)
KEY = answer_key(SCENE)
VP = (210.0, 100.0)


def toward_vp(x, y, turn_deg=0.0, length=40.0, sd=0.0, goal=VP):
    angle = math.atan2(goal[1] - y, goal[0] - x)
    # Turned about its middle, as the judge measures it.
    mx, my = x + math.cos(angle) * length / 2, y + math.sin(angle) * length / 2
    angle += math.radians(turn_deg)
    dx, dy = math.cos(angle) * length / 2, math.sin(angle) * length / 2
    return FoundStroke((mx - dx, my - dy), (mx + dx, my + dy), sd, 0.8)


def family(*strokes):
    return [Assigned(stroke, "VP1") for stroke in strokes]


STARTS = [(60, 160), (120, 210), (300, 180), (330, 250), (40, 60), (150, 280)]


def test_the_meeting_point_of_noisy_lines_is_that_of_least_squares():
    rng = np.random.default_rng(11)
    for _ in range(20):
        strokes = [toward_vp(x, y, rng.normal(0, 0.15), sd=0.1) for x, y in STARTS]
        found = meeting_points(judge_lines(family(*strokes), KEY.goals), SCENE)[0].found
        rows, sides = [], []
        for stroke in strokes:
            d = np.subtract(stroke.end, stroke.start) / stroke.length_mm
            reach = math.dist(stroke.middle, VP)
            rows.append(np.array([-d[1], d[0]]) / reach)
            sides.append(rows[-1] @ np.array(stroke.middle))
        best = np.linalg.lstsq(np.array(rows), np.array(sides), rcond=None)[0]
        assert math.dist(found, best) < 0.75


def test_one_wild_line_does_not_move_the_meeting_point():
    strokes = [toward_vp(x, y) for x, y in STARTS] + [toward_vp(250, 250, 9.0)]
    found = meeting_points(judge_lines(family(*strokes), KEY.goals), SCENE)[0].found
    assert math.dist(found, VP) < 0.5


def test_too_few_or_parallel_lines_meet_nowhere():
    one = meeting_points(judge_lines(family(toward_vp(60, 160)), KEY.goals), SCENE)[0]
    assert (one.found, one.lines) == (None, 1)
    same = [toward_vp(60, 160), toward_vp(61, 159.4)]
    assert meeting_points(judge_lines(family(*same), KEY.goals), SCENE)[0].found is None


@pytest.mark.parametrize(
    ("demand", "on", "near"), [(FIRST_STEPS, 2.0, 3.0), (STANDARD, 0.8, 1.2), (STRETCH, 0.5, 0.8)]
)
def test_each_demand_has_its_tolerances(demand, on, near):
    for turn, verdict in (
        (on - 0.01, Verdict.ON),
        (on + 0.01, Verdict.NEAR),
        (near - 0.01, Verdict.NEAR),
        (near + 0.01, Verdict.OFF),
    ):
        (line,) = judge_lines(family(toward_vp(60, 160, turn)), KEY.goals, demand)
        assert line.verdict is verdict
        assert line.turn_deg == pytest.approx(turn)


@pytest.mark.parametrize(
    ("turn", "sd", "verdict"),
    [
        (1.5, 0.1, Verdict.OFF),
        (1.5, 0.2, Verdict.NEAR),
        (4.0, 1.5, Verdict.NEAR),
        (0.3, 0.1, Verdict.ON),
        (0.3, 0.8, Verdict.NEAR),
    ],
)
def test_a_line_is_off_only_when_its_pixels_prove_it(turn, sd, verdict):
    (line,) = judge_lines(family(toward_vp(60, 160, turn, sd=sd)), KEY.goals)
    assert line.verdict is verdict


def test_the_sign_of_a_turn_is_clockwise_on_the_sheet():
    assert signed_turn_deg((0, 0), (-1, 10), UPRIGHT) == pytest.approx(math.degrees(math.atan(0.1)))
    assert signed_turn_deg((-1, 10), (0, 0), UPRIGHT) == pytest.approx(math.degrees(math.atan(0.1)))
    assert signed_turn_deg((0, 0), (1, 10), UPRIGHT) < 0
    assert signed_turn_deg((0, 0), (10, 0), Point(-50, 0)) == pytest.approx(0)


def test_a_line_far_from_any_edge_is_given_by_geometry_when_only_one_family_fits():
    scene = scene_of(TWO_POINT)
    lone = toward_vp(330, 60, goal=(510.0, 120.0))
    upright = FoundStroke((390, 200), (390, 250), 0.0, 0.8)
    strange = FoundStroke((350, 230), (390, 275), 0.0, 0.8)
    families = [line.family for line in assign([lone, upright, strange], answer_key(scene))]
    assert families == ["VP2", "vertical", "free"]


def test_a_line_that_two_families_fit_is_not_guessed():
    # On the eye level itself, a line runs to both points and is level too.
    scene = scene_of(TWO_POINT, view__eye_level_mm=20)
    nothing_asked = AnswerKey(scene, [], np.empty((0, 4)))
    (line,) = assign([FoundStroke((300, 60), (340, 60.0), 0.0, 0.8)], nothing_asked)
    assert line.family in ("horizontal", "free")
    (on_level,) = assign([FoundStroke((300, 20), (340, 20), 0.0, 0.8)], nothing_asked)
    assert on_level.family == "free"
