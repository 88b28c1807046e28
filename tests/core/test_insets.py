"""Openings that are cut into a wall, and doors that take a window's place."""

from __future__ import annotations

import math

import numpy as np
import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.perspective.segments import inside
from orthopsis.perspective.vector import minus, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.pieces.shapes.house.inset import inset_depth
from tests.agreement import difference, kept, outlines
from tests.core.test_depth_buffer import DepthBuffer
from tests.houses import COTTAGE, cottage
from tests.words import instruction

WINDOWS = {"kind": "panel", "id": "panes", "on": "left", "look": "windows", "storeys": 2,
           "sill_mm": 12, "height_mm": 24, "bays": {"count": 3}}  # fmt: skip
FRONT = {
    "kind": "building", "id": "hall", "standing": "ground", "depth": {"along_mm": 50},
    "front": {"x_mm": 160, "y_mm": 90, "width_mm": 110, "height_mm": 140},
}  # fmt: skip
ONE = {"kind": "one-point", "eye_level_mm": 150, "vanishing_point_mm": 210,
       "viewing_distance_mm": 300, "eye_height_mm": 150}  # fmt: skip


def house(system, on, mm):
    panel = {**WINDOWS, "on": on, "inset": {"along_mm": mm}}
    if system == 1:
        return cottage(view=ONE, pieces=[{**FRONT, "parts": [panel]}])
    if system == 3:
        view = {"kind": "three-point", "eye_level_mm": 40, "left_vp_mm": -140,
                "right_vp_mm": 560, "third_vp_mm": [210, 540]}  # fmt: skip
        edge = {"x_mm": 210, "y_mm": 90, "length_mm": 140}
        sides = {"left": {"along_mm": 80}, "right": {"along_mm": 80}}
        piece = {"kind": "building", "id": "hall", "standing": "ground", "edge": edge, **sides,
                 "parts": [panel]}  # fmt: skip
        return cottage(view=view, pieces=[piece])
    return cottage(pieces__0__parts=[panel])


@pytest.mark.parametrize(
    ("system", "on"), [(1, "front"), (2, "left"), (2, "right"), (3, "left"), (3, "right")]
)
@pytest.mark.parametrize("mm", [2, 7, 30])
def test_a_depth_buffer_sees_of_an_inside_exactly_what_is_drawn(system, on, mm):
    scene = house(system, on, mm)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    whole = scene.parts[0].drawn.house(scene.parts[0].stage)
    (panel,) = whole.panels
    openings = [one for _, one in panel.corners(whole.block_in_space, whole.walls)]
    depth = inset_depth(
        panel.inset, openings[0], whole.walls, panel.wall(whole.walls), "", by_ruler=False
    )
    wall = next(one for one in whole.walls.by_name.values() if one.name == on)
    buffer = DepthBuffer([])
    for opening in openings:
        buffer.triangles = [hollow([whole.in_space[k] for k in wall.corners], opening, depth)]
        back = [plus(corner, depth) for corner in opening]
        edges = [*zip(opening, back, strict=True), *zip(back, [*back[1:], back[0]], strict=True)]
        for start, end in edges:
            for share in (0.13, 0.37, 0.61, 0.89):
                place = plus(start, times(minus(end, start), share))
                at = on_paper(place)
                if not inside(at, [[on_paper(whole.in_space[k]) for k in wall.corners]]):
                    continue  # deeper than the house is wide
                here = drawn_there(scene, at)
                seen = buffer.depth(at) > place[2] * (1 - 1e-6)
                assert seen == here, (at, seen)


def hollow(wall, opening, depth):
    """A wall with an opening in it and the inside of that, as triangles."""
    back = [plus(corner, depth) for corner in opening]
    quads = [back]
    for k in range(4):
        following = (k + 1) % 4
        quads.append([opening[k], opening[following], back[following], back[k]])
        quads.append([wall_corner(wall, opening, k), wall_corner(wall, opening, following),
                      opening[following], opening[k]])  # fmt: skip
    return np.array([(q[0], q[k], q[k + 1]) for q in quads for k in (1, 2)])


def wall_corner(wall, opening, k):
    """The wall's corner that lies nearest to an opening's on paper, seen from its middle."""
    middle = np.mean([on_paper(one) for one in opening], axis=0)
    way = np.array(on_paper(opening[k])) - middle

    def slant(corner):
        there = np.array(on_paper(corner)) - middle
        # Each corner of the wall lies in the quarter of the opening's own.
        return np.dot(np.sign(there), np.sign(way)), np.dot(there, way)

    return max(wall, key=slant)


def drawn_there(scene, place):
    def apart(line):
        (ax, ay), (bx, by) = line.segment
        long = math.hypot(bx - ax, by - ay)
        t = ((place[0] - ax) * (bx - ax) + (place[1] - ay) * (by - ay)) / long**2
        t = min(1.0, max(0.0, t))
        return math.hypot(place[0] - ax - t * (bx - ax), place[1] - ay - t * (by - ay))

    return any(apart(line) < 1e-6 for line in outlines(scene))


def test_the_inside_leads_to_the_other_point_and_is_taught_once_and_then_in_bulk():
    scene = house(2, "left", 6)
    ways_in = [line for line in outlines(scene) if line.family == "VP2" and line.start[0] < 230]
    assert len(ways_in) >= 6, "at least one corner of each opening"
    for line in ways_in:
        (ax, ay), (bx, by) = line.segment
        assert math.isclose((bx - ax) * (150 - ay), (by - ay) * (500 - ax), abs_tol=1e-6)
    first, others = (
        next(step for step in steps(scene) if step.phrase == phrase)
        for phrase in ("panel-inset", "panel-insets")
    )
    assert "0.6 cm along the line" in instruction(first) and "VP2" in instruction(first)
    assert "The other 5" in instruction(others) and others.bulk
    assert len(others.strokes) > 5 * 3


def test_a_level_inset_can_only_be_a_length():
    with pytest.raises(ExerciseError, match="inset"):
        side = {**WINDOWS, "on": "left", "inset": {"fraction": 0.2}}
        shed = {**FRONT, "front": {**FRONT["front"], "x_mm": 300, "width_mm": 60}, "parts": [side]}
        outlines(cottage(view=ONE, pieces=[shed]))


def with_a_door(**door):
    parts = [WINDOWS, {"kind": "panel", "id": "door", "on": "left", "look": "door",
                       "height_mm": 40, **door}]  # fmt: skip
    return cottage(pieces__0__parts=parts)


def test_a_door_takes_the_place_of_the_windows_it_would_run_through():
    whole, plain = with_a_door(**{"from": {"x_mm": 170}, "to": {"x_mm": 160}}), cottage(
        pieces__0__parts=[WINDOWS]
    )  # fmt: skip
    for scene in (whole, plain):
        assert difference(outlines(scene), kept(scene)) == ([], [])
    windows = next(step for step in steps(whole) if step.phrase == "panel-openings")
    assert "Leave one out" in instruction(windows) and "all 5" in instruction(windows)
    # One window less, three lines for a door that stands on the ground.
    assert len(outlines(whole)) == len(outlines(plain)) - 4 + 3


@pytest.mark.parametrize(("to_mm", "left_out"), [(232.9, 0), (150, 4)])
def test_a_door_between_the_windows_leaves_them_be_and_a_wide_one_takes_several(to_mm, left_out):
    near = 234 if left_out == 0 else 231
    scene = with_a_door(**{"from": {"x_mm": near}, "to": {"x_mm": to_mm}, "height_mm": 60})
    whole = scene.parts[0].drawn.house(scene.parts[0].stage)
    assert len(whole.taken(whole.panels[0])) == left_out
    assert whole.taken(whole.panels[1]) == frozenset()
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_bricks_run_on_where_a_door_took_a_windows_place():
    bricks = {"kind": "pattern", "id": "bricks", "on": "left", "look": "bricks", "courses": 5}
    door = {"kind": "panel", "id": "door", "on": "left", "look": "door", "height_mm": 40,
            "from": {"x_mm": 170}, "to": {"x_mm": 160}}  # fmt: skip
    roof = {"kind": "flat"}
    scene = resolve(from_data({**COTTAGE, "pieces": [
        {**COTTAGE["pieces"][0], "roof": roof, "parts": [WINDOWS, door, bricks]}]}))  # fmt: skip
    assert difference(outlines(scene), kept(scene)) == ([], [])
