"""How steadily a hand follows its ruler: told by the longest lines of the sheet itself.

A hand strays from the ruler slowly, so along a short line its scatter says nothing of its
direction. What the long lines of the same hand wander to either side is what a short one may be
turned by.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from orthopsis.marking.fitting import line_through
from orthopsis.marking.pencil.find_strokes import STEP_MM, FoundStroke, across
from orthopsis.marking.sheet.straighten import Straightened

LONG_MM = 50.0
"""A line so long shows how far the hand wanders."""
LEAST, MOST = 3, 16
"""So many of them are asked at least, and at most."""
TURNS = 1.3
"""A line is turned by so many times the hand's wander, over its length."""
MOST_DEG = 0.9
"""But never by more than this; of short lines every hand is thought to be unsteady."""
SHORT_MM = 25.0
"""A shorter line's own scatter has its doubt already."""
INSIDE_MM = 3.0
"""At the ends other lines lead the middle aside."""


def wander_mm(sheet: Straightened, strokes: Sequence[FoundStroke]) -> float:
    """How far the hand wanders from a straight line, as a standard deviation; 0 where too few long
    lines tell.
    """
    long = sorted((s for s in strokes if s.dark), key=lambda s: -s.length_mm)[:MOST]
    found = [_wander_of(sheet, s) for s in long if s.length_mm >= LONG_MM]
    return float(np.median(found)) if len(found) >= LEAST else 0.0


def _wander_of(sheet: Straightened, stroke: FoundStroke) -> float:
    place, end = np.array(stroke.start), np.array(stroke.end)
    along = (end - place) / stroke.length_mm
    t = np.arange(INSIDE_MM, stroke.length_mm - INSIDE_MM, STEP_MM)
    centres, peaks = across(sheet, place, along, t, 0.7)
    on = peaks > 0.5 * stroke.darkness
    if on.sum() < 0.5 * len(t):
        return 0.0
    slope, offset, _ = line_through(t[on], centres[on])
    rest = centres[on] - slope * t[on] - offset
    return 1.4826 * float(np.median(np.abs(rest)))


def with_its_doubt(strokes: Sequence[FoundStroke], wander: float) -> list[FoundStroke]:
    """The strokes with what the hand's wander adds to the doubt of their directions."""

    def doubt(stroke: FoundStroke) -> float:
        if stroke.length_mm < SHORT_MM:
            return stroke.angle_sd_deg
        by_hand = min(MOST_DEG, math.degrees(TURNS * wander / max(stroke.length_mm, 1.0)))
        return math.hypot(stroke.angle_sd_deg, by_hand)

    return [replace(stroke, angle_sd_deg=doubt(stroke)) for stroke in strokes]
