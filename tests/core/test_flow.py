"""The order of teaching and what becomes one, on steps made by hand."""

from __future__ import annotations

import pytest

from orthopsis.construction.moves import (
    Act,
    Do,
    Mark,
    Move,
    Step,
    StepKey,
    StepStroke,
    phrase,
)
from orthopsis.lesson.flow import Flow, in_flow, renumbered
from orthopsis.lesson.letters import lettered
from orthopsis.lesson.together import LONGEST_MIN, together
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Part, Role, Stroke
from orthopsis.phrase import Length, MarkName, Number, Own, say

LEFT, RIGHT = Part("left"), Part("right")
LEFTS = {LEFT: 10.0, RIGHT: 200.0}


def step(name, part, act, *, makes=(), uses=(), lines=0, minutes=1, **more):
    """A step with one move for each mark that it makes, and as many lines as asked for."""
    own = Own(part.piece) if part else None
    made = Step(name, act, part, own, say(f"{name}-title"), **more)
    made.key = StepKey(part.piece if part else "", 0, name, 1)
    made.moves += [Move(Do.CROSS, tuple(uses), mark) for mark in makes]
    made.moves += [Move(Do.MEASURE, tuple(uses), None)] * round(minutes / 0.3)
    made.marks += [Mark(mark, Point(float(k), 0.0)) for k, mark in enumerate(makes)]
    made.says.append(phrase("box-back-check"))
    made.checks.append(phrase("tidy-check"))
    for k in range(lines):
        line = Stroke((0.0, float(k)), (9.0, float(k)), "free", Role.OUTLINE, part)
        made.strokes.append(StepStroke(line, "keep"))
    return made


def two_boxes():
    """The right one is constructed first, each with a front, lines and a back."""
    return [
        step("eye-level-line", None, Act.SETTING),
        *(
            step(name, part, act, lines=2)
            for part in (RIGHT, LEFT)
            for name, act in (
                ("box-front", Act.FRONTS), ("box-lines", Act.LINES), ("box-depth", Act.BACKS),
            )
        ),
        step("finish", None, Act.INK),
    ]  # fmt: skip


def order(made):
    return [(one.phrase, one.part and one.part.piece) for one in made]


def test_stage_by_stage_takes_act_by_act_and_from_left_to_right():
    assert order(in_flow(two_boxes(), Flow.STAGES, LEFTS)) == [
        ("eye-level-line", None),
        ("box-front", "left"), ("box-front", "right"),
        ("box-lines", "left"), ("box-lines", "right"),
        ("box-depth", "left"), ("box-depth", "right"),
        ("finish", None),
    ]  # fmt: skip
    assert order(in_flow(two_boxes(), Flow.THINGS, LEFTS)) == order(two_boxes())


def test_what_stops_at_a_nearer_front_waits_until_that_thing_is_finished():
    made = two_boxes()
    next(one for one in made if one.part == LEFT).behind.add(RIGHT)
    told = order(in_flow(made, Flow.STAGES, LEFTS))
    assert told.index(("box-depth", "right")) < told.index(("box-front", "left"))
    assert told[-1] == ("finish", None)


def test_nothing_comes_before_what_it_uses():
    made = two_boxes()
    made[1].moves.append(Move(Do.CROSS, (), "A"))
    left_front = next(one for one in made if one.part == LEFT)
    left_front.moves.append(Move(Do.AIM, ("A",), None))
    told = order(in_flow(made, Flow.STAGES, LEFTS))
    assert told.index(("box-front", "right")) < told.index(("box-front", "left"))


def test_lines_keep_their_numbers_when_steps_change_places():
    made = two_boxes()
    made[-1].darkens += [0, 5]
    lines = [line for one in made for line in one.strokes]
    moved = in_flow(made, Flow.STAGES, LEFTS)
    there = [line for one in moved for line in one.strokes]
    assert [there[k] for k in moved[-1].darkens] == [lines[0], lines[5]]
    assert order(renumbered(made, range(len(made)))) == order(made)


def test_a_ring_of_needs_leaves_the_order_of_the_construction():
    made = two_boxes()
    front, other = made[1], next(one for one in made if one.part == LEFT)
    # Each uses what the other makes: such a construction there is none, but it loses no step.
    front.moves += [Move(Do.CROSS, ("B",), "A")]
    other.moves += [Move(Do.CROSS, ("A",), "B")]
    assert sorted(order(in_flow(made, Flow.STAGES, LEFTS)), key=str) == sorted(order(made), key=str)


def measured(part, mm, **more):
    made = step("box-front", part, Act.FRONTS, **more)
    made.differs(width=Length(mm), lines=Number(3.0))
    return made


def test_equal_steps_become_one_with_what_differs():
    (one,) = together([measured(LEFT, 80.0), measured(RIGHT, 50.0)])
    assert one.bulk and one.part is None and str(one.key) == "left/box-front+/1"
    assert [column.id for column in one.table.columns] == ["column-thing", "column-width"]
    assert one.table.rows == ((Own("left"), Length(80.0)), (Own("right"), Length(50.0)))


def test_the_first_is_said_alone_where_all_are_long():
    long = [measured(LEFT, 80.0, minutes=8), measured(RIGHT, 50.0, minutes=8)]
    first, again = together(long)
    assert not first.bulk and first.name == Own("left")
    assert again.says[0].id == "again-table" and again.table.rows[0][0] == Own("right")
    many = [measured(Part(f"p{k}"), float(k), minutes=6) for k in range(8)]
    assert all(one.minutes <= LONGEST_MIN + 0.5 for one in together(many))


def test_a_step_with_changes_of_its_own_stays_by_itself():
    made = [measured(LEFT, 80.0), measured(RIGHT, 50.0)]
    assert [one.bulk for one in together(made, {"right/box-front/1"})] == [False, False]
    (noted,) = together([replace_note(made[0], "one"), replace_note(made[1], "two")])
    assert noted.note == "one\ntwo"


def replace_note(made, note):
    made.note = note
    return made


def test_sizes_of_ones_own_leave_only_what_does_not_depend_on_them():
    (one,) = together([measured(LEFT, 80.0), measured(RIGHT, 50.0)], own=True)
    assert one.table is None and one.says[-1].id == "again-own"


def test_whole_things_made_alike_are_said_together():
    parts = [Part(f"cube {k}") for k in range(3)]
    made = [
        step(name, part, act)
        for part in parts
        for name, act in (("box-front", Act.FRONTS), ("tidy", Act.INK))
    ]
    told = together(made)
    assert [(one.phrase, one.bulk) for one in told] == [
        ("box-front", False), ("tidy", False), ("box-front", True),
    ]  # fmt: skip
    assert told[-1].title.id == "title-again"


def test_only_places_that_are_spoken_of_have_letters_in_the_order_in_which_they_come():
    first = step("box-front", LEFT, Act.FRONTS, makes=("Q", "R", "S"))
    second = step("box-lines", LEFT, Act.LINES, uses=("Q", "S"))
    second.says.append(phrase("as-deep-as-wide", laid=first.marks[2], start=first.marks[0]))
    one, two = lettered([first, second])
    assert [(mark.name, mark.lettered) for mark in one.marks] == [
        ("A", True), ("(3)", False), ("B", True),
    ]  # fmt: skip
    assert one.says[-1].id == "name-marks", "introduced where they are made"
    named = [value.name for value in one.says[-1].named() if isinstance(value, MarkName)]
    assert named == ["A", "B"]
    assert {name for move in two.moves for name in move.uses} == {"A", "B"}


@pytest.mark.parametrize("flow", list(Flow))
def test_an_empty_sheet_is_a_lesson_too(flow):
    setting = [step("eye-level-line", None, Act.SETTING)]
    assert order(lettered(together(in_flow(setting, flow, {})))) == [("eye-level-line", None)]
