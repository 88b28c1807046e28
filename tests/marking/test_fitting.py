"""Where lines meet, against NumPy and SciPy; fitting and verdicts at their limits."""

from __future__ import annotations

import math

import numpy as np
import pytest
from scipy.optimize import least_squares

from orthopsis.marking.fitting import RuledLine, line_through, meeting
from orthopsis.marking.judging.answer_key import AnswerKey, answer_key
from orthopsis.marking.judging.families import Assigned, assign, signed_turn_deg
from orthopsis.marking.judging.verdicts import (
    FIRST_STEPS,
    STANDARD,
    STRETCH,
    Verdict,
    judge_lines,
    meeting_points,
    with_own_angles,
)
from orthopsis.marking.pencil.find_strokes import FoundStroke
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


def test_where_lines_meet_agrees_with_a_library_that_minimises_the_angles_themselves():
    """SciPy's least_squares turns about the place until the lines' own angles to it are least."""
    rng = np.random.default_rng(12)
    for _ in range(20):
        lines = [RuledLine(*ends_of(toward_vp(x, y, rng.normal(0, 0.2))), 0.1) for x, y in STARTS]

        def angles(place, lines=lines):
            goal = Point(*place)
            return [signed_turn_deg(line.start, line.end, goal) for line in lines]

        best = least_squares(angles, x0=np.array(VP) + rng.normal(0, 20, 2)).x
        assert math.dist(meeting(lines).at, best) < 1.0


def test_robust_weights_agree_with_a_library_s_robust_loss():
    rng = np.random.default_rng(13)
    t = np.arange(0.0, 40.0, 0.25)
    for _ in range(20):
        slope, offset = rng.normal(0, 0.02), rng.normal(0, 0.3)
        y = slope * t + offset + rng.normal(0, 0.03, len(t))
        wild = rng.random(len(t)) < 0.15
        y[wild] += rng.uniform(0.5, 1.2, wild.sum())
        robust = least_squares(
            lambda x, y=y: x[0] * t + x[1] - y, x0=[0.0, 0.0], loss="cauchy", f_scale=0.05
        ).x
        ours = line_through(t, y)
        assert abs(ours[0] - robust[0]) < 0.001
        assert abs(ours[1] - robust[1]) < 0.02
        assert ours[2][wild].mean() < 0.05 < ours[2][~wild].mean()


def ends_of(stroke):
    return stroke.start, stroke.end


@pytest.mark.parametrize("turn_deg", [25.0, 60.0, 85.0])
def test_a_line_that_runs_quite_another_way_does_not_draw_the_meeting_point_to_itself(turn_deg):
    # Beside a point far off a wild line is near, and near lines weigh more.
    goal = (220.0, 900.0)
    starts = [(100, 90), (150, 80), (200, 120), (260, 100), (320, 90), (340, 150), (90, 200)]
    lines = [toward_vp(x, y, goal=goal, sd=0.05) for x, y in starts]
    wild = toward_vp(240, 210, turn_deg, goal=goal, sd=0.02)
    met = meeting([RuledLine(*ends_of(s), s.angle_sd_deg) for s in [*lines, wild]])
    assert math.dist(met.at, goal) < 5.0


def test_few_lines_that_agree_by_chance_do_not_outvote_the_others():
    # Three of six meet a little beside; all six miss the true point by no more than a hand does.
    turns = [0.3, 0.25, 0.3, -0.3, -0.35, -0.25]
    lines = [toward_vp(x, y, turn) for (x, y), turn in zip(STARTS, turns, strict=True)]
    met = meeting([RuledLine(*ends_of(s), 0.1) for s in lines])
    assert math.dist(met.at, VP) < 3.0


def test_lines_that_nearly_fall_together_meet_nowhere_that_could_be_told():
    same = [RuledLine((0, y), (100, y + 0.1 * k), 0.1) for k, y in enumerate((0.0, 5.0, 9.0))]
    assert meeting(same) is None
    assert meeting(same[:1]) is None
    assert meeting([]) is None


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
        (2.6, 0.1, Verdict.OFF),
        (1.5, 0.1, Verdict.NEAR),
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


OWN = (210.0, 86.0)


def of_a_family_with_its_own_point(sd, turn_deg, own_starts=STARTS):
    """A short line after six that prove a point 14 mm too high, as it is judged."""
    strokes = [toward_vp(x, y, sd=0.05, goal=OWN) for x, y in own_starts]
    short = toward_vp(100, 200, turn_deg, length=11.0, sd=sd, goal=OWN)
    judged = judge_lines(family(*strokes, short), KEY.goals)
    points = meeting_points(judged, SCENE)
    assert points[0].consistent_elsewhere
    return judged[-1], with_own_angles(judged, points)[-1]


def test_a_short_line_is_known_by_the_point_that_its_family_proves():
    alone, of_its_family = of_a_family_with_its_own_point(sd=1.6, turn_deg=0.2)
    assert alone.verdict is Verdict.NEAR, "its own pixels prove nothing"
    assert of_its_family.verdict is Verdict.OFF
    assert of_its_family.turn_deg == alone.turn_deg, "what was measured is told as it is"


@pytest.mark.parametrize("turn_deg", [6.0, -6.0])
def test_a_line_that_does_not_keep_to_that_point_is_judged_by_itself(turn_deg):
    alone, of_its_family = of_a_family_with_its_own_point(sd=1.2, turn_deg=turn_deg)
    assert of_its_family.verdict is alone.verdict


def test_a_line_that_no_pixel_knows_stays_as_doubtful_as_its_family_lets_it():
    _, with_doubt = of_a_family_with_its_own_point(sd=20.0, turn_deg=0.0)
    _, sure = of_a_family_with_its_own_point(sd=0.3, turn_deg=0.0)
    assert sure.verdict is Verdict.OFF
    assert with_doubt.verdict in (Verdict.NEAR, Verdict.OFF)
    assert with_doubt.own_turn_deg == pytest.approx(0.0, abs=0.2)
