"""The order of teaching: thing by thing, stage by stage, or corner by corner.

Steps may change places as long as nothing is used before it is made. What hides what was settled
before the first line, so the lines stay the same in every order.
"""

from __future__ import annotations

import heapq
import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace
from enum import StrEnum
from itertools import accumulate

from orthopsis.construction.moves import Act, Step
from orthopsis.perspective.segments import distance_to_segment
from orthopsis.perspective.stroke import Part, Stroke

ON_IT_MM = 1e-4
"""As near as that, a line's end lies on another line."""


class Flow(StrEnum):
    """How a lesson goes on from one thing to the next."""

    THINGS = "things"
    """Each thing is finished before the next is begun."""
    STAGES = "stages"
    """Everything of one act together: all fronts, all lines to the points, all backs."""
    CORNERS = "corners"
    """As by stages, but behind each face one corner is finished before the next is begun."""


Lefts = Mapping[Part | None, float]
"""How far left each part reaches, mm."""
Place = tuple[int, int, int, float, int]
"""What decides between two steps that may both come next."""


def in_flow(made: Sequence[Step], flow: Flow, lefts_mm: Lefts) -> list[Step]:
    """The steps in the order of a flow; those of each part keep theirs.

    Where nothing forbids it, things come as far left as `lefts_mm` tells.
    """
    if flow is Flow.THINGS:
        return list(made)
    return renumbered(made, _by_stages(made, lefts_mm))


def renumbered(made: Sequence[Step], order: Sequence[int]) -> list[Step]:
    """The steps in another order. Lines are counted over all steps, so each has a new number."""
    firsts = list(accumulate((len(step.strokes) for step in made), initial=0))
    new_number: dict[int, int] = {}
    for number in order:
        for k in range(firsts[number], firsts[number + 1]):
            new_number[k] = len(new_number)
    return [
        replace(
            made[number],
            darkens=[new_number[k] for k in made[number].darkens],
            erases=[new_number[k] for k in made[number].erases],
        )
        for number in order
    ]


def _by_stages(made: Sequence[Step], lefts_mm: Lefts) -> list[int]:
    """Act by act, and in an act one kind of step after the other; each as soon as it can be."""
    waves, ranks, leading = _waves(made), _ranks(made), _leading(made)
    acts, needs = list(Act), _needs(made)
    in_chain, turns = _in_chain(made, needs), _turns(made)
    reached: dict[Part | None, Act] = {}
    places: list[Place] = []
    for number, step in enumerate(made):
        if step.part in in_chain and acts.index(step.act) <= acts.index(Act.BACKS):
            assert step.part is not None
            # A street is built house by house, each to its end, for there the next begins.
            wave, turn = waves.get(step.part, 0), turns[step.part.piece]
            places.append((wave, acts.index(Act.FRONTS), -1, turn, number))
            continue
        # A thing does not go back to an act that it has left.
        act = step.act
        if step.part is not None:
            act = max(act, reached.get(step.part, act), key=acts.index)
            reached[step.part] = act
        wave = -1 if step.act is Act.SETTING else waves.get(step.part, len(made))
        # Shadows fall on what stands: all of it is there before the first. Then what is left of
        # all is rubbed out.
        wave = len(made) if act is Act.TONE else wave
        wave += act is Act.INK and step.part is None
        left_mm = -math.inf if (step.part, act) in leading else lefts_mm.get(step.part, 0.0)
        places.append((wave, acts.index(act), ranks[act, step.like], left_mm, number))
    return _as_soon_as_possible(places, needs)


def _in_chain(made: Sequence[Step], needs: Sequence[set[int]]) -> set[Part | None]:
    """Parts whose fronts begin at the backs of others, and those others."""
    fronts, found = (Act.PLAN, Act.FRONTS), set[Part | None]()
    for step, needed in zip(made, needs, strict=True):
        if step.act in fronts:
            bases = {
                made[k].part for k in needed
                if made[k].act is Act.BACKS and made[k].part not in (None, step.part)
            }  # fmt: skip
            found |= {step.part, *bases} if bases else set()
    return found


def _turns(made: Sequence[Step]) -> dict[str, float]:
    """The pieces in the order in which they are begun."""
    pieces = dict.fromkeys(step.part.piece for step in made if step.part is not None)
    return {piece: float(k) for k, piece in enumerate(pieces)}


def _as_soon_as_possible(places: Sequence[Place], needs: Sequence[set[int]]) -> list[int]:
    """Numbers by their places, each after those that it needs."""
    waiting = [set(of_one) for of_one in needs]
    ready = [(place, k) for k, place in enumerate(places) if not waiting[k]]
    heapq.heapify(ready)
    order: list[int] = []
    while ready:
        _, done = heapq.heappop(ready)
        order.append(done)
        for k, of_one in enumerate(waiting):
            if done in of_one:
                of_one.remove(done)
                if not of_one:
                    heapq.heappush(ready, (places[k], k))
        if not ready and len(order) < len(places):
            # Each waits for another: the construction's own order is always a right one.
            return list(range(len(places)))
    return order


def _needs(made: Sequence[Step]) -> list[set[int]]:
    """For each step those that must come before it: whose marks and lines it uses, darkens or
    erases, the one before it of its part, and for the first of a thing the whole setting.
    """
    maker: dict[str, int] = {}
    of_line: list[int] = []
    for number, step in enumerate(made):
        maker |= {move.makes: number for move in step.moves if move.makes}
        of_line += [number] * len(step.strokes)
    last: dict[Part, int] = {}
    needs: list[set[int]] = []
    for number, step in enumerate(made):
        used = {maker[name] for move in step.moves for name in move.uses if name in maker}
        used |= {of_line[k] for k in (*step.darkens, *step.erases)}
        if step.part is not None:
            used |= {last[step.part]} if step.part in last else set()
            last[step.part] = number
        needs.append({k for k in used if k < number})
    for number, nearer in _stopped_by(made):
        needs[number].add(nearer)
    for number in range(len(made) - 1, 0, -1):
        if made[number].goes_on:
            # What goes on follows at once, so all that it needs comes before both.
            needs[number - 1] |= needs[number] - {number - 1}
    return needs


def _stopped_by(made: Sequence[Step]) -> Iterator[tuple[int, int]]:
    """Steps whose finished lines end on one that another step of the same act draws at a nearer
    thing's back, or by hand.
    """
    drawn_by: dict[tuple[Part, Act], list[int]] = {}
    for number, step in enumerate(made):
        if step.part is not None and step.act in (Act.BACKS, Act.DETAILS):
            drawn_by.setdefault((step.part, step.act), []).append(number)
    for number, step in enumerate(made):
        if step.act not in (Act.BACKS, Act.DETAILS):
            continue
        ends = [end for drawn in _kept(step) for end in drawn.segment]
        of_nearer = (drawn_by.get((part, step.act), ()) for part in step.behind)
        for nearer in (k for numbers in of_nearer for k in numbers if k != number):
            if any(
                distance_to_segment(end, line.segment) < ON_IT_MM
                for line in _kept(made[nearer])
                for end in ends
            ):
                yield number, nearer


def _kept(step: Step) -> list[Stroke]:
    return [drawn.stroke for drawn in step.strokes if drawn.fate == "keep"]


def _leading(made: Sequence[Step]) -> set[tuple[Part | None, Act]]:
    """Parts from which others take their depth: their backs come first."""
    maker = {move.makes: step for step in made for move in step.moves if move.makes}
    found: set[tuple[Part | None, Act]] = set()
    for step in made:
        used = (maker.get(name) for move in step.moves for name in move.uses)
        found |= {
            (other.part, other.act)
            for other in used
            if other is not None and other.act is step.act is Act.BACKS and other.part != step.part
        }
    return found


def _waves(made: Sequence[Step]) -> dict[Part | None, int]:
    """Which parts are begun only when others are finished: those whose front these stop."""
    fronts = (Act.PLAN, Act.FRONTS)
    stopped: dict[Part, set[Part]] = {}
    for step in made:
        if step.part is not None:
            of_part = stopped.setdefault(step.part, set())
            of_part |= step.behind if step.act in fronts else set()
    waves: dict[Part | None, int] = {}

    def wave(part: Part, under: frozenset[Part]) -> int:
        if part not in waves:
            nearer = stopped.get(part, set()) - under - {part}
            waves[part] = max((1 + wave(one, under | {part}) for one in nearer), default=0)
        return waves[part]

    for part in stopped:
        wave(part, frozenset())
    return waves


def _ranks(made: Sequence[Step]) -> Mapping[tuple[Act, str], int]:
    """For each act its kinds of steps, in an order that agrees with that of every part."""
    kinds: dict[Act, dict[str, None]] = {}
    before: dict[tuple[Act, str], set[str]] = {}
    acts = list(Act)
    last: dict[Part | None, tuple[Act, str]] = {}
    for step in made:
        act = step.act
        if (
            step.part is not None
            and step.part in last
            and acts.index(last[step.part][0]) > acts.index(act)
        ):
            act = last[step.part][0]
        kinds.setdefault(act, {})[step.like] = None
        behind = last.get(step.part)
        if step.part is not None and behind is not None and behind[0] is act:
            before.setdefault((act, step.like), set()).add(behind[1])
        last[step.part] = act, step.like
    ranks: dict[tuple[Act, str], int] = {}
    for act, names in kinds.items():
        for name in _in_turn(list(names), {n: before.get((act, n), set()) for n in names}):
            ranks[act, name] = len(ranks)
    return ranks


def _in_turn(names: Sequence[str], before: Mapping[str, Iterable[str]]) -> list[str]:
    """Names with those that come before them in front; where that has no end, as they came."""
    done: list[str] = []
    while len(done) < len(names):
        left = [name for name in names if name not in done]
        free = (name for name in left if set(before[name]) - {name} <= set(done))
        done.append(next(free, left[0]))
    return done
