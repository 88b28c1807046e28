"""What a teacher asks the printer for."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, NamedTuple, get_args

from orthopsis.exercise.task import SheetCode

Part = Literal[
    "plan",
    "steps",
    "key",
    "starter",
    "fan",
    "strips",
    "ladders",
    "board",
    "corners",
    "slips",
    "materials",
]
PARTS: tuple[Part, ...] = get_args(Part)
"""All parts of a pack, in the order in which they are printed."""

PerPage = Literal[2, 4, 6]
Paper = Literal["sheet", "A4", "Letter"]

OFFICE_MM: dict[str, tuple[float, float]] = {"A4": (210.0, 297.0), "Letter": (215.9, 279.4)}
"""Paper of an office printer, portrait. Sources: ISO 216; ANSI/ASME Y14.1 (from memory)."""


class SheetFor(NamedTuple):
    """A pupil's own sheet: the name on it, and the number that its QR code tells."""

    name: str
    number: int | None = None


@dataclass(frozen=True)
class Order:
    """The parts of a pack and how they are printed.

    `paper` is what true-size pages come on: the exercise's own sheet, or office paper in tiles;
    `office` is the paper of all other pages. `marks` prints corner marks and, with `code`, a QR
    code that says what a sheet is held against. `pupils` get a sheet each of the
    starter.
    """

    parts: tuple[Part, ...] = ("steps", "key")
    per_page: PerPage = 6
    paper: Paper = "sheet"
    office: Literal["A4", "Letter"] = "A4"
    grey: bool = False
    marks: bool = False
    code: SheetCode | None = None
    pupils: tuple[SheetFor, ...] = ()
    class_size: int = 30
