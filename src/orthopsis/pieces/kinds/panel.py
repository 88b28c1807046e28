"""The panel: tiles or a rug on the floor of a room, a picture, a door or a window in its walls."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Discriminator, PrivateAttr, Tag, model_validator

from orthopsis.construction.behind import behind_all
from orthopsis.construction.order import Body
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point, distance, part_way
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View, eye_space, on_paper
from orthopsis.phrase import Number, Own, Value, say
from orthopsis.picture.solid import far_off
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Flag, Grip, Site, Stage, Surface
from orthopsis.pieces.piece import Piece, form_of
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.foot import Foot
from orthopsis.pieces.placement.on_room import (
    InWall,
    OnBackWall,
    OnFloor,
    OnSideWall,
    OverFloor,
)
from orthopsis.pieces.placement.placement import Listed
from orthopsis.pieces.placement.room import BackWall, RoomPlace
from orthopsis.pieces.placement.room_corner import Corner
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.floor.again import AgainPanel
from orthopsis.pieces.shapes.floor.corner_tiles import CornerTiles
from orthopsis.pieces.shapes.floor.panel import BackPanel, FloorPanel, RoomPanel, SidePanel
from orthopsis.pieces.shapes.floor.tiles import Tiles
from orthopsis.pieces.shapes.tidy import tidy

Place = Annotated[
    Annotated[OverFloor, Tag("grid")]
    | Annotated[OnBackWall, Tag("front")]
    | Annotated[OnSideWall, Tag("wall")]
    | Annotated[OnFloor, Tag("foot")],
    Discriminator(form_of),
]


class Panel(Piece, Drawn):
    """Something flat `on` a surface of a room: tiles by their `grid`, a rug by its `foot`, in the
    back wall by its `front`, in another wall by cuts along that.
    """

    wrong_form: ClassVar = "refused-form-of-a-panel"

    kind: Literal["panel"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    on: Annotated[Surface, FieldRole.REFERENCE, Editor.NONE]
    look: Annotated[
        Literal["tiles", "rug", "picture", "door", "window", "cupboard", "plain"], FieldRole.CHOICE
    ] = "plain"
    transparent: Annotated[Flag, Editor.NONE] = False
    place: Place
    _room: RoomPlace | None = PrivateAttr(None)
    """The room that it lies in, once that is known."""

    @model_validator(mode="after")
    def _in_its_surface(self) -> Self:
        surface = self.on.partition("/")[2]
        if surface not in self.place.surfaces:
            raise Unfit(say("refused-panel-surface", surface=Own(self.on)), "on")
        return self

    @property
    def part(self) -> Part:
        """It is drawn as one."""
        return Part(self.id)

    @property
    def weight(self) -> float:
        if isinstance(self.place, OverFloor):
            return sum(self.place.grid) / 12.0
        return 1.0

    @property
    def measured_true(self) -> bool:
        square = isinstance(self.place, OverFloor) and self.place.row == "square"
        return square or super().measured_true

    def settled(self, others: Mapping[str, Listed], stage: Stage) -> Self:
        """The same, knowing its room. Raises ExerciseError."""
        name = self.on.partition("/")[0]
        found = others.get(name)
        if found is None or not isinstance(found.place, RoomPlace) or found.view != self.view:
            raise stage.refuse("on", say("refused-no-such-surface", surface=Own(self.on)))
        in_corner = isinstance(self.place, OnSideWall | OverFloor)
        if not in_corner and not isinstance(found.place, BackWall):
            raise stage.refuse("on", say("refused-no-such-surface", surface=Own(self.on)))
        there = super().settled(others, stage).model_copy()
        there._room = found.place
        return there

    @property
    def _room_id(self) -> str:
        return self.on.partition("/")[0]

    def _drawn(self, stage: Stage) -> Tiles | CornerTiles | RoomPanel:
        """What it is on its stage. Raises ExerciseError."""
        room = self._room
        assert room is not None, "a panel is measured out first"
        room.check(stage)
        surface = self.on.partition("/")[2]
        recess = self.place.recess if isinstance(self.place, InWall) else None
        recess_mm = recess.along_mm if recess else None
        known = self.part, self.name, self.look, self._room_id, room, surface, stage, recess_mm
        if isinstance(self.place, OnBackWall):
            return BackPanel(*known, self.place)
        if isinstance(self.place, OnSideWall):
            return SidePanel(*known, self.place)
        if isinstance(self.place, OnFloor):
            return FloorPanel(*known, self.place)
        if isinstance(room, Corner):
            return self._corner_tiles(stage, room)
        assert isinstance(room, BackWall)
        return self._tiles(stage, room)

    def _corner_tiles(self, stage: Stage, room: Corner) -> CornerTiles:
        assert isinstance(self.place, OverFloor)
        if self.place.tile_mm is None:
            raise stage.refuse("tile_mm", say("refused-tile-size"))
        return CornerTiles(
            self.part, self.name, self._room_id, room, stage, self.place.grid, self.place.tile_mm,
            self.place.chequered,
        )  # fmt: skip

    def _tiles(self, stage: Stage, room: BackWall) -> Tiles:
        assert isinstance(self.place, OverFloor)
        columns, rows = self.place.grid
        foot = self.place.foot
        if foot is not None:
            front = foot.at, foot.end
        else:
            # From wall to wall along the sheet's lower edge.
            vp, y_mm = stage.view.level_points[0].at, stage.sheet.bounds[3]
            share = (y_mm - vp.y) / (room.floor_mm - vp.y)
            left, right = (part_way(vp, room.corners()[k], share) for k in (3, 2))
            front = Point(left.x, y_mm), Point(right.x, y_mm)
        if front[0].y <= room.floor_mm:
            raise stage.refuse("foot", say("refused-panel-behind-wall"))
        row = self.place.row if isinstance(self.place.row, Cut) else None
        return Tiles(
            self.part, self.name, self._room_id, room, stage, front, columns, rows, row,
            own_line=foot is not None, chequered=self.place.chequered,
        )  # fmt: skip

    def solids(self, stage: Stage) -> list[AnySolid]:
        """Its lines in the surface, which hide nothing."""
        return [far_off(self._drawn(stage).solid())]

    def body(self, stage: Stage) -> Body:
        """The same by ruler."""
        return behind_all(self._drawn(stage).body())

    def dark_squares(self, stage: Stage) -> Sequence[Sequence[XY]]:
        drawn = self._drawn(stage)
        if isinstance(drawn, RoomPanel) or not drawn.chequered:
            return ()
        return drawn.squares()

    def build(self, site: Site) -> FrameMarks:
        """As its surface asks for."""
        return built(self._drawn(site.stage), site)

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        """Itself, and those beside it."""
        repeat = self.place.repeat if isinstance(self.place, InWall) else None
        if repeat is None:
            return (self,)
        drawn = self._drawn(stage)
        assert isinstance(drawn, RoomPanel), "only what lies in a wall is repeated"
        found: list[Drawn] = [self]
        for number in range(1, repeat.count):
            part = Part(self.id, number)
            name = say("panel-number", panel=self.name, number=Number(number + 1.0))
            drawn = AgainPanel(
                part, name, self.look, self._room_id, drawn.room, drawn.surface, stage,
                drawn.recess_mm, drawn, repeat.toward,
            )  # fmt: skip
            found.append(Again(drawn))
        return found

    def finish(self, site: Site) -> None:
        """Its light lines go when all that stands before it is there."""
        tidy(site, f"flat-{self.look}")

    @property
    def rests_on(self) -> Iterable[str]:
        return (self._room_id,)

    def grips(self, stage: Stage) -> list[Grip]:
        return self.place.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        """The same thing in the world, measured on the sheet of a viewer who stands elsewhere."""
        place = self.place
        drawn = self._drawn(stage)
        if isinstance(place, OverFloor) and place.tile_mm is not None:
            assert self._room is not None
            tile_mm = place.tile_mm * place_grown(self._room, stage, view)
            return self.placed(place.model_copy(update={"tile_mm": tile_mm}))
        if isinstance(place, OverFloor):
            return self if place.foot is None else self.placed(self._tiles_moved(stage, view))
        assert isinstance(drawn, RoomPanel)
        corners = [
            Point(*on_paper(stage.view.place_seen_by(view, eye_space(at, depth))))
            for at, depth in drawn.places
        ]
        a, _, c, d = corners
        if isinstance(place, OnBackWall):
            front = Front(x_mm=a.x, y_mm=a.y, width_mm=c.x - a.x, height_mm=c.y - a.y)
            there = {"front": front, "recess": self._recess_seen_from(drawn, stage, view)}
            return self.placed(place.model_copy(update=there))
        if isinstance(place, OnFloor):
            foot = Foot(x_mm=d.x, y_mm=d.y, width_mm=c.x - d.x)
            along_mm = distance(corners[2], corners[1])
            cut = Cut.model_validate({"along_mm": along_mm, "from": "bottom right"})
            return self.placed(OnFloor(foot=foot, depth=cut))
        assert isinstance(place, OnSideWall) and self._room is not None
        grown = place_grown(self._room, stage, view)
        feet = [Cut(x_mm=corners[k].x) for k in (1, 2)]
        return self.placed(
            place.model_copy(
                update={
                    "from_": feet[0], "to": feet[1], "up_mm": place.up_mm * grown,
                    "height_mm": place.height_mm * grown,
                    "recess": self._recess_seen_from(drawn, stage, view),
                }
            )
        )  # fmt: skip

    def _recess_seen_from(self, drawn: RoomPanel, stage: Stage, view: View) -> Cut | None:
        """How deep the same niche is on the sheet of a viewer who stands elsewhere."""
        niche = drawn.niche
        if niche is None:
            return None
        ends = (
            Point(*on_paper(stage.view.place_seen_by(view, place)))
            for place in niche.measure_in_space(drawn.places)
        )
        return Cut(along_mm=distance(next(ends), next(ends)))

    def _tiles_moved(self, stage: Stage, view: View) -> OverFloor:
        """Tiles with a front line of their own: that line elsewhere, and the same first row."""
        assert isinstance(self.place, OverFloor) and isinstance(self._room, BackWall)
        tiles = self._tiles(stage, self._room)
        depth = stage.depth_at(tiles.front_mm, "foot")
        left, right = (
            on_paper(stage.view.place_seen_by(view, eye_space(end, depth))) for end in tiles.front
        )
        foot = Foot(x_mm=left[0], y_mm=left[1], width_mm=right[0] - left[0])
        return self.place.model_copy(update={"foot": foot})

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        del at, size_mm
        looks = {"grid": "tiles", "front": "picture", "wall": "window", "foot": "rug"}
        return {"look": looks[form]}


@dataclass(frozen=True, eq=False)
class Again(Drawn):
    """One of those that are drawn beside the first."""

    drawn: AgainPanel

    @property
    def part(self) -> Part:
        return self.drawn.part

    @property
    def name(self) -> Value:
        return self.drawn.name

    def solids(self, stage: Stage) -> list[AnySolid]:
        """Its lines in the surface."""
        del stage
        return [far_off(self.drawn.solid())]

    def body(self, stage: Stage) -> Body:
        """The same by ruler."""
        del stage
        return behind_all(self.drawn.body())

    def build(self, site: Site) -> FrameMarks:
        """From the one before it."""
        return built(self.drawn, site)

    def finish(self, site: Site) -> None:
        """Its light lines go as those of the first."""
        tidy(site, f"flat-{self.drawn.look}")


def built(drawn: Tiles | CornerTiles | RoomPanel, site: Site) -> FrameMarks:
    """The marks of a panel's corners, once it is drawn."""
    if not isinstance(drawn, RoomPanel):
        drawn.build(site)
        return FrameMarks()
    marks = drawn.build(site)
    drawn.draw_niche(site, marks)
    return FrameMarks(dict(enumerate(marks)))


def place_grown(room: RoomPlace, stage: Stage, view: View) -> float:
    """How much larger the back of a room is seen from elsewhere."""
    depth = stage.depth_at(room.floor_mm, "on")
    return depth / stage.view.place_seen_by(view, eye_space(room.corners()[-1], depth))[2]
