"""Where a cut ends on a house: by projection for the picture, by ruler for the paper."""

from __future__ import annotations

from orthopsis.perspective.plane import LEFT, LEVEL, Point
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import eye_space, on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Stage
from orthopsis.pieces.placement.depth import Cut, check_share, share_on_paper


def inward(way: Vector) -> Point:
    """Level, in the direction in which something goes on paper."""
    return LEFT if way[0] < 0.0 else LEVEL


def cut_end(
    cut: Cut, start: Vector, way: Vector, family: str, stage: Stage, field: str, *, by_ruler: bool
) -> Vector:
    """The place where a cut ends that goes from a place in space along a family.

    `way` is the direction of space; on paper it leads to the family's point, or level: there the
    cut is a length. Raises ExerciseError.
    """
    vp = next((one.at for one in stage.view.level_points if one.name == family), None)
    if vp is None:
        if cut.along_mm is None:
            raise stage.refuse(field, say("refused-level-cut"))
        return plus(start, (inward(way).x * cut.along_mm * start[2], 0.0, 0.0))
    at = Point(*on_paper(start))
    if by_ruler:
        share = share_on_paper(at, vp, cut.place_on_paper(at, vp, stage.view, inward(way)))
    else:
        share = cut.share_by_projection(at, vp, stage.view)
    check_share(share, (at, vp), cut, stage, field)
    return plus(start, eye_space(vp, start[2] * share / (1.0 - share)))
