"""The photo straightened to millimetres, and the pencil's darkness on evenly lit paper."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.find_sheet import Corners
from orthopsis.marking.photo import Grey
from orthopsis.perspective.sheet import Sheet

PX_PER_MM = 6.0
LARGEST_SIDE_PX = 3600


@dataclass(frozen=True)
class Straightened:
    """The sheet alone, true to scale: `grey` for the eye, `darkness` (0 paper … 1) for the judge.

    Pixel (column, row) covers the sheet at ((column + ½) / px_per_mm, (row + ½) / px_per_mm).
    """

    grey: Grey
    darkness: NDArray[np.float32]
    px_per_mm: float


def straighten(grey: Grey, corners: Corners, sheet: Sheet) -> Straightened:
    """Undo the camera's slant by the homography of the four corners."""
    px_per_mm = min(PX_PER_MM, LARGEST_SIDE_PX / max(sheet.width_mm, sheet.height_mm))
    width, height = round(sheet.width_mm * px_per_mm), round(sheet.height_mm * px_per_mm)
    # Corner coordinates are edges of pixels; OpenCV's are their centres.
    target = np.array([[0, 0], [width, 0], [width, height], [0, height]], np.float32) - 0.5
    change = cv2.getPerspectiveTransform(corners.astype(np.float32) - np.float32(0.5), target)
    size = (width, height)
    flat = np.asarray(
        cv2.warpPerspective(
            grey, change, size, flags=cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE
        ),
        dtype=np.uint8,
    )
    return Straightened(flat, _darkness(flat), px_per_mm)


def as_jpeg(sheet: Straightened) -> bytes:
    """The straightened sheet as a JPEG for the screen, on evenly lit paper."""
    lit = np.asarray(250.0 * (1.0 - sheet.darkness), dtype=np.uint8)
    _, data = cv2.imencode(".jpg", lit, [cv2.IMWRITE_JPEG_QUALITY, 85])
    return bytes(data)


def _darkness(flat: Grey) -> NDArray[np.float32]:
    """How much darker than the paper around it each pixel is, 0 to 1."""
    small = cv2.resize(flat, None, fx=0.125, fy=0.125, interpolation=cv2.INTER_AREA)
    paper = cv2.dilate(small, np.ones((5, 5), np.uint8))
    paper = cv2.GaussianBlur(cv2.medianBlur(paper, 15), (0, 0), 8.0)
    lit = cv2.resize(paper, (flat.shape[1], flat.shape[0]), interpolation=cv2.INTER_LINEAR)
    dark = 1.0 - flat.astype(np.float32) / np.maximum(lit.astype(np.float32), 1.0)
    return np.asarray(np.clip(dark, 0.0, 1.0), dtype=np.float32)
