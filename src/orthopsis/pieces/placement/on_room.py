"""In a room: what covers its floor or lies in a wall, and takes its place from that."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Field, model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import View
from orthopsis.phrase import say
from orthopsis.pieces.base import Flag, Grip, Measures, PaperLength, Stage, TrueLength
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.foot import Foot
from orthopsis.pieces.placement.placement import Placement
from orthopsis.pieces.placement.room import RoomPlace, room_surface
from orthopsis.pieces.roles import Editor, FieldRole

FIRST_RECESS_MM = 8.0
TileCount = Annotated[int, Field(ge=1, le=40), FieldRole.COUNT]


class InSurface(Placement):
    """A place in a floor or a wall of a room."""

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> InSurface:
        del earlier
        found = cls.first(at, size_mm, len(view.vanishing_points))
        assert isinstance(found, InSurface)
        return found

    def grips(self, stage: Stage) -> list[Grip]:
        """None: it is dragged by its measures."""
        del stage
        return []


class OverFloor(InSurface):
    """Tiles on a floor: `grid` many across and back at most, from the sheet's lower edge on, or
    from a `foot` of their own. `row` says how deep the first row is. In a corner `grid` counts
    along both walls, and a tile is `tile_mm` wide in truth, at the scale of the corner.
    """

    form: ClassVar = "grid"
    tells: ClassVar = "grid"
    surfaces: ClassVar = ("floor",)
    systems: ClassVar = (1, 2)

    grid: tuple[TileCount, TileCount]
    row: Annotated[Literal["square"] | Cut, FieldRole.CHOICE, Editor.NONE] = "square"
    foot: Annotated[Foot | None, Editor.NONE] = None
    tile_mm: TrueLength | None = None
    chequered: Flag = False

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OverFloor:
        del at
        return cls(grid=(6, 8)) if points == 1 else cls(grid=(6, 6), tile_mm=size_mm / 2)

    @property
    def anchor(self) -> Point:
        return self.foot.at if self.foot else Point(0.0, 0.0)


class Repeat(Measures):
    """The same again, `count` in all: along a wall that runs away or further `toward` us, on the
    back wall to the left or the right.
    """

    count: Annotated[int, Field(ge=2, le=20), FieldRole.COUNT] = 3
    toward: Annotated[Literal["away", "us", "left", "right"], FieldRole.CHOICE] = "away"


class InWall(InSurface):
    """What lies in a wall: a `recess` lets it in, `repeat` draws it again beside itself."""

    ways: ClassVar[tuple[str, str]] = ("away", "us")

    recess: Annotated[Cut | None, FieldRole.DEPTH, Editor.SWITCH] = None
    repeat: Annotated[Repeat | None, Editor.SWITCH] = None

    @model_validator(mode="after")
    def _fits_its_wall(self) -> Self:
        if self.recess and self.recess.along_mm is None:
            raise Unfit(say("refused-recess-along"), "recess")
        if self.repeat and self.repeat.toward not in self.ways:
            raise Unfit(say("refused-repeat-way"), "repeat.toward")
        return self

    def first_value(self, field: str, stage: Stage) -> Any:
        """A niche of a few millimetres; one more beside it."""
        if field == "recess":
            return Cut(along_mm=FIRST_RECESS_MM)
        if field == "repeat":
            return Repeat.model_validate({"count": 2, "toward": self.ways[-1]})
        return super().first_value(field, stage)


class OnBackWall(InWall):
    """A `front` in the back wall, in true shape."""

    form: ClassVar = "front"
    tells: ClassVar = "front"
    surfaces: ClassVar = ("back",)
    sized: ClassVar = ("front.width_mm", "front.height_mm")
    systems: ClassVar = (1,)
    ways: ClassVar = ("left", "right")

    front: Front

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnBackWall:
        del points
        half = size_mm / 2
        return cls(front=Front(x_mm=at.x, y_mm=at.y - half, width_mm=half, height_mm=half))

    @property
    def anchor(self) -> Point:
        return self.front.corners[0]


class OnSideWall(InWall):
    """Between two cuts along the foot of a wall, which begin where that leaves the sheet; `up_mm`
    and `height_mm` are measured on the upright at the back.
    """

    form: ClassVar = "wall"
    tells: ClassVar = "from"
    surfaces: ClassVar = ("left", "right")
    systems: ClassVar = (1, 2)

    from_: Annotated[Cut, Field(alias="from"), FieldRole.RUN]
    to: Annotated[Cut, FieldRole.RUN]
    up_mm: Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False), FieldRole.LENGTH] = 0.0
    height_mm: PaperLength

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> OnSideWall:
        """Where it was put, and all of it on this side of where the wall meets the next one."""
        found = cls.first(at, size_mm, len(view.vanishing_points))
        room = next((one for one in earlier.values() if isinstance(one, RoomPlace)), None)
        wall = room_surface(earlier, at, view)
        if room is None or wall not in cls.surfaces:
            return found
        backs = [corner.x for corner in room.corners()]
        wide_mm = size_mm / 4
        # The nearer end lies away from the back.
        back, way = (min(backs), -1) if wall == "left" else (max(backs), 1)
        far = min(at.x, back - wide_mm) + wide_mm if wall == "left" else max(at.x, back)
        ends = {"from_": Cut(x_mm=far + way * wide_mm), "to": Cut(x_mm=far)}
        return found.model_copy(update=ends)

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnSideWall:
        del points
        ends = {"from": {"x_mm": at.x}, "to": {"x_mm": at.x + size_mm / 4}}
        return cls.model_validate({**ends, "up_mm": size_mm / 4, "height_mm": size_mm / 4})

    @property
    def anchor(self) -> Point:
        return Point(0.0, 0.0)


class OnFloor(InSurface):
    """A rug: its `foot`, and its `depth` along the floor."""

    form: ClassVar = "foot"
    tells: ClassVar = "foot"
    surfaces: ClassVar = ("floor",)
    sized: ClassVar = ("foot.width_mm", "")
    systems: ClassVar = (1,)

    foot: Foot
    depth: Annotated[Cut, FieldRole.DEPTH]

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnFloor:
        del points
        return cls(foot=Foot(x_mm=at.x, y_mm=at.y, width_mm=size_mm), depth=Cut(fraction=0.25))

    @property
    def anchor(self) -> Point:
        return self.foot.at
