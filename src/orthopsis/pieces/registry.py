"""The kinds of pieces a document may hold. A new kind is one line here."""

from __future__ import annotations

from typing import Annotated, get_args

from pydantic import Field

from orthopsis.pieces.box import Box
from orthopsis.pieces.cylinder import Cylinder
from orthopsis.pieces.letters import Letters
from orthopsis.pieces.outline import Outline

AnyPiece = Annotated[Box | Cylinder | Letters | Outline, Field(discriminator="kind")]

KINDS = frozenset(
    kind
    for piece in get_args(get_args(AnyPiece)[0])
    for kind in get_args(piece.model_fields["kind"].annotation)
)
"""The names of the kinds, as documents write them."""
