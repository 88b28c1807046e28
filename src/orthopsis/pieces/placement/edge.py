"""On an edge: the front upright, and a side to each of two vanishing points."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Any, ClassVar

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import NearPlace
from orthopsis.perspective.plane import LEFT, LEVEL, Point, join, meet, toward
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import View, eye_space, on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Grip, PointAcross, Site, Stage
from orthopsis.pieces.placement.anchor import FrontEdge, check_edge
from orthopsis.pieces.placement.depth import (
    CornerName,
    Cut,
    check_cut,
    check_share,
    share_on_paper,
)
from orthopsis.pieces.placement.edge_moves import draw_block
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.placement.placement import BlockPlacement, Frame, Placement
from orthopsis.pieces.placement.room import room_surface
from orthopsis.pieces.roles import Editor, FieldRole

FAR_MM = 1e4
"""Further than any sheet: the end of a line that may be drawn on."""
BESIDE_MM, ROUND_MM = 60.0, 5.0
ENDS: tuple[CornerName, CornerName] = ("top", "bottom")


def beside(view: View) -> float:
    """Where a point for a turned piece is tried first, in round measures."""
    return round((view.level_points[0].at.x + BESIDE_MM) / ROUND_MM) * ROUND_MM


class OnEdge(BlockPlacement):
    """The front `edge`, and how far the `left` and the `right` side go back.

    `turned_vp_mm` turns the piece about the vertical: where one of its own two vanishing points
    lies on the eye level. The other follows from the right angle.
    """

    form: ClassVar = "edge"
    tells: ClassVar = "edge"
    systems: ClassVar = (2, 3)
    sized: ClassVar = ("", "edge.bottom_mm")
    surfaces: ClassVar = ("ceiling", "left", "right")
    touches: ClassVar = {"ceiling": 1, "left": 0, "right": 5}

    edge: FrontEdge
    left: Annotated[Cut, FieldRole.DEPTH]
    right: Annotated[Cut, FieldRole.DEPTH]
    turned_vp_mm: Annotated[PointAcross | None, Editor.SWITCH] = None

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnEdge:
        edge = FrontEdge.first(at, size_mm, points)
        return cls(edge=edge, left=Cut(fraction=0.3), right=Cut(fraction=0.3))

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> Placement:
        """Below a ceiling that was pointed at it hangs from there."""
        found = super().first_beside(at, size_mm, view, earlier)
        if isinstance(found, OnEdge) and room_surface(earlier, at, view) == "ceiling":
            edge = FrontEdge.first(Point(at.x, at.y + size_mm), size_mm, len(view.vanishing_points))
            found = found.model_copy(update={"edge": edge})
        return found

    def first_value(self, field: str, stage: Stage) -> Any:
        """A turned block begins with a point a little beside the one that its left runs to."""
        if field != "turned_vp_mm":
            return super().first_value(field, stage)
        return beside(stage.view)

    @property
    def anchor(self) -> Point:
        return self.edge.upper

    @property
    def turned(self) -> bool:
        return self.turned_vp_mm is not None

    def seen(self, view: View, name: str) -> View:
        return view if self.turned_vp_mm is None else view.turned(name, self.turned_vp_mm)

    # --- for the picture ---------------------------------------------------------------------

    def frame(self, stage: Stage, places: object = None) -> Frame:
        del places
        self._check(stage)
        view, depths = stage.view, self._depths(stage)
        ends = self.edge.ends(view.uprights.at)
        reach = {}
        for side, vp in zip(("left", "right"), view.level_points, strict=True):
            cut, end = self.cut(side), self.cut_end(side, view)
            share = cut.share_by_projection(ends[end], vp.at, view)
            check_share(share, (ends[end], vp.at), cut, stage, side)
            reach[side] = eye_space(vp.at, depths[end] * share / (1.0 - share))
        top, bottom = (eye_space(end, depth) for end, depth in zip(ends, depths, strict=True))
        near = [plus(top, reach["left"]), top, bottom, plus(bottom, reach["left"])]
        to_left, to_right = (vp.name for vp in view.level_points)
        sides = [to_left, view.uprights.name, to_left, view.uprights.name]
        return Frame(near, sides, reach["right"], to_right)

    # --- for the construction ----------------------------------------------------------------

    def corners(self, stage: Stage, places: object = None) -> tuple[NearPlace, ...]:
        del places
        self._check(stage)
        view, third = stage.view, stage.view.uprights.at
        vps = [vp.at for vp in view.level_points]
        ends = self.edge.ends(third)
        sides = []
        for side, vp, other_vp in zip(("left", "right"), vps, reversed(vps), strict=True):
            cut, end = self.cut(side), self.cut_end(side, view)
            place = cut.place_on_paper(ends[end], vp, view, sideways(vp, other_vp))
            check_share(share_on_paper(ends[end], vp, place), (ends[end], vp), cut, stage, side)
            other = meet(join(place, third), join(ends[1 - end], vp))
            sides.append((place, other) if end == 0 else (other, place))
        left, right = sides
        # Opposite corner to opposite vanishing point, at the end further from the eye level,
        # where the two lines cross at the better angle; the other back corner stands in line
        # with it and the uprights' point.
        best = max((0, 1), key=lambda k: abs(ends[k].y - view.eye_level_mm))
        crossing = meet(join(left[best], vps[1]), join(right[best], vps[0]))
        back_other = meet(join(crossing, third), join(left[1 - best], vps[1]))
        back = (crossing, back_other) if best == 0 else (back_other, crossing)
        if any(corner.at_infinity for corner in back):
            # A side that ends just under the other point: its back runs on for ever.
            raise stage.refuse("left", say("refused-back-never-meets"))
        upper, lower = self._depths(stage)
        nearness = 1.0 / upper, 1.0 / lower
        # On one level, nearness goes with the distance from the eye level; on an upright it
        # falls evenly toward the uprights' point.
        per_mm = nearness[best] / (ends[best].y - view.eye_level_mm)

        def with_nearness(pair: tuple[Point, Point]) -> tuple[NearPlace, NearPlace]:
            near = per_mm * (pair[best].y - view.eye_level_mm)
            rest = near * (1.0 - _share_toward(pair[best], third, pair[1 - best]))
            found = (pair[best], near), (pair[1 - best], rest)
            return found if best == 0 else found[::-1]

        (left_top, left_foot), (right_top, right_foot) = map(with_nearness, (left, right))
        back_top, back_foot = with_nearness(back)
        front_top, front_foot = zip(ends, nearness, strict=True)
        return (
            left_top, front_top, front_foot, left_foot,
            back_top, right_top, right_foot, back_foot,
        )  # fmt: skip

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        return draw_block(self, site, edges)

    # --- what both sides read from the document ----------------------------------------------

    def grips(self, stage: Stage) -> list[Grip]:
        vps = [vp.at for vp in stage.view.level_points]
        grips, ends = [], self.edge.ends(stage.view.uprights.at)
        for side, vp, other_vp in zip(("left", "right"), vps, reversed(vps), strict=True):
            start = ends[self.cut_end(side, stage.view)]
            place = self.cut(side).place_on_paper(start, vp, stage.view, sideways(vp, other_vp))
            grips.append(Grip(side, self.cut(side).way, start, vp, place))
        if not self.edge.upright:
            upper, lower = ends
            grips.append(Grip("edge", "length_mm", upper, toward(upper, lower, FAR_MM), lower))
        return grips

    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        depths = self._depths(stage)

        def there(place: Vector) -> Point:
            return Point(*on_paper(stage.view.place_seen_by(view, place)))

        ends = self.edge.ends(stage.view.uprights.at)
        top, bottom = (eye_space(end, depth) for end, depth in zip(ends, depths, strict=True))
        grown = depths[0] / stage.view.place_seen_by(view, top)[2]
        changed: dict[str, Any] = {"edge": self.edge.again(there(top), there(bottom))}
        for number, side in enumerate(("left", "right")):
            cut, end = self.cut(side), self.cut_end(side, stage.view)
            vp = stage.view.level_points[number].at
            share = cut.share_by_projection(ends[end], vp, stage.view)
            near = eye_space(ends[end], depths[end])
            far = plus(near, eye_space(vp, depths[end] * share / (1.0 - share)))
            changed[side] = cut.moved(
                ENDS[end], there(near), view.level_points[number].at, there(far), grown
            )
        if self.turned_vp_mm is not None:
            pair = [vp.at.x for vp in stage.view.level_points]
            which = min((0, 1), key=lambda k: abs(pair[k] - (self.turned_vp_mm or 0.0)))
            changed["turned_vp_mm"] = view.level_points[which].at.x
        return self.model_copy(update=changed)

    def cut(self, side: str) -> Cut:
        """The cut of the left or right side."""
        return self.left if side == "left" else self.right

    def cut_end(self, side: str, view: View) -> int:
        """The end of the front edge, 0 above or 1 below, from which a side's cut starts.

        In three-point a true length is that of the upper end, so it is set off there.
        """
        cut = self.cut(side)
        end = 1 if cut.from_ == "bottom" else 0
        if cut.true_mm is not None and not view.uprights.at.at_infinity:
            return 0
        y_mm = self.edge.ends(view.uprights.at)[end].y
        return 1 - end if cut.flat(y_mm, view.eye_level_mm) else end

    def _depths(self, stage: Stage) -> tuple[float, float]:
        """Relative depth of the edge's upper and lower end.

        1 at the upper end of what floats, the ground's depth at the foot of what stands; along a
        line to VP3 depth grows as 1 / (1 − share of the way).
        """
        third = stage.view.uprights.at
        upper, lower = self.edge.ends(third)
        depth = stage.depth_at(lower.y, "edge.bottom_mm" if self.edge.upright else "edge")
        growth = 1.0 if third.at_infinity else 1.0 / (1.0 - share_on_paper(upper, third, lower))
        return (depth, depth * growth) if stage.floating else (depth / growth, depth)

    def _check(self, stage: Stage) -> None:
        if len(stage.view.level_points) != 2:
            raise stage.refuse("edge", say("refused-edge-in-one-point"))
        check_edge(self.edge, stage)
        for side in ("left", "right"):
            check_cut(self.cut(side), ENDS, stage, side)


def sideways(vp: Point, other_vp: Point) -> Point:
    """The direction in which a side's true length is laid out: toward its vanishing point."""
    return LEVEL if vp.x > other_vp.x else LEFT


def _share_toward(start: Point, goal: Point, place: Point) -> float:
    """The part of the way to a point that a mark lies at, 0 for a point at infinity."""
    return 0.0 if goal.at_infinity else share_on_paper(start, goal, place)
