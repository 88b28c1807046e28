"""What stands where, settled before the first line: a line stops where something nearer stands."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.construction.cover import under
from orthopsis.construction.nearness import NearFace, hidden_by, near_faces
from orthopsis.construction.order import Body, Ordered, SeenLine
from orthopsis.perspective.segments import (
    Portion,
    Segment,
    at,
    box_of,
    boxes_touch,
    portion_shared,
    position_on,
)
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.tolerance import Tolerance


class StandingBodies:
    """All that will be drawn, in the order of the document, and what stands before each.

    That is settled before the first line and does not depend on what is drawn when.
    """

    def __init__(self, bodies: Sequence[Body] = (), order: Ordered | None = None) -> None:
        self.bodies = bodies
        self._before: dict[Part, list[Body]] = {}
        self._mixed: dict[Part, list[tuple[Part, list[NearFace]]]] = {}
        numbers, mixed = order or Ordered([])
        nearer: list[int] = []
        for number in numbers:
            body = bodies[number]
            apart = (k for k in nearer if frozenset((number, k)) not in mixed)
            self._before[body.part] = before = [bodies[k] for k in apart]
            # What several members share, such as the block of a word, is as near as the first.
            self._before.setdefault(Part(body.part.piece), before)
            if not body.transparent:
                nearer.append(number)
        for one, other in map(sorted, mixed):
            for body, beside in ((bodies[one], bodies[other]), (bodies[other], bodies[one])):
                if not beside.transparent:
                    faces = beside.part, near_faces(beside)
                    self._mixed.setdefault(body.part, []).append(faces)

    def before(self, part: Part) -> Sequence[Body]:
        """What stands before a part, and is not seen through."""
        return self._before.get(part, ())

    def built_on(self, part: Part) -> frozenset[Part]:
        """What is drawn on a part after it."""
        return frozenset(body.part for body in self.bodies if body.on == part)

    def under_parts_of(self, line: Segment, body: Body) -> dict[Part, list[Portion]]:
        """What those hide of a finished line of a body that stand partly before it and partly
        behind it, told by nearness along the line.
        """
        beside = self._mixed.get(body.part, ())
        if not beside:
            return {}
        own = _own_edge(line, body)
        if own is None:
            return {}
        ends = (own.nearness_at(position_on(own.segment, end)) for end in line)
        seen = SeenLine(line, (next(ends), next(ends)))
        found = {other: hidden_by(seen, faces) for other, faces in beside}
        return {by: portions for by, portions in found.items() if portions}

    def flush_with(
        self, line: Segment, body: Body, tolerance: Tolerance
    ) -> dict[Part, list[Portion]]:
        """Where a line of a body lies on its seam with another part: both are one there."""
        own = _own_edge(line, body) if body.seams else None
        if own is None:
            return {}
        found = dict[Part, list[Portion]]()
        for other in self.bodies:
            if other is body or other.part.piece != body.part.piece:
                continue
            shared = (_in_space(line, own, seam, tolerance) for seam in other.seams)
            portions = [one for one in shared if one is not None]
            if portions:
                found[other.part] = portions
        return found

    def under_nearer(
        self, segment: Segment, part: Part | None, tolerance: Tolerance
    ) -> dict[Part, list[Portion]]:
        """What each nearer part covers of a segment, if that belongs to a part."""
        if part is None:
            return {}
        box = box_of(segment)
        covered = {
            other.part: under(other, segment, tolerance)
            for other in self.before(part)
            if boxes_touch(other.box, box)
        }
        return {by: portions for by, portions in covered.items() if portions}


def _own_edge(line: Segment, body: Body) -> SeenLine | None:
    """The edge of a body that a finished line of it lies on."""
    return next((edge for edge in body.shown.edges if portion_shared(line, edge.segment)), None)


def _in_space(line: Segment, own: SeenLine, seam: SeenLine, tolerance: Tolerance) -> Portion | None:
    """Where a line on an edge lies on a seam, not only before or behind it."""
    shared = portion_shared(line, seam.segment, tolerance)
    if shared is None:
        return None
    place = at(line, sum(shared) / 2.0)
    lead = own.nearness_at(position_on(own.segment, place))
    lead -= seam.nearness_at(position_on(seam.segment, place))
    return shared if abs(lead) <= tolerance.depth else None
