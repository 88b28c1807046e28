"""A step as it is printed: the place where it happens, large, with the whole sheet small beside it.

Everything is drawn in millimetres of the printed figure, so that pens and letters have one size
however much of the sheet is shown. Where marks crowd, a window enlarges their place once more.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace

from orthopsis.construction.moves import Mark, Step, count
from orthopsis.exercise.crowd import crowd
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.state import lines_after
from orthopsis.exercise.told import title_phrase
from orthopsis.handout.figure import (
    GRAPHITE,
    INK,
    PAPER,
    Dot,
    Figure,
    Fill,
    Label,
    Pen,
    Rule,
    family_colour,
    sign_of,
)
from orthopsis.handout.labels import Placed, box_of_label, place_labels
from orthopsis.handout.window import (
    Moment,
    Window,
    around,
    at_least,
    fitted,
    grown,
    loop,
    overlap,
)
from orthopsis.perspective.segments import (
    WHOLE,
    XY,
    Box,
    Segment,
    at,
    box_of,
    length,
    portion_within,
    remainder,
)
from orthopsis.perspective.view import FREE
from orthopsis.phrase import PointName, say

LETTER_MM = 3.3
"""Size of letters in print: a little over 9 points."""
SMALL_WIDE_MM = 20.0
"""Width of the whole sheet beside the place."""
GAP_MM = 2.0
LEAST_SHOWN_MM = 70.0
"""Less of the sheet than this is never shown: one would not find it again."""
ALMOST_WHOLE = 0.8
"""A place that takes more of the sheet than this is shown as the whole sheet."""
CROWDED_MM = 4.5
"""Marks nearer to one another in print are shown once more, enlarged."""
STRIP_MM = 12.0
"""Half the width of a strip of paper beside the sheet, as it is drawn."""
RULER_MM = 5.0

PENS = {"new": 0.7, "light": 0.2, "kept": 0.4, "dark": 0.5, "struck": 0.35}


def step_closeup(
    scene: Scene, steps: Sequence[Step], number: int, wide_mm: float, high_mm: float
) -> Figure:
    """The figure of a step, `number` from 1, at its printed size."""
    moment = Moment(scene, steps, number)
    words = scene.words.say(
        say("step-figure", number=count(number), title=title_phrase(moment.step))
    )
    figure = Figure(wide_mm, high_mm, words, paper=False)
    wanted = _place_of(moment)
    whole = _shares(wanted, moment.sheet) > ALMOST_WHOLE
    room = (0.0, 0.0, wide_mm, high_mm)
    if not whole:
        room = (0.0, 0.0, wide_mm - SMALL_WIDE_MM - GAP_MM, high_mm)
    window = fitted(around(moment.sheet, wanted) if whole else wanted, room)
    seen = [mark for mark in moment.named if window.holds(mark.at.xy)]
    close = crowd(seen, CROWDED_MM / window.scale)
    inset = _inset(moment, window, close) if close else None
    _draw(figure, moment, window, within=inset)
    if inset is not None:
        _clear(figure, inset.place)
        _draw(figure, moment, inset, frame=True)
        _frame(figure, window.area(inset.shown), Pen(0.25, INK))
    if not whole:
        _small_sheet(figure, moment, window.shown, (wide_mm - SMALL_WIDE_MM, wide_mm))
    return figure


# --- what is shown --------------------------------------------------------------------------------


def _place_of(moment: Moment) -> Box:
    """The part of the desk where a step happens."""
    step = moment.step
    reached: list[XY] = []
    for drawn in step.strokes:
        reached += drawn.stroke.segment
    for line in step.tried:
        reached.append(line.start)
    if not reached:
        lines = [d.stroke for one in moment.steps for d in one.strokes]
        reached = [end for k in (*step.darkens, *step.erases) for end in lines[k].segment]
    reached += [mark.at.xy for mark in moment.named]
    reached += [mark.at.xy for mark in step.marks if mark.point and not mark.at.at_infinity]
    reached += [end for one in step.beyond for line in one.lines for end in line]
    if not reached:
        return moment.sheet
    box = box_of(reached)
    more = max(8.0, 0.06 * max(box[2] - box[0], box[3] - box[1]))
    return at_least(grown(box, more), LEAST_SHOWN_MM)


def _shares(box: Box, sheet: Box) -> float:
    """How much of the sheet's width or height a place takes, the larger."""
    return max((box[2] - box[0]) / sheet[2], (box[3] - box[1]) / sheet[3])


# --- where marks crowd ----------------------------------------------------------------------------


def _inset(moment: Moment, window: Window, close: Sequence[Mark]) -> Window | None:
    """A window on a crowd, in the corner of the figure where least is drawn."""
    box = box_of(mark.at.xy for mark in close)
    near = at_least(grown(box, 6.0), 0.0)
    left, top, right, bottom = window.place
    wide, high = 0.42 * (right - left), 0.46 * (bottom - top)
    corners = [
        (x, y, x + wide, y + high) for x in (left, right - wide) for y in (top, bottom - high)
    ]
    lines = [line for line in _seen(moment, window) if length(line) > 0.0]
    here = window.area(near)

    def covered(place: Box) -> float:
        ink = (portion_within(line, *place) for line in lines)
        own = here is not None and overlap(place, here)
        on = sum(
            (p[1] - p[0]) * length(line)
            for p, line in zip(ink, lines, strict=True)
            if p is not None
        )
        return on + (1e6 if own else 0.0)

    inset = fitted(near, min(corners, key=covered))
    return inset if inset.scale > 1.5 * window.scale else None


def _seen(moment: Moment, window: Window) -> Iterator[Segment]:
    for drawn, _ in lines_after(moment.steps, moment.number):
        line = window.line(drawn.stroke.segment)
        if line is not None:
            yield line


def _clear(figure: Figure, place: Box) -> None:
    """Take what is drawn out of the place of a window: nothing shows through it."""
    rules: list[Rule] = []
    for rule in figure.rules:
        line = rule.start, rule.end
        covered = portion_within(line, *place)
        left = remainder([covered]) if covered is not None else [WHOLE]
        rules += [replace(rule, start=at(line, t0), end=at(line, t1)) for t0, t1 in left]
    figure.rules = rules
    left_mm, top_mm, right_mm, bottom_mm = place
    figure.dots = [
        dot
        for dot in figure.dots
        if not (left_mm <= dot.at[0] <= right_mm and top_mm <= dot.at[1] <= bottom_mm)
    ]


# --- drawing --------------------------------------------------------------------------------------


def _draw(
    figure: Figure,
    moment: Moment,
    window: Window,
    within: Window | None = None,
    frame: bool = False,
) -> None:
    """What a window shows. What lies `within` another one has its letters there."""
    _paper(figure, moment, window)
    if not frame:
        _ruler(figure, moment, window)
    lines = list(_lines(figure, moment, window))
    wanted: list[tuple[str, XY, str]] = []
    for vp in moment.points:
        if window.holds(vp.at.xy):
            colour = family_colour(vp.name)
            figure.dots.append(Dot(window.at(vp.at.xy), 1.2, colour, sign_of(vp.name)))
            wanted.append((vp.name, window.at(vp.at.xy), colour))
    for mark in moment.step.marks:
        if not mark.point and window.holds(mark.at.xy):
            figure.dots.append(Dot(window.at(mark.at.xy), 0.35, INK))
    for mark in moment.named:
        if window.holds(mark.at.xy):
            figure.dots.append(Dot(window.at(mark.at.xy), 0.55, INK))
            if within is None or not within.holds(mark.at.xy):
                wanted.append((mark.name, window.at(mark.at.xy), INK))
    keep_off = [] if within is None else [within.place]
    _label(figure, wanted, window.place, lines, keep_off)
    if not frame:
        _whither(figure, moment, window, lines, keep_off)
    _frame(figure, window.place, Pen(0.25, INK if frame else GRAPHITE))


def _label(
    figure: Figure,
    wanted: Sequence[tuple[str, XY, str]],
    within: Box,
    lines: Sequence[Segment],
    keep_off: Sequence[Box],
) -> list[Placed]:
    taken = [*keep_off, *(_box(one) for one in figure.labels)]
    placed = place_labels([(text, xy) for text, xy, _ in wanted], LETTER_MM, within, lines, taken)
    for one, (_, _, colour) in zip(placed, wanted, strict=True):
        figure.labels.append(Label(one.at, one.text, LETTER_MM, colour))
    return placed


def _box(label: Label) -> Box:
    return box_of_label(label.text, label.at, label.size_mm)


def _paper(figure: Figure, moment: Moment, window: Window) -> None:
    """The sheet on the desk, and the strips of paper beside it."""
    left, top, right, bottom = window.place
    figure.fills.append(Fill((loop((left, top, right, bottom)),), "#E4E2DC", "desk"))
    taped = [one.paper for one in moment.step.beyond]
    for box in (*_strips(moment), *taped, moment.sheet):
        seen = window.area(box)
        if seen is not None:
            figure.fills.append(Fill((loop(seen),), PAPER, "paper"))
            _frame(figure, seen, Pen(0.15, GRAPHITE))


def _strips(moment: Moment) -> Iterator[Box]:
    """From the sheet's edge to beyond each point that lies off it."""
    _, _, wide, high = moment.sheet
    for vp in moment.points:
        x, y = vp.at.xy
        if x < 0.0 or x > wide:
            near, far = (0.0, x - STRIP_MM) if x < 0.0 else (wide, x + STRIP_MM)
            yield min(near, far), y - STRIP_MM, max(near, far), y + STRIP_MM
        elif y < 0.0 or y > high:
            near, far = (0.0, y - STRIP_MM) if y < 0.0 else (high, y + STRIP_MM)
            yield x - STRIP_MM, min(near, far), x + STRIP_MM, max(near, far)


def _frame(figure: Figure, box: Box | None, pen: Pen) -> None:
    if box is not None:
        corners = loop(box)
        for start, end in zip(corners, (*corners[1:], corners[0]), strict=True):
            figure.rules.append(Rule(start, end, pen, "zz frame"))


def _lines(figure: Figure, moment: Moment, window: Window) -> Iterator[Segment]:
    """The lines on the sheet, and where the ruler lies on beyond the new ones."""
    for on_taped in (line for one in moment.step.beyond for line in one.lines):
        line = window.line(on_taped)
        if line is not None:
            figure.rules.append(Rule(*line, Pen(PENS["new"], family_colour(FREE)), "beyond"))
            yield line
    for drawn, state in lines_after(moment.steps, moment.number):
        stroke = drawn.stroke
        line = window.line(stroke.segment)
        colour = INK if state == "dark" else family_colour(stroke.family)
        if line is not None:
            dashes = (1.2, 1.4) if state == "struck" else ()
            kept = state == "light" and drawn.fate == "keep"
            pen = Pen(PENS["kept" if kept else state], colour, dashes)
            figure.rules.append(Rule(*line, pen, f"{stroke.family} {state}", stroke.curve))
            yield line
        if state == "new" and drawn.fate != "keep":
            for vp in (*moment.points, *moment.scene.slope_points):
                onward = window.line((stroke.end, vp.at.xy)) if vp.name == stroke.family else None
                if onward is not None and length(onward) > 1.0:
                    pen = Pen(0.2, colour, (0.2, 1.2))
                    figure.rules.append(Rule(*onward, pen, "onward"))
                    yield onward


def _whither(
    figure: Figure,
    moment: Moment,
    window: Window,
    lines: Sequence[Segment],
    keep_off: Sequence[Box],
) -> None:
    """Where lines leave the picture, the name of the point that they go to."""
    left, top, right, bottom = window.shown
    wanted = []
    for vp in moment.points:
        if window.holds(vp.at.xy):
            continue
        ends = [d.stroke.end for d in moment.step.strokes if d.stroke.family == vp.name]
        leaving = [end for end in ends if window.holds(end)]
        if not leaving:
            continue
        end = leaving[len(leaving) // 2]
        portion = portion_within((end, vp.at.xy), left, top, right, bottom)
        if portion is not None:
            place = window.at(at((end, vp.at.xy), max(0.0, portion[1] - 1e-9)))
            text = moment.scene.words.say(say("to-point", point=PointName(vp.name)))
            wanted.append((text, place, family_colour(vp.name)))
    _label(figure, wanted, window.place, lines, keep_off)


def _ruler(figure: Figure, moment: Moment, window: Window) -> None:
    """The ruler where it lies for the last line of the step."""
    straight = [d.stroke for d in moment.step.strokes if d.stroke.curve is None]
    if not straight:
        return
    start, end = straight[-1].segment
    long = math.dist(start, end)
    if long < 1e-6:
        return
    dx, dy = (end[0] - start[0]) / long, (end[1] - start[1]) / long
    over, wide = 8.0 / window.scale, RULER_MM / window.scale
    # It lies below or to the right of its line, where the hand does not cover the drawing.
    nx, ny = (-dy, dx) if (-dy, dx)[1] > 1e-9 or abs(dx) < 1e-9 else (dy, -dx)
    a = start[0] - dx * over, start[1] - dy * over
    b = end[0] + dx * over, end[1] + dy * over
    c, d = ((x + nx * wide, y + ny * wide) for x, y in (b, a))
    for side in ((a, b), (b, c), (c, d), (d, a)):
        line = window.line(side)
        if line is not None:
            figure.rules.append(Rule(*line, Pen(0.18, GRAPHITE), "ruler"))


def _small_sheet(figure: Figure, moment: Moment, shown: Box, span: tuple[float, float]) -> None:
    """The whole sheet with its strips, and where the place is on it."""
    every = list(_strips(moment))
    box = moment.sheet
    for strip in every:
        box = around(box, strip)
    wide, high = box[2] - box[0], box[3] - box[1]
    scale = min((span[1] - span[0]) / wide, figure.height_mm / high)
    window = Window(box, (span[0], 0.0, span[0] + wide * scale, high * scale))
    for part in (*every, moment.sheet):
        seen = window.area(part)
        if seen is not None:
            figure.fills.append(Fill((loop(seen),), PAPER, "paper"))
            _frame(figure, seen, Pen(0.15, GRAPHITE))
    for drawn, state in lines_after(moment.steps, moment.number):
        line = window.line(drawn.stroke.segment)
        if line is not None and state != "struck":
            pen = Pen(0.3 if state == "new" else 0.12, INK if state != "light" else GRAPHITE)
            figure.rules.append(Rule(*line, pen, f"small {state}", drawn.stroke.curve))
    for vp in moment.points:
        figure.dots.append(Dot(window.at(vp.at.xy), 0.6, family_colour(vp.name), sign_of(vp.name)))
    _frame(figure, window.area(shown), Pen(0.35, INK))
