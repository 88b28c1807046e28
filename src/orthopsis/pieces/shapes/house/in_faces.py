"""What lies in the faces of a house, and the house with it."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from typing import Annotated, Protocol

from pydantic import Field

from orthopsis.errors import Unfit
from orthopsis.perspective.stroke import Part
from orthopsis.phrase import Own, Value, say
from orthopsis.pieces.base import NewPart, Stage, free_name
from orthopsis.pieces.shapes.house.first_panel import first_panel
from orthopsis.pieces.shapes.house.hip import Hip
from orthopsis.pieces.shapes.house.house import House, HousePlace
from orthopsis.pieces.shapes.house.lettering import Lettering, first_lettering
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.pattern import Pattern, first_pattern
from orthopsis.pieces.shapes.house.roofs import Flat, Gable, Roof, hangs_over

InFace = Annotated[Panel | Pattern | Lettering, Field(discriminator="kind")]


class Called(Protocol):
    """Whatever a list of parts knows by its name and its kind."""

    @property
    def id(self) -> str: ...
    @property
    def kind(self) -> str: ...


def check_names(fittings: Sequence[Called]) -> None:
    """Raises Unfit where two parts have one name."""
    for name, times in Counter(one.id for one in fittings).items():
        if times > 1:
            raise Unfit(say("refused-id-twice", name=Own(name)), "parts")


def fitted_house(
    part: Part,
    name: Value,
    place: HousePlace,
    roof: Roof,
    fittings: Sequence[Called],
    stage: Stage,
) -> House:
    """A house with what lies in its faces."""
    panels = [one for one in fittings if isinstance(one, Panel)]
    patterns = [one for one in fittings if isinstance(one, Pattern | Lettering)]
    on_top = any(one.kind == "setback" for one in fittings)
    on_slopes = any(getattr(one, "on", "").startswith("roof") for one in fittings)
    over = roof if isinstance(roof, Gable | Hip) and hangs_over(roof) else None
    if over is None:
        return House(part, name, place, roof, panels, stage, patterns, on_slopes, on_top=on_top)
    high = [one for one in patterns if isinstance(one, Pattern) and one.on.startswith("roof")]
    low = [one for one in patterns if one not in high]
    flat = Flat(kind="flat")
    return House(part, name, place, flat, panels, stage, low, on_slopes, over, high, on_top=True)


def first_in_face(house: House, new: NewPart, taken: Sequence[Called]) -> InFace:
    """Where a new part begins that lies in a face, in round measures. Raises ExerciseError."""
    id = free_name(new.what, {one.id for one in taken})
    if new.what in ("bricks", "tiles"):
        return first_pattern(house, new.what, id, new.on)
    if new.what == "lettering":
        return first_lettering(house, id, new.on, new.at)
    return first_panel(house, new.what, id, new.on, new.at)
