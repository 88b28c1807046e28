"""A house, and what is built on one, as what casts shadows."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.line_figure import LineFigure, Place
from orthopsis.construction.moves import Mark
from orthopsis.perspective.stroke import Part
from orthopsis.pieces.base import Site
from orthopsis.pieces.casting import CastForm, Casting
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.member import Member
from orthopsis.pieces.shapes.house.plan import (
    lines_of_house,
    lines_of_member,
    plan_of_house,
    plan_of_member,
)
from orthopsis.pieces.shapes.shadow.plan import Plan, PlanFinder


@dataclass(frozen=True, eq=False)
class HouseCasting(Casting):
    """By the plan of the house on the ground."""

    thing: House | Member

    @cached_property
    def plan(self) -> Plan:
        thing = self.thing
        return plan_of_house(thing) if isinstance(thing, House) else plan_of_member(thing)

    @property
    def form(self) -> CastForm:
        return self.plan.form

    @property
    def plans(self) -> bool:
        return True

    def finder(self, site: Site, handed: Mapping[Part, object]) -> PlanFinder:
        thing = self.thing
        lines = lines_of_house(thing) if isinstance(thing, House) else lines_of_member(thing)
        marks: dict[Place, Mark] = {
            (part, number): mark
            for part, frame in handed.items()
            if part.piece == self.part.piece and isinstance(frame, FrameMarks)
            for number, mark in frame.items()
            if number >= 0
        }
        return PlanFinder(self.plan, LineFigure(site.paper, lines, site.points, marks))
