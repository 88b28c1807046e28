"""A thing cut from a block as what casts shadows."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.moves import Mark
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import dot, loop_normal, times
from orthopsis.phrase import Choice
from orthopsis.pieces.base import Site
from orthopsis.pieces.casting import CastEdge, CastFace, CastForm, Casting
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.shapes.made.cells import DOWN, CellFace, Knot
from orthopsis.pieces.shapes.made.construct import ENDS, ENDS_ON_FRONT, know, mark_depth
from orthopsis.pieces.shapes.made.knots import KnotMarks, Knots
from orthopsis.pieces.shapes.made.made_site import MadeSite
from orthopsis.pieces.shapes.made.model import Made


@dataclass(frozen=True, eq=False)
class MadeCasting(Casting):
    """Its corners are the knots of its cells in their order."""

    made: Made

    @cached_property
    def form(self) -> CastForm:
        made, ways = self.made, self.made.on_paper
        knots = made.cells.knots
        number = {knot: k for k, knot in enumerate(knots)}
        corners = [ways.at(knot, made.shares) for knot in knots]

        def face(one: CellFace) -> CastFace:
            loops = tuple(tuple(number[knot] for knot in loop) for loop in one.loops)
            normal, way = loop_normal([corners[k] for k in loops[0]]), ways.along[one.way]
            outward = (dot(normal, way) > 0.0) == one.along
            return CastFace(loops, normal if outward else times(normal, -1.0))

        edges = [
            CastEdge(number[one.start], number[one.end], made.families[one.way], one.faces)
            for one in made.cells.edges
        ]
        across, _, away = made.parting.first
        _, foot, depth = ways.at((across, made.parting.last[DOWN], away), made.shares)
        level_mm = made.stage.view.eye_level_mm
        faces = [face(one) for one in made.cells.faces]
        return CastForm(corners, faces, edges, level_mm, foot - level_mm * depth)

    def finder(self, site: Site, handed: Mapping[Part, object]) -> KnotFinder:
        """By the marks of the thing, or from those of its block where it handed over no more."""
        frame = handed[self.part]
        assert isinstance(frame, FrameMarks)
        if isinstance(frame, KnotMarks):
            return KnotFinder(frame.knots)
        knots, place = Knots(self.made, site), self.made.place
        work = MadeSite(self.made, site, knots, Choice("box"))
        if not isinstance(place, OnFront):
            know(work, frame, ENDS)
            return KnotFinder(knots)
        know(work, frame, ENDS_ON_FRONT)
        if not any(number > 3 for number in frame):
            # Nothing behind its front shows: how far back it goes is marked only now.
            knots.corner = ENDS_ON_FRONT[place.depth_corner(site.stage.view.level_points[0].at)]
            mark_depth(work, place, frame)
        return KnotFinder(knots)


class KnotFinder:
    """Marks by the numbers of the knots."""

    def __init__(self, knots: Knots) -> None:
        self.knots = knots
        self._order: list[Knot] = knots.made.cells.knots

    def corner(self, number: int) -> Mark:
        return self.knots.find(self._order[number])

    def foot(self, number: int) -> Mark:
        across, _, away = self._order[number]
        return self.knots.find((across, self.knots.made.parting.last[DOWN], away))
