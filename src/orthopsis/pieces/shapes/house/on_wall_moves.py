"""A block on a wall on its way onto paper: its corners, its place there, how far it stands out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthopsis.construction.moves import Act, Mark, Ruled, Said, strung
from orthopsis.perspective.plane import LEFT, LEVEL, distance
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.phrase import Choice, Length, Number, say
from orthopsis.pieces.base import Site, named
from orthopsis.pieces.placement.corners import EDGES
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.shapes.house.built_on import BuiltOn
from orthopsis.pieces.shapes.house.form import block_families
from orthopsis.pieces.shapes.house.member import OnHouseMoves
from orthopsis.pieces.shapes.house.on_wall import Rectangle, WallBlock
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM
from orthopsis.pieces.shapes.house.walls import AROUND, Wall

Four = tuple[Mark, Mark, Mark, Mark]
"""Near top and foot, far top and foot."""


class Numbers(NamedTuple):
    """The numbers of a block's corners: those that stand out, and those on the wall behind."""

    out: Rectangle[int]
    behind: Rectangle[int]


FROM_LEFT = Numbers(Rectangle(1, 2, 0, 3), Rectangle(5, 6, 4, 7))
FROM_RIGHT = Numbers(Rectangle(1, 2, 5, 6), Rectangle(0, 3, 4, 7))
FROM_FRONT = Numbers(Rectangle(0, 3, 1, 2), Rectangle(4, 7, 5, 6))
FROM_LEFT_SIDE = Numbers(Rectangle(0, 3, 4, 7), Rectangle(1, 2, 5, 6))
"""Those of a block on the left wall, the right wall, the front, and the left side of a front."""


@dataclass(frozen=True)
class OnWall(BuiltOn):
    """Where a block stands that is built on a wall of a house."""

    block: WallBlock

    @property
    def id(self) -> str:
        return self.block.id

    @cached_property
    def wall(self) -> Wall:
        """The wall that it is on. Raises ExerciseError."""
        walls, stage, field = self.house.walls, self.house.stage, f"parts.{self.block.id}.on"
        if self.block.on not in walls.by_name:
            raise stage.refuse(field, say("refused-no-such-wall"))
        wall = walls.by_name[self.block.on]
        if not self.house.faces_us(AROUND.index(wall.corners)):
            raise stage.refuse(field, say("refused-wall-unseen"))
        return wall

    @property
    def numbers(self) -> Numbers:
        if self.wall.near is None:
            return FROM_FRONT
        if self.wall.near == "left":
            return FROM_RIGHT
        return FROM_LEFT_SIDE if self.house.walls.one_point else FROM_LEFT

    def places(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        at = self.block.rectangle(self.house, house, self.wall, by_ruler=by_ruler)
        out = self.block.outward(self.house, self.wall, at.near_top)
        places, numbers = [at.near_top] * 8, self.numbers
        for k, place in enumerate(at):
            places[numbers.out[k]], places[numbers.behind[k]] = plus(place, out), place
        return places

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        moves = _Moves(self, site)
        moves.out(moves.place(), edges)
        return moves.marks


class _Moves(OnHouseMoves):
    def __init__(self, place: OnWall, site: Site) -> None:
        super().__init__(place.house, site)
        self.block, self.wall, self.numbers = place.block, place.wall, place.numbers
        self.marks = FrameMarks()

    def place(self) -> Four:
        """The rectangle on the wall."""
        paper, block = self.paper, self.block
        step = self.site.begin("block-place", Act.DETAILS, look=Choice(block.look))
        if block.front is not None:
            a, b, c, d = measured_front(paper, block.front)
            step.say("block-on-front", corner=a, **front_measures(paper, block.front))
            found = a, d, b, c
        else:
            found = self._on_receding()
        step.check("block-place-check")
        self.marks |= zip(self.numbers.behind, found, strict=True)
        return found

    def _on_receding(self) -> Four:
        paper, block, step = self.paper, self.block, self.paper.steps[-1]
        (top, foot), (_, far_foot) = (
            [self.corner_of_house(k) for k in ends]
            for ends in (self.wall.near_upright, self.wall.far_upright)
        )
        assert block.height_mm is not None
        guide = paper.along(foot, far_foot)
        goal = self.site.points[self.wall.family]
        inward = LEFT if far_foot.at.x < foot.at.x else LEVEL
        sides = []
        ends = self.wall.near_upright, self.wall.far_upright
        for cut, column, upright in zip(
            (block.from_, block.to), ("left", "right"), ends, strict=True
        ):
            if cut is None:
                sides.append(paper.along(*(self.corner_of_house(k) for k in upright)))
                continue
            mark, said = cut.build(self.site, foot, goal, guide, inward, (), "near-foot", column)
            step.says.append(said)
            sides.append(self.upright(mark))
        high_mm = block.up_mm + block.height_mm
        high = self._level(top, foot, high_mm)
        low = self._level(top, foot, block.up_mm)
        marked: dict[str, Said] = {
            "upright": strung(foot, top),
            "high": Length(high_mm),
            "vp": goal,
        }
        if block.level_with is not None:
            marked["panel"] = named(block.level_with)
            step.say("block-level", **marked)
        elif block.up_mm < ON_THE_EDGE_MM:
            step.say("block-height", **marked)
        else:
            step.say("block-heights", low=Length(block.up_mm), **marked)
        marked_off = sum(cut is not None for cut in (block.from_, block.to))
        if marked_off:
            step.say("block-uprights", count=Number(marked_off))
        near, far = sides
        near_top, near_foot, far_top, far_foot = (
            paper.cross(a, b) for a in (near, far) for b in (high, low)
        )
        step.say("block-corner", mark=near_top)
        return near_top, near_foot, far_top, far_foot

    def _level(self, top: Mark, foot: Mark, mm: float) -> Ruled:
        paper = self.paper
        if mm < ON_THE_EDGE_MM:
            return paper.along(foot, self.corner_of_house(self.wall.far_upright[1]))
        if abs(mm - distance(top.at, foot.at)) < ON_THE_EDGE_MM:
            return paper.along(top, self.corner_of_house(self.wall.far_upright[0]))
        return self.toward(paper.measure_along(foot, top, mm), self.wall.family)

    def out(self, behind: Four, edges: Edges) -> None:
        """The near upper corner out toward us, then all that follows from it."""
        paper, block = self.paper, self.block
        goal = self.site.points.get(self.of_house.walls.across(self.wall))
        step = self.site.begin("block-out", Act.DETAILS, look=Choice(block.look))
        start = behind[0]
        if goal is None:
            way = LEFT if self.wall.name == "left" else LEVEL
            first = paper.measure_along(start, way, block.out_mm)
            step.say("block-out-level", start=start, out=Length(block.out_mm), mark=first)
            lines = [paper.level(mark) for mark in behind]
        else:
            first = paper.measure_along(start, goal, -block.out_mm)
            step.say("block-out", start=start, vp=goal, out=Length(block.out_mm), mark=first)
            lines = [paper.lay(mark, goal) for mark in behind]
        near_foot = paper.cross(self.upright(first), lines[1])
        # Lines on the eye level are one: what lies on it is found from the other end.
        level_mm = self.site.stage.view.eye_level_mm
        if abs(first.at.y - level_mm) >= abs(near_foot.at.y - level_mm):
            far_top = paper.cross(self._along(first), lines[2])
            far_foot = paper.cross(self.upright(far_top), lines[3])
        else:
            far_foot = paper.cross(self._along(near_foot), lines[3])
            far_top = paper.cross(self.upright(far_foot), lines[2])
        self.marks |= zip(self.numbers.out, (first, near_foot, far_top, far_foot), strict=True)
        families = block_families(self.of_house.walls)
        for a, b in EDGES:
            edges.keep(self.marks, a, b, families[a, b])
        step.say("block-front", mark=first)
        if block.front is None and block.from_ is None:
            step.say("block-flush")
        step.differs(width=Length(block.out_mm))
        step.check("block-out-check")
        step.bulk = True

    def _along(self, start: Mark) -> Ruled:
        if self.wall.family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.lay(start, self.site.points[self.wall.family])
