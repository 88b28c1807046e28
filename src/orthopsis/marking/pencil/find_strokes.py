"""Pencil lines on the straightened sheet: pieces of line found, joined, and measured finely.

OpenCV's line segment detector (R. Grompone von Gioi et al., LSD, 2010) finds both flanks of each
pencil line in pieces. Pieces on one line are joined; the line is then fitted to the centres of the
pencil's darkness across it, and cut into runs of dark outline and light guide line.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.fitting import Array, ends_of, line_through, middle_of
from orthopsis.marking.sheet.straighten import Straightened
from orthopsis.perspective.segments import XY

LEAST_PIECE_MM = 2.5
PIECES_PX_PER_MM = 3.6
LEAST_STROKE_MM = 5.0
GAP_MM = 3.0
ACROSS_MM = 1.2
STEP_MM = 0.25
FAINTEST = 0.06
GRAIN = 0.01
TONE_SHARE = 1.15
EDGE_OF_SHEET_MM = 1.5


@dataclass(frozen=True)
class FoundStroke:
    """A line a pencil drew, in sheet mm, with what the pixels say of it.

    `angle_sd_deg` is the standard deviation of its direction, `darkness` 0 to 1; `number` is its
    place among the lines found on the sheet.
    """

    start: XY
    end: XY
    angle_sd_deg: float
    darkness: float
    dark: bool = True
    number: int = -1

    @property
    def length_mm(self) -> float:
        return math.dist(self.start, self.end)

    @property
    def middle(self) -> XY:
        return (self.start[0] + self.end[0]) / 2, (self.start[1] + self.end[1]) / 2

    def between(self, start: XY | Array, end: XY | Array) -> FoundStroke:
        """The same line between other ends."""
        (x0, y0), (x1, y1) = start, end
        return replace(self, start=(float(x0), float(y0)), end=(float(x1), float(y1)))


def find_strokes(sheet: Straightened) -> list[FoundStroke]:
    """All pencil lines of at least 5 mm, dark ones first, then from the top down."""
    pieces = _pieces(sheet)
    found: list[FoundStroke] = []
    tone = _tone(sheet)
    for group in _joined(pieces):
        found += _measured(sheet, group, tone)
    found = _without_doubles(found)
    found = _dark_and_light(found)
    return sorted(found, key=lambda s: (not s.dark, round(s.middle[1]), s.middle[0]))


def line_pieces(grey: NDArray[np.uint8]) -> Array:
    """OpenCV's line segments as rows x0, y0, x1, y1 (px)."""
    lines = cv2.createLineSegmentDetector(cv2.LSD_REFINE_STD, 1.0).detect(grey)[0]
    if lines is None:
        return np.empty((0, 4))
    return np.asarray(lines.reshape(-1, 4).astype(float) + 0.5)


def _pieces(sheet: Straightened) -> Array:
    """Line pieces as rows x0, y0, x1, y1 in mm, shape (n, 4)."""
    # Pieces only have to be found here; they are measured on the whole picture.
    scale = min(1.0, PIECES_PX_PER_MM / sheet.px_per_mm)
    small = cv2.resize(sheet.darkness, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    # Paper without its grain: the detector looks at every pixel that is not quite even.
    bright = np.asarray(255.0 * np.clip(1.0 - 1.6 * (small - GRAIN), 0.0, 1.0), dtype=np.uint8)
    pieces = line_pieces(bright) / (scale * sheet.px_per_mm)
    sizes = np.hypot(pieces[:, 2] - pieces[:, 0], pieces[:, 3] - pieces[:, 1])
    height, width = (side / sheet.px_per_mm for side in sheet.grey.shape)
    rim = EDGE_OF_SHEET_MM
    xs, ys = pieces[:, [0, 2]], pieces[:, [1, 3]]
    along_edge = (
        (xs.max(1) < rim) | (xs.min(1) > width - rim) | (ys.max(1) < rim)
        | (ys.min(1) > height - rim)
    )  # fmt: skip
    keep = pieces[(sizes >= LEAST_PIECE_MM) & ~along_edge]
    order = np.argsort(-np.hypot(keep[:, 2] - keep[:, 0], keep[:, 3] - keep[:, 1]), kind="stable")
    return np.asarray(keep[order])


@dataclass
class _Group:
    """Pieces on one line: a place on it, its direction, and how far along it they reach."""

    place: Array
    along: Array
    low: float
    high: float
    pieces: list[Array]

    def takes(self, pieces: Array) -> NDArray[np.bool_]:
        """Which of the pieces lie on this line and next to what it has."""
        ends = pieces.reshape(-1, 2, 2) - self.place
        off = np.abs(ends[:, :, 0] * self.along[1] - ends[:, :, 1] * self.along[0]).max(axis=1)
        step = ends[:, 1] - ends[:, 0]
        turn = np.abs(step[:, 0] * self.along[1] - step[:, 1] * self.along[0])
        turn /= np.hypot(step[:, 0], step[:, 1])
        t = ends @ self.along
        near = (t.max(axis=1) > self.low - GAP_MM * 2) & (t.min(axis=1) < self.high + GAP_MM * 2)
        straight = (turn <= math.sin(math.radians(3.0))) | (off <= 0.45)
        return np.asarray((off <= 0.8) & straight & near)

    def add(self, pieces: Array) -> None:
        self.pieces += list(pieces)
        points = np.concatenate([p.reshape(2, 2) for p in self.pieces])
        weights = np.repeat([float(np.hypot(p[2] - p[0], p[3] - p[1])) for p in self.pieces], 2)
        self.place = np.average(points, axis=0, weights=weights)
        spread = (points - self.place) * np.sqrt(weights)[:, None]
        along = np.linalg.svd(spread, full_matrices=False)[2][0]
        self.along = along if along @ self.along > 0 else -along
        t = (points - self.place) @ self.along
        self.low, self.high = float(t.min()), float(t.max())


def _joined(pieces: Array) -> list[_Group]:
    """Longest pieces first, each joined to the line it lies on, until nothing joins."""
    groups: list[_Group] = []
    waiting = pieces
    while len(waiting):
        first, waiting = waiting[0], waiting[1:]
        step = first[2:] - first[:2]
        size = float(np.hypot(*step))
        group = _Group((first[:2] + first[2:]) / 2, step / size, -size / 2, size / 2, [first])
        while len(waiting) and (taken := group.takes(waiting)).any():
            group.add(waiting[taken])
            waiting = waiting[~taken]
        groups.append(group)
    return groups


def _tone(sheet: Straightened) -> NDArray[np.float32]:
    """How dark the paper itself was made around each place, at an eighth of the size.

    Lines, however crowded, cover less than half of it; the tone of a plane covers all.
    """
    small = cv2.resize(sheet.darkness, None, fx=0.125, fy=0.125, interpolation=cv2.INTER_AREA)
    toned = cv2.medianBlur(np.asarray(255.0 * small, dtype=np.uint8), 9)
    return np.asarray(toned.astype(np.float32) / 255.0)


def _measured(sheet: Straightened, group: _Group, tone: NDArray[np.float32]) -> list[FoundStroke]:
    """The group's line fitted to the pencil's centre, and its runs of pencil."""
    place, along = group.place, group.along
    low, high = group.low - 2.0, group.high + 2.0
    strokes: list[FoundStroke] = []
    for attempt in range(2):
        # The first look only finds the line; the second measures it.
        t = np.arange(low, high, STEP_MM * (2 - attempt))
        if len(t) < 8:
            return []
        centres, peaks = across(sheet, place, along, t)
        # On a toned plane a line has to stand out from the tone's own unevenness.
        at = (place + t[:, None] * along) * sheet.px_per_mm / 8.0 - 0.5
        around = cv2.remap(
            tone, at[:, :1].astype(np.float32), at[:, 1:].astype(np.float32), cv2.INTER_LINEAR
        )
        on = peaks > np.maximum(FAINTEST, TONE_SHARE * around.ravel())
        if on.sum() < LEAST_STROKE_MM / STEP_MM / 2 / (2 - attempt):
            return []
        if attempt == 0:
            place, along = refitted(place, along, t[on], centres[on])
            continue
        # Beyond the line's own end, another line of the corner leads the eye aside.
        on &= np.abs(centres) < 0.45
        for run, kind in _runs(t, on, peaks):
            stroke = fitted_run(place, along, t[run], centres[run], peaks[run], kind)
            if stroke is not None:
                strokes.append(stroke)
    return strokes


def across(
    sheet: Straightened, place: Array, along: Array, t: Array, reach_mm: float = ACROSS_MM
) -> tuple[Array, Array]:
    """Centre of darkness across the line (mm, to its left) and the darkness there, at each t.

    The darkest place is sought within `reach_mm` of the line.
    """
    normal = np.array([-along[1], along[0]])
    offsets = np.arange(-ACROSS_MM, ACROSS_MM + 1e-9, 1.0 / (1.5 * sheet.px_per_mm))
    xs = (place[0] + t[:, None] * along[0] + offsets * normal[0]) * sheet.px_per_mm - 0.5
    ys = (place[1] + t[:, None] * along[1] + offsets * normal[1]) * sheet.px_per_mm - 0.5
    cuts = cv2.remap(
        sheet.darkness, xs.astype(np.float32), ys.astype(np.float32), cv2.INTER_LINEAR
    ).astype(float)
    cuts = cv2.blur(cuts, (1, 3))
    best = np.where(np.abs(offsets) <= reach_mm, cuts, -1.0).argmax(axis=1)
    peaks = cuts[np.arange(len(t)), best]
    k = round(0.3 * (cuts.shape[1] - 1))
    floor = np.partition(cuts, k, axis=1)[:, k : k + 1]
    near = np.abs(offsets - offsets[best][:, None]) < 0.55
    weight = np.clip(cuts - np.maximum(floor, 0.25 * peaks[:, None]), 0.0, None) * near
    total = weight.sum(axis=1)
    centres = np.where(total > 1e-9, (weight * offsets).sum(axis=1) / np.maximum(total, 1e-9), 0.0)
    return centres, peaks - floor[:, 0]


def refitted(place: Array, along: Array, t: Array, centres: Array) -> tuple[Array, Array]:
    slope, offset, _ = line_through(t, centres)
    normal = np.array([-along[1], along[0]])
    turned = along + slope * normal
    turned = turned / float(np.hypot(*turned))
    return place + offset * normal, turned


def _runs(t: Array, on: NDArray[np.bool_], peaks: Array) -> Iterator[tuple[NDArray[np.intp], bool]]:
    """Runs of pencil without a gap, cut where dark outline turns into light guide line."""
    count = max(1, round(1.5 / STEP_MM) | 1)
    smooth = cv2.blur(peaks.reshape(1, -1), (count, 1)).ravel()
    present = np.flatnonzero(on)
    gaps = np.flatnonzero(np.diff(t[present]) > GAP_MM) + 1
    for part in np.split(present, gaps):
        if not len(part):
            continue
        level = smooth[part]
        low, high = round(0.1 * (len(level) - 1)), round(0.9 * (len(level) - 1))
        ordered = np.partition(level, (low, high))
        bright, faint = ordered[high], ordered[low]
        if bright < 1.8 * faint or bright - faint < 0.12:
            yield part, True
            continue
        dark = level > (bright + faint) / 2
        edges = np.flatnonzero(np.diff(dark.astype(int))) + 1
        for piece in np.split(np.arange(len(part)), edges):
            yield part[piece], bool(dark[piece[0]])


def fitted_run(
    place: Array, along: Array, t: Array, centres: Array, peaks: Array, whole: bool
) -> FoundStroke | None:
    reach = float(t[-1] - t[0])
    if reach < LEAST_STROKE_MM or len(t) < 0.5 * reach / STEP_MM:
        return None
    # The ends are left out of the fit: other lines meet there and pull the centre aside.
    inner = (t > t[0] + 0.8) & (t < t[-1] - 0.8)
    slope, offset, weights = line_through(t[inner], centres[inner])
    rest = centres[inner] - slope * t[inner] - offset
    used = weights > 0.1
    tm = float(t[inner][used].mean())
    noise = float(np.sqrt((weights * rest**2).sum() / max(weights.sum() - 2.0, 1.0)))
    # A pencil's wobble is smooth: neighbouring cuts within about 3 mm tell the same.
    independent = max(3.0 / STEP_MM, 1.0)
    spread = float(((t[inner][used] - tm) ** 2).sum()) / independent
    angle_sd = math.degrees(max(noise, 0.02) / math.sqrt(max(spread, 1e-9)))
    normal = np.array([-along[1], along[0]])
    ends = [place + at * along + (slope * at + offset) * normal for at in (t[0], t[-1])]
    first, last = (tuple(float(v) for v in end) for end in ends)
    return FoundStroke((first[0], first[1]), (last[0], last[1]), angle_sd, middle_of(peaks), whole)


def _without_doubles(strokes: Sequence[FoundStroke]) -> list[FoundStroke]:
    """Of two strokes on one line that overlap, the longer."""
    kept: list[FoundStroke] = []
    for stroke in sorted(strokes, key=lambda s: -s.length_mm):
        if not lies_on_any(stroke, kept):
            kept.append(stroke)
    return kept


def lies_on_any(stroke: FoundStroke, others: Sequence[FoundStroke], within_mm: float = 1.0) -> bool:
    """Whether most of a stroke runs along one of the others."""
    if not others:
        return False
    ends = ends_of(others)
    step = ends[:, 2:] - ends[:, :2]
    size = np.hypot(step[:, 0], step[:, 1])
    along = step / size[:, None]
    off, t = [], []
    for place in (stroke.start, stroke.end):
        x, y = (np.array(place) - ends[:, :2]).T
        off.append(np.abs(x * along[:, 1] - y * along[:, 0]))
        t.append(x * along[:, 0] + y * along[:, 1])
    overlap = np.minimum(np.maximum(*t), size) - np.maximum(np.minimum(*t), 0.0)
    beside = (np.maximum(*off) < within_mm) & (overlap > 0.5 * stroke.length_mm)
    return bool(beside.any())


def _dark_and_light(strokes: Sequence[FoundStroke]) -> list[FoundStroke]:
    """Outlines are darker than guide lines: the widest gap between the two decides (Otsu)."""
    if not strokes:
        return []
    tones = np.array([stroke.darkness for stroke in strokes])
    scaled = np.asarray(np.clip(tones * 255, 0, 255), dtype=np.uint8).reshape(1, -1)
    limit, _ = cv2.threshold(scaled, 0, 255, cv2.THRESH_BINARY + cv2.THRESH_OTSU)
    one_tone = tones.max() < 1.6 * max(tones.min(), 1e-6)
    # Compared in the whole steps in which the limit was found.
    return [
        replace(stroke, dark=bool(one_tone or tone > limit))
        for stroke, tone in zip(strokes, scaled.ravel(), strict=True)
    ]
