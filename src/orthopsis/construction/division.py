"""Parts and repeats: equal on paper by the ruler, equal in depth by diagonals.

Source: that diagonals of a rectangle cross in its middle stays true in perspective; handbooks of
drawing repeat bays of a wall so (from memory).
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple

from orthopsis.construction.circle import toward_family
from orthopsis.construction.doubt import mixed
from orthopsis.construction.moves import Do, Mark
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import direction, distance, part_way, toward
from orthopsis.perspective.stroke import Part


class Bay(NamedTuple):
    """A rectangle of a receding wall: the upper and lower marks of its near and far uprights."""

    near_top: Mark
    near_bottom: Mark
    far_top: Mark
    far_bottom: Mark


def divide(paper: Paper, start: Mark, end: Mark, parts: int) -> list[Mark]:
    """The marks that part a length into equal parts on paper, the ruler's zero on `start`."""
    return [divided(paper, start, end, k / parts) for k in range(1, parts)]


def divided(paper: Paper, start: Mark, end: Mark, share: float) -> Mark:
    """The mark at a share of a length on paper, by the ruler's zero on `start` or by halving."""
    sway = mixed((1.0 - share, start.sway), (share, end.sway))
    mark = paper.mark(part_way(start.at, end.at, share), sway)
    paper.moved(Do.DIVIDE, (start.name, end.name), mark.name)
    return mark


def carry(paper: Paper, length: tuple[Mark, Mark], start: Mark, goal: Mark) -> Mark:
    """A length between two marks, set off again from `start` toward `goal`."""
    (x, y), (dx, dy) = direction(length[0].at, length[1].at), direction(start.at, goal.at)
    # Only what makes the length longer moves the new mark, and along its own way.
    longer = mixed((1.0, length[1].sway), (-1.0, length[0].sway))
    along = {k: (dx * (x * sx + y * sy), dy * (x * sx + y * sy)) for k, (sx, sy) in longer.items()}
    mm = distance(length[0].at, length[1].at)
    mark = paper.mark(toward(start.at, goal.at, mm), mixed((1.0, start.sway), (1.0, along)))
    uses = (length[0].name, length[1].name, start.name, goal.name)
    paper.moved(Do.CARRY, uses, mark.name)
    return mark


def halve(paper: Paper, bay: Bay, upright: str, points: Mapping[str, Mark], part: Part) -> Bay:
    """The near half of a bay in depth: an upright through the crossing of its diagonals."""
    line = toward_family(paper, _middle(paper, bay, part), upright, points)
    top = paper.cross(line, paper.along(bay.near_top, bay.far_top))
    bottom = paper.cross(line, paper.along(bay.near_bottom, bay.far_bottom))
    return Bay(bay.near_top, bay.near_bottom, top, bottom)


def repeat(
    paper: Paper, bay: Bay, level: str, upright: str, points: Mapping[str, Mark], part: Part
) -> Bay:
    """The next bay of the same depth: the line from the near foot through the middle of the far
    upright meets the top line where the next upright stands. `level` is the family of that line.
    """
    middle = _middle(paper, bay, part)
    through = toward_family(paper, middle, level, points)
    halfway = paper.cross(through, paper.along(bay.far_top, bay.far_bottom))
    diagonal = paper.diagonal(bay.near_bottom, halfway, part)
    top = paper.cross(diagonal, paper.along(bay.near_top, bay.far_top))
    line = toward_family(paper, top, upright, points)
    bottom = paper.cross(line, paper.along(bay.near_bottom, bay.far_bottom))
    return Bay(bay.far_top, bay.far_bottom, top, bottom)


def _middle(paper: Paper, bay: Bay, part: Part) -> Mark:
    down = paper.diagonal(bay.near_top, bay.far_bottom, part)
    up = paper.diagonal(bay.near_bottom, bay.far_top, part)
    return paper.cross(down, up)
