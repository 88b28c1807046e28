"""The steps as a teacher wants to give them: hidden, merged, split, moved and put in other words.

The construction is never changed by it: every line is still drawn once, and a step moves before
another only where nothing that it uses is made there. A teacher's words may hold measures as {1},
{2} …: they stand for the step's own, so that the words stay true when the measures change.
"""

from __future__ import annotations

import math
import re
from collections.abc import Mapping, Sequence
from dataclasses import replace

from orthopsis.construction.moves import Mark, Step
from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import RunSpec, StepEdit
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.told import measures_of, title_phrase
from orthopsis.lesson.flow import in_flow, renumbered
from orthopsis.lesson.letters import lettered
from orthopsis.lesson.together import together
from orthopsis.phrase import Length, Own, Phrase, PointName, Several, Value, say


def run_through(scene: Scene) -> list[Step]:
    """The steps of an exercise with the teacher's changes. Raises ExerciseError, NoDrawingOrder.

    Changes to steps that are not there any more, as of a piece that was removed, are left aside.
    """
    spec = scene.exercise.run or RunSpec(order=[], steps={})
    alone = {key for key, edit in spec.steps.items() if edit != StepEdit(note=edit.note)}
    noted = _noted(in_flow(scene.construction, scene.flow, scene.lefts_mm), spec)
    own = scene.wording.given != "measures"
    made = together(noted, alone, own=own)
    made = [with_reach(step, scene) for step in lettered(made)]
    made = _moved(made, spec.order)
    done: list[Step] = []
    merging: Step | None = None
    for step in made:
        edit = spec.steps.get(str(step.key), StepEdit())
        parts = _split(step, edit.first_lines)
        parts = [_worded(part, edit, len(parts) > 1) for part in parts]
        if merging is not None:
            parts[0] = _joined(merging, parts[0])
        merging = parts.pop() if edit.with_next and step is not made[-1] else None
        done += parts
    return done


def _noted(made: Sequence[Step], spec: RunSpec) -> list[Step]:
    """The steps with the teacher's notes, which go with them into what several become."""
    there = [str(step.key) for step in made]
    notes: dict[str, list[str]] = {}
    for key, edit in spec.steps.items():
        if edit.note:
            notes.setdefault(_there(key, there), []).append(edit.note)
    return [replace(step, note="\n".join(notes.get(str(step.key), []))) for step in made]


def _there(key: str, keys: Sequence[str]) -> str:
    """The step that a note stands with: its own, or where that is gone one of the same part.

    What was in several steps once may be in fewer now.
    """
    whose, rest = key.split("/", 1) if "/" in key else (key, "")
    base = rest.rpartition("/")[0].removesuffix("-more")
    of_part = [one for one in keys if one.startswith(f"{whose}/")]
    alike = [one for one in of_part if one.startswith(f"{whose}/{base}/")]
    return key if key in keys else next(iter([*alike, *of_part]), key)


def with_reach(step: Step, scene: Scene) -> Step:
    """The step with what to do where the pupils' ruler does not reach a point."""
    ruler_mm = scene.wording.ruler_mm
    if ruler_mm is None:
        return step
    far = [
        vp.name
        for vp in scene.vanishing_points
        if not vp.at.at_infinity
        and any(
            drawn.stroke.family == vp.name and math.dist(drawn.stroke.start, vp.at.xy) > ruler_mm
            for drawn in step.strokes
        )
    ]
    if not far:
        return step
    points = Several(tuple(PointName(name) for name in far))
    note = say("too-far", ruler=Length(ruler_mm), points=points)
    return replace(step, says=[*step.says, note])


# --- moving ---------------------------------------------------------------------------------------


def may_change_places(before: Step, after: Step) -> bool:
    """Whether a step may come before the one that now stands before it.

    It may not use a mark or line that the other makes, nor darken or erase a line of it, and both
    must belong to one piece: nearer pieces are drawn first.
    """
    if before.part is None or before.part != after.part:
        return False
    made = {move.makes for move in before.moves if move.makes} | {m.name for m in before.marks}
    used = {name for move in after.moves for name in move.uses}
    used |= after.names
    return not made & used and not after.darkens and not after.erases and not before.erases


def _moved(made: list[Step], order: Sequence[str]) -> list[Step]:
    """The steps in the teacher's order, each as far forward as the construction allows.

    What the order does not name stays behind what it stood behind.
    """
    place = {key: number for number, key in enumerate(order)}
    numbers = list(range(len(made)))
    for _ in made:
        changed = False
        for k in range(1, len(numbers)):
            before, after = made[numbers[k - 1]], made[numbers[k]]
            wanted = place.get(str(after.key), math.inf) < place.get(str(before.key), math.inf)
            named = str(before.key) in place and str(after.key) in place
            if wanted and named and may_change_places(before, after):
                numbers[k - 1], numbers[k] = numbers[k], numbers[k - 1]
                changed = True
        if not changed:
            break
    return renumbered(made, numbers)


# --- splitting and merging ------------------------------------------------------------------------


def _split(step: Step, first_lines: int | None) -> list[Step]:
    """A step in two: its first lines, then the rest with what is darkened and erased."""
    if first_lines is None or first_lines >= len(step.strokes):
        return [step]
    first, rest = step.strokes[:first_lines], step.strokes[first_lines:]
    ends = [end for drawn in first for end in drawn.stroke.segment]

    def early(mark: Mark) -> bool:
        return any(math.dist(mark.at.xy, end) < 1e-6 for end in ends)

    share = round(len(step.moves) * first_lines / len(step.strokes))
    return [
        replace(
            step,
            moves=step.moves[:share],
            marks=[mark for mark in step.marks if early(mark)],
            strokes=first,
            tried=[],
            corners=[],
            darkens=[],
            erases=[],
        ),
        replace(
            step,
            second=True,
            moves=step.moves[share:],
            measures=[],
            marks=[mark for mark in step.marks if not early(mark)],
            strokes=rest,
        ),
    ]


def _joined(first: Step, second: Step) -> Step:
    """Two steps as one, said one after the other."""
    return replace(
        first,
        name=None,
        title=say("title-joined", first=title_phrase(first), second=title_phrase(second)),
        says=[*first.says, *second.says],
        checks=second.checks,
        hidden=first.hidden and second.hidden,
        note=" ".join(filter(None, (first.note, second.note))),
        moves=[*first.moves, *second.moves],
        measures=[*first.measures, *second.measures],
        marks=[*first.marks, *second.marks],
        strokes=[*first.strokes, *second.strokes],
        tried=[*first.tried, *second.tried],
        corners=[*first.corners, *second.corners],
        darkens=[*first.darkens, *second.darkens],
        erases=[*first.erases, *second.erases],
        ideas=first.ideas | second.ideas,
        beyond=[*first.beyond, *second.beyond],
    )


# --- words ----------------------------------------------------------------------------------------


def _worded(step: Step, edit: StepEdit, in_two: bool) -> Step:
    """The step in the teacher's words, where there are some."""
    said = dict(enumerate(measures_of(step), start=1))
    title = _own(edit.title, said)
    if title is None and in_two:
        which = "title-then" if step.second else "title-first"
        title = say(which, title=title_phrase(step))
    return replace(
        step,
        name=step.name if title is None else None,
        title=title or step.title,
        says=_words(edit.instruction, step.says, said),
        checks=_words(edit.check, step.checks, said),
        hidden=edit.hidden,
        note="" if step.second else step.note if edit.note in step.note else edit.note,
    )


def _words(given: str | None, own: list[Phrase], said: Mapping[int, float]) -> list[Phrase]:
    phrase = _own(given, said)
    return own if phrase is None else [phrase]


def _own(given: str | None, said: Mapping[int, float]) -> Phrase | None:
    """A teacher's words with their measures; a number that the step does not have stays."""
    if given is None:
        return None
    parts: list[Value] = []
    for text in filter(None, re.split(r"(\{\d+\})", given)):
        number = int(text[1:-1]) if re.fullmatch(r"\{\d+\}", text) else 0
        parts.append(Length(said[number]) if number in said else Own(text))
    return say("own-words", words=Several(tuple(parts), "none"))


def shown(made: Sequence[Step]) -> list[int]:
    """The numbers, from 1, of the steps that are said aloud; hidden ones are only drawn."""
    return [number for number, step in enumerate(made, start=1) if not step.hidden]


def refuse_empty(made: Sequence[Step]) -> None:
    """Raises ExerciseError when every step is hidden."""
    if made and not shown(made):
        raise ExerciseError("run.steps", say("refused-all-hidden"))
