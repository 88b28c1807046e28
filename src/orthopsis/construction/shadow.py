"""The keeping of a shadow's line: where no thing stands before it, and no shadow covers it."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import chain

from orthopsis.construction.cover import under
from orthopsis.construction.moves import Do, Step, StepStroke
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.perspective.area import Area, bordering, outside
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import Portion, Segment, at, length, portion_shared, remainder
from orthopsis.perspective.stroke import Part, Role, Stroke


def shadow_shown(
    paper: Paper, ends: tuple[Point, Point], areas: Sequence[Area], receiver: Area | None,
    standing: Sequence[Body], drawn: Sequence[Segment],
) -> list[Portion]:  # fmt: skip
    """What is to be drawn of what bounds a shadow between two tips; `areas` are what all shadows
    cover on paper, the `receiver` what it falls on, `standing` what stands before that, and `drawn`
    what bounds the shadows of other things already.
    """
    segment = ends[0].xy, ends[1].xy
    on_sheet = paper.sheet.clip(segment)
    if on_sheet is None:
        return []
    hidden = list(chain.from_iterable(under(body, segment, paper.tolerance) for body in standing))
    # Along the foot of a thing its own line is there.
    feet = (line.segment for body in standing for line in body.shown.edges)
    shared = (portion_shared(segment, line, paper.tolerance) for line in chain(feet, drawn))
    hidden += [one for one in shared if one]
    within = remainder(bordering(segment, areas))
    if receiver is not None:
        within += outside(segment, [receiver])
    return [
        (t0, t1)
        for t0, t1 in remainder([*hidden, *within], on_sheet)
        if (t1 - t0) * length(segment) > paper.tolerance.paper_mm
    ]


def keep_shadow(
    paper: Paper, step: Step, ends: tuple[Point, Point], shown: Sequence[Portion], family: str,
    part: Part, on: str,
) -> None:  # fmt: skip
    """Draw what is shown of it."""
    paper.moved(Do.JOIN, (), None)
    segment = ends[0].xy, ends[1].xy
    for t0, t1 in shown:
        stroke = Stroke(at(segment, t0), at(segment, t1), family, Role.SHADOW, part, None, on)
        step.strokes.append(StepStroke(stroke, "keep"))
