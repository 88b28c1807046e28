"""The planes of a staircase, and what is filled between them: one flight, or a landing and another.

Steps are counted as one climbs; only at the end do their numbers become those of the block.
"""

from __future__ import annotations

from typing import NamedTuple

from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, Cell
from orthopsis.pieces.shapes.made.parting import Parting, Tick, Ticks


class Turn(NamedTuple):
    """What follows on the first flight: a landing, so many times as long as the stairs are wide,
    and from there so many more risers, to the `far` end of the other level way or to its near one.
    """

    landing: float
    risers: int
    far: bool


def flight(risers: int, way: int, *, far: bool, turn: Turn | None = None) -> Parting:
    """Steps that climb along a way, toward its `far` end or back to its near one."""
    treads = risers if turn is None else risers - 1
    other = AWAY if way == ACROSS else ACROSS
    onward, second, above = _beyond(risers, treads, turn)
    within: dict[int, tuple[Tick, ...]] = {
        way: tuple(Tick("risers", share=k / treads) for k in range(1, treads)),
        DOWN: tuple(Tick("risers", share=k / risers) for k in range(1, risers)),
        other: (),
    }
    before: dict[int, tuple[Tick, ...]] = {way: (), other: (), DOWN: above}
    behind: dict[int, tuple[Tick, ...]] = {way: (), other: (), DOWN: ()}
    (behind if far else before)[way] = onward if far else onward[::-1]
    if turn:
        (behind if turn.far else before)[other] = second if turn.far else second[::-1]
    last_along, last_aside = treads - 1 + len(onward), len(second)
    rows = risers + len(above)
    filled: set[Cell] = set()

    def fill(along: int, aside: int, high: int) -> None:
        along = along if far else last_along - along
        aside = aside if turn is None or turn.far else last_aside - aside
        for row in range(rows - high, rows):
            filled.add((along, row, aside) if way == ACROSS else (aside, row, along))

    for step in range(treads):
        fill(step, 0, step + 1)
    for along in range(treads, last_along + 1):
        fill(along, 0, risers)
    for step in range(len(second)):
        for along in range(last_along if len(onward) > 1 else treads, last_along + 1):
            fill(along, step + 1, risers + step + 1)

    def ticks(of: dict[int, tuple[Tick, ...]]) -> Ticks:
        return of[ACROSS], of[DOWN], of[AWAY]

    return Parting(*ticks(within), frozenset(filled), ticks(before), ticks(behind))


def _beyond(
    risers: int, treads: int, turn: Turn | None
) -> tuple[tuple[Tick, ...], tuple[Tick, ...], tuple[Tick, ...]]:
    """The planes of a landing and of the flight after it: onward, aside, and above."""
    if turn is None:
        return (), (), ()
    ends = [turn.landing]
    if turn.risers and turn.landing > 1.0:
        # The second flight is as wide as the first and stands at the landing's end.
        ends = [turn.landing - 1.0, turn.landing]
    onward = tuple(Tick("then.landing", share=end, of_other=True) for end in ends)
    number = range(1, turn.risers + 1)
    second = tuple(Tick("then.risers", share=k / treads, of_other=True) for k in number)
    above = tuple(Tick("then.risers", share=k / risers) for k in reversed(number))
    return onward, second, above
