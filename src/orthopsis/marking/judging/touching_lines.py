"""Two edges that leave a corner at so narrow an angle that their pencil touches.

Across both there is one dark band and no second centre. But the band's flank on the side of the
lost edge is that edge's own flank, so its direction is read there; the other flank, which is the
known line's, tells half a line's width.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

import cv2
import numpy as np

from orthopsis.marking.fitting import Array, line_through
from orthopsis.marking.pencil.find_strokes import STEP_MM, FoundStroke, fitted_run
from orthopsis.marking.sheet.straighten import Straightened

TOUCHES_MM = 1.2
FARTHEST_MM = 2.2
ACROSS_STEP_MM = 0.05
LEAST_TURN_DEG = 1.2
"""At a narrower angle nobody could tell the two apart."""
SURE = 3.0


def beside_another(
    sheet: Straightened, start: Array, end: Array, others: Sequence[FoundStroke]
) -> tuple[FoundStroke, FoundStroke] | None:
    """A lost edge that should run from `start` to `end` (mm), and the line it touches."""
    for other in others:
        place = np.array(other.start)
        along = (np.array(other.end) - place) / other.length_mm
        normal = np.array([-along[1], along[0]])
        off = np.array([(p - place) @ normal for p in (start, end)])
        t = np.sort([(p - place) @ along for p in (start, end)])
        low, high = max(t[0], 0.0), min(t[1], other.length_mm)
        if np.abs(off).max() > TOUCHES_MM or high - low < 0.6 * (t[1] - t[0]):
            continue
        side = 1.0 if off.sum() > 0 else -1.0
        found = _by_its_flank(sheet, place, along, side, np.arange(t[0], t[1], STEP_MM))
        if found is not None:
            return found, other
    return None


def _by_its_flank(
    sheet: Straightened, place: Array, along: Array, side: float, t: Array
) -> FoundStroke | None:
    """The line whose flank is seen on one side of a known line; None for the line's own flank."""
    normal = np.array([-along[1], along[0]])
    outer, peaks = _flanks(sheet, place, along, side * normal, t)
    inner, _ = _flanks(sheet, place, along, -side * normal, t)
    seen = np.isfinite(outer)
    if seen.sum() < 8 or np.isfinite(inner).sum() < 8:
        return None
    half_mm = float(np.nanmedian(inner))
    slope, _, _ = line_through(t[seen], outer[seen])
    stroke = fitted_run(place, along, t[seen], side * (outer[seen] - half_mm), peaks[seen], True)
    if stroke is None:
        return None
    turn = math.degrees(math.atan(abs(slope)))
    return stroke if turn > max(LEAST_TURN_DEG, SURE * stroke.angle_sd_deg) else None


def _flanks(
    sheet: Straightened, place: Array, along: Array, outward: Array, t: Array
) -> tuple[Array, Array]:
    """How far the dark band reaches from a line (mm; NaN where it has no end), and its darkness."""
    offsets = np.arange(0.0, FARTHEST_MM, ACROSS_STEP_MM)
    xs = (place[0] + t[:, None] * along[0] + offsets * outward[0]) * sheet.px_per_mm - 0.5
    ys = (place[1] + t[:, None] * along[1] + offsets * outward[1]) * sheet.px_per_mm - 0.5
    tones = cv2.remap(
        sheet.darkness, xs.astype(np.float32), ys.astype(np.float32), cv2.INTER_LINEAR
    ).astype(float)
    peaks = tones[:, offsets < 0.5].max(axis=1)
    pale = tones < 0.5 * peaks[:, None]
    # Past the band's own middle, which need not be quite on the line.
    pale[:, : int(0.15 / ACROSS_STEP_MM)] = False
    first = pale.argmax(axis=1)
    ended = pale.any(axis=1)
    rows = np.arange(len(t))
    before, after = tones[rows, np.maximum(first - 1, 0)], tones[rows, first]
    share = np.clip((before - 0.5 * peaks) / np.maximum(before - after, 1e-9), 0.0, 1.0)
    reach = offsets[np.maximum(first - 1, 0)] + share * ACROSS_STEP_MM
    return np.where(ended, reach, np.nan), peaks
