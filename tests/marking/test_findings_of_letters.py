"""Lines that run through a letter, and points that lie too close together."""

from __future__ import annotations

import math
from dataclasses import replace

import cv2
import numpy as np
import pytest

from orthopsis.demo.scanner import scan_sheet
from orthopsis.exercise.resolve import picture
from orthopsis.marking.findings.too_close import stretch_to
from orthopsis.marking.judge import check_image, judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.mended import mended
from orthopsis.marking.records import judged_record
from orthopsis.perspective.stroke import Role
from tests.documents import TWO_POINT, changed, example, scene_of
from tests.marking.test_findings_of_street import lines_of, pencil


def verdict_of(scene, lines):
    return judge_strokes(answer_key(scene), [replace(one, number=n) for n, one in enumerate(lines)])


def hidden_of(scene, least_mm):
    return [s for s in picture(scene) if s.role is Role.HIDDEN and math.dist(*s.segment) > least_mm
            and s.curve is None]  # fmt: skip


@pytest.mark.parametrize(("name", "share"), [("fern", 0.85), ("moss-seen-from-below", 0.9)])
def test_each_line_that_the_corner_test_forbids_is_named_and_not_praised(name, share):
    scene = example(name)
    right, named = lines_of(scene), 0
    forbidden = hidden_of(scene, 6.0)
    for line in forbidden:
        said = verdict_of(scene, [*right, pencil(*line.segment)]).findings
        found = [one for one in said if one.code == "through-letter"]
        named += len(found)
        wrong = {number for one in found for number in one.lines}
        assert not wrong & {n for one in said if one.level == "praise" for n in one.lines}
    assert named >= share * len(forbidden)
    assert "through-letter" not in [one.code for one in verdict_of(scene, right).findings]


def test_a_guide_line_drawn_darkly_on_through_the_letter_is_named():
    scene = example("fern")
    line = max((s for s in hidden_of(scene, 6.0) if s.family == "VP1"), key=lambda s: s.start[1])
    vp = scene.vanishing_points[0].at.xy
    near, far = sorted(line.segment, key=lambda end: -math.dist(end, vp))
    beyond = tuple(f + 0.4 * (f - n) for n, f in zip(near, far, strict=True))
    said = verdict_of(scene, [*lines_of(scene), pencil(near, beyond)]).findings
    assert "through-letter" in [one.code for one in said]


@pytest.mark.parametrize("seed", [8101, 8102])
def test_on_a_photo_it_is_the_first_correction(seed):
    # Tried on 16 sheets, and on 16 right ones; two stay in the tests.
    scene = example("fern")
    data, _ = scan_sheet(scene, seed, ["through"], flat=False)
    fixes = [one.code for one in check_image(scene, data).findings if one.level == "fix"]
    assert fixes[:1] == ["through-letter"]


def sheet_of(scene, lines):
    """A straightened sheet as a file, and what is said of its lines."""
    high, wide = (round(3 * mm) for mm in (scene.sheet.height_mm, scene.sheet.width_mm))
    _, data = cv2.imencode(".jpg", np.full((high, wide, 3), 240, np.uint8))
    return bytes(data), judged_record(verdict_of(scene, lines))


def opened(jpeg):
    return cv2.imdecode(np.frombuffer(jpeg, np.uint8), cv2.IMREAD_COLOR).astype(int)


def test_on_the_slip_it_is_crossed_out_in_red():
    scene = example("fern")
    line = max(hidden_of(scene, 20.0), key=lambda s: math.dist(*s.segment))
    right = sheet_of(scene, lines_of(scene))
    assert mended(right[0], scene.sheet.width_mm, right[1]).detail is None
    data, record = sheet_of(scene, [*lines_of(scene), pencil(*line.segment)])
    pictures = mended(data, scene.sheet.width_mm, record)
    blue, _, red = np.moveaxis(opened(pictures.detail), 2, 0)
    assert (red - blue > 100).sum() > 500


# --- points too close -----------------------------------------------------------------------------


def close(apart_mm, **more):
    middle = 225
    return changed(
        TWO_POINT, view__left_vp_mm=middle - apart_mm / 2, view__right_vp_mm=middle + apart_mm / 2,
        pieces__0__edge={"x_mm": middle, "top_mm": 90, "bottom_mm": 260},
        pieces__0__left={"fraction": 0.4}, pieces__0__right={"fraction": 0.4}, **more,
    )  # fmt: skip


@pytest.mark.parametrize(("given", "level"), [("rules", "fix"), ("measures", "ask")])
def test_points_too_close_are_told_to_who_chose_them(given, level):
    scene = scene_of(close(210, given=given))
    record = sheet_of(scene, lines_of(scene))
    said = next(one for one in record[1].findings if one.code == "points-too-close")
    assert said.level == level
    level_mm = scene.main.eye_level_mm
    # Seen from the lowest corner the points lie this far aside: as wide as it opens.
    right = math.tan(math.radians(50.0)) * (260 - level_mm) / 105
    assert said.stretch == pytest.approx(right, abs=0.01)
    apart = scene_of(close(2 * 105 * right * 1.02, given=given))
    codes = [one.code for one in verdict_of(apart, lines_of(apart)).findings]
    assert "points-too-close" not in codes


def test_the_slip_shows_the_drawing_stretched():
    scene = scene_of(close(210, given="rules"))
    data, record = sheet_of(scene, lines_of(scene))
    high, wide = opened(mended(data, scene.sheet.width_mm, record).detail).shape[:2]
    stretch = next(one.stretch for one in record.findings if one.stretch)
    assert wide / high == pytest.approx(
        stretch * scene.sheet.width_mm / scene.sheet.height_mm, rel=0.01
    )


def test_stretched_so_far_the_corner_opens_as_wide():
    for left, right in ((0.4, 0.9), (1.0, 1.0), (0.2, 3.0)):
        by = stretch_to(100.0, left, right)
        opened_deg = math.degrees(math.atan(by * left) + math.atan(by * right))
        assert opened_deg == pytest.approx(100.0, abs=1e-9)
