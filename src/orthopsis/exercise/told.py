"""A step in words: its title, what to do, and how to see that it is right."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.construction.moves import Step, Table
from orthopsis.phrase import Phrase, say
from orthopsis.wording.words import Words


def title_phrase(step: Step) -> Phrase:
    """The title with the name of the thing that the step belongs to."""
    return step.title if step.name is None else say("titled", name=step.name, title=step.title)


def title(step: Step, words: Words) -> str:
    return words.say(title_phrase(step))


def instruction(step: Step, words: Words) -> str:
    return words.together(step.says)


def check(step: Step, words: Words) -> str:
    return words.together(step.checks)


def headings(table: Table, words: Words) -> list[str]:
    """What stands over the columns of a table."""
    return list(map(words.say, table.columns))


def rows(table: Table, words: Words) -> list[list[str]]:
    """What differs, row by row; a cell that has nothing is a dash."""
    return [
        ["–" if cell is None else words.say(say("cell", value=cell)) for cell in row]
        for row in table.rows
    ]


def measures_of(step: Step) -> Sequence[float]:
    """The lengths that a step sets, mm, each once: a teacher's words call them {1}, {2} …"""
    return list(dict.fromkeys(round(measure.mm, 2) for measure in step.measures))
