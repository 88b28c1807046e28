"""Figures that help at the table: starter sheet, fan of lines, strips and edge ladders."""

from __future__ import annotations

import math
from itertools import pairwise
from typing import NamedTuple

from orthopsis.exercise.resolve import Scene
from orthopsis.handout.figure import (
    GRAPHITE,
    INK,
    Dot,
    Figure,
    Fill,
    Label,
    Pen,
    Rule,
    family_colour,
    sign_of,
)
from orthopsis.perspective.segments import XY, Box, Segment, at
from orthopsis.perspective.view import VanishingPoint
from orthopsis.phrase import Choice, Length, Number, PointName, say

THIN = 0.25
FAN_LINES = 24
LADDER_STEP_MM = 20.0
LADDER_LEAST_MM = 4.0
STRIP_WIDE_MM = 40.0
STRIP_LONGEST_MM = 250.0
"""A strip longer than this is printed in parts, so that it fits office paper."""

CORNER_MARK_MM = 6.0
CORNER_INSET_MM = 5.0


def starter_figure(scene: Scene, with_points: bool = True) -> Figure:
    """The sheet as pupils get it: the eye level and the points that lie on the paper."""
    figure = Figure(scene.sheet.width_mm, scene.sheet.height_mm, scene.exercise.title, paper=False)
    _frame(figure, scene)
    if with_points:
        left, top, right, bottom = scene.sheet.bounds
        y = scene.main.eye_level_mm
        if top <= y <= bottom:
            pen = Pen(THIN, GRAPHITE)
            figure.rules.append(Rule((left, y), (right, y), pen, scene.words.say(say("eye-level"))))
        for vp in scene.vanishing_points:
            if scene.sheet.contains(vp.at):
                _point(figure, vp, vp.at.xy)
    return figure


def _named(scene: Scene, phrase: str) -> str:
    return scene.words.say(say(phrase))


def fan_figure(scene: Scene) -> Figure:
    """Lines through every point, spread evenly over the sheet, to be laid on a pupil's drawing.

    Each family has a dash of its own beside its colour, so that a grey print tells them apart.
    """
    figure = Figure(
        scene.sheet.width_mm, scene.sheet.height_mm, _named(scene, "page-fan"), paper=False
    )
    _frame(figure, scene)
    dashes = ((), (6.0, 2.0), (1.5, 1.5), (8.0, 2.0, 1.5, 2.0))
    points = [vp for vp in scene.vanishing_points if not vp.at.at_infinity]
    for number, vp in enumerate(points):
        pen = Pen(THIN, family_colour(vp.name), dashes[number % len(dashes)])
        for line in _fan(scene, vp):
            figure.rules.append(Rule(*line, pen, vp.name))
        if scene.sheet.contains(vp.at):
            _point(figure, vp, vp.at.xy)
    return figure


def _fan(scene: Scene, vp: VanishingPoint) -> list[Segment]:
    """Lines through a point, at equal angles over all that the sheet shows of them."""
    sheet, (x, y) = scene.sheet, vp.at.xy
    if sheet.contains(vp.at):
        first, turn = 0.0, math.pi
    else:
        corners = [(0.0, 0.0), (sheet.width_mm, 0.0), (0.0, sheet.height_mm),
                   (sheet.width_mm, sheet.height_mm)]  # fmt: skip
        middle = math.atan2(sheet.height_mm / 2 - y, sheet.width_mm / 2 - x)
        angles = [
            (math.atan2(cy - y, cx - x) - middle + math.pi) % (2 * math.pi) - math.pi
            for cx, cy in corners
        ]
        first, turn = middle + min(angles), max(angles) - min(angles)
    far = 2.0 * (sheet.width_mm + sheet.height_mm) + math.hypot(x, y)
    found: list[Segment] = []
    for k in range(FAN_LINES):
        angle = first + turn * (k + 0.5) / FAN_LINES
        way = far * math.cos(angle), far * math.sin(angle)
        line = (x - way[0], y - way[1]), (x + way[0], y + way[1])
        seen = sheet.clip(line)
        if seen is not None:
            found.append((at(line, seen[0]), at(line, seen[1])))
    return found


class PrintedStrip(NamedTuple):
    """A strip of paper for a point beside the sheet, or a part of it."""

    title: str
    note: str
    figure: Figure


def strips(scene: Scene) -> list[PrintedStrip]:
    """The strips to cut out and tape on, each with its point marked at true distance.

    On a strip a level line carries the eye level on; the end to be taped is hatched.
    """
    found: list[PrintedStrip] = []
    for vp in scene.far_points:
        found += _strips_of(scene, vp)
    return found


def _strips_of(scene: Scene, vp: VanishingPoint) -> list[PrintedStrip]:
    side, out_mm = scene.sheet.beside(vp.at)
    across_mm = vp.at.y if side in ("left", "right") else vp.at.x
    words = scene.words
    whole = out_mm + 20.0
    parts = math.ceil(whole / STRIP_LONGEST_MM)
    point, found = PointName(vp.name), []
    for part in range(parts):
        start, end = part * STRIP_LONGEST_MM, min(whole, (part + 1) * STRIP_LONGEST_MM)
        name = words.say(say("strip-for", point=point))
        figure = Figure(end - start + 15.0, STRIP_WIDE_MM, name, paper=False)
        _strip_lines(figure, end - start, start, scene.wording.units == "in")
        if out_mm <= end:
            _point(figure, vp, (15.0 + out_mm - start, STRIP_WIDE_MM / 2))
        number, of = Number(float(part + 1)), Number(float(parts))
        title = say("strip", point=point) if parts == 1 else (
            say("strip-part", point=point, part=number, of=of)
        )  # fmt: skip
        if part == 0:
            note = say("strip-tape", side=Choice(side), across=Length(across_mm))
        else:
            note = say("strip-tape-on", part=Number(float(part)))
        found.append(PrintedStrip(words.say(title), words.say(note), figure))
    return found


def _strip_lines(figure: Figure, reach_mm: float, start_mm: float, inches: bool) -> None:
    """Outline, the hatched end, the line that goes on, and a ruler along it."""
    middle, far = STRIP_WIDE_MM / 2, 15.0 + reach_mm
    _outline(figure, (0.0, 0.0, far, STRIP_WIDE_MM), Pen(0.3, GRAPHITE, (3.0, 1.5)), "cut")
    for k in range(1, 12):
        x = 15.0 * (k % 6) / 6
        figure.rules.append(
            Rule((x, 0.0 if k < 6 else middle), (max(0.0, x - 7.0), middle if k < 6 else
                 STRIP_WIDE_MM), Pen(0.15, GRAPHITE), "tape")
        )  # fmt: skip
    figure.rules.append(Rule((15.0, 0.0), (15.0, STRIP_WIDE_MM), Pen(0.3, INK), "edge"))
    figure.rules.append(Rule((15.0, middle), (far, middle), Pen(0.3, INK), "line"))
    unit = 25.4 if inches else 10.0
    for k in range(math.ceil(start_mm / unit), math.floor((start_mm + reach_mm) / unit) + 1):
        x = 15.0 + k * unit - start_mm
        figure.rules.append(Rule((x, middle), (x, middle + 2.5), Pen(0.2, GRAPHITE), "ruler"))
        figure.labels.append(Label((x - 1.5, middle + 6.5), str(k), 3.2, GRAPHITE))


def ladders_figure(scene: Scene) -> Figure:
    """Ticks with equal numbers along two edges of the sheet: each pair lies on one line to a
    point beside it, so that a short ruler finds the way.
    """
    figure = Figure(
        scene.sheet.width_mm, scene.sheet.height_mm, _named(scene, "page-ladders"), paper=False
    )
    _frame(figure, scene)
    for vp in scene.far_points:
        _ladder(figure, scene, vp)
    return figure


def _ladder(figure: Figure, scene: Scene, vp: VanishingPoint) -> None:
    side, out_mm = scene.sheet.beside(vp.at)
    sheet, colour = scene.sheet, family_colour(vp.name)
    level = side in ("left", "right")
    far_mm = {"left": sheet.width_mm, "right": 0.0, "top": sheet.height_mm, "bottom": 0.0}[side]
    near_mm = {"left": 0.0, "right": sheet.width_mm, "top": 0.0, "bottom": sheet.height_mm}[side]
    length = sheet.height_mm if level else sheet.width_mm
    # Wide enough apart at the near edge, too, that the numbers can be read.
    closer = out_mm / (out_mm + abs(far_mm - near_mm))
    step_mm = max(LADDER_STEP_MM, math.ceil(LADDER_LEAST_MM / closer / 10.0) * 10.0)
    # Two points at opposite sides share both edges: each keeps to its own lane of ticks.
    lane = {"VP1": 0.0, "VP2": 7.0, "VP3": 0.0}.get(vp.name, 14.0)
    for k in range(1, math.ceil(length / step_mm)):
        along = k * step_mm
        start = (far_mm, along) if level else (along, far_mm)
        ends = [start, crossed(vp, start, near_mm, level)]
        for place in ends:
            value = place[1] if level else place[0]
            if 0.0 <= value <= length:
                _tick(figure, place, level, (sheet.width_mm, sheet.height_mm), lane, colour, k)


def crossed(vp: VanishingPoint, start: XY, edge_mm: float, level: bool) -> XY:
    """Where the line from a place to a point crosses an upright (or level) edge."""
    (x, y), (sx, sy) = vp.at.xy, start
    if level:
        return edge_mm, sy + (y - sy) * (edge_mm - sx) / (x - sx)
    return sx + (x - sx) * (edge_mm - sy) / (y - sy), edge_mm


def _tick(
    figure: Figure, place: XY, level: bool, size: XY, lane: float, colour: str, number: int
) -> None:
    (x, y), pen = place, Pen(0.3, colour)
    if level:
        way = 1.0 if x < size[0] / 2 else -1.0
        figure.rules.append(Rule((x + way * lane, y), (x + way * (lane + 4.0), y), pen, "ladder"))
        text = x + way * (lane + 4.8) - (0.0 if way > 0 else 3.2)
        figure.labels.append(Label((text, y + 1.1), str(number), 3.0, colour))
    else:
        way = 1.0 if y < size[1] / 2 else -1.0
        figure.rules.append(Rule((x, y + way * lane), (x, y + way * (lane + 4.0)), pen, "ladder"))
        figure.labels.append(Label((x - 1.0, y + way * (lane + 7.0)), str(number), 3.0, colour))


def corner_marks(figure: Figure) -> None:
    """Black squares inside the four corners, by which a photo of the sheet is straightened."""
    size, inset = CORNER_MARK_MM, CORNER_INSET_MM
    for x in (inset, figure.width_mm - inset - size):
        for y in (inset, figure.height_mm - inset - size):
            square = ((x, y), (x + size, y), (x + size, y + size), (x, y + size))
            figure.fills.append(Fill((square,), "#000000", "corner mark"))


def _frame(figure: Figure, scene: Scene) -> None:
    if scene.sheet.frame_mm:
        _outline(figure, scene.sheet.bounds, Pen(THIN, INK), "frame")


def _outline(figure: Figure, box: Box, pen: Pen, group: str) -> None:
    left, top, right, bottom = box
    corners = [(left, top), (right, top), (right, bottom), (left, bottom)]
    for a, b in pairwise([*corners, corners[0]]):
        figure.rules.append(Rule(a, b, pen, group))


def _point(figure: Figure, vp: VanishingPoint, place: XY) -> None:
    colour = family_colour(vp.name)
    figure.dots.append(Dot(place, 1.4, colour, sign_of(vp.name)))
    beside_x = place[0] + 2.2 if place[0] < figure.width_mm - 14 else place[0] - 11
    figure.labels.append(Label((beside_x, place[1] - 2.2), vp.name, 4.2, colour))
