"""What hides a line is told by nearness along it: on exact planes, and against rays."""

from __future__ import annotations

import random

import pytest

from orthopsis.construction.nearness import NearFace, hidden_by, near_faces, nearness_plane
from orthopsis.construction.order import SeenLine
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import at, within_convex
from tests.rooms import TWO, scene


def flat(pairs):
    return [value for pair in pairs for value in pair]


def square(left, top, right, bottom, near):
    corners = (left, top), (right, top), (right, bottom), (left, bottom)
    return NearFace.of([[(Point(x, y), near(x, y)) for x, y in corners]])


def test_nearness_over_a_plane_is_that_of_its_corners_and_even_between_them():
    corners = [(Point(0, 0), 1.0), (Point(10, 0), 0.8), (Point(10, 10), 0.6), (Point(0, 10), 0.8)]
    a, b, c = nearness_plane(corners)
    assert all(a * p.x + b * p.y + c == pytest.approx(near) for p, near in corners)
    assert a * 5 + b * 5 + c == pytest.approx(0.8)


@pytest.mark.parametrize(
    ("near", "hidden"),
    [
        ((0.4, 0.4), [(0.25, 0.75)]),  # behind all of it
        ((0.6, 0.6), []),  # before it
        ((0.5, 0.5), []),  # in it
        ((0.6, 0.4), [(0.5, 0.75)]),  # through it, from before to behind
        ((0.4, 0.6), [(0.25, 0.5)]),
    ],
)
def test_a_line_is_hidden_where_a_nearer_face_covers_it(near, hidden):
    face = square(5, -5, 15, 5, lambda x, y: 0.5)
    found = hidden_by(SeenLine(((0, 0), (20, 0)), near), [face])
    assert flat(found) == pytest.approx(flat(hidden))


def test_a_line_along_the_border_of_a_face_is_free():
    face = square(5, 0, 15, 5, lambda x, y: 0.9)
    assert hidden_by(SeenLine(((0, 0), (20, 0)), (0.1, 0.1)), [face]) == []


def test_faces_of_any_number_hide_together():
    faces = [square(k, -1, k + 2, 1, lambda x, y: 0.9) for k in (2, 3, 8)]
    line = SeenLine(((0, 0), (10, 0)), (0.5, 0.5))
    assert flat(hidden_by(line, faces)) == pytest.approx([0.2, 0.5, 0.8, 1.0])


def test_the_faces_of_a_body_know_their_own_nearness():
    cut = {"along_mm": 30}
    box = {"kind": "box", "id": "crate", "standing": "ground", "left": cut, "right": cut,
           "edge": {"x_mm": 210, "top_mm": 160, "bottom_mm": 220}}  # fmt: skip
    (body,) = scene(box, view=TWO).bodies
    for face in near_faces(body):
        for place, nearness in body.corners:
            if any(place.xy in loop for loop in face.area.loops):
                assert face.nearness(place.xy) == pytest.approx(nearness)


@pytest.mark.parametrize("seed", range(6))
def test_random_lines_and_faces_place_by_place(seed):
    rng = random.Random(seed)
    faces = []
    for _ in range(4):
        slope, rise, base = (
            rng.uniform(-0.02, 0.02),
            rng.uniform(-0.02, 0.02),
            rng.uniform(0.3, 0.9),
        )
        x, y = rng.uniform(0, 60), rng.uniform(0, 60)
        right, low = x + rng.uniform(10, 40), y + rng.uniform(10, 40)
        faces.append(
            square(x, y, right, low, lambda u, v, s=slope, r=rise, b=base: b + (s * u + r * v) / 10)
        )
    for _ in range(20):
        ends = [(rng.uniform(0, 100), rng.uniform(0, 100)) for _ in range(2)]
        line = SeenLine((ends[0], ends[1]), (rng.uniform(0.2, 1), rng.uniform(0.2, 1)))
        hidden = hidden_by(line, faces)
        for k in range(1, 40):
            t = k / 40
            place = at(line.segment, t)
            leads = [
                line.nearness_at(t) - face.nearness(place)
                for face in faces if face.area.inside(place)
            ]  # fmt: skip
            if any(abs(lead) < 1e-3 for lead in leads):
                continue
            inside = any(t0 < t < t1 for t0, t1 in hidden)
            near_end = any(abs(t - end) < 1e-6 for portion in hidden for end in portion)
            assert near_end or inside == any(lead < 0 for lead in leads)


def test_what_of_a_loop_lies_within_a_floor():
    floor = [(0, 0), (10, 0), (10, 10), (0, 10)]
    assert set(within_convex([(2, 2), (8, 2), (8, 8)], floor)) == {(2, 2), (8, 2), (8, 8)}
    assert within_convex([(20, 20), (30, 20), (30, 30)], floor) == ()
    half = within_convex([(5, 5), (15, 5), (15, 7), (5, 7)], floor)
    assert max(x for x, _ in half) == pytest.approx(10) and len(half) == 4
    turned = within_convex([(5, 5), (15, 5), (15, 7), (5, 7)], floor[::-1])
    assert flat(sorted(turned)) == pytest.approx(flat(sorted(half)))
