"""The kinds of pieces a document may hold. A new kind is one line here."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Annotated, Any, get_args

from pydantic import BaseModel, Field

from orthopsis.pieces.kinds.box import Box
from orthopsis.pieces.kinds.building import Building
from orthopsis.pieces.kinds.cylinder import Cylinder
from orthopsis.pieces.kinds.disc import Disc
from orthopsis.pieces.kinds.letters import Letters
from orthopsis.pieces.kinds.made import MadeThing
from orthopsis.pieces.kinds.outline import Outline
from orthopsis.pieces.kinds.panel import Panel
from orthopsis.pieces.kinds.posts import Posts
from orthopsis.pieces.kinds.room import Room
from orthopsis.pieces.kinds.row import Row
from orthopsis.pieces.kinds.sketch import Sketch
from orthopsis.pieces.kinds.stairs import Stairs
from orthopsis.pieces.kinds.way import Way
from orthopsis.pieces.piece import Piece

AnyPiece = Annotated[
    Box
    | Building
    | Cylinder
    | Disc
    | Letters
    | MadeThing
    | Outline
    | Posts
    | Room
    | Panel
    | Row
    | Sketch
    | Stairs
    | Way,
    Field(discriminator="kind"),
]

KINDS: dict[str, type[Piece]] = {
    kind: piece
    for piece in get_args(get_args(AnyPiece)[0])
    for kind in get_args(piece.model_fields["kind"].annotation)
}
"""The kinds by the names that documents write."""


def _kinds_within(annotation: Any) -> Iterator[str]:
    """What `kind` may say in all that a field holds."""
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        for name, info in annotation.model_fields.items():
            if name == "kind":
                yield from get_args(info.annotation)
            else:
                yield from _kinds_within(info.annotation)
    else:
        for part in get_args(annotation):
            yield from _kinds_within(part)


ALL_KINDS = frozenset(kind for piece in KINDS.values() for kind in _kinds_within(piece))
"""These names, and those of roofs and parts."""
