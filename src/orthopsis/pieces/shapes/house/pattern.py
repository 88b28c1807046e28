"""A pattern on a wall or a slope: courses along it, joints up it, by one piece of arithmetic."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Annotated, Literal, NamedTuple

from pydantic import Field

from orthopsis.errors import ExerciseError
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.segments import XY, Segment, portions_inside, remainder
from orthopsis.perspective.vector import Vector, seen_part_way
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import say
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import Measures, Name
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.surfaces import Surface, SurfaceName, surface_of

PatternLook = Literal["boards", "bricks", "tiles", "shingles", "slabs", "glass", "stripes"]
COURSES: frozenset[PatternLook] = frozenset(
    {"bricks", "tiles", "shingles", "slabs", "glass", "stripes"}
)
"""What lies in courses."""
STAGGERED: frozenset[PatternLook] = frozenset({"bricks", "tiles", "shingles"})
"""What has its joints between those of the course below."""


PATTERNS: Mapping[str, Sequence[SurfaceName]] = {
    "bricks": ("left", "right", "front"),
    "tiles": ("roof left", "roof right", "roof front", "roof side", "roof"),
}
"""What the bench may put on a house, and on which surfaces it looks for room."""

NEW_COURSE_MM = 5.0
"""How far apart the lines of a new pattern lie on paper: three pencil lines would fit between."""


class Line(NamedTuple):
    """A line of a pattern, by shares of the surface's width and height: its ends, and whether it is
    a joint, which goes up.
    """

    start: XY
    end: XY
    joint: bool


class Pattern(Measures):
    """Lines on the whole of a surface: so many `courses` of equal height in truth, and in each so
    many `bays` of equal width. Boards have no courses, and stripes no bays.
    """

    kind: Literal["pattern"]
    id: Name
    on: Annotated[SurfaceName, FieldRole.CHOICE]
    look: Annotated[PatternLook, FieldRole.CHOICE] = "bricks"
    courses: Annotated[int, Field(ge=1, le=20), FieldRole.COUNT] = 6
    bays: Annotated[int, Field(ge=1, le=24), FieldRole.COUNT] = 8

    @property
    def rows(self) -> int:
        return self.courses if self.look in COURSES else 1

    @property
    def levels(self) -> list[float]:
        """How far up the courses part, as shares of the height."""
        return [k / self.rows for k in range(1, self.rows)]

    @property
    def joints(self) -> list[float]:
        """How far along joints stand, as shares of the width."""
        if self.look == "stripes":
            return []
        found = [k / self.bays for k in range(1, self.bays)]
        if self.look in STAGGERED and self.rows > 1:
            found += [(k + 0.5) / self.bays for k in range(self.bays)]
        return sorted(found)

    def joint_rows(self, across: float) -> Iterator[tuple[float, float]]:
        """From where to where a joint goes up: all the way, or through every second course."""
        if self.look not in STAGGERED:
            yield 0.0, 1.0
            return
        between = round(across * self.bays * 2) % 2
        for row in range(between, self.rows, 2):
            yield row / self.rows, (row + 1) / self.rows

    def lines(self, surface: Surface, corners: Sequence[Vector]) -> Iterator[Line]:
        """All its lines on a surface of a house with those corners."""
        for level in self.levels:
            first, last = surface.ends(corners, level)
            yield Line((first, level), (last, level), joint=False)
        for across in self.joints:
            most = surface.highest(corners, across)
            for low, high in self.joint_rows(across):
                if low < most - 1e-9:
                    yield Line((across, low), (across, min(high, most)), joint=True)

    # --- on a house ---------------------------------------------------------------------------

    def surface(self, house: House) -> Surface:
        """What it lies on. Raises ExerciseError."""
        return surface_of(house, self.on, f"parts.{self.id}.on")

    def openings(self, house: House) -> list[Sequence[XY]]:
        """The outlines on paper of windows and doors in the same wall, where it stops."""
        return [
            outline
            for panel in house.panels
            if panel.on == self.on
            for outline in panel.outlines(house.on_paper, house.walls, house.taken(panel))
        ]

    def details(self, house: House) -> list[Detail]:
        """Its lines in eye space, stopped at windows and doors. Raises ExerciseError."""
        surface, openings = self.surface(house), self.openings(house)
        found = []
        for line in self.lines(surface, house.in_space):
            a, b = (surface.at(house.in_space, *end) for end in (line.start, line.end))
            family = surface.up if line.joint else surface.along
            for start, end in _open_parts(a, b, openings):
                found.append(Detail(surface.face, start, end, family))
        return found

    def outline(self, house: House) -> list[XY]:
        """The outline of its surface on paper. Raises ExerciseError."""
        return [on_paper(house.on_paper[k]) for k in self.surface(house).outline]

    def on_paper(self, house: House) -> list[Segment]:
        """Its lines as they will be on paper. Raises ExerciseError."""
        surface = self.surface(house)
        ends = ((line.start, line.end) for line in self.lines(surface, house.on_paper))
        return [
            (on_paper(surface.at(house.on_paper, *a)), on_paper(surface.at(house.on_paper, *b)))
            for a, b in ends
        ]


def _open_parts(
    start: Vector, end: Vector, openings: Sequence[Sequence[XY]]
) -> list[tuple[Vector, Vector]]:
    """The parts of a line of space that lie in none of some outlines on paper."""
    segment = on_paper(start), on_paper(end)
    inside = [part for one in openings for part in portions_inside(segment, [one])]
    return [
        (seen_part_way(start, end, t0), seen_part_way(start, end, t1))
        for t0, t1 in remainder(inside)
    ]


def first_pattern(house: House, look: str, id: str, on: str = "") -> Pattern:
    """A new pattern on a surface, or on the first that may have it. Raises ExerciseError."""
    refused: ExerciseError | None = None
    for name in (on,) if on else PATTERNS[look]:
        pattern = Pattern.model_validate({"kind": "pattern", "id": id, "on": name, "look": look})
        try:
            if house.faces_us(pattern.surface(house).face):
                return _roomy(pattern, house)
        except ExerciseError as error:
            refused = error
    raise refused or house.stage.refuse("parts", say("refused-no-slope"))


def _roomy(pattern: Pattern, house: House) -> Pattern:
    """The same with no more courses and bays than a pencil has room for where it narrows."""
    near_foot, far_foot, far_top, near_top = (Point(*at) for at in pattern.outline(house))
    foot, near = join(near_foot, far_foot), join(near_foot, near_top)
    high_mm = min(distance_point_line(top, foot) for top in (near_top, far_top))
    wide_mm = min(distance_point_line(far, near) for far in (far_foot, far_top))
    # Joints stand between those of the course below, so there are two to a bay.
    courses = min(pattern.courses, max(2, int(high_mm / NEW_COURSE_MM)))
    bays = min(pattern.bays, max(2, int(wide_mm / (2.0 * NEW_COURSE_MM))))
    return pattern.model_copy(update={"courses": courses, "bays": bays})
