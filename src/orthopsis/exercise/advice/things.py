"""Advice about the things on the sheet: how they stand, and what they show."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from orthopsis.construction.order import NoDrawingOrder, called, stand_apart
from orthopsis.exercise.advice.one import Advice, first_that, steps_aside
from orthopsis.exercise.change import Change
from orthopsis.exercise.personal import on_sheet
from orthopsis.exercise.resolve import Scene
from orthopsis.perspective.area import Area
from orthopsis.perspective.segments import XY
from orthopsis.phrase import About, Length, Number, Value
from orthopsis.picture.solids import is_card, is_patch
from orthopsis.pieces.kinds.room import Room
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.roles import FieldRole, told

LEAST_FACE_MM = 3.0

LEAST_LETTER_MM = {"full": 20.0, "simple": 25.0}
"""By reading level: a stroke is a quarter of this (common practice, no published source)."""


def in_one_another(scene: Scene) -> Iterator[Advice]:
    try:
        _ = scene.drawing_order
    except NoDrawingOrder as error:
        pair = error.pair
        parts = [body.part for body in scene.bodies]
        first, second = (parts.index(one) for one in pair)
        number = scene.parts[second].number

        def apart(changed: Scene) -> bool:
            return stand_apart(*(changed.body(k) for k in (first, second)))

        moved = first_that(scene, steps_aside(scene, number), apart)
        step_mm = abs(moved[0]) if moved else 0.0
        values: dict[str, Value] = {
            "first": called(scene.bodies[first]), "second": called(scene.bodies[second]),
            "step": Length(step_mm),
        }  # fmt: skip
        where, changes = scene.bodies[second].corners[0][0].xy, moved[1] if moved else ()
        yield Advice.of("in-one-another", where, step_mm, values, changes)


def in_the_wall(scene: Scene) -> Iterator[Advice]:
    """What stands on the floor of a room and reaches into a wall, or stands beyond it."""
    for number in range(len(scene.pieces)):
        beyond = _beyond_the_floor(scene, number)
        if beyond is None:
            continue

        def within(changed: Scene, number: int = number) -> bool:
            return _beyond_the_floor(changed, number) is None

        moved = first_that(scene, steps_aside(scene, number), within)
        step_mm = abs(moved[0]) if moved else 0.0
        values: dict[str, Value] = {"piece": scene.pieces[number].name, "step": Length(step_mm)}
        yield Advice.of("in-the-wall", beyond, step_mm, values, moved[1] if moved else ())


def _beyond_the_floor(scene: Scene, number: int) -> XY | None:
    """A corner of a piece's foot that does not lie on the floor that it stands on."""
    piece, stage = scene.pieces[number], scene.stage(number)
    name, _, surface = (piece.on or "").partition("/")
    room = next((one for one in scene.pieces if one.id == name), None)
    if surface != "floor" or not isinstance(room, Room):
        return None
    if not isinstance(piece.place, BlockPlacement):
        return None
    feet = (place.xy for place, _ in (piece.place.corners(stage)[k] for k in (2, 3, 6, 7)))
    return next((foot for foot in feet if not room.place.floor_holds(foot, stage.view)), None)


def slivers(scene: Scene) -> Iterator[Advice]:
    """Of each piece the thinnest side that shows, when it is too thin to be drawn."""
    thinnest: dict[int, tuple[int, XY, float]] = {}
    for k, (body, part) in enumerate(zip(scene.bodies, scene.parts, strict=True)):
        thin = None if part.drawn.meant_thin else thinnest_face(body.shown.faces)
        if thin is not None and thin[1] < thinnest.get(part.number, (0, thin[0], math.inf))[2]:
            thinnest[part.number] = k, *thin
    for number, (k, where, width_mm) in thinnest.items():

        def wide(changed: Scene, k: int = k) -> bool:
            return thinnest_face(changed.body(k).shown.faces) is None

        moved = first_that(scene, steps_aside(scene, number), wide)
        values = {
            "piece": scene.bodies[k].name, "wide": Number(width_mm, 1),
            "step": Length(abs(moved[0]) if moved else 0.0),
        }  # fmt: skip
        changes = moved[1] if moved else ()
        yield Advice.of("sliver", where, width_mm, values, changes)


def small_letters(scene: Scene) -> Iterator[Advice]:
    """The smallest letter of each word, when it is too small for those who draw it."""
    least_mm = LEAST_LETTER_MM[scene.wording.reading]
    for number, piece in enumerate(scene.exercise.pieces):
        smallest = None if piece.word is None else _smallest_letter(scene, number)
        if smallest is None or smallest[2] >= least_mm:
            continue
        name, where, high_mm = smallest

        def large(changed: Scene, number: int = number) -> bool:
            found = _smallest_letter(changed, number)
            return found is not None and found[2] >= least_mm and on_sheet(changed, number)

        better = first_that(scene, _taller(scene, number), large)
        values = {
            "letter": name, "high": About(high_mm), "least": Length(least_mm),
            "taller": Length(better[0] if better else 0.0),
        }  # fmt: skip
        changes = better[1] if better else ()
        yield Advice.of("small-letters", where, high_mm, values, changes)


def _taller(scene: Scene, number: int) -> Iterator[tuple[float, tuple[Change, ...]]]:
    """A word on a front in larger letters, by round heights."""
    piece = scene.exercise.pieces[number]
    if piece.true_face is None:
        return
    path = ("pieces", number)
    high = next(one for one in told(piece.place, path) if one.role is FieldRole.LENGTH)
    for mm in (30.0, 60.0, 90.0):
        if mm > high.value:
            yield mm, (Change(high.path, mm),)


def _smallest_letter(scene: Scene, number: int) -> tuple[Value, XY, float] | None:
    """The name, place and height on paper of a word's letter that looks the smallest."""
    found = []
    for body, part in zip(scene.bodies, scene.parts, strict=True):
        # A dot or a hyphen is small in any word.
        if part.number == number and part.drawn.is_letter:
            near = [place.xy for place, _ in body.corners[: len(body.corners) // 2]]
            ys = [y for _, y in near]
            found.append((body.name, near[0], max(ys) - min(ys)))
    return min(found, key=lambda one: one[2], default=None)


def shadows_by_hand(scene: Scene) -> Iterator[Advice]:
    """What stands among things that cast shadows and has none that lines would find."""
    tone = scene.exercise.tone
    if tone is None or not tone.cast:
        return
    said = set[int]()
    for k, part in enumerate(scene.parts):
        if part.number in said or part.stage.floating or part.stage.transparent:
            continue
        rises = any(not (is_patch(one) or is_card(one)) for one in scene.solids[k])
        if rises and part.drawn.casting(part.stage) is None:
            said.add(part.number)
            values: dict[str, Value] = {"piece": scene.bodies[k].name}
            where = scene.bodies[k].corners[0][0].xy
            yield Advice.of("shadow-by-hand", where, 0.0, values)


def thinnest_face(faces: Sequence[Area]) -> tuple[XY, float] | None:
    """The first face that is too thin to be drawn: where it lies, and how wide it is."""
    for outline in (face.loops[0] for face in faces if not face.bends):
        width_mm = _thinnest(outline)
        if width_mm < LEAST_FACE_MM:
            return outline[0], width_mm
    return None


def _thinnest(face: Sequence[XY]) -> float:
    """The smallest distance between a side and the corner furthest from it."""
    widths = []
    for i, start in enumerate(face):
        end = face[(i + 1) % len(face)]
        side = math.dist(start, end)
        if side > 1e-9:
            dx, dy = (end[0] - start[0]) / side, (end[1] - start[1]) / side
            widths.append(max(abs((x - start[0]) * dy - (y - start[1]) * dx) for x, y in face))
    return min(widths, default=0.0)
