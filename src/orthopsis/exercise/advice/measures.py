"""Advice about what a pupil measures: strips to tape on, marks of the ruler, forgiveness."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from orthopsis.construction.wording import MM_PER_INCH
from orthopsis.errors import NoDrawingOrder
from orthopsis.exercise.advice.one import Advice
from orthopsis.exercise.change import Change, Path
from orthopsis.exercise.forgiveness import READING_MM, forgiveness, readings
from orthopsis.exercise.resolve import Scene, bodies, steps
from orthopsis.perspective.plane import distance

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
    starts = [place for body in bodies(scene) for place, _ in body.corners]
    for vp in scene.vanishing_points:
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
        more = {"name": strip.name, "side": strip.side, "ruler_mm": strip.ruler_mm}
        yield Advice("tape-strip", where, strip.length_mm, 1.0, (), more)


def unreadable(scene: Scene) -> Iterator[Advice]:
    """Measures that fall between the marks of a ruler; the first is named, all are mended."""
    smallest = MM_PER_INCH / 16 if scene.wording.units == "in" else READING_MM
    found: list[tuple[Path, float, Change]] = []
    for reading in readings(scene):
        mm = reading.value / reading.per_mm
        nearest = _nearest(mm, smallest)
        if reading.per_mm == 1.0 and abs(nearest - mm) > 0.01:
            found.append((reading.path, mm, reading.off(nearest - mm)))
    if not found:
        return
    path, mm, _ = found[0]
    number = path[1] if path[0] == "pieces" else None
    where = (scene.sheet.width_mm / 2, scene.main.eye_level_mm)
    name = None
    if isinstance(number, int):
        first = next(k for k, part in enumerate(scene.parts) if part.number == number)
        where = bodies(scene)[first].corners[0][0].xy
        name = scene.exercise.pieces[number].name
    changes = tuple(change for _, _, change in found if not isinstance(change.value, tuple))
    more = {"piece": name, "nearest_mm": _nearest(mm, smallest), "count": len(found)}
    yield Advice("unreadable", where, mm, 2.5, changes, more)


def _nearest(mm: float, smallest_mm: float) -> float:
    return float(Fraction(round(mm / smallest_mm))) * smallest_mm


def unforgiving(scene: Scene) -> Iterator[Advice]:
    if sum(len(body.corners) for body in bodies(scene)) > MOST_TO_FORGIVE:
        return
    try:
        found = forgiveness(steps(scene))
    except NoDrawingOrder:
        return
    if found is not None and found.mm < LEAST_FORGIVENESS_MM:
        yield Advice("unforgiving", found.where, found.mm, 4.0)
