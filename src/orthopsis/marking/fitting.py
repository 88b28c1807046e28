"""Fits that a stray value cannot pull aside: a line through points, and where lines meet.

Both are iteratively reweighted least squares with Tukey's biweight (P. J. Huber, Robust Statistics;
from memory). Where lines meet is the classical estimate of a vanishing point from segments: the
place with the least weighted squares of its distances from them, each by its own doubt (as in
R. T. Collins and R. S. Weiss, Vanishing point calculation as a statistical inference, 1990; from
memory).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from orthopsis.perspective.segments import XY

Array = NDArray[np.float64]

BIWEIGHT = 4.7 * 1.4826
"""Tukey's constant, times what makes a median of distances a standard deviation."""
SURELY_DEG = 0.12
"""No ruled line's direction is known better than this."""
LEAST_SPREAD_DEG = 1.5
"""Lines nearer to parallel than this meet nowhere that could be told."""


class RuledLine(NamedTuple):
    """A line from `start` to `end` (mm); `sd_deg` is the doubt of its direction."""

    start: XY
    end: XY
    sd_deg: float


class Meeting(NamedTuple):
    """Where lines meet (mm), and the covariance of that place (mm², rows xx, xy and yx, yy)."""

    at: XY
    covariance: tuple[tuple[float, float], tuple[float, float]]

    @property
    def ellipse(self) -> tuple[float, float, float]:
        """Half axes of one standard deviation (mm, the longer first) and its angle (deg)."""
        values, vectors = np.linalg.eigh(np.array(self.covariance))
        longer = vectors[:, 1]
        angle = math.degrees(math.atan2(longer[1], longer[0])) % 180.0
        return math.sqrt(max(values[1], 0.0)), math.sqrt(max(values[0], 0.0)), angle


def middle_of(values: Array) -> float:
    """The median, the upper one of two; quicker than NumPy's on a few hundred values."""
    k = len(values) // 2
    return float(np.partition(values, k)[k])


def line_through(t: Array, y: Array, least: float = 0.05) -> tuple[float, float, Array]:
    """y = slope·t + offset through points of which some may lie wild.

    `least` is a distance that is never called wild. Returns slope, offset and the final weights.
    """
    weights = np.ones_like(t)
    slope, offset = 0.0, middle_of(y)
    for _ in range(6):
        total = weights.sum()
        tm, ym = (weights * t).sum() / total, (weights * y).sum() / total
        spread = (weights * (t - tm) ** 2).sum()
        slope = float((weights * (t - tm) * (y - ym)).sum() / max(spread, 1e-12))
        offset = float(ym - slope * tm)
        rest = y - slope * t - offset
        limit = max(BIWEIGHT * middle_of(np.abs(rest)), least)
        weights = np.maximum(1.0 - (rest / limit) ** 2, 0.0) ** 2
        if weights.sum() < 3:
            return slope, offset, np.ones_like(t)
    return slope, offset, weights


def meeting(lines: Sequence[RuledLine]) -> Meeting | None:
    """Where two or more lines meet; None when they are too nearly parallel to tell."""
    if len(lines) < 2:
        return None
    starts = np.array([line.start for line in lines])
    ends = np.array([line.end for line in lines])
    along = (ends - starts) / np.linalg.norm(ends - starts, axis=1)[:, None]
    if _spread_deg(along) < LEAST_SPREAD_DEG:
        return None
    normals = np.column_stack([-along[:, 1], along[:, 0]])
    middles = (starts + ends) / 2
    offsets = (normals * middles).sum(axis=1)
    doubt = np.array([max(line.sd_deg, SURELY_DEG) for line in lines])
    reach, trust = np.ones(len(lines)), np.ones(len(lines))
    place, rest = np.zeros(2), np.zeros(len(lines))
    for _ in range(12):
        weight = trust / (doubt * reach) ** 2
        matrix = (normals * weight[:, None]).T @ normals
        if np.linalg.cond(matrix) > 1e9:
            return None
        place = np.linalg.solve(matrix, (normals * (weight * offsets)[:, None]).sum(axis=0))
        reach = np.maximum(np.linalg.norm(middles - place, axis=1), 5.0)
        rest = np.degrees(np.abs(normals @ place - offsets) / reach)
        limit = max(BIWEIGHT * float(np.median(rest)), 0.6)
        trust = np.clip(1.0 - (rest / limit) ** 2, 0.02, None) ** 2
    weight = trust / np.radians(doubt) ** 2 / reach**2
    covariance = np.linalg.inv((normals * weight[:, None]).T @ normals)
    # Lines that disagree more than their own doubt allows make the place as doubtful.
    disagree = float((trust * (rest / doubt) ** 2).sum()) / max(float(trust.sum()) - 2.0, 1.0)
    (xx, xy), (yx, yy) = covariance * max(disagree, 1.0)
    at = (float(place[0]), float(place[1]))
    return Meeting(at, ((float(xx), float(xy)), (float(yx), float(yy))))


def _spread_deg(along: Array) -> float:
    """The widest angle between two of the directions, as far as 90."""
    angles = np.sort(np.degrees(np.arctan2(along[:, 1], along[:, 0])) % 180.0)
    gaps = np.diff(np.append(angles, angles[0] + 180.0))
    return float(min(180.0 - gaps.max(), 90.0))
