"""The faces of a house that other things may be put on by pointing at them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from orthopsis.perspective.view import on_paper
from orthopsis.pieces.base import OpenFace
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.planes import roof_planes
from orthopsis.pieces.shapes.house.roofs import Flat, Pitched
from orthopsis.pieces.shapes.house.walls import AROUND

ON_WALLS = ("windows", "door", "lettering", "sign", "extension", "bricks")
ON_SLOPES = ("chimney", "dormer", "tiles")


def open_faces(house: House, member: str, on_walls: Sequence[str]) -> Iterator[OpenFace]:
    """The faces of a house that turn to us, each with what may be put on it."""
    corners, roof = house.on_paper, house.roof
    on_house = on_walls is ON_WALLS
    # What is set back stands on top, which may not show: it is put by any wall as well.
    on_top = ["setback", "overhang"] if on_house and isinstance(roof, Flat) else []
    top = house.form.names.get("top")
    if on_top and top is not None and house.faces_us(top):
        outline = [on_paper(corners[k]) for k in house.form.faces[top]]
        yield OpenFace(member, "top", outline, on_top)
    for name, wall in house.walls.by_name.items():
        number = AROUND.index(wall.corners)
        if house.faces_us(number):
            face = house.form.faces[number]
            # Nothing fills a wall that a gable rises from.
            takes = [one for one in on_walls if one != "bricks" or len(face) == 4]
            yield OpenFace(member, name, [on_paper(corners[k]) for k in face], [*takes, *on_top])
    if isinstance(roof, Pitched) and roof.far == "parallel" and roof.shows_point(house.walls):
        return  # its far end is only nearly right
    on_slopes = [one for one in ON_SLOPES if on_house or one == "tiles"]
    for slope, plane in roof_planes(house).items():
        outline = [on_paper(corners[k]) for k in plane.corners]
        yield OpenFace(member, slope, outline, on_slopes)
