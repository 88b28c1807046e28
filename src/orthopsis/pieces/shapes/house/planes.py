"""Roof planes as surfaces: an eave, a way up the roof, and a way along it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.perspective.vector import Vector, minus
from orthopsis.perspective.view import FREE, VanishingPoint
from orthopsis.phrase import say
from orthopsis.pieces.shapes.house.form import FIRST, middle, pair, vanishing
from orthopsis.pieces.shapes.house.hip import HELPS, Hip
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.roofs import DOWN, UP, Gable, LeanTo, Pitched, Slope
from orthopsis.pieces.shapes.house.walls import Wall, opposite


@dataclass(frozen=True)
class RoofPlane:
    """A slope by the numbers of its corners: the eave's ends, over the wall that shows the slope
    from the side and far from it, and the ridge's ends above them. `wall` is that wall, `under` the
    corners of the block whose middle lies straight below the ridge's near end.
    """

    slope: Slope
    wall: Wall
    under: tuple[int, int]
    along: str
    """The family of the eave."""
    up: str
    """The family of the lines up the roof."""

    @property
    def corners(self) -> tuple[int, int, int, int]:
        """Near and far eave, far and near ridge."""
        slope = self.slope
        return slope.eave, slope.far_eave, slope.far_ridge, slope.ridge

    def eave(self, corners: Sequence[Vector]) -> Vector:
        """The way along the eave."""
        return minus(corners[self.slope.far_eave], corners[self.slope.eave])

    def rise(self, corners: Sequence[Vector]) -> Vector:
        """The way up the roof, from eave to ridge."""
        return minus(corners[self.slope.ridge], corners[self.slope.eave])

    def level(self, corners: Sequence[Vector]) -> Vector:
        """The level way from the eave to below the ridge."""
        a, b = self.under
        return minus(middle(corners[a], corners[b]), corners[self.slope.eave])


def roof_planes(house: House) -> dict[str, RoofPlane]:
    """The slopes that turn to us, by their names; none where a roof has no such planes."""
    roof, form = house.roof, house.form
    if isinstance(roof, Hip):
        return _of_hip(house, roof)
    if not isinstance(roof, Gable | LeanTo):
        return {}
    foot, walls = roof.foot(house.walls), house.walls.by_name.values()
    found: dict[str, RoofPlane] = {}
    for slope in roof.slopes(house.walls):
        number = next(
            k for k, face in enumerate(form.faces)
            if k > 4 and {slope.eave, slope.far_eave} <= set(face)
        )  # fmt: skip
        name = next((name for name, one in form.names.items() if one == number), None)
        if name is None or not house.faces_us(number):
            continue
        if isinstance(roof, Gable):
            under = (foot[0], foot[1])
            wall = next(one for one in walls if one.corners == foot)
        else:
            q1, p1, _, _ = opposite(foot)
            base = q1 if slope.eave == foot[1] else p1
            under = (base, base)
            wall = next(one for one in walls if {slope.eave, base} <= set(one.corners[:2]))
        plane = RoofPlane(
            slope, wall, under, form.families[pair(slope.eave, slope.far_eave)],
            form.families[slope.near],
        )  # fmt: skip
        found[name] = plane
    return found


def _of_hip(house: House, roof: Hip) -> dict[str, RoofPlane]:
    """Its long slopes: each as the rectangle below its ridge."""
    p, q, _, _ = roof.foot(house.walls)
    q1, p1, _, _ = opposite(roof.foot(house.walls))
    wall = next(
        (one for one in house.walls.by_name.values() if one.corners == roof.foot(house.walls)), None
    )
    found: dict[str, RoofPlane] = {}
    for helps, (near, far), number in zip(HELPS, ((q, q1), (p, p1)), (6, 8), strict=True):
        name = next((name for name, one in house.form.names.items() if one == number), None)
        if wall is None or name is None or not house.faces_us(number):
            continue
        slope = Slope(helps.below_near, FIRST, helps.below_far, FIRST + 1)
        rises = wall.near is not None and near == wall.near_upright[0]
        up = FREE if wall.near is None else f"{house.part}:{UP if rises else DOWN}"
        under = HELPS[0].below_near, HELPS[1].below_near
        along = house.form.families[pair(near, far)]
        found[name] = RoofPlane(slope, wall, under, along, up)
    return found


def hip_points(house: House) -> list[VanishingPoint]:
    """The points of lines up a hip's long slopes, where anything lies on them."""
    if not isinstance(house.roof, Hip) or not house.on_slopes:
        return []
    corners = house.in_space
    return [
        vanishing(plane.up, corners[plane.slope.eave], corners[plane.slope.ridge])
        for plane in roof_planes(house).values()
        if plane.up != FREE
    ]


def slope_called(house: House, name: str, field: str) -> RoofPlane:
    """The slope of that name that turns to us. Raises ExerciseError where there is none, or where
    its far end is only nearly right.
    """
    roof = house.roof
    if isinstance(roof, Pitched) and roof.far == "parallel" and roof.shows_point(house.walls):
        raise house.stage.refuse("roof.far", say("refused-slope-by-parallel"))
    planes = roof_planes(house)
    if name not in planes:
        raise house.stage.refuse(field, say("refused-no-such-slope"))
    return planes[name]
