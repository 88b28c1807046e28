"""The kinds of pieces a document may hold. A new kind is one line here."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from orthopsis.pieces.box import Box
from orthopsis.pieces.cylinder import Cylinder
from orthopsis.pieces.letters import Letters
from orthopsis.pieces.outline import Outline

AnyPiece = Annotated[Box | Cylinder | Letters | Outline, Field(discriminator="kind")]
