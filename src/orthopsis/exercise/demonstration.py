"""Showing why: a thing lifted through the eye level, points spread and closed, a viewer who climbs.

Each gives a changed copy of the exercise and the sentence that a teacher says to it; the exercise
itself stays as it is.
"""

from __future__ import annotations

from typing import Any

from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice.points import sharpest_corner
from orthopsis.exercise.document import Exercise, OnePointView
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.pieces.cut import Cut, share_on_paper

TOUCH_MM = 0.5
"""As near to the eye level, or to the point, a side is seen edge-on."""


def lifted(exercise: Exercise, piece: str, up_mm: float, right_mm: float) -> tuple[Exercise, str]:
    """A piece lifted and slid on the paper, with what now shows of it. Raises ExerciseError."""
    data = to_data(exercise)
    number = next((k for k, one in enumerate(exercise.pieces) if one.id == piece), None)
    if number is None:
        raise ExerciseError("piece", f"there is no piece '{piece}'; choose one of the exercise's")
    anchor = exercise.pieces[number]
    if anchor.front is None and anchor.edge is None:
        raise ExerciseError(f"pieces[{number}]", "stands on the lines of another; move that one")
    place = data["pieces"][number]["front" if anchor.front is not None else "edge"]
    for name, way in (("x_mm", right_mm), ("y_mm", -up_mm), ("top_mm", -up_mm),
                      ("bottom_mm", -up_mm)):  # fmt: skip
        if place.get(name) is not None:
            place[name] += way
    _slide_cuts(data["pieces"][number], right_mm)
    # In the air a thing may stand anywhere.
    data["pieces"][number]["standing"] = "floating"
    moved = from_data(data)
    return moved, _what_shows(resolve(moved), number)


def _slide_cuts(piece: dict[str, Any], right_mm: float) -> None:
    """Cuts that are measured from the paper's edge go along."""
    for field in ("depth", "left", "right", "length", "thickness", "street"):
        cut = piece.get(field)
        if cut is not None and cut.get("x_mm") is not None:
            cut["x_mm"] += right_mm


def _what_shows(scene: Scene, number: int) -> str:
    boxes = [
        body.box
        for body, part in zip(scene.bodies, scene.parts, strict=True)
        if part.number == number
    ]
    left = min(box[0] for box in boxes)
    top = min(box[1] for box in boxes)
    right, bottom = max(box[2] for box in boxes), max(box[3] for box in boxes)
    line, level = scene.wording.eye_level, scene.main.eye_level_mm
    front = scene.exercise.pieces[number].front
    if front is not None:
        left, top = front.x_mm, front.y_mm
        right = left + (getattr(front, "width_mm", None) or right - left)
        bottom = top + front.height_mm
    one_point = isinstance(scene.exercise.view, OnePointView)
    goal = "the point" if one_point else "the points"
    if top > level + TOUCH_MM:
        words = f"It is below the {line}: we see its top, and its lines rise to {goal}."
    elif bottom < level - TOUCH_MM:
        words = f"It is above the {line}: we see its underside, and its lines fall to {goal}."
    else:
        words = f"The {line} runs through it: neither top nor underside shows."
    view = scene.exercise.view
    if isinstance(view, OnePointView) and front is not None:
        x = view.vanishing_point_mm
        if right < x - TOUCH_MM:
            words += " It is left of the point, so its right side shows."
        elif left > x + TOUCH_MM:
            words += " It is right of the point, so its left side shows."
        else:
            words += " It is straight in front of the point: no side shows."
    return words


def spread(exercise: Exercise, factor: float) -> tuple[Exercise, str]:
    """The level points further apart or closer together, around their middle."""
    view = exercise.view
    if isinstance(view, OnePointView):
        raise ExerciseError("view", "only two- and three-point exercises have points to spread")
    middle = (view.left_vp_mm + view.right_vp_mm) / 2.0
    half = (view.right_vp_mm - view.left_vp_mm) / 2.0 * factor
    pair = {"left_vp_mm": middle - half, "right_vp_mm": middle + half}
    changed = exercise.model_copy(update={"view": view.model_copy(update=pair)})
    scene = resolve(from_data(to_data(_cut_by_fractions(exercise, changed))))
    found = sharpest_corner(scene)
    if found is None:
        return scene.exercise, "Nothing here has a corner below that could tip."
    angle = found[2]
    if angle < 90.0:
        words = (
            f"The points are close: the lowest corner is {angle:.0f}°, sharper than a right angle. "
            "It looks as if it tips toward us."
        )
    elif angle < 110.0:
        words = f"The lowest corner is {angle:.0f}°: just blunt enough. Further out is calmer."
    else:
        words = f"The points are far apart: the lowest corner is {angle:.0f}°, calm and natural."
    return scene.exercise, words


def _cut_by_fractions(exercise: Exercise, changed: Exercise) -> Exercise:
    """The same pieces with cuts as parts of the way, which hold wherever the points lie."""
    scene = resolve(exercise)
    pieces = []
    for number, piece in enumerate(scene.pieces):
        update: dict[str, Any] = {}
        for grip in piece.grips(scene.stage(number)):
            if isinstance(getattr(piece, grip.field, None), Cut):
                share = share_on_paper(grip.start, grip.goal, grip.at)
                update[grip.field] = Cut(fraction=share)
        pieces.append(piece.model_copy(update=update))
    return changed.model_copy(update={"pieces": pieces})


def climbed(exercise: Exercise, up_mm: float) -> tuple[Exercise, str]:
    """The same things seen by a viewer who climbs or crouches. Raises ExerciseError."""
    moved = viewer_moved(exercise, up_mm=up_mm) if up_mm else exercise
    scene = resolve(moved)
    line, level = scene.wording.eye_level, moved.view.eye_level_mm
    tops = [body.box[1] for body in scene.bodies]
    from_above = sum(top > level for top in tops)
    if not tops:
        return moved, f"An empty sheet; the {line} is as high as our eyes."
    if from_above == len(tops):
        words = "We look down on everything: all tops show, like a bird would see it."
    elif from_above:
        words = f"We look down on {from_above} of {len(tops)}; the others reach above our eyes."
    else:
        words = "Everything reaches above our eyes and looms, as a small child or a mouse sees it."
    how = "The viewer climbs" if up_mm > 0 else "The viewer crouches" if up_mm < 0 else "Here"
    return moved, f"{how}: the {line} goes with the eyes. {words}"
