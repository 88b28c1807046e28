"""The shadow of a thing by ruler: a tip for each corner that casts one.

Only what parts the lit side from the dark one bounds a shadow. The foot of each such corner is
found on the floor straight below it; the line from there to the light's foot and the one from the
corner to the light cross in the tip.
"""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import NamedTuple

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.area import Area
from orthopsis.perspective.light import (
    AT_FOOT_MM,
    BESIDE_MM,
    LightOnPaper,
    Tip,
    in_line,
    tip_on,
)
from orthopsis.perspective.plane import LEVEL, Line, Point, distance_point_line, join
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, dot, minus, plus, times
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL
from orthopsis.pieces.casting import CastEdge, CastForm, Casting, Finder, straight_below

OFF_SHEET_MM = 1e4
"""A shadow that runs on so far has left every sheet."""

Upright = tuple[Vector, Vector]
"""A place over the floor, and its foot."""


class Surface(NamedTuple):
    """What receives a shadow, on paper: `along` are the families of lines that run along it, and of
    a wall `foot` is the line in which it meets the floor.
    """

    level_mm: float
    light: LightOnPaper
    along: tuple[str, ...]
    foot: Line | None = None
    below: float | None = None
    """Of a floor on which a thing does not stand itself: how far below the eye level that lies, by
    a nearness of 1.
    """

    def foot_of(self, place: Vector, own: Vector) -> Vector:
        """The place on the floor straight below one, where that is not its `own` foot."""
        if self.below is None:
            return own
        return straight_below(place, self.level_mm, self.below)


@dataclass(frozen=True, eq=False)
class Shadow:
    """What a thing casts, wherever that falls."""

    thing: Casting
    light: LightOnPaper
    toward: Vector
    """The way to the light, or the place of a lamp, as places that can be parted evenly."""
    lamp: bool = False

    @property
    def part(self) -> Part:
        return self.thing.part

    @cached_property
    def form(self) -> CastForm:
        return self.thing.form

    @cached_property
    def lit(self) -> list[bool]:
        """Which faces the light falls on."""
        found = []
        for face in self.form.faces:
            first = self.form.corners[face.loops[0][0]]
            way_there = minus(self.toward, first) if self.lamp else self.toward
            found.append(dot(face.outward, way_there) > 0.0)
        return found

    @cached_property
    def edges(self) -> list[CastEdge]:
        """What parts the lit side from the dark one."""
        return [
            edge for edge in self.form.edges
            if self.lit[edge.faces[0]] != self.lit[edge.faces[1]]
        ]  # fmt: skip

    def stands_on(self, edge: CastEdge) -> bool:
        """Whether an edge lies where the thing itself stands."""
        return {edge.start, edge.end} <= self.form.on_floor

    def upright(self, number: int, on: Surface) -> Upright:
        """A corner and its foot, as places that can be parted evenly."""
        place = self.form.corners[number]
        return place, on.foot_of(place, self.form.feet[number])

    # --- the moves ---------------------------------------------------------------------------

    def draw_tips(self, work: ShadowWork, wanted: Collection[int]) -> dict[int, Mark]:
        """The tips on the floor of the corners that are `wanted`."""
        found = dict[int, Mark]()
        for number in sorted(wanted):
            top, low = work.finder.corner(number), work.low(number)
            if top is low:
                found[number] = top
                continue
            found[number] = mark = work.tip(top, low)
            for start in (low, top):
                work.paper.light(start.at, mark.at, FREE, None)
        return found

    def draw_turns(
        self, work: ShadowWork, wall_foot: Ruled, wanted: Collection[int]
    ) -> dict[int, Mark]:
        """The tips on a wall: the line along the floor turns upright where it meets the wall."""
        found, paper = dict[int, Mark](), work.paper
        for number in sorted(wanted):
            top, low = work.finder.corner(number), work.low(number)
            turn = paper.cross(work.ground(low), wall_foot)
            paper.light(low.at, turn.at, FREE, None)
            if top is low:
                found[number] = turn
                continue
            found[number] = mark = work.tip_on(wall_foot, turn, top, low)
            paper.light(turn.at, mark.at, VERTICAL, None)
            paper.light(top.at, mark.at, FREE, None)
        return found

    def work(self, paper: Paper, finder: Finder, light: tuple[Mark, Mark] | None) -> ShadowWork:
        """Its marks at hand; without a `light` and its foot it comes from the side."""
        aside = Ruled("", join(ORIGIN, self.light.at), FREE, Mark("", ORIGIN))
        return ShadowWork(paper, finder, light, aside, self.form.level_mm)


@dataclass(frozen=True, eq=False)
class ShadowOn:
    """What a thing casts on one surface."""

    cast: Shadow
    on: Surface

    def _tip(self, upright: Upright) -> Tip:
        top, foot = (Point(x / depth, y / depth) for x, y, depth in upright)
        on = self.on
        if on.foot is None and top == foot:
            return Tip(top, None, reached=True)
        return tip_on(top, foot, on.light, on.foot, on.level_mm)

    def _lies_in(self, edge: CastEdge) -> bool:
        """Whether it lies on the floor, or along the wall."""
        if self.on.foot is None:
            return self.on.below is None and self.cast.stands_on(edge)
        feet = (self.cast.upright(k, self.on)[1] for k in (edge.start, edge.end))
        return all(
            distance_point_line(Point(x / n, y / n), self.on.foot) < AT_FOOT_MM for x, y, n in feet
        )

    def tip(self, number: int) -> Tip:
        """Where the shadow of a corner lies."""
        return self._tip(self.cast.upright(number, self.on))

    @cached_property
    def lines(self) -> list[tuple[CastEdge, tuple[Point, Point]]]:
        """What bounds the shadow, as far as it is reached."""
        found = []
        for edge in self.cast.edges:
            ends = [self.cast.upright(k, self.on) for k in (edge.start, edge.end)]
            reached = [] if self._lies_in(edge) else self._reached(ends, closed=False)
            if len(reached) == 2:
                start, end = reached
                found.append((edge, (start, end)))
        return found

    @cached_property
    def areas(self) -> list[Area]:
        """What the shadow covers on paper, face by face."""
        found = []
        for face, shone in zip(self.cast.form.faces, self.cast.lit, strict=True):
            if shone:
                loops = [
                    self._reached([self.cast.upright(k, self.on) for k in loop])
                    for loop in face.loops
                ]
                found.append(Area(tuple(tuple(p.xy for p in loop) for loop in loops if loop)))
        return [area for area in found if area.loops]

    def family(self, edge: CastEdge) -> str:
        """Lines along the surface keep their family; others are cast along the light."""
        if edge.family in self.on.along:
            return edge.family
        upright = edge.family == VERTICAL and self.on.foot is None
        return HORIZONTAL if upright and self.on.light.aside else FREE

    def _reached(self, places: Sequence[Upright], *, closed: bool = True) -> list[Point]:
        """The tips of what of a line, or of a loop, is reached."""
        tips = [self._tip(place) for place in places]
        found = []
        for k, here in enumerate(tips):
            if here.reached:
                found.append(here.at)
            after = (k + 1) % len(tips)
            if (k + 1 < len(tips) or closed) and here.reached != tips[after].reached:
                one, other = (k, after) if here.reached else (after, k)
                found.append(self._last_reached(places[one], places[other]))
        return found

    def _last_reached(self, reached: Upright, other: Upright) -> Point:
        """How far the shadow of a line goes of which one end casts none here; by halves."""
        for _ in range(40):
            (a, b), (c, d) = reached, other
            middle = times(plus(a, c), 0.5), times(plus(b, d), 0.5)
            tip = self._tip(middle)
            if tip.reached:
                reached = middle
                if max(map(abs, tip.at.xy)) > OFF_SHEET_MM:
                    break
            else:
                other = middle
        return self._tip(reached).at


@dataclass(frozen=True)
class ShadowWork:
    """A thing's marks, and the rulers that lead to the light and to its foot."""

    paper: Paper
    finder: Finder
    light: tuple[Mark, Mark] | None
    aside: Ruled
    level_mm: float
    lows: dict[str, Mark] = field(default_factory=dict)
    """The places on the floor under the feet of what does not stand there, by the feet's names."""

    def tip(self, top: Mark, low: Mark) -> Mark:
        """Where the shadow of an upright ends on the floor."""
        paper = self.paper
        if not self._in_line(top):
            return paper.cross(self.ground(low), self.ray(top))
        beside = [paper.measure_along(mark, LEVEL, BESIDE_MM) for mark in (low, top)]
        level = paper.level(paper.cross(self.ground(beside[0]), self.ray(beside[1])))
        return paper.cross(level, self.ground(low))

    def tip_on(self, wall_foot: Ruled, turn: Mark, top: Mark, low: Mark) -> Mark:
        """Where it ends on a wall that it meets at `turn`."""
        paper = self.paper
        if not self._in_line(top):
            return paper.cross(paper.upright(turn), self.ray(top))
        # By another that stands nearer to the wall's point: what is level leads there.
        level = paper.beside_all(Point(0.0, self.level_mm), HORIZONTAL)
        if abs(wall_foot.line.a) < abs(wall_foot.line.b) * 1e-9:
            lines = [paper.level(mark) for mark in (low, top)]
            goal = None
        else:
            goal = paper.cross(wall_foot, level)
            lines = [paper.lay(mark, goal) for mark in (low, top)]
        upright = paper.upright(paper.measure_along(low, LEVEL, BESIDE_MM))
        beside = [paper.cross(upright, line) for line in lines]
        there = paper.cross(self.ground(beside[0]), wall_foot)
        end = paper.cross(paper.upright(there), self.ray(beside[1]))
        back = paper.lay(end, goal) if goal else paper.level(end)
        return paper.cross(back, paper.upright(turn))

    def _in_line(self, top: Mark) -> bool:
        if self.light is None:
            return False
        return in_line(top.at, LightOnPaper(self.light[0].at, self.light[1].at))

    def low(self, number: int) -> Mark:
        """The place on the floor under a corner."""
        foot = self.finder.foot(number)
        return self.lows.get(foot.name, foot)

    def ray(self, top: Mark) -> Ruled:
        """From the top of an upright to the light."""
        return (
            self.paper.lay(top, self.light[0]) if self.light else self.paper.slide(top, self.aside)
        )

    def ground(self, low: Mark) -> Ruled:
        """From its foot, along the floor."""
        return self.paper.lay(low, self.light[1]) if self.light else self.paper.level(low)


ORIGIN = Point(0.0, 0.0)
