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
from typing import NamedTuple, Protocol

import numpy as np
from numpy.typing import NDArray

from orthopsis.perspective.segments import XY

Array = NDArray[np.float64]

BIWEIGHT = 4.7 * 1.4826
"""Tukey's constant, times what makes a median of distances a standard deviation."""
SURELY_DEG = 0.12
"""No ruled line's direction is known better than this."""
BY_HAND_DEG = 1.5
"""So far a hand that means a point may pass it: farther is another mistake."""
LEAST_SPREAD_DEG = 1.5
"""Lines nearer to parallel than this meet nowhere that could be told."""

MOST_CROSSED = 40
"""Of so many lines each is crossed with each other, to begin with."""


class HasEnds(Protocol):
    """A straight line on a sheet, by its ends (mm)."""

    @property
    def start(self) -> XY: ...

    @property
    def end(self) -> XY: ...


def ends_of(lines: Sequence[HasEnds]) -> Array:
    """Lines as rows x0, y0, x1, y1 (mm), shape (n, 4)."""
    return np.array([[*line.start, *line.end] for line in lines], dtype=float).reshape(-1, 4)


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
    bundle = _Bundle(normals, offsets, middles, doubt)
    tries = (_fitted(bundle, None), _fitted(bundle, _near_most(bundle)))
    fits = [fit for fit in tries if fit is not None]
    if not fits:
        return None
    # A fit that leaves out many lines looks good to itself, so both are measured by one limit.
    limit = max(min(fit.limit_deg for fit in fits), BY_HAND_DEG)
    fit = min(fits, key=lambda fit: _loss(fit.rest_deg, limit))
    weight = fit.trust / np.radians(doubt) ** 2 / fit.reach_mm**2
    covariance = np.linalg.inv((normals * weight[:, None]).T @ normals)
    # Lines that disagree more than their own doubt allows make the place as doubtful.
    disagree = float((fit.trust * (fit.rest_deg / doubt) ** 2).sum())
    disagree /= max(float(fit.trust.sum()) - 2.0, 1.0)
    (xx, xy), (yx, yy) = covariance * max(disagree, 1.0)
    at = (float(fit.place[0]), float(fit.place[1]))
    return Meeting(at, ((float(xx), float(xy)), (float(yx), float(yy))))


class _Bundle(NamedTuple):
    """Lines as normal · place = offset, with their middles (mm) and the doubt of each (deg)."""

    normals: Array
    offsets: Array
    middles: Array
    doubt: Array


class _Fit(NamedTuple):
    """A place, and of each line its distance to it, how far it points past it, and its trust."""

    place: Array
    reach_mm: Array
    rest_deg: Array
    limit_deg: float
    trust: Array


def _fitted(bundle: _Bundle, start: Array | None) -> _Fit | None:
    """Where the lines meet, beginning at a place or with all lines alike; None without an end."""
    normals, offsets, _, doubt = bundle
    if start is None:
        weight = 1.0 / doubt**2
    else:
        fit = _about(bundle, start)
        weight = fit.trust / (doubt * fit.reach_mm) ** 2
    for _ in range(12):
        matrix = (normals * weight[:, None]).T @ normals
        if np.linalg.cond(matrix) > 1e9:
            return None
        fit = _about(
            bundle, np.linalg.solve(matrix, (normals * (weight * offsets)[:, None]).sum(axis=0))
        )
        weight = fit.trust / (doubt * fit.reach_mm) ** 2
    return fit


def _about(bundle: _Bundle, place: Array) -> _Fit:
    reach = np.maximum(np.linalg.norm(bundle.middles - place, axis=1), 5.0)
    rest = np.degrees(np.abs(bundle.normals @ place - bundle.offsets) / reach)
    limit = max(BIWEIGHT * float(np.median(rest)), 0.6)
    trust = np.clip(1.0 - (rest / limit) ** 2, 0.02, None) ** 2
    return _Fit(place, reach, rest, limit, trust)


def _loss(rest_deg: Array, limit_deg: float) -> float:
    """Tukey's loss: a line far beside costs no more than one at the limit."""
    inside = np.clip(1.0 - (rest_deg / limit_deg) ** 2, 0.0, None)
    return float((1.0 - inside**3).sum())


def _near_most(bundle: _Bundle) -> Array:
    """The crossing of two of the surest lines that half of all point to most nearly.

    The start by least median of squares (P. J. Rousseeuw, 1984; from memory): a line that runs
    quite another way draws the fit to itself when it starts from all lines alike.
    """
    normals, offsets, middles, doubt = bundle
    surest = np.argsort(doubt)[:MOST_CROSSED]
    first, second = (surest[picked] for picked in np.triu_indices(len(surest), 1))
    cross = normals[first, 0] * normals[second, 1] - normals[first, 1] * normals[second, 0]
    told = np.abs(cross) > 1e-6
    first, second, cross = first[told], second[told], cross[told]
    x = (offsets[first] * normals[second, 1] - offsets[second] * normals[first, 1]) / cross
    y = (normals[first, 0] * offsets[second] - normals[second, 0] * offsets[first]) / cross
    places = np.column_stack([x, y])
    reach = np.linalg.norm(middles[None] - places[:, None], axis=2)
    rest = np.abs(places @ normals.T - offsets) / np.maximum(reach, 5.0)
    half = len(normals) // 2
    best = np.partition(rest, half, axis=1)[:, half].argmin()
    return np.asarray(places[best])


def _spread_deg(along: Array) -> float:
    """The widest angle between two of the directions, as far as 90."""
    angles = np.sort(np.degrees(np.arctan2(along[:, 1], along[:, 0])) % 180.0)
    gaps = np.diff(np.append(angles, angles[0] + 180.0))
    return float(min(180.0 - gaps.max(), 90.0))
