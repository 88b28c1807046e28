"""Tone as work: the shadows, and then one step for each value, the lightest first."""

from __future__ import annotations

from collections.abc import Mapping

from orthopsis.construction.moves import Act, Do
from orthopsis.construction.paper import Paper
from orthopsis.exercise.document import ToneSpec
from orthopsis.exercise.shadow_steps import draw_shadows
from orthopsis.exercise.shadows import Shaded, side_lit
from orthopsis.exercise.values import VALUES, turned_to
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import dot
from orthopsis.phrase import Choice, Several
from orthopsis.picture.facets import facing
from orthopsis.pieces.base import Site

STRIPS = 2
"""Of a curve both ends and its middle tell how it is turned."""
TONES = {1: "tone-light", 2: "tone-middle", 3: "tone-dark"}
SIDES = ("top", "front", "lit", "dark", "under")


def draw_tone(
    scene: Shaded, paper: Paper, sites: Mapping[Part, Site], handed: Mapping[Part, object]
) -> None:
    """The steps of shadows and values, if tone is asked for. Raises ExerciseError."""
    tone = scene.exercise.tone
    if tone is None:
        return
    draw_shadows(scene, paper, sites, handed)
    sides = _sides(scene, tone, handed)
    values = VALUES[tone.lightest, tone.values]
    white = [side for side in SIDES if side in sides and values[side] == 0]
    for value, name in TONES.items():
        shaded = [side for side in SIDES if side in sides and values[side] == value]
        if not shaded:
            continue
        step = paper.begin(name, Act.TONE, sides=_several(shaded))
        if white:
            step.say("tone-white", sides=_several(white))
            white = []
        step.say(name, sides=_several(shaded))
        for _ in {part for side in shaded for part in sides[side]}:
            paper.moved(Do.SHADE, (), None)
        step.check("tone-check")


def _several(sides: list[str]) -> Several:
    return Several(tuple(Choice(f"planes-{side}") for side in sides))


def _sides(scene: Shaded, tone: ToneSpec, drawn: Mapping[Part, object]) -> dict[str, set[Part]]:
    """How planes that are seen are turned, and which parts have such."""
    found: dict[str, set[Part]] = {}
    for part, solids in zip(scene.parts, scene.solids, strict=True):
        for solid in solids:
            if solid.transparent or part.drawn.part not in drawn:
                continue
            light = side_lit(scene, tone, solid)
            for loops, normal in (one for some in facing(solid, STRIPS) for one in some):
                if dot(normal, loops[0][0]) < 0.0:
                    side = turned_to(normal, part.stage.view, light)
                    found.setdefault(side, set()).add(part.drawn.part)
    return found
