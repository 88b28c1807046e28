"""Where a cut ends on a house: by projection for the picture, by ruler for the paper."""

from __future__ import annotations

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.perspective.plane import LEFT, LEVEL, Point
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import eye_space, on_paper
from orthopsis.phrase import Length, say
from orthopsis.pieces.base import Site, Stage
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


def cut_mark(
    cut: Cut, start: Mark, guide: Ruled, goal: Mark | None, way: Point, site: Site, column: str
) -> Mark:
    """The mark where a cut ends, with its sentence: toward the goal, or level where there is none.

    `way` is level, as the cut goes on paper.
    """
    step = site.paper.steps[-1]
    if goal is not None:
        mark, said = cut.build(site, start, goal, guide, way, (), None, column)
        step.says.append(said)
        return mark
    along_mm = cut.along_mm or 0.0
    mark = site.paper.measure_along(start, way, along_mm)
    step.say("chimney-level", start=start, along=Length(along_mm), mark=mark)
    step.differs(**{column: Length(along_mm)})
    return mark
