"""How a piece of work ended."""

from __future__ import annotations

from enum import StrEnum


class Outcome(StrEnum):
    """How a piece of work ended, where its process lived to tell."""

    DONE = "done"
    AGAIN = "again"
    """The records could not be reached: it is no fault of the work."""
    MEMORY = "memory"
    FAULT = "fault"
