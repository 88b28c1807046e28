"""What lies in the faces of a house and is built on them: all that a document lists as its parts.

A building has them, and so has each house of a row.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from typing import Annotated, TypeVar

from pydantic import Field

from orthopsis.errors import Unfit
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import Own, Value, say
from orthopsis.pieces.base import Drawn, Measures, NewPart, OpenFace, Stage, free_name, own_name
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.roles import Added, Editor
from orthopsis.pieces.shapes.house.arch import Arch
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.dormer import Dormer
from orthopsis.pieces.shapes.house.dormer_moves import first_dormer
from orthopsis.pieces.shapes.house.first_panel import first_panel
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.lettering import Lettering, first_lettering
from orthopsis.pieces.shapes.house.members import members
from orthopsis.pieces.shapes.house.on_roof import first_chimney
from orthopsis.pieces.shapes.house.on_wall import WallBlock, first_block
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.pattern import Pattern, first_pattern
from orthopsis.pieces.shapes.house.planes import roof_planes
from orthopsis.pieces.shapes.house.roofs import Pitched, Roof
from orthopsis.pieces.shapes.house.walls import AROUND

Fitting = Annotated[
    Panel | Pattern | Lettering | Chimney | Dormer | WallBlock, Field(discriminator="kind")
]
ON_WALLS = ("windows", "door", "lettering", "sign", "bricks")
ON_SLOPES = ("chimney", "dormer", "tiles")
Fittings = Annotated[
    list[Fitting],
    Field(alias="parts", max_length=40, default_factory=list),
    Editor.PARTS,
    Added(("windows", "door", "chimney", "dormer", "lettering", "sign", "bricks", "tiles")),
]


def check_names(fittings: Sequence[Fitting]) -> None:
    """Raises Unfit where two parts have one name."""
    for name, times in Counter(one.id for one in fittings).items():
        if times > 1:
            raise Unfit(say("refused-id-twice", name=Own(name)), "parts")


def fitted_house(
    part: Part,
    name: Value,
    place: BlockPlacement,
    roof: Roof,
    fittings: Sequence[Fitting],
    stage: Stage,
) -> House:
    """A house with what lies in its faces."""
    panels = [one for one in fittings if isinstance(one, Panel)]
    patterns = [one for one in fittings if isinstance(one, Pattern | Lettering)]
    return House(part, name, place, roof, panels, stage, patterns)


def built_on(house: House, fittings: Sequence[Fitting]) -> list[Drawn]:
    """What is built on a house, each a part of its own."""
    return members(
        house, [one for one in fittings if isinstance(one, Chimney | Dormer | WallBlock)]
    )


def with_one_more(house: House, fittings: Sequence[Fitting], new: NewPart) -> list[Fitting]:
    """The parts with one more, in round measures. Raises ExerciseError where it fits nowhere."""
    id = free_name(new.what, {one.id for one in fittings})
    if new.what in ("bricks", "tiles"):
        return [*fittings, first_pattern(house, new.what, id, new.on)]
    if new.what == "chimney":
        return [*fittings, first_chimney(house, id, new.on)]
    if new.what == "dormer":
        return [*fittings, first_dormer(house, id, new.on, new.at)]
    if new.what == "lettering":
        return [*fittings, first_lettering(house, id, new.on, new.at)]
    if new.what == "sign":
        return [*fittings, first_block(house, id, new.on, new.at)]
    return [*fittings, first_panel(house, new.what, id, new.on, new.at)]


NEW: Mapping[str, object] = {"inset": Cut(along_mm=5.0), "arch": Arch(rise_mm=8.0)}
"""What a part gets when it is switched on."""


def with_choice(fittings: Sequence[Fitting], path: str, value: str | bool | None) -> list[Fitting]:
    """The parts after a choice in one of them: its number and its field, with dots between.

    Raises Unfit where there is no such field.
    """
    at, _, field = path.partition(".")
    if not at.isdecimal() or int(at) >= len(fittings):
        raise Unfit(say("refused-no-such-field"), f"parts.{path}")
    changed = _chosen(fittings[int(at)], field, value, f"parts.{path}")
    return [changed if k == int(at) else one for k, one in enumerate(fittings)]


Chosen = TypeVar("Chosen", bound=Measures)


def _chosen(model: Chosen, field: str, value: str | bool | None, path: str) -> Chosen:
    head, _, rest = field.partition(".")
    name = own_name(type(model), head)
    inner = None if name is None else getattr(model, name)
    if name is None or (rest and not isinstance(inner, Measures)):
        raise Unfit(say("refused-no-such-field"), path)
    new: object = NEW.get(head, value) if value is True else value
    if rest:
        assert isinstance(inner, Measures)
        new = _chosen(inner, rest, value, path)
    return model.model_copy(update={name: new})


def open_faces(house: House, member: str = "") -> Iterator[OpenFace]:
    """The faces of a house that turn to us, each with what may be put on it."""
    corners, roof = house.on_paper, house.roof
    for name, wall in house.walls.by_name.items():
        number = AROUND.index(wall.corners)
        if house.faces_us(number):
            face = house.form.faces[number]
            # Nothing fills a wall that a gable rises from.
            takes = [one for one in ON_WALLS if one != "bricks" or len(face) == 4]
            yield OpenFace(member, name, [on_paper(corners[k]) for k in face], takes)
    if isinstance(roof, Pitched) and roof.far == "parallel" and roof.shows_point(house.walls):
        return  # its far end is only nearly right
    for slope, plane in roof_planes(house).items():
        outline = [on_paper(corners[k]) for k in plane.corners]
        yield OpenFace(member, slope, outline, ON_SLOPES)
