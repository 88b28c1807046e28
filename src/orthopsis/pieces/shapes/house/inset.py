"""An opening that is cut into its wall: what of its inside is seen through it.

The inside is a hollow block behind the wall. A line of sight enters it only through the opening, so
exactly that of it is seen which lies within the opening's outline on paper.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from orthopsis.perspective.plane import Point, direction
from orthopsis.perspective.segments import XY, Segment, at, inside, portions_inside
from orthopsis.perspective.vector import Vector, cross, dot, minus, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.pieces.base import Stage
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.walls import Wall, Walls

BESIDE, UPRIGHT_FROM = (1, 0, 3, 2), (3, 2, 1, 0)
"""Of the corners of an opening, counted round from its head's near end: the one on the same level,
and the one on the same side.
"""
LITTLE_MM = 1e-3


class InsetLine(NamedTuple):
    """A line of the inside that is seen, in eye space in the plane of the wall, and its family."""

    start: Vector
    end: Vector
    family: str


def into_wall(walls: Walls, wall: Wall, place: Vector) -> Vector:
    """The level way into a wall from a place in space, of any length."""
    vp = next((p for p in walls.stage.view.level_points if p.name == walls.across(wall)), None)
    if vp is None:
        return (1.0 if wall.name == "left" else -1.0, 0.0, 0.0)
    return vp.at.x, vp.at.y, vp.at.w


def enters(corner: Point, goal: Point, outline: Sequence[XY]) -> bool:
    """Whether the way into the wall from a corner of an opening is seen through it."""
    dx, dy = (goal.x, goal.y) if goal.at_infinity else direction(corner, goal)
    size = (dx * dx + dy * dy) ** 0.5
    x, y = corner.xy
    return inside((x + LITTLE_MM * dx / size, y + LITTLE_MM * dy / size), [outline])


def measured_corner(corners: Sequence[Point], goal: Point, level_mm: float) -> int | None:
    """From which corner of an opening its depth is measured: of those whose way in is seen the one
    furthest from the eye level. None where none is seen.
    """
    outline = [one.xy for one in corners]
    seen = [k for k in (1, 2, 0, 3) if enters(corners[k], goal, outline)]
    return max(seen, key=lambda k: round(abs(corners[k].y - level_mm), 6), default=None)


def inset_depth(
    cut: Cut, corners: Sequence[Vector], walls: Walls, wall: Wall, field: str, *, by_ruler: bool
) -> Vector | None:
    """How far an opening goes into its wall, as a way of space. Raises ExerciseError."""
    stage = walls.stage
    way = into_wall(walls, wall, corners[0])
    goal = Point(*way)
    start = measured_corner([Point(*on_paper(one)) for one in corners], goal, _level(stage))
    if start is None:
        return None
    end = cut_end(cut, corners[start], way, walls.across(wall), stage, field, by_ruler=by_ruler)
    return minus(end, corners[start])


def _level(stage: Stage) -> float:
    return stage.view.eye_level_mm


def inset_lines(
    corners: Sequence[Vector], depth: Vector, walls: Walls, wall: Wall
) -> Iterator[InsetLine]:
    """What is seen of the inside of an opening with those corners."""
    outline = [on_paper(one) for one in corners]
    back = [plus(one, depth) for one in corners]
    across, along = walls.across(wall), wall.family
    ways = (along, walls.stage.view.uprights.name)
    lines = [(a, b, across) for a, b in zip(corners, back, strict=True)]
    lines += [(back[k], back[(k + 1) % 4], ways[k % 2]) for k in range(4)]
    normal = cross(minus(corners[1], corners[0]), minus(corners[3], corners[0]))
    for start, end, family in lines:
        for segment in seen_through((on_paper(start), on_paper(end)), outline):
            a, b = (_in_plane(xy, corners[0], normal) for xy in segment)
            yield InsetLine(a, b, family)


def seen_through(segment: Segment, outline: Sequence[XY]) -> list[Segment]:
    """What of a line on paper lies within an outline."""
    return [(at(segment, t0), at(segment, t1)) for t0, t1 in portions_inside(segment, [outline])]


def _in_plane(xy: XY, place: Vector, normal: Vector) -> Vector:
    """Where the line of sight through a place of the sheet meets a plane."""
    ray = (xy[0], xy[1], 1.0)
    return times(ray, dot(normal, place) / dot(normal, ray))
