"""What a construction is made of: marks, lines, moves and the steps a teacher speaks in."""

from __future__ import annotations

from dataclasses import dataclass, field
from enum import StrEnum
from typing import Literal

from orthopsis.construction.doubt import Sway, Swing, swing_at
from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.plane import Line, Point
from orthopsis.perspective.stroke import Stroke


class Do(StrEnum):
    """The closed set of moves: one thing each that a hand does."""

    MEASURE = "measure"
    """Mark a measure from the sheet's edges, or along a line from a mark."""
    AIM = "aim"
    """Lay the ruler through a mark and a vanishing point, and draw."""
    JOIN = "join"
    """Draw from one mark to another."""
    SQUARE = "square"
    """Draw an upright or a level line through a mark, with the set square."""
    CROSS = "cross"
    """Mark where two lines cross."""
    SLIDE = "slide"
    """Draw a parallel: set square on a line, slide it along the ruler to a mark, and draw."""
    DIVIDE = "divide"
    """Read off equal parts with the ruler's zero on one end."""
    CARRY = "carry"
    """Take a length between two marks and set it off elsewhere."""
    SKETCH = "sketch"
    """Draw a curve by hand through marks."""
    TOUCH = "touch"
    """Lay the ruler so that it touches a curve and leads to a point; mark where it touches."""
    DARKEN = "darken"
    ERASE = "erase"


MINUTES = {
    Do.MEASURE: 0.4, Do.AIM: 0.4, Do.JOIN: 0.3, Do.SQUARE: 0.4, Do.CROSS: 0.1,
    Do.SLIDE: 0.5, Do.DIVIDE: 0.5, Do.CARRY: 0.3, Do.SKETCH: 1.5, Do.TOUCH: 0.4,
    Do.DARKEN: 0.2, Do.ERASE: 0.05,
}  # fmt: skip
"""Minutes a move takes a ten-year-old (common practice, no published source)."""

Fate = Literal["keep", "guide", "erase"]


@dataclass(frozen=True)
class Mark:
    """A named point on the paper; for a vanishing point the name is its own.

    `sway` tells how far each misreading moves it.
    """

    name: str
    at: Point
    sway: Sway = field(default_factory=dict, compare=False)


@dataclass(frozen=True)
class Ruled:
    """A line laid with the ruler, by the marks it goes through; its drawn ends come later."""

    name: str
    line: Line
    family: str
    start: Mark
    piece: str
    goal: Mark | None = None
    uses: tuple[str, ...] = ()
    """What a later move uses instead of its name, where it was drawn as part of something."""

    def swing_at(self, place: Point) -> Swing:
        """How misreadings move the line across itself at a place."""
        goal = self.goal or Mark("", Point(self.line.b, -self.line.a, 0.0))
        return swing_at(self.line, self.start.at, self.start.sway, goal.at, goal.sway, place)


@dataclass(frozen=True)
class Curve:
    """A curve sketched through marks: on the sheet, a circle of the world is an ellipse."""

    name: str
    ellipse: Ellipse
    piece: str
    sway: Sway = field(default_factory=dict, compare=False)


@dataclass(frozen=True)
class Move:
    """One move: the marks and lines it uses, by name, and what it makes."""

    do: Do
    uses: tuple[str, ...]
    makes: str | None


@dataclass(frozen=True)
class Measure:
    """One length to set: where the ruler's zero lies, and the reading in mm."""

    zero: str
    axis: Literal["x", "y", "along"]
    mm: float


@dataclass(frozen=True)
class StepStroke:
    """A line a step adds, and what becomes of it."""

    stroke: Stroke
    fate: Fate


@dataclass
class Step:
    """What a teacher says in one breath, with the moves and lines that belong to it.

    `corners` are the marks where its finished lines end. `darkens` and `erases` count the strokes
    of all steps from 0. `tried` are lines along which the ruler was laid and nothing drawn. `key`
    is a name that lasts; a `hidden` step is drawn but not said; `note` is for the teacher alone.
    """

    title: str
    piece: str | None
    instruction: str = ""
    check: str = ""
    moves: list[Move] = field(default_factory=list)
    measures: list[Measure] = field(default_factory=list)
    marks: list[Mark] = field(default_factory=list)
    strokes: list[StepStroke] = field(default_factory=list)
    tried: list[Stroke] = field(default_factory=list)
    corners: list[Mark] = field(default_factory=list)
    darkens: list[int] = field(default_factory=list)
    erases: list[int] = field(default_factory=list)
    key: str = ""
    hidden: bool = False
    note: str = ""

    @property
    def minutes(self) -> float:
        """Time for the step, to half a minute, at least half a minute."""
        total = sum(MINUTES[move.do] for move in self.moves)
        return max(0.5, round(total * 2) / 2)
