"""A made thing on its way onto paper: its marks, and the keeping of what shows of it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from orthopsis.phrase import Choice
from orthopsis.pieces.base import Site
from orthopsis.pieces.shapes.made.block import MadeBody
from orthopsis.pieces.shapes.made.cells import CellEdge
from orthopsis.pieces.shapes.made.knots import Knots
from orthopsis.pieces.shapes.made.model import Made


@dataclass
class MadeSite:
    """A made thing on its way onto paper."""

    made: Made
    site: Site
    knots: Knots
    what: Choice

    @property
    def shows(self) -> list[int]:
        """The numbers of the edges of which something shows."""
        assert isinstance(self.site.body, MadeBody)
        return sorted(self.site.body.shown.lines or {})

    @property
    def edges(self) -> list[CellEdge]:
        if self.site.paper.ways.casts:
            # Hidden corners cast shadows, too.
            return list(self.made.cells.edges)
        return [self.made.cells.edges[k] for k in self.shows]

    def keep(self, numbers: Iterable[int]) -> int:
        """Draw what shows of some edges; how many they are."""
        assert isinstance(self.site.body, MadeBody)
        lines, drawn = self.site.body.shown.lines or {}, 0
        for number in numbers:
            edge = self.made.cells.edges[number]
            start, end = self.knots.find(edge.start), self.knots.find(edge.end)
            family = self.made.families[edge.way]
            self.site.paper.keep(start, end, family, self.site.body, lines[number])
            drawn += 1
        return drawn
