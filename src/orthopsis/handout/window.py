"""A window on the desk: which part of it is shown, and where it is printed; and a step's moment."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.construction.moves import Mark, Step
from orthopsis.exercise.crowd import named_marks
from orthopsis.exercise.resolve import Scene
from orthopsis.perspective.segments import XY, Box, Segment, at, portion_within
from orthopsis.perspective.view import VanishingPoint


@dataclass(frozen=True)
class Window:
    """A part of the desk, in sheet millimetres, and where it is printed, in those of the figure."""

    shown: Box
    place: Box

    @property
    def scale(self) -> float:
        return (self.place[2] - self.place[0]) / (self.shown[2] - self.shown[0])

    def at(self, xy: XY) -> XY:
        """A place of the sheet in the figure."""
        s = self.scale
        return (
            self.place[0] + (xy[0] - self.shown[0]) * s,
            self.place[1] + (xy[1] - self.shown[1]) * s,
        )

    def line(self, segment: Segment) -> Segment | None:
        """What is seen of a line of the sheet, in the figure."""
        portion = portion_within(segment, *self.shown)
        if portion is None:
            return None
        return self.at(at(segment, portion[0])), self.at(at(segment, portion[1]))

    def holds(self, xy: XY) -> bool:
        left, top, right, bottom = self.shown
        return left <= xy[0] <= right and top <= xy[1] <= bottom

    def area(self, box: Box) -> Box | None:
        """What is seen of an upright rectangle, in the figure."""
        left, top = max(box[0], self.shown[0]), max(box[1], self.shown[1])
        right, bottom = min(box[2], self.shown[2]), min(box[3], self.shown[3])
        if left >= right or top >= bottom:
            return None
        return *self.at((left, top)), *self.at((right, bottom))


@dataclass(frozen=True)
class Moment:
    """A step of a lesson, with what is on the sheet then."""

    scene: Scene
    steps: Sequence[Step]
    number: int

    @property
    def step(self) -> Step:
        return self.steps[self.number - 1]

    @property
    def points(self) -> list[VanishingPoint]:
        """All points that are placed by now, also those beside the sheet."""
        placed = {m.name for step in self.steps[: self.number] for m in step.marks if m.point}
        every = (*self.scene.vanishing_points, *self.scene.helping_points)
        return [vp for vp in every if vp.name in placed and not vp.at.at_infinity]

    @property
    def named(self) -> list[Mark]:
        """The marks that the words use, wherever they were made."""
        return named_marks(self.steps, self.number)

    @property
    def sheet(self) -> Box:
        return 0.0, 0.0, self.scene.sheet.width_mm, self.scene.sheet.height_mm


def fitted(wanted: Box, room: Box) -> Window:
    """A window with all that is wanted, in the shape of the room for it."""
    wide, high = room[2] - room[0], room[3] - room[1]
    scale = min(wide / (wanted[2] - wanted[0]), high / (wanted[3] - wanted[1]))
    x, y = (wanted[0] + wanted[2]) / 2, (wanted[1] + wanted[3]) / 2
    half = wide / scale / 2, high / scale / 2
    return Window((x - half[0], y - half[1], x + half[0], y + half[1]), room)


def grown(box: Box, more_mm: float) -> Box:
    return box[0] - more_mm, box[1] - more_mm, box[2] + more_mm, box[3] + more_mm


def at_least(box: Box, mm: float) -> Box:
    wide, high = max(mm, box[2] - box[0]), max(mm * 0.6, box[3] - box[1])
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    return x - wide / 2, y - high / 2, x + wide / 2, y + high / 2


def around(one: Box, other: Box) -> Box:
    """Both, with a little desk around them."""
    return grown(
        (
            min(one[0], other[0]), min(one[1], other[1]),
            max(one[2], other[2]), max(one[3], other[3]),
        ),
        2.0,
    )  # fmt: skip


def overlap(one: Box, other: Box) -> bool:
    return one[0] < other[2] and other[0] < one[2] and one[1] < other[3] and other[1] < one[3]


def loop(box: Box) -> tuple[XY, ...]:
    left, top, right, bottom = box
    return (left, top), (right, top), (right, bottom), (left, bottom)
