"""What is said of rooms, furniture and stairs, on exact lines with one fault put in by hand.

Each fault is one of the trade's (common practice, no published source).
"""

from __future__ import annotations

from dataclasses import replace

import pytest

from orthopsis.exercise.recipes import recipe
from orthopsis.exercise.resolve import resolve
from orthopsis.perspective.segments import distance_to_segment
from orthopsis.pieces.shapes.made.cells import DOWN
from tests.documents import example
from tests.marking.test_findings_of_street import corrections, first, lines_of, pencil
from tests.rooms import HALL, TWO, hall, scene
from tests.words import message

ROOMS = ("first-room", "potting-room", "reading-corner", "flight", "terrace-steps")


def made_of(scene, id):
    part = next(one for one in scene.parts if one.drawn.part.piece == id)
    return part.drawn.cells(part.stage)


def without(lines, scene, id, wanted):
    """The lines but those that lie on some edges of a thing."""
    made = made_of(scene, id)
    gone = [
        (made.near_place(edge.start)[0].xy, made.near_place(edge.end)[0].xy)
        for edge in made.cells.edges
        if wanted(edge)
    ]
    return [
        line for line in lines
        if not any(all(distance_to_segment(end, ends) < 0.1 for end in (line.start, line.end))
                   for ends in gone)
    ]  # fmt: skip


@pytest.mark.parametrize("name", ROOMS)
def test_a_right_room_is_only_praised(name):
    right = resolve(recipe(name).document)
    assert corrections(right, lines_of(right)) == []


@pytest.mark.parametrize("name", ["potting-room", "terrace-steps"])
def test_a_right_example_is_only_praised(name):
    assert corrections(example(name), lines_of(example(name))) == []


def test_a_leg_that_is_forgotten_is_counted():
    there = hall()
    last = made_of(there, "table").parting.last

    def of_near_left_leg(edge):
        low = edge.end[DOWN] == last[DOWN]
        return low and max(edge.start[0], edge.end[0]) <= 1 and max(edge.start[2], edge.end[2]) <= 1

    lines = without(lines_of(there), there, "table", of_near_left_leg)
    assert len(lines) < len(lines_of(there)) - 2
    told = first(there, lines)
    assert told.code == "legs-missing"
    assert "Count the legs of the table" in message(told)


@pytest.mark.parametrize("riser", [1, 3])
def test_a_step_that_is_forgotten_is_counted(riser):
    steps = example("terrace-steps")

    def of_riser(edge):
        return edge.way == DOWN and edge.start[2] == riser

    lines = without(lines_of(steps), steps, "steps", of_riser)
    told = first(steps, lines)
    assert told.code == "steps-missing"
    assert "there are 5 of 6" in message(told)


def rows_of(scene, lines):
    """The numbers of the rows of tiles: the longest level lines on the floor."""
    level = [
        k for k, line in enumerate(lines)
        if abs(line.start[1] - line.end[1]) < 1e-9 and line.start[1] > 171 and line.length_mm > 60
    ]  # fmt: skip
    return sorted(level, key=lambda k: -lines[k].length_mm)


@pytest.mark.parametrize("off_mm", [5, -7])
def test_a_row_of_tiles_beside_the_diagonal_is_named(off_mm):
    bare = scene(*HALL["pieces"][:2])
    lines = lines_of(bare)
    row = rows_of(bare, lines)[1]
    (x0, y0), (x1, y1) = lines[row].start, lines[row].end
    lines[row] = replace(lines[row], start=(x0, y0 + off_mm), end=(x1, y1 + off_mm))
    told = first(bare, lines)
    assert told.code == "tiles-off"
    assert f"{abs(off_mm) / 10} cm beside its place" in message(told)
    assert "diagonal" in message(told)


def test_a_row_that_is_not_there_is_only_an_edge_that_is_missing():
    bare = scene(*HALL["pieces"][:2])
    lines = lines_of(bare)
    row = rows_of(bare, lines)[1]
    assert [one.code for one in corrections(bare, lines[:row] + lines[row + 1 :])] == [
        "missing-edge"
    ]


def test_a_wall_of_a_corner_that_leads_to_the_wrong_point_is_named():
    corner = {"kind": "room", "id": "nook", "corner": {"x_mm": 180, "top_mm": 60, "bottom_mm": 160}}
    nook = scene(corner, view=TWO)
    lines = lines_of(nook)
    number = next(
        k for k, one in enumerate(lines)
        if min(one.start[0], one.end[0]) < 1 and max(one.start[1], one.end[1]) > 165
    )  # fmt: skip
    start = max(lines[number].start, lines[number].end)
    # From the corner's foot on, away from the left point instead of the right one.
    vx, vy = -100, 110
    slope = (start[1] - vy) / (start[0] - vx)
    lines[number] = pencil(start, (0.0, start[1] - slope * start[0]))
    codes = [one.code for one in corrections(nook, lines)]
    assert codes and codes[0] in ("wrong-point", "missing-edge", "line-misses")


def test_legs_of_a_shelf_are_not_counted():
    shelf = {"kind": "made", "id": "shelf", "form": "shelf", "standing": "ground", "boards": 3,
             "front": {"x_mm": 60, "y_mm": 150, "width_mm": 60, "height_mm": 90},
             "depth": {"along_mm": 25}, "top_mm": 5, "leg_mm": 6}  # fmt: skip
    there = scene(shelf)
    lines = without(lines_of(there), there, "shelf", lambda edge: edge.way == DOWN)
    assert {one.code for one in corrections(there, lines)} == {"missing-edge"}
