"""Say once, do several times: equal steps become one, with a table of what differs.

The first is said in full. Steps like it follow in the same breath where all of them together are
short, else in a step of their own. Of a thing whose every step has been said before, the steps
become one as well, and its table goes through them.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Container, Iterator, Mapping, Sequence
from dataclasses import replace
from itertools import chain

from orthopsis.construction.moves import Step, StepKey, Table, count
from orthopsis.perspective.stroke import Part
from orthopsis.phrase import MarkName, Number, Phrase, Several, Value, say

IN_ONE_BREATH_MIN = 9.0
"""Longer than this, the first is done before the others are begun."""
LONGEST_MIN = 14.0
"""A step that does one thing many times lasts no longer than this, where it can be parted."""
Kind = tuple[str, tuple[str, ...]]

MOST_NAMED = 5
"""More things than this are counted, and not listed by name."""


MEASURES = {
    "across", "down", "top", "foot", "width", "height", "length", "depth", "left", "right",
    "measures", "lines", "sides", "along", "gap", "first", "places",
}  # fmt: skip
"""Columns of what follows from the sheet's measures; how many corners a letter has does not."""


def together(made: Sequence[Step], alone: Container[str] = (), *, own: bool = False) -> list[Step]:
    """The steps with equal ones as one. Those with keys in `alone` stay as they are.

    Where pupils choose sizes of their `own`, no table tells measures.
    """
    if own:
        made = list(map(_with_own_sizes, made))
    of_part = Counter(step.part for step in made)
    said: set[Kind] = set()
    done: list[Step] = []
    again: list[list[Step]] = []
    """Steps that have been said before, thing by thing."""
    for group in _groups(made, alone):
        first = group[0]
        known = _kind(first) in said and first.part is not None and str(first.key) not in alone
        if len(group) == 1 and known:
            fits = again and again[-1][0].part == first.part
            if fits and _minutes([*again[-1], first]) <= LONGEST_MIN:
                again[-1].append(first)
            else:
                again.append([first])
            continue
        done += _things_again(again, of_part)
        again = []
        done += _said_once(group, known)
        said.add(_kind(first))
    return done + _things_again(again, of_part)


def _with_own_sizes(step: Step) -> Step:
    if not MEASURES & step.row.keys():
        return step
    row = {name: value for name, value in step.row.items() if name not in MEASURES}
    return replace(step, row=row, again=step.again or Phrase("again-own"))


def _kind(step: Step) -> Kind:
    """What makes a step the same as another: what it is like, and how it is done.

    A cut is a cut in every way that teachers have, since the table tells it. Where a step has its
    own words for doing it again, these hold for every way.
    """
    if step.again is not None:
        return step.like, ()
    return step.like, tuple("cut" if one.id.startswith("cut-") else one.id for one in step.says)


def _things_again(
    again: Sequence[Sequence[Step]], of_part: Mapping[Part | None, int]
) -> list[Step]:
    """Steps said before, as few as they can be said in; whole things of the same steps together."""
    done: list[Step] = []
    alike: list[list[Step]] = []

    def whole(steps: Sequence[Step]) -> bool:
        return len(steps) == of_part[steps[0].part]

    def close() -> None:
        if len(alike) > 1:
            done.append(_several_things(alike, whole=whole(alike[0])))
        elif alike:
            done.append(_thing(alike[0], whole=whole(alike[0])))
        alike.clear()

    for steps in again:
        fits = alike and list(map(_kind, alike[0])) == list(map(_kind, steps))
        fits = fits and whole(alike[0]) == whole(steps)
        if not fits or _minutes([*chain.from_iterable(alike), *steps]) > LONGEST_MIN:
            close()
        alike.append(list(steps))
    close()
    return done


def _groups(made: Sequence[Step], alone: Container[str]) -> list[list[Step]]:
    """Steps that follow one another and are alike."""
    groups: list[list[Step]] = []
    for step in made:
        last = groups[-1][-1] if groups else None
        if last is not None and _go_together(last, step, alone):
            groups[-1].append(step)
        else:
            groups.append([step])
    return groups


def _go_together(one: Step, other: Step, alone: Container[str]) -> bool:
    free = str(one.key) not in alone and str(other.key) not in alone
    of_things = one.part is not None and other.part is not None
    return free and of_things and _kind(one) == _kind(other)


def _said_once(group: Sequence[Step], known: bool) -> Iterator[Step]:
    """Steps that are alike, as few as they can be said in."""
    if len(group) == 1:
        yield group[0]
        return
    full = [] if known else list(_in_full(group))
    rest = group[len(full) :]
    if not rest:
        yield from full
        return
    at_most = LONGEST_MIN if _speaks_of_no_mark(full) else IN_ONE_BREATH_MIN
    if len(full) == 1 and _minutes(group) <= at_most:
        yield _one(full[0], rest)
        return
    yield from full
    for part in _parted(rest):
        yield part[0] if len(part) == 1 and not known and not full else _one(None, part)


def _speaks_of_no_mark(steps: Sequence[Step]) -> bool:
    said = (value for step in steps for one in step.says for value in one.named())
    return not any(isinstance(value, MarkName) for value in said)


def _in_full(group: Sequence[Step]) -> Iterator[Step]:
    """The first of them, with what belongs to it."""
    yield group[0]
    for step in group[1:]:
        if not (step.goes_on and step.part == group[0].part):
            return
        yield step


def _parted(steps: Sequence[Step]) -> Iterator[Sequence[Step]]:
    """Steps in parts that are not too long, each part of a thing with the rest of it."""
    part: list[Step] = []
    for step in steps:
        if part and not step.goes_on and _minutes([*part, step]) > LONGEST_MIN:
            yield part
            part = []
        part.append(step)
    yield part


def _minutes(steps: Sequence[Step]) -> float:
    return sum(step.minutes for step in steps)


# --- one step of several --------------------------------------------------------------------------


def _one(first: Step | None, rest: Sequence[Step]) -> Step:
    """The first in full and the others like it; without a first only the others."""
    every = [*([] if first is None else [first]), *rest]
    lead = every[0]
    named = {} if first is None else {first.part: first.name}
    table = _table(every, said=first is not None) if any(step.row for step in every) else None
    way = lead.again or Phrase("again-table" if table else "again")
    among = {
        "things": _things(rest, named),
        "count": count(len(rest)),
    }
    again = Phrase(way.id, {**way.values, **among})
    checks = [check for check in lead.checks if all(check in step.checks for step in every)]
    return _merged(
        every,
        title=say("title-of-several", title=lead.title, things=_things(every, {})),
        says=[*([] if first is None else first.says), again],
        checks=checks or [say("again-check")],
        table=table,
        part=lead.part if len({step.part for step in every}) == 1 else None,
    )


def _title_of(name: Value, steps: Sequence[Step], *, whole: bool) -> Phrase:
    if whole:
        return say("title-again", thing=name)
    if len(steps) == 1:
        return say("titled", name=name, title=steps[0].title)
    return say("title-span", thing=name, first=steps[0].title, last=steps[-1].title)


def _thing(steps: Sequence[Step], *, whole: bool) -> Step:
    """Steps of a thing that is made like another before it; the `whole` of it, or some."""
    rows = tuple(
        (say("table-step", title=step.title), Several(tuple(_cells(step)), "comma"))
        for step in steps
        if step.row
    )
    columns = (say("column-step"), say("column-measures"))
    name = steps[0].name
    assert name is not None
    return _merged(
        steps,
        title=_title_of(name, steps, whole=whole),
        says=[say("again-thing", rows=count(len(rows)))],
        checks=_last_check(steps),
        table=Table(columns, rows) if rows else None,
        part=steps[0].part,
    )


def _several_things(things: Sequence[Sequence[Step]], *, whole: bool) -> Step:
    """Several things that are all made like another before them; the `whole` of them, or some."""
    every = list(chain.from_iterable(things))
    names = _things(every, {})
    return _merged(
        every,
        title=_title_of(names, things[0], whole=whole),
        says=[say("again-thing", rows=count(len(things)))],
        checks=_last_check(every),
        table=_table(every),
        part=None,
    )


def _last_check(steps: Sequence[Step]) -> list[Phrase]:
    """The last check of all that speaks of no mark."""
    plain = [
        check
        for step in steps
        for check in step.checks
        if not any(isinstance(value, MarkName) for value in check.named())
    ]
    return plain[-1:] or [say("again-check")]


def _cells(step: Step) -> list[Value]:
    """What differs, each value with what it is."""
    return [say(f"brief-{name}", value=value) for name, value in step.row.items()]


def _table(steps: Sequence[Step], *, said: bool = False) -> Table | None:
    """A row for each thing; what is the same for all is left out where the first is `said` in full.

    None where nothing is left.
    """
    rows: dict[Part | None, dict[str, Value]] = {}
    names: dict[Part | None, Value] = {}
    for step in steps:
        row = rows.setdefault(step.part, {})
        if step.name is not None:
            names[step.part] = _short(step.name)
        for name, value in step.row.items():
            row[name] = _with(row.get(name), value)
    columns = list(dict.fromkeys(name for row in rows.values() for name in row))
    if said:
        columns = [name for name in columns if _differ([row.get(name) for row in rows.values()])]
    if not columns:
        return None
    cells = [_column(name, [row.get(name) for row in rows.values()]) for name in columns]
    headings = Counter(heading.id for heading, _ in cells)
    for k, name in enumerate(columns):
        if headings[cells[k][0].id] > 1:
            # Two measures of one kind: each is called by what it is for.
            cells[k] = say(f"column-{name}"), [row.get(name) for row in rows.values()]
    return Table(
        (say("column-thing"), *(heading for heading, _ in cells)),
        tuple(
            zip((names.get(part) for part in rows), *(values for _, values in cells), strict=True)
        ),
    )


def _differ(values: Sequence[Value | None]) -> bool:
    return any(value != values[0] for value in values)


def _column(name: str, values: Sequence[Value | None]) -> tuple[Phrase, Sequence[Value | None]]:
    """A column's heading and its cells; what all of them say stands in the heading alone."""
    ids = {value.id if isinstance(value, Phrase) else "" for value in values}
    bare = [value.values.get("mm") for value in values if isinstance(value, Phrase)]
    if len(ids) == 1 and len(bare) == len(values) and all(bare):
        return say(f"column-{ids.pop()}"), bare
    return say(f"column-{name}"), values


def _with(before: Value | None, value: Value) -> Value:
    """A cell that has something already, and more."""
    if before is None:
        return value
    if isinstance(before, Number) and isinstance(value, Number):
        return Number(before.value + value.value)
    items = before.items if isinstance(before, Several) else (before,)
    more = value.items if isinstance(value, Several) else (value,)
    return Several((*items, *more), "comma")


def _things(steps: Sequence[Step], but: Mapping[Part | None, Value | None]) -> Value:
    """The things that steps belong to, each once, as they are read aloud: of many of one piece the
    first and the last, of many others the first two and how many more.
    """
    found: dict[Part | None, Value] = {}
    for step in steps:
        if step.part not in but and step.name is not None:
            found.setdefault(step.part, _short(step.name))
    names = tuple(found.values())
    if len(names) <= MOST_NAMED:
        return Several(names)
    if len({part.piece for part in found if part is not None}) == 1:
        return say("first-to-last", first=names[0], last=names[-1])
    return say("first-and-more", first=names[0], second=names[1], more=count(len(names) - 2))


def _short(name: Value) -> Value:
    """A letter by itself, where it is called by what it is."""
    return name.values.get("letter", name) if isinstance(name, Phrase) else name


def _merged(
    steps: Sequence[Step],
    *,
    title: Phrase,
    says: list[Phrase],
    checks: list[Phrase],
    table: Table | None,
    part: Part | None,
) -> Step:
    first = steps[0]
    key = first.key
    assert key is not None
    return replace(
        first,
        part=part,
        name=None,
        title=title,
        says=says,
        checks=checks,
        moves=[move for step in steps for move in step.moves],
        measures=[measure for step in steps for measure in step.measures],
        marks=[mark for step in steps for mark in step.marks],
        strokes=[drawn for step in steps for drawn in step.strokes],
        tried=[line for step in steps for line in step.tried],
        corners=[mark for step in steps for mark in step.corners],
        darkens=[k for step in steps for k in step.darkens],
        erases=[k for step in steps for k in step.erases],
        ideas={idea for step in steps for idea in step.ideas},
        behind={part for step in steps for part in step.behind},
        beyond=[one for step in steps for one in step.beyond],
        row={},
        note="\n".join(filter(None, (step.note for step in steps))),
        bulk=True,
        table=table,
        key=StepKey(key.uid, key.member, f"{key.phrase}+", key.number),
    )
