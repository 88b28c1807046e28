"""A phone over a desk, or a flat scanner: the drawn sheet becomes a picture file."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.demo.desk import TIDY, Around, desk, lay_over, light
from orthopsis.perspective.sheet import Sheet

PHOTO_PX = (3200, 2400)
FLAT_PX_PER_MM = 7.874  # 200 dots per inch
PAPER_TONE = 232.0
CAMERA_MM = 600.0
"""The camera's height over a sheet as wide as A3; other sheets in proportion."""

Places = NDArray[np.float64]


def photograph(
    ink: NDArray[np.float32],
    sheet: Sheet,
    rng: np.random.Generator,
    around: Around = TIDY,
    photo_px: tuple[int, int] = PHOTO_PX,
) -> tuple[NDArray[np.uint8], Places]:
    """A phone's picture, and where the sheet's corners are in it (top left first, clockwise).

    A cut-off corner lies outside the picture.
    """
    width, height = photo_px if sheet.width_mm >= sheet.height_mm else photo_px[::-1]
    flat = _corners_on_photo(width, height, sheet, around, rng)
    paper = PAPER_TONE * (1.0 - ink)
    h, w = ink.shape
    source = np.array([[0, 0], [w, 0], [w, h], [0, h]], np.float32) - np.float32(0.5)
    target = flat.astype(np.float32) - np.float32(0.5)
    change = np.asarray(cv2.getPerspectiveTransform(source, target), dtype=float)
    xs, ys = _where_on_paper(change, (width, height), (w, h), around)
    photo = cv2.remap(paper, xs, ys, cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE)
    inside = np.minimum(np.minimum(xs, w - 1 - xs), np.minimum(ys, h - 1 - ys))
    cover = np.clip((inside + 0.5) * (0.8 * width / w) + 0.5, 0.0, 1.0)
    table = desk(around.desk, width, height, rng) * (1.0 - 0.35 * _shade(cover))
    photo = table + cover * (photo - table)
    corners = _lifted(flat, change, (w, h), around)
    if around.over in ("hand", "ruler"):
        lay_over(photo, corners, around, rng)
    photo = photo * light(width, height, around, rng)
    photo = cv2.GaussianBlur(photo, (0, 0), float(rng.uniform(0.7, 1.1)))
    return _quarter_turned(_grainy(photo, 2.6, rng), corners, around.quarter)


def scan_flat(
    ink: NDArray[np.float32], sheet: Sheet, rng: np.random.Generator, around: Around = TIDY
) -> tuple[NDArray[np.uint8], Places]:
    """A flat scanner's picture: the sheet itself, edge to edge, a little grey and grainy."""
    width, height = round(sheet.width_mm * FLAT_PX_PER_MM), round(sheet.height_mm * FLAT_PX_PER_MM)
    paper = np.float32(244.0) * (1.0 - ink)
    flat = cv2.resize(paper, (width, height), interpolation=cv2.INTER_AREA).astype(np.float32)
    corners = np.array([[0, 0], [width, 0], [width, height], [0, height]], float)
    return _quarter_turned(_grainy(flat, 1.6, rng), corners, around.quarter)


def encode(picture: NDArray[np.uint8], form: str) -> bytes:
    """JPEG at a phone's quality, or PNG."""
    options = [cv2.IMWRITE_JPEG_QUALITY, 88] if form == "jpeg" else []
    _, data = cv2.imencode(".jpg" if form == "jpeg" else ".png", picture, options)
    return bytes(data)


def _grainy(
    tones: NDArray[np.float32], strength: float, rng: np.random.Generator
) -> NDArray[np.uint8]:
    """What the sensor makes of it: whole grey levels, with noise."""
    noise = rng.standard_normal(tones.shape, dtype=np.float32) * np.float32(strength)
    return np.asarray(cv2.add(tones, noise, dtype=cv2.CV_8U), dtype=np.uint8)


def _shade(cover: NDArray[np.float32]) -> NDArray[np.float32]:
    """The sheet's soft shadow on the desk, a little down and to the right of it."""
    height, width = cover.shape
    small = cv2.resize(np.roll(cover, (14, 10), (0, 1)), (width // 4, height // 4))
    soft = cv2.GaussianBlur(small, (0, 0), 3.5)
    return np.asarray(cv2.resize(soft, (width, height)), dtype=np.float32)


def _corners_on_photo(
    width: int, height: int, sheet: Sheet, around: Around, rng: np.random.Generator
) -> Places:
    scale = 0.86 * min(width / sheet.width_mm, height / sheet.height_mm)
    half = np.array([sheet.width_mm, sheet.height_mm]) * scale / 2
    corners = np.array([[-1, -1], [1, -1], [1, 1], [-1, 1]]) * half
    turn = np.radians(rng.uniform(-around.turn_deg, around.turn_deg))
    if around.turn_deg > 5.0:
        corners = corners * 0.95
    corners = corners @ np.array([[np.cos(turn), np.sin(turn)], [-np.sin(turn), np.cos(turn)]])
    tilt = rng.uniform(-around.slant, around.slant, 2)
    slant = 1.0 + corners[:, :1] / half[0] * tilt[0] + corners[:, 1:] / half[1] * tilt[1]
    placed = np.asarray(corners / slant + np.array([width, height]) / 2)
    if around.over == "cut off":
        placed = placed + _push(placed, np.array([width, height], float))
    return placed


def _push(placed: Places, size: Places) -> Places:
    """The way to move the sheet so that the one corner that stands out most is cut off."""
    best, least = np.zeros(2), 0.0
    for axis in range(2):
        for side in (0.0, float(size[axis])):
            beyond = np.sort(np.abs(placed[:, axis] - side))
            gap = float(beyond[1] - beyond[0])
            if gap > least:
                by = float(beyond[0]) + min(0.5 * gap, 0.02 * float(size.max()))
                best, least = np.zeros(2), gap
                best[axis] = by if side else -by
    return best


def _lift(x: Places, y: Places, size: tuple[int, int], curl_mm: float) -> Places:
    """How much nearer the camera the paper is, as a share of the camera's height.

    The sheet was rolled: its right side rises, and a little more so at its foot.
    """
    along = x / size[0] + 0.15 * (y / size[1] - 0.5)
    return np.asarray(curl_mm / CAMERA_MM * (np.clip(along - 0.35, 0.0, None) / 0.65) ** 2)


def _where_on_paper(
    change: Places, photo: tuple[int, int], size: tuple[int, int], around: Around
) -> tuple[NDArray[np.float32], NDArray[np.float32]]:
    """For each pixel of the photo its place on the paper, in pixels of the ink."""
    # Found at every eighth pixel: between them the places change as good as evenly.
    width, height, step = *photo, 8
    xs, ys = np.meshgrid(np.arange(0.0, width + step, step), np.arange(0.0, height + step, step))
    back = np.linalg.inv(change)
    w = back[2, 0] * xs + back[2, 1] * ys + back[2, 2]
    u = (back[0, 0] * xs + back[0, 1] * ys + back[0, 2]) / w
    v = (back[1, 0] * xs + back[1, 1] * ys + back[1, 2]) / w
    middle = np.array(size) / 2
    px, py = u, v
    # What is nearer the camera is seen further out from below it: solved by repeating.
    for _ in range(6 if around.curl_mm else 0):
        lift = _lift(px, py, size, around.curl_mm)
        px = (u + lift * middle[0]) / (1.0 + lift)
        py = (v + lift * middle[1]) / (1.0 + lift)
    return _between(px, photo, step), _between(py, photo, step)


def _between(coarse: Places, size: tuple[int, int], step: int) -> NDArray[np.float32]:
    """Values at every pixel from those at every `step`-th, evenly."""
    width, height = size
    part = np.arange(step, dtype=np.float32) / step
    values = coarse.astype(np.float32)
    rows = values[:-1, None] + part[:, None] * (values[1:] - values[:-1])[:, None]
    rows = rows.reshape(-1, values.shape[1])[:height]
    full = rows[:, :-1, None] + part * (rows[:, 1:] - rows[:, :-1])[..., None]
    return np.ascontiguousarray(full.reshape(height, -1)[:, :width])


def _lifted(flat: Places, change: Places, size: tuple[int, int], around: Around) -> Places:
    """Where the corners of a curled sheet are seen."""
    if not around.curl_mm:
        return flat
    w, h = size
    paper = np.array([[0, 0], [w, 0], [w, h], [0, h]], float)
    lift = _lift(paper[:, 0], paper[:, 1], size, around.curl_mm)[:, None]
    seen = paper + lift * (paper - np.array([w, h]) / 2) - 0.5
    raised = np.column_stack([seen, np.ones(4)]) @ np.asarray(change).T
    return np.asarray(raised[:, :2] / raised[:, 2:] + 0.5)


def _quarter_turned(
    picture: NDArray[np.uint8], corners: Places, quarter: int
) -> tuple[NDArray[np.uint8], Places]:
    """The camera held sideways or upside down."""
    for _ in range(quarter % 4):
        height = picture.shape[0]
        picture = np.ascontiguousarray(np.rot90(picture, -1))
        corners = np.column_stack([height - corners[:, 1], corners[:, 0]])
    return picture, corners
