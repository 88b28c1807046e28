"""What every placement can do: say where its block lies, for the picture and for the paper."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Iterable, Mapping, Sequence
from typing import Any, ClassVar, NamedTuple

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import NearPlace
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import View
from orthopsis.phrase import say
from orthopsis.pieces.base import Grip, Measures, Site, Stage
from orthopsis.pieces.placement.edges import Edges


class Frame(NamedTuple):
    """A block in eye space: corners 0 to 3 of its near face, the families of the sides between
    them, and the sweep that leads to corners 4 to 7, with its family.
    """

    near: list[Vector]
    sides: list[str]
    sweep: Vector
    family: str


class Placement(Measures):
    """Where a piece takes hold of the sheet."""

    form: ClassVar[str]
    """What this way of placing is called: front, edge, lines."""
    tells: ClassVar[str]
    """The field of a document by which it is known."""
    sized: ClassVar[tuple[str, str]] = ("", "")
    """What the corner opposite the anchor sets, across and down: fields, "" where it sets none."""
    surfaces: ClassVar[tuple[str, ...]] = ()
    """The surfaces of a room that it is meant for."""
    systems: ClassVar[tuple[int, ...]]
    """For how many vanishing points it is."""

    def seen(self, view: View, name: str) -> View:
        """The view in which the piece is seen; `name` names points of its own.

        Raises ValueError where there are none.
        """
        del name
        return view

    @classmethod
    @abstractmethod
    def first(cls, at: Point, size_mm: float, points: int) -> Placement:
        """A new piece's place: its nearest corner `at` a place of the sheet, of a handy size, in a
        view with so many vanishing points.
        """

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> Placement:
        """The same in that view, where it may depend on the places of the pieces before it, by
        their ids.

        Raises Unfit.
        """
        del earlier
        return cls.first(at, size_mm, len(view.vanishing_points))

    def first_value(self, field: str, stage: Stage) -> Any:
        """What a field begins with that may be left out. Raises ExerciseError where it may not."""
        raise stage.refuse(field, say("refused-no-first-value"))

    def settled(self, others: Mapping[str, Listed], view: str | None, stage: Stage) -> Placement:
        """The placement with measures of its own, where it is given by another's.

        `others` are the blocks listed before it, by their ids; `view` is its view's name.
        Raises ExerciseError.
        """
        del others, view, stage
        return self

    @property
    def rests_on(self) -> Iterable[str]:
        """The ids of the pieces by whose lines it is given."""
        return ()

    @property
    def named(self) -> Mapping[str, str]:
        """What the document calls the sides of the block that it gives."""
        return {}

    @property
    def turned(self) -> bool:
        """Whether the piece has vanishing points of its own."""
        return False

    @property
    @abstractmethod
    def anchor(self) -> Point:
        """The place that it is taken hold of."""

    @abstractmethod
    def grips(self, stage: Stage) -> list[Grip]:
        """The cuts, for taking hold of them on the sheet."""


class BlockPlacement(Placement):
    """Where a block stands: by a front, by an edge, or on the lines of another."""

    touches: ClassVar[Mapping[str, int]] = {}
    """The corner that lies on each surface of a room that it may hang on."""

    @abstractmethod
    def frame(self, stage: Stage, places: Sequence[XY] | None = None) -> Frame:
        """The block in eye space. Raises ExerciseError.

        `places` are those of its face, by shares of width and height, from which a depth may be
        measured; left out, its corners.
        """

    def in_space(self, stage: Stage) -> list[Vector]:
        """The eight corners in eye space. Raises ExerciseError."""
        near, _, sweep, _ = self.frame(stage)
        return [*near, *(plus(corner, sweep) for corner in near)]

    @abstractmethod
    def corners(self, stage: Stage, places: Sequence[XY] | None = None) -> tuple[NearPlace, ...]:
        """The eight corners by ruler, with their nearness. Raises ExerciseError."""

    @abstractmethod
    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        """The steps that draw the block; returns the marks of its corners, as far as needed."""

    @abstractmethod
    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        """The same block seen by a viewer who stands elsewhere before the same sheet."""


class UnsettledPlace(BlockPlacement):
    """A block that is given by other things: it is measured out before anything asks for it."""

    def _unsettled(self) -> RuntimeError:
        return RuntimeError("what is given by other things is measured out first")

    def frame(self, stage: Stage, places: object = None) -> Frame:
        raise self._unsettled()

    def corners(self, stage: Stage, places: object = None) -> tuple[NearPlace, ...]:
        raise self._unsettled()

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        raise self._unsettled()

    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        raise self._unsettled()

    def grips(self, stage: Stage) -> list[Grip]:
        """None before it is measured out."""
        del stage
        return []


class Listed(NamedTuple):
    """A block of the list, measured out, and the name of the view it is seen in."""

    place: Placement
    view: str | None
