"""The steps on a face: its rows and columns lightly, its slanted lines, its outline."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from orthopsis.construction.face import Lines
from orthopsis.construction.moves import Act, count, measures_set, phrase, strung
from orthopsis.phrase import Phrase, Several
from orthopsis.pieces.shapes.extrusion.curves import draw_curves
from orthopsis.pieces.shapes.extrusion.profile import Slant
from orthopsis.pieces.shapes.extrusion.profile_site import MOST_LINES, ProfileSite

Saying = Callable[[Several], list[Phrase]]
"""How something is said, given the measures that were set for it."""


def draw_rows(work: ProfileSite, lines: Lines, said: Saying, again: Phrase | None = None) -> None:
    """The face's rows, lightly. `again` is how it is said of the next."""
    draw = [lambda share=share: lines.row(share) for share in work.profile.rows]
    _draw_lightly(work, "face-rows", draw, said, again)


def draw_columns(
    work: ProfileSite, lines: Lines, said: Saying, again: Phrase | None = None
) -> None:
    """The face's columns, lightly, and then its slanted lines."""
    draw = [lambda share=share: lines.column(share) for share in work.profile.columns]
    _draw_lightly(work, "face-columns", draw, said, again)
    slants = sorted({line for corner in work.profile.corners for line in corner
                     if isinstance(line, Slant)})  # fmt: skip
    if not slants:
        return
    step = work.begin("face-slants", Act.FRONTS)
    slanted = [work.crossings.slant(slant, lines) for slant in slants]
    pairs = [strung(line.start, line.goal) for line in slanted if line.goal]
    step.say("face-slants", lines=Several(tuple(pairs)))
    step.check("face-slants-check")


def _draw_lightly(
    work: ProfileSite,
    name: str,
    draw: Sequence[Callable[[], object]],
    said: Saying,
    again: Phrase | None,
) -> None:
    """Light lines one by one."""
    step = work.begin(name, Act.FRONTS)
    step.check("face-light-check")
    for line in draw:
        line()
    if not step.moves:
        work.paper.steps.remove(step)
        return
    measured = measures_set(step)
    step.says += said(measured)
    step.again = again
    if measured.items:
        step.differs(measures=measured)
    step.bulk = len(step.strokes) >= MOST_LINES


def draw_face(work: ProfileSite, lines: Lines) -> None:
    """The profile on its face, along its light lines."""
    sides = [side for side in work.profile.sides if side not in work.body.bends]
    corners = count(len(work.profile.corners))
    if sides:
        step = work.begin("face-outline", Act.FRONTS)
        for side in sides:
            a, b = (work.corner_mark(k, lines) for k in side)
            work.paper.keep(a, b, work.family(side), work.body)
        step.say("face-outline", what=work.what, count=corners)
        step.check("face-corners-check", what=work.what, count=corners)
        if work.stage.view.uprights.at.at_infinity:
            step.check("face-uprights-check")
        step.differs(corners=corners)
        step.again = phrase("again-outline")
        # All of them lie on light lines that are there.
        step.bulk = len(step.strokes) >= MOST_LINES
    draw_curves(work, lines)
