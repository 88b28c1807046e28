"""A swept profile with straight sides as what casts shadows."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.line_figure import FigureLine, LineFigure, Place
from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, dot, loop_normal, minus, times
from orthopsis.perspective.view import level_families
from orthopsis.phrase import Value
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.casting import CastEdge, CastFace, CastForm, Casting
from orthopsis.pieces.shapes.extrusion.model import Extrusion
from orthopsis.pieces.shapes.extrusion.profile import Profile
from orthopsis.pieces.shapes.extrusion.profile_site import Extruded
from orthopsis.pieces.shapes.shadow.plan import Pair, Plan, PlanFinder

BASE = 3
"""A corner of every block's foot."""


def casting_of(
    owner: Extrusion, profile: Profile, body: Body, name: Value, stage: Stage
) -> ExtrudedCasting | None:
    """A profile as what casts shadows; none that has curves. Raises ExerciseError."""
    if profile.bends:
        return None
    return ExtrudedCasting(body.part, name, owner, profile, body, stage)


@dataclass(frozen=True, eq=False)
class ExtrudedCasting(Casting):
    """Its corners are those of its face, and then those behind them."""

    owner: Extrusion
    profile: Profile
    body: Body
    stage: Stage

    @property
    def plans(self) -> bool:
        return True

    @cached_property
    def families(self) -> dict[Pair, str]:
        """Of all edges, by their ends."""
        back = self.owner.families(self.stage)[2]
        found: dict[Pair, str] = {}
        for a, b in self.profile.sides:
            family = self.owner.side_family(self.profile, (a, b), self.stage)
            found[min(a, b), max(a, b)] = found[min(a, b) + self._n, max(a, b) + self._n] = family
        return found | {(k, k + self._n): back.name for k in range(self._n)}

    @property
    def _n(self) -> int:
        return len(self.body.corners) // 2

    @cached_property
    def form(self) -> CastForm:
        corners = [(x / n, y / n, 1.0 / n) for (x, y, _), n in self.body.corners]
        n, sweep = self._n, minus(corners[self._n], corners[0])
        loops, first = list[tuple[int, ...]](), 0
        for named in self.profile.loops:
            loops.append(tuple(range(first, first + len(named))))
            first += len(named)
        front = loop_normal([corners[k] for k in loops[0]])
        turned = dot(front, sweep) > 0.0
        outward = times(front, -1.0) if turned else front
        back = tuple(tuple(n + k for k in loop) for loop in loops)
        faces = [CastFace(tuple(loops), outward), CastFace(back, times(outward, -1.0))]
        edges: list[CastEdge] = []
        for loop in loops:
            first_side = len(faces)
            for i, a in enumerate(loop):
                b = loop[(i + 1) % len(loop)]
                side, before = first_side + i, first_side + (i - 1) % len(loop)
                around = (a, b, b + n, a + n) if turned else (b, a, a + n, b + n)
                faces.append(_side(corners, around))
                family = self.families[min(a, b), max(a, b)]
                edges.append(CastEdge(a, b, family, (0, side)))
                edges.append(CastEdge(a + n, b + n, family, (1, side)))
                edges.append(CastEdge(a, a + n, self.families[a, a + n], (before, side)))
        block = self.owner.block_body(self.stage).corners[BASE]
        (_, y, _), near = block
        level_mm = self.stage.view.eye_level_mm
        return CastForm(corners, faces, edges, level_mm, (y - level_mm) / near)

    @cached_property
    def plan(self) -> Plan:
        return Plan(self.part, self.form, self.families)

    def finder(self, site: Site, handed: Mapping[Part, object]) -> PlanFinder:
        own = handed[self.part]
        marks: dict[Place, Mark] = {}
        if isinstance(own, Extruded):
            marks = {self.plan.corner(k): mark for k, mark in own.marks.items()}
        figure = LineFigure(site.paper, self._lines(), site.points, marks)
        return PlanFinder(self.plan, figure)

    def _lines(self) -> Iterator[FigureLine]:
        """The edges and what is below them; the foot of the face is one line, and so is that
        behind.
        """
        yield from self.plan.lines(level_families(self.stage.view))
        across, _, back = self.owner.families(self.stage)
        n = self._n
        for numbers in (range(n), range(n, 2 * n)):
            feet = dict.fromkeys(self.plan.foot(k) for k in numbers)
            yield FigureLine(tuple(feet), across)
        for k in range(n):
            yield FigureLine((self.plan.foot(k), self.plan.foot(k + n)), back.name)


def _side(corners: list[Vector], around: tuple[int, int, int, int]) -> CastFace:
    return CastFace((around,), loop_normal([corners[k] for k in around]))
