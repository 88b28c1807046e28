"""Pencil lines on straightened paper, drawn here with known ends, found again."""

from __future__ import annotations

import math

import cv2
import numpy as np
import pytest

from orthopsis.marking.pencil.find_strokes import find_strokes
from orthopsis.marking.sheet.straighten import Straightened

PX = 6.0
WIDTH, HEIGHT = 200, 140


def sheet(lines, noise=0.012, seed=1):
    """Lines as (start, end, darkness, width in mm) on clean paper with a little grain."""
    big = np.zeros((int(HEIGHT * PX * 4), int(WIDTH * PX * 4)), np.float32)
    for (x0, y0), (x1, y1), dark, width in lines:
        layer = np.zeros_like(big)
        a = (round(x0 * PX * 4 * 16), round(y0 * PX * 4 * 16))
        b = (round(x1 * PX * 4 * 16), round(y1 * PX * 4 * 16))
        cv2.line(layer, a, b, float(dark), max(1, round(width * PX * 4)), cv2.LINE_8, 4)
        big = np.maximum(big, layer)
    size = (int(WIDTH * PX), int(HEIGHT * PX))
    ink = cv2.resize(big, size, interpolation=cv2.INTER_AREA)
    ink = cv2.GaussianBlur(ink, (0, 0), 0.8)
    ink += np.random.default_rng(seed).normal(0, noise, ink.shape).astype(np.float32)
    darkness = np.clip(ink, 0, 1).astype(np.float32)
    grey = np.asarray(240 * (1 - darkness), np.uint8)
    return Straightened(grey, darkness, PX)


def angle(start, end):
    return math.degrees(math.atan2(end[1] - start[1], end[0] - start[0])) % 180


def apart(a, b):
    return abs((a - b + 90) % 180 - 90)


@pytest.mark.parametrize("degrees", [0, 7, 31, 45, 62, 89, 90, 118, 171])
def test_one_line_is_found_once_with_its_angle_and_ends(degrees):
    c, s = math.cos(math.radians(degrees)), math.sin(math.radians(degrees))
    start, end = (100 - 40 * c, 70 - 40 * s), (100 + 40 * c, 70 + 40 * s)
    (found,) = find_strokes(sheet([(start, end, 0.7, 0.5)]))
    assert apart(angle(found.start, found.end), degrees) < 0.12
    assert found.length_mm == pytest.approx(80, abs=1.5)
    assert math.dist(found.middle, (100, 70)) < 0.6
    assert found.angle_sd_deg < 0.2


@pytest.mark.parametrize("length", [8, 15, 40, 120])
def test_longer_lines_are_known_more_surely(length):
    line = ((30, 50), (30 + length, 50), 0.6, 0.5)
    (found,) = find_strokes(sheet([line]))
    assert found.length_mm == pytest.approx(length, abs=1.5)
    assert found.angle_sd_deg < 6.0 / length + 0.02


def test_a_broken_line_is_the_line_that_was_meant():
    parts = [((20, 60), (60, 60), 0.7, 0.5), ((61.5, 60.05), (120, 60), 0.7, 0.5)]
    (found,) = find_strokes(sheet(parts))
    assert found.length_mm == pytest.approx(100, abs=2)


def test_lines_apart_on_one_line_stay_apart():
    parts = [((20, 60), (60, 60), 0.7, 0.5), ((80, 60), (120, 60), 0.7, 0.5)]
    assert sorted(round(s.length_mm / 10) for s in find_strokes(sheet(parts))) == [4, 4]


def test_a_line_drawn_twice_is_one_line():
    twice = [((20, 60), (120, 60), 0.7, 0.5), ((20, 60.3), (120, 60.1), 0.6, 0.5)]
    assert len(find_strokes(sheet(twice))) == 1


def test_dark_outlines_and_light_guide_lines_are_told_apart():
    lines = [
        ((20, 30), (120, 30), 0.75, 0.5),
        ((20, 60), (120, 66), 0.72, 0.5),
        ((20, 90), (120, 100), 0.25, 0.3),
        ((20, 110), (120, 126), 0.28, 0.3),
    ]
    found = find_strokes(sheet(lines))
    assert [stroke.dark for stroke in found] == [True, True, False, False]


def test_an_outline_that_goes_on_as_a_guide_line_is_cut_where_it_changes():
    lines = [((20, 60), (80, 60), 0.75, 0.5), ((80, 60), (140, 60), 0.25, 0.3)]
    found = find_strokes(sheet(lines))
    assert len(found) == 2
    assert found[0].dark
    assert not found[1].dark
    assert found[0].length_mm == pytest.approx(60, abs=3)


def test_crossing_lines_keep_their_own_angles():
    lines = [((30, 30), (150, 110), 0.7, 0.5), ((30, 110), (150, 30), 0.7, 0.5),
             ((30, 70), (150, 70), 0.7, 0.5)]  # fmt: skip
    found = find_strokes(sheet(lines))
    assert len(found) == 3
    for start, end, *_ in lines:
        true = angle(start, end)
        assert min(apart(angle(s.start, s.end), true) for s in found) < 0.2


def test_corners_do_not_bend_the_lines_that_meet_in_them():
    corners = [(40, 30), (140, 30), (140, 110), (40, 110)]
    lines = [(a, b, 0.7, 0.5) for a, b in zip(corners, corners[1:] + corners[:1], strict=True)]
    found = find_strokes(sheet(lines))
    assert len(found) == 4
    for stroke in found:
        assert min(apart(angle(stroke.start, stroke.end), true) for true in (0, 90)) < 0.1
        assert min(abs(stroke.length_mm - true) for true in (100, 80)) < 2


def test_the_edge_of_the_paper_and_short_specks_are_no_lines():
    lines = [((0.5, 0), (0.5, 140), 0.5, 0.5), ((0, 139.4), (200, 139.4), 0.5, 0.5),
             ((60, 60), (62, 61), 0.7, 0.5)]  # fmt: skip
    assert find_strokes(sheet(lines)) == []


def test_clean_paper_has_no_lines():
    assert find_strokes(sheet([], noise=0.02)) == []
