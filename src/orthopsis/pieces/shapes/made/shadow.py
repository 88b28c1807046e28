"""The shadow of something cut from a block, by ruler: a tip for each corner that casts one.

Only what parts the lit side from the dark one bounds a shadow. The foot of each such corner is
found on the floor straight below it; the line from there to the light's foot and the one from the
corner to the light cross in the tip.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.perspective.area import Area
from orthopsis.perspective.light import LightOnPaper, tip
from orthopsis.perspective.plane import Point, join
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, dot, loop_normal, minus, times
from orthopsis.perspective.view import FREE, HORIZONTAL
from orthopsis.phrase import Choice
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.shapes.made.cells import DOWN, CellEdge, Knot
from orthopsis.pieces.shapes.made.construct import ENDS, ENDS_ON_FRONT, know, mark_depth
from orthopsis.pieces.shapes.made.knots import KnotMarks, Knots
from orthopsis.pieces.shapes.made.made_site import MadeSite
from orthopsis.pieces.shapes.made.model import Made


@dataclass(frozen=True, eq=False)
class CellShadow:
    """What a made thing casts on the floor that it stands on."""

    made: Made
    light: LightOnPaper
    toward: Vector
    """The way to the light, or the place of a lamp, as places that can be parted evenly."""
    lamp: bool = False

    @property
    def part(self) -> Part:
        return self.made.part

    @cached_property
    def places(self) -> Mapping[Knot, Vector]:
        made = self.made
        return {knot: made.on_paper.at(knot, made.shares) for knot in made.cells.knots}

    @cached_property
    def lit(self) -> list[bool]:
        """Which faces the light falls on."""
        found = []
        for face in self.made.cells.faces:
            corners = [self.places[knot] for knot in face.loops[0]]
            way = self.made.on_paper.along[face.way]
            outward = loop_normal(corners)
            if (dot(outward, way) > 0.0) != face.along:
                outward = times(outward, -1.0)
            way_there = minus(self.toward, corners[0]) if self.lamp else self.toward
            found.append(dot(outward, way_there) > 0.0)
        return found

    @cached_property
    def edges(self) -> list[CellEdge]:
        """What parts the lit side from the dark one, and does not lie on the floor."""
        low = self.made.parting.last[DOWN]
        return [
            edge for edge in self.made.cells.edges
            if self.lit[edge.faces[0]] != self.lit[edge.faces[1]]
            and not edge.start[DOWN] == edge.end[DOWN] == low
        ]  # fmt: skip

    def foot(self, knot: Knot) -> Knot:
        return knot[0], self.made.parting.last[DOWN], knot[2]

    def tip(self, knot: Knot) -> Point:
        """Where the shadow of a corner lies on paper."""
        if knot == self.foot(knot):
            return self.made.near_place(knot)[0]
        top, foot = (self.made.near_place(one)[0] for one in (knot, self.foot(knot)))
        return tip(top, foot, self.light)

    @cached_property
    def areas(self) -> list[Area]:
        """What the shadow covers on paper, face by face."""
        return [
            Area(tuple(tuple(self.tip(knot).xy for knot in loop) for loop in face.loops))
            for face, shone in zip(self.made.cells.faces, self.lit, strict=True)
            if shone
        ]

    def family(self, edge: CellEdge) -> str:
        """Level lines keep their family; uprights cast along the light."""
        if edge.way != DOWN:
            return self.made.families[edge.way]
        return HORIZONTAL if self.light.aside else FREE

    # --- the moves ---------------------------------------------------------------------------

    def draw_tips(
        self, site: Site, handed: FrameMarks, light: tuple[Mark, Mark] | None
    ) -> dict[Knot, Mark]:
        """The tips of all corners that cast one; without a `light` and its foot, from the side."""
        paper, found = site.paper, dict[Knot, Mark]()
        knots = self._knots(site, handed)
        aside = Ruled("", join(ORIGIN, self.light.at), FREE, Mark("", ORIGIN))
        for knot in sorted({k for edge in self.edges for k in (edge.start, edge.end)}):
            top, below = knots.find(knot), self.foot(knot)
            if below == knot:
                found[knot] = top
                continue
            low = knots.find(below)
            if light is None:
                ray, ground = paper.slide(top, aside), paper.level(low)
            else:
                at, foot = light
                ray, ground = paper.lay(top, at), paper.lay(low, foot)
            found[knot] = mark = paper.cross(ground, ray)
            for start in (low, top):
                paper.light(start.at, mark.at, FREE, None)
        return found

    def _knots(self, site: Site, handed: FrameMarks) -> Knots:
        """The marks of the thing, from those of its block where it handed over no more."""
        if isinstance(handed, KnotMarks):
            return handed.knots
        knots, place = Knots(self.made, site), self.made.place
        work = MadeSite(self.made, site, knots, Choice("box"))
        if not isinstance(place, OnFront):
            know(work, handed, ENDS)
            return knots
        know(work, handed, ENDS_ON_FRONT)
        if not any(number > 3 for number in handed):
            # Nothing behind its front shows: how far back it goes is marked only now.
            knots.corner = ENDS_ON_FRONT[place.depth_corner(site.stage.view.level_points[0].at)]
            mark_depth(work, place, handed)
        return knots


ORIGIN = Point(0.0, 0.0)
