"""What lies in the faces of a house and is built on them: all that a document lists as its parts.

A building has them, and so has each house of a row.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Annotated, TypeVar

from pydantic import Field

from orthopsis.errors import Unfit
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import Measures, NewPart, free_name, own_name
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import Added, Editor
from orthopsis.pieces.shapes.house.arch import Arch
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.dormer import Dormer
from orthopsis.pieces.shapes.house.dormer_moves import first_dormer
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import first_in_face
from orthopsis.pieces.shapes.house.lettering import Lettering
from orthopsis.pieces.shapes.house.lid import roofed
from orthopsis.pieces.shapes.house.members import members
from orthopsis.pieces.shapes.house.on_roof import first_chimney
from orthopsis.pieces.shapes.house.on_wall import WallBlock, first_extension, first_sign
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.pattern import Pattern
from orthopsis.pieces.shapes.house.roofs import roof_chosen
from orthopsis.pieces.shapes.house.setback import Setback, first_overhang, first_setback
from orthopsis.pieces.shapes.house.wing import Wing

Fitting = Annotated[
    Panel | Pattern | Lettering | Chimney | Dormer | WallBlock | Setback,
    Field(discriminator="kind"),
]
ADDED = (
    *(
        "windows",
        "door",
        "chimney",
        "dormer",
        "lettering",
        "sign",
        "extension",
        "setback",
        "overhang",
    ),
    *("bricks", "tiles"),
)
Fittings = Annotated[
    list[Fitting],
    Field(alias="parts", max_length=40, default_factory=list),
    Editor.PARTS,
    Added(ADDED),
]


def with_one_more(house: House, fittings: Sequence[Fitting], new: NewPart) -> list[Fitting]:
    """The parts with one more, in round measures, or one of them with one more in its own walls.

    Raises ExerciseError where it fits nowhere.
    """
    id = free_name(new.what, {one.id for one in fittings})
    if new.member:
        return _with_more_within(house, fittings, new)
    if new.what == "chimney":
        return [*fittings, first_chimney(roofed(house), id, new.on)]
    if new.what == "dormer":
        return [*fittings, first_dormer(roofed(house), id, new.on, new.at)]
    if new.what == "sign":
        return [*fittings, first_sign(house, id, new.on, new.at)]
    if new.what == "extension":
        return [*fittings, first_extension(house, id, new.on, new.at)]
    if new.what == "setback":
        return [*fittings, first_setback(house, id)]
    if new.what == "overhang":
        return [*fittings, first_overhang(house, id)]
    there = roofed(house) if new.what == "tiles" else house
    return [*fittings, first_in_face(there, new, fittings)]


def _with_more_within(house: House, fittings: Sequence[Fitting], new: NewPart) -> list[Fitting]:
    found, within = list(fittings), None
    for drawn in members(house, fittings, (), ""):
        if isinstance(drawn, Wing) and drawn.block.id == new.member:
            within = drawn
    if within is None:
        raise house.stage.refuse("parts", say("refused-no-such-piece", piece=Own(new.member)))
    block, own = within.block, within.house(house.stage)
    more = [*block.fittings, first_in_face(own, new, block.fittings)]
    number = next(k for k, one in enumerate(fittings) if one is block)
    found[number] = block.model_copy(update={"fittings": more})
    return found


NEW: Mapping[str, object] = {"inset": Cut(along_mm=5.0), "arch": Arch(rise_mm=8.0)}
"""What a part gets when it is switched on."""


def with_choice(fittings: Sequence[Fitting], path: str, value: str | bool | None) -> list[Fitting]:
    """The parts after a choice in one of them: its number and its field, with dots between.

    Raises Unfit where there is no such field.
    """
    at, _, field = path.partition(".")
    if not at.isdecimal() or int(at) >= len(fittings):
        raise Unfit(say("refused-no-such-field"), f"parts.{path}")
    changed = _chosen_in(fittings[int(at)], field, value, f"parts.{path}")
    return [changed if k == int(at) else one for k, one in enumerate(fittings)]


def _chosen_in(one: Fitting, field: str, value: str | bool | None, path: str) -> Fitting:
    """What is a house by itself has a roof of some kind, and parts of its own."""
    if not isinstance(one, WallBlock | Setback):
        return _chosen(one, field, value, path)
    head, _, rest = field.partition(".")
    if head == "parts":
        return one.model_copy(update={"fittings": with_choice(one.fittings, rest, value)})
    if head == "roof":
        return one.model_copy(update={"roof": roof_chosen(one.roof, rest, value, one.tall_mm)})
    return _chosen(one, field, value, path)


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
