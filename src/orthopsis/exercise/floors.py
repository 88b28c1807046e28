"""The floors that things stand on beside the ground: the flat tops of other things."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Protocol

from orthopsis.errors import ExerciseError
from orthopsis.perspective.segments import XY, inside
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import Stage
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.corners import EDGE_ON_MM, thickness_mm
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.registry import AnyPiece

TOP = (1, 0, 4, 5)
"""A block's upper corners, clockwise to an eye above them."""


class Staged(Protocol):
    """What has pieces and says where each stands."""

    @property
    def pieces(self) -> Sequence[AnyPiece]: ...

    def stage(self, number: int, measured: Sequence[AnyPiece] | None = None) -> Stage: ...


def floor_under(
    piece: Piece,
    number: int,
    measured: Sequence[AnyPiece] | None,
    scene: Staged,
) -> float | None:
    """What the top that a piece stands on makes of a depth: depth times the distance from the eye
    level. None where it stands on no other thing. Raises ExerciseError.
    """
    if piece.on is None or piece.on == "ground":
        return None
    earlier = scene.pieces if measured is None else measured
    field = f"pieces[{number}].on"
    name, _, surface = piece.on.partition("/")
    base_number = next((k for k, one in enumerate(earlier[:number]) if one.id == name), None)
    if base_number is None:
        raise ExerciseError(field, say("refused-no-such-piece", piece=Own(name)))
    base = earlier[base_number]
    place, may = base.place, surface == "top" and base.flat_top and piece.may_float
    if not isinstance(place, BlockPlacement) or not may or base.view != piece.view:
        raise ExerciseError(field, say("refused-no-such-surface", surface=Own(piece.on)))
    stage = scene.stage(base_number, earlier)
    level_mm, corners = stage.view.eye_level_mm, place.corners(stage)
    # On a level plane, nearness goes with the distance from the eye level.
    at, nearness = max((corners[k] for k in TOP), key=lambda one: abs(one[0].y - level_mm))
    return (at.y - level_mm) / nearness


def shows_top_at(piece: Piece, stage: Stage, place: XY) -> bool:
    """Whether the flat top of a block is seen at a place of the sheet."""
    if not piece.flat_top or not isinstance(piece.place, BlockPlacement):
        return False
    corners = piece.place.corners(stage)
    top = [corners[k][0] for k in TOP]
    return thickness_mm(top) > EDGE_ON_MM and inside(place, [[one.xy for one in top]])
