"""The corner test: which corners of the fronts send a line to the point, and which do not.

Pencil on the point, ruler swung to each numbered corner: it draws a line where it does not run
through the shape. A five-minute starter, on paper and at the board.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.construction.moves import Act, Step
from orthopsis.exercise.document import RunSpec
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.lesson.flow import Flow
from orthopsis.perspective.segments import XY, Segment
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import VanishingPoint

MOST_CORNERS = 60
"""More corners than this are no starter of five minutes: the things on the left are asked."""


@dataclass(frozen=True)
class Corner:
    """A corner of a front, and whether it sends a line to its point."""

    at: XY
    draws: bool
    goal: VanishingPoint


@dataclass(frozen=True)
class CornerTest:
    """The corners in the order of their numbers, and the outlines of the fronts they are on."""

    corners: list[Corner]
    fronts: list[Segment]

    @property
    def lines(self) -> int:
        """How many corners send a line."""
        return sum(corner.draws for corner in self.corners)


def corner_test(scene: Scene) -> CornerTest | None:
    """The worksheet of an exercise; None where no front sends lines to a point."""
    if scene.flow is Flow.CORNERS:
        # Where a lesson goes corner by corner, no step tests all of them.
        run = scene.exercise.run or RunSpec(order=[], steps={})
        by_stages = run.model_copy(update={"flow": Flow.STAGES})
        scene = resolve(scene.exercise.model_copy(update={"run": by_stages}))
    made = scene.construction
    points = {vp.name: vp for vp in scene.vanishing_points if not vp.at.at_infinity}
    corners: list[Corner] = []
    parts: set[Part] = set()
    lefts = scene.lefts_mm
    for step in sorted(made, key=lambda one: lefts.get(one.part, 0.0)):
        found = list(_of_step(step, made, points))
        if not found or step.part is None or len(corners) + len(found) > MOST_CORNERS:
            continue
        corners += found
        parts.add(step.part)
    if not corners:
        return None
    fronts = [
        drawn.stroke.segment
        for step in made
        if step.part in parts and step.act is Act.FRONTS
        for drawn in step.strokes
        if drawn.fate == "keep"
    ]
    return CornerTest(corners, fronts)


def _of_step(step: Step, made: Sequence[Step], points: dict[str, VanishingPoint]) -> list[Corner]:
    """The corners that a step tests: those that send a line, and those at which it would run
    through the shape.
    """
    if step.like not in ("corner-lines", "box-lines"):
        return []
    sent = {d.stroke.start: d.stroke.family for d in step.strokes if d.fate == "guide"}
    goal = next((points[family] for family in sent.values() if family in points), None)
    if goal is None:
        return []
    if step.like == "box-lines":
        front = next(one for one in made if one.part == step.part and one.like == "box-front")
        vain = [mark.at.xy for mark in front.marks if mark.at.xy not in sent]
    else:
        vain = [line.start for line in step.tried]
    corners = [Corner(at, True, goal) for at in sent] + [Corner(at, False, goal) for at in vain]
    return sorted(corners, key=lambda one: (round(one.at[1], 3), round(one.at[0], 3)))
