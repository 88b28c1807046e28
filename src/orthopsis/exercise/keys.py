"""What each step is known by, whatever is renamed or said in other words."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence

from orthopsis.construction.moves import Step, StepKey
from orthopsis.perspective.stroke import Part
from orthopsis.pieces.piece import Piece


def with_keys(made: list[Step], pieces: Sequence[Piece]) -> list[Step]:
    """The steps, each with its key: piece, member, phrase, and which of several it is."""
    lasting = {piece.id: piece.lasting for piece in pieces}
    seen: Counter[tuple[Part | None, str]] = Counter()
    for step in made:
        seen[step.part, step.phrase] += 1
        uid, member = ("", 0) if step.part is None else (lasting[step.part.piece], step.part.number)
        step.key = StepKey(uid, member, step.phrase, seen[step.part, step.phrase])
    return made
