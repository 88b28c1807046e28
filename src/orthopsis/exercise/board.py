"""The same construction at the board: every measure larger by one round factor, from the board's
own edges, so that a teacher can say them while drawing.
"""

from __future__ import annotations

import math
from typing import NamedTuple

from orthopsis.construction.moves import Step
from orthopsis.exercise.derived import derives
from orthopsis.exercise.document import OnePointView, OwnSize, SheetSpec, TwoPointView, ViewSpec
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.phrase import About, Length, Number, Phrase, PointName, Several, say
from orthopsis.pieces.roles import grown, remeasured
from orthopsis.wording.choices import Units

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


def board_factor(scene: Scene) -> float:
    """By how much the sheet is enlarged: the largest half number that fits the board."""
    sheet, board = scene.sheet, board_of(scene)
    fits = min(board.width_mm / sheet.width_mm, board.height_mm / sheet.height_mm)
    return max(1.0, math.floor(fits * 2.0 + 1e-9) / 2.0)


@derives
def on_board(scene: Scene) -> Scene:
    """The exercise in board measures, in the middle of the board. Raises ExerciseError."""
    exercise, board = scene.exercise, board_of(scene)
    factor = board_factor(scene)
    left = (board.width_mm - factor * scene.sheet.width_mm) / 2.0
    # What is measured at the board should be said in round numbers.
    left = math.floor(left / board.round_mm) * board.round_mm
    large = remeasured(exercise, grown(factor, left))
    size = OwnSize(width_mm=board.width_mm, height_mm=board.height_mm)
    # Inches stay inches; whoever teaches in millimetres says centimetres at the board.
    units: Units = "in" if scene.wording.units == "in" else "cm"
    view = _settled(large.view, scene, factor, left)
    enlarged = large.model_copy(
        update={
            "sheet": SheetSpec(size=size),
            "wording": exercise.wording.model_copy(update={"units": units}),
            "view": view,
        }
    )
    # What is worked out is held to the same limits as what is written.
    return resolve(from_data(to_data(enlarged)))


def _settled(view: ViewSpec, scene: Scene, factor: float, left: float) -> ViewSpec:
    """The view with what follows from the sheet, which the board has not."""
    if view.eye_height_mm is None:
        view = view.model_copy(update={"eye_height_mm": factor * scene.main.eye_height_mm})
    if isinstance(view, OnePointView) and view.viewing_distance_mm is None:
        far = factor * scene.sheet.width_mm / 2.0
        view = view.model_copy(update={"viewing_distance_mm": far})
    if isinstance(view, TwoPointView) and view.centre_mm is None:
        assert scene.main.eye is not None
        centre = left + factor * scene.main.eye.principal.x
        view = view.model_copy(update={"centre_mm": centre})
    return view


def reach_note(scene: Scene, made: Step) -> Phrase | None:
    """What to do in a step whose lines are longer than the board's ruler; None where it reaches."""
    ruler_mm = board_of(scene).ruler_mm
    longest = max(
        (math.dist(*drawn.stroke.segment) for drawn in made.strokes if drawn.stroke.curve is None),
        default=0.0,
    )
    if longest <= ruler_mm:
        return None
    return say("board-reach", longest=About(longest), ruler=Length(ruler_mm))


def points_note(scene: Scene) -> Phrase | None:
    """Where points beside the board go; None where none is."""
    beyond = scene.far_points
    if not beyond:
        return None
    names = Several(tuple(PointName(vp.name) for vp in beyond))
    return say("board-points", points=names, count=Number(float(len(beyond))))
