"""The photo straightened to millimetres, and the pencil's darkness on evenly lit paper."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.sheet.find_sheet import FoundSheet
from orthopsis.marking.sheet.photo import Grey
from orthopsis.marking.sheet.quads import Array
from orthopsis.perspective.sheet import Sheet

PX_PER_MM = 6.0
LARGEST_SIDE_PX = 3600
LEAST_BOW_MM = 0.25
"""Sides that bend less than this are straight."""


@dataclass(frozen=True)
class Straightened:
    """The sheet alone, true to scale: `grey` for the eye, `darkness` (0 paper … 1) for the judge.

    Pixel (column, row) covers the sheet at ((column + ½) / px_per_mm, (row + ½) / px_per_mm).
    """

    grey: Grey
    darkness: NDArray[np.float32]
    px_per_mm: float

    def turned_half(self) -> Straightened:
        """The same sheet the other way up."""
        turn = np.s_[::-1, ::-1]
        return Straightened(
            np.ascontiguousarray(self.grey[turn]),
            np.ascontiguousarray(self.darkness[turn]),
            self.px_per_mm,
        )


def straighten(grey: Grey, found: FoundSheet, sheet: Sheet) -> Straightened:
    """Undo the camera's slant by the homography of the four corners, and the curl of the sides.

    A curled sheet is a Coons patch: between its four bent sides the bend fades from each to its
    opposite (S. A. Coons, Surfaces for computer-aided design, 1967; from memory).
    """
    px_per_mm = min(PX_PER_MM, LARGEST_SIDE_PX / max(sheet.width_mm, sheet.height_mm))
    width, height = round(sheet.width_mm * px_per_mm), round(sheet.height_mm * px_per_mm)
    # Corner coordinates are edges of pixels; OpenCV's are their centres.
    target = np.array([[0, 0], [width, 0], [width, height], [0, height]], np.float32) - 0.5
    corners = found.corners.astype(np.float32) - np.float32(0.5)
    change = np.asarray(cv2.getPerspectiveTransform(corners, target), dtype=float)
    if _bow_mm(found, sheet) < LEAST_BOW_MM:
        flat = cv2.warpPerspective(
            grey, change, (width, height), flags=cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE
        )
    else:
        xs, ys = _bent(found, np.linalg.inv(change), width, height)
        flat = cv2.remap(grey, xs, ys, cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE)
    even = np.asarray(flat, dtype=np.uint8)
    return Straightened(even, darkness_of(even), px_per_mm)


def as_jpeg(sheet: Straightened) -> bytes:
    """The straightened sheet as a JPEG for the screen, on evenly lit paper."""
    lit = np.asarray(250.0 * (1.0 - sheet.darkness), dtype=np.uint8)
    _, data = cv2.imencode(".jpg", lit, [cv2.IMWRITE_JPEG_QUALITY, 85])
    return bytes(data)


def _bow_mm(found: FoundSheet, sheet: Sheet) -> float:
    """How far the sides bend at most, in millimetres of the sheet."""
    lengths = np.array([sheet.width_mm, sheet.height_mm] * 2)
    return float((np.abs(found.bows).sum(axis=1) * lengths).max())


def _bent(
    found: FoundSheet, back: Array, width: int, height: int
) -> tuple[NDArray[np.float32], NDArray[np.float32]]:
    """For each straightened pixel its place in the photo, by way of the bent sides."""
    step = 16
    u = np.arange(0, width + step, step, dtype=float)[None, :] / width
    v = np.arange(0, height + step, step, dtype=float)[:, None] / height
    top, right, bottom, left = (_waves(bow) for bow in found.bows)
    # Outward is up at the top, right at the right side, and so on.
    down = width * (-(1 - v) * top(u) + v * bottom(u))
    across = height * (u * right(v) - (1 - u) * left(v))
    xs, ys = u * width + across - 0.5, v * height + down - 0.5
    w = back[2, 0] * xs + back[2, 1] * ys + back[2, 2]
    px = (back[0, 0] * xs + back[0, 1] * ys + back[0, 2]) / w
    py = (back[1, 0] * xs + back[1, 1] * ys + back[1, 2]) / w
    columns = np.arange(width, dtype=np.float32)[None, :] / step
    rows = np.arange(height, dtype=np.float32)[:, None] / step
    shape = (height, width)
    at_x = np.ascontiguousarray(np.broadcast_to(columns, shape))
    at_y = np.ascontiguousarray(np.broadcast_to(rows, shape))
    fine = [cv2.remap(part.astype(np.float32), at_x, at_y, cv2.INTER_LINEAR) for part in (px, py)]
    return np.asarray(fine[0], np.float32), np.asarray(fine[1], np.float32)


def _waves(bow: Array) -> Callable[[Array], Array]:
    def at(t: Array) -> Array:
        return np.asarray(sum(a * np.sin(k * math.pi * t) for k, a in enumerate(bow, start=1)))

    return at


def darkness_of(flat: Grey) -> NDArray[np.float32]:
    """How much darker than the paper around it each pixel is, 0 to 1."""
    small = cv2.resize(flat, None, fx=0.125, fy=0.125, interpolation=cv2.INTER_AREA)
    paper = cv2.dilate(small, np.ones((5, 5), np.uint8))
    paper = cv2.GaussianBlur(cv2.medianBlur(paper, 15), (0, 0), 8.0)
    lit = cv2.resize(paper, (flat.shape[1], flat.shape[0]), interpolation=cv2.INTER_LINEAR)
    dark = 1.0 - flat.astype(np.float32) / np.maximum(lit.astype(np.float32), 1.0)
    return np.asarray(np.clip(dark, 0.0, 1.0), dtype=np.float32)
