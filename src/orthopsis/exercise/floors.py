"""What things stand on beside the ground: flat tops of others; walls and ceilings they hang on."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import NamedTuple, Protocol

from orthopsis.construction.order import NearPlace
from orthopsis.errors import ExerciseError
from orthopsis.perspective.segments import XY, inside
from orthopsis.perspective.view import View
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import Stage
from orthopsis.pieces.kinds.panel import Panel
from orthopsis.pieces.kinds.room import Room
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.corners import EDGE_ON_MM, thickness_mm
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.registry import AnyPiece


class Staged(Protocol):
    """What has pieces and says where each stands."""

    @property
    def pieces(self) -> Sequence[AnyPiece]: ...

    def stage(self, number: int, measured: Sequence[AnyPiece] | None = None) -> Stage: ...


class Under(NamedTuple):
    """What a piece stands on beside the ground: the `floor` that a top is, as depth times distance
    from the eye level; or how far away it hangs on a wall or a ceiling.
    """

    floor: float | None = None
    hung: float | None = None


def under(
    piece: Piece,
    number: int,
    measured: Sequence[AnyPiece] | None,
    scene: Staged,
) -> Under:
    """What a piece stands on or hangs on, if that is another thing. Raises ExerciseError."""
    if piece.on is None or piece.on == "ground":
        return Under()
    earlier = scene.pieces if measured is None else measured
    field = f"pieces[{number}].on"
    name, _, surface = piece.on.partition("/")
    base_number = next((k for k, one in enumerate(earlier[:number]) if one.id == name), None)
    if base_number is None:
        raise ExerciseError(field, say("refused-no-such-piece", piece=Own(name)))
    base = earlier[base_number]
    stage = scene.stage(base_number, earlier)
    # The floor of a room is the ground; what lies in its walls stands nowhere.
    in_room = base.surfaces if isinstance(base, Room) and base.view == piece.view else ()
    if surface in in_room and (surface == "floor" or isinstance(piece, Panel)):
        return Under()
    if surface in in_room and isinstance(base, Room):
        hung = _hung(piece, base, surface, replace(stage, path=f"pieces[{number}]"))
        if hung is not None:
            return Under(hung=hung)
    fits = piece.may_float and base.view == piece.view
    places = base.places_of(surface, stage) if fits else ()
    if not places:
        raise ExerciseError(field, say("refused-no-such-surface", surface=Own(piece.on)))
    return Under(floor=level_of(places, stage.view))


def level_of(places: Sequence[NearPlace], view: View) -> float:
    """How far below the eye level a level plane lies, by a nearness of 1: depth times the distance
    from the eye level on paper, by that of its places which tells it best.
    """
    level_mm = view.eye_level_mm
    # On a level plane, nearness goes with the distance from the eye level.
    at, nearness = max(places, key=lambda one: abs(one[0].y - level_mm))
    return (at.y - level_mm) / nearness


def _hung(piece: Piece, room: Room, surface: str, stage: Stage) -> float | None:
    """How far away a block is of which a corner lies on a wall or a ceiling. Raises ExerciseError
    where the surface is not seen at that corner.
    """
    place = piece.place
    if not isinstance(place, BlockPlacement) or surface not in place.touches or not piece.may_float:
        return None
    floating = replace(stage, floating=True)
    corner, nearness = place.corners(floating)[place.touches[surface]]
    depth = room.place.depth_on(surface, corner, stage)
    if depth is None:
        raise stage.refuse(place.tells, say("refused-off-the-surface", surface=Own(piece.on or "")))
    return depth * nearness


def surface_at(pieces: Sequence[AnyPiece], place: XY, view: View) -> str | None:
    """The surface of a room of the main view on which a place of the sheet is seen."""
    rooms = (piece for piece in pieces if isinstance(piece, Room) and piece.view is None)
    return next((f"{room.id}/{room.place.surface_at(place, view)}" for room in rooms), None)


def shows_top_at(piece: Piece, stage: Stage, place: XY) -> bool:
    """Whether the flat top of a block is seen at a place of the sheet."""
    top = [corner for corner, _ in piece.places_of("top", stage)]
    return bool(top) and thickness_mm(top) > EDGE_ON_MM and inside(place, [[one.xy for one in top]])
