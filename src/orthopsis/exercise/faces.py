"""The faces of a drawing that parts may be put on, as far as any of them shows."""

from __future__ import annotations

from collections.abc import Iterator
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
    try:
        order = scene.drawing_order
    except NoDrawingOrder:
        order = list(range(len(scene.parts)))
    found: list[FaceOfPiece] = []
    nearer: list[Area] = []
    for number in order:
        part, body = scene.parts[number], scene.bodies[number]
        for face in part.drawn.open_faces(part.stage):
            if any(not any(one.inside(at) for one in nearer) for at in _places(face)):
                found.append(FaceOfPiece(part.number, face))
        if not body.transparent:
            nearer += body.show().faces
    return found[::-1]


def _places(face: OpenFace) -> Iterator[XY]:
    """Places of a face, well within it."""
    many = len(face.outline)
    middle = (sum(x for x, _ in face.outline) / many, sum(y for _, y in face.outline) / many)
    for x, y in face.outline:
        for share in LOOKED_AT:
            yield middle[0] + share * (x - middle[0]), middle[1] + share * (y - middle[1])
