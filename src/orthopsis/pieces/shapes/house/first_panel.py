"""Where new windows or a new door begin, in round measures."""

from __future__ import annotations

from typing import Any

from orthopsis.perspective.plane import Point, distance, join, meet
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import say
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, WallName

DOOR_SHARE = 0.6
"""A new door is so high as a share of its wall; of a wall with storeys, of its lowest storey."""


def first_panel(house: House, look: str, id: str, on: str = "", at: Point | None = None) -> Panel:
    """New windows fill a wall; a new door stands where it was put, or about its middle.

    Without a wall the first is taken that turns to us and has none of them yet. Raises
    ExerciseError.
    """
    wall = _wall(house, look, on)
    place = _windows(house, wall) if look == "windows" else _door(house, wall, at)
    return Panel.model_validate({"kind": "panel", "id": id, "on": wall.name, "look": look, **place})


def _wall(house: House, look: str, on: str) -> Wall:
    walls = {
        name: wall
        for name, wall in house.walls.by_name.items()
        if house.faces_us(AROUND.index(wall.corners))
    }
    if on in walls:
        return next(wall for name, wall in walls.items() if name == on)
    there = {panel.on for panel in house.panels if panel.look == look}
    free = [wall for wall in walls.values() if wall.name not in there]
    if not walls or on:
        raise house.stage.refuse("parts", say("refused-wall-unseen"))
    return (free or list(walls.values()))[0]


def _on_paper(house: House, wall: Wall) -> tuple[Point, Point, Point]:
    """Top and foot of its near upright, and its far foot."""
    numbers = (*wall.near_upright, wall.far_upright[1])
    top, foot, far = (Point(*on_paper(house.on_paper[k])) for k in numbers)
    return top, foot, far


def _windows(house: House, wall: Wall) -> dict[str, Any]:
    top, foot, _ = _on_paper(house, wall)
    high = distance(top, foot)
    storeys = _storeys(house, wall.name) or (2 if high >= 60.0 else 1)
    storey = high / storeys
    sill, tall = _round(storey * 0.25), _round(storey * 0.5)
    has_door = any(one.on == wall.name and one.look == "door" for one in house.panels)
    skip = 1 if has_door and storeys > 1 else 0
    return {"storeys": storeys, "skip": skip, "sill_mm": sill,
            "height_mm": min(tall, storey - sill), "bays": {"count": 3}}  # fmt: skip


def _storeys(house: House, wall: WallName) -> int | None:
    """How many storeys there are, where windows in another wall tell it."""
    return next((one.storeys for one in house.panels if one.storeys and one.on != wall), None)


def _door(house: House, wall: Wall, at: Point | None) -> dict[str, Any]:
    top, foot, far = _on_paper(house, wall)
    high = distance(top, foot)
    storeys = max((one.storeys or 1 for one in house.panels), default=1)
    lowest = high / storeys
    tall = min(_round(lowest * (DOOR_SHARE if storeys == 1 else 0.8)), lowest)
    if wall.near is None:
        reach = distance(foot, far)
        wide = min(_round(tall / 2), reach)
        middle = foot.x + reach / 2 if at is None else at.x
        x_mm = min(max(round(middle - wide / 2), foot.x), foot.x + reach - wide)
        y_mm = round(foot.y - tall, 3)
        box = {"x_mm": round(x_mm, 3), "y_mm": y_mm, "width_mm": wide, "height_mm": tall}
        return {"front": box}
    reach = distance(foot, far)
    middle = 0.45 * reach
    if at is not None:
        # Straight below the place that was pointed at, on the wall's foot.
        below = meet(join(at, house.stage.view.uprights.at), join(foot, far))
        middle = distance(foot, below)
    wide = max(min(_round(tall / 2), _round(0.3 * reach)), 1.0)
    begin = min(max(1.0, round(middle - wide / 2)), max(0.1 * reach, reach - wide - 1.0))
    begin = float(round(begin)) if begin >= 1.0 else round(begin, 1)
    return {"from": {"along_mm": begin}, "to": {"along_mm": min(begin + wide, reach)},
            "height_mm": tall}  # fmt: skip


def _round(mm: float) -> float:
    """In steps of 5 mm, or of 1 mm where it is less."""
    return max(1.0, 5.0 * round(mm / 5.0)) if mm >= 5.0 else max(1.0, float(round(mm)))
