"""What stands where, settled before the first line: a line stops where something nearer stands."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.construction.cover import under
from orthopsis.construction.order import Body
from orthopsis.perspective.segments import Portion, Segment, box_of, boxes_touch
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.tolerance import Tolerance


class StandingBodies:
    """All that will be drawn, in the order of the document, and what stands before each.

    That is settled before the first line and does not depend on what is drawn when.
    """

    def __init__(self, bodies: Sequence[Body] = (), near_to_far: Sequence[int] = ()) -> None:
        self.bodies = bodies
        self._before: dict[Part, list[Body]] = {}
        nearer: list[Body] = []
        for number in near_to_far:
            body = bodies[number]
            self._before[body.part] = before = list(nearer)
            # What several members share, such as the block of a word, is as near as the first.
            self._before.setdefault(Part(body.part.piece), before)
            if not body.transparent:
                nearer.append(body)

    def before(self, part: Part) -> Sequence[Body]:
        """What stands before a part, and is not seen through."""
        return self._before.get(part, ())

    def built_on(self, part: Part) -> frozenset[Part]:
        """What is drawn on a part after it."""
        return frozenset(body.part for body in self.bodies if body.on == part)

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
