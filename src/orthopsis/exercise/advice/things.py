"""Advice about the things on the sheet: how they stand, and what they show."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from orthopsis.construction.order import stand_apart
from orthopsis.errors import NoDrawingOrder
from orthopsis.exercise.advice.one import Advice, first_that, steps_aside
from orthopsis.exercise.change import Change
from orthopsis.exercise.personal import on_sheet
from orthopsis.exercise.resolve import Scene, bodies
from orthopsis.perspective.area import Area
from orthopsis.perspective.segments import XY
from orthopsis.pieces.letters import Letter

LEAST_FACE_MM = 3.0

LEAST_LETTER_MM = {"full": 20.0, "simple": 25.0}
"""By reading level: a stroke is a quarter of this (common practice, no published source)."""


def in_one_another(scene: Scene) -> Iterator[Advice]:
    try:
        _ = scene.drawing_order
    except NoDrawingOrder as error:
        pair = error.pair
        names = [part.piece.id for part in scene.parts]
        first, second = (names.index(name) for name in pair)
        number = scene.parts[second].number

        def apart(changed: Scene) -> bool:
            parts = (changed.parts[k] for k in (first, second))
            one, other = (part.piece.body(part.stage) for part in parts)
            return stand_apart(one, other)

        moved = first_that(scene, steps_aside(scene, number), apart)
        step_mm = abs(moved[0]) if moved else 0.0
        yield Advice(
            "in-one-another",
            bodies(scene)[second].corners[0][0].xy,
            step_mm,
            10.0,
            moved[1] if moved else (),
            {"pair": pair},
        )


def slivers(scene: Scene) -> Iterator[Advice]:
    """Of each piece the thinnest side that shows, when it is too thin to be drawn."""
    thinnest: dict[int, tuple[int, XY, float]] = {}
    for k, (body, part) in enumerate(zip(bodies(scene), scene.parts, strict=True)):
        thin = _sliver(body.seen_faces)
        if thin is not None and thin[1] < thinnest.get(part.number, (0, thin[0], math.inf))[2]:
            thinnest[part.number] = k, *thin
    for number, (k, where, width_mm) in thinnest.items():

        def wide(changed: Scene, k: int = k) -> bool:
            there = changed.parts[k]
            return _sliver(there.piece.body(there.stage).seen_faces) is None

        moved = first_that(scene, steps_aside(scene, number), wide)
        more = {
            "piece": scene.parts[k].piece.name,
            "step_mm": abs(moved[0]) if moved else None,
        }
        yield Advice("sliver", where, width_mm, 5.0, moved[1] if moved else (), more)


def small_letters(scene: Scene) -> Iterator[Advice]:
    """The smallest letter of each word, when it is too small for those who draw it."""
    least_mm = LEAST_LETTER_MM[scene.wording.reading]
    for number, piece in enumerate(scene.exercise.pieces):
        smallest = _smallest_letter(scene, number) if piece.kind == "letters" else None
        if smallest is None or smallest[2] >= least_mm:
            continue
        name, where, high_mm = smallest

        def large(changed: Scene, number: int = number) -> bool:
            found = _smallest_letter(changed, number)
            return found is not None and found[2] >= least_mm and on_sheet(changed, number)

        heights: list[tuple[float, tuple[Change, ...]]] = []
        if piece.front is not None:
            path = ("pieces", number, "front", "height_mm")
            taller = (mm for mm in (30.0, 60.0, 90.0) if mm > piece.front.height_mm)
            heights = [(mm, (Change(path, mm),)) for mm in taller]
        better = first_that(scene, heights, large)
        more = {"piece": name, "height_mm": better[0] if better else None, "least_mm": least_mm}
        yield Advice("small-letters", where, high_mm, 3.5, better[1] if better else (), more)


def _smallest_letter(scene: Scene, number: int) -> tuple[str, XY, float] | None:
    """The name, place and height on paper of a word's letter that looks the smallest."""
    found = []
    for body, part in zip(scene.bodies, scene.parts, strict=True):
        letter = part.piece
        # A dot or a hyphen is small in any word.
        if part.number == number and isinstance(letter, Letter) and letter.character.isalnum():
            near = [place.xy for place, _ in body.corners[: len(body.corners) // 2]]
            ys = [y for _, y in near]
            found.append((letter.name, near[0], max(ys) - min(ys)))
    return min(found, key=lambda one: one[2], default=None)


def _sliver(faces: Sequence[Area]) -> tuple[XY, float] | None:
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
