"""The block: a front face that runs to one vanishing point, or a front edge that runs to two.

Corners are numbered around the near face as it is seen, 0 to 3 clockwise from its top left, with
4 to 7 behind them. In one-point the near face is the front. In two-point it is the left side: the
front edge is its right-hand upright, from corner 1 down to corner 2.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Any, Self

from pydantic import model_validator

from orthopsis.construction.order import Body
from orthopsis.perspective.plane import (
    LEFT,
    LEVEL,
    Point,
    join,
    meet,
    part_way,
    toward,
)
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import (
    HORIZONTAL,
    VERTICAL,
    View,
    eye_space,
    on_paper,
)
from orthopsis.picture.solid import Solid, prism
from orthopsis.pieces.anchor import FRONT_CORNERS, Front, FrontEdge, check_edge
from orthopsis.pieces.base import Grip, Piece, Stage
from orthopsis.pieces.block_shape import INWARD, block_body
from orthopsis.pieces.cut import ON_LEVEL_MM, Corner, Cut, check_share, share_on_paper
from orthopsis.pieces.stack import Stack, unstacked

FAR_MM = 1e4
"""Further than any sheet: the end of a line that may be drawn on."""


class Block(Piece):
    """What boxes are and round things are inscribed in: `front` and `depth` in one-point; `edge`,
    `left` and `right` in two- and three-point; or a `stack` on the lines of another block.
    """

    front: Front | None = None
    depth: Cut | None = None
    edge: FrontEdge | None = None
    left: Cut | None = None
    right: Cut | None = None
    stack: Stack | None = None

    @model_validator(mode="after")
    def _one_form(self) -> Self:
        by_front = (self.front, self.depth)
        by_edge = (self.edge, self.left, self.right)
        whole = (None not in by_front and by_edge == (None, None, None)) or (
            None not in by_edge and by_front == (None, None)
        )
        if self.stack is not None:
            whole = by_front == (None, None) and by_edge == (None, None, None)
        if not whole:
            raise ValueError("give either front and depth, or edge, left and right, or stack")
        return self

    def on_lines_of(self, others: Sequence[Piece], stage: Stage) -> Self:
        if self.stack is None:
            return self
        base = next((one for one in others if one.id == self.stack.on), None)
        if not isinstance(base, Block):
            raise stage.refuse("stack.on", f"no block '{self.stack.on}' is listed before this one")
        return unstacked(self, self.stack, base, stage)

    # --- for the picture ---------------------------------------------------------------------

    def block(self, stage: Stage) -> Solid:
        """The box as a prism: its near face swept to a vanishing point."""
        self._check(stage)
        near, sides, sweep, sweep_family = self.near_face(stage)
        return prism(
            self.id,
            [near],
            [sides],
            sweep,
            sweep_family,
            transparent=self.transparent,
            floating=self.standing == "floating",
        )

    def near_face(self, stage: Stage) -> tuple[list[Vector], list[str], Vector, str]:
        """Corners 0 to 3 in eye space, the families of the sides between them, and the sweep that
        leads to corners 4 to 7, with its family.
        """
        if self.front is not None:
            return self._near_front(stage, self.front)
        assert self.edge is not None
        return self._near_side(stage, self.edge)

    def _near_front(
        self, stage: Stage, front: Front
    ) -> tuple[list[Vector], list[str], Vector, str]:
        assert self.depth is not None
        (vanishing_point,) = stage.view.vanishing_points
        vp = vanishing_point.at
        depth = self._anchor_depths(stage)[0]
        share = self.depth.share_by_projection(self.depth_start(vp)[0], vp, stage.view)
        check_share(share, self.depth, stage, "depth")
        sides = [HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL]
        near = [eye_space(place, depth) for place in front.corners]
        return near, sides, eye_space(vp, depth * share / (1.0 - share)), vanishing_point.name

    def _near_side(
        self, stage: Stage, edge: FrontEdge
    ) -> tuple[list[Vector], list[str], Vector, str]:
        view, depths = stage.view, self._anchor_depths(stage)
        ends = edge.ends(view.uprights.at)
        reach = {}
        for side, vp in zip(("left", "right"), view.level_points, strict=True):
            cut, end = self.cut(side), self.cut_end(side, view)
            share = cut.share_by_projection(ends[end], vp.at, view)
            check_share(share, cut, stage, side)
            reach[side] = eye_space(vp.at, depths[end] * share / (1.0 - share))
        top, bottom = (eye_space(end, depth) for end, depth in zip(ends, depths, strict=True))
        near = [plus(top, reach["left"]), top, bottom, plus(bottom, reach["left"])]
        to_left, to_right = (vp.name for vp in view.level_points)
        sides = [to_left, view.uprights.name, to_left, view.uprights.name]
        return near, sides, reach["right"], to_right

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
        start, inward = self.depth_start(vp)
        place = self.depth.place_on_paper(start, vp, stage.view, inward)
        share = share_on_paper(start, vp, place)
        check_share(share, self.depth, stage, "depth")
        nearness = self._anchor_nearness(stage)[0]
        # The back is the front again, drawn smaller toward the vanishing point.
        near = [(near_corner, nearness) for near_corner in front.corners]
        far = [(part_way(p, vp, share), nearness * (1.0 - share)) for p in front.corners]
        return block_body(self, (*near, *far))

    def _body_from_edge(self, stage: Stage, edge: FrontEdge) -> Body:
        view, third = stage.view, stage.view.uprights.at
        vps = [vp.at for vp in view.level_points]
        ends = edge.ends(third)
        sides = []
        for side, vp, other_vp in zip(("left", "right"), vps, reversed(vps), strict=True):
            cut, end = self.cut(side), self.cut_end(side, view)
            place = cut.place_on_paper(ends[end], vp, view, sideways(vp, other_vp))
            check_share(share_on_paper(ends[end], vp, place), cut, stage, side)
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
        nearness = self._anchor_nearness(stage)
        # On one level, nearness goes with the distance from the eye level; on an upright it
        # falls evenly toward the uprights' point.
        per_mm = nearness[best] / (ends[best].y - view.eye_level_mm)

        def corners(pair: tuple[Point, Point]) -> tuple[tuple[Point, float], tuple[Point, float]]:
            near = per_mm * (pair[best].y - view.eye_level_mm)
            rest = near * (1.0 - _share_toward(pair[best], third, pair[1 - best]))
            found = (pair[best], near), (pair[1 - best], rest)
            return found if best == 0 else found[::-1]

        (left_top, left_foot), (right_top, right_foot) = corners(left), corners(right)
        back_top, back_foot = corners(back)
        front_top, front_foot = zip(ends, nearness, strict=True)
        return block_body(
            self,
            (
                left_top, front_top, front_foot, left_foot,
                back_top, right_top, right_foot, back_foot,
            ),
        )  # fmt: skip

    def grips(self, stage: Stage) -> list[Grip]:
        """The depth of a front, or the left and right cuts of an edge and a slanting one's end."""
        vps = [vp.at for vp in stage.view.level_points]
        if self.front is not None and self.depth is not None:
            start, inward = self.depth_start(vps[0])
            place = self.depth.place_on_paper(start, vps[0], stage.view, inward)
            return [Grip("depth", self.depth.way, start, vps[0], place)]
        assert self.edge is not None
        grips, ends = [], self.edge.ends(stage.view.uprights.at)
        for side, vp, other_vp in zip(("left", "right"), vps, reversed(vps), strict=True):
            start = ends[self.cut_end(side, stage.view)]
            place = self.cut(side).place_on_paper(start, vp, stage.view, sideways(vp, other_vp))
            grips.append(Grip(side, self.cut(side).way, start, vp, place))
        if not self.edge.upright:
            upper, lower = ends
            beyond = toward(upper, lower, FAR_MM)
            grips.append(Grip("edge", "length_mm", upper, beyond, lower))
        return grips

    def moved(self, stage: Stage, view: View) -> Self:
        """The same block seen by a viewer who stands elsewhere before the same sheet."""
        depths = self._anchor_depths(stage)

        def seen(place: Vector) -> Point:
            return Point(*on_paper(stage.view.place_seen_by(view, place)))

        def cut_moved(cut: Cut, corner: Corner, start: Point, depth: float, number: int) -> Cut:
            vp, scale = stage.view.level_points[number].at, depths[0] / anchor_depth
            share = cut.share_by_projection(start, vp, stage.view)
            near = eye_space(start, depth)
            far = plus(near, eye_space(vp, depth * share / (1.0 - share)))
            return cut.moved(corner, seen(near), view.level_points[number].at, seen(far), scale)

        if self.front is not None and self.depth is not None:
            corners = [eye_space(corner, depths[0]) for corner in self.front.corners]
            anchor_depth = stage.view.place_seen_by(view, corners[0])[2]
            (x0, y0), (x1, y1) = seen(corners[0]).xy, seen(corners[2]).xy
            front = Front(x_mm=x0, y_mm=y0, width_mm=x1 - x0, height_mm=y1 - y0)
            number = self.depth_corner(stage.view.level_points[0].at)
            start = self.front.corners[number]
            depth = cut_moved(self.depth, FRONT_CORNERS[number], start, depths[0], 0)
            return self.model_copy(update={"front": front, "depth": depth})
        assert self.edge is not None
        ends = self.edge.ends(stage.view.uprights.at)
        top, bottom = (eye_space(end, depth) for end, depth in zip(ends, depths, strict=True))
        anchor_depth = stage.view.place_seen_by(view, top)[2]
        changed: dict[str, Any] = {"edge": self.edge.again(seen(top), seen(bottom))}
        for number, side in enumerate(("left", "right")):
            end = self.cut_end(side, stage.view)
            corner: Corner = "bottom" if end else "top"
            changed[side] = cut_moved(self.cut(side), corner, ends[end], depths[end], number)
        if self.turned_vp_mm is not None:
            pair = [vp.at.x for vp in stage.view.level_points]
            which = min((0, 1), key=lambda k: abs(pair[k] - (self.turned_vp_mm or 0.0)))
            changed["turned_vp_mm"] = view.level_points[which].at.x
        changed["stack"] = None
        return self.model_copy(update=changed)

    # --- what both sides read from the document ----------------------------------------------

    def depth_start(self, vp: Point) -> tuple[Point, Point]:
        """The place of the front whose guide line carries the depth, and the way over the front."""
        assert self.front is not None
        corner = self.depth_corner(vp)
        return self.front.corners[corner], INWARD[corner]

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
        away = [round(math.hypot(corner.x - vp.x, corner.y - vp.y), 9) for corner in corners]
        # A corner that lies on the vanishing point sends no guide line.
        choice = [i for i in choice if away[i] > 1e-6] or [2, 0]
        corner = min(choice, key=away.__getitem__)
        if self._flat_measure(self.depth, corners[corner].y, vp.y):
            return {0: 3, 3: 0, 1: 2, 2: 1}[corner]
        return corner

    def cut(self, side: str) -> Cut:
        """The cut of the left or right side."""
        cut = self.left if side == "left" else self.right
        assert cut is not None
        return cut

    def cut_end(self, side: str, view: View) -> int:
        """The end of the front edge, 0 above or 1 below, from which a side's cut starts.

        In three-point a true length is that of the upper end, so it is set off there.
        """
        assert self.edge is not None
        cut = self.cut(side)
        end = 1 if cut.from_ == "bottom" else 0
        if cut.true_mm is not None and not view.uprights.at.at_infinity:
            return 0
        y_mm = self.edge.ends(view.uprights.at)[end].y
        return 1 - end if self._flat_measure(cut, y_mm, view.eye_level_mm) else end

    def _flat_measure(self, cut: Cut, y_mm: float, level_mm: float) -> bool:
        """Whether a true length would be carried along the eye level, where nothing crosses.

        The same length is then carried from the corner above or below, at the same scale.
        """
        return cut.true_mm is not None and abs(y_mm - level_mm) < ON_LEVEL_MM

    def _anchor_depths(self, stage: Stage) -> tuple[float, float]:
        """Relative depth of the front's or the edge's upper and lower end.

        1 at the upper end of what floats, the ground's depth at the foot of what stands; along a
        line to VP3 depth grows as 1 / (1 − share of the way).
        """
        if self.front is not None:
            foot_mm = self.front.y_mm + self.front.height_mm
            depth = stage.depth_at(self.standing, foot_mm, "front")
            return depth, depth
        assert self.edge is not None
        third = stage.view.uprights.at
        upper, lower = self.edge.ends(third)
        field = "edge.bottom_mm" if self.edge.upright else "edge"
        depth = stage.depth_at(self.standing, lower.y, field)
        growth = 1.0 if third.at_infinity else 1.0 / (1.0 - share_on_paper(upper, third, lower))
        return (depth, depth * growth) if self.standing == "floating" else (depth / growth, depth)

    def _anchor_nearness(self, stage: Stage) -> tuple[float, float]:
        """The same for the construction: 1 on the picture plane, less further back."""
        upper, lower = self._anchor_depths(stage)
        return 1.0 / upper, 1.0 / lower

    def _check(self, stage: Stage) -> None:
        points = len(stage.view.level_points)
        if self.front is not None and points != 1:
            raise stage.refuse("front", "this view has two points; give edge, left and right")
        if self.edge is not None:
            if points != 2:
                raise stage.refuse("edge", "this view has one point; give front and depth")
            check_edge(self.edge, stage)
        corners = FRONT_CORNERS if self.front is not None else ("top", "bottom")
        for field, cut in (("depth", self.depth), ("left", self.left), ("right", self.right)):
            if cut is None:
                continue
            if cut.from_ not in (None, *corners):
                raise stage.refuse(
                    f"{field}.from", f"'{cut.from_}' is none of {', '.join(corners)}"
                )
            if cut.true_mm is not None and stage.view.eye is None:
                raise stage.refuse(
                    f"{field}.true_mm",
                    f"{cut.true_mm:g} mm has no true depth here: the triangle of the three points "
                    "is not acute, so no eye sees right angles; move VP3, or give along_mm",
                )


def sideways(vp: Point, other_vp: Point) -> Point:
    """The direction in which a side's true length is laid out: toward its vanishing point."""
    return LEVEL if vp.x > other_vp.x else LEFT


def _share_toward(start: Point, goal: Point, place: Point) -> float:
    """The part of the way to a point that a mark lies at, 0 for a point at infinity."""
    return 0.0 if goal.at_infinity else share_on_paper(start, goal, place)
