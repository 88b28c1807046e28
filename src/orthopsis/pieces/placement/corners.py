"""The eight corners of a block, and what it shows of itself: a face is seen when its outline runs
clockwise.

Corners are numbered around the near face as it is seen, 0 to 3 clockwise from its top left, with
4 to 7 behind them. On a front the near face is the front. On an edge it is the left side: the front
edge is its right-hand upright, from corner 1 down to corner 2.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from orthopsis.construction.order import Body, NearPlace, SeenLine, Shown
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance
from orthopsis.perspective.stroke import Part
from orthopsis.phrase import Value
from orthopsis.pieces.base import Stage

Faces = Sequence[Sequence[int]]
FACES: tuple[tuple[int, int, int, int], ...] = (
    (0, 1, 2, 3),
    (7, 6, 5, 4),
    (1, 0, 4, 5),
    (2, 1, 5, 6),
    (3, 2, 6, 7),
    (0, 3, 7, 4),
)
"""Each face's corners, clockwise when its outside is turned to the eye."""

EDGES: tuple[tuple[int, int], ...] = tuple(
    sorted({(min(a, b), max(a, b)) for face in FACES for a, b in pairwise((*face, face[0]))})
)


INWARD = {0: LEVEL, 1: LEFT, 2: LEFT, 3: LEVEL}
"""The direction from a front's corner over the front."""


def outline_area_mm2(corners: Sequence[Point]) -> float:
    """Area of a loop on paper, positive when it runs clockwise to the eye."""
    total = 0.0
    for p, q in pairwise((*corners, corners[0])):
        (px, py), (qx, qy) = p.xy, q.xy
        total += px * qy - qx * py
    return total / 2


EDGE_ON_MM = 1e-6
"""A face that shows no wider than this is seen edge-on."""


def thickness_mm(corners: Sequence[Point]) -> float:
    """Area over the longer side, positive when the loop runs clockwise to the eye."""
    longest = max(distance(p, q) for p, q in pairwise((*corners, corners[0])))
    return outline_area_mm2(corners) / longest if longest else 0.0


def seen_faces(corners: Sequence[Point], faces: Faces = FACES) -> list[int]:
    """Numbers of the faces that show; one seen edge-on does not."""
    return [
        number
        for number, face in enumerate(faces)
        if thickness_mm([corners[k] for k in face]) > EDGE_ON_MM
    ]


def seen_edges(
    corners: Sequence[Point], transparent: bool, faces: Faces = FACES
) -> set[tuple[int, int]]:
    """Edges that border a face that shows; all of what is transparent."""
    shown = range(len(faces)) if transparent else seen_faces(corners, faces)
    return {
        (min(a, b), max(a, b))
        for number in shown
        for a, b in pairwise((*faces[number], faces[number][0]))
    }


def block_body(
    part: Part,
    name: Value,
    corners: tuple[NearPlace, ...],
    stage: Stage,
    on: Part | None = None,
    faces: tuple[tuple[int, ...], ...] = FACES,
) -> Body:
    """The block on paper: its corners, each with its nearness; `on` is what it is built on."""
    places = [place for place, _ in corners]

    def show() -> Shown:
        return Shown(
            faces=tuple(
                Area((tuple(places[k].xy for k in faces[number]),))
                for number in seen_faces(places, faces)
            ),
            edges=tuple(
                SeenLine((places[a].xy, places[b].xy), (corners[a][1], corners[b][1]))
                for a, b in sorted(seen_edges(places, stage.transparent, faces))
            ),
        )

    return Body(
        part=part,
        name=name,
        corners=corners,
        faces=faces,
        show=show,
        transparent=stage.transparent,
        floating=stage.floating,
        on=on,
        by_nearness=on is None and not stage.floating,
    )
