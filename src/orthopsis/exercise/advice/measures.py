"""Advice about what a pupil measures: strips to tape on, marks of the ruler, forgiveness."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from orthopsis.construction.order import NoDrawingOrder
from orthopsis.exercise.advice.one import WEIGHTS, Advice
from orthopsis.exercise.change import Change
from orthopsis.exercise.forgiveness import READING_MM, forgiveness, set_measures
from orthopsis.exercise.resolve import Scene, steps
from orthopsis.perspective.plane import distance
from orthopsis.phrase import Choice, Length, Number, PointName, say
from orthopsis.pieces.roles import Path
from orthopsis.wording.choices import MM_PER_INCH

RULERS_MM = (300.0, 500.0, 1000.0)
RULERS_IN_MM = tuple(inches * MM_PER_INCH for inches in (12, 18, 36))
"""Rulers of a classroom, marked in centimetres or in inches (common practice)."""

MOST_TO_FORGIVE = 100
"""With more corners than this the forgiveness is left to the steps, as it needs all of them."""

LEAST_FORGIVENESS_MM = 0.25
"""Half of what a ruler is read to (common practice, no published source)."""


@dataclass(frozen=True)
class Strip:
    """Paper to tape on for a vanishing point off the sheet.

    `ruler_mm` is the shortest classroom ruler that reaches the point from every line's start;
    None when none does.
    """

    name: str
    side: str
    length_mm: float
    ruler_mm: float | None


def strips(scene: Scene) -> tuple[Strip, ...]:
    """The strips of paper that the sheet needs, and how long each is."""
    found = []
    rulers = RULERS_IN_MM if scene.wording.units == "in" else RULERS_MM
    starts = [place for body in scene.bodies for place, _ in body.corners]
    for vp in (*scene.vanishing_points, *scene.helping_points):
        side, out_mm = scene.sheet.beside(vp.at)
        if out_mm <= 0.0:
            continue
        reach_mm = max((distance(start, vp.at) for start in starts), default=out_mm)
        ruler = next((mm for mm in rulers if mm >= reach_mm), None)
        found.append(Strip(vp.name, side, out_mm, ruler))
    return tuple(found)


def tape_strips(scene: Scene) -> Iterator[Advice]:
    for strip in strips(scene):
        half = strip.length_mm / 2
        width, height = scene.sheet.width_mm, scene.sheet.height_mm
        where = {
            "left": (-half, scene.main.eye_level_mm),
            "right": (width + half, scene.main.eye_level_mm),
            "top": (width / 2, -half),
            "bottom": (width / 2, height + half),
        }[strip.side]
        said = say(
            "advice-tape-strip",
            point=PointName(strip.name),
            out=Length(strip.length_mm),
            side=Choice(strip.side),
            reach=say("reach-none")
            if strip.ruler_mm is None
            else say("reach-ruler", ruler=Length(strip.ruler_mm)),
        )
        yield Advice("tape-strip", where, strip.length_mm, WEIGHTS["tape-strip"], said)


def unreadable(scene: Scene) -> Iterator[Advice]:
    """Measures that fall between the marks of a ruler; the first is named, all are mended."""
    smallest = MM_PER_INCH / 16 if scene.wording.units == "in" else READING_MM
    found: list[tuple[Path, float, Change]] = []
    for reading in set_measures(scene):
        mm = reading.value / reading.per_mm
        nearest = _nearest(mm, smallest)
        if reading.per_mm == 1.0 and abs(nearest - mm) > 0.01:
            found.append((reading.path, mm, reading.off(nearest - mm)))
    if not found:
        return
    path, mm, _ = found[0]
    number = path[1] if path[0] == "pieces" else None
    where = (scene.sheet.width_mm / 2, scene.main.eye_level_mm)
    whose = None
    if isinstance(number, int):
        first = next(k for k, part in enumerate(scene.parts) if part.number == number)
        where = scene.bodies[first].corners[0][0].xy
        whose = scene.exercise.pieces[number].name
    changes = tuple(change for _, _, change in found if not isinstance(change.value, tuple))
    shown, read = Number(mm, 2), Length(_nearest(mm, smallest))
    said = say("unreadable", mm=shown, nearest=read)
    if whose is not None:
        said = say("unreadable-of", mm=shown, nearest=read, piece=whose)
    says = say("advice-unreadable", first=said, others=Number(float(len(found) - 1)))
    remedy = say("remedy-unreadable") if changes else None
    yield Advice("unreadable", where, mm, WEIGHTS["unreadable"], says, changes, remedy)


def _nearest(mm: float, smallest_mm: float) -> float:
    return float(Fraction(round(mm / smallest_mm))) * smallest_mm


def unforgiving(scene: Scene) -> Iterator[Advice]:
    if sum(len(body.corners) for body in scene.bodies) > MOST_TO_FORGIVE:
        return
    try:
        found = forgiveness(steps(scene))
    except NoDrawingOrder:
        return
    if found is not None and found.mm < LEAST_FORGIVENESS_MM:
        said = {"mm": Number(found.mm, 1)}
        yield Advice.of("unforgiving", found.where, found.mm, said)
