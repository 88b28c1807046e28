"""What nearer things, drawn before, cover of a line or a curve: there the pencil stops."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise

from orthopsis.construction.order import Body, nearer_by_faces
from orthopsis.perspective.ellipse import EllipseArc
from orthopsis.perspective.plane import Line, Point, join
from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import (
    XY,
    Portion,
    Segment,
    at,
    box_of,
    boxes_touch,
    portion_shared,
    position_on,
)
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.tolerance import Tolerance

BARELY = 1e-6
"""Less than this angle of a curve, in radians, is a touch and no gap."""


def under(body: Body, segment: Segment, tolerance: Tolerance) -> list[Portion]:
    """What a body covers of a segment."""
    covered = [p for face in body.shown.faces for p in face.portions_inside(segment, tolerance)]
    for oval in body.shown.ovals:
        portion = oval.portion_inside(segment)
        if portion is not None:
            covered.append(portion)
    return covered


def drawn_by_others(
    segment: Segment, body: Body, standing: Sequence[Body], tolerance: Tolerance
) -> list[Portion]:
    """Where another body has its own line in the same place, so that this one is not drawn.

    The nearer line is drawn; of lines that are one in space, that of the nearer body, and if
    neither is nearer, or both float, that of the one listed first.
    """
    (px, py), (qx, qy) = segment
    dx, dy = qx - px, qy - py
    box, limit = box_of(segment), tolerance.paper_mm * math.hypot(dx, dy)
    number = next((i for i, other in enumerate(standing) if other is body), len(standing))
    own = next((line for line in body.shown.edges if _same(line.segment, segment)), None)
    found: list[Portion] = []
    for i, other in enumerate(standing):
        if other is body or other.transparent or not boxes_touch(other.box, box):
            continue
        for line in other.shown.edges:
            x, y = line.segment[0]
            if abs((x - px) * dy - (y - py) * dx) > limit:
                continue
            shared = portion_shared(segment, line.segment, tolerance)
            if shared is None:
                continue
            lead = 0.0
            if own is not None and not body.ordered_by_list(other):
                place = at(segment, sum(shared) / 2)
                lead = line.nearness_at(position_on(line.segment, place))
                lead -= own.nearness_at(position_on(own.segment, place))
                if abs(lead) <= tolerance.depth:
                    lead = float(nearer_by_faces(other, body))
            # What lies on the ground is listed last, and what is built on a thing before it.
            listed = (other.ground, i) < (body.ground, number)
            if body.part == other.on or (lead == 0.0 and body.on == other.part):
                listed, lead = body.part == other.on, 0.0
            if lead > 0.0 or (lead == 0.0 and listed):
                found.append(shared)
    return found


def _same(a: Segment, b: Segment) -> bool:
    return any(math.dist(a[0], b[k]) < 1e-6 and math.dist(a[1], b[1 - k]) < 1e-6 for k in (0, 1))


def open_parts(
    arc: EllipseArc, sheet: Sheet, nearer: Sequence[Body], tolerance: Tolerance
) -> list[EllipseArc]:
    """The parts of an arc that lie on the sheet and under no nearer thing.

    A curve that a nearer thing has already drawn in the same place is not drawn again.
    """
    box = arc.box
    others = [o for o in nearer if not o.transparent and boxes_touch(o.box, box)]
    cuts = [a for line in _limits(sheet, others) for a in arc.ellipse.angles_on_line(line)]
    for other in others:
        cuts += [a for oval in other.shown.ovals for a in arc.ellipse.angles_on(oval)]
        bends = (bend for face in other.shown.faces for bend in face.bends.values())
        near = (bend for bend in bends if boxes_touch(bend.box, box))
        cuts += [a for bend in near for a in arc.ellipse.angles_on(bend.ellipse)]
        for drawn in other.shown.arcs:
            stops = (drawn.ellipse.point(stop) for stop in (drawn.start, drawn.stop))
            cuts += [arc.ellipse.angle(stop) for stop in stops]
    span = arc.stop - arc.start
    along = sorted({(cut - arc.start) % TURN for cut in cuts})
    ends = [0.0, *(t for t in along if 1e-9 < t < span - 1e-9), span]
    parts: list[tuple[float, float]] = []
    for t0, t1 in pairwise(ends):
        if t1 - t0 < BARELY or not _open(arc, (t0 + t1) / 2, sheet, others, tolerance):
            continue
        if parts and t0 - parts[-1][1] < BARELY:
            parts[-1] = parts[-1][0], t1
        else:
            parts.append((t0, t1))
    closed = abs(span - TURN) < 1e-12
    if closed and len(parts) > 1 and parts[0][0] < BARELY and parts[-1][1] > span - BARELY:
        # The walk began in the middle of a part: it runs on over the start.
        (_, end), (start, _) = parts.pop(0), parts.pop()
        parts.append((start, end + TURN))
    return [EllipseArc(arc.ellipse, arc.start + t0, arc.start + t1) for t0, t1 in parts]


def _limits(sheet: Sheet, others: Sequence[Body]) -> list[Line]:
    left, top, right, bottom = sheet.bounds
    lines = [Line(1.0, 0.0, -left), Line(1.0, 0.0, -right)]
    lines += [Line(0.0, 1.0, -top), Line(0.0, 1.0, -bottom)]
    for other in others:
        for a, b in (side for face in other.shown.faces for side in face.straight):
            lines.append(join(Point(*a), Point(*b)))
    return lines


def _open(
    arc: EllipseArc, along: float, sheet: Sheet, others: Sequence[Body], tolerance: Tolerance
) -> bool:
    place = arc.ellipse.point(arc.start + along)
    left, top, right, bottom = sheet.bounds
    if not (left <= place[0] <= right and top <= place[1] <= bottom):
        return False
    return not any(
        any(there.holds(place, tolerance.paper_mm) for there in other.shown.arcs)
        or _covers(other, place, tolerance)
        for other in others
    )


def _covers(body: Body, place: XY, tolerance: Tolerance) -> bool:
    return any(oval.contains(place) for oval in body.shown.ovals) or any(
        face.inside(place) and not face.on_border(place, tolerance) for face in body.shown.faces
    )
