"""The corner test against slices: a face drawn smaller and smaller toward the vanishing point.

Each slice of a swept face covers those behind it. So a place of a line is seen when no slice before
its own has the place within it: nothing but scaling and inside-or-outside, no lines of sight.
"""

from __future__ import annotations

import math

import pytest

from orthopsis.construction.corner_rule import guide_seen
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import at, remainder
from tests.documents import scene_of
from tests.letters import LETTERS, ONE, ROUND_LETTERS, STAIR, in_nine_places

SLICES = 400
SHARE = 0.35
"""How far back `in_nine_places` sweeps its letters in one point is set here."""


def swept(data):
    piece = {**data["pieces"][0], "depth": {"fraction": SHARE}}
    return resolve(from_data({**data, "pieces": [piece]}))


def covered(face, vp, place, share):
    """Whether a slice before the one at `share` has a place within it."""
    x, y = place
    for k in range(SLICES):
        t = share * k / SLICES
        if share - t < 1e-3 * share:
            break
        before = vp[0] + (x - vp[0]) / (1 - t), vp[1] + (y - vp[1]) / (1 - t)
        if face.inside(before):
            return True
    return False


def clear_of(face, vp, place, share):
    """Whether a place lies so clear of all slices' borders that the slices can tell."""
    for k in range(0, SLICES + 1, 4):
        t = share * k / SLICES
        x, y = (v + (p - v) / (1 - t) for v, p in zip(vp, place, strict=True))
        for side in face.straight:
            (ax, ay), (bx, by) = side
            size = math.dist(*side)
            off = abs((x - ax) * (by - ay) - (y - ay) * (bx - ax)) / size
            if off < 0.3 and -1 < ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / size < size + 1:
                return False
        for arc in face.bends.values():
            u, v = arc.ellipse.unit((x, y))
            if abs(math.hypot(u, v) - 1.0) * math.hypot(*arc.ellipse.a) < 0.3:
                return False
    return True


def along_a_side(face, segment):
    """Whether a line lies along one of the face's sides, where inside and outside meet."""
    (px, py), (qx, qy) = segment
    size = math.dist(*segment)
    return any(
        all(abs((x - px) * (qy - py) - (y - py) * (qx - px)) < 1e-6 * size for x, y in side)
        for side in face.straight
    )


def check(scene):
    (body,) = scene.bodies
    vp = scene.vanishing_points[0].at.xy
    face, count = body.shown.faces[0], len(body.corners) // 2
    asked = 0
    for (a, b), portions in body.shows.items():
        if b < count:
            continue
        ends = body.corners[a][0].xy, body.corners[b][0].xy
        if a < count and along_a_side(face, ends):
            continue
        for parts, seen in ((portions, True), (remainder(portions), False)):
            for t0, t1 in parts:
                t = (t0 + t1) / 2
                place, share = at(ends, t), SHARE if a >= count else SHARE * t
                if (t1 - t0) * math.dist(*ends) < 2.0 or (a >= count and not clear_of(
                    face, vp, place, share * 0.97
                )):  # fmt: skip
                    continue
                asked += 1
                assert covered(face, vp, place, share) != seen, (a, b, t)
    for arcs in body.far_arcs.values():
        for arc in arcs:
            place = arc.ellipse.point((arc.start + arc.stop) / 2)
            if clear_of(face, vp, place, SHARE * 0.9):
                asked += 1
                assert not covered(face, vp, place, SHARE)
    return asked


@pytest.mark.parametrize("character", [c for c in LETTERS if c in "AEFHKMNRSXZ4&?"])
def test_slices_cover_what_the_corner_test_hides(character):
    assert sum(check(swept(data)) for data in in_nine_places(character, "measured", "one")) > 15


@pytest.mark.parametrize("character", [c for c in ROUND_LETTERS if c in "BOS26"])
def test_slices_cover_what_is_hidden_of_curves(character):
    found = in_nine_places(character, "measured", "one", "curved")
    assert sum(check(swept(data)) for data in found) > 8


def test_a_guide_line_stops_where_it_meets_the_face():
    # From the left stroke of a U, level across the gap, to the right stroke.
    u = ((0, 0), (2, 0), (2, 8), (6, 8), (6, 0), (8, 0), (8, 10), (0, 10))
    face = Area((tuple((float(x), float(y)) for x, y in u),))
    assert guide_seen((2.0, 4.0), (12.0, 4.0), face) == [(0.0, 0.4)]
    assert guide_seen((2.0, 4.0), (5.0, 4.0), face) == [(0.0, 1.0)]
    assert guide_seen((2.0, 4.0), (-5.0, 4.0), face) == []
    assert guide_seen((8.0, 4.0), (12.0, 4.0), face) == [(0.0, 1.0)]


def test_where_a_ruler_touches_a_curve_a_line_is_drawn_and_within_a_hole_none():
    letter = {**ONE["pieces"][0], "text": "O", "form": "curved"}
    (body,) = scene_of({**ONE, "pieces": [letter]}).bodies
    count = len(body.corners) // 2
    # Two lines touch the outline, two the hole, and no other corner sends a line.
    assert len(body.touching) == 4
    sent = [a for a, b in body.shows if b == a + count]
    assert len(sent) == 2
    assert set(sent) <= set(body.touching)


def test_a_point_within_a_hole_shows_all_of_its_far_side():
    stair = {**STAIR["pieces"][0], "depth": {"fraction": 0.3}}
    # The hole from (50, 20) to (70, 40) of a face whose corner lies at (100, 60).
    view = {**ONE["view"], "vanishing_point_mm": 162, "eye_level_mm": 90}
    (body,) = scene_of({**STAIR, "view": view, "pieces": [stair]}).bodies
    count = len(body.corners) // 2
    outer = len(stair["corners"])
    far = {ends: portions for ends, portions in body.shows.items() if ends[0] >= count + outer}
    assert len(far) == 4
    assert all(portions == [(0.0, 1.0)] for portions in far.values())
    assert Point(162, 90) == scene_of({**STAIR, "view": view}).vanishing_points[0].at
