"""What a teacher shows on a copy: a thing lifted, points spread, a viewer who climbs."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice.points import sharpest_corner
from orthopsis.exercise.demonstration import climbed, lifted, spread
from orthopsis.exercise.resolve import picture, resolve
from tests.documents import example
from tests.words import PLAIN


def told(shown):
    """What is said, in words."""
    exercise, said = shown
    return exercise, PLAIN.together(said)


def seen(exercise, piece):
    """The families of the lines that are seen of a piece."""
    scene = resolve(exercise)
    return [s for s in picture(scene) if s.role == "outline" and str(s.part) == piece]


def test_what_is_said_of_a_lifted_box_is_what_the_picture_shows():
    """Outside: the trade's rule (common practice, no published source): below the eye level the
    top shows, above it the underside, across it neither; left of the point the right side.
    """
    exercise = example("seed-crates").exercise
    level = exercise.view.eye_level_mm
    for up in (0, 60, 90, 130, 160):
        moved, words = told(lifted(exercise, "crate", up, 0))
        front = moved.pieces[0].place.front
        places = [end for s in seen(moved, "crate") for end in s.segment]
        above = min(y for _, y in places) < front.y_mm - 1
        below = max(y for _, y in places) > front.y_mm + front.height_mm + 1
        assert ("see its top" in words) == above == (front.y_mm > level)
        assert ("see its underside" in words) == below
    for right, said in ((0, "right side shows"), (120, "no side shows"), (260, "left side shows")):
        assert said in told(lifted(exercise, "crate", 0, right))[1]


def test_the_exercise_itself_is_never_changed():
    for name in ("seed-crates", "bell-corner", "look-down-yard", "pots-on-the-wall"):
        exercise = example(name).exercise
        before = exercise.model_dump()
        lifted(exercise, exercise.pieces[0].id, 20, 10)
        climbed(exercise, 20)
        if exercise.view.kind != "one-point":
            spread(exercise, 1.4)
        assert exercise.model_dump() == before


def test_cuts_from_the_papers_edge_go_along_with_a_thing_that_slides():
    exercise = example("bell-corner").exercise
    moved, _ = lifted(exercise, "corner-house", 0, 30)
    assert moved.pieces[0].place.left.x_mm == exercise.pieces[0].place.left.x_mm + 30
    assert resolve(moved).bodies


@pytest.mark.parametrize("name", ["bell-corner", "look-down-yard"])
def test_closer_points_make_the_lowest_corner_sharper(name):
    exercise = example(name).exercise
    angles = []
    for factor in (0.5, 0.75, 1.0, 1.5, 2.5):
        changed, words = told(spread(exercise, factor))
        angle = sharpest_corner(resolve(changed))[2]
        assert f"{angle:.0f}°" in words
        assert ("tips" in words) == (angle < 90)
        angles.append(angle)
    assert angles == sorted(angles)
    same, _ = spread(exercise, 1.0)
    lines = [s.segment for s in picture(resolve(exercise))]
    for ours, theirs in zip(lines, picture(resolve(same)), strict=True):
        for a, b in zip(ours, theirs.segment, strict=True):
            assert a == pytest.approx(b, abs=1e-6)


def test_the_eye_level_goes_with_the_eyes():
    exercise = example("seed-crates").exercise
    high, words = told(climbed(exercise, 100))
    assert "climbs" in words and "down on everything" in words
    assert high.view.eye_level_mm < exercise.view.eye_level_mm
    assert climbed(exercise, 0)[0] == exercise
    assert "crouches" in told(climbed(exercise, -30))[1]


def test_what_cannot_be_shown_is_refused_with_its_reason():
    exercise = example("seed-crates").exercise
    with pytest.raises(ExerciseError, match="no piece 'shed'"):
        lifted(exercise, "shed", 0, 0)
    with pytest.raises(ExerciseError, match="two- and three-point"):
        spread(exercise, 2)
    stacked = example("three-crates").exercise
    upper = next(p.id for p in stacked.pieces if any(p.rests_on))
    with pytest.raises(ExerciseError, match="stands on the lines of another"):
        lifted(stacked, upper, 0, 0)
