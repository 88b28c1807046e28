"""The curves of a carved face: drawn over the block form, on the face and again behind it.

A curve leaves one side of a corner and reaches the other: a quarter of the ellipse in the rectangle
of the corner C, the ends S and E, and the middle M. Halve S C and M S. The line from E to the one
and the line from C to the other cross on the curve: in a square from 0 to 1 at (0.8, 0.6). Source:
the three-four-five triangle.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from orthopsis.construction.circle import toward_family
from orthopsis.construction.corner_test import Ends
from orthopsis.construction.division import divided
from orthopsis.construction.face import Lines
from orthopsis.construction.moves import Curve, Mark
from orthopsis.perspective.ellipse import EllipseArc
from orthopsis.perspective.plane import distance
from orthopsis.perspective.view import FREE
from orthopsis.pieces.block_steps import listed

if TYPE_CHECKING:
    from orthopsis.pieces.carve_steps import Carving, Far


class Bay:
    """The marks of one curve on the face: its ends, its corner, the halves, and the mark on it."""

    def __init__(self, carving: Carving, side: Ends, lines: Lines) -> None:
        paper, profile = carving.paper, carving.profile
        columns, rows = profile.columns, profile.rows
        turn = profile.bend_of[side]
        assert turn.column is not None and turn.row is not None
        start, end = (profile.corners[k] for k in side)
        self.turn = turn
        self.along_column = start.column == turn.column
        """Whether the curve's start and its corner lie on one column."""
        across = end.column if self.along_column else start.column
        down = start.row if self.along_column else end.row
        assert across is not None and down is not None and start.column is not None
        self.middle_row = down
        self.half_column = turn.column if self.along_column else start.column
        self.start, self.end = (carving.corner_mark(k, lines) for k in side)
        self.corner = lines.crossing(columns[turn.column], rows[turn.row])
        middle = lines.crossing(columns[across], rows[down])
        if carving.owner.run is None:
            self.first = divided(paper, self.start, self.corner, 0.5)
            self.second = divided(paper, middle, self.start, 0.5)
        else:
            down_line = paper.join(middle, self.corner, FREE, carving.piece)
            up_line = paper.join(self.start, self.end, FREE, carving.piece)
            centre = paper.cross(down_line, up_line)
            by_row, by_column = (
                toward_family(paper, centre, family, carving.points, carving.piece)
                for family in (carving.across, carving.down)
            )
            if not self.along_column:
                by_row, by_column = by_column, by_row
            self.first = paper.cross(by_row, paper.along(self.start, self.corner))
            self.second = paper.cross(by_column, paper.along(middle, self.start))
        one = paper.join(self.end, self.first, FREE, carving.piece)
        two = paper.join(self.corner, self.second, FREE, carving.piece)
        self.on = paper.cross(one, two)

    @property
    def marks(self) -> tuple[Mark, Mark, Mark, Mark]:
        return self.start, self.corner, self.end, self.on


def draw_curves(carving: Carving, lines: Lines) -> None:
    """The curves of the face, one or two in a step."""
    sides = list(carving.body.bends)
    many = 2 if carving.owner.run is None else 1
    for k in range(0, len(sides), many):
        carving.begin("the curves" if not k else "more curves")
        step = carving.paper.steps[-1]
        said = []
        for side in sides[k : k + many]:
            bay = Bay(carving, side, lines)
            curve = carving.paper.bend(*bay.marks, carving.piece)
            carving.bays[side], carving.curves[side] = bay, curve
            carving.paper.keep_arc(_arc(curve, bay.marks), carving.body)
            said.append(bay)
        full = " ".join(
            f"Halve {b.start.name} {b.corner.name}: {b.first.name}, and the side opposite: "
            f"{b.second.name}. The lines {b.end.name} {b.first.name} and {b.corner.name} "
            f"{b.second.name} cross in {b.on.name}. Sketch the curve from {b.start.name} through "
            f"{b.on.name} to {b.end.name}."
            for b in said
        )
        simple = " ".join(
            f"Find {b.on.name}: draw {b.end.name} {b.first.name} and {b.corner.name} "
            f"{b.second.name}. Sketch a curve: {b.start.name}, {b.on.name}, {b.end.name}."
            for b in said
        )
        step.instruction = carving.say(full, simple)
        step.check = "The curve begins and ends along the light lines, without a corner."


def mark_touches(carving: Carving) -> str:
    """The places where a ruler on the vanishing point touches the curves; what is said of them."""
    names = []
    for k, side in sorted(carving.body.touching.items()):
        if (k, k + carving.count) not in carving.body.shows:
            continue
        planned = carving.body.corners[k][0]
        marks = carving.paper.touch(carving.curves[side], carving.vp)
        carving.marks[k] = min(marks, key=lambda mark: distance(mark.at, planned))
        names.append(carving.marks[k].name)
    if not names:
        return ""
    return f"The ruler touches the curves at {listed(names)}. "


def far_curve(carving: Carving, side: Ends, far: Far) -> Curve:
    """The curve behind a curved side, through the marks behind its own."""
    if side not in carving.far_curves:
        bay, paper = carving.bays[side], carving.paper
        start, end = (carving.mark_behind(k, far) for k in side)
        corner = far.corner(bay, start, end)
        on = far.on_curve(bay, start, end, corner)
        carving.far_curves[side] = paper.bend(start, corner, end, on, carving.piece)
    return carving.far_curves[side]


def draw_far_curves(carving: Carving, far: Far) -> None:
    """What shows of the curves behind, one in a step."""
    done: set[Ends] = set()
    for ends, arcs in carving.body.far_arcs.items():
        side = carving.side_of(ends)
        first = not done
        if side not in done:
            carving.begin("the curves behind" if first else "more curves behind")
            done.add(side)
        step = carving.paper.steps[-1]
        curve = far_curve(carving, side, far)
        for arc in arcs:
            drawn = EllipseArc(curve.ellipse, arc.start, arc.stop)
            carving.paper.keep_arc(drawn, carving.body)
        bay = carving.bays[side]
        names = ", ".join(mark.name for mark in bay.marks)
        step.instruction = carving.say(
            f"The curve of {bay.start.name} and {bay.end.name} again behind it: carry {names} back "
            f"on lines to {carving.vp.name}, and sketch through them what can be seen.",
            f"Carry {names} back along lines to {carving.vp.name}. Sketch the curve through the "
            "new marks. Draw only what can be seen.",
        )
        step.check = "The curve behind looks like the one in front, only smaller."


def _arc(curve: Curve, marks: tuple[Mark, Mark, Mark, Mark]) -> EllipseArc:
    start, _, end, on = marks
    return EllipseArc.between(curve.ellipse, (start.at.xy, end.at.xy), on.at.xy)
