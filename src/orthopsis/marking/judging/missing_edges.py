"""A second look for edges that seem to be missing, with the ruler laid where they should be.

Where many lines cross and nearly fall together, an eye without the exercise loses some of them. For
each edge that was not found, lines are tried that swing a little about either of its ends, as a
ruler on the corner would; the one with the most dark pencil under it is measured like any other.
What is found is fitted to the pixels alone: the exercise says where to look, never what is there.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

import cv2
import numpy as np

from orthopsis.marking.fitting import Array, ends_of
from orthopsis.marking.judging.answer_key import AnswerKey, distances, is_drawn
from orthopsis.marking.judging.crossing_lines import measured_apart
from orthopsis.marking.judging.families import Assigned
from orthopsis.marking.judging.line_ends import to_their_ends
from orthopsis.marking.judging.touching_lines import beside_another
from orthopsis.marking.pencil.find_strokes import (
    STEP_MM,
    FoundStroke,
    across,
    fitted_run,
    lies_on_any,
    refitted,
)
from orthopsis.marking.sheet.straighten import Straightened

SWING_DEG = 8.0
SHIFT_MM = 0.8
UNDER = 0.72
"""So much of an edge must have pencil under the ruler."""
ENOUGH_OF_IT = 0.8
SURELY_DEG = 0.6
BESIDE_MM = 0.7
BEYOND_MM = 4.0
LEAST_MM = 4.0
PLAINLY, PLAIN_UNDER, UNSURE_DEG = 0.65, 0.7, 6.0
"""An edge is plainly there when so much of it is so dark, as a share of what most outlines are;
where it cannot be measured apart from what it lies among, nothing is said of its direction.
"""
DARKER, LIGHTER = 1.15, 30.0
"""So much darker than the lighter of the light lines it is, too; among these there may be outlines
that were drawn faintly.
"""
PALE_UNDER, PALE_DEG = 0.75, 2.0
"""So much of an edge is darker than half of the light lines if it was drawn, however faintly."""


def seek_missing(
    sheet: Straightened, assigned: Sequence[Assigned], key: AnswerKey
) -> list[FoundStroke]:
    """The found strokes to their ends, and edges lost among others in place of their scraps."""
    strokes = [line.found for line in assigned]
    dark = [stroke.darkness for stroke in strokes if stroke.dark]
    if not dark:
        return strokes
    enough = 0.5 * float(np.median(dark))
    own: dict[int, list[FoundStroke]] = {id(edge): [] for edge in key.expected}
    for line in assigned:
        if line.expected is not None:
            own[id(line.expected)].append(line.found)
    others = [line.found for line in assigned if line.expected is not None]
    for scraps, start, end in _untold(key, own):
        seen = _seen(sheet, start, end, enough, [s for s in others if s not in scraps])
        if seen is None:
            continue
        whole = bool(scraps) and _covered(start, end, scraps) > ENOUGH_OF_IT
        if whole and seen.angle_sd_deg > min(s.angle_sd_deg for s in scraps):
            continue
        strokes = [*_without_scraps(strokes, seen), seen]
        others.append(seen)
        scraps.append(seen)
    # Now that both lines beside a narrow angle are known as far as they can be.
    touching: list[FoundStroke] = []
    for scraps, start, end in list(_untold(key, own)):
        pair = beside_another(sheet, start, end, [s for s in others if s.dark and s not in scraps])
        if pair is not None:
            seen, touched = pair
            strokes = _without_scraps(strokes, seen, but=touched)
            touching.append(seen)
            scraps.append(seen)
    strokes = to_their_ends(sheet, strokes)
    strokes = [stroke for stroke in strokes if not _is_of_others(stroke, strokes)]
    strokes = measured_apart(sheet, strokes, touching)
    # Of two that touch, the pencil of the one would lead the other past its end.
    return [*strokes, *touching]


def plainly_there(
    sheet: Straightened, strokes: Sequence[FoundStroke], lines: Sequence[Assigned], key: AnswerKey
) -> list[FoundStroke]:
    """The strokes, and edges that lie dark where they should though their pencil was taken for that
    of another line, such as the guide line that they stand on.
    """
    dark = [stroke.darkness for stroke in strokes if stroke.dark]
    if not dark:
        return list(strokes)
    enough = _plain_darkness(strokes, dark)
    told = {id(line.expected) for line in lines if line.found.dark}
    drawn = ends_of([stroke for stroke in strokes if stroke.dark])
    light = [stroke for stroke in strokes if not stroke.dark]
    added = list[FoundStroke]()
    for edge, row in zip(key.expected, key.segments, strict=True):
        if edge.outline and id(edge) not in told and not is_drawn(edge, drawn):
            seen = _plainly_there(sheet, row[:2], row[2:], enough)
            added += [seen] if seen else _pale(sheet, row[:2], row[2:], light)
    return [*strokes, *added]


def _plain_darkness(strokes: Sequence[FoundStroke], dark: Sequence[float]) -> float:
    """How dark an edge is that nobody would take for a guide line."""
    light = [stroke.darkness for stroke in strokes if not stroke.dark]
    guide = float(np.percentile(light, LIGHTER)) if light else 0.0
    return max(PLAINLY * float(np.median(dark)), DARKER * guide)


def _plainly_there(
    sheet: Straightened, start: Array, end: Array, enough: float
) -> FoundStroke | None:
    """An edge that lies dark where it should, though its pencil is another line's as well."""
    begins, ends = _tries(start, end)
    under = _pencil_under(sheet, begins, ends, enough)
    turn = np.abs(np.degrees(_turn(ends - begins, end - start)))
    if under.max() < PLAIN_UNDER:
        return None
    k = int(np.argmin(np.where(under >= PLAIN_UNDER, turn - under, np.inf)))
    seen = pencil_line(sheet, begins[k], ends[k], enough)
    if seen is not None and _covered(start, end, [seen]) > ENOUGH_OF_IT:
        return seen
    (x0, y0), (x1, y1) = begins[k].tolist(), ends[k].tolist()
    return FoundStroke((x0, y0), (x1, y1), UNSURE_DEG, enough, True)


def _pale(
    sheet: Straightened, start: Array, end: Array, light: Sequence[FoundStroke]
) -> Iterator[FoundStroke]:
    """An edge whose pencil was taken for a guide line's, as it is pale: by itself, as dark as the
    darkest of these. Whether it was drawn, no eye tells for sure.
    """
    over = [one for one in light if _covered(start, end, [one]) > ENOUGH_OF_IT]
    if over:
        dark = [one.darkness for one in light]
        begin, stop, under = laid_ruler(sheet, start, end, float(np.median(dark)), PALE_DEG)
        if under > PALE_UNDER:
            yield replace(over[0].between(begin, stop), darkness=max(dark))


def _is_of_others(stroke: FoundStroke, strokes: Sequence[FoundStroke]) -> bool:
    """Whether a doubtful stroke is only pencil of better known ones, such as at their corner."""
    known = [s for s in strokes if s.dark and s.angle_sd_deg < SURELY_DEG / 2]
    if not stroke.dark or stroke.angle_sd_deg < SURELY_DEG or not known:
        return False
    places = np.linspace(stroke.start, stroke.end, 24)
    return bool((distances(places, ends_of(known)) < BESIDE_MM).mean() > 0.95)


def _untold(
    key: AnswerKey, own: Mapping[int, list[FoundStroke]]
) -> Iterator[tuple[list[FoundStroke], Array, Array]]:
    """The edges that no stroke tells yet: their scraps, and where they are looked for."""
    for edge, row in zip(key.expected, key.segments, strict=True):
        if edge.outline and not _told(row[:2], row[2:], own[id(edge)]):
            yield own[id(edge)], row[:2], row[2:]


def _without_scraps(
    strokes: Sequence[FoundStroke], seen: FoundStroke, but: FoundStroke | None = None
) -> list[FoundStroke]:
    """The strokes without those that are parts of one seen whole."""
    return [
        stroke
        for stroke in strokes
        if stroke is but
        or not (lies_on_any(stroke, [seen], 0.7) and stroke.length_mm < 1.05 * seen.length_mm)
    ]


def _told(start: Array, end: Array, scraps: Sequence[FoundStroke]) -> bool:
    """Whether one stroke tells an edge: nearly all of it, and where it runs."""
    return any(
        scrap.angle_sd_deg < SURELY_DEG and _covered(start, end, [scrap]) > ENOUGH_OF_IT
        for scrap in scraps
    )


def _covered(start: Array, end: Array, scraps: Sequence[FoundStroke]) -> float:
    """How much of an edge its strokes cover, 0 to 1."""
    size = float(np.linalg.norm(end - start))
    if size < LEAST_MM:
        return 1.0
    spans = sorted(
        sorted(float((np.array(p) - start) @ (end - start)) / size**2 for p in (s.start, s.end))
        for s in scraps
    )
    total, reach = 0.0, 0.0
    for low, high in spans:
        total += max(0.0, min(high, 1.0) - max(low, reach))
        reach = max(reach, min(high, 1.0))
    return total


def _seen(
    sheet: Straightened, start: Array, end: Array, enough: float, others: Sequence[FoundStroke]
) -> FoundStroke | None:
    """The line with the most pencil under it that is no other line's; None when there is none."""
    size = float(np.linalg.norm(end - start))
    begins, ends = _tries(start, end)
    under = _pencil_under(sheet, begins, ends, enough)
    turn = np.abs(np.degrees(_turn(ends - begins, end - start)))
    order = np.argsort(-(under - 0.012 * turn), kind="stable")
    for k in order[:6]:
        if under[k] < UNDER:
            return None
        stroke = pencil_line(sheet, begins[k], ends[k], enough)
        if stroke is None or stroke.length_mm < 0.6 * size:
            continue
        if not lies_on_any(stroke, others, 0.5):
            return stroke
    return None


def _tries(start: Array, end: Array) -> tuple[Array, Array]:
    """Both ends of the lines to try, shape (n, 2) each: swung about either end, and beside it."""
    along = end - start
    size = float(np.linalg.norm(along))
    normal = np.array([-along[1], along[0]]) / size
    step = max(0.35 / size, math.radians(0.4))
    count = int(math.radians(SWING_DEG) / step)
    swing = np.tan(np.arange(-count, count + 1) * step) * size
    begins, ends = [], []
    for shift in (0.0, -SHIFT_MM, SHIFT_MM):
        for fixed_first in (True, False):
            a = np.zeros_like(swing) if fixed_first else swing
            b = swing if fixed_first else np.zeros_like(swing)
            begins.append(start + (a + shift)[:, None] * normal)
            ends.append(end + (b + shift)[:, None] * normal)
    return np.concatenate(begins), np.concatenate(ends)


def _pencil_under(sheet: Straightened, begins: Array, ends: Array, enough: float) -> Array:
    """For each line the share of it that has dark pencil under it."""
    count = max(12, int(np.linalg.norm(ends[0] - begins[0]) / 0.3))
    t = np.linspace(0.03, 0.97, count)
    x = (begins[:, :1] + t * (ends[:, :1] - begins[:, :1])) * sheet.px_per_mm - 0.5
    y = (begins[:, 1:] + t * (ends[:, 1:] - begins[:, 1:])) * sheet.px_per_mm - 0.5
    tones = cv2.remap(sheet.darkness, x.astype(np.float32), y.astype(np.float32), cv2.INTER_LINEAR)
    return np.asarray((tones > enough).mean(axis=1), dtype=float)


def laid_ruler(
    sheet: Straightened, start: Array, end: Array, enough: float, within_deg: float
) -> tuple[Array, Array, float]:
    """How the ruler lies best along an edge, turned by no more than so much, and how much of it has
    pencil so dark under it.
    """
    begins, ends = _tries(start, end)
    turn = np.abs(np.degrees(_turn(ends - begins, end - start)))
    near = turn <= within_deg
    begins, ends = begins[near], ends[near]
    under = _pencil_under(sheet, begins, ends, enough)
    k = int(np.argmax(under - 0.02 * turn[near]))
    return begins[k], ends[k], float(under[k])


def _turn(steps: Array, along: Array) -> Array:
    cross = along[0] * steps[:, 1] - along[1] * steps[:, 0]
    return np.asarray(np.arctan2(cross, steps @ along))


def pencil_line(sheet: Straightened, start: Array, end: Array, enough: float) -> FoundStroke | None:
    """The pencil line under the ruler, from its first dark place to its last."""
    size = float(np.linalg.norm(end - start))
    place, along = (start + end) / 2, (end - start) / size
    t = np.arange(-size / 2 + 0.4, size / 2 - 0.4, STEP_MM)
    if len(t) < 8:
        return None
    for _ in range(2):
        centres, peaks = across(sheet, place, along, t, 0.7)
        on = peaks > 0.8 * enough
        if on.sum() < 0.6 * len(t):
            return None
        place, along = refitted(place, along, t[on], centres[on])
    t = np.arange(-size / 2 - BEYOND_MM, size / 2 + BEYOND_MM, STEP_MM)
    centres, peaks = across(sheet, place, along, t, 0.7)
    on = (peaks > 0.8 * enough) & (np.abs(centres) < 0.4)
    inner = np.flatnonzero(on & (np.abs(t) < size / 2))
    if not len(inner):
        return None
    low, high = inner[0], inner[-1]
    while low > 0 and on[low - 1]:
        low -= 1
    while high < len(t) - 1 and on[high + 1]:
        high += 1
    run = np.flatnonzero(on[low : high + 1]) + low
    return fitted_run(place, along, t[run], centres[run], peaks[run], True)
