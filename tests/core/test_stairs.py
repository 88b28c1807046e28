"""Stairs of two flights: a landing, a turn at a right angle, and rails along both."""

from __future__ import annotations

import numpy as np
import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_field
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.viewer import viewer_moved
from tests.agreement import outlines
from tests.core.test_made import agrees, agrees_by_depth, flight
from tests.documents import THREE_POINT
from tests.rooms import ONE, TWO, scene, with_pieces
from tests.words import instruction

EDGE = {"edge": {"x_mm": 210, "top_mm": 140, "bottom_mm": 230}, "left": {"along_mm": 70},
        "right": {"along_mm": 100}}  # fmt: skip
ONE_POINT = [("right", ONE), ("left", ONE), ("away", ONE)]
TWO_POINT = [("right", TWO), ("left", TWO)]


def stairs(climbs, view, landing, risers, turn, **more):
    given = flight(climbs=climbs, then=[{"landing": landing}, {"risers": risers, "turn": turn}])
    if view is TWO:
        given = {**{k: v for k, v in given.items() if k not in ("front", "depth")}, **EDGE}
    return {**given, **more}


@pytest.mark.parametrize(("climbs", "view"), [*ONE_POINT, *TWO_POINT])
@pytest.mark.parametrize("turn", ["left", "right"])
@pytest.mark.parametrize("landing", [1.0, 2.0])
@pytest.mark.parametrize("rail", [None, {"mm": 25}])
def test_two_flights_agree_and_are_taught_in_twenty_steps(climbs, view, turn, landing, rail):
    made = scene(stairs(climbs, view, landing, 4, turn, rail=rail), view=view)
    agrees(made)
    lesson = run_through(made)
    assert len(lesson) <= 20 and sum(step.minutes for step in lesson) <= 60


@pytest.mark.parametrize(("climbs", "view"), [*ONE_POINT, *TWO_POINT])
@pytest.mark.parametrize("turn", ["left", "right"])
def test_and_a_depth_buffer_sees_the_same(climbs, view, turn):
    agrees_by_depth(with_pieces(stairs(climbs, view, 1.5, 3, turn), view=view))


def _in_truth(made):
    """The corners of some stairs in true millimetres: across, down and into the depth."""
    eye = made.main.eye
    cx, cy = eye.principal.xy
    solid = made.parts[-1].drawn.cells(made.parts[-1].stage)
    ways, shares = solid.in_space, solid.shares_in_space
    found = {}
    for knot in solid.cells.knots:
        x, y, depth = ways.at(knot, shares)
        found[knot] = np.array([x - cx * depth, y - cy * depth, eye.distance_mm * depth])
    return found


@pytest.mark.parametrize(
    ("climbs", "turn", "view"), [("right", "left", ONE), ("right", "left", TWO)]
)
def test_treads_risers_and_landing_are_equal_in_truth(climbs, turn, view):
    """Source: what stairs are; the view's own distance makes millimetres of depth."""
    corners = _in_truth(scene(stairs(climbs, view, 2.0, 4, turn), view=view))
    ways = [sorted({knot[way] for knot in corners}) for way in range(3)]
    run, aside = (0, 2) if view is ONE else (2, 0)

    def lengths(way):
        found = {}
        for a, b in ((a, b) for a in corners for b in corners):
            others = [k for k in range(3) if k != way]
            if b[way] == a[way] + 1 and all(a[k] == b[k] for k in others):
                found.setdefault(a[way], set()).add(
                    round(float(np.linalg.norm(corners[b] - corners[a])), 6)
                )
        return [found[k].pop() for k in ways[way][:-1] if found.get(k) and len(found[k]) == 1]

    along, high, second = lengths(run), lengths(1), lengths(aside)
    treads, wide = along[:4], second[0]
    assert len(set(treads)) == 1 and len(set(high)) == 1 and len(high) == 9
    assert second[1:] == pytest.approx([treads[0]] * 4)
    # Twice as long as the stairs are wide, and the second flight as wide as the first.
    assert along[4:] == pytest.approx([wide, wide])


@pytest.mark.parametrize("climbs", ["away", "right"])
def test_noses_and_rail_lead_to_one_point(climbs):
    """The slope's point lies straight above the flight's own (common practice, no published
    source); parallel to the picture the rail is parallel to the slope.
    """
    steps = flight(climbs=climbs, depth={"true_mm": 150}, rail={"mm": 30})
    made = scene(steps)
    rail = next(s for s in outlines(made) if s.part.number == 1 and s.family == "free")
    thing = made.parts[-1].drawn
    solid = thing.cells(made.parts[-1].stage)
    posts = [part.drawn for part in made.parts[:-1]]
    noses = [solid.near_place(knot)[0].xy for knot in posts[0].noses]

    def at_the_point(segment, x=210.0):
        (x0, y0), (x1, y1) = segment
        return y0 + (y1 - y0) / (x1 - x0) * (x - x0)

    if climbs == "away":
        assert at_the_point(rail.segment) == pytest.approx(at_the_point(noses), abs=1e-6)
        assert at_the_point(noses) < made.main.eye_level_mm
    else:
        slopes = [(b[1] - a[1]) / (b[0] - a[0]) for a, b in (rail.segment, noses)]
        assert slopes[0] == pytest.approx(slopes[1])
        assert abs(at_the_point(rail.segment) - at_the_point(noses)) == pytest.approx(30)


def test_a_free_flight_has_as_many_treads_as_risers_and_one_against_a_landing_one_less():
    free, against = (
        resolve(from_data(with_pieces(one))).parts[0].drawn.parting
        for one in (flight(), stairs("right", ONE, 1.0, 0, "left"))
    )
    assert len(free.across) + 1 == 5 == len(against.across) + 2
    words = " ".join(map(instruction, run_through(scene(stairs("right", ONE, 2.0, 4, "left")))))
    assert "one tread less than risers" in words and "2 times as long" in words


def test_both_ways_of_writing_it_are_one_and_the_bench_switches_it_on():
    listed = from_data(with_pieces(stairs("right", ONE, 2.0, 5, "right")))
    nested = {**flight(), "then": {"landing": 2.0, "risers": 5, "turn": "right"}}
    assert listed == from_data(with_pieces(nested)) == from_data(to_data(listed))
    switched = with_field(from_data(with_pieces(flight())), "flight", "then", True)
    switched = with_field(switched, "flight", "rail", True)
    piece = switched.pieces[0]
    assert (piece.then.landing, piece.then.risers, piece.then.turn) == (1.0, 5, "left")
    assert piece.rail.mm == 20.0
    agrees(resolve(switched))
    agrees(resolve(viewer_moved(switched, right_mm=12, up_mm=8)))


@pytest.mark.parametrize("field", ["then", "rail"])
def test_where_uprights_lean_there_is_neither(field):
    more = {"then": {"landing": 1.0}} if field == "then" else {"rail": {"mm": 20}}
    base = THREE_POINT["pieces"][0]
    block = {name: base[name] for name in ("edge", "left", "right", "standing") if name in base}
    leaning = {"kind": "stairs", "id": "s", "risers": 4, "climbs": "right", **block, **more}
    with pytest.raises(ExerciseError) as refused:
        outlines(scene(leaning, view=THREE_POINT["view"]))
    assert refused.value.path == f"pieces[0].{field}"


def test_a_flight_that_ends_at_its_landing_needs_no_second():
    made = scene(stairs("left", ONE, 1.5, 0, "right"))
    agrees(made)
    assert not any("second" in step.phrase for step in run_through(made))
