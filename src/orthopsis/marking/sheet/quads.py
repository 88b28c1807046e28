"""Four corners in a picture, and small sums on them."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from orthopsis.perspective.sheet import Sheet

Array = NDArray[np.float64]

Corners = NDArray[np.float64]
"""Shape (4, 2): the sheet's top left, top right, bottom right and bottom left, in pixels."""


def turn_of(a: Array, b: Array) -> float:
    """The signed area between two steps: positive clockwise on the screen."""
    return float(a[0] * b[1] - a[1] * b[0])


def in_sheet_order(quad: Corners, sheet: Sheet) -> Corners:
    """Clockwise from the corner that is the sheet's top left, as upright as the photo is."""
    middle = quad.mean(axis=0)
    angles = np.arctan2(quad[:, 1] - middle[1], quad[:, 0] - middle[0])
    around = quad[np.argsort(angles)]
    first = int(np.argmin(around.sum(axis=1)))
    around = np.roll(around, -first, axis=0)
    sides = np.linalg.norm(around - np.roll(around, -1, axis=0), axis=1)
    wide = sides[0] + sides[2] >= sides[1] + sides[3]
    if wide != (sheet.width_mm >= sheet.height_mm):
        around = np.roll(around, -1, axis=0)
    return around
