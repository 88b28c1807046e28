"""A card: a flat thing parallel to the picture plane, drawn by hand within its box on paper."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

from orthopsis.construction.order import Body, Hull, SeenLine, Shown
from orthopsis.construction.paper import Paper
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import eye_space
from orthopsis.picture.solid import Solid, card
from orthopsis.pieces.shapes.card.looks import LOOKS, Look, Path

ASTRAY = 0.25
"""A hand may go so far beside the box, as a share of its larger side."""


@dataclass(frozen=True)
class Card:
    """What looks so, on paper from the foot's middle up, `high_mm` high and `wide_mm` wide."""

    looks: str
    foot: XY
    high_mm: float
    wide_mm: float

    @property
    def look(self) -> Look:
        return LOOKS[self.looks]

    def _on_paper(self, path: Path) -> tuple[XY, ...]:
        (x, y) = self.foot
        return tuple((x + u * self.wide_mm, y - v * self.high_mm) for u, v in path)

    @cached_property
    def outline(self) -> tuple[XY, ...]:
        """The outline on paper, in the order in which it is drawn."""
        return self._on_paper(self.look.outline)

    @cached_property
    def curves(self) -> list[tuple[XY, ...]]:
        """All that is drawn, each from its first place to its last."""
        found = [self._on_paper(line) for line in self.look.lines]
        if self.outline:
            found.insert(0, self.outline if self.look.open else (*self.outline, self.outline[0]))
        return found

    @property
    def box(self) -> tuple[XY, XY, XY, XY]:
        """The corners of its box, from the top left on, clockwise."""
        (x, y), half = self.foot, self.wide_mm / 2
        top = y - self.high_mm
        return (x - half, top), (x + half, top), (x + half, y), (x - half, y)

    @property
    def room(self) -> tuple[XY, XY, XY, XY]:
        """Where a hand may go that draws it."""
        far = ASTRAY * max(self.high_mm, self.wide_mm)
        ways = (-far, -far), (far, -far), (far, far), (-far, far)
        a, b, c, d = ((x + dx, y + dy) for (x, y), (dx, dy) in zip(self.box, ways, strict=True))
        return a, b, c, d

    def solid(self, part: Part, depth: float) -> Solid:
        """The card in eye space, so far away."""
        outline = [eye_space(Point(*place), depth) for place in self.outline]
        lines = [[eye_space(Point(*place), depth) for place in line] for line in self.curves]
        return card(part, outline, lines)

    def shown(self, nearness: float) -> Shown:
        """What it shows and covers on paper."""
        edges = tuple(
            SeenLine(ends, (nearness, nearness))
            for curve in self.curves
            for ends in pairwise(curve)
        )
        return Shown((Area((self.outline,)),) if self.outline else (), edges)

    def hull(self, nearness: float) -> Hull:
        """Its box, for the drawing order."""
        corners = tuple((Point(*place), nearness) for place in self.box)
        return Hull(corners, ((0, 1, 2, 3),))

    def draw(self, paper: Paper, body: Body) -> None:
        """All of it by hand, in the open step."""
        paper.keep_by_hand(self.curves, body)
