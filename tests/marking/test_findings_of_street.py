"""What is said of streets and houses, on exact lines with one fault put in by hand.

Each fault is one of the trade's (common practice, no published source).
"""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.marking.judge import judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.stroke import Role
from tests.core.test_by_hand import sheet_of, way
from tests.documents import example
from tests.words import message

HOUSE = {
    "format": "orthopsis-exercise", "version": 2, "title": "House", "sheet": {"size": "A3"},
    "view": {"kind": "two-point", "eye_level_mm": 165, "left_vp_mm": -80, "right_vp_mm": 520},
    "pieces": [{
        "kind": "building", "id": "house", "standing": "ground",
        "edge": {"x_mm": 210, "top_mm": 130, "bottom_mm": 225}, "left": {"x_mm": 90},
        "right": {"x_mm": 320}, "roof": {"kind": "gable", "end": "right", "peak_mm": 45},
        "parts": [{"kind": "panel", "id": "windows", "on": "left", "look": "windows", "storeys": 3,
                   "sill_mm": 8, "height_mm": 16, "bays": {"count": 2}}]}],
}  # fmt: skip


def pencil(start, end):
    return FoundStroke(start, end, 0.05, 1.0)


def lines_of(scene):
    return [pencil(*s.segment) for s in picture(scene)
            if s.role is Role.OUTLINE and s.curve is None]  # fmt: skip


def corrections(scene, lines):
    found = judge_strokes(answer_key(scene), lines).findings
    return [one for one in found if one.level != "praise"]


def first(scene, lines):
    return corrections(scene, lines)[0]


def house():
    scene = resolve(from_data(HOUSE))
    places = scene.pieces[0].house(scene.stage(0)).on_paper
    return scene, [(x / depth, y / depth) for x, y, depth in places]


def moved(lines, old, new):
    """The lines with a corner elsewhere."""
    ends = [tuple(new if math.dist(end, old) < 0.01 else end for end in (line.start, line.end))
            for line in lines]  # fmt: skip
    return [replace(line, start=a, end=b) for line, (a, b) in zip(lines, ends, strict=True)]


@pytest.mark.parametrize("name", ["market-corner", "lane-to-the-mill", "cottage-by-the-lane"])
def test_a_right_street_is_only_praised(name):
    assert corrections(example(name), lines_of(example(name))) == []


def test_an_upright_that_stops_on_the_eye_level():
    scene = example("market-corner")
    lines, level = lines_of(scene), scene.main.eye_level_mm
    k, top = next(
        (k, min(y0, y1))
        for k, ((x0, y0), (x1, y1)) in enumerate((one.start, one.end) for one in lines)
        if abs(x0 - x1) < 0.01 and max(y0, y1) > level + 25 and min(y0, y1) < level - 25
    )
    x = lines[k].start[0]
    lines[k] = pencil((x, top), (x, level + 0.5))
    assert first(scene, lines).code == "ends-on-eye-level"
    assert "ground" in message(first(scene, lines))


def test_a_line_through_a_neighbour():
    scene = example("market-corner")
    hidden = next(s for s in picture(scene) if s.role is Role.HIDDEN and math.dist(*s.segment) > 40)
    said = first(scene, [*lines_of(scene), pencil(*hidden.segment)])
    assert said.code == "hidden-drawn"


def test_an_eye_level_left_dark_inside_a_wall_but_not_in_a_gap():
    scene = example("market-corner")
    level, wide = scene.main.eye_level_mm, scene.sheet.width_mm
    said = corrections(scene, [*lines_of(scene), pencil((0.0, level), (wide, level))])
    assert [one.code for one in said] == ["eye-level-inside"]
    assert not corrections(scene, [*lines_of(scene), pencil((0.0, level), (12.0, level))])


def test_the_strip_of_a_taller_house_that_is_missing():
    scene = example("market-corner")
    keep = [s for s in picture(scene) if s.role is Role.OUTLINE and s.curve is None]
    strip = next(s for s in keep if s.part == ("east side", 2) and s.family == "VP1")
    said = corrections(scene, [pencil(*s.segment) for s in keep if s is not strip])
    assert [one.code for one in said] == ["strip-missing"]


@pytest.mark.parametrize("way_mm", [-7.0, 7.0])
def test_a_peak_beside_the_perspective_middle(way_mm):
    scene, places = house()
    peak = places[8]
    lines = moved(lines_of(scene), peak, (peak[0] + way_mm, peak[1]))
    said = first(scene, lines)
    assert said.code == "peak-beside-middle"
    assert "0.7 cm" in message(said)


def test_a_peak_of_another_height_over_the_middle_is_not_beside_it():
    scene, places = house()
    peak = places[8]
    lines = moved(lines_of(scene), peak, (peak[0], peak[1] - 6.0))
    assert "peak-beside-middle" not in [one.code for one in corrections(scene, lines)]


def test_a_far_slope_drawn_parallel_or_to_a_point_that_was_picked():
    scene, places = house()
    (ex, ey), (px, py), (fx, fy) = places[1], places[8], places[0]
    parallel = fx + 0.7 * (px - ex), fy + 0.7 * (py - ey)
    assert first(scene, moved(lines_of(scene), places[9], parallel)).code == "slopes-parallel"
    picked = places[9][0] + 6.0, places[9][1] + 0.9
    assert first(scene, moved(lines_of(scene), places[9], picked)).code == "roof-point-picked"


def test_storeys_that_do_not_close_up_are_one_finding():
    scene, _ = house()
    lines = lines_of(scene)
    panes = [s for s in picture(scene) if s.role is Role.OUTLINE and s.family == "VP1"
             and min(s.start[0], s.end[0]) > 90 and max(s.start[0], s.end[0]) < 210]  # fmt: skip
    (ax, ay), (bx, by) = panes[0].segment
    slope = (by - ay) / (bx - ax)
    for pane in panes:
        k = next(
            k for k, one in enumerate(lines) if one.start == pane.start and one.end == pane.end
        )
        (x0, y0), (x1, _) = pane.segment
        lines[k] = pencil((x0, y0), (x1, y0 + slope * (x1 - x0)))
    said = corrections(scene, lines)
    assert [one.code for one in said].count("storeys-parallel") == 1
    assert said[0].code == "storeys-parallel"
    assert "line-misses" not in [one.code for one in said]


def test_sleepers_at_even_distances():
    track = {"in_mm": 30, "wide_mm": 10, "side_mm": 6, "sleepers": 6, "first": {"along_mm": 20}}
    scene = sheet_of(way(look="rails", track=track))
    assert corrections(scene, lines_of(scene)) == []
    goal_x, goal_y = scene.vanishing_points[0].at.xy
    rails = [one for one in lines_of(scene) if max(one.start[1], one.end[1]) > 296]
    lines = list(rails)
    for k in range(12):
        y = 285.0 - 9.0 * k
        share = (y - goal_y) / (297.0 - goal_y)
        for a, b in ((90, 120), (136, 284), (300, 330)):
            lines.append(pencil(*((goal_x + (x - goal_x) * share, y) for x in (a, b))))
    said = corrections(scene, lines)
    assert [one.code for one in said] == ["sleepers-even"]
