"""A phone over a desk, or a flat scanner: the drawn sheet becomes a picture file."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.perspective.sheet import Sheet

PHOTO_PX = (3200, 2400)
FLAT_PX_PER_MM = 7.874  # 200 dots per inch
PAPER_TONE = 232.0


def photograph(
    ink: NDArray[np.float32], sheet: Sheet, rng: np.random.Generator
) -> tuple[NDArray[np.uint8], NDArray[np.float64]]:
    """A phone's picture, and where the sheet's corners are in it (top left first, clockwise)."""
    width, height = PHOTO_PX if sheet.width_mm >= sheet.height_mm else PHOTO_PX[::-1]
    corners = _corners_on_photo(width, height, sheet, rng)
    paper = PAPER_TONE * (1.0 - ink)
    h, w = ink.shape
    source = np.array([[0, 0], [w, 0], [w, h], [0, h]], np.float32) - np.float32(0.5)
    change = cv2.getPerspectiveTransform(source, corners.astype(np.float32) - np.float32(0.5))
    size = (width, height)
    photo = cv2.warpPerspective(paper, change, size, flags=cv2.INTER_AREA)
    cover = cv2.warpPerspective(np.ones_like(paper), change, size, flags=cv2.INTER_LINEAR)
    shade = cv2.GaussianBlur(np.roll(cover, (14, 10), (0, 1)), (0, 0), 14.0)
    desk = _desk(width, height, rng) * (1.0 - 0.35 * shade)
    photo = photo * cover + desk * (1.0 - cover)
    photo = photo * _light(width, height, rng)
    photo = cv2.GaussianBlur(photo, (0, 0), float(rng.uniform(0.7, 1.1)))
    noise = rng.normal(0.0, 2.6, photo.shape)
    return np.asarray(np.clip(photo + noise, 0, 255), dtype=np.uint8), corners


def scan_flat(
    ink: NDArray[np.float32], sheet: Sheet, rng: np.random.Generator
) -> tuple[NDArray[np.uint8], NDArray[np.float64]]:
    """A flat scanner's picture: the sheet itself, edge to edge, a little grey and grainy."""
    width, height = round(sheet.width_mm * FLAT_PX_PER_MM), round(sheet.height_mm * FLAT_PX_PER_MM)
    flat = cv2.resize(244.0 * (1.0 - ink), (width, height), interpolation=cv2.INTER_AREA)
    noise = rng.normal(0.0, 1.6, flat.shape)
    corners = np.array([[0, 0], [width, 0], [width, height], [0, height]], float)
    return np.asarray(np.clip(flat + noise, 0, 255), dtype=np.uint8), corners


def encode(picture: NDArray[np.uint8], form: str) -> bytes:
    """JPEG at a phone's quality, or PNG."""
    options = [cv2.IMWRITE_JPEG_QUALITY, 88] if form == "jpeg" else []
    _, data = cv2.imencode(".jpg" if form == "jpeg" else ".png", picture, options)
    return bytes(data)


def _corners_on_photo(
    width: int, height: int, sheet: Sheet, rng: np.random.Generator
) -> NDArray[np.float64]:
    scale = 0.86 * min(width / sheet.width_mm, height / sheet.height_mm)
    half = np.array([sheet.width_mm, sheet.height_mm]) * scale / 2
    corners = np.array([[-1, -1], [1, -1], [1, 1], [-1, 1]]) * half
    turn = np.radians(rng.uniform(-3.5, 3.5))
    corners = corners @ np.array([[np.cos(turn), np.sin(turn)], [-np.sin(turn), np.cos(turn)]])
    tilt = rng.uniform(-0.05, 0.05, 2)
    slant = 1.0 + corners[:, :1] / half[0] * tilt[0] + corners[:, 1:] / half[1] * tilt[1]
    return np.asarray(corners / slant + np.array([width, height]) / 2)


def _desk(width: int, height: int, rng: np.random.Generator) -> NDArray[np.float32]:
    """A wooden desk: mid dark, with slow grain along it."""
    knots = rng.normal(0.0, 1.0, (height // 8, width // 64)).astype(np.float32)
    grain = cv2.resize(knots, (width, height), interpolation=cv2.INTER_CUBIC)
    return np.asarray(rng.uniform(70, 112) + 9.0 * grain, dtype=np.float32)


def _light(width: int, height: int, rng: np.random.Generator) -> NDArray[np.float32]:
    """A window on one side: brightness falls off across the sheet."""
    x, y = np.linspace(-1, 1, width), np.linspace(-1, 1, height)[:, None]
    angle, fall = rng.uniform(0, 2 * np.pi), rng.uniform(0.06, 0.16)
    light = 1.0 + fall * (np.cos(angle) * x + np.sin(angle) * y) - 0.05 * (x**2 + y**2)
    return np.asarray(light, dtype=np.float32)
