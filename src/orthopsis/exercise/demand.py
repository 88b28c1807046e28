"""Three demands from one exercise: first steps, standard, stretch.

The standard demand is the exercise itself. The others are copies with fewer things, printed points,
another way of finding depth, tone, or more freedom; where a teacher says nothing, a rule of the
trade decides (common practice, no published source): first steps keep about half of the things,
with points printed and depth by eye, of a street one side with three houses; stretch asks for true
depth and tone.
"""

from __future__ import annotations

import math
from typing import Any

from orthopsis.construction.moves import StepKey
from orthopsis.exercise.derived import derives
from orthopsis.exercise.document import DemandName, DemandSpec, Exercise
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.lesson.flow import Flow
from orthopsis.perspective.plane import Point, distance
from orthopsis.pieces.base import Grip
from orthopsis.pieces.kinds.row import Row
from orthopsis.pieces.placement.depth import Cut, share_on_paper
from orthopsis.pieces.registry import AnyPiece
from orthopsis.pieces.roles import FieldRole, roles_of

ROUND_MM = 5.0
EYE_LEVEL_STEP, POINTS_STEP = (
    str(StepKey("", 0, name, 1)) for name in ("eye-level-line", "points")
)


QUICK = {"circle": "four middles", "curve": "by hand"}
EXACT = {"circle": "five marks", "curve": "by marks"}


def demand_spec(exercise: Exercise, name: DemandName) -> DemandSpec:
    """What a demand asks for: the teacher's own words for it, or the trade's."""
    own = exercise.demands.get(name)
    if own is not None:
        return own
    if name == "first steps":
        rows = [piece for piece in exercise.pieces if isinstance(piece, Row)]
        return DemandSpec(
            leave_out=_but_one_row(exercise, rows[0]) if rows else _further_half(exercise),
            letters=_half_a_word(exercise),
            houses=_first_houses(exercise) if rows else None,
            points_printed=True,
            depth="by eye",
            tone=False,
            quick=True,
        )
    if name == "stretch":
        return DemandSpec(depth="true", tone=True, given="points", quick=False)
    return DemandSpec()


@derives
def for_demand(exercise: Exercise, name: DemandName) -> Exercise:
    """The exercise as that demand has it. Raises ExerciseError."""
    spec = demand_spec(exercise, name)
    scene = resolve(exercise)
    asked = exercise.model_copy(update={"pieces": _kept(scene, spec)})
    data = to_data(asked)
    data["demands"] = {}
    if spec.points_printed:
        run = data.get("run") or {}
        said = dict(run.get("steps", {}))
        for key in (EYE_LEVEL_STEP, POINTS_STEP):
            said[key] = {**said.get(key, {}), "hidden": True}
        data["run"] = {**run, "steps": said}
    if spec.tone is not None:
        data["tone"] = (data.get("tone") or {}) if spec.tone else None
    if spec.quick is not None:
        way = QUICK if spec.quick else EXACT
        data["schools"] = {**data.get("schools", {}), **way}
        if spec.quick and scene.flow is Flow.STAGES:
            data["run"] = {"flow": Flow.CORNERS, **(data.get("run") or {})}
    if spec.given is not None:
        data["given"] = spec.given
    if name != "standard":
        data["title"] = f"{exercise.title[:100]}, {name}"
    return from_data(data)


def _kept(scene: Scene, spec: DemandSpec) -> list[AnyPiece]:
    """The pieces that stay, as the demand has them; what rests on one goes with it."""
    kept, gone = [], set(spec.leave_out)
    for number, piece in enumerate(scene.exercise.pieces):
        if piece.id in gone or gone & set(piece.rests_on):
            gone.add(piece.id)
            continue
        if spec.depth != "as it is":
            piece = _deepened(scene, number, spec.depth)
        if spec.letters is not None:
            piece = piece.shortened(spec.letters)
        if spec.houses is not None:
            piece = piece.with_fewer_houses(spec.houses)
        kept.append(piece)
    return kept


def _further_half(exercise: Exercise) -> list[str]:
    """The further half of the things, counted as they are listed; one always stays."""
    ids = [piece.id for piece in exercise.pieces]
    return ids[max(1, math.ceil(len(ids) / 2)) :]


def _but_one_row(exercise: Exercise, row: Row) -> list[str]:
    """All but the first row and what it begins at: a street is whole on one side already."""
    stays = {row.id}
    # What a piece rests on stands before it in the list.
    for piece in reversed(exercise.pieces):
        if piece.id in stays:
            stays.update(piece.rests_on)
    return [piece.id for piece in exercise.pieces if piece.id not in stays]


YOUNG = 10
"""From this age on a whole side of a street is asked."""


def _first_houses(exercise: Exercise) -> int:
    """One house for the youngest, three for the others."""
    return 1 if exercise.age is not None and exercise.age < YOUNG else 3


def _half_a_word(exercise: Exercise) -> int | None:
    """Half of the letters where a single word is all there is."""
    words = [piece.word for piece in exercise.pieces]
    if len(words) != 1 or words[0] is None:
        return None
    return max(1, math.ceil(len(words[0]) / 2))


def _deepened(scene: Scene, number: int, depth: str) -> AnyPiece:
    """A piece with its depths in another way, as they are now and rounded."""
    piece = scene.exercise.pieces[number]
    roles = roles_of(type(piece.place))
    for grip in piece.grips(scene.stage(number)):
        if roles.get(grip.field) is not FieldRole.DEPTH:
            continue
        new = _cut(scene, grip, depth)
        if new is not None:
            start = piece.value(grip.field).from_
            cut = Cut.model_validate({**new, "from": start})
            piece = piece.with_value(grip.field, cut)
    return piece


def _cut(scene: Scene, grip: Grip, depth: str) -> dict[str, Any] | None:
    share = share_on_paper(grip.start, grip.goal, grip.at)
    if depth == "true":
        true_mm = _true_mm(scene, grip.goal, share)
        return None if true_mm is None else {"true_mm": true_mm}
    way_mm = distance(grip.start, grip.goal)
    if not math.isfinite(share * way_mm):
        return None  # its way has no end that a ruler could measure
    gone_mm = share * way_mm
    along_mm = max(ROUND_MM, round(gone_mm / ROUND_MM) * ROUND_MM)
    cut: dict[str, Any] = {"along_mm": along_mm if along_mm < way_mm else gone_mm}
    if depth == "by eye":
        cut["by_eye"] = True
    return cut


def _true_mm(scene: Scene, goal: Point, share: float) -> float | None:
    """The true length that ends at a share of the way: t = L / (V + L), so L = V·t / (1 − t).

    None in three points, where a length also depends on its place, and where no eye sees the view.
    """
    view = scene.main
    if view.eye is None or len(view.vanishing_points) == 3 or not 0.0 < share < 1.0:
        return None
    try:
        length = view.true_length(goal) * share / (1.0 - share)
    except ValueError:
        return None
    return max(ROUND_MM, round(length / ROUND_MM) * ROUND_MM)
