"""The end of a part: its light lines are rubbed out, and what stays is darkened."""

from __future__ import annotations

from orthopsis.construction.moves import Act
from orthopsis.phrase import Choice
from orthopsis.pieces.base import Site


def tidy(site: Site, what: str) -> None:
    """Rub out what the part grew from and darken what stays; `what` is the kind of thing."""
    paper, part = site.paper, site.part
    step = site.begin("tidy", Act.INK)
    paper.tidy(part)
    lines = paper.lines_of(part)
    curved = any(one.fate == "keep" and one.stroke.curve is not None for one in lines)
    how = Choice("ruler-and-hand" if curved else "ruler")
    if any(one.fate != "keep" for one in lines):
        step.say("tidy", what=Choice(what), how=how)
    else:
        step.say("darken", how=how)
    step.check("tidy-check")
