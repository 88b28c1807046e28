"""The same construction at the board: every measure larger by one round factor, from the board's
own edges, so that a teacher can say them while drawing.
"""

from __future__ import annotations

import math
from typing import Any, NamedTuple

from orthopsis.construction.moves import Step
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve

INCH = 25.4


class Board(NamedTuple):
    """A school's whiteboard and its ruler, with the round length that places are moved by
    (common practice, no published source).
    """

    width_mm: float
    height_mm: float
    ruler_mm: float
    round_mm: float


METRIC = Board(2400.0, 1200.0, 1000.0, 10.0)
INCHES = Board(96 * INCH, 48 * INCH, 36 * INCH, INCH)


def board_of(scene: Scene) -> Board:
    """The board of a room where the sheet is measured so."""
    return INCHES if scene.wording.units == "in" else METRIC


_ACROSS = {"x_mm", "left_vp_mm", "right_vp_mm", "vanishing_point_mm", "centre_mm", "turned_vp_mm"}
"""Places counted from the left edge; all other lengths only grow."""


def board_factor(scene: Scene) -> float:
    """By how much the sheet is enlarged: the largest half number that fits the board."""
    sheet, board = scene.sheet, board_of(scene)
    fits = min(board.width_mm / sheet.width_mm, board.height_mm / sheet.height_mm)
    return max(1.0, math.floor(fits * 2.0 + 1e-9) / 2.0)


def on_board(scene: Scene) -> Scene:
    """The exercise in board measures, in the middle of the board. Raises ExerciseError."""
    exercise, board = scene.exercise, board_of(scene)
    factor = board_factor(scene)
    left = (board.width_mm - factor * scene.sheet.width_mm) / 2.0
    # What is measured at the board should be said in round numbers.
    left = math.floor(left / board.round_mm) * board.round_mm
    data = to_data(exercise)
    grown = _grown(data, "", factor, left)
    grown["sheet"] = {"size": {"width_mm": board.width_mm, "height_mm": board.height_mm}}
    # Inches stay inches; whoever teaches in millimetres says centimetres at the board.
    units = "in" if scene.wording.units == "in" else "cm"
    grown["wording"] = {**data.get("wording", {}), "units": units}
    if grown["view"].get("eye_height_mm") is None:
        grown["view"]["eye_height_mm"] = factor * scene.main.eye_height_mm
    if exercise.view.kind == "one-point" and grown["view"].get("viewing_distance_mm") is None:
        grown["view"]["viewing_distance_mm"] = factor * scene.sheet.width_mm / 2.0
    if exercise.view.kind == "two-point" and grown["view"].get("centre_mm") is None:
        assert scene.main.eye is not None
        grown["view"]["centre_mm"] = left + factor * scene.main.eye.principal.x
    return resolve(from_data(grown))


def _grown(value: Any, name: str, factor: float, left: float) -> Any:
    """A part of the document enlarged, by the names of its fields."""
    if isinstance(value, dict):
        return {key: _grown(inner, key, factor, left) for key, inner in value.items()}
    if name == "third_vp_mm" and value is not None:
        return [left + factor * value[0], factor * value[1]]
    if isinstance(value, list):
        # Corners and holes of a shape are lengths on its own face.
        own = "length_mm" if name in ("corners", "holes") else name
        return [_grown(inner, own, factor, left) for inner in value]
    if not name.endswith("_mm") or not isinstance(value, (int, float)):
        return value
    return left + factor * value if name in _ACROSS else factor * value


def reach_note(scene: Scene, made: Step) -> str:
    """What to do in a step whose lines are longer than the board's ruler; "" where it reaches."""
    ruler_mm = board_of(scene).ruler_mm
    longest = max(
        (math.dist(*drawn.stroke.segment) for drawn in made.strokes if drawn.stroke.curve is None),
        default=0.0,
    )
    if longest <= ruler_mm:
        return ""
    length = scene.wording.length
    return (
        f"The longest line here is {scene.wording.rough(longest)}, longer than a ruler of "
        f"{length(ruler_mm)}: stretch a string between its ends, mark two places under it, and "
        "draw in two goes."
    )


def points_note(scene: Scene) -> str:
    """Where points beside the board go, or ""."""
    beyond = scene.far_points
    if not beyond:
        return ""
    names = " and ".join(vp.name for vp in beyond)
    return (
        f"{names} lie{'s' if len(beyond) == 1 else ''} beside the board: put a piece of tape on "
        "the wall there, or let a pupil hold the end of a string, level with the line."
    )
