"""Lettering on a wall: block letters without thickness, between two lines of the wall."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from functools import cached_property
from typing import Annotated, Literal, NamedTuple

from pydantic import Field, model_validator

from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.perspective.view import FREE
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import Measures, Name, PaperLength
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.extrusion.alphabet import letter, set_in_row
from orthopsis.pieces.shapes.extrusion.profile import Profile
from orthopsis.pieces.shapes.extrusion.text import Text
from orthopsis.pieces.shapes.house.first_strip import first_strip
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, WallName

ROOM = 0.1
"""By eye a letter leaves this share of its field free on both sides."""


class LetterSide(NamedTuple):
    """A side of a letter: the shares of the strip's width and height at its ends, and how it runs
    on the face: along a row, a column, or slanted.
    """

    start: XY
    end: XY
    way: str


class Lettering(Measures):
    """A word in block letters that lie in the wall `on`, on a strip given as a panel is: between
    two cuts along the wall's foot, `up_mm` and `height_mm` on its near upright, or as a `front`.

    `drawn` by eye each letter has an equal field of the strip, and nobody judges it; by marks all
    of its lines are found.
    """

    kind: Literal["lettering"]
    id: Name
    on: Annotated[WallName, FieldRole.CHOICE]
    text: Text
    drawn: Annotated[Literal["by eye", "by marks"], FieldRole.CHOICE] = "by eye"
    from_: Annotated[Cut | None, Field(alias="from"), FieldRole.RUN] = None
    to: Annotated[Cut | None, FieldRole.RUN] = None
    up_mm: Annotated[float, Field(ge=0, le=1e4), FieldRole.LENGTH] = 0.0
    height_mm: PaperLength | None = None
    front: Front | None = None

    @model_validator(mode="after")
    def _on_one_strip(self) -> Lettering:
        assert self.strip is not None  # refused as a panel is
        return self

    @cached_property
    def strip(self) -> Panel:
        """The strip that the letters fill."""
        given = self.model_dump(by_alias=True, exclude_none=True, exclude={"kind", "text", "drawn"})
        return Panel.model_validate({**given, "kind": "panel"})

    @cached_property
    def profiles(self) -> list[Profile]:
        """The letters on the strip, each where it stands in its width."""
        row = set_in_row(self.text, "measured")
        if self.drawn == "by eye":
            wide, room = 1.0 / len(row), ROOM / len(row)
            places = [(k * wide + room, (k + 1) * wide - room) for k in range(len(row))]
        else:
            left, right = row[0].left_mm, row[-1].left_mm + row[-1].width_mm
            places = [
                ((one.left_mm - left) / (right - left),
                 (one.left_mm + one.width_mm - left) / (right - left))
                for one in row
            ]  # fmt: skip
        letters = [letter(one.character, "measured") for one in row]
        return [one.within(*place) for one, place in zip(letters, places, strict=True)]

    def sides(self) -> Iterator[LetterSide]:
        """All sides of all letters."""
        for profile in self.profiles:
            places = [place for loop in profile.places for place in loop]
            for a, b in profile.sides:
                yield LetterSide(places[a], places[b], profile.direction((a, b)))

    def corners(self, house: House, block: Sequence[Vector]) -> tuple[Vector, Vector, Vector]:
        """The strip's top left, top right and lower left corner, as it is seen."""
        wall = self.strip.wall(house.walls)
        ((_, four),) = self.strip.corners(block, house.walls)
        near_high, away_high, away_low, near_low = four
        if wall.near == "right":
            return away_high, near_high, away_low
        return near_high, away_high, near_low

    def places(self, house: House, block: Sequence[Vector]) -> Callable[[XY], Vector]:
        """Where shares of the strip's width and height lie in space."""
        left, right, low = self.corners(house, block)
        across, down = minus(right, left), minus(low, left)
        return lambda xy: plus(left, plus(times(across, xy[0]), times(down, xy[1])))

    def by_hand(self, house: House) -> list[tuple[XY, ...]]:
        """The outline on paper of what is drawn by eye. Raises ExerciseError."""
        return (
            self.strip.outlines(house.block_in_space, house.walls) if self.drawn == "by eye" else []
        )

    def details(self, house: House) -> list[Detail]:
        """Its lines in eye space. Raises ExerciseError."""
        wall = self.strip.wall(house.walls)
        at, families = self.places(house, house.block_in_space), families_on(house, wall)
        number = AROUND.index(wall.corners)
        return [
            Detail(number, at(side.start), at(side.end), families[side.way])
            for side in self.sides()
        ]


def families_on(house: House, wall: Wall) -> dict[str, str]:
    """The families of a letter's sides on a wall, by how they run."""
    uprights = house.stage.view.uprights.name
    return {"row": wall.family, "column": uprights, "slanted": FREE}


def first_lettering(house: House, id: str, on: str = "", at: Point | None = None) -> Lettering:
    """Where new lettering begins, in round measures: on a wall about the place where it was put, or
    on the first wall that shows. Raises ExerciseError.
    """
    strip = first_strip(house, on, at)
    return Lettering.model_validate({"kind": "lettering", "id": id, "text": "ART", **strip})
