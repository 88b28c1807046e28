"""The kinds of pieces a document may hold. A new kind is one line here."""

from __future__ import annotations

from typing import Annotated, get_args

from pydantic import Field

from orthopsis.pieces.kinds.box import Box
from orthopsis.pieces.kinds.building import Building
from orthopsis.pieces.kinds.cylinder import Cylinder
from orthopsis.pieces.kinds.letters import Letters
from orthopsis.pieces.kinds.outline import Outline
from orthopsis.pieces.kinds.posts import Posts
from orthopsis.pieces.kinds.row import Row
from orthopsis.pieces.kinds.way import Way
from orthopsis.pieces.piece import Piece

AnyPiece = Annotated[
    Box | Building | Cylinder | Letters | Outline | Posts | Row | Way, Field(discriminator="kind")
]

KINDS: dict[str, type[Piece]] = {
    kind: piece
    for piece in get_args(get_args(AnyPiece)[0])
    for kind in get_args(piece.model_fields["kind"].annotation)
}
"""The kinds by the names that documents write."""
