"""Finding the sheet on the desk: four corners, each to a fraction of a pixel."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.photo import Grey
from orthopsis.perspective.sheet import Sheet

Corners = NDArray[np.float64]
"""Shape (4, 2): the sheet's top left, top right, bottom right and bottom left, in pixels."""

SEARCH_SIDE_PX = 1000
LEAST_SHARE = 0.12
"""A sheet fills at least this share of the photo."""


def find_corners(grey: Grey, sheet: Sheet) -> Corners | None:
    """The corners of a sheet on a darker desk, or of a flat scan; None when none is found."""
    quad = _bright_quadrilateral(grey)
    if quad is not None and _has_shape_of(quad, sheet):
        return _in_sheet_order(_sharpened(grey, quad), sheet)
    if _is_the_sheet_itself(grey, sheet):
        height, width = grey.shape
        whole = [[0, 0], [width, 0], [width, height], [0, height]]
        return _in_sheet_order(np.array(whole, dtype=float), sheet)
    return None


def turned_half(corners: Corners) -> Corners:
    """The same sheet taken upside down."""
    return np.roll(corners, 2, axis=0)


def _bright_quadrilateral(grey: Grey) -> Corners | None:
    scale = min(1.0, SEARCH_SIDE_PX / max(grey.shape))
    small = cv2.resize(grey, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    small = cv2.GaussianBlur(small, (0, 0), 2.0)
    _, mask = cv2.threshold(small, 0, 255, cv2.THRESH_BINARY + cv2.THRESH_OTSU)
    mask = cv2.morphologyEx(mask, cv2.MORPH_CLOSE, np.ones((15, 15), np.uint8))
    mask = cv2.morphologyEx(mask, cv2.MORPH_OPEN, np.ones((15, 15), np.uint8))
    contours, _ = cv2.findContours(mask, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    if not contours:
        return None
    hull = cv2.convexHull(max(contours, key=cv2.contourArea))
    area = cv2.contourArea(hull)
    if not LEAST_SHARE * mask.size < area < 0.985 * mask.size:
        return None
    around = cv2.arcLength(hull, True)
    for slack in np.linspace(0.01, 0.08, 15):
        corners = cv2.approxPolyDP(hull, slack * around, True).reshape(-1, 2)
        if len(corners) == 4:
            if cv2.contourArea(corners) < 0.9 * area:
                return None
            return np.asarray(corners / scale, dtype=np.float64)
    return None


def _has_shape_of(quad: Corners, sheet: Sheet) -> bool:
    """Whether the four sides could be the sheet's, seen at a slant."""
    sides = np.linalg.norm(quad - np.roll(quad, -1, axis=0), axis=1)
    a, b = (sides[0] + sides[2]) / 2, (sides[1] + sides[3]) / 2
    ratio = max(a, b) / max(min(a, b), 1e-9)
    true = max(sheet.width_mm, sheet.height_mm) / min(sheet.width_mm, sheet.height_mm)
    return bool(0.72 < ratio / true < 1.38)


def _is_the_sheet_itself(grey: Grey, sheet: Sheet) -> bool:
    """A flat scan without borders: the sheet's shape, and paper right up to the edges."""
    height, width = grey.shape
    ratio = max(width, height) / min(width, height)
    true = max(sheet.width_mm, sheet.height_mm) / min(sheet.width_mm, sheet.height_mm)
    if abs(ratio / true - 1.0) > 0.03:
        return False
    rim = max(2, min(width, height) // 100)
    edges = (grey[:rim], grey[-rim:], grey[:, :rim], grey[:, -rim:])
    paper = float(np.median(grey))
    return paper > 120 and all(abs(float(np.median(edge)) - paper) < 25 for edge in edges)


def _in_sheet_order(quad: Corners, sheet: Sheet) -> Corners:
    """Clockwise from the corner that is the sheet's top left, as upright as the photo is."""
    middle = quad.mean(axis=0)
    angles = np.arctan2(quad[:, 1] - middle[1], quad[:, 0] - middle[0])
    around = quad[np.argsort(angles)]
    first = int(np.argmin(around.sum(axis=1)))
    around = np.roll(around, -first, axis=0)
    sides = np.linalg.norm(around - np.roll(around, -1, axis=0), axis=1)
    wide = sides[0] + sides[2] >= sides[1] + sides[3]
    if wide != (sheet.width_mm >= sheet.height_mm):
        around = np.roll(around, -1, axis=0)
    return around


def _sharpened(grey: Grey, quad: Corners) -> Corners:
    """Each side fitted to the step from desk to paper, then crossed with its neighbours."""
    blurred = cv2.GaussianBlur(grey, (0, 0), 1.2).astype(np.float32)
    lines = [_fitted_side(blurred, quad, i) for i in range(4)]
    corners = []
    for i in range(4):
        crossing = np.cross(lines[i - 1], lines[i])
        if abs(crossing[2]) < 1e-12:
            return quad
        corners.append(crossing[:2] / crossing[2])
    found = np.array(corners)
    moved = np.linalg.norm(found - quad, axis=1)
    return found if moved.max() < 0.05 * max(grey.shape) else quad


def _fitted_side(grey: NDArray[np.float32], quad: Corners, i: int) -> NDArray[np.float64]:
    """The line of side i as (a, b, c), from the steepest step along 80 short cross-cuts."""
    start, end = quad[i], quad[(i + 1) % 4]
    along = end - start
    length = float(np.linalg.norm(along))
    normal = np.array([-along[1], along[0]]) / length
    if normal @ (quad.mean(axis=0) - start) < 0.0:
        normal = -normal
    reach = max(8.0, 0.012 * max(grey.shape))
    offsets = np.arange(-reach, reach, 0.5)
    places = start + np.linspace(0.04, 0.96, 80)[:, None] * along
    xs = places[:, 0, None] + offsets * normal[0]
    ys = places[:, 1, None] + offsets * normal[1]
    cuts = cv2.remap(
        grey, xs.astype(np.float32), ys.astype(np.float32), cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    )  # fmt: skip
    steps = np.diff(cuts, axis=1)
    best = steps.argmax(axis=1)
    rows = np.arange(len(best))
    strong = steps[rows, best] > 0.35 * np.median(steps[rows, best])
    edge = places + (offsets[best] + 0.25)[:, None] * normal
    return _robust_line(edge[strong])


def _robust_line(points: NDArray[np.float64]) -> NDArray[np.float64]:
    """(a, b, c) through points by Huber's weights (OpenCV's fitLine)."""
    dx, dy, x, y = cv2.fitLine(points.astype(np.float32), cv2.DIST_HUBER, 0, 0.01, 0.01).ravel()
    return np.array([dy, -dx, dx * y - dy * x], dtype=float)
