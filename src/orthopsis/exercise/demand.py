"""Three demands from one exercise: first steps, standard, stretch.

The standard demand is the exercise itself. The others are copies with fewer things, printed points,
another way of finding depth, tone, or more freedom; where a teacher says nothing, a rule of the
trade decides (common practice, no published source): first steps keep about half of the things,
with points printed and depth by eye; stretch asks for true depth and tone.
"""

from __future__ import annotations

import math
from typing import Any

from orthopsis.exercise.document import DemandName, DemandSpec, Exercise
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.perspective.plane import Point, distance
from orthopsis.pieces.base import Grip
from orthopsis.pieces.cut import share_on_paper
from orthopsis.pieces.letters import Letters

ROUND_MM = 5.0
DEPTHS = ("depth", "left", "right")
"""Cuts that say how far a thing goes back."""


def demand_spec(exercise: Exercise, name: DemandName) -> DemandSpec:
    """What a demand asks for: the teacher's own words for it, or the trade's."""
    own = exercise.demands.get(name)
    if own is not None:
        return own
    if name == "first steps":
        return DemandSpec(
            leave_out=_further_half(exercise),
            letters=_half_a_word(exercise),
            points_printed=True,
            depth="by eye",
            tone=False,
        )
    if name == "stretch":
        return DemandSpec(depth="true", tone=True, given="points")
    return DemandSpec()


def for_demand(exercise: Exercise, name: DemandName) -> Exercise:
    """The exercise as that demand has it. Raises ExerciseError."""
    spec = demand_spec(exercise, name)
    data = to_data(exercise)
    data["demands"] = {}
    scene = resolve(exercise)
    kept = [
        (number, piece)
        for number, piece in enumerate(data["pieces"])
        if piece["id"] not in spec.leave_out and _base(piece) not in spec.leave_out
    ]
    if spec.depth != "as it is":
        for number, piece in kept:
            _deepen(scene, number, piece, spec.depth)
    data["pieces"] = [piece for _, piece in kept]
    for piece in data["pieces"]:
        if spec.letters is not None and piece["kind"] == "letters":
            piece["text"] = piece["text"].strip()[: spec.letters].strip()
    if spec.points_printed:
        run = data.get("run") or {}
        said = dict(run.get("steps", {}))
        for key in ("/eye level", "/points"):
            said[key] = {**said.get(key, {}), "hidden": True}
        data["run"] = {**run, "steps": said}
    if spec.tone is not None:
        data["tone"] = (data.get("tone") or {}) if spec.tone else None
    if spec.given is not None:
        data["given"] = spec.given
    if name != "standard":
        data["title"] = f"{exercise.title[:100]}, {name}"
    return from_data(data)


def _base(piece: dict[str, Any]) -> str | None:
    """The block on whose lines a piece stands: it goes with it."""
    stack = piece.get("stack")
    return stack.get("on") if isinstance(stack, dict) else stack


def _further_half(exercise: Exercise) -> list[str]:
    """The further half of the things, counted as they are listed; one always stays."""
    ids = [piece.id for piece in exercise.pieces]
    return ids[max(1, math.ceil(len(ids) / 2)) :]


def _half_a_word(exercise: Exercise) -> int | None:
    """Half of the letters where a single word is all there is."""
    if len(exercise.pieces) != 1 or not isinstance(exercise.pieces[0], Letters):
        return None
    return max(1, math.ceil(len(exercise.pieces[0].text) / 2))


def _deepen(scene: Scene, number: int, piece: dict[str, Any], depth: str) -> None:
    """Give the depths of a piece in another way, as they are now and rounded."""
    placed = scene.pieces[number]
    if getattr(placed, "stack", None) is not None:
        return
    stage = scene.stage(number)
    for grip in placed.grips(stage):
        if grip.field in DEPTHS and piece.get(grip.field) is not None:
            new = _cut(scene, grip, depth)
            if new is not None:
                old = piece[grip.field]
                start = {"from": old["from"]} if old.get("from") else {}
                piece[grip.field] = {**start, **new}


def _cut(scene: Scene, grip: Grip, depth: str) -> dict[str, Any] | None:
    share = share_on_paper(grip.start, grip.goal, grip.at)
    if depth == "true":
        true_mm = _true_mm(scene, grip.goal, share)
        return None if true_mm is None else {"true_mm": true_mm}
    way_mm = distance(grip.start, grip.goal)
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
    if view.eye is None or len(view.vanishing_points) == 3:
        return None
    try:
        length = view.true_length(goal) * share / (1.0 - share)
    except ValueError:
        return None
    return max(ROUND_MM, round(length / ROUND_MM) * ROUND_MM)
