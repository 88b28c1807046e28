"""What hides a line on paper, told by nearness along it.

Nearness changes evenly along a line and over a plane on paper, so a face hides what runs within
its outline as long as it is the nearer of the two. That needs no order of whole things: a bar
between two legs and a stool half under a table are found by it as well.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from orthopsis.construction.order import NEARNESS_SCALE_MM, Body, NearPlace, SeenLine
from orthopsis.perspective.area import Area
from orthopsis.perspective.segments import XY, Portion, at, merged
from orthopsis.perspective.tolerance import EXACT, Tolerance
from orthopsis.perspective.vector import Vector, loop_normal

SAME = 1e-8
"""Two nearnesses that differ by less are one: the line lies in the face."""


@dataclass(frozen=True)
class NearFace:
    """A face on paper, and its nearness at a place: (a, b, c) · (x, y, 1)."""

    area: Area
    plane: Vector

    @classmethod
    def of(cls, loops: Sequence[Sequence[NearPlace]]) -> NearFace:
        """The face between some corners, those of its outline first."""
        area = Area(tuple(tuple(place.xy for place, _ in loop) for loop in loops))
        return cls(area, nearness_plane(loops[0]))

    def nearness(self, place: XY) -> float:
        a, b, c = self.plane
        return a * place[0] + b * place[1] + c


def near_faces(body: Body) -> list[NearFace]:
    """The faces that a body shows, each with its nearness. All of them are plane."""
    corners = {place.xy: (place, nearness) for place, nearness in body.corners}
    found = []
    for area in body.shown.faces:
        known = [[corners[xy] for xy in loop] for loop in area.loops]
        found.append(NearFace(area, nearness_plane(known[0])))
    return found


def nearness_plane(corners: Sequence[NearPlace]) -> Vector:
    """Nearness over the plane of some corners, which is not seen edge-on."""
    places = [(*place.xy, nearness * NEARNESS_SCALE_MM) for place, nearness in corners]
    nx, ny, nz = loop_normal(places)
    # Through the middle of all, where their own rounding weighs least.
    x, y, z = (sum(parts) / len(places) for parts in zip(*places, strict=True))
    a, b, c = -nx / nz, -ny / nz, z + (nx * x + ny * y) / nz
    return a / NEARNESS_SCALE_MM, b / NEARNESS_SCALE_MM, c / NEARNESS_SCALE_MM


def hidden_by(
    line: SeenLine, faces: Iterable[NearFace], tolerance: Tolerance = EXACT
) -> list[Portion]:
    """The portions of a line that faces hide; along the border of a face it is free."""
    found: list[Portion] = []
    for face in faces:
        for t0, t1 in face.area.portions_inside(line.segment, tolerance):
            lead0, lead1 = (
                line.nearness_at(t) - face.nearness(at(line.segment, t)) for t in (t0, t1)
            )
            if lead0 >= -SAME and lead1 >= -SAME:
                continue
            if lead0 > SAME:
                t0 += (t1 - t0) * lead0 / (lead0 - lead1)
            elif lead1 > SAME:
                t1 -= (t1 - t0) * lead1 / (lead1 - lead0)
            found.append((t0, t1))
    return merged(found)
