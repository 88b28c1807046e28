"""What lies in the walls of rooms: niches, and the same again beside itself."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_field
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import distance
from tests.agreement import difference, kept, outlines
from tests.rooms import ONE, TWO, scene, with_pieces

BACK = {"kind": "room", "id": "hall",
        "back": {"x_mm": 140, "y_mm": 75, "width_mm": 140, "height_mm": 100}}  # fmt: skip
CORNER = {"kind": "room", "id": "hall", "corner": {"x_mm": 200, "top_mm": 55, "bottom_mm": 150}}
WALLS = {
    "back": (BACK, ONE, {"front": {"x_mm": 160, "y_mm": 90, "width_mm": 25, "height_mm": 40}}),
    "left": (BACK, ONE, {"from": {"x_mm": 60}, "to": {"x_mm": 85}, "up_mm": 20}),
    "right": (BACK, ONE, {"from": {"x_mm": 380}, "to": {"x_mm": 350}, "up_mm": 20}),
    "corner left": (CORNER, TWO, {"from": {"x_mm": 90}, "to": {"x_mm": 115}, "up_mm": 20}),
    "corner right": (CORNER, TWO, {"from": {"x_mm": 345}, "to": {"x_mm": 320}, "up_mm": 0}),
}  # fmt: skip


def in_wall(name, **fields):
    room, view, place = WALLS[name]
    high = {} if "front" in place else {"height_mm": 50}
    panel = {"kind": "panel", "id": "niche", "on": f"hall/{name.split()[-1]}", "look": "cupboard",
             **place, **high, **fields}  # fmt: skip
    return room, panel, view


def drawn(name, **fields):
    room, panel, view = in_wall(name, **fields)
    there = scene(room, panel, view=view)
    assert difference(outlines(there), kept(there)) == ([], [])
    return there


WAYS = [(name, way) for name in WALLS for way in (("right",) if name == "back" else ("away", "us"))]


@pytest.mark.parametrize(("name", "way"), WAYS)
@pytest.mark.parametrize("recess", [None, {"along_mm": 8}])
def test_panels_in_a_row_agree_and_are_equal_in_truth(name, way, recess):
    there = drawn(name, recess=recess, repeat={"count": 3, "toward": way})
    wide, deep = set(), set()
    for part in there.parts[1:]:
        one = part.drawn
        panel = one.drawn if hasattr(one, "drawn") else one._drawn(part.stage)
        ends = [(x * far, far) for (x, _), far in ((p.xy, far) for p, far in panel.places)]
        across = max(abs(a[0] - b[0]) for a in ends for b in ends)
        away = max(abs(a[1] - b[1]) for a in ends for b in ends)
        wide.add((round(across, 6), round(away, 9)))
        if panel.niche is not None:
            start, far = panel.places[panel.niche.start(panel.places)]
            goal, mm = panel.niche.into.at, panel.niche.along_mm
            share = 0.0 if goal.at_infinity else mm / distance(start, goal)
            deep.add(round(mm * far if goal.at_infinity else far * share / (1 - share), 9))
    assert len(wide) == 1 and len(deep) == (1 if recess else 0)


@pytest.mark.parametrize("name", WALLS)
def test_a_niche_is_seen_only_through_its_opening(name):
    plain, there = drawn(name), drawn(name, recess={"along_mm": 8})
    part = there.parts[1]
    opening = Area((tuple(place.xy for place, _ in part.drawn._drawn(part.stage).places),))
    edges = {frozenset(map(tuple, _rounded(s.segment))) for s in outlines(plain)}
    inner = [s for s in outlines(there) if frozenset(map(tuple, _rounded(s.segment))) not in edges]
    assert len(inner) >= 4
    for stroke in inner:
        for end in stroke.segment:
            assert opening.inside(end) or opening.on_border(end)
    lesson = run_through(there)
    assert any(step.phrase == "niche" for step in lesson)
    moved = resolve(viewer_moved(there.exercise, 6, 4, 10))
    assert len(outlines(moved)) > len(outlines(plain)) - 2


def _rounded(segment):
    return [(round(x, 3), round(y, 3)) for x, y in segment]


@pytest.mark.parametrize(
    ("name", "fields", "field"),
    [
        ("back", {"repeat": {"count": 2, "toward": "away"}}, "repeat.toward"),
        ("left", {"repeat": {"count": 2, "toward": "left"}}, "repeat.toward"),
        ("left", {"repeat": {"count": 9, "toward": "away"}}, "repeat.count"),
        ("back", {"repeat": {"count": 9, "toward": "right"}}, "repeat.count"),
        ("back", {"recess": {"fraction": 0.2}}, "recess"),
    ],
)
def test_what_does_not_fit_its_wall_is_refused_with_its_field(name, fields, field):
    with pytest.raises(ExerciseError) as refused:
        outlines(scene(*in_wall(name, **fields)[:2], view=in_wall(name)[2]))
    assert refused.value.path.endswith(field)


def test_only_what_lies_in_a_wall_may_be_let_into_it():
    rug = {"kind": "panel", "id": "rug", "on": "hall/floor", "look": "rug",
           "foot": {"x_mm": 150, "y_mm": 230, "width_mm": 80}, "depth": {"along_mm": 20},
           "recess": {"along_mm": 3}}  # fmt: skip
    with pytest.raises(ExerciseError) as refused:
        from_data(with_pieces(BACK, rug))
    assert refused.value.path == "pieces[1]"


@pytest.mark.parametrize("name", ["back", "left"])
def test_the_bench_switches_both_on(name):
    room, panel, view = in_wall(name)
    document = from_data(with_pieces(room, panel, view=view))
    for field in ("recess", "repeat"):
        document = with_field(document, "niche", field, True)
    there = resolve(document)
    assert difference(outlines(there), kept(there)) == ([], [])
    assert len(there.parts) == 3
