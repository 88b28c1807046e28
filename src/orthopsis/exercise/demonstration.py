"""Showing why: a thing lifted through the eye level, points spread and closed, a viewer who climbs.

Each gives a changed copy of the exercise and the sentence that a teacher says to it; the exercise
itself stays as it is.
"""

from __future__ import annotations

from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice.points import sharpest_corner
from orthopsis.exercise.derived import derives
from orthopsis.exercise.document import Exercise, OnePointView
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.phrase import Choice, Number, Own, Phrase, say
from orthopsis.pieces.roles import remeasured, slid

TOUCH_MM = 0.5
"""As near to the eye level, or to the point, a side is seen edge-on."""


Shown = tuple[Exercise, list[Phrase]]
"""The changed copy, and what is said to it."""


@derives
def lifted(exercise: Exercise, piece: str, up_mm: float, right_mm: float) -> Shown:
    """A piece lifted and slid on the paper, with what now shows of it. Raises ExerciseError."""
    number = next((k for k, one in enumerate(exercise.pieces) if one.id == piece), None)
    if number is None:
        raise ExerciseError("piece", say("refused-no-such-piece", piece=Own(piece)))
    one = exercise.pieces[number]
    if any(one.rests_on):
        raise ExerciseError(f"pieces[{number}]", say("refused-lift-stacked"))
    if not one.may_float:
        raise ExerciseError(f"pieces[{number}]", say("refused-lift-ground"))
    there = one.placed(remeasured(one.place, slid(right_mm, -up_mm)))
    # In the air a thing may stand anywhere.
    there = there.model_copy(update={"standing": "floating"})
    pieces = [*exercise.pieces[:number], there, *exercise.pieces[number + 1 :]]
    moved = from_data(to_data(exercise.model_copy(update={"pieces": pieces})))
    return moved, _what_shows(resolve(moved), number)


def _what_shows(scene: Scene, number: int) -> list[Phrase]:
    boxes = [
        body.box
        for body, part in zip(scene.bodies, scene.parts, strict=True)
        if part.number == number
    ]
    left = min(box[0] for box in boxes)
    top = min(box[1] for box in boxes)
    right, bottom = max(box[2] for box in boxes), max(box[3] for box in boxes)
    front = scene.exercise.pieces[number].true_face
    if front is not None:
        (left, top), (right, bottom) = front.corners[0].xy, front.corners[2].xy
    level, view = scene.main.eye_level_mm, scene.exercise.view
    count = Number(float(len(scene.main.level_points)))
    if top > level + TOUCH_MM:
        said = [say("shows-top", count=count)]
    elif bottom < level - TOUCH_MM:
        said = [say("shows-underside", count=count)]
    else:
        said = [say("shows-neither")]
    if isinstance(view, OnePointView) and front is not None:
        x = view.vanishing_point_mm
        if right < x - TOUCH_MM:
            said.append(say("shows-right-side"))
        elif left > x + TOUCH_MM:
            said.append(say("shows-left-side"))
        else:
            said.append(say("shows-no-side"))
    return said


@derives
def spread(exercise: Exercise, factor: float) -> Shown:
    """The level points further apart or closer together, around their middle."""
    view = exercise.view
    if isinstance(view, OnePointView):
        raise ExerciseError("view", say("refused-spread-one-point"))
    middle = (view.left_vp_mm + view.right_vp_mm) / 2.0
    half = (view.right_vp_mm - view.left_vp_mm) / 2.0 * factor
    pair = {"left_vp_mm": middle - half, "right_vp_mm": middle + half}
    scene = resolve(exercise)
    pieces = [piece.by_shares(scene.stage(k)) for k, piece in enumerate(exercise.pieces)]
    changed = exercise.model_copy(update={"view": view.model_copy(update=pair), "pieces": pieces})
    scene = resolve(from_data(to_data(changed)))
    found = sharpest_corner(scene)
    if found is None:
        return scene.exercise, [say("spread-nothing")]
    angle = found[2]
    which = "spread-close" if angle < 90.0 else "spread-enough" if angle < 110.0 else "spread-far"
    return scene.exercise, [say(which, angle=Number(angle))]


@derives
def climbed(exercise: Exercise, up_mm: float) -> Shown:
    """The same things seen by a viewer who climbs or crouches. Raises ExerciseError."""
    moved = viewer_moved(exercise, up_mm=up_mm) if up_mm else exercise
    scene = resolve(moved)
    tops = [body.box[1] for body in scene.bodies]
    if not tops:
        return moved, [say("climb-empty")]
    how = Choice("up" if up_mm > 0 else "down" if up_mm < 0 else "still")
    above = sum(top > moved.view.eye_level_mm for top in tops)
    said = [say("climb", how=how)]
    if above == len(tops):
        said.append(say("climb-above-all"))
    elif above:
        said.append(say("climb-above-some", count=Number(float(above)), of=Number(len(tops))))
    else:
        said.append(say("climb-below-all"))
    return moved, said
