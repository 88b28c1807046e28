"""Cutting straight lines: by outlines, by other lines, by the sheet's edge."""

import random
from itertools import pairwise

import pytest

from orthopsis.perspective.segments import (
    at,
    box_of,
    boxes_touch,
    distance_to_segment,
    inside,
    merged,
    portion_shared,
    portion_within,
    portions_inside,
    position_on,
    remainder,
)
from orthopsis.perspective.stroke import Part, Role, Stroke, joined

SQUARE = [(0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0)]
HOLE = [(3.0, 3.0), (7.0, 3.0), (7.0, 7.0), (3.0, 7.0)]


def test_inside_follows_the_even_odd_rule():
    assert inside((1, 1), [SQUARE, HOLE])
    assert not inside((5, 5), [SQUARE, HOLE])
    assert not inside((11, 5), [SQUARE])


def test_a_line_through_a_frame_is_inside_it_twice():
    assert portions_inside(((-10, 5), (10, 5)), [SQUARE, HOLE]) == [(0.5, 0.65), (0.85, 1.0)]


def test_a_line_along_the_border_is_outside():
    assert portions_inside(((-5, 0), (15, 0)), [SQUARE]) == []
    assert portions_inside(((0, 0), (0, 10)), [SQUARE]) == []


def test_a_line_through_two_corners_is_inside_between_them():
    assert portions_inside(((-10, -10), (20, 20)), [SQUARE]) == [
        pytest.approx((1 / 3, 2 / 3)),
    ]


def test_a_line_without_length_is_never_inside():
    assert portions_inside(((5, 5), (5, 5)), [SQUARE]) == []


def test_portions_agree_with_a_fine_walk_along_the_line():
    rng = random.Random(3)
    for _ in range(60):
        outline = [(rng.uniform(0, 100), rng.uniform(0, 100)) for _ in range(rng.randint(3, 7))]
        line = ((rng.uniform(0, 100), rng.uniform(0, 100)), (rng.uniform(0, 100), 50.0))
        found = portions_inside(line, [outline])
        for i in range(400):
            t = (i + 0.5) / 400
            near_an_end = any(abs(t - end) < 1e-3 for portion in found for end in portion)
            if not near_an_end:
                assert inside(at(line, t), [outline]) == any(a < t < b for a, b in found)


@pytest.mark.parametrize(
    ("other", "shared"),
    [
        (((5, 0), (20, 0)), (0.5, 1.0)),
        (((20, 0), (5, 0)), (0.5, 1.0)),
        (((-5, 0), (-1, 0)), None),
        (((10, 0), (20, 0)), None),
        (((5, 1), (20, 1)), None),
        (((5, 0), (20, 1)), None),
    ],
)
def test_what_two_lines_share(other, shared):
    assert portion_shared(((0, 0), (10, 0)), other) == shared


@pytest.mark.parametrize(
    ("line", "portion"),
    [
        (((-10, 5), (20, 5)), (1 / 3, 2 / 3)),
        (((2, 2), (8, 8)), (0.0, 1.0)),
        (((-10, 11), (20, 11)), None),
        (((5, -5), (5, 15)), (0.25, 0.75)),
        (((11, 0), (20, 9)), None),
    ],
)
def test_clipping_to_a_sheet(line, portion):
    found = portion_within(line, 0, 0, 10, 10)
    assert found == (portion if portion is None else pytest.approx(portion))


def test_overlapping_portions_become_one():
    assert merged([(0.5, 0.7), (0.0, 0.2), (0.2, 0.3), (0.6, 0.9)]) == [(0.0, 0.3), (0.5, 0.9)]


@pytest.mark.parametrize(
    ("removed", "left"),
    [
        ([], [(0.0, 1.0)]),
        ([(0.0, 1.0)], []),
        ([(0.0, 0.2), (0.8, 1.0)], [(0.2, 0.8)]),
        ([(0.4, 0.6), (0.5, 0.7)], [(0.0, 0.4), (0.7, 1.0)]),
        ([(-1.0, 0.5)], [(0.5, 1.0)]),
    ],
)
def test_what_is_left_when_portions_are_removed(removed, left):
    assert remainder(removed) == left


def test_ends_are_given_back_without_rounding():
    line = ((0.1, 0.7), (0.3, 0.9))
    assert at(line, 0.0) == (0.1, 0.7)
    assert at(line, 1.0) == (0.3, 0.9)


def test_position_and_distance_of_a_point_beside_a_line():
    line = ((0.0, 0.0), (10.0, 0.0))
    assert position_on(line, (4.0, 3.0)) == pytest.approx(0.4)
    assert distance_to_segment((4.0, 3.0), line) == pytest.approx(3.0)
    assert distance_to_segment((13.0, 4.0), line) == pytest.approx(5.0)


def test_boxes_around_points_touch_with_a_little_slack():
    box = box_of([(3, 1), (0, 5), (2, 2)])
    assert box == (0, 1, 3, 5)
    assert box_of([(1, 1)], 2) == (-1, -1, 3, 3)
    assert boxes_touch(box, (3, 5, 9, 9))
    assert boxes_touch(box, (3 + 5e-7, 1, 9, 9))
    assert not boxes_touch(box, (3.1, 1, 9, 9))
    assert not boxes_touch(box, (0, 5.1, 9, 9))


def _strokes(*portions):
    """Parts of one line, all of the same thing."""
    ends = [((a, a / 2), (b, b / 2)) for a, b in portions]
    return [Stroke(*pair, "VP1", Role.OUTLINE, Part("wall")) for pair in ends]


@pytest.mark.parametrize("seed", range(12))
def test_parts_of_one_line_are_joined_in_whatever_order_they_come(seed):
    stops = sorted(random.Random(seed).sample(range(100), 8))
    portions = list(pairwise(stops))
    random.Random(seed).shuffle(portions)
    (whole,) = joined(_strokes(*portions))
    assert sorted(whole.segment) == [(stops[0], stops[0] / 2), (stops[-1], stops[-1] / 2)]


def test_parts_with_a_gap_between_them_or_of_other_things_stay_apart():
    gap = joined(_strokes((20, 30), (0, 10), (10, 15)))
    assert sorted(sorted(one.segment)[0][0] for one in gap) == [0, 20]
    one, other = _strokes((0, 10), (10, 20))
    assert len(joined([one, other._replace(part=Part("roof"))])) == 2
    assert len(joined([one, other._replace(family="VP2")])) == 2
    assert len(joined([one, other._replace(curve=3)])) == 2


def test_a_line_within_another_is_taken_in():
    (whole,) = joined(_strokes((4, 6), (0, 10), (5, 7)))
    assert sorted(whole.segment) == [(0, 0), (10, 5)]
