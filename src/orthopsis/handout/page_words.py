"""What pages say beside their steps: the sheet, its measures, how exactly to measure, tables."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from orthopsis.construction.moves import Step
from orthopsis.exercise.forgiveness import forgiveness
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.setting import place_of_point
from orthopsis.exercise.told import headings, rows
from orthopsis.phrase import Length, Number, Own, say
from orthopsis.wording.words import Words


def table_of(step: Step, words: Words) -> dict[str, Any] | None:
    """What differs where a step is done several times."""
    if step.table is None:
        return None
    return {"columns": headings(step.table, words), "rows": rows(step.table, words)}


def sheet_words(scene: Scene) -> str:
    spec = scene.exercise.sheet
    size = {"wide": Length(scene.sheet.width_mm), "high": Length(scene.sheet.height_mm)}
    if isinstance(spec.size, str):
        return scene.words.say(say("sheet-named", name=Own(spec.size), **size))
    return scene.words.say(say("sheet-sized", **size))


def measures_of(scene: Scene) -> list[list[str]]:
    """The measures a pupil needs before the first step, name and value."""
    words = scene.words
    level = say("level-from-top", mm=Length(scene.main.eye_level_mm))
    rows = [[words.say(say("Eye-level")), words.say(level)]]
    for vp in (*scene.vanishing_points, *scene.helping_points):
        where = "place-on-sheet" if scene.sheet.contains(vp.at) else "place-on-strip"
        place = place_of_point(vp, scene.sheet, scene.main.eye_level_mm)
        rows.append([vp.name, words.say(say(where, place=place))])
    return rows


def exactness(scene: Scene, made: Sequence[Step]) -> list[list[str]]:
    forgiven = forgiveness(made)
    if forgiven is None:
        return []
    words, within = scene.words, Number(forgiven.mm, 1)
    return [[words.say(say("forgiveness-name")), words.say(say("forgiveness-within", mm=within))]]
