"""Lettering on walls: block letters without thickness, in every system and both ways of drawing."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_part
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.pieces.base import NewPart
from tests.agreement import difference, kept, outlines
from tests.core.test_dormers import HOUSES
from tests.houses import COTTAGE, cottage
from tests.words import instruction

STRIP = {"from": {"along_mm": 15}, "to": {"along_mm": 60}, "up_mm": 60, "height_mm": 20}


def lettered(text, drawn="by eye", **strip):
    part = {"kind": "lettering", "id": "name", "on": "left", "text": text, "drawn": drawn,
            **(strip or STRIP)}  # fmt: skip
    return cottage(pieces__0__parts=[part], pieces__0__roof={"kind": "flat"})


def inner(scene):
    """The letters' lines: what the house without them has not."""
    whole = outlines(cottage(pieces__0__parts=[], pieces__0__roof={"kind": "flat"}))
    ends = {frozenset(line.segment) for line in whole}
    return [line for line in outlines(scene) if frozenset(line.segment) not in ends]


@pytest.mark.parametrize("drawn", ["by eye", "by marks"])
@pytest.mark.parametrize("text", ["ART", "BAKERY 8", "I", "ÉÇ", "MWXYZ"])
def test_lettering_agrees_and_its_rows_lead_to_the_walls_point(text, drawn):
    scene = lettered(text, drawn)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    rows = [line for line in inner(scene) if line.family == "VP1"]
    assert rows
    for line in rows:
        (ax, ay), (bx, by) = line.segment
        assert math.isclose((bx - ax) * (150 - ay), (by - ay) * (-60 - ax), abs_tol=1e-6)
    xs = [x for line in inner(scene) for x, _ in line.segment]
    assert min(xs) > 240 - 60 - 1e-6 and max(xs) < 240 - 13, "between both cuts"


@pytest.mark.parametrize("drawn", ["by eye", "by marks"])
@pytest.mark.parametrize("name", HOUSES)
def test_lettering_agrees_in_every_system(name, drawn):
    view, place, _, _ = HOUSES[name]
    one_point = "front" in place
    word = {"kind": "lettering", "id": "name", "text": "INK", "drawn": drawn}
    strip = {"from": {"along_mm": 8}, "to": {"along_mm": 30}, "up_mm": 30, "height_mm": 18}
    part = {**word, "on": "left", **strip}
    if one_point:
        x, y = place["front"]["x_mm"], place["front"]["y_mm"]
        front = {"x_mm": x + 10, "y_mm": y + 10, "width_mm": 60, "height_mm": 15}
        part = {**word, "on": "front", "front": front}
    piece = {"kind": "building", "id": "shop", "standing": "ground", **place, "parts": [part]}
    scene = resolve(from_data({**COTTAGE, "view": view, "pieces": [piece]}))
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_by_eye_each_letter_has_an_equal_field_and_nobody_judges_it():
    scene = lettered("HHH")
    verticals = sorted(
        {round(line.start[0], 6) for line in inner(scene) if line.family == "vertical"}
    )
    firsts, lasts = verticals[0::4], verticals[3::4]
    # Equal fields run away as equal steps of 1 / distance to the point (cross ratios).
    wide = [1 / (a + 60) - 1 / (b + 60) for a, b in zip(firsts, lasts, strict=True)]
    assert math.isclose(min(wide), max(wide), rel_tol=1e-6)
    (region,) = scene.by_hand
    assert len(region) == 4
    assert not lettered("HHH", "by marks").by_hand


def test_the_lesson_parts_the_strip_by_its_diagonal_and_names_the_word():
    made = {step.phrase: instruction(step) for step in steps(lettered("TEA"))}
    assert "3 equal parts" in made["lettering-fields"] and "VP1" in made["lettering-fields"]
    assert "TEA" in made["lettering-by-eye"]
    exact = {step.phrase: instruction(step) for step in steps(lettered("TEA", "by marks"))}
    assert {"lettering-rows", "lettering-columns", "lettering"} <= exact.keys()


def test_a_strip_beside_its_wall_is_refused_with_the_field():
    with pytest.raises(ExerciseError, match=r"parts.name.to"):
        outlines(lettered("ART", **{**STRIP, "to": {"along_mm": 200}}))
    with pytest.raises(ExerciseError, match="parts"):
        lettered("ART", height_mm=20)
    with pytest.raises(ExerciseError, match="text"):
        lettered("日本")


def test_lettering_is_put_where_it_was_pointed_at():
    bare = from_data({**COTTAGE, "pieces": [{**COTTAGE["pieces"][0], "parts": []}]})
    there = resolve(with_part(bare, "cottage", NewPart("lettering", on="left", at=Point(180, 150))))
    (one,) = there.pieces[0].fittings
    assert (one.kind, one.on) == ("lettering", "left")
    assert difference(outlines(there), kept(there)) == ([], [])
    middle = meet(join(Point(180, 150), Point(-60, 150)), join(Point(240, 120), Point(240, 215)))
    assert one.up_mm < 215 - middle.y < one.up_mm + one.height_mm
