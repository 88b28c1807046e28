"""Buildings in a row: each begins where the last one ends, or after a gap, on one ground line.

What stands in a row is given by where its near upright begins below the sheet's top edge, how long
it is toward the row's point, and how far it goes back. Where it stands follows from those before.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence
from typing import Annotated, ClassVar, NamedTuple, TypeVar

from pydantic import Field, ValidationError

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import NearPlace
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import LEVEL, Point, distance, join, meet, part_way
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, minus, plus
from orthopsis.perspective.view import HORIZONTAL, View, eye_space, on_paper
from orthopsis.phrase import Length, Own, say
from orthopsis.pieces.base import Grip, Site, Stage
from orthopsis.pieces.placement.anchor import Front, FrontEdge
from orthopsis.pieces.placement.depth import Cut, check_share, share_on_paper
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import Listed, Placement
from orthopsis.pieces.placement.row_links import (
    FROM_LEFT,
    TO_LEFT,
    TO_RIGHT,
    Corners,
    Link,
    Measured,
    RowMember,
    RowSide,
    RowStart,
)
from orthopsis.pieces.placement.row_moves import draw_in_row
from orthopsis.pieces.placement.way import WayPlace


class EdgeInRow(OnEdge):
    """An edge with its sides, worked out from those before it in the row, and drawn on them."""

    side: RowSide
    link: Link

    @property
    def seen_corners(self) -> Corners:
        return TO_LEFT if self.side == "left" else TO_RIGHT

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        left = self.side == "left"
        cuts = (self.left, self.right) if left else (self.right, self.left)
        points = [vp.name for vp in site.stage.view.level_points]
        ways = (points[0], points[1]) if left else (points[1], points[0])
        return draw_in_row(site, edges, self.link, self.seen_corners, cuts, ways)


class FrontInRow(OnFront):
    """The same in one point: its front stands level on one `side` of the way."""

    side: RowSide
    link: Link
    back: Cut

    @property
    def seen_corners(self) -> Corners:
        return TO_RIGHT if self.side == "left" else FROM_LEFT

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        (vp,) = (point.name for point in site.stage.view.level_points)
        cuts = self.depth, self.back
        return draw_in_row(site, edges, self.link, self.seen_corners, cuts, (vp, HORIZONTAL))


BlockInRow = EdgeInRow | FrontInRow


class AlongLine(Placement):
    """Where a row begins; all else follows from what stands before."""

    form: ClassVar = "row"
    tells: ClassVar = "from"
    systems: ClassVar = (1, 2)

    from_: Annotated[RowStart, Field(alias="from")]

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> AlongLine:
        raise NotImplementedError("a row is begun from what stands before it")

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> AlongLine:
        """At the last of those before it that a row may begin at, on the side of the place."""
        del size_mm
        fits = OnFront if len(view.vanishing_points) == 1 else OnEdge
        found = [(name, one) for name, one in earlier.items() if isinstance(one, fits | WayPlace)]
        if not found:
            raise Unfit(say("refused-row-needs-base"), "from")
        name, base = found[-1]
        start: dict[str, object] = {"piece": name, "side": "left"}
        if isinstance(base, WayPlace):
            middle_mm = sum(base.edges_mm) / 2
            start["side"] = "left" if at.x < middle_mm else "right"
            start["foot_mm"] = at.y
        elif isinstance(base, OnEdge):
            start["side"] = "left" if at.x < base.edge.x_mm else "right"
        return cls.model_validate({"from": start})

    @property
    def anchor(self) -> Point:
        return Point(0.0, 0.0)

    @property
    def rests_on(self) -> Iterable[str]:
        return (self.from_.piece,)

    def grips(self, stage: Stage) -> list[Grip]:
        """None: a row goes with what it begins at."""
        del stage
        return []


class Blocks(AlongLine):
    """A row that is measured out: the block of each member."""

    blocks: tuple[BlockInRow, ...]


class _Begin(NamedTuple):
    """Where a member begins: the foot on the ground line, the part it belongs to, and the corners
    of its upright; and the near upright of that part, by its places and corners.
    """

    foot: Point
    before: Part
    corners: tuple[int, int]
    near: tuple[NearPlace, NearPlace] | None = None
    near_corners: tuple[int, int] = (0, 0)


def in_row(
    start: RowStart,
    members: Sequence[RowMember],
    others: Mapping[str, Listed],
    stage: Stage,
    row: str,
) -> list[BlockInRow]:
    """Where each member stands. Raises ExerciseError."""
    if start.piece not in others:
        raise stage.refuse("from.piece", say("refused-row-from-none", piece=Own(start.piece)))
    side, begin = _begin(start, others[start.piece].place, stage)
    made: list[BlockInRow] = []
    for number, member in enumerate(members):
        field = f"buildings[{number}]"
        if member.behind is not None:
            foot = _behind(member.behind, side, begin, stage, f"{field}.behind")
            assert begin.near is not None
            link = Link(begin.before, begin.near_corners, None, member.behind,
                        begin.near[1][0], foot, Part(row))  # fmt: skip
        else:
            foot = begin.foot
            if member.gap is not None:
                foot = _after_gap(member.gap, side, foot, stage, f"{field}.gap")
            link = Link(begin.before, begin.corners, member.gap, None, begin.foot, foot, Part(row))
        if member.top_mm is not None and member.length and member.back:
            measured = Measured(member.top_mm, member.length, member.back)
        else:
            names = [one.id for one in members[:number]]
            if member.like not in names:
                said = say("refused-like-none", like=Own(member.like or ""))
                raise stage.refuse(f"{field}.like", said)
            original = names.index(member.like)
            measured = _like(made[original], foot, stage)
            before = members[number - 1]
            equal = member.gap is None and member.like in (before.id, before.like)
            link = link._replace(like=Part(row, original + 1), after_equal=equal)
        if measured.top_mm >= foot.y - 1.0:
            raise stage.refuse(f"{field}.top_mm", say("refused-row-top", foot=Length(foot.y)))
        one = _block(side, measured, foot, stage, field, link)
        made.append(one)
        if member.behind is None:
            begin = _end(one, Part(row, number + 1), stage)
    end = begin.foot
    return [
        one if one.link.behind else one.model_copy(update={"link": one.link._replace(end=end)})
        for one in made
    ]


def _end(block: EdgeInRow | FrontInRow, part: Part, stage: Stage) -> _Begin:
    """Where the next one begins that follows a block."""
    places, corners = block.corners(stage), block.seen_corners
    near = places[corners.near[0]], places[corners.near[1]]
    return _Begin(places[corners.far[1]][0], part, corners.far, near, corners.near)


def _after_gap(gap: Cut, side: RowSide, foot: Point, stage: Stage, field: str) -> Point:
    points = stage.view.level_points
    along = points[0 if len(points) == 1 or side == "left" else 1].at
    place = gap.place_on_paper(foot, along, stage.view, LEVEL)
    check_share(share_on_paper(foot, along, place), (foot, along), gap, stage, field)
    return place


def _behind(cut: Cut, side: RowSide, begin: _Begin, stage: Stage, field: str) -> Point:
    """The foot of what stands behind a neighbour, on the line away from its near upright."""
    if begin.near is None:
        raise stage.refuse(field, say("refused-row-behind-none"))
    (top, _), (foot, _) = begin.near
    points = stage.view.level_points
    if len(points) == 1:
        if cut.along_mm is None:
            raise stage.refuse(field, say("refused-level-cut"))
        return Point(foot.x + (-cut.along_mm if side == "left" else cut.along_mm), foot.y)
    across = points[1 if side == "left" else 0].at
    place = cut.place_on_paper(top, across, stage.view, LEVEL)
    share = share_on_paper(top, across, place)
    check_share(share, (top, across), cut, stage, field)
    return part_way(foot, across, share)


def _begin(start: RowStart, base: Placement, stage: Stage) -> tuple[RowSide, _Begin]:
    one_point = len(stage.view.level_points) == 1
    if isinstance(base, WayPlace):
        if start.foot_mm is None:
            raise stage.refuse("from.foot_mm", say("refused-row-foot"))
        number = 0 if start.side == "left" else 1
        goal = base.goal(stage)
        edge = join(base.at_sheet(stage, base.edges_mm[number]), goal.at)
        foot = meet(edge, join(Point(0.0, start.foot_mm), LEVEL))
        side: RowSide = start.side
        if not one_point:
            side = "left" if goal == stage.view.level_points[0] else "right"
        return side, _Begin(foot, Part(start.piece), (number, number))
    if isinstance(base, OnEdge) and not one_point:
        corners = TO_LEFT if start.side == "left" else TO_RIGHT
    elif isinstance(base, OnFront) and one_point:
        corners = TO_RIGHT if start.side == "left" else FROM_LEFT
    else:
        raise stage.refuse("from.piece", say("refused-row-from-none", piece=Own(start.piece)))
    places = base.corners(stage)
    near = places[corners.near[0]], places[corners.near[1]]
    foot = places[corners.far[1]][0]
    return start.side, _Begin(foot, Part(start.piece), corners.far, near, corners.near)


def shifted(block: BlockInRow, foot: Point, stage: Stage) -> Vector:
    """How far in eye space a block goes when its near foot goes to another place of the ground."""
    place, near = block.corners(stage)[block.seen_corners.near[1]]
    start = eye_space(place, 1.0 / near)
    level_mm = stage.view.eye_level_mm
    # On the ground, distance goes with the depth below the eye level.
    return minus(eye_space(foot, (place.y - level_mm) / (foot.y - level_mm) / near), start)


def _like(block: BlockInRow, foot: Point, stage: Stage) -> Measured:
    """The measures of a block with its near foot elsewhere on the ground."""
    shift, corners, places = shifted(block, foot, stage), block.seen_corners, block.corners(stage)

    def there(number: int) -> Point:
        place, near = places[number]
        return Point(*on_paper(plus(eye_space(place, 1.0 / near), shift)))

    top = there(corners.near[0])
    length, back = (Cut(along_mm=distance(top, there(k[0]))) for k in (corners.far, corners.across))
    return Measured(top.y, length, back)


def measures_of(member: RowMember, block: BlockInRow, stage: Stage) -> Measured:
    """A member's own measures, or those that it has where it stands."""
    if member.top_mm is not None and member.length and member.back:
        return Measured(member.top_mm, member.length, member.back)
    return _like(block, block.corners(stage)[block.seen_corners.near[1]][0], stage)


def _block(
    side: RowSide, member: Measured, foot: Point, stage: Stage, field: str, link: Link
) -> BlockInRow:
    """A member's block, its near upright over a place of the ground line."""
    x, y = foot.xy
    try:
        if len(stage.view.level_points) == 2:
            edge = FrontEdge(x_mm=x, top_mm=member.top_mm, bottom_mm=y)
            left, right = member.length, member.back
            if side == "right":
                left, right = right, left
            return EdgeInRow(edge=edge, left=left, right=right, side=side, link=link)
        back = member.back
        wide_mm = abs(x - back.x_mm) if back.x_mm is not None else back.along_mm
        if wide_mm is None:
            raise stage.refuse(f"{field}.back", say("refused-row-back"))
        left_mm = x - wide_mm if side == "left" else x
        front = Front(x_mm=left_mm, y_mm=member.top_mm, width_mm=wide_mm,
                      height_mm=y - member.top_mm)  # fmt: skip
        end = member.length.from_ or "top"
        corner = f"{end.split()[0]} {'right' if side == 'left' else 'left'}"
        length = Cut.model_validate(
            {**member.length.model_dump(by_alias=True, exclude_none=True), "from": corner}
        )
        return FrontInRow(front=front, depth=length, side=side, link=link, back=back)
    except ValidationError:
        raise stage.refuse(field, say("refused-row-too-far")) from None


Member = TypeVar("Member", bound=RowMember)


def moved_row(
    start: RowStart,
    members: Sequence[Member],
    blocks: Sequence[BlockInRow],
    stage: Stage,
    view: View,
) -> tuple[RowStart, list[Member]]:
    """The same buildings as another viewer sees them, measured from what the row begins at."""
    there: list[Member] = []
    for member, block in zip(members, blocks, strict=True):
        changed: dict[str, object] = {}
        if isinstance(block, EdgeInRow):
            edge = OnEdge.moved(block, stage, view)
            assert isinstance(edge, OnEdge)
            other = "right" if block.side == "left" else "left"
            changed = {"top_mm": edge.edge.top_mm, "length": edge.cut(block.side),
                       "back": edge.cut(other)}  # fmt: skip
        else:
            front = OnFront.moved(block, stage, view)
            assert isinstance(front, OnFront)
            end = (front.depth.from_ or "top").split()[0]
            length = front.depth.model_copy(update={"from_": end})
            changed = {"top_mm": front.front.y_mm, "length": length,
                       "back": Cut(along_mm=front.front.width_mm)}  # fmt: skip
        if member.like is not None:
            changed = {}
        side = 0 if isinstance(block, FrontInRow) or block.side == "left" else 1
        if member.gap is not None:
            changed["gap"] = _moved_way(member.gap, block, stage, view, side)
        if member.behind is not None:
            changed["behind"] = _moved_way(member.behind, block, stage, view, 1 - side)
        there.append(member.model_copy(update=changed))
    if start.foot_mm is not None:
        first = blocks[0]
        place, near = first.corners(stage)[first.seen_corners.near[1]]
        seen = stage.view.place_seen_by(view, eye_space(place, 1.0 / near))
        start = start.model_copy(update={"foot_mm": on_paper(seen)[1]})
    return start, there


def _moved_way(cut: Cut, block: BlockInRow, stage: Stage, view: View, point: int) -> Cut:
    """The way to a block from where it is measured, toward the point of that number; in one point
    a way that is not along the row is level.
    """
    place, near = block.corners(stage)[block.seen_corners.near[1]]
    start, points = block.link.start, (stage.view.level_points, view.level_points)
    if point >= len(points[0]):
        ends = (eye_space(one, 1.0 / near) for one in (start, place))
        seen = (on_paper(stage.view.place_seen_by(view, one)) for one in ends)
        return Cut(along_mm=math.dist(*seen))
    old, new = (one[point].at for one in points)
    # Before a way of t of the whole the ground is 1 − t times as far away as behind it.
    share = share_on_paper(start, old, place)
    begin = eye_space(start, (1.0 - share) / near)
    a, b = (Point(*on_paper(stage.view.place_seen_by(view, one)))
            for one in (begin, eye_space(place, 1.0 / near)))  # fmt: skip
    return cut.moved("bottom", a, new, b, 1.0)
