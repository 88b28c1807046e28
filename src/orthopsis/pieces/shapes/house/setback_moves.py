"""The moves of a setback: its foot by the diagonals of the roof, then the block on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.construction.moves import Act, Mark, strung
from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance
from orthopsis.perspective.vector import Vector, dot, minus, plus, times
from orthopsis.perspective.view import HORIZONTAL, eye_space, on_paper
from orthopsis.phrase import Length, say
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.corners import EDGES
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.shapes.house.built_on import BuiltOn
from orthopsis.pieces.shapes.house.cuts import cut_end, cut_mark
from orthopsis.pieces.shapes.house.form import block_families, of_corners, raised
from orthopsis.pieces.shapes.house.member import OnHouseMoves
from orthopsis.pieces.shapes.house.roofs import Flat
from orthopsis.pieces.shapes.house.setback import FOOT_UNDER, ONE_POINT, TWO_POINT, Setback


@dataclass(frozen=True)
class OnTop(BuiltOn):
    """Where a setback stands on its house."""

    setback: Setback

    @property
    def id(self) -> str:
        return self.setback.id

    @property
    def corners_of_top(self) -> tuple[int, int, int, int]:
        return ONE_POINT if self.house.walls.one_point else TWO_POINT

    @property
    def seen_from_below(self) -> bool:
        """Whether the roof that it stands on turns away, so that its house stands before it."""
        number = self.house.form.names.get("top")
        return number is not None and not self.house.faces_us(number)

    @property
    def ways(self) -> tuple[str, str]:
        """The families of the roof's edges at its near corner: to the first beside it, and on."""
        points = [vp.name for vp in self.house.stage.view.level_points]
        return (HORIZONTAL, points[0]) if len(points) == 1 else (points[0], points[1])

    def places(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        if not isinstance(self.house.roof, Flat):
            raise self.house.stage.refuse(
                f"parts.{self.setback.id}", say("refused-setback-no-flat-roof")
            )
        near, beside, other, _ = (house[k] for k in self.corners_of_top)
        edge, back = minus(beside, near), minus(other, near)
        share = deep = self.share(near, edge, by_ruler=by_ruler)
        if self.setback.across_mm is not None:
            deep = self.hangs(near, back, self.ways[1], self.setback.across_mm)

        def at(along: float, deep: float) -> Vector:
            return plus(near, plus(times(edge, along), times(back, deep)))

        far, back_end = 1.0 - share, 1.0 - deep
        feet = at(share, deep), at(far, deep), at(share, back_end), at(far, back_end)
        up = minus(raised(feet[0], of_corners(house), self.setback.height_mm), feet[0])
        places = [near] * 8
        for number, foot in zip(self.corners_of_top, feet, strict=True):
            places[number], places[FOOT_UNDER[number]] = plus(foot, up), foot
        return places

    def share(self, near: Vector, edge: Vector, *, by_ruler: bool) -> float:
        """Which share of the roof's edge it is set in; below nothing where it hangs over."""
        stage, path = self.house.stage, f"parts.{self.setback.id}"
        if self.setback.in_ is None:
            return self.hangs(near, edge, self.ways[0], self.setback.out_mm or 0.0)
        cut, field = self.setback.in_, f"{path}.in"
        end = cut_end(cut, near, edge, self.ways[0], stage, field, by_ruler=by_ruler)
        share = dot(minus(end, near), edge) / dot(edge, edge)
        if share >= 0.5:
            raise stage.refuse(field, say("refused-setback-too-far"))
        return share

    def hangs(self, near: Vector, edge: Vector, family: str, out_mm: float) -> float:
        """The share of an edge that is drawn on beyond the near corner; below nothing."""
        points = self.house.stage.view.level_points
        goal = next((one for one in points if one.name == family), None)
        if goal is None:
            return -out_mm * near[2] / abs(edge[0])
        # Drawn on by so much, the corner lies by that share of the way nearer to us.
        away = distance(Point(*on_paper(near)), goal.at)
        step = eye_space(goal.at, near[2] * out_mm / (away + out_mm))
        return -dot(step, edge) / dot(edge, edge)

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        moves = _Moves(self, site)
        moves.foot()
        moves.block(edges)
        return moves.marks


class _Moves(OnHouseMoves):
    def __init__(self, place: OnTop, site: Site) -> None:
        super().__init__(place.house, site)
        self.setback, self.ways, self.tops = place.setback, place.ways, place.corners_of_top
        self.marks = FrameMarks()

    def foot(self) -> None:
        """Where it stands on the roof, or hangs over it."""
        if self.setback.across_mm is None:
            self._foot_by_diagonals()
        else:
            self._foot_by_both_edges()

    def _foot_by_diagonals(self) -> None:
        """A cut on the roof's edge, carried round by the diagonals."""
        paper, part = self.paper, self.site.part
        hangs = self.setback.out_mm is not None
        step = self.site.begin("overhang-foot" if hangs else "setback-foot", Act.DETAILS)
        near, beside, other, across = (self.corner_of_house(k) for k in self.tops)
        through = paper.diagonal(near, across, part)
        crossing = paper.diagonal(beside, other, part)
        one, two = strung(near, across), strung(beside, other)
        step.say("overhang-diagonals" if hangs else "setback-diagonals", one=one, other=two)
        goal = self.site.points.get(self.ways[0])
        way = LEFT if beside.at.x < near.at.x else LEVEL
        edge = paper.along(near, beside)
        if self.setback.in_ is not None:
            mark = cut_mark(self.setback.in_, near, edge, goal, way, self.site, "inset")
        else:
            mark = self._beyond(beside, near, goal or way, self.setback.out_mm or 0.0)
        line = self.toward(mark, self.ways[1])
        first, right = paper.cross(line, through), paper.cross(line, crossing)
        left = paper.cross(self.toward(first, self.ways[0]), crossing)
        last = paper.cross(self.toward(left, self.ways[1]), through)
        for top, foot in zip(self.tops, (first, left, right, last), strict=True):
            self.marks[FOOT_UNDER[top]] = foot
        corners = strung(first, left, last, right)
        if hangs:
            step.say("overhang-foot", mark=mark, corners=corners)
        else:
            step.say("setback-foot", mark=mark, corners=corners)
        step.check("overhang-foot-check" if hangs else "setback-foot-check")

    def _foot_by_both_edges(self) -> None:
        """Both edges at the near corner are drawn on; lines from their ends through the middle of
        the roof reach as far beyond the edges across.
        """
        paper, part = self.paper, self.site.part
        step = self.site.begin("overhang-foot", Act.DETAILS)
        near, beside, other, across = (self.corner_of_house(k) for k in self.tops)
        through = paper.diagonal(near, across, part)
        middle = paper.cross(through, paper.diagonal(beside, other, part))
        one, two = strung(near, across), strung(beside, other)
        step.say("overhang-middle", one=one, other=two, middle=middle)
        lines = []
        for corner, family, far, out_mm in (
            (beside, self.ways[0], other, self.setback.out_mm or 0.0),
            (other, self.ways[1], beside, self.setback.across_mm or 0.0),
        ):
            mark, beyond = near, across
            if out_mm > 0.0:
                way = LEFT if corner.at.x < near.at.x else LEVEL
                mark = self._beyond(corner, near, self.site.points.get(family) or way, out_mm)
                beyond = paper.cross(paper.diagonal(mark, middle, part), paper.along(far, across))
                edge = strung(far, across)
                step.say("overhang-through", mark=mark, middle=middle, edge=edge, far=beyond)
            square = self.ways[1] if family == self.ways[0] else self.ways[0]
            lines.append((self.toward(mark, square), self.toward(beyond, square)))
        (first_edge, left_edge), (second_edge, right_edge) = lines
        first, left = paper.cross(first_edge, second_edge), paper.cross(left_edge, second_edge)
        right, last = paper.cross(first_edge, right_edge), paper.cross(left_edge, right_edge)
        for top, foot in zip(self.tops, (first, left, right, last), strict=True):
            self.marks[FOOT_UNDER[top]] = foot
        step.say("overhang-edges", corners=strung(first, left, last, right))
        step.check("overhang-edges-check")

    def _beyond(self, beside: Mark, near: Mark, way: Mark | Point, out_mm: float) -> Mark:
        """The roof's edge drawn on beyond its near corner."""
        step = self.paper.steps[-1]
        mark = self.paper.measure_along(near, way, -out_mm)
        step.say("overhang-beyond", edge=strung(beside, near), out=Length(out_mm), mark=mark)
        step.differs(inset=Length(out_mm))
        return mark

    def block(self, edges: Edges) -> None:
        """Uprights on the foot, the near one measured, and the top."""
        paper, marks, high_mm = self.paper, self.marks, self.setback.height_mm
        near, beside, other, across = self.tops
        hangs = self.setback.out_mm is not None
        step = self.site.begin("overhang-block" if hangs else "setback-block", Act.DETAILS)
        foot = marks[FOOT_UNDER[near]]
        marks[near] = self.above(foot, high_mm)
        for side, way in ((beside, self.ways[0]), (other, self.ways[1])):
            line = self.toward(marks[near], way)
            marks[side] = paper.cross(self.upright(marks[FOOT_UNDER[side]]), line)
        line = self.toward(marks[beside], self.ways[1])
        marks[across] = paper.cross(self.upright(marks[FOOT_UNDER[across]]), line)
        families = block_families(self.of_house.walls)
        for a, b in EDGES:
            edges.keep(marks, a, b, families[a, b])
        step.say("setback-block", foot=foot, high=Length(high_mm), top=marks[near])
        step.differs(height=Length(high_mm))
        step.check("overhang-block-check" if hangs else "setback-block-check")
        step.bulk = True
