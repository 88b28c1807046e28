"""The four black squares of a starter sheet: they tell where its corners are on any desk."""

from __future__ import annotations

import math
from itertools import combinations

import cv2
import numpy as np

from orthopsis.handout.aids import CORNER_INSET_MM, CORNER_MARK_MM
from orthopsis.marking.sheet.photo import Grey
from orthopsis.marking.sheet.quads import Array, Corners, in_sheet_order, turn_of
from orthopsis.perspective.sheet import Sheet


def corner_marks(small: Grey, sheet: Sheet) -> Corners | None:
    """The sheet's corners by the four printed squares (px); None where they are not all seen.

    Of a photo a thousand pixels are enough: the squares' centres are found far finer than that.
    """
    squares = _black_squares(small, sheet)
    if len(squares) < 4:
        return None
    inner = CORNER_INSET_MM + CORNER_MARK_MM / 2
    w, h = sheet.width_mm, sheet.height_mm
    best, least = None, 0.12
    for four in combinations(squares[:9], 4):
        centres = np.array([s[0] for s in four])
        ordered = in_sheet_order(centres, sheet)
        printed = np.array(
            [[inner, inner], [w - inner, inner], [w - inner, h - inner], [inner, h - inner]]
        )
        if not cv2.isContourConvex(ordered.astype(np.float32)):
            continue
        change = cv2.getPerspectiveTransform(
            printed.astype(np.float32), ordered.astype(np.float32)
        ).astype(float)
        misfit = max(_misfit(change, s, sheet) for s in four)
        if misfit < least:
            edges = np.array([[0, 0], [w, 0], [w, h], [0, h]], dtype=float)
            best, least = _through(change, edges), misfit
    return best


def reduced(grey: Grey, side_px: int) -> tuple[Grey, float]:
    """The photo with its longer side no longer than that, and its scale."""
    scale = min(1.0, side_px / max(grey.shape))
    small = cv2.resize(grey, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    return np.asarray(small, dtype=np.uint8), scale


def _black_squares(small: Grey, sheet: Sheet) -> list[tuple[Array, float]]:
    """Centres and sides (px) of dark four-cornered spots as large as a corner mark may be."""
    block = max(31, (max(small.shape) // 20) | 1)
    dark = cv2.adaptiveThreshold(
        small, 255, cv2.ADAPTIVE_THRESH_MEAN_C, cv2.THRESH_BINARY_INV, block, 40
    )
    contours, _ = cv2.findContours(dark, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    largest = max(small.shape) / max(sheet.width_mm, sheet.height_mm) * CORNER_MARK_MM
    found = []
    for contour in contours:
        area = cv2.contourArea(contour)
        if not (0.3 * largest) ** 2 < area < (1.3 * largest) ** 2:
            continue
        _, (wide, high), _ = cv2.minAreaRect(contour)
        if min(wide, high) < 0.72 * max(wide, high) or area < 0.78 * wide * high:
            continue
        spot = np.zeros(small.shape, np.uint8)
        cv2.drawContours(spot, [contour], -1, 255, -1)
        x0, y0, bw, bh = cv2.boundingRect(contour)
        part = (slice(y0, y0 + bh), slice(x0, x0 + bw))
        weight = (255.0 - small[part]) * (spot[part] > 0)
        ys, xs = np.mgrid[y0 : y0 + bh, x0 : x0 + bw]
        total = float(weight.sum())
        centre = np.array([(weight * xs).sum() / total + 0.5, (weight * ys).sum() / total + 0.5])
        found.append((centre, math.sqrt(area + 2 * math.sqrt(area))))
    # Marks stand far out: those farthest from the middle first.
    middle = np.array(small.shape[::-1]) / 2
    return sorted(found, key=lambda s: -float(np.linalg.norm(s[0] - middle)))


def _through(change: Array, places: Array) -> Array:
    moved = np.column_stack([places, np.ones(len(places))]) @ change.T
    return np.asarray(moved[:, :2] / moved[:, 2:])


def _misfit(change: Array, square: tuple[Array, float], sheet: Sheet) -> float:
    """How far a square's side is from what the four centres make of a mark's side."""
    centre, side = square
    back = _through(np.asarray(np.linalg.inv(change), dtype=float), centre[None])[0]
    corners = back + np.array([[-1, -1], [1, -1], [1, 1], [-1, 1]]) * CORNER_MARK_MM / 2
    seen = _through(change, corners)
    expected = math.sqrt(abs(turn_of(seen[2] - seen[0], seen[3] - seen[1])) / 2)
    return abs(side / expected - 1.0)
