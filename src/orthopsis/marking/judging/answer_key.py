"""What a sheet is held against: the exercise's lines at a step, and where each family leads."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import NamedTuple

import numpy as np

from orthopsis.construction.moves import Do, Step, count
from orthopsis.errors import ImageError
from orthopsis.exercise.resolve import Scene, picture
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.state import lines_after
from orthopsis.marking.fitting import Array, ends_of
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point, direction
from orthopsis.perspective.segments import XY, Segment, at, distance_to_segment, inside
from orthopsis.perspective.stroke import Part, Role, Stroke
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import say
from orthopsis.pieces.roles import Path

LEAST_EDGE_MM = 6.0
"""A shorter edge may be lost among its neighbours, or be too short for the eye: never missed."""
BESIDE_MM = 1.5
SAME_WAY_DEG = 6.0
AMONG_MM = 1.0
"""An edge so far within a face full of lines is one among them."""
SHORT_MM = 25.0
"""A longer edge leaves what lies along it, or is one with it."""
STRAY_MM = 2.5
"""So far a hand without a ruler strays."""
CLOSE_MM = 4.0
"""Nearer than this to its side, the lines of a face are taken for it."""
MOST = 0.6
LEVEL_GOALS = {VERTICAL: UPRIGHT, HORIZONTAL: LEVEL}


@dataclass(frozen=True)
class Expected:
    """A line the exercise asks for; the eye level is expected without a piece. What only `fills` a
    face is never missed, nor what lies `close` along another edge.
    """

    stroke: Stroke
    fills: bool = False
    close: bool = False

    @property
    def outline(self) -> bool:
        return self.stroke.role is Role.OUTLINE

    @property
    def may_lack(self) -> bool:
        """Whether nothing follows from its absence: the eye may lose it, or it fills a face."""
        if self.fills or self.close:
            return True
        return math.dist(*self.stroke.segment) < LEAST_EDGE_MM


class Middle(NamedTuple):
    """A place on a face by its diagonals (mm), mostly its middle, and the part it belongs to."""

    at: XY
    part: Part | None


class Measured(NamedTuple):
    """A measure that was set otherwise than the exercise has it: its place in the document, both
    lengths (mm), and where what moved with it lies on the sheet.
    """

    path: Path
    asked_mm: float
    drawn_mm: float
    at: XY


@dataclass(frozen=True)
class AnswerKey:
    """An exercise as a sheet is held against it; made once for many sheets."""

    scene: Scene
    expected: list[Expected]
    curves: Array
    """Chords of the exercise's curves as rows x0, y0, x1, y1 (mm): drawn by hand, never judged."""
    step: int | None = None
    middles: tuple[Middle, ...] = ()
    own: Mapping[str, Point] = field(default_factory=dict)
    """Points that the pupil keeps to instead of the sheet's."""
    sized: bool = False
    """Whether sizes are those of the lines already: what pupils choose, and what they measured."""
    measured: tuple[Measured, ...] = ()
    """What was measured otherwise; the lines expected are those that follow from it."""

    @property
    def given(self) -> str:
        """What pupils take from the sheet: its measures, its points, or only the rules."""
        return self.scene.exercise.given or "measures"

    @cached_property
    def goals(self) -> dict[str, Point]:
        """Where the lines of each family should lead."""
        goals = {vp.name: vp.at for vp in self.scene.goals}
        return {**goals, **LEVEL_GOALS}

    @cached_property
    def segments(self) -> Array:
        """Where the expected lines are looked for, as rows x0, y0, x1, y1 (mm)."""
        rows = ends_of([line.stroke for line in self.expected])
        for row, line in zip(rows, self.expected, strict=True):
            if line.stroke.family in self.own:
                row[:] = _aimed(line.stroke, self.own[line.stroke.family])
        return rows

    def looked_for_toward(self, own: Mapping[str, Point]) -> AnswerKey:
        """The same key, its lines looked for on their way to a pupil's own points.

        Each is as long as it should be and starts at its own corner; what is right does not change.
        """
        return replace(self, own=own)

    @cached_property
    def outlines(self) -> Array:
        """1 for each expected line that is an outline, else 0."""
        return np.array([float(line.outline) for line in self.expected])


def answer_key(scene: Scene, step: int | None = None) -> AnswerKey:
    """The finished drawing with its light lines, or what is on the sheet after a step.

    Raises ImageError for a step that is none, ExerciseError for a document without steps.
    """
    made = run_through(scene)
    if step is not None and not 1 <= step <= len(made):
        raise ImageError(say("refused-step-of-the-sheet", step=count(step), count=count(len(made))))
    finished = picture(scene)
    if step is not None:
        strokes = [drawn.stroke for drawn, _ in lines_after(made, step)]
    else:
        strokes = [stroke for stroke in finished if stroke.role is Role.OUTLINE]
        strokes += [d.stroke for s in made for d in s.strokes if d.fate != "keep"]
    straight = expected_of(strokes, scene)
    curves = ends_of([s for s in finished if s.curve is not None])
    return AnswerKey(scene, straight, curves, step, tuple(_middles(made[:step])))


def expected_of(strokes: Iterable[Stroke], scene: Scene) -> list[Expected]:
    """The lines that are drawn with the ruler, which a sheet is held against."""
    ruled = [one for one in strokes if one.curve is None and not by_hand(one.segment, scene)]
    return [
        Expected(
            one,
            fills=_among_fills(one.segment, scene),
            close=_close_to_another(one, ruled) or _close_to_what_is_by_hand(one, scene),
        )
        for one in ruled
    ]


def _close_to_another(stroke: Stroke, others: Sequence[Stroke]) -> bool:
    """Whether a short edge lies so near along another that no eye tells them apart."""
    if stroke.role is not Role.OUTLINE or math.dist(*stroke.segment) > SHORT_MM:
        return False
    places = [at(stroke.segment, t) for t in (0.0, 0.5, 1.0)]
    return any(
        other is not stroke
        and other.role is Role.OUTLINE
        and all(distance_to_segment(place, other.segment) < AMONG_MM for place in places)
        for other in others
    )


def _close_to_what_is_by_hand(stroke: Stroke, scene: Scene) -> bool:
    """Whether the middle of a short edge lies where a free hand may have drawn into it."""
    if stroke.role is not Role.OUTLINE or math.dist(*stroke.segment) > SHORT_MM:
        return False
    middle = at(stroke.segment, 0.5)
    return any(_lies_in(middle, outline, STRAY_MM) for outline in scene.by_hand)


def _among_fills(line: Segment, scene: Scene) -> bool:
    """Whether a line only fills a face, or lies among lines that do, where no eye tells it."""
    if any(all(distance_to_segment(end, one) < 0.05 for end in line) for one in scene.fills):
        return True
    middle = at(line, 0.5)
    for outline in scene.filled:
        if inside(middle, [outline]) and not _lies_on(middle, outline, AMONG_MM):
            return True
        if _lies_on(middle, outline, 0.05):
            # A side of such a face is told from its lines only where these keep a distance.
            apart = (distance_to_segment(middle, one) for one in scene.fills)
            return any(mm < CLOSE_MM for mm in apart)
    return False


def by_hand(line: Segment, scene: Scene, within_mm: float = 0.05) -> bool:
    """Whether a line lies wholly in something that pupils draw by hand, or so near it."""
    return lies_in_one(line, scene.by_hand, within_mm)


def lies_in_one(line: Segment, outlines: Iterable[Sequence[XY]], within_mm: float = 0.0) -> bool:
    """Whether a line lies wholly within one of some outlines, or so near it."""
    return any(
        all(_lies_in(at(line, t), outline, within_mm) for t in (0.0, 0.5, 1.0))
        for outline in outlines
    )


def _lies_in(place: XY, outline: Sequence[XY], near_mm: float) -> bool:
    return inside(place, [outline]) or _lies_on(place, outline, near_mm)


def _lies_on(place: XY, outline: Sequence[XY], near_mm: float) -> bool:
    """Whether a place lies on an outline's sides, or so near them."""
    sides = zip(outline, (*outline[1:], outline[0]), strict=True)
    return any(distance_to_segment(place, side) < near_mm for side in sides)


def _middles(made: Sequence[Step]) -> Iterator[Middle]:
    """Where a diagonal, joined from mark to mark, is crossed: a face's middle, or a part of it."""
    joined = {m.makes for step in made for m in step.moves if m.do is Do.JOIN}
    for step in made:
        at = {mark.name: mark.at for mark in step.marks}
        for move in step.moves:
            by_diagonal = move.do is Do.CROSS and bool(set(move.uses) & joined)
            if by_diagonal and move.makes in at:
                place = at[move.makes].xy
                yield Middle(place, step.part or _part_at(step, place))


def _part_at(step: Step, place: XY) -> Part | None:
    """What a place belongs to, in a step of several things: what has a line through it."""
    through = (
        drawn.stroke.part
        for drawn in step.strokes
        if distance_to_segment(place, drawn.stroke.segment) < 1e-6
    )
    return next(through, None)


def _aimed(stroke: Stroke, goal: Point) -> tuple[float, float, float, float]:
    """A line from its front corner to another point than its own."""
    front, back = sorted((stroke.start, stroke.end), key=lambda end: -math.dist(end, goal.xy))
    size = math.dist(front, back)
    dx, dy = direction(Point(*front), goal)
    return (*front, front[0] + size * dx, front[1] + size * dy)


def distances(places: Sequence[XY] | Array, segments: Array) -> Array:
    """From each place to the nearest of the segments (mm); infinite when there are none."""
    if not len(segments):
        return np.full(len(places), np.inf)
    p = np.asarray(places)[:, None, :]
    start, step = segments[:, :2], segments[:, 2:] - segments[:, :2]
    square = np.maximum((step**2).sum(axis=1), 1e-18)
    t = np.clip(((p - start) * step).sum(axis=2) / square, 0.0, 1.0)
    nearest = start + t[..., None] * step
    return np.asarray(np.hypot(*np.moveaxis(p - nearest, 2, 0)).min(axis=1))


def is_drawn(edge: Expected, seen: Array) -> bool:
    """Whether most of an edge lies under lines, even if these were taken for others."""
    return edge.may_lack or share_beside(*edge.stroke.segment, seen) > MOST


def share_beside(start: XY, end: XY, lines: Array) -> float:
    """How much of a segment has one of the lines beside it, running the same way."""
    return float((mm_beside(start, end, lines) < BESIDE_MM).mean())


def mm_beside(start: XY, end: XY, lines: Array) -> Array:
    """How far some places along a segment lie from the lines that run the same way (mm)."""
    (x0, y0), (x1, y1) = start, end
    places = np.linspace(start, end, 11)[1:-1]
    step = lines[:, 2:] - lines[:, :2]
    turn = np.abs(step[:, 0] * (y1 - y0) - step[:, 1] * (x1 - x0))
    turn /= np.maximum(np.hypot(step[:, 0], step[:, 1]) * math.dist(start, end), 1e-9)
    beside = lines[turn < math.sin(math.radians(SAME_WAY_DEG))]
    return distances(places, beside)
