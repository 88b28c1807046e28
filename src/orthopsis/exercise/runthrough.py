"""The steps as a teacher wants to give them: hidden, merged, split, moved and put in other words.

The construction is never changed by it: every line is still drawn once, and a step moves before
another only where nothing that it uses is made there. A teacher's words may hold measures as {1},
{2} …: they stand for the step's own, so that the words stay true when the measures change.
"""

from __future__ import annotations

import math
import re
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import replace
from itertools import accumulate

from orthopsis.construction.moves import Mark, Step
from orthopsis.construction.wording import Wording
from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import StepEdit
from orthopsis.exercise.resolve import Scene, steps


def run_through(scene: Scene) -> list[Step]:
    """The steps of an exercise with the teacher's changes. Raises ExerciseError, NoDrawingOrder.

    Changes to steps that are not there any more, as of a piece that was removed, are left aside.
    """
    made = [with_reach(step, scene) for step in keyed(steps(scene))]
    spec = scene.exercise.run
    if spec is None:
        return made
    made = _moved(made, spec.order)
    done: list[Step] = []
    merging: Step | None = None
    for step in made:
        edit = spec.steps.get(step.key, StepEdit())
        parts = _split(step, edit.first_lines)
        parts = [_worded(part, edit, scene.wording, len(parts) > 1) for part in parts]
        if merging is not None:
            parts[0] = _joined(merging, parts[0])
        merging = parts.pop() if edit.with_next and step is not made[-1] else None
        done += parts
    return done


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
    note = scene.wording.too_far(" and ".join(far))
    return replace(step, instruction=f"{step.instruction} {note}")


def keyed(made: Sequence[Step]) -> list[Step]:
    """The steps with names that last: the piece, the title, and a number where both come again.

    Steps whose titles follow the teacher's words have names of their own already.
    """
    seen: Counter[str] = Counter()
    named = []
    for step in made:
        key = step.key or f"{step.piece or ''}/{step.title}"
        seen[key] += 1
        named.append(replace(step, key=key if seen[key] == 1 else f"{key} {seen[key]}"))
    return named


# --- moving ---------------------------------------------------------------------------------------


def may_change_places(before: Step, after: Step) -> bool:
    """Whether a step may come before the one that now stands before it.

    It may not use a mark or line that the other makes, nor darken or erase a line of it, and both
    must belong to one piece: nearer pieces are drawn first.
    """
    if before.piece is None or before.piece != after.piece:
        return False
    made = {move.makes for move in before.moves if move.makes} | {m.name for m in before.marks}
    used = {name for move in after.moves for name in move.uses}
    used |= set(re.findall(r"\b[A-Z]\d*\b", after.instruction))
    return not made & used and not after.darkens and not after.erases and not before.erases


def _moved(made: list[Step], order: Sequence[str]) -> list[Step]:
    """The steps in the teacher's order, each as far forward as the construction allows.

    What the order does not name stays behind what it stood behind.
    """
    place = {key: number for number, key in enumerate(order)}
    firsts = list(accumulate((len(step.strokes) for step in made), initial=0))
    numbers = list(range(len(made)))
    for _ in made:
        changed = False
        for k in range(1, len(numbers)):
            before, after = made[numbers[k - 1]], made[numbers[k]]
            wanted = place.get(after.key, math.inf) < place.get(before.key, math.inf)
            named = before.key in place and after.key in place
            if wanted and named and may_change_places(before, after):
                numbers[k - 1], numbers[k] = numbers[k], numbers[k - 1]
                changed = True
        if not changed:
            break
    # Lines are counted over all steps: after a move each has a new number.
    new_number: dict[int, int] = {}
    for number in numbers:
        for k in range(firsts[number], firsts[number + 1]):
            new_number[k] = len(new_number)
    return [
        replace(
            made[number],
            darkens=[new_number[k] for k in made[number].darkens],
            erases=[new_number[k] for k in made[number].erases],
        )
        for number in numbers
    ]


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
            key=f"{step.key} +",
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
        title=f"{first.title}; {second.title[0].lower()}{second.title[1:]}",
        instruction=f"{first.instruction} {second.instruction}",
        check=second.check,
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
    )


# --- words ----------------------------------------------------------------------------------------


def said_measures(step: Step, wording: Wording) -> list[str]:
    """The step's measures as its words say them, each once."""
    return list(dict.fromkeys(wording.length(measure.mm) for measure in step.measures))


def _worded(step: Step, edit: StepEdit, wording: Wording, in_two: bool) -> Step:
    said = dict(enumerate(said_measures(step, wording), start=1))

    def words(given: str | None, own: str) -> str:
        return own if given is None else _filled(given, said)

    title = step.title
    if in_two:
        title = f"{title}, {'then' if step.key.endswith(' +') else 'first'}"
    return replace(
        step,
        title=words(edit.title, title),
        instruction=words(edit.instruction, step.instruction),
        check=words(edit.check, step.check),
        hidden=edit.hidden,
        note="" if step.key.endswith(" +") else edit.note,
    )


def _filled(text: str, said: Mapping[int, str]) -> str:
    """Words with their measures; a number that the step does not have stays as it is."""
    return re.sub(r"\{(\d+)\}", lambda m: said.get(int(m[1]), m[0]), text)


def shown(made: Sequence[Step]) -> list[int]:
    """The numbers, from 1, of the steps that are said aloud; hidden ones are only drawn."""
    return [number for number, step in enumerate(made, start=1) if not step.hidden]


def refuse_empty(made: Sequence[Step]) -> None:
    """Raises ExerciseError when every step is hidden."""
    if made and not shown(made):
        raise ExerciseError("run.steps", "every step is hidden; show at least one of them")
