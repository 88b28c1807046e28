"""The light on paper: where it is marked, and its foot on the floor.

A lamp that stands has its foot where the diagonals of its own foot cross. One that hangs has it on
the floor below: its plan is carried down the wall it hangs on, or from the ceiling round by a side
wall. Source: what is level is carried along the floor as along the ceiling; handbooks of
perspective (from memory).
"""

from __future__ import annotations

from collections.abc import Mapping

from orthopsis.construction.moves import Act, Mark, Said
from orthopsis.construction.paper import Paper
from orthopsis.construction.places import across, down
from orthopsis.exercise.below import BelowThings, crossing, marks_of
from orthopsis.exercise.casting import DOWN_CORNERS, THROUGH, lamp_block, light_aside
from orthopsis.exercise.document import ToneSpec
from orthopsis.exercise.light import LampLight, SunLight
from orthopsis.exercise.receivers import Surfaces
from orthopsis.perspective.light import LightOnPaper, sun_at
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, plus, times
from orthopsis.perspective.view import HORIZONTAL

LightMarks = tuple[Mark, Mark] | None
"""The light and its foot as marks; none where it comes from the side."""


def on_paper(
    scene: Surfaces, tone: ToneSpec, marks: LightMarks
) -> tuple[LightOnPaper, Vector, bool]:
    """The light by ruler, the way to it, and whether it is a lamp."""
    light = tone.light
    if isinstance(light, SunLight):
        place = Point(light.x_mm, light.y_mm)
        before = 1.0 if light.y_mm < scene.main.eye_level_mm else -1.0
        toward = times((place.x, place.y, 1.0), before)
        return sun_at(place, scene.main.eye_level_mm), toward, False
    if isinstance(light, LampLight):
        block, part = lamp_block(scene, light)
        assert marks is not None
        middle, foot = marks
        space = [(x / n, y / n, 1.0 / n) for (x, y, _), n in block.corners(part.stage)]
        (one, opposite), _ = THROUGH
        within = times(plus(space[one], space[opposite]), 0.5)
        return LightOnPaper(middle.at, foot.at), within, True
    aside = light_aside(tone)
    return aside, (aside.at.x, aside.at.y, 0.0), False


def tone_kind(tone: ToneSpec) -> str:
    """What kind of light it is."""
    return "side" if isinstance(tone.light, str) else tone.light.kind


def light_marks(
    scene: Surfaces, paper: Paper, tone: ToneSpec, handed: Mapping[Part, object]
) -> LightMarks:
    """The steps that mark the light and its foot."""
    light = tone.light
    if isinstance(light, SunLight):
        step = paper.begin("light-sun", Act.TONE)
        sun = paper.measure(light.x_mm, light.y_mm)
        level = paper.beside_all(Point(0.0, scene.main.eye_level_mm), HORIZONTAL)
        foot = paper.cross(paper.upright(sun), level)
        before = light.y_mm < scene.main.eye_level_mm
        step.say(
            "light-sun" if before else "light-sun-behind", sun=sun, foot=foot,
            across=across(light.x_mm, paper.sheet), down=down(light.y_mm, paper.sheet),
        )  # fmt: skip
        step.check("light-sun-check", sun=sun, foot=foot)
        return sun, foot
    return _lamp_marks(scene, paper, light, handed) if isinstance(light, LampLight) else None


def _lamp_marks(
    scene: Surfaces, paper: Paper, light: LampLight, handed: Mapping[Part, object]
) -> tuple[Mark, Mark]:
    block, part = lamp_block(scene, light)
    step = paper.begin("light-lamp", Act.TONE)
    corners = marks_of(paper, block, part, handed)
    middle = crossing(paper, [corners[k] for k in (*THROUGH[0], *THROUGH[1])])
    name, _, surface = (scene.pieces[part.number].on or "").partition("/")
    words: dict[str, Said] = {"middle": middle, "lamp": part.drawn.name}
    below = BelowThings(scene, paper, handed)
    if part.stage.hung is not None:
        foot = crossing(paper, below.plan(name).of(corners, surface))
        on = "light-lamp-ceiling" if surface == "ceiling" else "light-lamp-wall"
        step.say(on, **words, foot=foot)
    else:
        foot = crossing(paper, [corners[k] for k in (*DOWN_CORNERS[0], *DOWN_CORNERS[1])])
        if part.stage.floor is None:
            step.say("light-lamp", **words, foot=foot)
        else:
            top, foot = foot, below.level_with(below.uprights_of(name), foot)
            step.say("light-lamp-on-top", **words, top=top, foot=foot)
    step.check("light-lamp-check", middle=middle, foot=foot)
    return middle, foot
