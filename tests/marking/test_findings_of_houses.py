"""What is missing of houses is counted as a teacher counts it, and said once."""

from __future__ import annotations

import pytest

from orthopsis.demo.scanner import PhotoSetting, scan_sheet
from orthopsis.exercise.load import from_data
from orthopsis.exercise.recipes import recipe
from orthopsis.exercise.resolve import resolve
from orthopsis.marking.judge import check_image
from orthopsis.perspective.segments import distance_to_segment
from orthopsis.perspective.view import on_paper
from tests.documents import changed, example
from tests.marking.test_findings_of_street import HOUSE, corrections, house, lines_of
from tests.words import message


def windows_of(scene, number=0):
    drawn, stage, _ = scene.parts[number]
    whole = drawn.house(stage)
    (panel,) = whole.panels
    return {
        place: [on_paper(corner) for corner in corners]
        for place, corners in panel.corners(whole.block_in_space, whole.walls)
    }


def without(lines, outlines):
    def of_one(line, outline):
        sides = list(zip(outline, [*outline[1:], outline[0]], strict=True))
        return any(
            all(distance_to_segment(end, side) < 0.01 for end in (line.start, line.end))
            for side in sides
        )

    return [line for line in lines if not any(of_one(line, outline) for outline in outlines)]


@pytest.mark.parametrize(
    ("gone", "code", "said"),
    [
        (lambda row, column: row == 2, "storeys-missing", "2 of 3"),
        (lambda row, column: row > 0, "storeys-missing", "1 of 3"),
        (lambda row, column: column == 1, "bays-missing", "1 of 2"),
        (lambda row, column: (row, column) == (1, 0), "openings-missing", "5 of 6"),
        (lambda row, column: True, "openings-missing", "0 of 6"),
    ],
)
def test_windows_are_counted_by_storeys_by_bays_or_one_by_one(gone, code, said):
    scene, _ = house()
    lost = [outline for place, outline in windows_of(scene).items() if gone(*place)]
    found = corrections(scene, without(lines_of(scene), lost))
    assert [one.code for one in found] == [code], "once, and no count of edges beside it"
    assert said in message(found[0])


def test_a_missing_door_is_named():
    door = {"kind": "panel", "id": "door", "on": "right", "look": "door", "height_mm": 50,
            "from": {"along_mm": 40}, "to": {"along_mm": 60}}  # fmt: skip
    scene = resolve(from_data(changed(HOUSE, pieces__0__parts=[door])))
    found = corrections(scene, without(lines_of(scene), windows_of(scene).values()))
    assert [one.code for one in found] == ["openings-missing"]
    assert "the door" in message(found[0])


def test_a_whole_house_that_is_missing_is_named_and_a_missing_edge_stays_one():
    scene = example("market-corner")
    number = next(k for k, one in enumerate(scene.parts) if one.drawn.part == ("east side", 3))
    body = scene.bodies[number]
    own = [line.segment for line in body.show().edges]
    left = [line for line in lines_of(scene)
            if not any(all(distance_to_segment(end, edge) < 0.01
                           for end in (line.start, line.end)) for edge in own)]  # fmt: skip
    codes = [one.code for one in corrections(scene, left)]
    assert codes[0] == "house-missing" and "missing-edge" not in codes
    said = corrections(scene, left)[0]
    assert "Stable" in message(said)


@pytest.mark.parametrize("seed", [12, 13])
def test_a_storey_that_is_missing_on_a_photo_is_the_first_correction(seed):
    whole = resolve(from_data(HOUSE))
    short = changed(HOUSE, pieces__0__parts__0__skip=1)
    photo, _ = scan_sheet(resolve(from_data(short)), seed, setting=PhotoSetting())
    found = [one for one in check_image(whole, photo).findings if one.level == "fix"]
    assert found[0].code == "storeys-missing"
    right, _ = scan_sheet(whole, seed, setting=PhotoSetting())
    assert not [one for one in check_image(whole, right).findings if one.level == "fix"]


@pytest.mark.parametrize("seed", [3000, 3001])
def test_an_inset_that_lies_a_hairs_breadth_beside_its_head_is_not_missed(seed):
    scene = resolve(recipe("school-front").document)
    photo, _ = scan_sheet(scene, seed, setting=PhotoSetting())
    assert not [one for one in check_image(scene, photo).findings if one.level == "fix"]
