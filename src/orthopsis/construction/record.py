"""The record of a construction: its steps, marks with their names, and measures as they are set."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

from orthopsis.construction.doubt import FIRM, Sway, doubt
from orthopsis.construction.moves import (
    Act,
    Curve,
    Do,
    Idea,
    Mark,
    Measure,
    Move,
    Ruled,
    Said,
    Step,
    StepStroke,
    phrase,
)
from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.plane import (
    LEVEL,
    Line,
    Point,
    direction,
    distance,
    join,
    meet,
    toward,
)
from orthopsis.perspective.segments import XY
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part, Role, Stroke
from orthopsis.perspective.tolerance import EXACT, Tolerance
from orthopsis.perspective.view import HORIZONTAL, VERTICAL, VanishingPoint
from orthopsis.phrase import Value


class HelpingPoint(NamedTuple):
    """A distance or measuring point: what such points are called, where it lies, its mark."""

    called: str
    at: Point
    mark: Mark


@dataclass
class MoveRecord:
    """Moves as steps. Every mark comes from earlier ones or from a measure.

    With `reading_mm` every measure is set to the nearest mark of such a ruler, to see how far the
    lines then miss.
    """

    sheet: Sheet
    tolerance: Tolerance = EXACT
    reading_mm: float | None = None
    steps: list[Step] = field(default_factory=list)
    setting: Step | None = None
    """Where the distance and measuring points are placed, before the first thing is drawn."""
    _helping: list[HelpingPoint] = field(default_factory=list)
    _named: int = 0
    _readings: int = 0
    _ruled: int = 0

    def begin(
        self,
        step: str,
        act: Act,
        /,
        part: Part | None = None,
        name: Value | None = None,
        **title: Said,
    ) -> Step:
        """Open a step by its phrase; the moves that follow belong to it. `title` is what its title
        speaks of beside the `name` of the part.
        """
        self.steps.append(Step(step, act, part, name, phrase(f"{step}-title", **title)))
        return self.steps[-1]

    @property
    def _step(self) -> Step:
        return self.steps[-1]

    def mark(self, place: Point, sway: Sway = FIRM) -> Mark:
        """Name a place that a move has made."""
        mark = Mark(mark_name(self._named), place, sway)
        self._named += 1
        self._step.marks.append(mark)
        return mark

    def _read(self, mm: float) -> float:
        """A measure as it is set."""
        if self.reading_mm is None:
            return mm
        return round(mm / self.reading_mm) * self.reading_mm

    def _misread(self, *ways: tuple[float, float]) -> dict[int, tuple[float, float]]:
        """One more reading in each of some directions."""
        first = self._readings
        self._readings += len(ways)
        return dict(enumerate(ways, start=first))

    def moved(self, do: Do, uses: tuple[str, ...], makes: str | None) -> None:
        """Record a move of the open step: what it uses, and what it makes."""
        self._step.moves.append(Move(do, uses, makes))

    @property
    def strokes(self) -> list[StepStroke]:
        """The lines of all steps so far; their positions are what `darkens` and `erases` name."""
        return [drawn for step in self.steps for drawn in step.strokes]

    def _draw_own(self, start: XY, end: XY, family: str) -> None:
        stroke = Stroke(start, end, family, Role.GUIDE, None)
        self._step.strokes.append(StepStroke(stroke, "guide"))

    # --- by measure ---------------------------------------------------------------------------

    def eye_level(self, y_mm: float) -> None:
        """The eye level line right across, measured down from the top on both sides."""
        left, _, right, _ = self.sheet.bounds
        for edge in ("left", "right"):
            self.moved(Do.MEASURE, (), f"{edge} end of the eye level")
            self._step.measures.append(Measure(f"top edge, {edge} side", "y", y_mm))
        self.moved(Do.JOIN, tuple(m.makes or "" for m in self._step.moves), "eye level")
        self._draw_own((left, y_mm), (right, y_mm), HORIZONTAL)

    def frame(self) -> None:
        """The frame inside the sheet's edge."""
        left, top, right, bottom = self.sheet.bounds
        self._step.measures.append(Measure("every edge", "x", self.sheet.frame_mm))
        self.moved(Do.MEASURE, (), "frame")
        for y in (top, bottom):
            self._draw_own((left, y), (right, y), HORIZONTAL)
        for x in (left, right):
            self._draw_own((x, top), (x, bottom), VERTICAL)

    def given(self, vp: VanishingPoint, eye_level_mm: float) -> Mark:
        """A vanishing point, measured from the left edge, and from the top when off the level."""
        x, y = self._read(vp.at.xy[0]), vp.at.xy[1]
        sway = self._misread((1.0, 0.0), (0.0, 1.0))
        mark = Mark(vp.name, Point(x, self._read(y)), sway, point=True)
        self.moved(Do.MEASURE, (), mark.name)
        self._step.marks.append(mark)
        self._step.measures.append(Measure("left edge", "x", x))
        if y != eye_level_mm:
            self._step.measures.append(Measure("top edge", "y", y))
        return mark

    def measuring_point(self, name: str, at: Point, vp: Mark, idea: Idea) -> Mark:
        """A measuring or distance point: placed once, in the setting, from the sheet's edges.

        Two of one name are told apart by a small letter.
        """
        known = self.helping_point(at)
        if known is not None:
            return known
        step = self.setting or self._step
        taken = sum(one.called == name for one in self._helping)
        x, y = at.xy
        place = Point(self._read(x), self._read(y))
        letter = ("", *"bcdefgh")[taken]
        sway = self._misread((1.0, 0.0), (0.0, 1.0))
        mark = Mark(name + letter, place, sway, point=True)
        step.moves.append(Move(Do.MEASURE, (), mark.name))
        step.ideas.add(idea)
        step.marks.append(mark)
        step.measures.append(Measure("left edge", "x", x))
        if vp.at.y != y:
            step.measures.append(Measure("top edge", "y", y))
        self._helping.append(HelpingPoint(name, at, mark))
        return mark

    def helping_point(self, at: Point) -> Mark | None:
        """The distance or measuring point that was placed there."""
        return next((one.mark for one in self._helping if distance(one.at, at) < 1e-6), None)

    def measure(self, x_mm: float, y_mm: float) -> Mark:
        """Mark a point by its measures from the sheet's left and top edge."""
        place = Point(self._read(x_mm), self._read(y_mm))
        mark = self.mark(place, self._misread((1.0, 0.0), (0.0, 1.0)))
        self.moved(Do.MEASURE, (), mark.name)
        self._step.measures.append(Measure("left edge", "x", x_mm))
        self._step.measures.append(Measure("top edge", "y", y_mm))
        return mark

    def measure_on_edge(self, x_mm: float) -> Mark:
        """Mark a measure on the sheet's top edge, from its left end."""
        mark = self.mark(Point(self._read(x_mm), 0.0), self._misread((1.0, 0.0)))
        self.moved(Do.MEASURE, (), mark.name)
        self._step.measures.append(Measure("left edge", "x", x_mm))
        return mark

    def measure_on_foot(self, x_mm: float) -> Mark:
        """Mark a measure on the lower edge of what is drawn on, from the sheet's left edge."""
        foot = Point(self._read(x_mm), self.sheet.bounds[3])
        mark = self.mark(foot, self._misread((1.0, 0.0)))
        self.moved(Do.MEASURE, (), mark.name)
        self._step.measures.append(Measure("left edge", "x", x_mm))
        return mark

    def measure_along(self, start: Mark, goal: Mark | Point, length_mm: float) -> Mark:
        """Mark a length from `start` toward a mark or a direction, ruler's zero on `start`."""
        far = goal.at if isinstance(goal, Mark) else goal
        place = toward(start.at, far, self._read(length_mm))
        sway = {**start.sway, **self._misread(direction(start.at, far))}
        mark = self.mark(place, sway)
        uses = (start.name, goal.name) if isinstance(goal, Mark) else (start.name,)
        self.moved(Do.MEASURE, uses, mark.name)
        self._step.measures.append(Measure(start.name, "along", length_mm))
        return mark

    # --- lines that lie there ----------------------------------------------------------------

    def tried(self, start: Mark, goal: Mark, toward_mm: float, part: Part) -> None:
        """The ruler laid from a mark to a point, where nothing is drawn."""
        end = toward(start.at, goal.at, toward_mm)
        stroke = Stroke(start.at.xy, end.xy, goal.name, Role.GUIDE, part)
        self._step.tried.append(stroke)

    def to_the_edge(self, ruled: Ruled, near: Point) -> Mark:
        """The mark where a ruled line leaves the sheet, at the edge nearest to a place."""
        left, top, right, bottom = self.sheet.bounds
        edges = [(abs(near.x - x), Line(1.0, 0.0, -x)) for x in (left, right)]
        edges += [(abs(near.y - y), Line(0.0, 1.0, -y)) for y in (top, bottom)]
        mark = self.mark(meet(ruled.line, min(edges, key=lambda one: one[0])[1]))
        self.moved(Do.CROSS, (ruled.name,), mark.name)
        return mark

    def beside_all(self, place: Point, family: str) -> Ruled:
        """A level line that is there before all else: an edge of the sheet, the eye level."""
        return Ruled("", join(place, LEVEL), family, Mark("", place))

    def along(self, start: Mark, end: Mark) -> Ruled:
        """A line that is drawn already between two marks, to be crossed with another."""
        return Ruled("", join(start.at, end.at), "", start, end, (start.name, end.name))

    # --- curves ------------------------------------------------------------------------------

    def sketch(self, through: Sequence[Mark], ellipse: Ellipse | None = None) -> Curve:
        """A curve by hand through five marks; what is drawn of it is said by `keep_arc`.

        Through fewer marks the eye rounds it, to the `ellipse` that is given. Raises ValueError
        when five marks are not those of an ellipse.
        """
        self._ruled += 1
        ellipse = ellipse or Ellipse.through([mark.at for mark in through])
        worst = max((mark.sway for mark in through), key=doubt)
        curve = Curve(f"curve {self._ruled}", ellipse, worst)
        self._step.ideas.add(Idea.ELLIPSE)
        self.moved(Do.SKETCH, tuple(mark.name for mark in through), curve.name)
        return curve

    def by_eye(self, place: Point, between: Sequence[Mark]) -> Mark:
        """A mark that the eye chooses between others."""
        mark = self.mark(place, max((one.sway for one in between), key=doubt))
        self.moved(Do.JUDGE, tuple(one.name for one in between), mark.name)
        return mark

    def bend(self, start: Mark, corner: Mark, end: Mark, on: Mark) -> Curve:
        """A curve by hand that leaves `start` toward a corner and reaches `end` from there, through
        one more mark. Raises ValueError when it is no part of an ellipse.
        """
        self._ruled += 1
        ellipse = Ellipse.touching(start.at, corner.at, end.at, on.at)
        marks = (start, corner, end, on)
        worst = max((mark.sway for mark in marks), key=doubt)
        curve = Curve(f"curve {self._ruled}", ellipse, worst)
        self._step.ideas.add(Idea.ELLIPSE)
        self.moved(Do.BEND, tuple(mark.name for mark in marks), curve.name)
        return curve

    def touch(self, curve: Curve, goal: Mark | Point) -> list[Mark]:
        """Marks where a ruler that leads to a point or a direction touches the curve."""
        far = goal.at if isinstance(goal, Mark) else goal
        uses = (curve.name, goal.name) if isinstance(goal, Mark) else (curve.name,)
        marks = []
        for angle in curve.ellipse.touched_from(far):
            marks.append(self.mark(Point(*curve.ellipse.point(angle)), curve.sway))
            self.moved(Do.TOUCH, uses, marks[-1].name)
        return marks


def mark_name(number: int) -> str:
    """A, B, … Z, then A2, B2 …; without I and O, which look like figures.

    >>> [mark_name(number) for number in (0, 23, 24, 48)]
    ['A', 'Z', 'A2', 'A3']
    """
    turn, letter = divmod(number, len(_LETTERS))
    return _LETTERS[letter] if turn == 0 else f"{_LETTERS[letter]}{turn + 1}"


_LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ"
