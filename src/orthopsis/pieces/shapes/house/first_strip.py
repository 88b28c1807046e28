"""Where a strip of a wall begins that something new lies on, in round measures."""

from __future__ import annotations

from typing import Any

from orthopsis.perspective.plane import Point, distance, join, meet
from orthopsis.perspective.view import on_paper
from orthopsis.pieces.shapes.house.house import House


def first_strip(house: House, on: str = "", at: Point | None = None) -> dict[str, Any]:
    """A strip on a wall about the place that was pointed at, or on the first wall that shows: the
    fields that give it. Raises ExerciseError.
    """
    walls = house.walls
    wall = next((one for one in walls.by_name.values() if one.name == on), walls.shown[0])
    corners = [Point(*on_paper(place)) for place in house.on_paper]
    top, foot = (corners[k] for k in wall.near_upright)
    far_top, far_foot = (corners[k] for k in wall.far_upright)
    high_mm = distance(top, foot)
    tall_mm = max(2.0, round(high_mm / 6.0))
    if wall.near is None:
        wide_mm = round(distance(top, far_top) / 2.0)
        middle = Point((top.x + far_top.x) / 2.0, top.y + high_mm / 3.0) if at is None else at
        front = {"x_mm": round(middle.x - wide_mm / 2.0),
                 "y_mm": round(middle.y - tall_mm / 2.0), "width_mm": wide_mm,
                 "height_mm": tall_mm}  # fmt: skip
        return {"on": wall.name, "front": front}
    reach, up_mm, begin = distance(foot, far_foot), high_mm * 0.6, 0.2
    wide = 0.3
    if at is not None:
        below = meet(join(at, house.stage.view.uprights.at), join(foot, far_foot))
        middle_share = min(max(distance(foot, below) / reach, 0.2), 0.8)
        begin = middle_share - wide / 2.0
        goal = next(vp.at for vp in house.stage.view.level_points if vp.name == wall.family)
        carried = meet(join(at, goal), join(foot, top))
        up_mm = min(max(distance(foot, carried) - tall_mm / 2.0, 0.0), high_mm - tall_mm)
    begin_mm = max(1.0, round(begin * reach))
    return {"on": wall.name, "from": {"along_mm": begin_mm},
            "to": {"along_mm": min(begin_mm + max(1.0, round(wide * reach)), reach)},
            "up_mm": round(up_mm), "height_mm": tall_mm}  # fmt: skip
