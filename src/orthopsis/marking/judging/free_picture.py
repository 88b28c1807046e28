"""A picture without an exercise: its lines, and how places on it are told in its pixels.

A sheet of paper that is seen in it is straightened first, so that what was drawn upright stands
upright. How long it is for its width is not known: points and levels do not depend on it.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

import cv2
import numpy as np

from orthopsis.marking.fitting import Array
from orthopsis.marking.judging.free import (
    LONG_SIDE,
    MOST_LINES,
    FreeReading,
    read_freely,
    read_toward,
)
from orthopsis.marking.pencil.find_strokes import FoundStroke, find_strokes, line_pieces
from orthopsis.marking.sheet.find_sheet import find_paper
from orthopsis.marking.sheet.photo import Grey
from orthopsis.marking.sheet.straighten import Straightened, darkness_of
from orthopsis.perspective.segments import XY

PX_PER_UNIT = 6.0
RIM = 0.012
"""So much of a sheet's width along its edges is its edge, and no drawing."""
FAR = 1e-9

Kind = Literal["drawing", "photograph"]


@dataclass(frozen=True)
class FreeSheet:
    """A picture read by itself. `to_px` is the homography from the reading's units to its pixels;
    of `size_px` the width comes first.
    """

    reading: FreeReading
    size_px: tuple[int, int]
    to_px: Array
    kind: Kind

    def px(self, place: XY) -> XY:
        """A place of the reading in pixels of the picture."""
        return _mapped(self.to_px, place)

    def toward(self, points_px: Mapping[str, XY]) -> FreeSheet:
        """The same lines, read with points that somebody tells in pixels of the picture; by
        themselves where none is told.
        """
        lines = self.reading.lines
        back = np.asarray(np.linalg.inv(self.to_px), dtype=float)
        told = {name: _mapped(back, place) for name, place in points_px.items()}
        reading = read_toward(lines, told) if told else read_freely(lines)
        return FreeSheet(reading, self.size_px, self.to_px, self.kind)

    @property
    def eye_level_px(self) -> tuple[XY, XY] | None:
        """The eye level from the picture's left border to its right; None where it is not known."""
        if self.reading.eye_level is None:
            return None
        (x, y), slope = self.reading.eye_level
        (ax, ay), (bx, by) = self.px((x, y)), self.px((x + 10.0, y + 10.0 * slope))
        if abs(bx - ax) < FAR:
            return None
        rise = (by - ay) / (bx - ax)
        width = float(self.size_px[0])
        return (0.0, ay - rise * ax), (width, ay + rise * (width - ax))


def _mapped(change: Array, place: XY) -> XY:
    x, y, w = (change @ np.array([*place, 1.0])).tolist()
    w = math.copysign(max(abs(w), FAR), w)
    return x / w, y / w


def read_picture(grey: Grey) -> FreeSheet:
    """Lines of a drawing, or edges of a photograph, and what they lead to."""
    height, width = grey.shape
    flat, to_px = _paper_alone(grey) or _whole(grey)
    drawing = float((flat.darkness > 0.12).mean()) < 0.14 and float(np.median(flat.grey)) > 110
    lines = find_strokes(flat) if drawing else _edges(flat)
    kind: Kind = "drawing" if drawing else "photograph"
    return FreeSheet(read_freely(lines), (width, height), to_px, kind)


def _whole(grey: Grey) -> tuple[Straightened, Array]:
    """The picture as it is, so large that its longer side is that of a sheet."""
    scale = LONG_SIDE * PX_PER_UNIT / max(grey.shape)
    way = cv2.INTER_AREA if scale < 1 else cv2.INTER_CUBIC
    even = np.asarray(cv2.resize(grey, None, fx=scale, fy=scale, interpolation=way), np.uint8)
    per_unit = PX_PER_UNIT / scale
    return Straightened(even, darkness_of(even), PX_PER_UNIT), np.diag([per_unit, per_unit, 1.0])


def _paper_alone(grey: Grey) -> tuple[Straightened, Array] | None:
    """A sheet that lies on a desk, seen from straight above; None where none is seen."""
    found = find_paper(grey)
    if found is None:
        return None
    # The picture's own way up: the corner at its upper left comes first, the next to its right.
    middle = found.mean(axis=0)
    around = np.argsort(np.arctan2(*(found - middle).T[::-1]))
    first = int(found[around].sum(axis=1).argmin())
    corners = np.roll(found[around], -first, axis=0)
    sides = np.hypot(*(np.roll(corners, -1, axis=0) - corners).T)
    wide, high = (sides[0] + sides[2]) / 2.0, (sides[1] + sides[3]) / 2.0
    by = LONG_SIDE / max(wide, high)
    w, h = round(float(wide) * by * PX_PER_UNIT), round(float(high) * by * PX_PER_UNIT)
    target = np.array([[0, 0], [w, 0], [w, h], [0, h]], np.float32)
    change = cv2.getPerspectiveTransform(corners.astype(np.float32) - np.float32(0.5), target)
    flat = cv2.warpPerspective(grey, change, (w, h), flags=cv2.INTER_LINEAR)
    even = np.asarray(flat, dtype=np.uint8)
    darkness = darkness_of(even)
    rim = max(1, round(RIM * w))
    darkness[:rim], darkness[-rim:], darkness[:, :rim], darkness[:, -rim:] = 0.0, 0.0, 0.0, 0.0
    to_px = np.linalg.inv(np.asarray(change, dtype=float)) @ np.diag([PX_PER_UNIT] * 2 + [1.0])
    return Straightened(even, darkness, PX_PER_UNIT), np.asarray(to_px, dtype=float)


def _edges(flat: Straightened) -> list[FoundStroke]:
    """The longer straight edges of a photograph, each with the doubt of its length."""
    small = cv2.resize(flat.grey, None, fx=0.5, fy=0.5, interpolation=cv2.INTER_AREA)
    pieces = line_pieces(np.asarray(small, dtype=np.uint8)) / (0.5 * PX_PER_UNIT)
    sizes = np.hypot(pieces[:, 2] - pieces[:, 0], pieces[:, 3] - pieces[:, 1])
    keep = np.argsort(-sizes)[: 2 * MOST_LINES]
    return [
        FoundStroke(
            (float(x0), float(y0)), (float(x1), float(y1)),
            math.degrees(0.12 / size), 1.0,
        )
        for (x0, y0, x1, y1), size in zip(pieces[keep], sizes[keep], strict=True)
        if size > 8.0
    ]  # fmt: skip
