"""Two lines that leave a corner and touch: what is read from the flank, on sheets drawn by rule."""

from __future__ import annotations

import math

import cv2
import numpy as np
import pytest

from orthopsis.marking.judging.touching_lines import LEAST_TURN_DEG, beside_another
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.marking.sheet.straighten import Straightened

PX_PER_MM = 6.0
CORNER = np.array([20.0, 20.0])


def sheet_with(*lines, noise=0.01, seed=3):
    """Lines (from, to, width in mm) as an even pencil leaves them, finely drawn and reduced."""
    fine = 8
    canvas = np.zeros((60 * 6 * fine // 2, 80 * 6 * fine // 2), np.float32)
    scale = PX_PER_MM * fine / 2
    for start, end, width_mm in lines:
        a, b = (tuple(round(float(v) * scale * 16) for v in p) for p in (start, end))
        cv2.line(canvas, a, b, 0.8, round(width_mm * scale), cv2.LINE_AA, 4)
    height, width = canvas.shape[0] * 2 // fine, canvas.shape[1] * 2 // fine
    dark = cv2.resize(canvas, (width, height), interpolation=cv2.INTER_AREA)
    dark = cv2.GaussianBlur(dark, (0, 0), 0.7)
    rng = np.random.default_rng(seed)
    dark = np.clip(dark + rng.normal(0, noise, dark.shape), 0, 1).astype(np.float32)
    return Straightened(np.asarray(255 * (1 - dark), np.uint8), dark, PX_PER_MM)


def reach(angle_deg, size_mm):
    angle = math.radians(angle_deg)
    return CORNER + size_mm * np.array([math.cos(angle), math.sin(angle)])


def known(end):
    return FoundStroke(tuple(CORNER), tuple(float(v) for v in end), 0.05, 0.8)


def angle_of(stroke):
    (x0, y0), (x1, y1) = stroke.start, stroke.end
    return (math.degrees(math.atan2(y1 - y0, x1 - x0)) + 90.0) % 180.0 - 90.0


@pytest.mark.parametrize("way", [0.0, 37.0, -64.0])
@pytest.mark.parametrize("apart_deg", [2.0, 3.0, -2.5])
@pytest.mark.parametrize("width_mm", [0.4, 0.6])
def test_the_second_line_is_read_by_its_flank(way, apart_deg, width_mm):
    long, short = reach(way, 32.0), reach(way + apart_deg, 13.0)
    sheet = sheet_with((CORNER, long, width_mm), (CORNER, short, width_mm))
    expected = reach(way + apart_deg * 1.3, 13.0)  # the exercise says only about where to look
    found = beside_another(sheet, CORNER, expected, [known(long)])
    assert found is not None
    stroke, touched = found
    assert touched.end == known(long).end
    turn = (angle_of(stroke) - way - apart_deg + 90.0) % 180.0 - 90.0
    assert abs(turn) < 0.5
    assert stroke.angle_sd_deg < 0.6
    assert abs(stroke.length_mm - 13.0) < 1.5


@pytest.mark.parametrize("seed", range(6))
def test_a_line_alone_has_no_second_one_beside_it(seed):
    long = reach(10.0, 32.0)
    sheet = sheet_with((CORNER, long, 0.5), noise=0.03, seed=seed)
    for apart in (2.0, -3.0):
        assert beside_another(sheet, CORNER, reach(10.0 + apart, 13.0), [known(long)]) is None


def test_what_nobody_could_tell_apart_is_not_told():
    long, short = reach(0.0, 32.0), reach(0.4 * LEAST_TURN_DEG, 13.0)
    sheet = sheet_with((CORNER, long, 0.5), (CORNER, short, 0.5))
    assert beside_another(sheet, CORNER, short, [known(long)]) is None


def test_lines_farther_away_are_no_neighbours():
    long, short = reach(0.0, 32.0), reach(12.0, 13.0)
    sheet = sheet_with((CORNER, long, 0.5), (CORNER, short, 0.5))
    assert beside_another(sheet, CORNER, short, [known(long)]) is None
    assert beside_another(sheet, CORNER, short, []) is None
    ahead = FoundStroke(tuple(reach(0.0, 20.0)), tuple(reach(0.0, 40.0)), 0.05, 0.8)
    assert beside_another(sheet, CORNER, reach(2.0, 13.0), [ahead]) is None
