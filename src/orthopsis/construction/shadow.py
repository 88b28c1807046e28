"""The keeping of a shadow's line: where no thing stands before it, and no shadow covers it."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import chain

from orthopsis.construction.cover import under
from orthopsis.construction.moves import Do, Mark, Step, StepStroke
from orthopsis.construction.paper import Paper
from orthopsis.perspective.area import Area, outside
from orthopsis.perspective.segments import at, length, portion_shared, remainder
from orthopsis.perspective.stroke import Part, Role, Stroke


def keep_shadow(
    paper: Paper, step: Step, ends: tuple[Mark, Mark], family: str, part: Part, on: str,
    areas: Sequence[Area], receiver: Area | None,
) -> None:  # fmt: skip
    """What bounds a shadow between two tips; `areas` are what all shadows cover on paper, and the
    `receiver` what it falls on.
    """
    paper.moved(Do.JOIN, (ends[0].name, ends[1].name), None)
    segment = ends[0].at.xy, ends[1].at.xy
    on_sheet = paper.sheet.clip(segment)
    if on_sheet is None:
        return
    standing = [body for body in paper.standing.bodies if not (body.ground or body.transparent)]
    hidden = list(chain.from_iterable(under(body, segment, paper.tolerance) for body in standing))
    for line in (line for body in standing for line in body.shown.edges):
        # Along the foot of a thing its own line is there.
        shared = portion_shared(segment, line.segment, paper.tolerance)
        hidden += [shared] if shared else []
    within = remainder(outside(segment, areas))
    if receiver is not None:
        within += outside(segment, [receiver])
    for t0, t1 in remainder([*hidden, *within], on_sheet):
        if (t1 - t0) * length(segment) > paper.tolerance.paper_mm:
            stroke = Stroke(at(segment, t0), at(segment, t1), family, Role.SHADOW, part, None, on)
            step.strokes.append(StepStroke(stroke, "keep"))
