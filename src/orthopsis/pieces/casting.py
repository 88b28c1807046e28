"""What casts a shadow, by ruler: corners, faces and edges, whatever they are of.

Corners are places that can be parted evenly: what lies at (x, y) with the nearness n is at
(x / n, y / n, 1 / n).
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence, Set
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple, Protocol

from orthopsis.construction.moves import Mark
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, loop_normal, times
from orthopsis.phrase import Value
from orthopsis.picture.solid import faces_beside
from orthopsis.pieces.base import Site

OWN_FOOT = 1e-6
"""What lies so near to its foot, for its distance, stands there itself."""


class CastEdge(NamedTuple):
    """An edge: its ends, its family, and the numbers of the two faces that it bounds."""

    start: int
    end: int
    family: str
    faces: tuple[int, int]


class CastFace(NamedTuple):
    """A face: its loops, and the way out of it."""

    loops: tuple[tuple[int, ...], ...]
    outward: Vector


def straight_below(place: Vector, level_mm: float, below: float) -> Vector:
    """The place of a floor under one; `below` is how far that lies under the eye level where the
    nearness is 1.
    """
    x, _, depth = place
    return x, level_mm * depth + below, depth


@dataclass(frozen=True, eq=False)
class CastForm:
    """The corners of a thing, what they bound, and the level of the floor that it stands on:
    `below` is how far that lies under the eye level where the nearness is 1.
    """

    corners: Sequence[Vector]
    faces: Sequence[CastFace]
    edges: Sequence[CastEdge]
    level_mm: float
    below: float

    def foot_of(self, place: Vector) -> Vector:
        """The place on its floor straight below one."""
        return straight_below(place, self.level_mm, self.below)

    @cached_property
    def feet(self) -> list[Vector]:
        """The places on its floor straight below its corners; of one that lies there, itself."""
        return [
            place if k in self.on_floor else self.foot_of(place)
            for k, place in enumerate(self.corners)
        ]

    @cached_property
    def on_floor(self) -> Set[int]:
        """The corners that lie on its floor themselves."""
        least = OWN_FOOT * max(1.0, abs(self.below))
        return {
            k for k, place in enumerate(self.corners)
            if abs(place[1] - self.foot_of(place)[1]) <= least
        }  # fmt: skip


def form_of_faces(
    corners: Sequence[Vector],
    faces: Sequence[Sequence[int]],
    families: Mapping[tuple[int, int], str],
    level_mm: float,
    below: float,
) -> CastForm:
    """The form of a thing whose faces are given clockwise from outside, and the families of its
    edges by their ends, the smaller number first.
    """
    beside = faces_beside(faces)
    return CastForm(
        corners,
        # Seen clockwise with y down the sheet, a loop's normal points away from the eye.
        [
            CastFace((tuple(loop),), times(loop_normal([corners[k] for k in loop]), -1.0))
            for loop in faces
        ],
        [CastEdge(*ends, families[ends], (two[0], two[-1])) for ends, two in beside.items()],
        level_mm,
        below,
    )


class Finder(Protocol):
    """Finds the marks of a thing, each when it is first needed."""

    def corner(self, number: int) -> Mark:
        """The mark of a corner, those that do not show included."""

    def foot(self, number: int) -> Mark:
        """The mark of the place on its floor straight below it."""


@dataclass(frozen=True, eq=False)
class Casting(ABC):
    """Something that casts shadows: what it is, and how its corners and their feet are found."""

    part: Part
    name: Value

    @property
    @abstractmethod
    def form(self) -> CastForm:
        """Its corners and what they bound. Raises ExerciseError."""

    @abstractmethod
    def finder(self, site: Site, handed: Mapping[Part, object]) -> Finder:
        """Finds its marks on the paper, by what all parts have handed over."""

    @property
    def plans(self) -> bool:
        """Whether its feet are looked for on the ground in a step of their own."""
        return False
