"""What casts shadows, and where the light stands: for the picture and for the steps alike."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import ToneSpec
from orthopsis.exercise.light import LampLight, SunLight
from orthopsis.exercise.receivers import Placed, Receiver, Surfaces
from orthopsis.perspective.light import LightOnPaper, from_the_side
from orthopsis.perspective.view import View
from orthopsis.phrase import Own, say
from orthopsis.pieces.casting import Casting
from orthopsis.pieces.placement.placement import BlockPlacement

DOWN_CORNERS = (3, 6), (2, 7)
"""The diagonals of a block's foot, and those through its middle."""
THROUGH = (0, 6), (1, 7)


class Caster(NamedTuple):
    """What casts shadows: the number of its part, what it is, and the top that it stands on, if it
    stands on a thing; `hung` on a wall or a ceiling it stands on nothing.
    """

    number: int
    thing: Casting
    top: str | None
    hung: bool

    def reaches(self, receiver: Receiver) -> bool:
        """On a top only what stands there."""
        return receiver.base is None or receiver.name == self.top

    def stands_on(self, receiver: Receiver) -> bool:
        """Whether its own foot is where shadows on a surface begin: on its top, or on the floor."""
        if receiver.base is not None:
            return receiver.name == self.top
        return self.top is None and not self.hung


def casters(scene: Surfaces) -> Iterator[Caster]:
    """What casts shadows."""
    for number, part in enumerate(scene.parts):
        stage = part.stage
        if stage.floating or stage.transparent:
            continue
        thing = part.drawn.casting(stage) if stage.view == scene.main else None
        if isinstance(thing, Casting) and not _is_lamp(scene, part):
            top = scene.pieces[part.number].on if stage.floor is not None else None
            yield Caster(number, thing, top, stage.hung is not None)


def _is_lamp(scene: Surfaces, part: Placed) -> bool:
    light = scene.exercise.tone.light if scene.exercise.tone else ""
    return isinstance(light, LampLight) and scene.pieces[part.number].id == light.piece


def lamp_block(scene: Surfaces, light: LampLight) -> tuple[BlockPlacement, Placed]:
    """The block of a lamp, and what it is of. Raises ExerciseError."""
    for part in scene.parts:
        piece = scene.pieces[part.number]
        if piece.id == light.piece and isinstance(piece.place, BlockPlacement):
            return piece.place, part
    raise ExerciseError("tone.light.piece", say("refused-no-such-piece", piece=Own(light.piece)))


def check_light(tone: ToneSpec, view: View) -> None:
    """Refuse light whose shadows have no end. Raises ExerciseError."""
    light = tone.light
    if isinstance(light, SunLight) and abs(light.y_mm - view.eye_level_mm) < 1.0:
        raise ExerciseError("tone.light.y_mm", say("refused-sun-on-level"))
    if not view.uprights.at.at_infinity:
        raise ExerciseError("tone.cast", say("refused-shadows-in-three"))


def light_aside(tone: ToneSpec) -> LightOnPaper:
    """Light along the sheet, as the document gives it."""
    light = tone.light
    if isinstance(light, str):
        return from_the_side(light == "right", 45.0)
    assert not isinstance(light, SunLight | LampLight)
    return from_the_side(light.from_ == "right", light.rise_deg)
