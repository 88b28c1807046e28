"""Pictures without an exercise, sheets that go their own way, and sheets that are not finished."""

from __future__ import annotations

import math

import cv2
import numpy as np
import pytest

from orthopsis.demo.desk import Around
from orthopsis.demo.scanner import PhotoSetting, scan_sheet
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.marking.free_records import FreeLines, free_lines, free_record, free_text
from orthopsis.marking.judge import check_image, judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.judging.free import read_freely, read_toward
from orthopsis.marking.judging.free_picture import read_picture
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.marking.sheet.photo import open_grey
from orthopsis.perspective.stroke import Role
from tests.documents import ONE_POINT, TWO_POINT, changed, example, scene_of


def drawn(scene, sd=0.05):
    return [
        FoundStroke(stroke.start, stroke.end, sd, 1.0)
        for stroke in picture(scene)
        if stroke.role is Role.OUTLINE and stroke.curve is None
    ]


@pytest.mark.parametrize(
    "name", ["seed-crates", "bell-corner", "look-down-yard", "three-crates", "moss-seen-from-below"]
)
def test_points_and_eye_level_are_read_from_exact_lines(name):
    scene = example(name)
    read = read_freely(drawn(scene))
    found = {point.name: point.met.at for point in read.points}
    assert list(found) == [vp.name for vp in scene.vanishing_points]
    for vp in scene.vanishing_points:
        assert math.dist(found[vp.name], vp.at.xy) < 0.01
    (x, y), slope = read.eye_level
    assert y - slope * x == pytest.approx(scene.main.eye_level_mm, abs=0.01)
    assert all(point.sure > 0.7 for point in read.points)


@pytest.mark.parametrize("slant", [0.0, 0.08])
def test_a_photograph_of_a_drawing_is_straightened_and_told_in_its_own_pixels(slant):
    """Also where it was taken from aside: no third point is invented, no upright leans."""
    scene = example("bell-corner")
    setting = PhotoSetting(around=Around(turn_deg=0.0, slant=slant))
    data, truth = scan_sheet(scene, 3600, setting=setting)
    record = free_record(read_picture(open_grey(data)))
    sheet = np.float32([[0, 0], [1, 0], [1, 1], [0, 1]]) * np.float32(
        [scene.sheet.width_mm, scene.sheet.height_mm]
    )
    change = cv2.getPerspectiveTransform(sheet, np.float32(truth["corners_px"]))

    def seen(x, y):
        return cv2.perspectiveTransform(np.float32([[[x, y]]]), change)[0, 0].tolist()

    scale = math.dist(seen(0, 0), seen(100, 0)) / 100
    assert [vp.name for vp in record.vanishing_points] == ["VP1", "VP2"]
    for vp, found in zip(scene.vanishing_points, record.vanishing_points, strict=True):
        far = math.dist(seen(*vp.at.xy), seen(scene.sheet.width_mm / 2, vp.at.y)) / scale
        assert math.dist(found.found_px, seen(*vp.at.xy)) < 0.04 * far * scale, found
    level_mm = scene.main.eye_level_mm
    (_, left), (_, right) = record.eye_level_px
    middle = seen(scene.sheet.width_mm / 2, level_mm)
    there = left + (right - left) * middle[0] / record.image_px[0]
    assert there == pytest.approx(middle[1], abs=3 * scale)
    assert "upright-leans" not in [one.code for one in record.findings]
    assert "% sure" in free_text(record)


def test_lines_are_read_toward_points_that_somebody_sets():
    scene = example("bell-corner")
    lines = drawn(scene)
    points = {vp.name: vp.at.xy for vp in scene.vanishing_points}
    read = read_toward(lines, points)
    for line, family in zip(lines, read.families, strict=True):
        meant = next(s for s in picture(scene) if s.start == line.start and s.end == line.end)
        assert family == meant.family
    assert read.eye_level[0][1] == pytest.approx(scene.main.eye_level_mm)
    # With a point for them, uprights lead there or nowhere.
    third = read_toward(lines, {**points, "VP3": (220.0, 4000.0)})
    assert {"VP3", "VP1", "VP2"} <= set(third.families) and "vertical" not in third.families
    assert set(third.families) - {"free"} <= set(third.goals)
    # Set wrongly, it is the lines that no longer lead there.
    aside = read_toward(lines, {"VP1": (points["VP1"][0], points["VP1"][1] - 12.0)})
    assert aside.points[0].lines and aside.goals["VP1"].y == points["VP1"][1] - 12.0


def test_where_nothing_runs_to_a_point_none_is_invented():
    level = [FoundStroke((20, y), (180, y), 0.05, 1.0) for y in (30, 60, 90, 120)]
    upright = [FoundStroke((x, 30), (x, 120), 0.05, 1.0) for x in (20, 80, 180)]
    read = read_freely(level + upright)
    assert read.points == [] and read.eye_level is None
    assert set(read.families) == {"horizontal", "vertical"}
    assert read_freely([]).points == []


def moved(strokes, dx, dy):
    return [
        FoundStroke(
            (s.start[0] + dx, s.start[1] + dy), (s.end[0] + dx, s.end[1] + dy), s.angle_sd_deg, 1.0
        )
        for s in strokes
    ]


def test_who_keeps_the_rules_with_other_measures_has_made_no_mistake():
    # Another box than the exercise's, drawn to the same points.
    other = scene_of(
        ONE_POINT, pieces__0__front={"x_mm": 250, "y_mm": 150, "width_mm": 90, "height_mm": 40}
    )
    free = scene_of({**ONE_POINT, "given": "points"})
    verdict = judge_strokes(answer_key(free), drawn(other))
    assert {str(line.verdict) for line in verdict.strokes} == {"on"}
    assert [f for f in verdict.findings if f.level == "fix"] == []
    # The exercise's own places would find fault with it.
    strict = judge_strokes(answer_key(scene_of(ONE_POINT)), drawn(other))
    assert any(f.level == "fix" for f in strict.findings)


def test_with_the_rules_alone_their_own_points_are_the_measure():
    scene = example("bell-corner")
    rules = answer_key(resolve(scene.exercise.model_copy(update={"given": "rules"})))
    own = moved(drawn(scene), 35, -20)
    verdict = judge_strokes(rules, own)
    assert {str(line.verdict) for line in verdict.strokes} == {"on"}
    assert [f.code for f in verdict.findings if f.level == "fix"] == []
    for point in verdict.points:
        shifted = point.intended.x + 35, point.intended.y - 20
        assert math.dist(point.found, shifted) < 0.5
    # One line that leaves its own family is found all the same.
    wild = own[:]
    k = next(n for n, line in enumerate(verdict.strokes) if line.family == "VP2")
    (x0, y0), (x1, y1) = own[k].start, own[k].end
    wild[k] = FoundStroke((x0, y0), (x1, y1 + 0.07 * (x1 - x0)), 0.05, 1.0)
    assert str(judge_strokes(rules, wild).strokes[k].verdict) == "off"


def test_points_too_close_are_said_where_pupils_choose_them():
    close = changed(
        TWO_POINT, given="rules", view__left_vp_mm=120, view__right_vp_mm=330,
        pieces__0__edge={"x_mm": 225, "top_mm": 90, "bottom_mm": 260},
        pieces__0__left={"fraction": 0.4}, pieces__0__right={"fraction": 0.4},
    )  # fmt: skip
    scene = scene_of(close)
    verdict = judge_strokes(answer_key(scene), drawn(scene))
    assert "points-too-close" in [f.code for f in verdict.findings]


@pytest.mark.parametrize(("name", "step"), [("bell-corner", 5), ("fern", 7), ("seed-crates", 5)])
def test_a_half_finished_photo_is_judged_up_to_where_it_is(name, step):
    """Also where earlier guide lines are rubbed out or darkened over, and where little is left."""
    scene = example(name)
    data, _ = scan_sheet(scene, 3601, step=step)
    verdict = check_image(scene, data)
    assert verdict.reached == step
    assert "missing-edge" not in [f.code for f in verdict.findings]
    assert verdict.findings[0].code == "half-finished"


def test_a_finished_photo_with_a_forgotten_edge_is_finished():
    scene = example("seed-crates")
    whole, _ = scan_sheet(scene, 3602, ["missing"])
    verdict = check_image(scene, whole)
    assert verdict.reached is None
    assert "missing-edge" in [f.code for f in verdict.findings]


def test_places_go_from_a_slanted_paper_to_the_picture_and_back():
    data, _ = scan_sheet(example("bell-corner"), 3601)
    sheet = read_picture(open_grey(data))
    assert sheet.kind == "drawing"
    found = {p.name: sheet.px(p.met.at) for p in sheet.reading.points}
    again = sheet.toward(found)
    for point, before in zip(again.reading.points, sheet.reading.points, strict=True):
        assert point.met.at == pytest.approx(before.met.at, abs=1e-3)
    assert sheet.toward({}).reading.families == sheet.reading.families
    (left, _), (right, _) = again.eye_level_px
    assert (left, right) == (0.0, float(sheet.size_px[0]))


def test_what_is_kept_of_a_picture_says_the_same_again():
    sheet = read_picture(open_grey(scan_sheet(example("seed-crates"), 3602)[0]))
    kept = FreeLines.model_validate(free_lines(sheet).plain()).read
    before, after = free_record(sheet), free_record(kept)
    assert [p.name for p in after.vanishing_points] == [p.name for p in before.vanishing_points]
    for one, other in zip(before.strokes, after.strokes, strict=True):
        assert (one.family, one.verdict) == (other.family, other.verdict)
        assert other.start == pytest.approx(one.start, abs=0.01)
