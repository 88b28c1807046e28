"""Move the viewer: the world stays, and all that is measured on the sheet is measured anew.

The other choice, to move the points, needs nothing of the kind: pieces are anchored on paper, so a
document with other points is the same drawing with its lines aimed anew.
"""

from __future__ import annotations

from orthopsis.errors import ExerciseError, Unfit
from orthopsis.exercise.derived import derives
from orthopsis.exercise.document import Exercise, OnePointView, ThreePointView, ViewSpec
from orthopsis.exercise.resolve import resolve, solids
from orthopsis.perspective.view import View
from orthopsis.phrase import say


@derives
def viewer_moved(
    exercise: Exercise, right_mm: float = 0.0, up_mm: float = 0.0, back_mm: float = 0.0
) -> Exercise:
    """The document of the same world for an eye that took a step along the sheet or away from it.

    Lengths are mm at picture plane scale. What stands on the picture plane stays as it is on
    paper. Raises ExerciseError where no eye sees the views, or the step leads through the sheet
    or under the ground.
    """
    scene = resolve(exercise)
    views = {"view": scene.main, **{f"views.{name}": view for name, view in scene.views.items()}}
    moved = {path: _moved(view, path, right_mm, -up_mm, back_mm) for path, view in views.items()}
    solids(scene)  # refuses what cannot be drawn before anything moves
    pieces = []
    for number, piece in enumerate(scene.pieces):
        stage = scene.stage(number)
        try:
            there = piece.moved(stage, stage.view.moved(right_mm, -up_mm, back_mm))
        except ValueError:
            raise ExerciseError(f"pieces[{number}]", say("refused-behind-the-viewer")) from None
        pieces.append(there)
    return exercise.model_copy(
        update={
            "view": _spec(exercise.view, moved["view"]),
            "views": {n: _spec(v, moved[f"views.{n}"]) for n, v in exercise.views.items()},
            "pieces": pieces,
        }
    )


def _moved(view: View, path: str, right_mm: float, down_mm: float, back_mm: float) -> View:
    try:
        return view.moved(right_mm, down_mm, back_mm)
    except Unfit as error:
        raise ExerciseError(path, say("refused-viewer-cannot", why=error.says)) from None


def _spec(spec: ViewSpec, view: View) -> ViewSpec:
    """The view as the document states it."""
    assert view.eye is not None
    level = {"eye_level_mm": view.eye_level_mm, "eye_height_mm": view.eye_height_mm}
    points = [vp.at for vp in view.vanishing_points]
    if isinstance(spec, OnePointView):
        far = {"viewing_distance_mm": view.eye.distance_mm}
        return spec.model_copy(update={**level, **far, "vanishing_point_mm": points[0].x})
    pair = {"left_vp_mm": points[0].x, "right_vp_mm": points[1].x}
    if isinstance(spec, ThreePointView):
        return spec.model_copy(update={**level, **pair, "third_vp_mm": points[2].xy})
    return spec.model_copy(update={**level, **pair, "centre_mm": view.eye.principal.x})
