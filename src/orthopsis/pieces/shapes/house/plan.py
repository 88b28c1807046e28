"""The plan of a house on the ground: the lines by which the places below its corners are found,
from the foot of its walls on.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from orthopsis.construction.line_figure import FigureLine, Place
from orthopsis.perspective.vector import Vector, cross, dot, minus, size
from orthopsis.perspective.view import FREE, VERTICAL, level_families
from orthopsis.pieces.casting import form_of_faces
from orthopsis.pieces.shapes.house.form import FIRST
from orthopsis.pieces.shapes.house.hip import HELPS, Hip
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.member import Member
from orthopsis.pieces.shapes.house.on_wall_moves import OnWall
from orthopsis.pieces.shapes.house.planes import RoofPlane
from orthopsis.pieces.shapes.house.roofs import Gable
from orthopsis.pieces.shapes.house.setback import FOOT_UNDER
from orthopsis.pieces.shapes.house.setback_moves import OnTop
from orthopsis.pieces.shapes.house.walls import opposite
from orthopsis.pieces.shapes.shadow.plan import Plan

IN_PLANE = 1e-7
"""What lies so near to a plane, for its distance, lies in it."""
BASE = 3
"""A corner of every block's foot."""


def ground_below(house: House) -> float:
    """How far the ground lies below the eye level where the nearness is 1."""
    while isinstance(house.place, OnTop | OnWall):
        house = house.place.house
    _, y, depth = house.on_paper[BASE]
    return y - house.stage.view.eye_level_mm * depth


def plan_of_house(house: House) -> Plan:
    """A house, or what is built on one as a house. Raises ExerciseError."""
    level_mm, form = house.stage.view.eye_level_mm, house.form
    cast = form_of_faces(house.on_paper, form.faces, form.families, level_mm, ground_below(house))
    return Plan(house.part, cast, form.families)


def plan_of_member(member: Member) -> Plan:
    """A chimney or a dormer. Raises ExerciseError."""
    level_mm = member.house.stage.view.eye_level_mm
    cast = form_of_faces(
        member.by_ruler, member.faces, member.families, level_mm, ground_below(member.house)
    )
    return Plan(member.part, cast, member.families)


def lines_of_house(house: House) -> Iterator[FigureLine]:
    """A house and all that it stands on. Raises ExerciseError."""
    level, plan = level_families(house.stage.view), plan_of_house(house)
    yield from plan.lines(level)
    yield from _ridge(house, plan)
    if isinstance(house.place, OnTop):
        yield from lines_of_house(house.place.house)
        yield from _on_top(plan_of_house(house.place.house), plan)
    if isinstance(house.place, OnWall):
        yield from lines_of_house(house.place.house)
        yield from _on_wall(house.place, plan_of_house(house.place.house), plan)


def lines_of_member(member: Member) -> Iterator[FigureLine]:
    """What stands on a slope, and its house. Raises ExerciseError."""
    level, plan = level_families(member.house.stage.view), plan_of_member(member)
    yield from plan.lines(level)
    yield from lines_of_house(member.house)
    yield from _on_slope(member.plane, plan_of_house(member.house), plan)


def _ridge(house: House, plan: Plan) -> Iterator[FigureLine]:
    """Below a ridge: over the foot of a wall, and over the middle line of the whole foot."""
    roof = house.roof
    if not isinstance(roof, Gable | Hip):
        return
    p, q, r, s = roof.foot(house.walls)
    q1, p1, r1, s1 = opposite(roof.foot(house.walls))
    middle: Place = (house.part, "middle")
    yield FigureLine((plan.foot(s), middle, plan.foot(s1)), FREE)
    yield FigureLine((plan.foot(r), middle, plan.foot(r1)), FREE)
    along = house.form.families[min(q, q1), max(q, q1)]
    ends = range(FIRST, min(FIRST + 2, len(house.on_paper)))
    yield FigureLine((middle, *(plan.foot(k) for k in ends)), along)
    if isinstance(roof, Gable):
        across = house.form.families[min(r, s), max(r, s)]
        yield FigureLine((plan.foot(s), plan.foot(FIRST)), across)
        if roof.far != "parallel":
            yield FigureLine((plan.foot(s1), plan.foot(FIRST + 1)), across)
        return
    for helps, (near, far) in zip(HELPS, ((q, q1), (p, p1)), strict=True):
        if helps.below_far < len(house.on_paper):
            for number in (helps.below_near, helps.below_far):
                yield FigureLine((plan.corner(near), plan.corner(far), plan.corner(number)), FREE)
                yield FigureLine((plan.foot(near), plan.foot(far), plan.foot(number)), FREE)


def _on_top(base: Plan, plan: Plan) -> Iterator[FigureLine]:
    """A block on a flat roof, or one that hangs over it: its foot's edges meet those of the roof,
    drawn on, in places whose feet are found by the foot of the walls.
    """
    number = 0
    tops = ((0, 1), (4, 5)), ((0, 4), (1, 5))
    for one, other in (tops, tops[::-1]):
        for a, b in one:
            for c, d in other:
                low = FOOT_UNDER[c], FOOT_UNDER[d]
                number += 1
                place: Place = (plan.part, number, "on edge")
                foot: Place = (plan.part, number, "below edge")
                along, across = base.families[a, b], plan.families[min(low), max(low)]
                yield FigureLine((base.corner(a), base.corner(b), place), along)
                yield FigureLine((plan.corner(low[0]), plan.corner(low[1]), place), across)
                yield FigureLine((place, foot), VERTICAL)
                yield FigureLine((base.foot(a), base.foot(b), foot), along)
                yield FigureLine((foot, plan.foot(low[0]), plan.foot(low[1])), across)


def _on_wall(place: OnWall, base: Plan, plan: Plan) -> Iterator[FigureLine]:
    """What touches a wall has its foot on the foot of the wall."""
    _, _, r, s = place.wall.corners
    feet = dict.fromkeys(plan.foot(k) for k in place.numbers.behind)
    for foot in feet:
        yield FigureLine((base.foot(r), base.foot(s), foot), place.wall.family)


def _on_slope(plane: RoofPlane, base: Plan, plan: Plan) -> Iterator[FigureLine]:
    """What touches a slope lies level with a place of its near rake, and so do their feet."""
    eave, _, _, ridge = plane.corners
    for k, corner in enumerate(plan.form.corners):
        if not _in_plane(corner, [base.form.corners[n] for n in plane.corners[:3]]):
            continue
        place: Place = (plan.part, k, "on rake")
        foot: Place = (plan.part, k, "below rake")
        yield FigureLine((base.corner(eave), base.corner(ridge), place), FREE)
        yield FigureLine((place, plan.corner(k)), plane.along)
        yield FigureLine((place, foot), VERTICAL)
        yield FigureLine((base.foot(eave), base.foot(ridge), foot), FREE)
        yield FigureLine((foot, plan.foot(k)), plane.along)


def _in_plane(place: Vector, plane: Sequence[Vector]) -> bool:
    """Whether a place lies in the plane of three others."""
    a, b, c = plane
    normal, way = cross(minus(b, a), minus(c, a)), minus(place, a)
    return abs(dot(normal, way)) <= IN_PLANE * size(normal) * size(way)
