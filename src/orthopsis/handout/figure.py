"""A drawing as dumb primitives: lines, dots and labels with finished colours and widths.

Whoever writes a figure out never asks what a line means; that was settled here.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace

from orthopsis.construction.moves import Mark, Step, count
from orthopsis.exercise.resolve import Scene, eye_level_behind
from orthopsis.exercise.state import lines_after
from orthopsis.exercise.told import title_phrase
from orthopsis.exercise.tone import Plane, planes
from orthopsis.handout.labels import box_of_label, place_labels
from orthopsis.perspective.segments import XY, at
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.phrase import say

LETTER_MM = 4.0
"""Size of letters on a sheet of true size: a little over 11 points."""

INK, GRAPHITE, PAPER = "#23272E", "#6A6E75", "#FFFDF7"
FAMILY_COLOURS = {"VP1": "#A86200", "VP2": "#00707A", "VP3": "#85407A"}
FAMILY_SIGNS = {"VP1": "left", "VP2": "right", "VP3": "up"}


@dataclass(frozen=True)
class Pen:
    """Width in mm, colour, and the lengths of dashes and gaps in mm (none: unbroken)."""

    width_mm: float
    colour: str
    dashes_mm: tuple[float, ...] = ()


@dataclass(frozen=True)
class Rule:
    """One straight line of a group, the group's name being what a screen reader says.

    Rules that share a `curve` follow each other as the chords of one curve.
    """

    start: XY
    end: XY
    pen: Pen
    group: str
    curve: int | None = None


@dataclass(frozen=True)
class Fill:
    """A toned plane: loops of corners, those within others being holes."""

    loops: tuple[tuple[XY, ...], ...]
    colour: str
    group: str


@dataclass(frozen=True)
class Dot:
    """A filled mark; `sign` gives each family its own shape: left, right, up or round."""

    at: XY
    radius_mm: float
    colour: str
    sign: str = "round"


@dataclass(frozen=True)
class Label:
    """A short text beside a place."""

    at: XY
    text: str
    size_mm: float
    colour: str


@dataclass
class Figure:
    """A sheet of primitives, in drawing order, in sheet millimetres."""

    width_mm: float
    height_mm: float
    title: str
    fills: list[Fill] = field(default_factory=list)
    rules: list[Rule] = field(default_factory=list)
    dots: list[Dot] = field(default_factory=list)
    labels: list[Label] = field(default_factory=list)
    paper: bool = True


TONES = (
    ("#DCE4EE", "#A9BCD6", "#6F8DB5"),
    ("#F0E0C8", "#DDB985", "#B98748"),
    ("#D5E8E4", "#9CC9C1", "#5B9C92"),
    ("#EADCEA", "#CBA9C9", "#9D6F9A"),
    ("#E3E8D0", "#BCC894", "#8B9A58"),
    ("#F2D9D3", "#DFA79B", "#B86F60"),
)
"""Values 1 to 3 in families of colour, one for each piece in turn; each falls evenly in grey."""


SHADOW = "#77746E"
"""A cast shadow: darker in grey than any plane, and of no family."""


def tone_colour(value: int, family: int) -> str:
    """The colour of a value, 0 paper white to 3 darkest, in one of the families."""
    return PAPER if value == 0 else TONES[family % len(TONES)][value - 1]


def toned(scene: Scene, found: Sequence[Plane]) -> list[Fill]:
    """Planes of a scene with their colours."""
    families = {part.drawn.part: number for number, part in enumerate(scene.parts)}
    return [
        Fill(plane.loops, _colour_of(plane, families[plane.part]), f"value {plane.value}")
        for plane in found
    ]


def _colour_of(plane: Plane, family: int) -> str:
    return SHADOW if plane.cast else tone_colour(plane.value, family)


def family_colour(family: str) -> str:
    """A family keeps its colour everywhere; uprights and levels are graphite."""
    return FAMILY_COLOURS.get(family.rsplit(":", 1)[-1], GRAPHITE)


def sign_of(name: str) -> str:
    """The shape of a point's mark, which tells families apart without colour."""
    return FAMILY_SIGNS.get(name.rsplit(":", 1)[-1], "round")


def in_grey(figure: Figure) -> Figure:
    """The figure without colour: lines of ink and graphite, fills as light as they were."""

    def line(colour: str) -> str:
        return colour if colour in (INK, GRAPHITE) else INK

    return replace(
        figure,
        rules=[replace(r, pen=replace(r.pen, colour=line(r.pen.colour))) for r in figure.rules],
        fills=[replace(fill, colour=_grey(fill.colour)) for fill in figure.fills],
        dots=[replace(dot, colour=line(dot.colour)) for dot in figure.dots],
        labels=[replace(label, colour=line(label.colour)) for label in figure.labels],
    )


def _grey(colour: str) -> str:
    """The grey of the same luma. Source: Rec. ITU-R BT.601 (from memory)."""
    red, green, blue = (int(colour[k : k + 2], 16) for k in (1, 3, 5))
    luma = round(0.299 * red + 0.587 * green + 0.114 * blue)
    return f"#{luma:02X}{luma:02X}{luma:02X}"


def picture_figure(
    scene: Scene, strokes: Iterable[Stroke], scale: float = 1.0, with_eye_level: bool = True
) -> Figure:
    """The finished drawing; `scale` thickens pens for figures that will be printed small."""
    figure = _empty(scene, scene.exercise.title)
    figure.fills = toned(scene, planes(scene))
    if with_eye_level:
        _eye_level(figure, scene, scale)
    for stroke in strokes:
        if stroke.role is Role.OUTLINE:
            pen = Pen(0.6 * scale, INK)
        elif stroke.role is Role.SHADOW:
            pen = Pen(0.3 * scale, SHADOW)
        elif stroke.role is Role.GUIDE:
            pen = Pen(0.25 * scale, family_colour(stroke.family))
        else:
            continue
        figure.rules.append(Rule(stroke.start, stroke.end, pen, _group(stroke), stroke.curve))
    _vanishing_points(figure, scene, scale)
    return figure


def step_figure(scene: Scene, steps: Sequence[Step], number: int) -> Figure:
    """The sheet after step `number` (from 1): old lines light, this step's lines strong."""
    words = scene.words.say(
        say("step-figure", number=count(number), title=title_phrase(steps[number - 1]))
    )
    figure = _empty(scene, words)
    for drawn, state in lines_after(steps, number):
        stroke = drawn.stroke
        colour = family_colour(stroke.family)
        pen = {
            "new": Pen(0.7, colour),
            "light": Pen(0.25, colour),
            "dark": Pen(0.6, INK),
            "struck": Pen(0.4, colour, (1.2, 1.6)),
        }[state]
        figure.rules.append(
            Rule(stroke.start, stroke.end, pen, f"{_group(stroke)}, {state}", stroke.curve)
        )
        if state == "new" and drawn.fate != "keep":
            _ruler_onward(figure, scene, stroke)
    points = {vp.name for vp in (*scene.vanishing_points, *scene.helping_points)}
    placed = {mark.name for step in steps[:number] for mark in step.marks} & points
    _vanishing_points(figure, scene, 1.0, placed)
    _marks(figure, scene, [m for step in steps[:number] for m in step.marks], steps[number - 1])
    return figure


def _empty(scene: Scene, title: str) -> Figure:
    return Figure(scene.sheet.width_mm, scene.sheet.height_mm, title)


def _group(stroke: Stroke) -> str:
    return f"{stroke.family} {stroke.role}"


def _ruler_onward(figure: Figure, scene: Scene, stroke: Stroke) -> None:
    """Where the ruler lies on beyond a guide line, dotted as far as its vanishing point."""
    for vp in scene.goals:
        if vp.name == stroke.family and not vp.at.at_infinity:
            way = stroke.end, vp.at.xy
            on_sheet = scene.sheet.clip(way)
            if on_sheet and math.dist(*way) > 1.0:
                pen = Pen(0.2, family_colour(stroke.family), (0.2, 1.4))
                rule = Rule(at(way, on_sheet[0]), at(way, on_sheet[1]), pen, "ruler")
                figure.rules.append(rule)


def _eye_level(figure: Figure, scene: Scene, scale: float) -> None:
    pen = Pen(0.25 * scale, GRAPHITE)
    for start, end in eye_level_behind(scene):
        figure.rules.append(Rule(start, end, pen, scene.words.say(say("eye-level"))))


def _vanishing_points(
    figure: Figure, scene: Scene, scale: float, names: set[str] | None = None
) -> None:
    # Distance and measuring points help a step, and are no part of the finished drawing.
    helping = scene.helping_points if names is not None else []
    for vp in (*scene.vanishing_points, *helping):
        if not scene.sheet.contains(vp.at) or (names is not None and vp.name not in names):
            continue
        x, y = vp.at.xy
        colour = family_colour(vp.name)
        figure.dots.append(Dot((x, y), 1.4 * scale, colour, sign_of(vp.name)))
        beside = x + 2.2 * scale if x < scene.sheet.width_mm - 14 * scale else x - 11 * scale
        figure.labels.append(Label((beside, y - 2.2 * scale), vp.name, 4.2 * scale, colour))


def _marks(figure: Figure, scene: Scene, made: Sequence[Mark], step: Step) -> None:
    """A dot for each mark that a step makes, and its letter for each that its words use."""
    own = {mark.name for mark in step.marks}
    places = {
        mark.name: mark.at.xy
        for mark in made
        if (mark.name in step.names or mark.name in own)
        and not mark.point
        and not mark.at.at_infinity
        and scene.sheet.contains(mark.at)
    }
    for name, xy in places.items():
        figure.dots.append(Dot(xy, 0.7 if name in step.names else 0.4, INK))
    wanted = [(name, xy) for name, xy in places.items() if name in step.names]
    lines = [(rule.start, rule.end) for rule in figure.rules]
    taken = [box_of_label(one.text, one.at, one.size_mm) for one in figure.labels]
    sheet = (0.0, 0.0, figure.width_mm, figure.height_mm)
    for one in place_labels(wanted, LETTER_MM, sheet, lines, taken):
        figure.labels.append(Label(one.at, one.text, LETTER_MM, INK))
