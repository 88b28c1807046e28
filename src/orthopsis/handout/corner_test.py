"""The corner test as a worksheet: which corners send a line to the point, and which do not.

Pencil on the point, ruler swung to each numbered corner: it draws a line where it does not run
through the shape. A five-minute starter, with its key.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.construction.moves import Act, Step
from orthopsis.exercise.resolve import Scene
from orthopsis.handout.figure import (
    GRAPHITE,
    INK,
    Dot,
    Figure,
    Label,
    Pen,
    Rule,
    family_colour,
    sign_of,
)
from orthopsis.handout.labels import place_labels
from orthopsis.handout.window import Window, fitted, grown
from orthopsis.perspective.segments import XY, Segment, box_of
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import VanishingPoint
from orthopsis.phrase import say

WIDE_MM, HIGH_MM = 178.0, 118.0
NUMBER_MM = 3.3
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
    """The corners in the order of their numbers, with the figure and its key."""

    corners: list[Corner]
    figure: Figure
    key: Figure

    @property
    def lines(self) -> int:
        return sum(corner.draws for corner in self.corners)


def corner_test(scene: Scene) -> CornerTest | None:
    """The worksheet of an exercise; None where no front sends lines to a point."""
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
    return CornerTest(
        corners,
        _figure(scene, corners, fronts, key=False),
        _figure(scene, corners, fronts, key=True),
    )


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


def _figure(
    scene: Scene, corners: Sequence[Corner], fronts: Sequence[Segment], *, key: bool
) -> Figure:
    """The fronts with their numbered corners and the point; with the lines in the key."""
    words = scene.words.say(say("corner-test-key" if key else "corner-test"))
    figure = Figure(WIDE_MM, HIGH_MM, words, paper=False)
    goals = {corner.goal.name: corner.goal for corner in corners}
    places = [corner.at for corner in corners] + [goal.at.xy for goal in goals.values()]
    window = fitted(grown(box_of(places), 8.0), (0.0, 0.0, WIDE_MM, HIGH_MM))
    lines = _drawn(figure, window, fronts, Pen(0.6, INK))
    if key:
        sent = [(corner.at, corner.goal.at.xy) for corner in corners if corner.draws]
        for corner, way in zip((c for c in corners if c.draws), sent, strict=True):
            _drawn(figure, window, [way], Pen(0.25, family_colour(corner.goal.name)))
    for goal in goals.values():
        figure.dots.append(
            Dot(window.at(goal.at.xy), 1.4, family_colour(goal.name), sign_of(goal.name))
        )
    wanted = [(str(number), window.at(one.at)) for number, one in enumerate(corners, start=1)]
    wanted += [(goal.name, window.at(goal.at.xy)) for goal in goals.values()]
    for _, at in wanted[: len(corners)]:
        figure.dots.append(Dot(at, 0.6, INK))
    for placed in place_labels(wanted, NUMBER_MM, window.place, lines):
        figure.labels.append(Label(placed.at, placed.text, NUMBER_MM, INK))
    _drawn(figure, window, _edges(scene), Pen(0.15, GRAPHITE))
    return figure


def _drawn(figure: Figure, window: Window, segments: Sequence[Segment], pen: Pen) -> list[Segment]:
    seen = [line for line in map(window.line, segments) if line is not None]
    figure.rules += [Rule(*line, pen, "fronts") for line in seen]
    return seen


def _edges(scene: Scene) -> list[Segment]:
    """The eye level, as far as the sheet goes."""
    left, _, right, _ = scene.sheet.bounds
    y = scene.main.eye_level_mm
    return [((left, y), (right, y))]
