"""Solids as flat numbers: what the kernel works on, lists or arrays."""

from __future__ import annotations

from typing import NamedTuple

TRANSPARENT = 1
FLOATS = 2
"""Flags of a solid: whether it is seen through, and FLOATS times the number of the group it floats
with, 0 for what stands on the ground."""

Floats = list[float]
Ints = list[int]


class Mesh(NamedTuple):
    """All solids at once. Vertices, loops, faces and edges are numbered through.

    `vertices` x, y, depth of eye space; `paper` x, y on the sheet and `nearness` 1/depth of each.
    `solid_vertices`, `solid_faces`, `face_loops` and `loop_starts` tell where each one's begin,
    with one entry more for the end. `edges` are four numbers: two vertices, and the two faces that
    meet there. `solid_flags` are TRANSPARENT and FLOATS.
    """

    vertices: Floats
    paper: Floats
    nearness: Floats
    solid_vertices: Ints
    solid_faces: Ints
    solid_flags: Ints
    face_solid: Ints
    face_loops: Ints
    loop_starts: Ints
    loop_points: Ints
    edges: Ints
    edge_solid: Ints


class Seen(NamedTuple):
    """What is found out first: four numbers for each face's plane, and for each box on paper.

    A plane is the outward normal n, and n·corner, which is negative where the eye is outside;
    `inverse_depths` has its 1/depth on the sheet as three numbers, a·x + b·y + c.
    A box is left, top, right, bottom. `facing` and `shown` are 0 or 1, `covers` 1 where a face
    can hide something.
    """

    planes: Floats
    inverse_depths: Floats
    face_boxes: Floats
    facing: Ints
    covers: Ints
    edge_boxes: Floats
    shown: Ints


class Grid(NamedTuple):
    """Which boxes touch each of `side` × `side` cells: `items` from `starts[k]` on for cell k."""

    left: float
    top: float
    wide: float
    high: float
    side: int
    starts: Ints
    items: Ints


class Room(NamedTuple):
    """Places to work in. `stamps` has one for each face and edge, the others enough for all."""

    stamps: Ints
    ts: Floats
    low: Floats
    high: Floats
