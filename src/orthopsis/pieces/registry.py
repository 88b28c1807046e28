"""The kinds of pieces a document may hold. A new kind is one line here."""

from __future__ import annotations

from orthopsis.pieces.box import Box

AnyPiece = Box
