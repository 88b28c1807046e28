"""The steps on a face: its rows and columns lightly, its slanted lines, its outline."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from itertools import pairwise

from orthopsis.construction.face import Lines
from orthopsis.construction.moves import Mark, count, strung
from orthopsis.phrase import Phrase, Several
from orthopsis.pieces.shapes.extrusion.curves import draw_curves
from orthopsis.pieces.shapes.extrusion.profile import Slant
from orthopsis.pieces.shapes.extrusion.profile_site import ProfileSite, in_parts


def draw_rows(work: ProfileSite, lines: Lines, said: Phrase) -> None:
    """The face's rows, lightly."""
    draw = [lambda share=share: lines.row(share) for share in work.profile.rows]
    _draw_lightly(work, "face-rows", draw, said)


def draw_columns(work: ProfileSite, lines: Lines, said: Sequence[Phrase]) -> None:
    """The face's columns, lightly, and then its slanted lines."""
    draw = [lambda share=share: lines.column(share) for share in work.profile.columns]
    _draw_lightly(work, "face-columns", draw, *said)
    slants = sorted({line for corner in work.profile.corners for line in corner
                     if isinstance(line, Slant)})  # fmt: skip
    if not slants:
        return
    step = work.begin("face-slants")
    slanted = [work.slant(slant, lines) for slant in slants]
    pairs = [strung(line.start, line.goal) for line in slanted if line.goal]
    step.say("face-slants", lines=Several(tuple(pairs)))
    step.check("face-slants-check")


def _draw_lightly(
    work: ProfileSite, name: str, draw: Sequence[Callable[[], object]], *said: Phrase
) -> None:
    """Light lines one by one, in a further step when one has enough of them."""
    step = first = work.begin(name)
    first.check("face-light-check")
    for line in draw:
        if len(step.strokes) > work.most:
            step = work.begin(f"{name}-more")
            step.say("face-lines-more")
            step.check("face-light-check")
        line()
    first.says += said
    if not first.moves:
        work.paper.steps.remove(first)
    elif not step.moves:
        work.paper.steps.remove(step)


def draw_face(work: ProfileSite, lines: Lines) -> None:
    """The profile on its face, at most eight sides in a step."""
    sides = [side for side in work.profile.sides if side not in work.body.bends]
    for part, chunk in enumerate(in_parts(sides)):
        step = work.begin("face-outline-more" if part else "face-outline")
        for side in chunk:
            a, b = (work.corner_mark(k, lines) for k in side)
            work.paper.keep(a, b, work.family(side), work.body)
        chains = Several(tuple(_chains(chunk, work.marks)), "dot")
        step.say("face-outline", what=work.what, chains=chains)
        step.check("face-corners-check", what=work.what, count=count(len(work.profile.corners)))
        if work.stage.view.uprights.at.at_infinity:
            step.check("face-uprights-check")
    draw_curves(work, lines)


def _chains(sides: Sequence[tuple[int, int]], marks: Mapping[int, Mark]) -> Iterator[Several]:
    """Sides one after the other as they are read aloud: A B C."""
    chain = [marks[sides[0][0]], marks[sides[0][1]]]
    for (_, before), (start, end) in pairwise(sides):
        if start != before:
            yield strung(*chain)
            chain = [marks[start]]
        chain.append(marks[end])
    yield strung(*chain)
