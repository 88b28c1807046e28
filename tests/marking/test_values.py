"""Tone on a photo: values in their order, planes left white, shadows where they belong."""

from __future__ import annotations

import cv2
import numpy as np
import pytest

from orthopsis.demo import scanner
from orthopsis.demo.scanner import PhotoSetting, scan_sheet
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.marking.findings.photo import TONE_CODES
from orthopsis.marking.findings.values import value_findings
from orthopsis.marking.judge import check_image
from orthopsis.marking.sheet.straighten import Straightened, darkness_of
from tests.core.test_shadows import SIDE, TABLE, crate, lit
from tests.documents import TWO_POINT

LIT = lit(SIDE, crate(), TABLE)
BOX = {**TWO_POINT, "tone": {"light": "left"}}
GREYS = {0: 235, 1: 205, 2: 175, 3: 140}


def painted(scene, greys=GREYS, shadow=95, moved_mm=0.0, lamp=0.0):
    """A sheet of flat greys, straight from the planes, on paper that grows darker to the right."""
    width, height = (round(side * 3) for side in (scene.sheet.width_mm, scene.sheet.height_mm))
    grey = np.full((height, width), greys[0], np.uint8)
    for plane in scanner.planes(scene):
        tone = shadow if plane.cast else greys[plane.value]
        off = moved_mm if plane.cast else 0.0
        loops = [
            np.round((np.array(loop) + np.array([off, 0])) * 3).astype(np.int32)
            for loop in plane.loops
        ]
        cv2.fillPoly(grey, loops, int(tone))
    shade = 1.0 - lamp * np.linspace(0.0, 1.0, width)[None, :]
    even = np.asarray(grey * shade, dtype=np.uint8)
    return Straightened(even, darkness_of(even), 3.0)


def codes(data, *, drawn=None, **painting):
    scene = resolve(from_data(data))
    other = scene if drawn is None else resolve(from_data(drawn))
    return [one.code for one in value_findings(scene, painted(other, **painting))]


@pytest.mark.parametrize("lamp", [0.0, 0.35])
@pytest.mark.parametrize("data", [LIT, BOX])
def test_right_values_are_not_blamed_in_any_light(data, lamp):
    assert codes(data, lamp=lamp) == []


def test_nothing_is_said_of_a_sheet_without_tone():
    assert codes(LIT, greys=dict.fromkeys(GREYS, 235), shadow=235) == []
    scene = resolve(from_data({**BOX, "tone": None}))
    assert value_findings(scene, painted(scene)) == []


@pytest.mark.parametrize("lamp", [0.0, 0.35])
def test_light_from_the_wrong_side_is_told(lamp):
    drawn = {**BOX, "tone": {"light": "right"}}
    assert codes(BOX, drawn=drawn, lamp=lamp) == ["values-swapped"]


def test_a_shadow_that_nobody_laid_and_one_that_lies_elsewhere_are_told_apart():
    assert codes(LIT, shadow=235) == ["shadow-missing"]
    assert codes(LIT, moved_mm=-60.0) in (["shadow-astray"], ["shadow-missing"])


def test_a_plane_that_was_forgotten_is_told_with_its_place():
    scene = resolve(from_data(LIT))
    sheet = painted(scene)
    forgotten = next(p for p in scanner.planes(scene) if p.value == 2 and p.part.piece == "crate")
    grey = sheet.grey.copy()
    loops = [np.round(np.array(loop) * 3).astype(np.int32) for loop in forgotten.loops]
    cv2.fillPoly(grey, loops, 235)
    (said,) = value_findings(scene, Straightened(grey, darkness_of(grey), 3.0))
    assert said.code == "plane-left-white"
    xs, ys = zip(*forgotten.loops[0], strict=True)
    assert min(xs) < said.where[0] < max(xs) and min(ys) < said.where[1] < max(ys)


@pytest.mark.parametrize("light", ["left", "right"])
def test_on_a_photo_the_same_is_found(light):
    """Shaded with the side of a pencil by the stand-in, lit from one side or the other."""
    drawn = resolve(from_data({**BOX, "tone": {"light": light}}))
    data, _ = scan_sheet(drawn, 6301, setting=PhotoSetting(toned=True))
    verdict = check_image(resolve(from_data(BOX)), data)
    told = [one.code for one in verdict.findings if one.code in TONE_CODES]
    assert told == ([] if light == "left" else ["values-swapped"])
