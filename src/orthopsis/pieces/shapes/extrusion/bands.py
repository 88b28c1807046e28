"""Pattern bands: stripes on the sides of an extrusion, along light lines to its point."""

from __future__ import annotations

from orthopsis.construction.corner_rule import guide_seen
from orthopsis.construction.division import divided
from orthopsis.construction.moves import Act, Mark, count
from orthopsis.perspective.plane import join, meet, part_way
from orthopsis.perspective.segments import XY, at
from orthopsis.pieces.shapes.extrusion.profile_site import MOST_LINES, ProfileSite

LEAST_SIDE_MM = 8.0
"""A shorter side gets no bands."""
MOST_BANDS = 8
"""A step draws no more of them than this."""


def draw_bands(work: ProfileSite, parts: int) -> None:
    """Each straight side that shows, parted equally along its near edge; the lines stay light."""
    tasks: list[tuple[Mark, Mark, float, XY]] = []
    body, n = work.body, work.count
    for a, b in work.profile.sides:
        if (a + n, b + n) not in body.shows:
            continue
        (start, end), (far_a, far_b) = (
            (body.corners[k][0] for k in pair) for pair in ((a, b), (a + n, b + n))
        )
        if max(abs(start.x - end.x), abs(start.y - end.y)) < LEAST_SIDE_MM:
            continue
        for k in range(1, parts):
            near = part_way(start, end, k / parts)
            far = meet(join(near, work.vp.at), join(far_a, far_b))
            shown = guide_seen(near.xy, far.xy, body.shown.faces[0])
            if shown:
                stop = at((near.xy, far.xy), shown[-1][1])
                tasks.append((work.marks[a], work.marks[b], k / parts, stop))
    for first in range(0, len(tasks), MOST_BANDS):
        step = work.begin("bands-more" if first else "bands", Act.DETAILS)
        step.like = "bands"
        for start_mark, end_mark, share, stop in tasks[first : first + MOST_BANDS]:
            mark = divided(work.paper, start_mark, end_mark, share)
            work.paper.aim(mark, work.vp, work.part, until=stop)
        step.say("bands", parts=count(parts), vp=work.vp)
        step.check("bands-check", vp=work.vp)
        step.bulk = len(step.strokes) > MOST_LINES
    work.paper.finish_guides()
