"""What a construction is made of: marks, lines, moves and the steps a teacher speaks in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Literal

from orthopsis.construction.beyond import Beyond
from orthopsis.construction.doubt import Sway, Swing, swing_at
from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.plane import Line, Point
from orthopsis.perspective.stroke import Part, Stroke
from orthopsis.phrase import Length, MarkName, Number, Phrase, PointName, Several, Value


class Do(StrEnum):
    """The closed set of moves: one thing each that a hand does."""

    MEASURE = "measure"
    """Mark a measure from the sheet's edges, or along a line from a mark."""
    AIM = "aim"
    """Lay the ruler through a mark and a vanishing point, and draw."""
    LAY = "lay"
    """Lay the ruler through a mark and a vanishing point; what is drawn along it comes later."""
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
    """Draw a circle by hand through marks."""
    BEND = "bend"
    """Draw a quarter of one by hand."""
    JUDGE = "judge"
    """Choose a place by eye, between marks."""
    TOUCH = "touch"
    """Lay the ruler so that it touches a curve and leads to a point; mark where it touches."""
    TRACE = "trace"
    """Draw along a part of a light line that is there already."""
    SHADE = "shade"
    """Fill a plane with an even tone."""
    DARKEN = "darken"
    ERASE = "erase"


MINUTES = {
    Do.MEASURE: 0.3, Do.AIM: 0.2, Do.LAY: 0.1, Do.JOIN: 0.12, Do.SQUARE: 0.15, Do.CROSS: 0.03,
    Do.SLIDE: 0.3, Do.DIVIDE: 0.3, Do.CARRY: 0.25, Do.SKETCH: 1.5, Do.BEND: 0.4, Do.TOUCH: 0.2,
    Do.JUDGE: 0.1, Do.SHADE: 0.8, Do.TRACE: 0.07, Do.DARKEN: 0.07, Do.ERASE: 0.02,
}  # fmt: skip
"""Minutes a move takes a ten-year-old (common practice, no published source)."""

Fate = Literal["keep", "guide", "erase"]


class Act(StrEnum):
    """What belongs together in the order of teaching, from the first to the last."""

    SETTING = "setting"
    """Sheet, eye level and points."""
    PLAN = "plan"
    """The light block that something is made from, and its parts."""
    FRONTS = "fronts"
    """What is nearest: a front face, a front edge, a letter's face."""
    LINES = "lines"
    """Light lines to the points."""
    BACKS = "backs"
    """How far back, and what closes the back."""
    DETAILS = "details"
    """What is added to a thing that stands."""
    INK = "ink"
    """Rubbing out, and darkening with the ruler."""
    TONE = "tone"
    """Cast shadows, and values."""


class Idea(StrEnum):
    """What a step needs to have been explained before: a term of the trade."""

    DIAGONAL = "diagonal"
    PARALLEL = "parallel"
    ELLIPSE = "ellipse"
    DISTANCE_POINT = "distance-point"
    MEASURING_POINT = "measuring-point"


@dataclass(frozen=True)
class Mark:
    """A named place on the paper: by a letter, or a `point` that has a name of its own.

    `sway` tells how far each misreading moves it. One that is not `lettered` is never spoken of.
    """

    name: str
    at: Point
    sway: Sway = field(default_factory=dict, compare=False)
    point: bool = False
    lettered: bool = True

    @property
    def said(self) -> MarkName | PointName:
        """The mark as a phrase speaks of it."""
        return PointName(self.name) if self.point else MarkName(self.name)


@dataclass(frozen=True)
class Ruled:
    """A line laid with the ruler, by the marks it goes through; its drawn ends come later."""

    name: str
    line: Line
    family: str
    start: Mark
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


Said = Value | Mark | Sequence[Mark]
"""What may be put into a phrase: a mark stands for its name, several for all their names."""


def phrase(id: str, /, **values: Said) -> Phrase:
    """A phrase about marks and measures."""
    return Phrase(id, {name: _value(value) for name, value in values.items()})


def _value(value: Said) -> Value:
    if isinstance(value, Mark):
        return value.said
    return several(value) if isinstance(value, Sequence) else value


def several(marks: Sequence[Mark]) -> Several:
    """Marks as they are read aloud: A, B and C."""
    return Several(tuple(mark.said for mark in marks))


def strung(*marks: Mark) -> Several:
    """A line, or a face, by the marks that it goes through: A B C."""
    return Several(tuple(mark.said for mark in marks), "space")


def count(number: int) -> Number:
    """How many."""
    return Number(float(number))


@dataclass(frozen=True)
class StepKey:
    """What a step is known by, whatever is renamed or said in other words.

    The piece by its lasting name ("" for the sheet's own steps) and the number of its member, the
    step's phrase, and which of several steps with that phrase it is.
    """

    uid: str
    member: int
    phrase: str
    number: int

    def __str__(self) -> str:
        member = f".{self.member}" if self.member else ""
        return f"{self.uid}{member}/{self.phrase}/{self.number}"


@dataclass(frozen=True)
class Table:
    """What differs where the same is done several times: a row for each, its name first.

    `columns` are their headings, as phrases; a cell that a row does not have is None.
    """

    columns: tuple[Phrase, ...]
    rows: tuple[tuple[Value | None, ...], ...]


@dataclass
class Step:
    """What a teacher says in one breath, with the moves and lines that belong to it.

    `phrase` says which step it is, `name` of what; `title`, `says` and `checks` are what is said.
    `corners` are the marks where its finished lines end. `darkens` and `erases` count the strokes
    of all steps from 0. `tried` are lines along which the ruler was laid and nothing drawn. `row`
    is what differs where the same is done for something else, by the columns of a table, and
    `again` how that is said, where it is not just the same. Steps that are `like` one another do
    the same; one that `goes_on` is the rest of the one before it; `behind` are the parts that stop
    its finished lines; `beyond` are sheets taped on beside the first. A `bulk` step does one thing
    many times; `table` says for what, and with which measures. A `hidden` step is drawn but not
    said; `note` is for the teacher alone; `second` is the rest of a step that a teacher split.
    """

    phrase: str
    act: Act = Act.SETTING
    part: Part | None = None
    name: Value | None = None
    title: Phrase = field(default_factory=lambda: Phrase(""))
    says: list[Phrase] = field(default_factory=list)
    checks: list[Phrase] = field(default_factory=list)
    moves: list[Move] = field(default_factory=list)
    measures: list[Measure] = field(default_factory=list)
    marks: list[Mark] = field(default_factory=list)
    strokes: list[StepStroke] = field(default_factory=list)
    tried: list[Stroke] = field(default_factory=list)
    corners: list[Mark] = field(default_factory=list)
    darkens: list[int] = field(default_factory=list)
    erases: list[int] = field(default_factory=list)
    ideas: set[Idea] = field(default_factory=set)
    row: dict[str, Value] = field(default_factory=dict)
    again: Phrase | None = None
    behind: set[Part] = field(default_factory=set)
    beyond: list[Beyond] = field(default_factory=list)
    bulk: bool = False
    table: Table | None = None
    like: str = ""
    goes_on: bool = False
    key: StepKey | None = None
    hidden: bool = False
    note: str = ""
    second: bool = False

    def __post_init__(self) -> None:
        self.like = self.like or self.phrase

    def say(self, id: str, /, **values: Said) -> None:
        """One more sentence, or several that belong together, of what to do."""
        self.says.append(phrase(id, **values))

    def differs(self, **row: Said) -> None:
        """What another of its kind has otherwise, by the columns of a table."""
        self.row |= {name: _value(value) for name, value in row.items()}

    def check(self, id: str, /, **values: Said) -> None:
        """One more sentence of how to see that it is right."""
        self.checks.append(phrase(id, **values))

    @property
    def minutes(self) -> float:
        """Time for the step, to half a minute, at least half a minute."""
        total = sum(MINUTES[move.do] for move in self.moves)
        return max(0.5, round(total * 2) / 2)

    @property
    def names(self) -> set[str]:
        """The marks that its words name."""
        said = (value for one in (*self.says, *self.checks) for value in one.named())
        return {value.name for value in said if isinstance(value, MarkName)}


def measures_set(step: Step, since: int = 0) -> Several:
    """The lengths that a step sets, `since` that one, in their order, each once."""
    lengths = dict.fromkeys(Length(round(measure.mm, 3)) for measure in step.measures[since:])
    return Several(tuple(lengths), "comma")
