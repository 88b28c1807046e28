"""What is said of tone: planes whose values are out of order, planes left white, shadows astray.

Only the photo tells, so it is read from the straightened sheet: the paper's own light is that of
what should be white, and how dark a plane is, the middle of all its pixels. Nothing is said of a
sheet on which nothing is shaded. Values: common practice, no published source.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.tone import Plane, planes
from orthopsis.marking.findings.one import Finding, finding
from orthopsis.marking.sheet.straighten import Straightened
from orthopsis.perspective.segments import XY
from orthopsis.phrase import Choice, Number, Several

PX_PER_MM = 2.0
AWAY_MM = 1.5
"""So far from its border a plane is looked at: there are lines along that."""
LEAST_MM2 = 50.0
"""A smaller plane tells nothing of its tone."""
SHADED, WHITE = 0.055, 0.03
"""So much darker than the paper a plane is shaded; so little it is white."""
APART = 0.035
"""Two values differ when one is so much darker, as a share of white."""
EVENLY = 0.12
"""So little of the bare paper is as dark as what is shaded: lines, a name, smudges."""
COVERED, ASTRAY = 0.25, 0.7
"""Of a shadow less than so much is dark where there is none; less than that where it is astray."""

Mask = NDArray[np.bool_]


@dataclass(frozen=True)
class Seen:
    """A plane as it is seen on the sheet: how dark it is, and how much of it is."""

    plane: Plane
    darkness: float
    dark_share: float
    area_mm2: float
    where: XY


def value_findings(scene: Scene, sheet: Straightened) -> list[Finding]:
    """What is to be said of the tone of a finished sheet. Raises ExerciseError."""
    if scene.exercise.tone is None:
        return []
    seen = _seen(scene, sheet)
    things = [one for one in seen if not one.plane.cast]
    shaded = [one for one in things if one.plane.value and one.darkness > SHADED]
    if len(shaded) < 2:
        return []
    said = [*_left_white(things), *_out_of_order(things)]
    return [*said, *_shadows([one for one in seen if one.plane.cast])]


def _left_white(things: Sequence[Seen]) -> Iterator[Finding]:
    """Planes that should have a tone and have none, where most others have theirs."""
    asked = [one for one in things if one.plane.value]
    white = [one for one in asked if one.darkness < WHITE]
    if white and len(white) <= len(asked) / 3:
        largest = max(white, key=lambda one: one.area_mm2)
        yield finding("plane-left-white", "fix", largest.where, count=Number(float(len(white))))


def _out_of_order(things: Sequence[Seen]) -> Iterator[Finding]:
    """Planes of one value that are darker than those of a darker one."""
    groups: dict[int, list[Seen]] = {}
    for one in things:
        # What was forgotten is told by itself.
        if one.plane.value == 0 or one.darkness >= WHITE:
            groups.setdefault(one.plane.value, []).append(one)
    levels = {value: _level(group) for value, group in sorted(groups.items())}
    for lighter, darker in pairwise(levels):
        if levels[lighter] > levels[darker] + APART:
            worst = max(groups[darker], key=lambda one: one.area_mm2)
            yield finding(
                "values-swapped", "fix", worst.where,
                darker=_sides(groups[darker]), lighter=_sides(groups[lighter]),
            )  # fmt: skip
            return


def _level(group: Sequence[Seen]) -> float:
    """How dark the planes of a value are, the larger counting for more."""
    weights = [one.area_mm2 for one in group]
    return float(np.average([one.darkness for one in group], weights=weights))


def _sides(group: Sequence[Seen]) -> Several:
    sides = dict.fromkeys(one.plane.side for one in group)
    return Several(tuple(Choice(f"planes-{side}") for side in sides))


def _shadows(cast: Sequence[Seen]) -> Iterator[Finding]:
    """Shadows that nobody laid, and those that lie elsewhere or are shorter."""
    of_things: dict[str, list[Seen]] = {}
    for one in cast:
        of_things.setdefault(one.plane.part.piece, []).append(one)
    for of_one in of_things.values():
        area = sum(one.area_mm2 for one in of_one)
        share = sum(one.dark_share * one.area_mm2 for one in of_one) / area
        where = max(of_one, key=lambda one: one.area_mm2).where
        if share < COVERED:
            yield finding("shadow-missing", "fix", where)
            return
        if share < ASTRAY:
            yield finding("shadow-astray", "fix", where)
            return


# --- reading the sheet ---------------------------------------------------------------------------


def _seen(scene: Scene, sheet: Straightened) -> list[Seen]:
    """The planes of which enough is seen; none on a sheet that is lit unevenly. Raises
    ExerciseError.
    """
    scale = PX_PER_MM / sheet.px_per_mm
    grey = cv2.resize(sheet.grey, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    found = planes(scene)
    labels = np.zeros(grey.shape, np.int32)
    for number, plane in enumerate(found, start=1):
        loops = [np.round(np.array(loop) * PX_PER_MM).astype(np.int32) for loop in plane.loops]
        cv2.fillPoly(labels, loops, number)
    near = 2 * round(AWAY_MM * PX_PER_MM) + 1
    brush = np.ones((near, near), np.uint8)
    white = labels == 0
    for number, plane in enumerate(found, start=1):
        if plane.value == 0:
            white |= labels == number
    dark = 1.0 - grey / _paper(np.asarray(grey), _inner(white, brush))
    if (dark[_inner(labels == 0, brush)] > SHADED).mean() > EVENLY:
        return []  # a shadow lies on the paper, and what is tone cannot be told from it
    seen = []
    for number, plane in enumerate(found, start=1):
        inner = _inner(labels == number, brush)
        area_mm2 = float(inner.sum()) / PX_PER_MM**2
        if area_mm2 >= LEAST_MM2:
            values = dark[inner]
            ys, xs = np.nonzero(inner)
            where = float(np.median(xs)) / PX_PER_MM, float(np.median(ys)) / PX_PER_MM
            share = float((values > SHADED).mean())
            seen.append(Seen(plane, float(np.median(values)), share, area_mm2, where))
    return seen


def _inner(mask: Mask, brush: NDArray[np.uint8]) -> Mask:
    """What of an area lies away from its border."""
    return np.asarray(cv2.erode(mask.astype(np.uint8), brush, borderValue=0) > 0)


def _paper(grey: NDArray[np.uint8], white: Mask) -> NDArray[np.float64]:
    """How bright the bare paper is everywhere: a surface of the second degree through what should
    be white, fitted twice, the second time without what lies far below.
    """
    height, width = grey.shape
    y, x = np.mgrid[0:height, 0:width] / max(height, width)
    terms = np.stack([np.ones_like(x), x, y, x * y, x * x, y * y], axis=-1)
    chosen = np.flatnonzero(white)[:: max(1, int(white.sum()) // 20_000)]
    rows, values = terms.reshape(-1, 6)[chosen], grey.ravel()[chosen].astype(float)
    factors = np.linalg.lstsq(rows, values, rcond=None)[0]
    for _ in range(3):
        lit = values > rows @ factors - 6.0
        factors = np.linalg.lstsq(rows[lit], values[lit], rcond=None)[0]
    return np.asarray(np.maximum(terms @ factors, 1.0), dtype=float)
