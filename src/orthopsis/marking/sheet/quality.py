"""How good a photo is: size, sharpness, light; and when to ask for a better one."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.sheet.find_sheet import FoundSheet
from orthopsis.marking.sheet.photo import Grey
from orthopsis.marking.sheet.quads import turn_of
from orthopsis.marking.sheet.straighten import Straightened
from orthopsis.perspective.sheet import Sheet

SMALL_PX_PER_MM = 2.6
BLURRED = 0.085
DARK_TONE = 70.0


@dataclass(frozen=True)
class Quality:
    """`px_per_mm` of the sheet in the photo; `sharpness` is how steep the darkest lines' flanks
    are (share of their darkness per 1/6 mm); `light` the paper's tone, 0 to 255; `sure` how well
    the sheet's edges were seen, by what `how` names.
    """

    px_per_mm: float
    sharpness: float
    light: float
    sure: float
    how: str


def quality(grey: Grey, found: FoundSheet, flat: Straightened, sheet: Sheet) -> Quality:
    """What can be said of a photo before its lines are judged."""
    a, b, c, d = found.corners
    area = abs(turn_of(c - a, d - b)) / 2
    px_per_mm = float(np.sqrt(area / (sheet.width_mm * sheet.height_mm)))
    # Every third row tells enough.
    rows = flat.darkness[12:-12:3, 12:-12]
    dark = max(_nearly_highest(rows[:, ::3]), 1e-6)
    sharp = _nearly_highest(np.abs(rows[:, 2:] - rows[:, :-2])[:, ::3]) / 2.0 / dark
    light = float(np.median(flat.grey[::8, ::8]))
    return Quality(
        round(px_per_mm, 2), round(sharp, 3), round(light, 1), round(found.sure, 2), found.how
    )


def _nearly_highest(values: NDArray[np.float32]) -> float:
    """What one in two thousand values exceeds."""
    flat = values.ravel()
    k = int(0.9995 * (len(flat) - 1))
    return float(np.partition(flat, k)[k])
