"""Which line a pencil line was meant to be: own points, rivals, and lines that are two."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest

from orthopsis.exercise.resolve import picture
from orthopsis.marking.judge import judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.judging.families import PARTED_SD_DEG, RIVAL_MM, Assigned, assign
from orthopsis.marking.judging.pattern import without_grain, without_pattern
from orthopsis.marking.judging.verdicts import Verdict, judge_lines
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.plane import UPRIGHT, Point, direction
from orthopsis.perspective.stroke import Role
from tests.documents import example

NAMES = ["seed-crates", "bell-corner", "look-down-yard", "pots-on-the-wall"]


def drawn(scene):
    edges = [s for s in picture(scene) if s.role is Role.OUTLINE and s.curve is None]
    return edges, [FoundStroke(s.start, s.end, 0.05, 1.0) for s in edges]


def beside(line, by_mm):
    """The same line, so much to its left."""
    (x0, y0), (x1, y1) = line.start, line.end
    nx, ny = -(y1 - y0) / line.length_mm, (x1 - x0) / line.length_mm
    dx, dy = by_mm * nx, by_mm * ny
    return replace(line, start=(x0 + dx, y0 + dy), end=(x1 + dx, y1 + dy))


def aimed(edge, goal):
    """From its front corner to another point, as a pupil would who took that for the right one."""
    front, back = sorted(edge.segment, key=lambda end: -math.dist(end, goal))
    size, (dx, dy) = math.dist(front, back), direction(Point(*front), Point(*goal))
    return FoundStroke(front, (front[0] + size * dx, front[1] + size * dy), 0.05, 1.0)


# --- points of their own --------------------------------------------------------------------------


@pytest.mark.parametrize("name", NAMES)
def test_edges_are_looked_for_on_the_way_to_own_points_and_stay_what_they_are(name):
    key = answer_key(example(name))
    own = {"VP1": Point(key.goals["VP1"].x, key.goals["VP1"].y - 20.0)}
    other = key.looked_for_toward(own)
    assert other.goals == key.goals, "what is right does not change"
    assert other.expected is key.expected
    for edge, before, after in zip(key.expected, key.segments, other.segments, strict=True):
        if edge.stroke.family != "VP1":
            assert (before == after).all()
            continue
        size = math.dist(before[:2], before[2:])
        assert math.dist(after[:2], after[2:]) == pytest.approx(size)
        ends = [tuple(before[:2]), tuple(before[2:])]
        assert tuple(after[:2]) in ends, "it starts at its own corner"
        dx, dy = direction(Point(*after[:2]), own["VP1"])
        cross = dx * (after[3] - after[1]) - dy * (after[2] - after[0])
        assert abs(cross) < 1e-6 * max(size, 1.0)


@pytest.mark.parametrize("up_mm", [12.0, 18.0, -15.0])
@pytest.mark.parametrize("name", ["bell-corner", "pots-on-the-wall"])
def test_a_pupil_with_a_point_of_their_own_is_understood_line_by_line(name, up_mm):
    scene = example(name)
    edges, lines = drawn(scene)
    home = next(vp.at for vp in scene.vanishing_points if vp.name == "VP2")
    goal = home.x, home.y - up_mm
    for k, edge in enumerate(edges):
        if edge.family == "VP2":
            lines[k] = aimed(edge, goal)
    verdict = judge_strokes(answer_key(scene), lines)
    by_ends = {(x.assigned.found.start, x.assigned.found.end): x for x in verdict.strokes}
    met = next(point for point in verdict.points if point.name == "VP2")
    assert met.consistent_elsewhere
    assert math.dist(met.found, goal) < 2.0
    meant = [k for k, edge in enumerate(edges) if edge.family == "VP2"]
    judged = [by_ends[lines[k].start, lines[k].end] for k in meant]
    right = [line for line in judged if line.family == "VP2"]
    assert len(right) >= 0.95 * len(meant)
    assert max(abs(line.own_turn_deg) for line in right) < 0.5, "to their own point they are true"
    assert [f.code for f in verdict.findings if f.level == "fix"][:1] == ["vp-moved"]


# --- rivals ---------------------------------------------------------------------------------------


@pytest.mark.parametrize("name", NAMES)
def test_a_line_beside_an_edge_that_is_there_is_not_that_edge(name):
    scene = example(name)
    edges, lines = drawn(scene)
    k = max(range(len(edges)), key=lambda k: lines[k].length_mm)
    both = assign([*lines, beside(lines[k], 2.5 * RIVAL_MM)], answer_key(scene))
    taken = [line for line in both if line.expected is not None]
    mine = [line for line in taken if line.expected.stroke.segment == edges[k].segment]
    assert [line.found for line in mine] == [lines[k]]


def test_a_line_drawn_twice_is_one_edge():
    scene = example("seed-crates")
    edges, lines = drawn(scene)
    k = max(range(len(edges)), key=lambda k: lines[k].length_mm)
    both = assign([*lines, beside(lines[k], 0.5 * RIVAL_MM)], answer_key(scene))
    mine = [line for line in both if line.expected and line.expected.stroke == edges[k]]
    assert len(mine) == 2


def test_two_parts_of_a_broken_line_are_both_its_edge():
    scene = example("seed-crates")
    edges, lines = drawn(scene)
    k = max(range(len(edges)), key=lambda k: lines[k].length_mm)
    a, b = np.array(lines[k].start), np.array(lines[k].end)
    parts = [
        replace(lines[k], start=tuple(a + low * (b - a)), end=tuple(a + high * (b - a)))
        for low, high in ((0.0, 0.45), (0.55, 1.0))
    ]
    broken = assign([*lines[:k], *lines[k + 1 :], *parts], answer_key(scene))
    mine = [line for line in broken if line.expected and line.expected.stroke == edges[k]]
    assert len(mine) == 2


# --- lines that are two ---------------------------------------------------------------------------


def test_the_direction_of_a_parted_line_is_taken_as_doubtful():
    scene = example("bell-corner")
    key = answer_key(scene)
    edges, lines = drawn(scene)
    tried = 0
    for a, edge in enumerate(edges):
        for b, missing in enumerate(edges):
            shared = set(edge.segment) & set(missing.segment)
            if not shared or edge.family == missing.family or lines[b].length_mm < 20:
                continue
            (corner,) = shared
            far = next(end for end in edge.segment if end != corner)
            size = math.dist(far, corner)
            share = 0.8 * lines[b].length_mm / size
            beyond = tuple(c + share * (c - f) for c, f in zip(corner, far, strict=True))
            rest = [line for n, line in enumerate(lines) if n not in (a, b)]
            longer = FoundStroke(far, beyond, 0.05, 1.0)
            parts = [x for x in assign([*rest, longer], key) if x.found not in rest]
            if len(parts) < 2:
                continue
            tried += 1
            whole = next(x for x in parts if x.expected and x.expected.stroke == edge)
            other = next(x for x in parts if x is not whole)
            assert whole.found.length_mm == pytest.approx(size, abs=0.5)
            assert other.found.angle_sd_deg >= PARTED_SD_DEG > whole.found.angle_sd_deg
    assert tried >= 2


def test_a_faultless_drawing_has_no_rivals_and_nothing_parted():
    for name in NAMES:
        scene = example(name)
        edges, lines = drawn(scene)
        verdict = judge_strokes(answer_key(scene), lines)
        assert len(verdict.strokes) == len(edges)
        assert {line.verdict for line in verdict.strokes} == {Verdict.ON}


# --- patterns -------------------------------------------------------------------------------------


def hatched(count, gap_mm=3.0, slope=0.8):
    """Light lines side by side over an empty part of the sheet, all one way."""
    return [
        FoundStroke((20.0, 20.0 + k * gap_mm), (50.0, 20.0 + k * gap_mm + 30.0 * slope), 0.1, 0.3,
                    dark=False)
        for k in range(count)
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("fill", "left"),
    [
        (hatched(4), 4),
        (hatched(5), 0),
        (hatched(9, gap_mm=12.0), 9),
        (hatched(9, gap_mm=4.0), 0),
        ([s for k in range(6) for s in hatched(1, slope=0.8 + 0.5 * k)], 6),
    ],
)
def test_five_extra_lines_side_by_side_are_a_pattern(fill, left):
    scene = example("seed-crates")
    _, edges = drawn(scene)
    lines = assign([*edges, *fill], answer_key(scene))
    kept = without_pattern(lines)
    assert [line.found for line in kept if line.found in edges] == edges, "no edge is lost"
    assert len(kept) - len(edges) == left


def test_a_line_of_a_pattern_along_an_edge_goes_with_it_but_the_edge_stays():
    scene = example("seed-crates")
    key = answer_key(scene)
    _, edges = drawn(scene)
    edge = max((s for s in edges if s.start[0] == s.end[0]), key=lambda s: s.length_mm)
    (x, y0), (_, y1) = edge.start, edge.end
    slant = replace(edge, start=(x + 1.0, y0), end=(x + 1.0 + 0.07 * abs(y1 - y0), y1))
    fill = [beside(slant, -3.0 * k) for k in range(1, 7)]
    kept = without_pattern(assign([*edges, slant, *fill], key))
    assert edge in [line.found for line in kept]
    assert not [line for line in kept if line.found in (slant, *fill)]


def test_grain_is_short_faint_and_belongs_to_nothing():
    scene = example("seed-crates")
    _, edges = drawn(scene)
    stray = FoundStroke((30.0, 30.0), (34.0, 40.0), 2.0, 0.15, dark=False)
    lines = assign(
        [*edges, stray, replace(stray, darkness=0.3), replace(stray, end=(38.0, 50.0))],
        answer_key(scene),
    )
    kept = [line.found for line in without_grain(lines)]
    assert stray not in kept and len(kept) == len(lines) - 1
    alone = assign([stray], answer_key(scene))
    assert without_grain(alone) == alone, "without an edge nothing tells how light it is"


@pytest.mark.parametrize(
    ("long_mm", "turn_deg", "sd_deg", "verdict"),
    [
        (10, 4.0, 0.3, Verdict.NEAR),
        (10, 12.0, 0.3, Verdict.NEAR),
        (16, 12.0, 0.3, Verdict.OFF),
        (60, 4.0, 0.3, Verdict.OFF),
        (10, 4.0, 0.0, Verdict.OFF),
    ],
)
def test_a_short_pencil_line_is_called_off_only_when_a_hand_could_not_have_wobbled_so(
    long_mm, turn_deg, sd_deg, verdict
):
    """A hand wobbles slowly: the scatter of a short line says little of its direction. An exact
    line has no wobble, and a long one shows its own.
    """
    scene = example("seed-crates")
    edge = next(one for one in answer_key(scene).expected if one.stroke.family == "vertical")
    turn = math.radians(turn_deg)
    end = (100 + long_mm * math.sin(turn), 100 + long_mm * math.cos(turn))
    found = FoundStroke((100.0, 100.0), end, sd_deg, 1.0)
    (judged,) = judge_lines([Assigned(found, "vertical", edge)], {"vertical": UPRIGHT})
    assert judged.verdict is verdict
