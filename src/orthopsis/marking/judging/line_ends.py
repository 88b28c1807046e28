"""Where a line ends: how far its dark pencil goes on, and what is not sure there."""

from __future__ import annotations

from collections.abc import Sequence

import cv2
import numpy as np

from orthopsis.marking.fitting import Array
from orthopsis.marking.judging.families import Assigned
from orthopsis.marking.pencil.find_strokes import STEP_MM, FoundStroke
from orthopsis.marking.sheet.straighten import Straightened
from orthopsis.perspective.segments import Segment

FARTHEST_MM = 20.0
SPECK_MM = 0.75
TOO_PALE = 0.65
"""Guide lines darker than this, as a share of an edge, hide where the edge ends."""
LOOSELY, FIRMLY = 0.5, 0.72
"""Pencil so dark, as a share of the rest of the edge, may be its own; so dark it surely is."""
BREAK_MM, AT_ITS_END_MM = 2.0, 1.0


def to_their_ends(sheet: Straightened, strokes: Sequence[FoundStroke]) -> list[FoundStroke]:
    """The dark strokes as far as their dark pencil goes on without a gap, and no farther."""
    light = [stroke.darkness for stroke in strokes if not stroke.dark]
    guide = float(np.median(light)) if len(light) >= 3 else 0.0
    return [_drawn_out(sheet, stroke, guide) if stroke.dark else stroke for stroke in strokes]


def _drawn_out(sheet: Straightened, stroke: FoundStroke, guide: float) -> FoundStroke:
    start, end = np.array(stroke.start), np.array(stroke.end)
    along = (end - start) / stroke.length_mm
    # From well inside: a light guide line may go on where the edge ends.
    inside = min(FARTHEST_MM / 2, 0.4 * stroke.length_mm) * along
    enough = max(0.7 * stroke.darkness, 0.4 * stroke.darkness + 0.6 * guide)
    enough = min(enough, 0.8 * stroke.darkness)
    first = start + inside
    first = first - _goes_on_mm(sheet, first, -along, enough) * along
    last = end - inside
    last = last + _goes_on_mm(sheet, last, along, enough) * along
    return stroke.between(first, last)


def _goes_on_mm(
    sheet: Straightened,
    end: Array,
    along: Array,
    enough: float,
    gap_mm: float = SPECK_MM,
    far_mm: float = FARTHEST_MM,
) -> float:
    """How far the pencil goes on beyond an end. A speck or a pale place is no gap yet."""
    t = np.arange(STEP_MM, far_mm, STEP_MM)
    tones = _tones(sheet, end, along, t)
    gap = max(1, round(gap_mm / STEP_MM))
    pale = np.flatnonzero(np.convolve(tones < enough, np.ones(gap), "valid") >= gap)
    return float(t[pale[0]] - STEP_MM) if len(pale) else far_mm


def _tones(sheet: Straightened, start: Array, along: Array, t: Array) -> Array:
    """How dark the pencil is so far along a line, or a hair beside it."""
    normal = np.array([-along[1], along[0]]) * 0.22
    tones = np.zeros(len(t))
    for side in (-1.0, 0.0, 1.0):
        places = (start + t[:, None] * along + side * normal) * sheet.px_per_mm - 0.5
        found = cv2.remap(
            sheet.darkness,
            places[:, :1].astype(np.float32),
            places[:, 1:].astype(np.float32),
            cv2.INTER_LINEAR,
        )
        tones = np.maximum(tones, found.ravel())
    return tones


def sure_of_ends(sheet: Straightened, lines: Sequence[Assigned]) -> list[FoundStroke]:
    """The strokes; an edge ends where it should if there is paler pencil so far, and if what goes
    on beyond is paler, as a guide line is: neither that it stops short is sure there, nor that it
    runs past.
    """
    light = [line.found.darkness for line in lines if not line.found.dark]
    guide = float(np.median(light)) if len(light) >= 3 else 0.0
    found = []
    for line in lines:
        edge = line.expected
        if edge is None or not edge.outline or not line.found.dark or line.wrong_way:
            found.append(line.found)
        else:
            found.append(_sure_of(sheet, line.found, edge.stroke.segment, guide))
    return found


def _within(places: Sequence[float]) -> Array:
    return np.linspace(0.1, 0.9, 40) * (places[1] - places[0])


def _sure_of(
    sheet: Straightened, stroke: FoundStroke, wanted: Segment, guide: float
) -> FoundStroke:
    ends = np.array(stroke.start), np.array(stroke.end)
    along = (ends[1] - ends[0]) / stroke.length_mm
    places = sorted(float((np.array(end) - ends[0]) @ along) for end in wanted)
    reached = [0.0, stroke.length_mm]
    for k, way in enumerate((-along, along)):
        short = (reached[k] - places[k]) if k == 0 else (places[k] - reached[k])
        if abs(short) < AT_ITS_END_MM:
            continue
        if short > 0.0:
            enough, far_mm = LOOSELY * stroke.darkness, short + BREAK_MM
            goes_on = _goes_on_mm(sheet, ends[k], way, enough, BREAK_MM, far_mm)
            unsure = goes_on + AT_ITS_END_MM >= short
        else:
            beyond = _tones(
                sheet, ends[0] + places[k] * along, way, np.arange(0.8, -short, STEP_MM)
            )
            inside = _tones(sheet, ends[0] + places[0] * along, along, _within(places))
            firm = float(np.median(beyond)) > FIRMLY * float(np.median(inside))
            unsure = not firm or guide > TOO_PALE * stroke.darkness
        if unsure:
            reached[k] = places[k]
    if reached[1] - reached[0] < 0.5 * stroke.length_mm:
        return stroke
    return stroke.between(ends[0] + reached[0] * along, ends[0] + reached[1] * along)
