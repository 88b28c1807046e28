"""What of a row can be taken hold of on the sheet, and where it may go on."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Literal

from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance, part_way
from orthopsis.pieces.base import Grip, RowEnd, Stage
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import Placement
from orthopsis.pieces.placement.row import BlockInRow, EdgeInRow, FrontInRow
from orthopsis.pieces.placement.row_links import FROM_LEFT, TO_LEFT, TO_RIGHT, Measured, RowMember
from orthopsis.pieces.placement.way import WayPlace

ON_THE_WAY = 0.7
"""A row along a way is begun so far down between the eye level and the sheet's lower edge."""


def handles_in_row(block: BlockInRow, member: RowMember, path: str, stage: Stage) -> Iterator[Grip]:
    """Its top, how long it is, how far it goes back, and the gap before it."""
    places = block.corners(stage)
    (top, _), (foot, _) = (places[k] for k in block.seen_corners.near)
    points = stage.view.level_points
    if member.like is None:
        yield Grip(path, "top_mm", foot, top, top, label="grip-top")
        yield from _own_handles(block, foot, path, stage)
    if member.gap is not None:
        goal = points[1 if isinstance(block, EdgeInRow) and block.side == "right" else 0].at
        yield Grip(f"{path}.gap", member.gap.way, block.link.start, goal, foot, label="grip-gap")


def _own_handles(block: BlockInRow, foot: Point, path: str, stage: Stage) -> Iterator[Grip]:
    """How long it is and how far it goes back."""
    own = {grip.field: grip for grip in block.grips(stage)}
    if isinstance(block, EdgeInRow):
        other = "right" if block.side == "left" else "left"
        length, back = own[block.side], own[other]
        yield Grip(f"{path}.back", back.way, back.start, back.goal, back.at, label="grip-back")
    else:
        length = own["depth"]
        way = LEFT if block.side == "left" else LEVEL
        end = Point(foot.x + way.x * block.front.width_mm, foot.y)
        yield Grip(
            f"{path}.back", block.back.way, foot, part_way(foot, end, 20.0), end, label="grip-back"
        )
    yield Grip(
        f"{path}.length", length.way, length.start, length.goal, length.at, label="grip-length"
    )


def ends_of_block(place: Placement, stage: Stage) -> list[RowEnd]:
    """At which feet of a building a row may begin: at the far ends of the sides that show."""
    points = stage.view.level_points
    if not stage.view.uprights.at.at_infinity or stage.floating:
        return []
    if isinstance(place, OnEdge):
        places = place.corners(stage)
        return [
            RowEnd("left", places[TO_LEFT.far[1]][0]), RowEnd("right", places[TO_RIGHT.far[1]][0])
        ]  # fmt: skip
    if isinstance(place, OnFront):
        x_mm, front, places = points[0].at.x, place.front, place.corners(stage)
        if x_mm > front.x_mm + front.width_mm:
            return [RowEnd("left", places[TO_RIGHT.far[1]][0])]
        if x_mm < front.x_mm:
            return [RowEnd("right", places[FROM_LEFT.far[1]][0])]
    return []


def ends_of_way(place: WayPlace, stage: Stage) -> list[RowEnd]:
    """On both edges of a way, near us."""
    goal, found = place.goal(stage).at, []
    sides: tuple[Literal["left", "right"], ...] = ("left", "right")
    for side, x_mm in zip(sides, place.edges_mm, strict=True):
        found.append(RowEnd(side, part_way(place.at_sheet(stage, x_mm), goal, 1.0 - ON_THE_WAY)))
    return found


def next_in_row(
    block: BlockInRow, member: Measured, number: int, stage: Stage
) -> tuple[Cut, float]:
    """How long the next one is and where its top begins, in round measures: as long in truth as the
    last, a little lower or higher in turn.
    """
    places, points = block.corners(stage), stage.view.level_points
    near = places[block.seen_corners.near[1]][0]
    (top, _), (foot, _) = (places[k] for k in block.seen_corners.far)
    goal = points[0 if isinstance(block, FrontInRow) or block.side == "left" else 1].at
    smaller = distance(foot, goal) / distance(near, goal)
    length = member.length
    if length.along_mm is not None:
        # What is as long in truth shrinks by its distance and once more by its slant.
        length = Cut(along_mm=max(1.0, float(round(length.along_mm * smaller**2))))
    elif length.x_mm is not None:
        length = Cut(fraction=0.2)
    high_mm = foot.y - top.y
    return length, _round(top.y + (0.2 if number % 2 else -0.2) * high_mm)


def first_in_row(end: RowEnd, tall_mm: float, goal: Point, one_point: bool) -> dict[str, object]:
    """A first house at the end of what stands there, in round measures."""
    long_mm = max(5.0, _round(0.25 * distance(end.at, goal)))
    return {
        "top_mm": _round(end.at.y - tall_mm),
        "length": {"along_mm": long_mm},
        "back": {"along_mm": max(5.0, _round(0.6 * tall_mm if one_point else 0.5 * long_mm))},
    }


def _round(mm: float) -> float:
    return 5.0 * round(mm / 5.0)
