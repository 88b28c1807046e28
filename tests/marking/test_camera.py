"""The stand-in's camera: where each pixel looks on the paper, and what light and sensor add."""

from __future__ import annotations

import cv2
import numpy as np
import pytest

from orthopsis.demo.camera import FLAT_PX_PER_MM, photograph, scan_flat
from orthopsis.demo.desk import DESKS, TIDY, Around, desk, lay_over, light
from orthopsis.demo.pencil import INK_PX_PER_MM, blank
from orthopsis.perspective.sheet import Sheet

SHEET = Sheet(297.0, 210.0)
SMALL = (1600, 1200)


def crosses(places):
    """A sheet with a small dark spot at each of the places (mm)."""
    paper = blank(SHEET)
    for x, y in places:
        at = (round(x * INK_PX_PER_MM * 16 - 8), round(y * INK_PX_PER_MM * 16 - 8))
        cv2.circle(paper, at, round(1.2 * INK_PX_PER_MM * 16), 0.9, -1, cv2.LINE_AA, 4)
    return paper


def seen_at(photo, near, reach=24):
    """The centre of darkness near a pixel."""
    x, y = (round(v - 0.5) for v in near)
    part = photo[y - reach : y + reach + 1, x - reach : x + reach + 1].astype(float)
    weight = np.clip(np.median(part) - 12 - part, 0, None)
    ys, xs = np.mgrid[-reach : reach + 1, -reach : reach + 1]
    total = weight.sum()
    assert total > 0
    return x + 0.5 + (weight * xs).sum() / total, y + 0.5 + (weight * ys).sum() / total


@pytest.mark.parametrize("seed", [1, 2, 3])
def test_a_spot_is_seen_where_the_four_corners_say(seed):
    places = [(40.0, 30.0), (150.0, 105.0), (260.0, 180.0), (60.0, 170.0), (230.0, 40.0)]
    rng = np.random.default_rng(seed)
    photo, corners = photograph(crosses(places), SHEET, rng, Around(slant=0.09), SMALL)
    source = np.array([[0, 0], [297, 0], [297, 210], [0, 210]], np.float32)
    change = cv2.getPerspectiveTransform(source, corners.astype(np.float32))
    expected = cv2.perspectiveTransform(np.array([places], np.float32), change)[0]
    for near in expected:
        assert np.linalg.norm(np.array(seen_at(photo, near)) - near) < 0.4


@pytest.mark.parametrize("quarter", range(4))
def test_a_turned_camera_turns_the_corners_with_the_picture(quarter):
    rng = np.random.default_rng(5)
    photo, corners = photograph(blank(SHEET), SHEET, rng, Around(quarter=quarter), SMALL)
    assert photo.shape == (SMALL[::-1] if quarter % 2 == 0 else SMALL)
    middle = corners.mean(axis=0)
    assert photo[round(middle[1]), round(middle[0])] > 150, "paper in the middle"
    # Clockwise from the top left of the paper, however the picture lies.
    steps = np.roll(corners, -1, axis=0) - corners
    following = np.roll(steps, -1, axis=0)
    assert (steps[:, 0] * following[:, 1] > steps[:, 1] * following[:, 0]).all()


def test_a_curled_sheet_is_seen_wider_where_it_is_nearer():
    flat = photograph(blank(SHEET), SHEET, np.random.default_rng(7), TIDY, SMALL)[1]
    curled = photograph(blank(SHEET), SHEET, np.random.default_rng(7), Around(curl_mm=7.0), SMALL)[
        1
    ]
    out = np.linalg.norm(curled - flat, axis=1)
    assert out[[1, 2]].min() > 3.0, "the right side rises"
    assert out[[0, 3]].max() < 0.5


def test_a_flat_scan_is_the_sheet_edge_to_edge():
    places = [(20.0, 20.0), (277.0, 190.0)]
    picture, corners = scan_flat(crosses(places), SHEET, np.random.default_rng(2))
    assert picture.shape == (round(210 * FLAT_PX_PER_MM), round(297 * FLAT_PX_PER_MM))
    assert (corners == [[0, 0], [2339, 0], [2339, 1654], [0, 1654]]).all()
    for x, y in places:
        near = x * picture.shape[1] / 297, y * picture.shape[0] / 210
        assert np.linalg.norm(np.subtract(seen_at(picture, near), near)) < 0.4
    assert abs(float(np.median(picture)) - 244.0) < 2.0
    assert 1.0 < float(picture[300:400, 300:400].std()) < 2.2


@pytest.mark.parametrize("kind", DESKS)
def test_every_desk_differs_from_paper(kind):
    table = desk(kind, 320, 240, np.random.default_rng(3))
    assert table.shape == (240, 320)
    assert table.dtype == np.float32
    assert table.min() > 30
    assert float(np.median(table)) < 190


@pytest.mark.parametrize("shadow", [False, True])
def test_light_changes_slowly_and_a_shadow_darkens(shadow):
    lit = light(640, 480, Around(shadow=shadow), np.random.default_rng(9))
    assert lit.shape == (480, 640)
    assert 0.5 < lit.min() <= lit.max() < 1.3
    steps = max(np.abs(np.diff(lit, axis=axis)).max() for axis in (0, 1))
    assert steps < (0.02 if shadow else 0.002)
    assert (np.ptp(lit) > 0.2) or not shadow


@pytest.mark.parametrize("over", ["hand", "ruler"])
def test_what_lies_over_an_edge_hides_a_little_of_the_sheet(over):
    corners = np.array([[100, 100], [700, 100], [700, 500], [100, 500]], float)
    photo = np.full((600, 800), 230.0, np.float32)
    lay_over(photo, corners, Around(over=over), np.random.default_rng(4))
    hidden = photo != 230.0
    inside = hidden[100:500, 100:700]
    assert 0.0005 < inside.mean() < 0.06
    assert hidden.sum() > inside.sum(), "it comes from outside the sheet"
