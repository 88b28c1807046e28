"""The faces of a drawing that parts may be put on, as far as any of them shows."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import suppress
from typing import NamedTuple

from orthopsis.construction.order import NoDrawingOrder
from orthopsis.exercise.resolve import Scene
from orthopsis.perspective.area import Area
from orthopsis.perspective.segments import XY
from orthopsis.pieces.base import OpenFace

LOOKED_AT = (0.1, 0.5, 0.9)
"""A face is looked at in places so far from its middle toward each corner."""


class FaceOfPiece(NamedTuple):
    """A face, and the number of the piece that it is of."""

    piece: int
    face: OpenFace


def open_faces(scene: Scene) -> list[FaceOfPiece]:
    """All of them that show, the furthest first. Raises ExerciseError."""
    turns = dict.fromkeys(range(len(scene.pieces)), 0)
    nearer: dict[int, list[Area]] = {}
    with suppress(NoDrawingOrder):
        before: list[Area] = []
        for turn, part in enumerate(scene.drawing_order):
            number = scene.parts[part].number
            turns[number] = -turn
            nearer[number] = list(before)
            if not scene.bodies[part].transparent:
                before += scene.bodies[part].show().faces
    found: list[FaceOfPiece] = []
    for number in sorted(turns, key=lambda k: turns[k]):
        for face in reversed(scene.pieces[number].open_faces(scene.stage(number))):
            covered = nearer.get(number, [])
            if any(not any(one.inside(at) for one in covered) for at in _places(face)):
                found.append(FaceOfPiece(number, face))
    return found


def _places(face: OpenFace) -> Iterator[XY]:
    """Places of a face, well within it."""
    many = len(face.outline)
    middle = (sum(x for x, _ in face.outline) / many, sum(y for _, y in face.outline) / many)
    for x, y in face.outline:
        for share in LOOKED_AT:
            yield middle[0] + share * (x - middle[0]), middle[1] + share * (y - middle[1])
