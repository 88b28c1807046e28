"""The corner test as a worksheet: numbered corners and the point, and the key with its lines."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.exercise.corner_test import CornerTest
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
from orthopsis.perspective.segments import Segment, box_of
from orthopsis.phrase import say

WIDE_MM, HIGH_MM = 178.0, 118.0
NUMBER_MM = 3.3


def corner_figure(scene: Scene, test: CornerTest, *, key: bool) -> Figure:
    """The fronts with their numbered corners and the point; with the lines in the key."""
    corners, fronts = test.corners, test.fronts
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
