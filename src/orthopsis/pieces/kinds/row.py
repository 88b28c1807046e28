"""The row: buildings one after the other, along a street or round a corner."""

from __future__ import annotations

from collections import Counter
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Field, model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import Drawn, Grip, NewPart, RowEnd, Stage, free_name, named
from orthopsis.pieces.piece import PLACE, Piece
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.placement import BlockPlacement, Listed, Placement
from orthopsis.pieces.placement.row import (
    AlongLine,
    BlockInRow,
    Blocks,
    in_row,
    measures_of,
    moved_row,
    shifted,
)
from orthopsis.pieces.placement.row_handles import first_in_row, handles_in_row, next_in_row
from orthopsis.pieces.placement.row_links import RowMember
from orthopsis.pieces.placement.way import WayPlace
from orthopsis.pieces.roles import Added, Editor, FieldRole, Path
from orthopsis.pieces.shapes.house.drawn import DrawnHouse
from orthopsis.pieces.shapes.house.fittings import (
    Fittings,
    with_choice,
    with_one_more,
)
from orthopsis.pieces.shapes.house.handles import house_handles
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import check_names, fitted_house
from orthopsis.pieces.shapes.house.lid import hangs_over_ends, joined
from orthopsis.pieces.shapes.house.members import members
from orthopsis.pieces.shapes.house.moved import moved_house
from orthopsis.pieces.shapes.house.roofs import Flat, Roof, roof_chosen

HOUSES = ("house", "house-like", "house-after-gap", "house-behind")
MOST_HOUSES = 12
ROOM_UNDER_ROOF_MM = 60.0
"""How high a house of a row is taken to be for a new roof: its peak is half of it."""


class InRow(RowMember):
    """A building of a row, with a roof and parts of its own."""

    roof: Roof = Flat(kind="flat")
    fittings: Fittings

    @model_validator(mode="after")
    def _parts_have_names(self) -> Self:
        check_names(self.fittings)
        if self.like is not None and (self.fittings or self.roof != Flat(kind="flat")):
            raise Unfit(say("refused-like-measures"), "parts" if self.fittings else "roof")
        return self


@dataclass(frozen=True, eq=False)
class RowHouse(DrawnHouse):
    """One building of a row."""

    part: Part
    name: Own
    member: InRow
    place: BlockInRow

    def house(self, stage: Stage) -> House:
        """The building where it stands."""
        member = self.member
        house = fitted_house(self.part, self.name, self.place, member.roof, member.fittings, stage)
        return joined(house, member.fittings)

    @property
    def member_name(self) -> str:
        return self.member.id

    @property
    def roof_path(self) -> Path:
        return "buildings", self.part.number - 1, "roof"


class Row(Piece):
    """Buildings in a row, `from` the end of another building's side or the edge of a way."""

    wrong_form: ClassVar = "refused-form-of-a-row"

    kind: Literal["row"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    buildings: Annotated[
        list[InRow],
        Field(min_length=1, max_length=MOST_HOUSES),
        Editor.PARTS,
        Added(HOUSES),
    ]
    place: AlongLine

    @property
    def weight(self) -> float:
        return 2.0 * len(self.buildings)

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        del form
        first = {"id": "house 1", "top_mm": at.y - 2 * size_mm, "length": {"fraction": 0.2},
                 "back": {"along_mm": size_mm}}  # fmt: skip
        return {"buildings": [first]}

    @classmethod
    def first_at(
        cls, end: RowEnd, base: Placement, stage: Stage, taken: Collection[str]
    ) -> dict[str, Any]:
        """The fields of a new row at an end of what has that placement, in round measures."""
        points = stage.view.level_points
        start: dict[str, Any] = {"side": end.side}
        if isinstance(base, WayPlace):
            goal, start["foot_mm"] = base.goal(stage).at, round(end.at.y)
            tall_mm = end.at.y - stage.view.eye_level_mm + 40.0
        else:
            assert isinstance(base, BlockPlacement)
            goal = points[0 if len(points) == 1 or end.side == "left" else 1].at
            # As high as the building's own end, or a little less.
            tops = [place.y for place, _ in base.corners(stage) if abs(place.x - end.at.x) < 1e-6]
            tall_mm = 0.85 * (end.at.y - min(tops))
        house = first_in_row(end, tall_mm, goal, one_point=len(points) == 1)
        return {"from": start, "buildings": [{"id": free_name("house", taken), **house}]}

    @model_validator(mode="after")
    def _names_differ(self) -> Self:
        for name, times in Counter(one.id for one in self.buildings).items():
            if times > 1:
                raise Unfit(say("refused-id-twice", name=Own(name)), "buildings")
        return self

    def with_part(self, new: NewPart, stage: Stage) -> Self:
        """One more part in a member, or one more building at the end of the row."""
        if not new.member:
            return self._grown(new, stage)
        name, _, within = new.member.partition("/")
        number, new = self._number_of(name, stage), replace(new, member=within)
        if (like := self.buildings[number].like) is not None:
            # What is put on one is put on all that are like it.
            return self.with_part(
                replace(new, member=f"{like}/{within}".rstrip("/"), at=None), stage
            )
        member, house = self.buildings[number], self._houses(stage)[number].house(stage)
        fittings = with_one_more(house, member.fittings, new)
        return self._with_member(number, member.model_copy(update={"fittings": fittings}))

    def _with_member(self, number: int, member: InRow) -> Self:
        buildings = [member if k == number else one for k, one in enumerate(self.buildings)]
        return self.model_copy(update={"buildings": buildings})

    def _number_of(self, name: str, stage: Stage) -> int:
        found = next((k for k, one in enumerate(self.buildings) if one.id == name), None)
        if found is None:
            raise stage.refuse("buildings", say("refused-no-such-piece", piece=Own(name)))
        return found

    def _grown(self, new: NewPart, stage: Stage) -> Self:
        """One more building at the end, smaller as all is that is further away, and higher or lower
        in turn.
        """
        what, id = new.what, free_name("house", {*new.taken, *(one.id for one in self.buildings)})
        pairs = zip(self.buildings, self._blocks, strict=True)
        every = list(pairs)
        last, block = ([pair for pair in every if pair[0].behind is None] or every)[-1]
        if what == "house-like":
            like = InRow.model_validate({"id": id, "like": last.like or last.id, "gap": last.gap})
            return self.model_copy(update={"buildings": [*self.buildings, like]})
        gap = behind = None
        own = measures_of(last, block, stage)
        length, top_mm = next_in_row(block, own, len(self.buildings), stage)
        if what == "house-after-gap":
            gap = Cut(along_mm=max(1.0, round((length.along_mm or 20.0) / 3)))
        elif what == "house-behind":
            behind, length = _further(own.back), own.length
            top_mm = own.top_mm - 25.0
        more: dict[str, Any] = {
            "id": id, "like": None, "top_mm": top_mm, "gap": gap, "length": length,
            "back": own.back, "behind": behind, "roof": Flat(kind="flat"), "fittings": [],
        }  # fmt: skip
        return self.model_copy(
            update={"buildings": [*self.buildings, last.model_copy(update=more)]}
        )

    def with_fewer_houses(self, houses: int) -> Self:
        return self.model_copy(update={"buildings": self.buildings[:houses]})

    def settled(self, others: Mapping[str, Listed], stage: Stage) -> Self:
        start = self.place.from_
        blocks = in_row(start, self.buildings, others, stage, self.id)
        return self.placed(Blocks.model_validate({"from": start, "blocks": tuple(blocks)}))

    @property
    def _blocks(self) -> tuple[BlockInRow, ...]:
        assert isinstance(self.place, Blocks), "measured out first"
        return self.place.blocks

    def _houses(self, stage: Stage) -> list[RowHouse]:
        """Each house where it stands; one that is like another has its roof and parts from there.

        Raises ExerciseError.
        """
        found: dict[str, RowHouse] = {}
        pairs = zip(self.buildings, self._blocks, strict=True)
        for number, (member, block) in enumerate(pairs, start=1):
            if member.like is not None:
                member = member.model_copy(update=_as_its_like(found[member.like], block, stage))
            found[member.id] = RowHouse(Part(self.id, number), named(member.id), member, block)
        return list(found.values())

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        """Each house, and what is built on it."""
        found: list[Drawn] = []
        houses = self._houses(stage)
        self._check_eaves(houses, stage)
        for house in houses:
            path: Path = ("buildings", house.part.number - 1)
            own = members(house.house(stage), house.member.fittings, path, house.member.id)
            found += [house, *own]
        return found

    def _check_eaves(self, houses: Sequence[RowHouse], stage: Stage) -> None:
        """Refuse roofs that hang over into the house that theirs is joined to. Raises
        ExerciseError.
        """
        for number, (before, house) in enumerate(pairwise(houses), start=1):
            if house.member.gap is None and house.member.behind is None:
                for k, one in ((number - 1, before), (number, house)):
                    if hangs_over_ends(one.house(stage), one.place.side):
                        field = f"buildings.{k}.roof.rake_mm"
                        raise stage.refuse(field, say("refused-eaves-of-joined"))

    def grips(self, stage: Stage) -> list[Grip]:
        """None: a row goes with what it begins at."""
        del stage
        return []

    def handles(self, stage: Stage, settled: Piece) -> list[Grip]:
        assert isinstance(settled, Row)
        found: list[Grip] = []
        for number, house in enumerate(settled._houses(stage)):
            member, path = house.member, f"buildings.{number}"
            own = list(handles_in_row(house.place, member, path, stage))
            if member.like is None:
                own += house_handles(house.house(stage), member.fittings, f"{path}.")
            found += [replace(one, member=member.id) for one in own]
        return found

    def row_ends(self, stage: Stage) -> list[RowEnd]:
        """Its own, after the last that stands on the street."""
        blocks = [one for one in self._blocks if one.link.behind is None]
        if not blocks:
            return []
        place, _ = blocks[-1].corners(stage)[blocks[-1].seen_corners.far[1]]
        return [RowEnd(blocks[-1].side, place, HOUSES)] if len(self.buildings) < MOST_HOUSES else []

    def chosen(self, field: str, value: str | bool | None) -> Self:
        """A choice in one of its houses; another kind of roof keeps what it can."""
        head, _, rest = field.partition(".")
        at, _, rest = rest.partition(".")
        if head != "buildings" or not at.isdecimal() or int(at) >= len(self.buildings):
            return super().chosen(field, value)
        member = self.buildings[int(at)]
        inner, _, last = rest.partition(".")
        if inner == "parts":
            fittings = with_choice(member.fittings, last, value)
            return self._with_member(int(at), member.model_copy(update={"fittings": fittings}))
        if inner != "roof":
            raise Unfit(say("refused-no-such-field"), field)
        roof = roof_chosen(member.roof, last, value, ROOM_UNDER_ROOF_MM)
        return self._with_member(int(at), member.model_copy(update={"roof": roof}))

    def moved(self, stage: Stage, view: View) -> Self:
        """The same row seen from elsewhere: what it begins at moves with it."""
        start, members = moved_row(self.place.from_, self.buildings, self._blocks, stage, view)
        houses = zip(members, self._houses(stage), strict=True)
        members = [
            one.model_copy(update=moved_house(old.house(stage), old.member.fittings, view))
            for one, old in houses
        ]
        return self.model_copy(
            update={"buildings": members, PLACE: AlongLine.model_validate({"from": start})}
        )


def _as_its_like(original: RowHouse, block: BlockInRow, stage: Stage) -> dict[str, Any]:
    """The roof and the parts of a house that is like another."""
    foot, _ = block.corners(stage)[block.seen_corners.near[1]]
    shift = shifted(original.place, foot, stage)
    return moved_house(original.house(stage), original.member.fittings, stage.view, shift)


def _further(back: Cut) -> Cut:
    """A little further than something goes back, so that what begins there stands clear of it."""
    for name, more in (("fraction", 0.02), ("along_mm", 5.0), ("true_mm", 5.0)):
        value = getattr(back, name)
        if value is not None:
            return back.model_copy(update={name: value + more})
    return Cut(fraction=0.5)
