"""Where the corners of a profile lie on a face: on the crossings of its light lines."""

from __future__ import annotations

from dataclasses import dataclass, field

from orthopsis.construction.face import Lines
from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE
from orthopsis.pieces.shapes.extrusion.profile import Corner, Profile, Slant


@dataclass
class Crossings:
    """The lines of one profile; a slanted one is drawn when it is first needed."""

    profile: Profile
    paper: Paper
    part: Part
    _slants: dict[Slant, Ruled] = field(default_factory=dict)

    def corner(self, corner: Corner, lines: Lines) -> Mark:
        """Where the two lines of a corner meet."""
        columns, rows = self.profile.columns, self.profile.rows
        if corner.column is not None and corner.row is not None:
            return lines.crossing(columns[corner.column], rows[corner.row])
        across = (
            lines.column(columns[corner.across])
            if isinstance(corner.across, int)
            else self.slant(corner.across, lines)
        )
        down = (
            lines.row(rows[corner.down])
            if isinstance(corner.down, int)
            else self.slant(corner.down, lines)
        )
        return self.paper.cross(across, down)

    def slant(self, slant: Slant, lines: Lines) -> Ruled:
        """A slanted line between two crossings."""
        if slant not in self._slants:
            columns, rows = self.profile.columns, self.profile.rows
            start, end = (lines.crossing(columns[c], rows[r]) for c, r in slant)
            self._slants[slant] = self.paper.join(start, end, FREE, self.part)
        return self._slants[slant]
