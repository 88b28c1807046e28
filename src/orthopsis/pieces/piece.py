"""A piece of the document: what every kind has, and its placement among its fields.

In a document the fields of a placement stand beside the others, as teachers write them; here they
are one of a few placements, and nothing else asks which.
"""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Iterable, Iterator, Mapping, Sequence
from functools import cache
from typing import Annotated, Any, ClassVar, Self, get_args

from pydantic import (
    Discriminator,
    Field,
    GetJsonSchemaHandler,
    SerializerFunctionWrapHandler,
    Tag,
    model_serializer,
    model_validator,
)
from pydantic.fields import FieldInfo
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema

from orthopsis.construction.order import NearPlace
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import View
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import (
    Drawn,
    Flag,
    Grip,
    Measures,
    Name,
    NewPart,
    Reference,
    RowEnd,
    Stage,
    Standing,
    Surface,
    named,
    own_name,
)
from orthopsis.pieces.placement.anchor import Front, FrontEdge
from orthopsis.pieces.placement.area import InArea
from orthopsis.pieces.placement.depth import Cut, share_on_paper
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.foot import OnFoot, OnFootCorner
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.lines import OnLines
from orthopsis.pieces.placement.on_room import OnSideWall, OverFloor
from orthopsis.pieces.placement.placement import BlockPlacement, Listed, Placement
from orthopsis.pieces.placement.post import PostsInLine
from orthopsis.pieces.placement.room import BackWall
from orthopsis.pieces.placement.room_corner import Corner
from orthopsis.pieces.placement.round import RoundPlace
from orthopsis.pieces.placement.row import AlongLine
from orthopsis.pieces.placement.way import WayPlace
from orthopsis.pieces.placement.word import WordOnEdge, WordOnFront, WordOnLines
from orthopsis.pieces.roles import CUTS, Editor, FieldRole, roles_of

PLACE = "place"
"""The field of a piece that has its placement; in a document it is not written."""


def form_of(value: Any) -> str | None:
    """Which placement some fields are, by the one that tells it."""
    if isinstance(value, Placement):
        return value.form
    if not isinstance(value, Mapping):
        return None
    if OverFloor.tells in value:
        return OverFloor.form
    if OnFootCorner.tells in value:
        return OnFootCorner.form if "left" in value else OnFoot.form
    if OnSideWall.tells in value and "to" in value:
        return OnSideWall.form
    forms = (
        OnFront, OnLines, InArea, RoundPlace, WayPlace, AlongLine, PostsInLine, BackWall, Corner,
        OnEdge,
    )  # fmt: skip
    return next((form.form for form in forms if form.tells in value), None)


BlockPlace = Annotated[
    Annotated[OnFront, Tag("front")]
    | Annotated[OnEdge, Tag("edge")]
    | Annotated[OnLines, Tag("lines")]
    | Annotated[OnFoot, Tag("foot")]
    | Annotated[OnFootCorner, Tag("foot-corner")],
    Discriminator(form_of),
]
InRoom = Annotated[
    Annotated[BackWall, Tag("back")] | Annotated[Corner, Tag("corner")], Discriminator(form_of)
]
WordPlace = Annotated[
    Annotated[WordOnFront, Tag("front")]
    | Annotated[WordOnEdge, Tag("edge")]
    | Annotated[WordOnLines, Tag("lines")],
    Discriminator(form_of),
]


UPPER = (1, 0, 4, 5)
"""A block's upper corners, clockwise to an eye above them."""


class Piece(Measures):
    """A thing on the sheet. `standing` decides what hides what; it never moves a line. So does
    `on`: the top of another thing, in the place of the ground.

    `uid` is what it is known by for ever; `id` is what it is called, and may be changed.
    """

    wrong_form: ClassVar[str] = "refused-form-of-a-block"
    """Says which fields a placement of the kind has."""

    first_size: ClassVar[float] = 1.0
    """How large a new one is, a box being 1."""

    kind: Annotated[str, FieldRole.NAME]
    id: Name
    uid: Annotated[str, Field(pattern=r"^[a-z0-9]{1,16}$"), FieldRole.NAME] | None = None
    view: Annotated[Reference | None, Editor.NONE] = None
    standing: Annotated[Standing, FieldRole.CHOICE] = "floating"
    on: Annotated[Surface | None, Editor.NONE] = None
    transparent: Flag = False
    place: Placement

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """What a new piece of the kind has beside its place, which is of that form and begins at a
        place of the sheet.
        """
        del at, size_mm, form
        return {}

    @property
    def name(self) -> Own:
        """The id as words, for titles."""
        return named(self.id)

    @property
    def may_float(self) -> bool:
        """Whether it may stand anywhere but on the ground."""
        return "floating" in get_args(type(self).model_fields["standing"].annotation)

    @property
    def surrounds(self) -> bool:
        """Whether it is seen from inside, and there is nothing beyond it."""
        return False

    @property
    def flat_top(self) -> bool:
        """Whether other things may stand on its top."""
        return False

    def places_of(self, surface: str, stage: Stage) -> Sequence[NearPlace]:
        """The corners on paper, with their nearness, of a level surface that other things may stand
        on, clockwise to an eye above them; none where it has no such. Raises ExerciseError.
        """
        if surface != "top" or not self.flat_top or not isinstance(self.place, BlockPlacement):
            return ()
        corners = self.place.corners(stage)
        return [corners[k] for k in UPPER]

    @property
    def weight(self) -> float:
        """How much there is to draw, a box being 1."""
        return 1.0

    @property
    def measured_true(self) -> bool:
        """Whether a true length of it is carried into the depth."""
        cuts = (value for _, value in self.place if isinstance(value, Cut))
        return any(cut.true_mm is not None for cut in cuts)

    @property
    def lasting(self) -> str:
        """What it is known by for ever."""
        return self.uid or self.id

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        """What it consists of: itself, or several that are drawn one by one."""
        del stage
        assert isinstance(self, Drawn), f"{self.kind} says what it consists of"
        return (self,)

    @abstractmethod
    def grips(self, stage: Stage) -> list[Grip]:
        """The cuts of the piece, for taking hold of them on the sheet."""

    @abstractmethod
    def moved(self, stage: Stage, view: View) -> Self:
        """The same thing in the world, measured on the sheet of a viewer who stands elsewhere."""

    def settled(self, others: Mapping[str, Listed], stage: Stage) -> Self:
        """The piece with measures of its own, where it is given by those listed before it.

        Raises ExerciseError.
        """
        place = self.place.settled(others, self.view, stage)
        return self if place is self.place else self.placed(place)

    @property
    def listed(self) -> Listed | None:
        """The block on whose lines others may stand."""
        return None

    @property
    def rests_on(self) -> Iterable[str]:
        """The ids of the pieces that it goes with."""
        base, _, surface = (self.on or "").partition("/")
        return [*self.place.rests_on, *([base] if surface else [])]

    @property
    def front_edge(self) -> FrontEdge | None:
        """Its front edge, where it stands on one."""
        return None

    @property
    def true_face(self) -> Front | None:
        """Its front in true shape, where it has one."""
        return None

    @property
    def word(self) -> str | None:
        """The word that it shows, where a pupil may have another one in its place."""
        return None

    def fitted(self, before: Piece, stage: Stage) -> Iterator[Self]:
        """The piece with its new word in the sizes that it may have, the largest first; `before`
        is the one that it takes the place of.
        """
        del before, stage
        yield self

    def shortened(self, letters: int) -> Self:
        """The same with so many letters of its word; what has none stays."""
        del letters
        return self

    def with_fewer_houses(self, houses: int) -> Self:
        """The same with so many of its houses; what is no row stays."""
        del houses
        return self

    def placed(self, place: Placement) -> Self:
        """The same piece elsewhere."""
        return self.model_copy(update={PLACE: place})

    def value(self, field: str) -> Any:
        """What the document has in a field."""
        name = own_name(type(self.place), field)
        if name is not None:
            return getattr(self.place, name)
        return getattr(self, own_name(type(self), field) or field)

    def with_value(self, field: str, value: Any) -> Self:
        """The piece with another value in a field of the document; it is not checked again."""
        name = own_name(type(self.place), field)
        if name is not None:
            return self.placed(self.place.model_copy(update={name: value}))
        return self.model_copy(update={own_name(type(self), field) or field: value})

    def switched_on(self, field: str, stage: Stage) -> Self:
        """The piece with a field that was left out before. Raises ExerciseError."""
        return self.with_value(field, self.place.first_value(field, stage))

    def chosen(self, field: str, value: str | bool | None) -> Self:
        """The piece after a choice; what no longer fits is chosen anew. It is not checked again."""
        first, _, rest = field.partition(".")
        if not rest:
            return self.with_value(field, value)
        inner = self.value(first)
        if inner is None:
            raise Unfit(say("refused-no-such-field"), field)
        return self.with_value(first, inner.model_copy(update={rest: value}))

    def with_part(self, new: NewPart, stage: Stage) -> Self:
        """The piece with one more part of its own. Raises ExerciseError where it has none."""
        del new
        raise stage.refuse("parts", say("refused-no-parts"))

    def handles(self, stage: Stage, settled: Piece) -> list[Grip]:
        """All of its measures that can be taken hold of on the sheet; `settled` is the same piece
        measured out. Raises ExerciseError.
        """
        del settled
        return self.grips(stage)

    def row_ends(self, stage: Stage) -> list[RowEnd]:
        """Where buildings may go on from it in a row. Raises ExerciseError."""
        del stage
        return []

    def by_shares(self, stage: Stage) -> Self:
        """The same with each cut as a part of its way, which holds wherever the points lie."""
        roles, piece = roles_of(type(self.place)), self
        for grip in self.grips(stage):
            if roles.get(grip.field) in CUTS:
                share = share_on_paper(grip.start, grip.goal, grip.at)
                piece = piece.with_value(grip.field, Cut(fraction=share))
        return piece

    # --- the document ------------------------------------------------------------------------

    @model_validator(mode="before")
    @classmethod
    def _gathered(cls, data: Any) -> Any:
        """The placement's fields put together."""
        if not isinstance(data, Mapping) or isinstance(data.get(PLACE), Placement):
            return data
        forms = forms_of(cls)
        fields = {name for form in forms.values() for name in _written(form)}
        given = {key: value for key, value in data.items() if key in fields and value is not None}
        form = forms.get(form_of(given) or "")
        if form is None or not required(form) <= given.keys() <= _written(form).keys():
            raise Unfit(say(cls.wrong_form))
        own = {key: value for key, value in data.items() if key not in fields}
        if PLACE in own:
            raise Unfit(say("refused-unknown-field"), PLACE)
        return {**own, PLACE: given}

    @model_serializer(mode="wrap")
    def _spread(self, handler: SerializerFunctionWrapHandler) -> dict[str, Any]:
        data: dict[str, Any] = handler(self)
        place = data.pop(PLACE)
        return {**data, **place}

    @classmethod
    def __get_pydantic_json_schema__(
        cls, schema: CoreSchema, handler: GetJsonSchemaHandler
    ) -> JsonSchemaValue:
        """As documents have it: the fields of each placement beside the others, and optional."""
        found = handler.resolve_ref_schema(handler(_without_serializer(schema)))
        properties = found["properties"]
        place = properties.pop(PLACE)
        found["required"] = [name for name in found.get("required", ()) if name != PLACE]
        for form in place.get("oneOf", place.get("anyOf", [place])):
            for name, field in handler.resolve_ref_schema(form)["properties"].items():
                properties.setdefault(name, field)
        return found


def _without_serializer(schema: Any) -> Any:
    """A schema that is described by its fields, also where it is written otherwise."""
    if isinstance(schema, dict):
        return {
            key: _without_serializer(value) if key == "schema" else value
            for key, value in schema.items()
            if key != "serialization"
        }
    return schema


@cache
def forms_of(kind: type[Piece]) -> Mapping[str, type[Placement]]:
    """The placements that a kind of piece may have, by what they are called."""
    annotation = kind.model_fields[PLACE].annotation
    several = get_args(annotation) or (annotation,)
    tagged = [get_args(one)[0] if get_args(one) else one for one in several]
    return {form.form: form for form in tagged}


@cache
def required(model: type[Measures]) -> frozenset[str]:
    """The fields that must be given."""
    return frozenset(name for name, info in _written(model).items() if info.is_required())


def _written(model: type[Measures]) -> Mapping[str, FieldInfo]:
    """The fields by the names that documents have for them."""
    return {info.alias or name: info for name, info in model.model_fields.items()}
