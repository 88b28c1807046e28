"""The one tolerance object: how close is 'the same' on paper and in space."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Tolerance:
    """Frozen limits, passed in.

    `paper_mm` two points of the sheet closer than this are one point;
    `depth` two relative depths (a pure ratio) closer than this are one depth.
    """

    paper_mm: float = 1e-6
    depth: float = 1e-9


EXACT = Tolerance()
