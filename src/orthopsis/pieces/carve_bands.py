"""Pattern bands: stripes on the sides of a carved piece, along light lines to its point."""

from __future__ import annotations

from orthopsis.construction.corner_test import guide_seen
from orthopsis.construction.division import divided
from orthopsis.construction.moves import Mark
from orthopsis.perspective.plane import join, meet, part_way
from orthopsis.perspective.segments import XY, at
from orthopsis.pieces.block_steps import listed
from orthopsis.pieces.carve_steps import MOST_LINES, Carving

LEAST_SIDE_MM = 8.0
"""A shorter side gets no bands."""


def draw_bands(carving: Carving, parts: int) -> None:
    """Each straight side that shows, parted equally along its near edge; the lines stay light."""
    tasks: list[tuple[Mark, Mark, float, XY]] = []
    body, n = carving.body, carving.count
    for a, b in carving.profile.sides:
        if (a + n, b + n) not in body.shows:
            continue
        (start, end), (far_a, far_b) = (
            (body.corners[k][0] for k in pair) for pair in ((a, b), (a + n, b + n))
        )
        if max(abs(start.x - end.x), abs(start.y - end.y)) < LEAST_SIDE_MM:
            continue
        for k in range(1, parts):
            near = part_way(start, end, k / parts)
            far = meet(join(near, carving.vp.at), join(far_a, far_b))
            shown = guide_seen(near.xy, far.xy, body.seen_faces[0])
            if shown:
                stop = at((near.xy, far.xy), shown[-1][1])
                tasks.append((carving.marks[a], carving.marks[b], k / parts, stop))
    for first in range(0, len(tasks), MOST_LINES):
        carving.begin("pattern bands" if not first else "more pattern bands")
        step = carving.paper.steps[-1]
        names = []
        for start_mark, end_mark, share, stop in tasks[first : first + MOST_LINES]:
            mark = divided(carving.paper, start_mark, end_mark, share)
            carving.paper.aim(mark, carving.vp, carving.piece, until=stop)
            names.append(mark.name)
        step.instruction = carving.say(
            f"Part each side into {parts} equal parts along its near edge, at {listed(names)}, and "
            f"draw light lines to {carving.vp.name}: stripes for the pattern.",
            f"Part the near edges into {parts} equal parts: {listed(names)}. Draw light lines to "
            f"{carving.vp.name}. They make stripes.",
        )
        step.check = f"The stripes get narrower toward {carving.vp.name}."
    carving.paper.finish_guides()
