"""The steps that carve a profile: its lines on the face, the corner test, what lies behind.

No step draws more than eight lines. Which corners send a line is decided by the corner test, and
the corners that were tried in vain are said as well.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from typing import Protocol, TypeVar

from orthopsis.construction.corner_test import Ends
from orthopsis.construction.face import Lines, plumb
from orthopsis.construction.moves import Curve, Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import direction, distance
from orthopsis.perspective.segments import XY, at
from orthopsis.pieces.base import Stage
from orthopsis.pieces.block_steps import listed
from orthopsis.pieces.carve_curves import (
    Bay,
    draw_curves,
    draw_far_curves,
    far_curve,
    mark_touches,
)
from orthopsis.pieces.carved import Carved
from orthopsis.pieces.carved_shape import CarvedBody
from orthopsis.pieces.profile import Corner, Profile, Slant

T = TypeVar("T")


class Far(Protocol):
    """Makes the marks behind those of a face: of a corner by its number, and of a curve."""

    def find(self, k: int) -> Mark: ...
    def corner(self, bay: Bay, start: Mark, end: Mark) -> Mark: ...
    def on_curve(self, bay: Bay, start: Mark, end: Mark, corner: Mark) -> Mark: ...


MOST_LINES = 8
"""A step draws no more lines than this."""


@dataclass
class Carving:
    """One profile on its way onto paper. Corners are numbered through its loops.

    `marks` are its corners on the face, `behind` those behind them, `guides` the lines between.
    """

    owner: Carved
    name: str
    profile: Profile
    body: CarvedBody
    paper: Paper
    stage: Stage
    points: Mapping[str, Mark]
    marks: dict[int, Mark] = field(default_factory=dict)
    bays: dict[Ends, Bay] = field(default_factory=dict)
    curves: dict[Ends, Curve] = field(default_factory=dict)
    far_curves: dict[Ends, Curve] = field(default_factory=dict)
    guides: dict[int, Ruled] = field(default_factory=dict)
    behind: dict[int, Mark] = field(default_factory=dict)

    def __post_init__(self) -> None:
        self.across, self.down, back = self.owner.families(self.stage)
        self.vp = self.points[back.name]
        self.third = self.points.get(self.stage.view.uprights.name)
        self.count = len(self.body.corners) // 2
        self.piece = self.body.piece
        self.say = self.paper.wording.say
        self.what = "letter" if self.owner.kind == "letters" else "shape"
        # Crossing diagonals, or carrying a mark, takes more lines.
        self.most = MOST_LINES - (3 if self.third is None else 5)

    @property
    def shows_depth(self) -> bool:
        """Whether anything shows but the face."""
        return bool(self.body.far_arcs) or any(b >= self.count for _, b in self.body.shows)

    def family(self, side: tuple[int, int]) -> str:
        """The family of a side of the face, and of the one behind it."""
        named = {"row": self.across, "column": self.down, "slanted": "free"}
        return named[self.profile.direction(side)]

    def begin(self, what: str) -> None:
        self.paper.begin(f"{self.name}: {what}", self.piece)

    # --- on the face -------------------------------------------------------------------------

    def corner_mark(self, k: int, lines: Lines) -> Mark:
        """The mark of a corner, made when it is first needed."""
        if k not in self.marks:
            self.marks[k] = self._corner(self.profile.corners[k], lines)
        return self.marks[k]

    def side_of(self, ends: Ends) -> Ends:
        """The whole curved side of which the ends bound a part."""
        for side in self.body.bends:
            stops = {*side, *(k for k, own in self.body.touching.items() if own == side)}
            if set(ends) <= stops and ends[0] != side[1] and ends[1] != side[0]:
                return side
        raise KeyError(ends)

    def _corner(self, corner: Corner, lines: Lines) -> Mark:
        columns, rows = self.profile.columns, self.profile.rows
        if corner.column is not None and corner.row is not None:
            return lines.crossing(columns[corner.column], rows[corner.row])
        across = (
            lines.column(columns[corner.across])
            if isinstance(corner.across, int)
            else self._slant(corner.across, lines)
        )
        down = (
            lines.row(rows[corner.down])
            if isinstance(corner.down, int)
            else self._slant(corner.down, lines)
        )
        return self.paper.cross(across, down)

    def _slant(self, slant: Slant, lines: Lines) -> Ruled:
        if slant not in self._slants:
            start, end = (
                lines.crossing(self.profile.columns[c], self.profile.rows[r]) for c, r in slant
            )
            self._slants[slant] = self.paper.join(start, end, "free", self.piece)
        return self._slants[slant]

    _slants: dict[Slant, Ruled] = field(default_factory=dict)

    def draw_rows(self, lines: Lines, full: str, simple: str) -> None:
        """The face's rows, lightly."""
        draw = [lambda share=share: lines.row(share) for share in self.profile.rows]
        self._draw_lightly("level lines", draw, full, simple)

    def draw_columns(self, lines: Lines, full: str, simple: str) -> None:
        """The face's columns, lightly, and then its slanted lines."""
        draw = [lambda share=share: lines.column(share) for share in self.profile.columns]
        self._draw_lightly("uprights", draw, full, simple)
        slants = sorted({line for corner in self.profile.corners for line in corner
                         if isinstance(line, Slant)})  # fmt: skip
        if not slants:
            return
        self.begin("slanted lines")
        slanted = [self._slant(slant, lines) for slant in slants]
        pairs = listed([f"{line.start.name} {line.goal.name}" for line in slanted if line.goal])
        step = self.paper.steps[-1]
        step.instruction = self.say(
            f"Join {pairs} lightly with the ruler: the slanted strokes.",
            f"Put the ruler on two marks and join them lightly: {pairs}.",
        )
        step.check = "The two edges of a slanted stroke keep their distance."

    def _draw_lightly(
        self, what: str, draw: Sequence[Callable[[], object]], full: str, simple: str
    ) -> None:
        """Light lines one by one, in a further step when one has enough of them."""
        self.begin(what)
        step = first = self.paper.steps[-1]
        first.check = "All light lines stay inside the block."
        for line in draw:
            if len(step.strokes) > self.most:
                self.begin(f"more {what}")
                step = self.paper.steps[-1]
                step.instruction = self.say(
                    "Go on in the same way with the lines that are left.",
                    "Go on like this with the other lines.",
                )
                step.check = first.check
            line()
        first.instruction = self.say(full, simple)
        if not first.moves:
            self.paper.steps.remove(first)
        elif not step.moves:
            self.paper.steps.remove(step)

    def draw_face(self, lines: Lines) -> None:
        """The profile on its face, at most eight sides in a step."""
        sides = [side for side in self.profile.sides if side not in self.body.bends]
        for part, chunk in enumerate(_parts_of(sides)):
            self.begin("the outline" if not part else "the outline goes on")
            step = self.paper.steps[-1]
            for side in chunk:
                a, b = (self.corner_mark(k, lines) for k in side)
                self.paper.keep(a, b, self.family(side), self.body)
            chain = " · ".join(_chains(chunk, self.marks))
            step.instruction = self.say(
                f"Draw the {self.what} from corner to corner: {chain}.",
                f"Draw the {self.what} with the ruler. Go from corner to corner: {chain}.",
            )
            step.check = f"The whole {self.what} has {len(self.profile.corners)} corners."
            if self.stage.view.uprights.at.at_infinity:
                step.check += " Its uprights are square to the edge of the sheet."
        draw_curves(self, lines)

    # --- the corner test ---------------------------------------------------------------------

    def draw_guides(self) -> None:
        """From every corner whose line does not run through the shape, a light line; the others
        are tried as well, and nothing is drawn.
        """
        drawn = [k for k in range(self.count) if (k, k + self.count) in self.body.shows]
        smooth = self.profile.smooth
        vain = [
            k
            for k in range(len(self.profile.corners))
            if k not in drawn and k not in smooth and distance(self.marks[k].at, self.vp.at) > 1e-6
        ]
        total = len(drawn)
        parts = _parts_of(drawn) or [[]]
        for part, chunk in enumerate(parts):
            self.begin(f"lines to {self.vp.name}" if not part else f"more lines to {self.vp.name}")
            step = self.paper.steps[-1]
            touched = "" if part else mark_touches(self)
            for k in chunk:
                self.guides[k] = self.paper.aim(
                    self.marks[k], self.vp, self.piece, until=self._runs_into(k)
                )
            sent = listed([self.marks[k].name for k in chunk]) if chunk else ""
            full = f"Pencil on {self.vp.name}, swing the ruler to each corner. {touched}"
            simple = f"Put the pencil on {self.vp.name}. Swing the ruler to each corner. {touched}"
            if sent:
                full += f"From {sent} draw a light line; it stops where it meets the {self.what}."
                simple += (
                    f"Draw a light line from {sent}. Stop where the line meets the {self.what}."
                )
            if part == len(parts) - 1 and vain:
                names = listed([self.marks[k].name for k in vain])
                full += f" At {names} it would run through the {self.what}, so nothing is drawn."
                simple += (
                    f" At {names} the line would run through the {self.what}. Draw nothing there."
                )
                for k in vain:
                    reach = distance(self.marks[k].at, self.body.corners[k + self.count][0])
                    self.paper.tried(self.marks[k], self.vp, reach, self.piece)
            step.instruction = self.say(full, simple)
            if part == len(parts) - 1:
                step.check = _count_check(total, self._lines_apart(drawn), self.vp.name)
                if not total and self.shows_depth:
                    step.check = "No corner sends a line: the curves behind show all the same."
            else:
                step.check = f"{len(chunk)} lines so far."

    def _lines_apart(self, drawn: Sequence[int]) -> int:
        """How many different lines the corners send: some may fall on one another."""
        ways = {tuple(round(n, 6) for n in direction(self.vp.at, self.marks[k].at)) for k in drawn}
        return len(ways)

    def _runs_into(self, k: int) -> XY | None:
        """Where a corner's guide line meets the shape; None when it does not."""
        portions = self.body.shows[k, k + self.count]
        ends = self.marks[k].at.xy, self.body.corners[k + self.count][0].xy
        return None if portions[-1][1] >= 1.0 else at(ends, portions[-1][1])

    def guide(self, k: int) -> Ruled:
        """A corner's line to the vanishing point: drawn, or only with the ruler laid along it."""
        if k not in self.guides:
            self.guides[k] = self.paper.lay(self.marks[k], self.vp)
        return self.guides[k]

    # --- behind the face ---------------------------------------------------------------------

    def draw_behind(self, far: Far, sentence: str) -> None:
        """The lines that run back, and the far sides, each as far as it shows.

        `far` makes the marks behind those of the face.
        """
        shows, n = self.body.shows, self.count
        whole = [k for k in range(n) if shows.get((k, k + n), [(0.0, 0.0)])[-1][1] >= 1.0]
        sweeps = [(k, k) for k in range(n) if (k, k + n) in shows]
        far_sides = [side for side in self.profile.sides if (side[0] + n, side[1] + n) in shows]
        self.begin("the back")
        names: list[str] = []
        for a, b in [*sweeps, *far_sides]:
            portions = shows[a + n if a != b else a, b + n]
            if len(self.paper.steps[-1].strokes) + len(portions) > MOST_LINES:
                self._say_behind(names, sentence)
                self.begin("the back goes on")
                names, sentence = [], ""
            if a == b:
                self._draw_sweep(a, a in whole, far)
            else:
                names.append(self._draw_far_side((a, b), whole, far))
        self._say_behind(names, sentence)
        draw_far_curves(self, far)

    def _draw_sweep(self, k: int, whole: bool, far: Far) -> None:
        portions = self.body.shows[k, k + self.count]
        if whole:
            mark = self.mark_behind(k, far)
            self.paper.keep(self.marks[k], mark, self.vp.name, self.body, portions)
        else:
            end = self.body.corners[k + self.count][0]
            guide = self.guide(k)
            self.paper.keep_along(self.marks[k], guide, end, self.vp.name, self.body, portions)

    def mark_behind(self, k: int, far: Far) -> Mark:
        """The mark behind a corner, made when it is first needed."""
        if k in self.body.touching and k not in self.behind:
            curve = far_curve(self, self.body.touching[k], far)
            planned = self.body.corners[k + self.count][0]
            marks = self.paper.touch(curve, self.vp)
            self.behind[k] = min(marks, key=lambda mark: distance(mark.at, planned))
        if k not in self.behind:
            self.behind[k] = far.find(k)
        return self.behind[k]

    def _draw_far_side(self, side: tuple[int, int], whole: Sequence[int], far: Far) -> str:
        a, b = side
        n = self.count
        portions = self.body.shows[a + n, b + n]
        seen = [k for k in side if k in whole] or [a]
        if self.profile.direction(side) == "slanted" and self.owner.run is not None:
            # Slanted lines have no point of their own: both ends are found.
            seen = [a, b]
        if len(seen) == 2:
            start, end = (self.mark_behind(k, far) for k in side)
            self.paper.keep(start, end, self.family(side), self.body, portions)
            return f"{start.name} {end.name}"
        start = self.mark_behind(seen[0], far)
        other = b if seen[0] == a else a
        if other == a:
            portions = [(1.0 - t1, 1.0 - t0) for t0, t1 in reversed(portions)]
        line = self._far_line(side, start)
        goal = self.body.corners[other + n][0]
        self.paper.keep_along(start, line, goal, self.family(side), self.body, portions)
        return f"from {start.name}"

    def _far_line(self, side: tuple[int, int], start: Mark) -> Ruled:
        """The far side as a line through one of its ends: like the near one, or to its point."""
        way = self.profile.direction(side)
        a, b = (self.marks[k] for k in side)
        if way == "column":
            return plumb(self.paper, start, self.third)
        if way == "row":
            goal = self.points.get(self.across)
            return self.paper.level(start) if goal is None else self.paper.lay(start, goal)
        return self.paper.slide(start, self.paper.along(a, b))

    def _say_behind(self, names: Iterable[str], sentence: str) -> None:
        step = self.paper.steps[-1]
        drawn = [name for name in names if name]
        far = ""
        if drawn:
            far = self.say(
                f"Draw the far sides {listed(drawn)}, each parallel to its near one; they stop "
                f"where they meet the {self.what}."
                if self.owner.run is None
                else f"Draw the far sides {listed(drawn)}, each to the same point as its near one; "
                f"they stop where they meet the {self.what}.",
                f"Draw the far sides {listed(drawn)}. Each goes the same way as the near side. "
                f"Stop where you meet the {self.what}.",
            )
        step.instruction = f"{sentence} {far}".strip()
        if not step.instruction:
            step.instruction = self.say(
                f"The lines to {self.vp.name} stay as far as the marks on them.",
                f"Keep the lines to {self.vp.name} up to the marks.",
            )
        step.check = (
            "What lies on one line in front lies on one line behind."
            if self.owner.run is None
            else "Each far corner lies on the line to its own near corner."
        )


def _count_check(total: int, apart: int, vp: str) -> str:
    if total == 0:
        return "No corner sends a line: only the face shows."
    if total == 1:
        return f"Exactly one light line runs to {vp}."
    said = f"Exactly {total} light lines run to {vp}."
    same = total - apart
    if same:
        said += f" {'Two' if same == 1 else 'Some'} of them fall on one another."
    return said


def _parts_of(items: Sequence[T]) -> list[Sequence[T]]:
    """The items in parts of nearly equal size, none larger than a step may draw."""
    parts = math.ceil(len(items) / MOST_LINES)
    size = math.ceil(len(items) / parts) if parts else 1
    return [items[k : k + size] for k in range(0, len(items), size)]


def _chains(sides: Sequence[tuple[int, int]], marks: Mapping[int, Mark]) -> Iterator[str]:
    """Sides one after the other as they are read aloud: A B C."""
    chain = [marks[sides[0][0]].name, marks[sides[0][1]].name]
    for (_, before), (start, end) in pairwise(sides):
        if start != before:
            yield " ".join(chain)
            chain = [marks[start].name]
        chain.append(marks[end].name)
    yield " ".join(chain)
