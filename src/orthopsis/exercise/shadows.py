"""Cast shadows by projection, for the picture and for tone.

What stands on the ground or on a floor casts them, boxes, furniture, stairs and houses alike, if
anything of it shows; ground, floors and walls receive them.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import replace
from itertools import islice
from typing import NamedTuple, Protocol

from orthopsis.exercise.casting import THROUGH, casters, check_light, lamp_block, light_aside
from orthopsis.exercise.document import ToneSpec
from orthopsis.exercise.light import LampLight, SunLight
from orthopsis.exercise.receivers import Receiver, Surfaces, plane_of, receivers
from orthopsis.exercise.values import side_of_light
from orthopsis.perspective.area import Area
from orthopsis.perspective.segments import (
    XY,
    Portion,
    Segment,
    at,
    box_of,
    boxes_touch,
    length,
    portion_shared,
    remainder,
    within_convex,
)
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part, Role, Stroke
from orthopsis.perspective.vector import Vector, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.picture.shadow import Cast, Light, cast, outline
from orthopsis.picture.solid import Bar, Shape, Solid, bars
from orthopsis.picture.solids import AnySolid, is_patch
from orthopsis.picture.visibility import HiddenEdge, Sight


class Shaded(Surfaces, Protocol):
    """A document with all that stands on its sheet."""

    @property
    def sheet(self) -> Sheet: ...
    @property
    def solids(self) -> Sequence[Sequence[AnySolid]]: ...
    @property
    def sight(self) -> Sight: ...


def _in_space(scene: Shaded, tone: ToneSpec) -> Light:
    light = tone.light
    if isinstance(light, LampLight):
        return Light(lamp_in_space(scene, light), near=True)
    if isinstance(light, SunLight):
        behind = 1.0 if light.y_mm > scene.main.eye_level_mm else -1.0
        return Light(times((light.x_mm, light.y_mm, 1.0), behind))
    toward = light_aside(tone).at
    return Light((-toward.x, -toward.y, 0.0))


def lamp_in_space(scene: Shaded, light: LampLight) -> Vector:
    """The middle of the block of a lamp, in eye space. Raises ExerciseError."""
    place, part = lamp_block(scene, light)
    (one, opposite), _ = THROUGH
    corners = place.in_space(part.stage)
    return times(plus(corners[one], corners[opposite]), 0.5)


def side_lit(scene: Shaded, tone: ToneSpec, solid: AnySolid) -> str:
    """From which side the light falls on a thing."""
    if not isinstance(tone.light, LampLight):
        return side_of_light(tone.light, scene.main)
    lamp_mm, _ = on_paper(lamp_in_space(scene, tone.light))
    outline = solid if isinstance(solid, Solid) else solid.outline()
    xs = [on_paper(place)[0] for place in outline.vertices]
    return "left" if lamp_mm < (min(xs) + max(xs)) / 2 else "right"


def shadows(scene: Shaded) -> list[Stroke]:
    """The lines of all cast shadows as they are seen. Raises ExerciseError."""
    tone = scene.exercise.tone
    if tone is None or not tone.cast:
        return []
    of_things = _seen(scene)
    cast_on = _casts(scene, tone, of_things)
    return [
        stroke
        for receiver, edge, hidden in _free(scene, cast_on, of_things)
        for stroke in _strokes(scene, edge, hidden, receiver)
    ]


CastOn = list[tuple[Receiver, list[Cast]]]


def _free(
    scene: Shaded, cast_on: CastOn, of_things: Mapping[Part, Sequence[Segment]]
) -> Iterator[tuple[Receiver, HiddenEdge, list[Portion]]]:
    """What bounds the shadows, and where things stand before it or have a line of their own."""
    lines, fall_on = list[AnySolid](), list[Receiver]()
    for receiver, casts in cast_on:
        drawn: dict[Part, list[Bar]] = {}
        for part, bar in outline(casts):
            drawn.setdefault(part, []).append(bar)
            fall_on.append(receiver)
        lines += [bars(part, of_part) for part, of_part in drawn.items()]
    # Of what stands there only the faces are asked for.
    standing = (s for of_part in scene.solids for s in of_part if not s.transparent)
    faces = [replace(s, shape=Shape(s.faces, ())) if isinstance(s, Solid) else s for s in standing]
    edges = Sight([*lines, *sorted(faces, key=is_patch)]).edges()
    others = [(box_of(line), line) for part in of_things.values() for line in part]
    for receiver, edge in zip(fall_on, islice(edges, len(fall_on)), strict=True):
        box = box_of(edge.segment)
        # Along the foot of a thing its own line is there.
        near = (portion_shared(edge.segment, o) for around, o in others if boxes_touch(around, box))
        yield receiver, edge, [*edge.hidden, *(one for one in near if one is not None)]


def _within(segment: Segment, area: Area | None) -> Portion:
    if area is None:
        return 0.0, 1.0
    inside = area.portions_inside(segment)
    return inside[0] if inside else (0.0, 0.0)


def _strokes(
    scene: Shaded, edge: HiddenEdge, hidden: list[Portion], receiver: Receiver
) -> Iterator[Stroke]:
    part, family, segment = edge.solid.part, edge.edge.family, edge.segment
    on_sheet = scene.sheet.clip(segment)
    if on_sheet is None:
        return
    for t0, t1 in remainder(hidden, _within(segment, receiver.area)):
        t0, t1 = max(t0, on_sheet[0]), min(t1, on_sheet[1])
        if (t1 - t0) * length(segment) > 1e-6:
            ends = at(segment, t0), at(segment, t1)
            yield Stroke(*ends, family, Role.SHADOW, part, None, receiver.name)


def _casts(scene: Shaded, tone: ToneSpec, seen: Collection[Part]) -> CastOn:
    """What each surface receives."""
    check_light(tone, scene.main)
    light = _in_space(scene, tone)
    aside = not isinstance(tone.light, SunLight | LampLight)
    casting = [
        (one, solid)
        for one in casters(scene)
        if one.thing.part in seen  # else nobody has drawn it
        for solid in scene.solids[one.number]
        if isinstance(solid, Solid)
    ]
    found: CastOn = []
    for receiver in receivers(scene):
        plane = plane_of(receiver, scene, aside=aside)
        casts = [cast(solid, light, plane) for one, solid in casting if one.reaches(receiver)]
        found.append((receiver, casts))
    return found


def _seen(scene: Shaded) -> dict[Part, list[Segment]]:
    """What is seen on the sheet of the lines of each part, if anything is."""
    found: dict[Part, list[Segment]] = {}
    for solid, _, segment, hidden in scene.sight.edges():
        on_sheet = scene.sheet.clip(segment)
        for t0, t1 in remainder(hidden, on_sheet) if on_sheet else ():
            if (t1 - t0) * length(segment) > 1e-6:
                found.setdefault(solid.part, []).append((at(segment, t0), at(segment, t1)))
    return found


class ShadowArea(NamedTuple):
    """What a thing casts on paper, before what stands there is laid over it, and the number of the
    part on whose top it falls.
    """

    part: Part
    loops: tuple[tuple[XY, ...], ...]
    on: int | None


def shadow_areas(scene: Shaded) -> list[ShadowArea]:
    """What shadows cover on paper. Raises ExerciseError."""
    tone = scene.exercise.tone
    if tone is None or not tone.cast:
        return []
    found = []
    parts = [part.drawn.part for part in scene.parts]
    for receiver, casts in _casts(scene, tone, _seen(scene)):
        on = parts.index(receiver.base.drawn.part) if receiver.base else None
        for one in casts:
            for area in one.areas:
                loops = area.loops
                if receiver.area is not None:
                    (surface,) = receiver.area.loops
                    loops = tuple(within_convex(loop, surface) for loop in loops)
                loops = tuple(loop for loop in loops if len(loop) > 2)
                found.append(ShadowArea(one.part, loops, on))
    return [area for area in found if area.loops]
