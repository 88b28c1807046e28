"""One profile on its way onto paper: what is known of it, and its marks as they are made."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

from orthopsis.construction.corner_rule import Ends
from orthopsis.construction.face import Lines, RecedingFace
from orthopsis.construction.moves import Act, Curve, Mark, Ruled, Said, Step, phrase
from orthopsis.construction.paper import Paper
from orthopsis.perspective.stroke import Part
from orthopsis.phrase import Choice, Phrase
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.shapes.extrusion.crossings import Crossings
from orthopsis.pieces.shapes.extrusion.model import Extrusion
from orthopsis.pieces.shapes.extrusion.profile import Corner, Profile
from orthopsis.pieces.shapes.extrusion.visible import ExtrudedBody

MOST_LINES = 7
"""A step draws no more new lines than this, unless they all do one thing."""
MOST_FOUND = 3
"""A step that has found so many marks finds no more."""

Pair = tuple[Mark, Mark]


class Extruded(NamedTuple):
    """What a part hands over to those of the same piece that are drawn after it."""

    frame: Mapping[int, Mark] | None = None
    """The corners of the block that all are drawn from, where it runs away."""
    face: RecedingFace | None = None
    """Its face with the lines that are drawn on it."""
    depth: Pair | None = None
    """A corner with the one behind it."""
    side: Pair | None = None
    """The upper and lower end of its left side, in a street."""
    number: int = 0
    """Its number in the street."""
    marks: Mapping[int, Mark] = {}
    """Its corners, as far as they are marked: those of the face, and then those behind them."""


class CurveMarks(NamedTuple):
    """The marks of one curve: its ends, the corner it turns around, and the one on it; on the face
    also the halves that lead to that, the lines of the grid they lie on, and whether its start and
    its corner lie on one column.
    """

    start: Mark
    corner: Mark
    end: Mark
    on: Mark
    first: Mark
    second: Mark
    turn: Corner
    along_column: bool
    middle_row: int
    half_column: int


@dataclass
class ProfileSite:
    """One profile on its way onto paper. Corners are numbered through its loops.

    `marks` are its corners on the face, `behind` those behind them, `guides` the lines between.
    """

    site: Site
    owner: Extrusion
    profile: Profile
    body: ExtrudedBody
    earlier: Sequence[Extruded] = ()
    """What was handed over by the parts of the same piece that are drawn already."""
    marks: dict[int, Mark] = field(default_factory=dict)
    bays: dict[Ends, CurveMarks] = field(default_factory=dict)
    curves: dict[Ends, Curve] = field(default_factory=dict)
    far_curves: dict[Ends, Curve] = field(default_factory=dict)
    guides: dict[int, Ruled] = field(default_factory=dict)
    behind: dict[int, Mark] = field(default_factory=dict)
    frame: Mapping[int, Mark] | None = None
    depth: Pair | None = None
    side: Pair | None = None
    _found: list[tuple[Step, Phrase]] = field(default_factory=list)

    def __post_init__(self) -> None:
        self.across, self.down, back = self.owner.families(self.stage)
        self.vp = self.points[back.name]
        self.third = self.site.third
        self.count = len(self.body.corners) // 2
        self.what = Choice(self.owner.what)
        self.crossings = Crossings(self.profile, self.paper, self.part)

    @property
    def paper(self) -> Paper:
        return self.site.paper

    @property
    def stage(self) -> Stage:
        return self.site.stage

    @property
    def points(self) -> Mapping[str, Mark]:
        return self.site.points

    @property
    def part(self) -> Part:
        return self.body.part

    @property
    def shows_depth(self) -> bool:
        """Whether anything shows but the face."""
        return bool(self.body.far_arcs) or any(b >= self.count for _, b in self.body.shows)

    def family(self, side: tuple[int, int]) -> str:
        """The family of a side of the face, and of the one behind it."""
        return self.owner.side_family(self.profile, side, self.stage)

    def begin(self, step: str, act: Act, /, **title: Said) -> Step:
        return self.site.begin(step, act, **title)

    def note_far(self, mark: Mark, way: Phrase, near: Mark) -> Mark:
        """Remember how a far mark was found: some way, to the line from the near one."""
        said = phrase("far-corner", mark=mark, way=way, near=near)
        self._found.append((self.paper.steps[-1], said))
        return mark

    def note_on_face(self, mark: Mark, row: Mark, column: Mark) -> None:
        """Remember a mark of the face that is made only for one behind it."""
        goal = self.points[self.across]
        said = phrase("face-corner", mark=mark, row=row, point=goal, column=column)
        self._found.append((self.paper.steps[-1], said))

    def far_found(self, step: Step) -> list[Phrase]:
        """How the marks behind the face were found that a step makes, in their order."""
        return [said for where, said in self._found if where is step]

    # --- on the face -------------------------------------------------------------------------

    def corner_mark(self, k: int, lines: Lines) -> Mark:
        """The mark of a corner, made when it is first needed."""
        if k not in self.marks:
            self.marks[k] = self.crossings.corner(self.profile.corners[k], lines)
        return self.marks[k]

    def side_of(self, ends: Ends) -> Ends:
        """The whole curved side of which the ends bound a part."""
        for side in self.body.bends:
            stops = {*side, *(k for k, own in self.body.touching.items() if own == side)}
            if set(ends) <= stops and ends[0] != side[1] and ends[1] != side[0]:
                return side
        raise KeyError(ends)

    def guide(self, k: int) -> Ruled:
        """A corner's line to the vanishing point: drawn, or only with the ruler laid along it."""
        if k not in self.guides:
            self.guides[k] = self.paper.lay(self.marks[k], self.vp)
        return self.guides[k]
