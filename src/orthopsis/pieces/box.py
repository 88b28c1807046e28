"""The box: a front face that runs to one vanishing point, or a front edge that runs to two.

Corners are numbered around the near face as it is seen, 0 to 3 clockwise from its top left, with
4 to 7 behind them. In one-point the near face is the front. In two-point it is the left side: the
front edge is its right-hand upright, from corner 1 down to corner 2.
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import Literal

from pydantic import model_validator

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import UPRIGHT, Point, distance, join, meet, part_way
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import HORIZONTAL, VERTICAL, eye_space
from orthopsis.picture.solid import Solid, prism
from orthopsis.pieces.base import Grip, Length, Measures, Millimetres, Piece, Stage
from orthopsis.pieces.box_shape import box_body
from orthopsis.pieces.box_steps import construct_from_edge, construct_from_front
from orthopsis.pieces.cut import Cut, check_share, share_on_paper

FRONT_CORNERS = ("top left", "top right", "bottom right", "bottom left")
"""Names of corners 0 to 3 of a front face."""


class Front(Measures):
    """A front face: the place of its top left corner on the sheet, its width and height."""

    x_mm: Millimetres
    y_mm: Millimetres
    width_mm: Length
    height_mm: Length

    @property
    def corners(self) -> tuple[Point, Point, Point, Point]:
        """Corners 0 to 3."""
        right, bottom = self.x_mm + self.width_mm, self.y_mm + self.height_mm
        return (
            Point(self.x_mm, self.y_mm),
            Point(right, self.y_mm),
            Point(right, bottom),
            Point(self.x_mm, bottom),
        )


class FrontEdge(Measures):
    """A front upright edge: its distance from the sheet's left edge, its ends from the top."""

    x_mm: Millimetres
    top_mm: Millimetres
    bottom_mm: Millimetres

    @model_validator(mode="after")
    def _downward(self) -> FrontEdge:
        if self.bottom_mm <= self.top_mm:
            raise ValueError("bottom_mm is measured from the top, so it must be larger than top_mm")
        return self


class Box(Piece):
    """A box: `front` and `depth` in one-point; `edge`, `left` and `right` in two-point."""

    kind: Literal["box"]
    front: Front | None = None
    depth: Cut | None = None
    edge: FrontEdge | None = None
    left: Cut | None = None
    right: Cut | None = None

    @model_validator(mode="after")
    def _one_form(self) -> Box:
        by_front = (self.front, self.depth)
        by_edge = (self.edge, self.left, self.right)
        whole = (None not in by_front and by_edge == (None, None, None)) or (
            None not in by_edge and by_front == (None, None)
        )
        if not whole:
            raise ValueError("a box has either front and depth, or edge, left and right")
        return self

    # --- for the picture ---------------------------------------------------------------------

    def solids(self, stage: Stage) -> list[Solid]:
        """The box as a prism: its near face swept to a vanishing point."""
        self._check(stage)
        if self.front is not None:
            return [self._solid_from_front(stage, self.front)]
        assert self.edge is not None
        return [self._solid_from_edge(stage, self.edge)]

    def _solid_from_front(self, stage: Stage, front: Front) -> Solid:
        assert self.depth is not None
        (vanishing_point,) = stage.view.vanishing_points
        vp = vanishing_point.at
        depth = self._anchor_depth(stage)
        corner = self.depth_corner(vp)
        share = self.depth.share_by_projection(front.corners[corner], vp, stage.view)
        check_share(share, self.depth, stage, "depth")
        sides = [HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL]
        near = [eye_space(place, depth) for place in front.corners]
        return self._prism(
            near, sides, eye_space(vp, depth * share / (1.0 - share)), vanishing_point.name
        )

    def _solid_from_edge(self, stage: Stage, edge: FrontEdge) -> Solid:
        depth = self._anchor_depth(stage)
        to_left, to_right = stage.view.vanishing_points
        reach = {}
        for side, vp in (("left", to_left.at), ("right", to_right.at)):
            cut = self.cut(side)
            share = cut.share_by_projection(self.cut_start(side, vp.y), vp, stage.view)
            check_share(share, cut, stage, side)
            reach[side] = eye_space(vp, depth * share / (1.0 - share))
        top = eye_space(Point(edge.x_mm, edge.top_mm), depth)
        bottom = eye_space(Point(edge.x_mm, edge.bottom_mm), depth)
        near = [plus(top, reach["left"]), top, bottom, plus(bottom, reach["left"])]
        sides = [to_left.name, VERTICAL, to_left.name, VERTICAL]
        return self._prism(near, sides, reach["right"], to_right.name)

    def _prism(
        self, near: list[Vector], sides: list[str], sweep: Vector, sweep_family: str
    ) -> Solid:
        return prism(
            self.id,
            [near],
            [sides],
            sweep,
            sweep_family,
            transparent=self.transparent,
            floating=self.standing == "floating",
        )

    # --- for the construction ----------------------------------------------------------------

    def body(self, stage: Stage) -> Body:
        """The eight corners by ruler, with their nearness."""
        self._check(stage)
        if self.front is not None:
            return self._body_from_front(stage, self.front)
        assert self.edge is not None
        return self._body_from_edge(stage, self.edge)

    def _body_from_front(self, stage: Stage, front: Front) -> Body:
        assert self.depth is not None
        vp = stage.view.vanishing_points[0].at
        corner = self.depth_corner(vp)
        start = front.corners[corner]
        place = self.depth.place_on_paper(start, vp, stage.view, corner in (0, 3))
        share = share_on_paper(start, vp, place)
        check_share(share, self.depth, stage, "depth")
        nearness = 1.0 / self._anchor_depth(stage)
        # The back is the front again, drawn smaller toward the vanishing point.
        near = [(near_corner, nearness) for near_corner in front.corners]
        far = [(part_way(p, vp, share), nearness * (1.0 - share)) for p in front.corners]
        return box_body(self, (*near, *far))

    def _body_from_edge(self, stage: Stage, edge: FrontEdge) -> Body:
        level = stage.view.eye_level_mm
        to_left, to_right = stage.view.vanishing_points
        vps = {"left": to_left.at, "right": to_right.at}
        ends = Point(edge.x_mm, edge.top_mm), Point(edge.x_mm, edge.bottom_mm)
        sides = []
        for side, vp in vps.items():
            cut, start = self.cut(side), self.cut_start(side, level)
            place = cut.place_on_paper(start, vp, stage.view, vp.x > start.x)
            share = share_on_paper(start, vp, place)
            check_share(share, cut, stage, side)
            sides.append([part_way(end, vp, share) for end in ends])
        left, right = sides
        # Opposite corner to opposite vanishing point, at the end further from the eye level,
        # where the two lines cross at the better angle; the other back corner is plumb with it.
        best = max((0, 1), key=lambda k: abs(ends[k].y - level))
        crossing = meet(join(left[best], vps["right"]), join(right[best], vps["left"]))
        back_other = meet(
            join(crossing, UPRIGHT),
            join(left[1 - best], vps["right"]),
        )
        back = (crossing, back_other) if best == 0 else (back_other, crossing)
        front_nearness = 1.0 / self._anchor_depth(stage)
        # On one level, nearness goes with the distance from the eye level.
        per_mm = front_nearness / (ends[best].y - level)
        near_of = [per_mm * (side[best].y - level) for side in (left, right, back)]
        return box_body(
            self,
            (
                (left[0], near_of[0]), (ends[0], front_nearness),
                (ends[1], front_nearness), (left[1], near_of[0]),
                (back[0], near_of[2]), (right[0], near_of[1]),
                (right[1], near_of[1]), (back[1], near_of[2]),
            ),
        )  # fmt: skip

    def grips(self, stage: Stage) -> list[Grip]:
        """The depth of a front, or the left and right cuts of an edge."""
        vps = [vp.at for vp in stage.view.vanishing_points]
        if self.front is not None and self.depth is not None:
            corner = self.depth_corner(vps[0])
            start = self.front.corners[corner]
            place = self.depth.place_on_paper(start, vps[0], stage.view, corner in (0, 3))
            return [Grip("depth", self.depth.way, start, vps[0], place)]
        grips = []
        for side, vp in zip(("left", "right"), vps, strict=True):
            start = self.cut_start(side, stage.view.eye_level_mm)
            place = self.cut(side).place_on_paper(start, vp, stage.view, vp.x > start.x)
            grips.append(Grip(side, self.cut(side).way, start, vp, place))
        return grips

    def build(self, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]) -> None:
        """Front first, guide lines, cuts, back corners, then what to erase and darken."""
        if self.front is not None:
            construct_from_front(self, paper, stage, body, points)
        else:
            construct_from_edge(self, paper, stage, body, points)

    # --- what both sides read from the document ----------------------------------------------

    def depth_corner(self, vp: Point) -> int:
        """The front corner whose guide line carries the depth.

        The nearest to the vanishing point (ties: lower, then right); for an `x_mm` on the upright
        from which it lies toward the point.
        """
        assert self.front is not None and self.depth is not None
        corners = self.front.corners
        choice = [2, 3, 1, 0]
        if self.depth.from_ is not None:
            choice = [FRONT_CORNERS.index(self.depth.from_)]
        x = self.depth.x_mm
        if x is not None and self.depth.from_ is None:
            between = [i for i in choice if min(corners[i].x, vp.x) < x < max(corners[i].x, vp.x)]
            nearest = min((abs(corners[i].x - x) for i in between), default=0.0)
            choice = [i for i in between if abs(corners[i].x - x) == nearest] or choice
        # A corner that lies on the vanishing point sends no guide line.
        choice = [i for i in choice if distance(corners[i], vp) > 1e-6] or [2, 0]
        corner = min(choice, key=lambda i: round(distance(corners[i], vp), 9))
        if self._flat_measure(self.depth, corners[corner].y, vp.y):
            return {0: 3, 3: 0, 1: 2, 2: 1}[corner]
        return corner

    def cut(self, side: str) -> Cut:
        """The cut of the left or right side."""
        cut = self.left if side == "left" else self.right
        assert cut is not None
        return cut

    def cut_end(self, side: str, level_mm: float) -> int:
        """The corner of the front edge, 1 above or 2 below, from which a side's cut starts."""
        assert self.edge is not None
        end = 2 if self.cut(side).from_ == "bottom" else 1
        y_mm = self.edge.bottom_mm if end == 2 else self.edge.top_mm
        return 3 - end if self._flat_measure(self.cut(side), y_mm, level_mm) else end

    def cut_start(self, side: str, level_mm: float) -> Point:
        """The place of that corner."""
        assert self.edge is not None
        upper = self.cut_end(side, level_mm) == 1
        return Point(self.edge.x_mm, self.edge.top_mm if upper else self.edge.bottom_mm)

    def _flat_measure(self, cut: Cut, y_mm: float, level_mm: float) -> bool:
        """Whether a true length would be carried along the eye level, where nothing crosses.

        The same length is then carried from the corner above or below, at the same scale.
        """
        return cut.true_mm is not None and abs(y_mm - level_mm) < 1.0

    def _anchor_depth(self, stage: Stage) -> float:
        if self.front is not None:
            foot_mm, field = self.front.y_mm + self.front.height_mm, "front"
        else:
            assert self.edge is not None
            foot_mm, field = self.edge.bottom_mm, "edge.bottom_mm"
        return stage.depth_at(self.standing, foot_mm, field)

    def _check(self, stage: Stage) -> None:
        points = len(stage.view.vanishing_points)
        if self.front is not None and points != 1:
            raise stage.refuse("front", "this view has two points; give edge, left and right")
        if self.edge is not None and points != 2:
            raise stage.refuse("edge", "this view has one point; give front and depth")
        if self.edge is not None and any(
            abs(self.edge.x_mm - vp.at.x) < 1e-3 for vp in stage.view.vanishing_points
        ):
            raise stage.refuse(
                "edge.x_mm",
                f"{self.edge.x_mm:g} mm stands exactly over a vanishing point, where "
                "a side shrinks to a line; move the edge or the point by a millimetre",
            )
        corners = FRONT_CORNERS if self.front is not None else ("top", "bottom")
        for field, cut in (("depth", self.depth), ("left", self.left), ("right", self.right)):
            if cut is not None and cut.from_ not in (None, *corners):
                raise stage.refuse(
                    f"{field}.from", f"'{cut.from_}' is none of {', '.join(corners)}"
                )
