"""Arches: their tops lie over the perspective middle, their curves are drawn by hand."""

from __future__ import annotations

import math

import pytest

from orthopsis.demo.scanner import PhotoSetting, scan_sheet
from orthopsis.errors import ExerciseError
from orthopsis.exercise.resolve import steps
from orthopsis.marking.judge import check_image
from orthopsis.perspective.segments import inside
from orthopsis.perspective.view import on_paper
from tests.agreement import curves, difference, kept, outlines
from tests.core.test_insets import FRONT, ONE
from tests.houses import cottage
from tests.words import instruction

PANES = {"kind": "panel", "id": "panes", "on": "left", "look": "windows", "storeys": 2,
         "sill_mm": 10, "height_mm": 20, "bays": {"count": 3}}  # fmt: skip


def arched(shape="round", rise_mm=9.0, **panel):
    part = {**PANES, "arch": {"shape": shape, "rise_mm": rise_mm}, **panel}
    return cottage(pieces__0__parts=[part], pieces__0__roof={"kind": "flat"})


@pytest.mark.parametrize("shape", ["round", "pointed"])
@pytest.mark.parametrize("on", ["left", "right"])
def test_the_top_that_the_ruler_finds_is_the_top_of_the_curve(shape, on):
    scene = arched(shape, on=on)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    house = scene.parts[0].drawn.house(scene.parts[0].stage)
    (panel,) = house.panels
    tops = {mark.name: mark.at.xy for step in steps(scene) if step.phrase == "panel-arch"
            for mark in step.marks}  # fmt: skip
    found = [on_paper(curve[len(curve) // 2]) for curve in
             panel.arches(house.block_in_space, house.walls)]  # fmt: skip
    assert len(found) == 6
    for top in found:
        assert min(math.dist(top, at) for at in tops.values()) < 1e-6
    middles = [curve[len(curve) // 2 - 4].start for curve in curves(outlines(scene))]
    assert all(any(inside(at, [room]) for room in scene.by_hand) for at in middles)
    assert len(scene.by_hand) == 6 and len(curves(outlines(scene))) == 6


def test_a_round_arch_that_faces_us_is_half_a_circle():
    box = {"x_mm": 180, "y_mm": 180, "width_mm": 24, "height_mm": 50}
    door = {"kind": "panel", "id": "door", "on": "front", "look": "door", "front": box,
            "arch": {"rise_mm": 12}}  # fmt: skip
    scene = cottage(view=ONE, pieces=[{**FRONT, "parts": [door]}])
    assert difference(outlines(scene), kept(scene)) == ([], [])
    (curve,) = curves(outlines(scene))
    places = [curve[0].start, *(line.end for line in curve)]
    assert all(math.isclose(math.dist(one, (192, 180)), 12, abs_tol=1e-9) for one in places)
    # No line is left at its head, where the arch springs.
    heads = [line for line in outlines(scene) if line.curve is None
             and {round(y, 6) for _, y in line.segment} == {180.0}]  # fmt: skip
    assert heads == []


def test_a_pointed_arch_is_two_bows_about_each_others_feet():
    box = {"x_mm": 180, "y_mm": 180, "width_mm": 24, "height_mm": 50}
    door = {"kind": "panel", "id": "door", "on": "front", "look": "door", "front": box,
            "arch": {"shape": "pointed", "rise_mm": 24 * math.sin(math.pi / 3)}}  # fmt: skip
    scene = cottage(view=ONE, pieces=[{**FRONT, "parts": [door]}])
    (curve,) = curves(outlines(scene))
    for line in curve:
        x, y = line.start
        foot = (204, 180) if x < 192 else (180, 180)
        # Handbook form (from memory): each bow is struck from the other side's springing.
        assert math.isclose(math.dist((x, y), foot), 24, abs_tol=1e-6) or math.isclose(x, 192)


def test_it_is_taught_once_for_all_openings_and_measured_on_the_near_upright():
    (step,) = [one for one in steps(arched()) if one.phrase == "panel-arch"]
    said = instruction(step)
    assert "0.9 cm above the head" in said and "VP1" in said and "all 6" in said
    assert "round arch" in said and step.bulk


@pytest.mark.parametrize(
    ("panel", "field"),
    [
        ({"inset": {"along_mm": 3}}, "arch"),
        ({"rise_mm": 60.0}, "height_mm"),
    ],
)
def test_what_does_not_fit_is_refused(panel, field):
    with pytest.raises(ExerciseError, match=field):
        outlines(arched(**panel))


@pytest.mark.parametrize("shape", ["round", "pointed"])
def test_arches_on_a_photo_are_not_judged(shape):
    scene = arched(shape)
    photo, _ = scan_sheet(scene, 17, setting=PhotoSetting())
    assert not [one for one in check_image(scene, photo).findings if one.level == "fix"]
