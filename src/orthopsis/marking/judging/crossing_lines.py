"""Lines measured once more, only where no other line's pencil lies.

A line that crosses at a small angle, or one that ends there, leads the middle of the pencil aside
over several millimetres, by more than the scatter along the line tells. The cuts near such lines
are left out. How far their pencil led the direction aside is also how far it may still be wrong.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from orthopsis.marking.fitting import Array, ends_of
from orthopsis.marking.judging.answer_key import distances
from orthopsis.marking.pencil.find_strokes import STEP_MM, FoundStroke, across, fitted_run
from orthopsis.marking.sheet.straighten import Straightened

CLEAR_MM = 0.9
"""Half of two pencils' widths, and the window in which a cut is weighed."""
ALONG_DEG = 2.5
"""A line that runs so nearly along another is its double, not one that crosses."""
LEAST_MM = 3.0
ENOUGH = 0.4
"""With a smaller part of it alone, a line keeps the direction that the whole has."""
DOUBT_DEG = 1.5
"""What is left to doubt where nothing of a line lies alone."""


def measured_apart(
    sheet: Straightened, strokes: Sequence[FoundStroke], others: Sequence[FoundStroke] = ()
) -> list[FoundStroke]:
    """The strokes measured where neither each other nor `others` lie."""
    rows = ends_of([*strokes, *others])
    turns = np.degrees(np.arctan2(rows[:, 3] - rows[:, 1], rows[:, 2] - rows[:, 0]))
    low, high = np.minimum(rows[:, :2], rows[:, 2:]), np.maximum(rows[:, :2], rows[:, 2:])
    measured = []
    for number, stroke in enumerate(strokes):
        turn = np.abs((turns - turns[number] + 90.0) % 180.0 - 90.0)
        beside = (low <= high[number] + CLEAR_MM) & (high >= low[number] - CLEAR_MM)
        crossing = rows[(turn > ALONG_DEG) & beside.all(axis=1)]
        measured.append(_apart(sheet, stroke, crossing) if len(crossing) else stroke)
    return measured


def _apart(sheet: Straightened, stroke: FoundStroke, crossing: Array) -> FoundStroke:
    start, end = np.array(stroke.start), np.array(stroke.end)
    size = stroke.length_mm
    place, along = (start + end) / 2, (end - start) / size
    t = np.arange(-size / 2, size / 2, STEP_MM)
    clear = distances(place + t[:, None] * along, crossing) > CLEAR_MM
    if clear.all():
        return stroke
    fit = None
    if clear.sum() * STEP_MM > LEAST_MM:
        centres, peaks = across(sheet, place, along, t[clear], 0.7)
        fit = fitted_run(place, along, t[clear], centres, peaks, True)
    if fit is None:
        return replace(stroke, angle_sd_deg=max(stroke.angle_sd_deg, DOUBT_DEG))
    first = np.array(fit.start)
    way = np.array(fit.end) - first
    way = way / math.hypot(*way)
    led_deg = math.degrees(math.asin(float(along[0] * way[1] - along[1] * way[0])))
    sd_deg = math.hypot(fit.angle_sd_deg, led_deg)
    if clear.mean() < ENOUGH:
        return replace(stroke, angle_sd_deg=max(stroke.angle_sd_deg, sd_deg))
    ends = (first + float((p - first) @ way) * way for p in (start, end))
    return replace(stroke.between(*ends), angle_sd_deg=sd_deg)
