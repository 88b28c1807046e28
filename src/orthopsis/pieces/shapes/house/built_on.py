"""Where something stands that is built on a house: its corners follow from the house's."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.construction.order import NearPlace
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Stage
from orthopsis.pieces.shapes.house.house import House


@dataclass(frozen=True)
class BuiltOn(ABC):
    """A block on a house, as the place of the house that it is."""

    house: House

    @property
    @abstractmethod
    def id(self) -> str:
        """What it is called in the house's list."""

    @abstractmethod
    def places(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        """Its eight corners on a house with those corners. Raises ExerciseError."""

    def in_space(self, stage: Stage) -> list[Vector]:
        """Its eight corners in eye space. Raises ExerciseError."""
        del stage
        return self._before_the_eye(self.house.in_space, by_ruler=False)

    def corners(self, stage: Stage) -> tuple[NearPlace, ...]:
        """The same by ruler. Raises ExerciseError."""
        del stage
        places = self._before_the_eye(self.house.on_paper, by_ruler=True)
        return tuple((Point(x / depth, y / depth), 1.0 / depth) for x, y, depth in places)

    def _before_the_eye(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        try:
            places = self.places(house, by_ruler=by_ruler)
            for place in places:
                on_paper(place)
        except Unfit:
            path = f"parts.{self.id}"
            raise self.house.stage.refuse(path, say("refused-part-behind")) from None
        return places
