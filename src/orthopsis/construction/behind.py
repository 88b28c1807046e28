"""What is seen from inside: it lies behind all that stands in it."""

from __future__ import annotations

from dataclasses import replace

from orthopsis.construction.order import Body, SeenLine

BEHIND_ALL = 1e3
"""So many times as far off, a room is behind all that stands in it."""


def behind_all(body: Body) -> Body:
    """The same on paper, and behind all else: what is seen from inside hides nothing."""
    shown = body.shown
    lines = (
        SeenLine(e.segment, (e.near[0] / BEHIND_ALL, e.near[1] / BEHIND_ALL)) for e in shown.edges
    )
    moved = replace(shown, edges=tuple(lines))
    corners = tuple((place, near / BEHIND_ALL) for place, near in body.corners)
    return replace(body, corners=corners, show=lambda: moved)
