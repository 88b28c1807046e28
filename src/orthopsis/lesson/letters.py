"""Letters for the places that are spoken of: in the order in which they come up, and for no other.

A place is introduced where it is made: where the words there do not name it and later ones do, a
sentence is added that does.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from orthopsis.construction.moves import Mark, Step, count, several
from orthopsis.construction.record import mark_name
from orthopsis.phrase import MarkName, renamed, say


def lettered(made: Sequence[Step]) -> list[Step]:
    """The steps with new letters for what their words name; other marks have none."""
    steps = [
        _introducing(step, of_later) for step, of_later in zip(made, _later(made), strict=True)
    ]
    names: dict[str, str] = {}
    for step in steps:
        for name in _named(step):
            if name not in names:
                names[name] = mark_name(len(names))
    for step in steps:
        for mark in step.marks:
            if not mark.point:
                names.setdefault(mark.name, f"({len(names) + 1})")
    return [_renamed(step, names) for step in steps]


def _named(step: Step) -> list[str]:
    """The marks that its words name, as they come."""
    said = (value for one in (*step.says, *step.checks) for value in one.named())
    return list(dict.fromkeys(value.name for value in said if isinstance(value, MarkName)))


def _later(made: Sequence[Step]) -> list[list[Mark]]:
    """For each step the marks that it makes, does not name, and that a later step names."""
    wanted: set[str] = set()
    found: list[list[Mark]] = []
    for step in reversed(made):
        own = set(_named(step))
        silent = [mark for mark in step.marks if mark.name in wanted and mark.name not in own]
        found.append(list({mark.name: mark for mark in silent}.values()))
        wanted |= own
    return found[::-1]


def _introducing(step: Step, marks: Sequence[Mark]) -> Step:
    if not marks:
        return step
    there = say("name-marks", marks=several(marks), count=count(len(marks)))
    return replace(step, says=[*step.says, there])


def _renamed(step: Step, names: Mapping[str, str]) -> Step:
    def mark(old: Mark) -> Mark:
        if old.point:
            return old
        new = names.get(old.name, old.name)
        return replace(old, name=new, lettered=not new.startswith("("))

    def name(old: str) -> str:
        return names.get(old, old)

    return replace(
        step,
        title=renamed(step.title, names),
        says=[renamed(one, names) for one in step.says],
        checks=[renamed(one, names) for one in step.checks],
        moves=[
            replace(
                move,
                uses=tuple(map(name, move.uses)),
                makes=None if move.makes is None else name(move.makes),
            )
            for move in step.moves
        ],
        measures=[replace(measure, zero=name(measure.zero)) for measure in step.measures],
        marks=[mark(one) for one in step.marks],
        corners=[mark(one) for one in step.corners],
    )
