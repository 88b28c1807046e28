"""Finding the sheet: any desk, any way round, curled, cut off, under a hand; marks and codes."""

from __future__ import annotations

import cv2
import numpy as np
import pytest

from orthopsis.demo.desk import DESKS, Around
from orthopsis.demo.pencil import HARDER_PENCILS
from orthopsis.demo.scanner import PhotoSetting, hard_setting, scan_sheet
from orthopsis.demo.trial import PLANS, cases
from orthopsis.marking.fitting import RuledLine, line_through, meeting, middle_of
from orthopsis.marking.judge import Asked, check_grey, check_image
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.sheet.code import read_code
from orthopsis.marking.sheet.find_sheet import FoundSheet, find_paper, find_sheet
from orthopsis.marking.sheet.photo import open_grey
from orthopsis.marking.sheet.straighten import straighten
from tests.documents import ONE_POINT, TWO_POINT, scene_of

SCENE = scene_of(ONE_POINT)
KEY = answer_key(SCENE)


def taken(seed, **around):
    data, truth = scan_sheet(SCENE, seed, setting=PhotoSetting(around=Around(**around)))
    return open_grey(data), np.array(truth["corners_px"])


def farthest(found, truth):
    """The corners may be named from either end of the sheet: the drawing tells which."""
    return min(np.abs(np.roll(found, k, axis=0) - truth).max() for k in (0, 2))


@pytest.mark.parametrize("desk", DESKS)
def test_the_sheet_is_found_on_any_desk_that_differs_from_paper(desk):
    grey, truth = taken(7001, desk=desk, shadow=True)
    assert farthest(find_sheet(grey, SCENE.sheet).corners, truth) < 4.0


@pytest.mark.parametrize("over", ["hand", "ruler", "cut off"])
@pytest.mark.parametrize("quarter", [1, 2])
def test_a_hand_a_ruler_or_a_cut_off_corner_hides_only_a_part(over, quarter):
    grey, truth = taken(7002, over=over, quarter=quarter, turn_deg=8.0)
    found = find_sheet(grey, SCENE.sheet)
    assert found.how == "edges" and 0.6 < found.sure <= 1.0
    assert farthest(found.corners, truth) < (6.0 if over == "cut off" else 4.0)


@pytest.mark.parametrize("quarter", range(4))
def test_any_way_round_the_same_lines_are_right(quarter):
    grey, _ = taken(7013, quarter=quarter)
    verdict = check_grey(Asked(KEY), grey)
    kinds = [str(line.verdict) for line in verdict.strokes]
    assert "off" not in kinds and kinds.count("on") >= 9


def test_a_curled_sheet_is_laid_flat():
    grey, _ = taken(7004, curl_mm=7.0, turn_deg=1.0, slant=0.02)
    found = find_sheet(grey, SCENE.sheet)
    bows_mm = np.abs(found.bows).sum(axis=1) * np.array([420, 297, 420, 297])
    assert bows_mm.max() > 0.3
    flat = check_grey(Asked(KEY), grey)
    assert "off" not in [str(line.verdict) for line in flat.strokes]


def test_bows_turn_with_the_sheet():
    bows = np.arange(12, dtype=float).reshape(4, 3)
    corners = np.array([[0, 0], [9, 0], [9, 6], [0, 6]], float)
    found = FoundSheet(corners, bows, 1.0, "edges")
    assert np.allclose(found.turned(4).bows, bows)
    twice = found.turned(2)
    assert np.allclose(twice.corners[0], corners[2])
    # The old bottom is the new top, run through from its other end.
    assert np.allclose(twice.bows[0], bows[2] * [1, -1, 1])
    assert np.allclose(found.turned(1).turned(1).bows, twice.bows)


def test_on_a_desk_like_paper_printed_marks_tell_the_corners():
    code = "orthopsis:12:3:45"
    data, truth = scan_sheet(SCENE, 7005, setting=PhotoSetting(marks=True, code=code))
    grey = open_grey(data)
    corners = np.array(truth["corners_px"])
    inside = np.zeros(grey.shape, np.uint8)
    cv2.fillConvexPoly(inside, np.round(corners).astype(np.int32), 255)
    # The desk is as light as the paper: no edge is left.
    level = np.where(inside > 0, grey, 205).astype(np.uint8)
    found = find_sheet(level, SCENE.sheet)
    assert found.how == "marks"
    assert farthest(found.corners, corners) < 5.0
    upside_down = np.ascontiguousarray(level[::-1, ::-1])
    verdict = check_grey(Asked(KEY), upside_down)
    assert verdict.code == (12, 3, 45, "standard")
    assert "off" not in [str(line.verdict) for line in verdict.strokes]


def test_a_sheet_without_a_code_has_none():
    data, _ = scan_sheet(SCENE, 7006, flat=True, form="png")
    grey = open_grey(data)
    flat = straighten(grey, find_sheet(grey, SCENE.sheet), SCENE.sheet)
    assert read_code(flat) is None


@pytest.mark.parametrize("seed", range(3))
def test_where_no_sheet_lies_none_is_found(seed):
    rng = np.random.default_rng(seed)
    noise = rng.integers(40, 90, (900, 1200)).astype(np.uint8)
    noise = cv2.GaussianBlur(noise, (0, 0), 1 + 3 * seed)
    assert find_sheet(noise, SCENE.sheet) is None
    assert find_paper(noise) is None


def test_a_sheet_of_another_shape_is_not_taken_for_ours():
    desk = np.full((1200, 1600), 80, np.uint8)
    desk[150:1050, 350:1250] = 230
    assert find_sheet(desk, SCENE.sheet) is None
    square = find_paper(desk)
    assert np.abs(np.sort(square, axis=0)[0] - [350, 150]).max() < 6


def test_a_line_through_points_with_wild_ones_is_that_of_the_rest():
    """Outside: SciPy's Huber regression is not shipped; NumPy's fit of the good points is."""
    rng = np.random.default_rng(3)
    t = np.linspace(0, 100, 200)
    y = 0.03 * t + 2.0 + rng.normal(0, 0.05, 200)
    good = np.polyfit(t, y, 1)
    y[::9] += rng.uniform(3, 9, len(y[::9]))
    slope, offset, weights = line_through(t, y)
    mask = np.ones(200, bool)
    mask[::9] = False
    clean = np.polyfit(t[mask], y[mask], 1)
    assert slope == pytest.approx(clean[0], abs=2e-4) and slope == pytest.approx(good[0], abs=1e-3)
    assert offset == pytest.approx(clean[1], abs=0.02)
    assert weights[::9].max() == 0.0
    assert middle_of(np.array([5.0, 1.0, 3.0])) == 3.0


def test_the_ellipse_of_a_meeting_point_tells_how_far_it_may_be_off():
    """Many drawings of the same lines scatter as the covariance says."""
    rng = np.random.default_rng(5)
    starts = [(60, 160), (120, 210), (300, 180), (330, 250), (40, 60), (150, 280)]
    goal = np.array([210.0, 100.0])
    places, areas = [], []
    for _ in range(400):
        lines = []
        for x, y in starts:
            angle = np.arctan2(goal[1] - y, goal[0] - x)
            middle = np.array([x, y]) + 20 * np.array([np.cos(angle), np.sin(angle)])
            angle += np.radians(rng.normal(0, 0.3))
            step = 20 * np.array([np.cos(angle), np.sin(angle)])
            lines.append(RuledLine(tuple(middle - step), tuple(middle + step), 0.3))
        met = meeting(lines)
        places.append(met.at)
        areas.append(met.ellipse[0] * met.ellipse[1])
    scatter = np.sqrt(np.linalg.det(np.cov(np.array(places).T)))
    assert 0.6 < np.median(areas) / scatter < 1.6


def test_the_trial_has_every_plan_for_every_exercise_and_hard_settings_differ():
    made = cases(("a", "b", "c"), 100)
    assert len(made) == 3 * len(PLANS) and len({case.seed for case in made}) == len(made)
    assert {case.mistakes for case in made} == {plan for _, plan in PLANS}
    assert 0 < sum(case.flat for case in made) < len(made) / 2
    settings = [hard_setting(seed) for seed in range(40)]
    assert {s.around.desk for s in settings} == set(DESKS)
    assert {s.around.quarter for s in settings} == {0, 1, 2, 3}
    assert len({s.pencil for s in settings}) == len(HARDER_PENCILS)
    assert hard_setting(7) == hard_setting(7)


@pytest.mark.parametrize(("document", "seed"), [(ONE_POINT, 6121), (TWO_POINT, 6122)])
def test_what_fills_a_plane_is_not_taken_for_lines(document, seed):
    scene = scene_of(document, tone={"light": "left", "lightest": "top"})

    def judged(**fill):
        return check_image(scene, scan_sheet(scene, seed, setting=PhotoSetting(**fill))[0])

    def edges(verdict):
        return sum(line.assigned.expected is not None for line in verdict.strokes)

    bare = judged()
    for filled in (judged(toned=True), judged(hatched=True)):
        new = {finding.code for finding in filled.findings} - {one.code for one in bare.findings}
        assert not new & {"line-misses", "wrong-point", "missing-edge"}
        for wrong in ("off", "stray"):
            count = [sum(s.verdict == wrong for s in one.strokes) for one in (bare, filled)]
            assert count[1] <= count[0], wrong
        assert abs(edges(bare) - edges(filled)) <= 2
