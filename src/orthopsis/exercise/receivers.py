"""What cast shadows fall on: the ground, and the floor and the walls of a room."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple, Protocol

from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.floors import level_of
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector, cross, dot, times
from orthopsis.perspective.view import FREE, HORIZONTAL, View, eye_space, level_families
from orthopsis.phrase import Own, say
from orthopsis.picture.shadow import Receiving
from orthopsis.pieces.base import Drawn, Stage
from orthopsis.pieces.kinds.room import Room
from orthopsis.pieces.placement.room import Wall
from orthopsis.pieces.registry import AnyPiece

GROUND = "ground"
FLOOR = "floor"


class Placed(Protocol):
    """Something that is drawn as one, where it stands, and the number of its piece."""

    @property
    def drawn(self) -> Drawn: ...
    @property
    def stage(self) -> Stage: ...
    @property
    def number(self) -> int: ...


class Surfaces(Protocol):
    """A document with what stands on its sheet."""

    @property
    def exercise(self) -> Exercise: ...
    @property
    def main(self) -> View: ...
    @property
    def pieces(self) -> Sequence[AnyPiece]: ...
    @property
    def parts(self) -> Sequence[Placed]: ...


class Receiver(NamedTuple):
    """A surface that shadows fall on: its name, what it covers of the sheet, None for all of it,
    and, of a wall, whose it is and how it stands.
    """

    name: str
    area: Area | None = None
    room: Room | None = None
    wall: Wall | None = None
    base: Placed | None = None
    """Of the top of a thing, that thing."""
    floor: float | None = None
    """Of a top, depth times the distance from the eye level."""

    @property
    def surface(self) -> str:
        """Which of the room's surfaces it is."""
        return self.name.rpartition("/")[2]


def receivers(scene: Surfaces) -> list[Receiver]:
    """The surfaces that the document names. Raises ExerciseError for what receives none."""
    tone = scene.exercise.tone
    return [_receiver(scene, k, name) for k, name in enumerate(tone.cast if tone else ())]


def _receiver(scene: Surfaces, number: int, name: str) -> Receiver:
    piece, _, surface = name.partition("/")
    if name == GROUND:
        return Receiver(name)
    room = next((one for one in scene.pieces if one.id == piece), None)
    if isinstance(room, Room):
        stage = stage_of(room, scene)
        if surface == FLOOR:
            return Receiver(name, Area((tuple(room.place.floor_outline(stage)),)), room)
        wall = room.place.walls(stage).get(surface)
        if wall is not None:
            return Receiver(name, Area((wall.outline,)), room, wall)
    found = _top(scene, piece, surface)
    if found is not None:
        return found._replace(name=name)
    says = say("refused-no-shadow-there", surface=Own(name))
    raise ExerciseError(f"tone.cast[{number}]", says)


def _top(scene: Surfaces, piece: str, surface: str) -> Receiver | None:
    """The level top of a thing of the main view."""
    for part in scene.parts:
        base, stage = scene.pieces[part.number], part.stage
        if base.id == piece and stage.view == scene.main and not stage.floating:
            places = base.places_of(surface, stage)
            if places:
                area = Area((tuple(place.xy for place, _ in places),))
                return Receiver("", area, base=part, floor=level_of(places, scene.main))
    return None


def stage_of(room: Room, scene: Surfaces) -> Stage:
    return next(part.stage for part in scene.parts if part.drawn.part == room.part)


def plane_of(receiver: Receiver, scene: Surfaces, *, aside: bool) -> Receiving:
    """Where it lies in eye space, for light that comes from the side or not. Raises
    ExerciseError.
    """
    view, wall = scene.main, receiver.wall
    if wall is None or receiver.room is None:
        kept = {name: name for name in level_families(view)}
        kept[view.uprights.name] = HORIZONTAL if aside else FREE
        normal = 0.0, 1.0, -view.eye_level_mm
        offset = view.eye_height_mm if receiver.floor is None else receiver.floor
        return Receiving(normal, offset, kept)
    place = receiver.room.place
    depth = stage_of(receiver.room, scene).depth_at(place.floor_mm, place.tells)
    corner = eye_space(place.corners()[wall.corner], depth)
    normal = cross(_way(wall.goal.at), _way(view.uprights.at))
    if dot(normal, corner) < 0.0:
        normal = times(normal, -1.0)
    # A line along the wall keeps its family, all others are thrown aside.
    kept = {name: name for name in (wall.goal.name, view.uprights.name)}
    return Receiving(normal, dot(normal, corner), kept)


def _way(point: Point) -> Vector:
    return point.x, point.y, point.w
