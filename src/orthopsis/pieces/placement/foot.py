"""On the floor: by the foot, how far back it goes, and a height that is measured or carried.

What is given so is drawn as rooms are furnished: its plan on the floor first, which is then raised.
A height may be that of a level of the room, or reach to its ceiling; it is carried from the back
wall, for along a line to the point all that is level keeps its height.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Annotated, Any, ClassVar

from pydantic import model_validator

from orthopsis.construction.moves import Mark
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import View
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import (
    Across,
    Down,
    Measures,
    Name,
    PaperLength,
    Site,
    Stage,
    Surface,
)
from orthopsis.pieces.placement.anchor import Front, FrontEdge
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.placement.foot_edge_moves import draw_from_foot_corner
from orthopsis.pieces.placement.foot_moves import Carried, draw_from_foot, light_from_foot
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import BlockPlacement, Listed, UnsettledPlace
from orthopsis.pieces.placement.room import RoomPlace
from orthopsis.pieces.roles import Editor, FieldRole

CEILING = "ceiling"


class Height(Measures):
    """How high something is: so many `mm` over its foot, to a `level` of the room, or `to` the
    ceiling.
    """

    mm: PaperLength | None = None
    level: Annotated[Name | None, FieldRole.NAME] = None
    to: Surface | None = None

    @model_validator(mode="after")
    def _one_way(self) -> Height:
        if sum(value is not None for value in (self.mm, self.level, self.to)) != 1:
            raise Unfit(say("refused-height-one-way"))
        return self


class FootCorner(Measures):
    """The nearest corner of what stands on the floor, from the sheet's left and top."""

    x_mm: Across
    y_mm: Down

    @property
    def at(self) -> Point:
        return Point(self.x_mm, self.y_mm)


class Foot(FootCorner):
    """The foot of a front: its left end, from the sheet's left and top, and how wide it is."""

    width_mm: PaperLength

    @property
    def end(self) -> Point:
        """Its right end."""
        return Point(self.x_mm + self.width_mm, self.y_mm)

    def nearer_end(self, vp: Point) -> int:
        """The number of the end that lies nearer to a point, 3 or 2; of two as near the right."""
        left, right = (abs(end.x - vp.x) for end in (self.at, self.end))
        return 3 if left < right - 1e-9 else 2


def foot_of(front: Front) -> Foot:
    """The lower side of a front."""
    foot_mm = front.y_mm + front.height_mm
    return Foot(x_mm=front.x_mm, y_mm=foot_mm, width_mm=front.width_mm)


class FromFoot(UnsettledPlace):
    """What both ways of standing on the floor share: a height that is settled first."""

    height: Annotated[Height, Editor.HEIGHT]

    @property
    def named(self) -> Mapping[str, str]:
        return {"front": "foot", "edge": "foot"}

    def drawn_mm(
        self, others: Mapping[str, Listed], view: str | None, stage: Stage, foot_mm: float
    ) -> tuple[float, Carried | None]:
        """How high it is on paper, and from where that is carried. Raises ExerciseError."""
        height = self.height
        if height.mm is not None:
            return height.mm, None
        rooms = {
            name: one.place for name, one in others.items()
            if isinstance(one.place, RoomPlace) and one.view == view
        }  # fmt: skip
        if height.to is not None:
            name, _, surface = height.to.partition("/")
            if name not in rooms or surface != CEILING:
                raise stage.refuse(
                    "height.to", say("refused-no-such-surface", surface=Own(height.to))
                )
            carried = Carried(room=name, level="")
        else:
            level = height.level or ""
            found = (name for name, room in rooms.items() if level in room.levels)
            carried = Carried(room=next(found, ""), level=level)
            if not carried.room:
                raise stage.refuse("height.level", say("refused-no-such-level"))
        room = rooms[carried.room]
        room.check(stage)
        high_mm = foot_mm - room.height_at(stage, foot_mm, room.level_mm(carried.level))
        return high_mm, carried


class FootFront(OnFront):
    """A front that stands on its foot, worked out from it and drawn so."""

    foot_height: Height
    carried: Carried | None = None

    @property
    def on_floor(self) -> bool:
        return True

    @property
    def foot(self) -> Foot:
        return foot_of(self.front)

    def depth_corner(self, vp: Point) -> int:
        """The foot's end nearest to the point, of two equally near the right one."""
        if self.depth.from_ is not None:
            return super().depth_corner(vp)
        return self.foot.nearer_end(vp)

    def depth_start(self, vp: Point, places: Sequence[Any] | None = None) -> tuple[Point, Point]:
        return super().depth_start(vp, None)

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        return draw_from_foot(self, site, edges)

    def light_front(self, site: Site) -> dict[int, Mark]:
        return light_from_foot(self, site)

    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        there = super().moved(stage, view)
        assert isinstance(there, OnFront)
        front, height = there.front, self.foot_height
        foot = foot_of(front)
        if height.mm is not None:
            height = Height(mm=front.height_mm)
        return OnFoot(foot=foot, depth=there.depth, height=height)


class OnFoot(FromFoot):
    """In one point: the `foot` of a front, its `depth` along the floor, its `height`."""

    form: ClassVar = "foot"
    tells: ClassVar = "foot"
    surfaces: ClassVar = ("floor",)
    sized: ClassVar = ("foot.width_mm", "")
    systems: ClassVar = (1,)

    foot: Foot
    depth: Annotated[Cut, FieldRole.DEPTH]

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnFoot:
        del points
        foot = Foot(x_mm=at.x, y_mm=at.y, width_mm=size_mm)
        return cls(foot=foot, depth=Cut(fraction=0.3), height=Height(mm=size_mm))

    @property
    def anchor(self) -> Point:
        return self.foot.at

    def settled(self, others: Mapping[str, Listed], view: str | None, stage: Stage) -> FootFront:
        foot = self.foot
        high_mm, carried = self.drawn_mm(others, view, stage, foot.y_mm)
        front = Front(
            x_mm=foot.x_mm, y_mm=foot.y_mm - high_mm, width_mm=foot.width_mm, height_mm=high_mm
        )
        return FootFront(front=front, depth=self.depth, foot_height=self.height, carried=carried)


class FootEdge(OnEdge):
    """A front edge that stands on its foot, worked out from it and drawn so."""

    foot_height: Height
    carried: Carried | None = None

    def cut_end(self, side: str, view: View) -> int:
        """The plan is drawn on the floor."""
        return 0 if self.cut(side).from_ == "top" else 1

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        return draw_from_foot_corner(self, site, edges)

    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        there = super().moved(stage, view)
        assert isinstance(there, OnEdge)
        foot = there.edge.ends(view.uprights.at)[1]
        height = self.foot_height
        if height.mm is not None:
            height = Height(mm=there.edge.drawn_mm)
        corner = FootCorner(x_mm=foot.x, y_mm=foot.y)
        return OnFootCorner(foot=corner, left=there.left, right=there.right, height=height)


class OnFootCorner(FromFoot):
    """In two points: the `foot` of the front edge, how far `left` and `right` go, its `height`."""

    form: ClassVar = "foot-corner"
    tells: ClassVar = "foot"
    surfaces: ClassVar = ("floor",)
    systems: ClassVar = (2,)

    foot: FootCorner
    left: Annotated[Cut, FieldRole.DEPTH]
    right: Annotated[Cut, FieldRole.DEPTH]

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnFootCorner:
        del points
        foot, cut = FootCorner(x_mm=at.x, y_mm=at.y), Cut(fraction=0.3)
        return cls(foot=foot, left=cut, right=cut, height=Height(mm=size_mm))

    @property
    def anchor(self) -> Point:
        return self.foot.at

    def settled(self, others: Mapping[str, Listed], view: str | None, stage: Stage) -> FootEdge:
        foot = self.foot
        high_mm, carried = self.drawn_mm(others, view, stage, foot.y_mm)
        edge = FrontEdge(x_mm=foot.x_mm, top_mm=foot.y_mm - high_mm, bottom_mm=foot.y_mm)
        return FootEdge(
            edge=edge, left=self.left, right=self.right, foot_height=self.height, carried=carried
        )
