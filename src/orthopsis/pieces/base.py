"""What every piece has, the stage it stands on, and the site where it is drawn."""

from __future__ import annotations

import re
from abc import ABC, abstractmethod
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import count
from typing import TYPE_CHECKING, Annotated, Any, Literal, Self

from pydantic import AfterValidator, BaseModel, ConfigDict, Field

from orthopsis.construction.moves import Act, Mark, Said, Step
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.errors import ExerciseError, Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY, Segment
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import VanishingPoint, View
from orthopsis.phrase import Length, Number, Own, Phrase, say
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.roles import FieldRole, Path

MOST_MM = 1e6
"""Nothing is measured further: a kilometre of paper."""
Millimetres = Annotated[float, Field(ge=-MOST_MM, le=MOST_MM, allow_inf_nan=False)]
LEAST_MM = 1e-3
"""Nothing is drawn shorter: a hair is fifty times as thick."""
LEAST_BELOW_MM = 1e-3
"""A foot nearer to the eye level stands where the ground ends, further off than anything."""


def _seen(value: float) -> float:
    if value < LEAST_MM:
        raise Unfit(say("refused-too-small", least=Number(LEAST_MM, 3)))
    return value


_Positive = Annotated[float, Field(gt=0, le=MOST_MM, allow_inf_nan=False), AfterValidator(_seen)]
Across = Annotated[Millimetres, FieldRole.ACROSS]
PointAcross = Annotated[Millimetres, FieldRole.POINT]
Down = Annotated[Millimetres, FieldRole.DOWN]
PaperLength = Annotated[_Positive, FieldRole.LENGTH]
FaceLength = Annotated[_Positive, FieldRole.FACE]
TrueLength = Annotated[_Positive, FieldRole.TRUE]
EyeLength = Annotated[_Positive, FieldRole.EYE]
Flag = Annotated[bool, FieldRole.FLAG]
Name = Annotated[str, Field(pattern=r"^[A-Za-z][A-Za-z0-9 _-]{0,39}$"), FieldRole.NAME]
Reference = Annotated[str, Field(max_length=40), FieldRole.REFERENCE]


def free_name(word: str, taken: Collection[str]) -> str:
    """A name that nothing has yet: "box 1", "box 2" …"""
    return next(name for name in (f"{word} {k}" for k in count(1)) if name not in taken)


def named(id: str) -> Own:
    """What is called so in a document, as words for titles."""
    return Own(re.sub(r"[-_]+", " ", id).strip().capitalize())


class Measures(BaseModel):
    """A part of the exercise document: unknown fields are refused, values are frozen."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    def model_copy(self, *, update: Mapping[str, Any] | None = None, deep: bool = False) -> Self:
        """A changed copy, which works out anew what the first one has remembered."""
        copied = super().model_copy(update=update, deep=deep)
        for name in copied.__dict__.keys() - type(self).model_fields.keys():
            del copied.__dict__[name]
        return copied


def own_name(model: type[Measures], written: str) -> str | None:
    """What a model calls a field that documents write so; None where it has none."""
    fields = model.model_fields.items()
    return next((name for name, info in fields if written in (info.alias, name)), None)


Standing = Literal["ground", "floating"]
Surface = Annotated[
    str, Field(pattern=r"^(ground|[A-Za-z][A-Za-z0-9 _-]{0,39}/[a-z ]{1,20})$"), FieldRole.REFERENCE
]
"""The ground, or a surface of another piece, by both their names."""


@dataclass(frozen=True)
class Stage:
    """Where and how a piece stands: the sheet, its view, and its field path for messages."""

    sheet: Sheet
    view: View
    path: str
    floating: bool = True
    transparent: bool = False
    named: Mapping[str, str] = field(default_factory=dict)
    """What the document calls a field, where a piece is worked out as another kind."""
    words: int = 0
    """How many words there are on the sheet."""
    number: int = 0
    """The piece's place in the list."""
    floor: float | None = None
    """Of what stands on another thing: depth times the distance from the eye level, on its top."""
    hung: float | None = None
    """Of what hangs on a wall or a ceiling: how far away it is."""

    def refuse(self, field: str, says: Phrase) -> ExerciseError:
        """An error that names the piece's field."""
        first, dot, rest = field.partition(".")
        field = self.named.get(first, first) + dot + rest
        return ExerciseError(f"{self.path}.{field}" if field else self.path, says)

    def depth_at(self, foot_y_mm: float, field: str) -> float:
        """Relative depth of a foot on the ground, or 1 for what floats at the picture plane."""
        if self.floating:
            return 1.0
        if self.hung is not None:
            return self.hung
        if self.floor is not None:
            below_mm = foot_y_mm - self.view.eye_level_mm
            if abs(below_mm) < LEAST_BELOW_MM or self.floor / below_mm < 0.0:
                raise self.refuse(field, say("refused-foot-off-top", foot=Length(foot_y_mm)))
            return self.floor / below_mm
        try:
            if foot_y_mm - self.view.eye_level_mm < LEAST_BELOW_MM:
                raise ValueError
            return self.view.ground_depth(foot_y_mm)
        except ValueError:
            raise self.refuse(
                field,
                say(
                    "refused-foot-above",
                    foot=Length(foot_y_mm),
                    level=Length(self.view.eye_level_mm),
                ),
            ) from None


@dataclass(frozen=True)
class Site:
    """Where a part is drawn: the paper, the body it will be, its stage, the marks of the points,
    and what the parts that were drawn before it hand over.
    """

    paper: Paper
    body: Body
    stage: Stage
    points: Mapping[str, Mark]
    before: Mapping[Part, object] = field(default_factory=dict)
    planned: bool = False
    """Whether all of it is only the plan of something else."""

    @property
    def part(self) -> Part:
        return self.body.part

    @property
    def third(self) -> Mark | None:
        """The point of the uprights; None where they stand straight."""
        return self.points.get(self.stage.view.uprights.name)

    def begin(self, step: str, act: Act, /, **title: Said) -> Step:
        """Open a step of this part."""
        if self.planned:
            act = Act.PLAN
        return self.paper.begin(step, act, self.body.part, self.body.name, **title)

    def plan_of(self, body: Body) -> Site:
        """The site of the light block that something is carved from."""
        return replace(self, body=body, planned=True)


Reads = Literal["along", "across", "down", "share", "stops", "nothing"]
"""How the value of a grip is read off the sheet: by its distance from the start, its distance from
the left or the top edge, the share of its way, the nearest stop; or not at all.
"""
_READ: Mapping[str, Reads] = {
    "x_mm": "across", "top_mm": "down", "fraction": "share", "true_mm": "nothing",
}  # fmt: skip


@dataclass(frozen=True)
class Grip:
    """Where a measure can be taken hold of: its mark `at`, on the way from `start` to `goal`.

    `field` is the path of what has it in its piece, with dots, and `way` its name there. A count
    has `stops`: the places that stand for its values. `member` is the member of the piece that it
    is of, by its name; `label` says what it is, where the field does not. `across` tells a measure
    from the sheet's left edge.
    """

    field: str
    way: str
    start: Point
    goal: Point
    at: Point
    stops: Sequence[tuple[Point, int]] = ()
    member: str = ""
    label: str = ""
    across: bool = False

    @property
    def reads(self) -> Reads:
        if self.across:
            return "across"
        return "stops" if self.stops else _READ.get(self.way, "along")


@dataclass(frozen=True)
class NewPart:
    """A part that is wanted: what it is; in which member and on which face, by their names; the
    place of the sheet where it was put; and the names that are given already. Where they are empty
    the first that fits is taken.
    """

    what: str
    member: str = ""
    on: str = ""
    at: Point | None = None
    taken: Collection[str] = ()


@dataclass(frozen=True)
class OpenFace:
    """A face that turns to us: its name, the member that it is of, its outline on paper, and what
    may be put on it.
    """

    member: str
    name: str
    outline: Sequence[XY]
    takes: Sequence[str]


@dataclass(frozen=True)
class RowEnd:
    """Where one more building may be begun: on which side of the piece, at which foot, and what may
    be added there.
    """

    side: Literal["left", "right"]
    at: Point
    takes: Sequence[str] = ("house", "house-after-gap")


class Drawn(ABC):
    """What is drawn as one: it has a name of its own, a solid and a construction."""

    if TYPE_CHECKING:
        # Properties of a piece's model as of a letter.
        part: Any
        name: Any

    @property
    def is_letter(self) -> bool:
        """Whether it is a letter or a figure, which must not be drawn too small."""
        return False

    @property
    def meant_thin(self) -> bool:
        """Whether some of its sides are thin by their nature, as those of a board are."""
        return False

    def slope_points(self, stage: Stage) -> Sequence[VanishingPoint]:
        """Points of its own that lines lead to which rise or fall. Raises ExerciseError."""
        del stage
        return ()

    def found_points(self, stage: Stage) -> Sequence[tuple[Path, VanishingPoint]]:
        """Those of them that pupils find by drawing, each with the field of the piece that asks
        for it. Raises ExerciseError.
        """
        del stage
        return ()

    def by_hand(self, stage: Stage) -> Sequence[Sequence[XY]]:
        """Outlines on paper within which pupils draw by hand: shown, and never judged."""
        del stage
        return ()

    def cells(self, stage: Stage) -> object | None:
        """It as something cut from a block, if it is."""
        del stage
        return None

    def casting(self, stage: Stage) -> object | None:
        """It as a `Casting`, if it casts shadows. Raises ExerciseError."""
        del stage
        return None

    def dark_squares(self, stage: Stage) -> Sequence[Sequence[XY]]:
        """Outlines on paper of what is dark by itself, as every second tile is."""
        del stage
        return ()

    def fills(self, stage: Stage) -> Sequence[Segment]:
        """Lines on paper that fill a face: nothing follows from the absence of one."""
        del stage
        return ()

    def filled(self, stage: Stage) -> Sequence[Sequence[XY]]:
        """The outlines on paper of faces that such lines fill; what lies among them is not told."""
        del stage
        return ()

    def hand_rooms(self, stage: Stage) -> Sequence[Sequence[XY]]:
        """Outlines on paper within which lines by hand may stray; what is ruled there is judged."""
        del stage
        return ()

    def open_faces(self, stage: Stage) -> Sequence[OpenFace]:
        """Its faces that other parts may be put on. Raises ExerciseError."""
        del stage
        return ()

    @abstractmethod
    def solids(self, stage: Stage) -> list[AnySolid]:
        """The thing in eye space. Raises ExerciseError where its measures make no solid."""

    @abstractmethod
    def body(self, stage: Stage) -> Body:
        """The thing as it will stand on paper, for the drawing order."""

    @abstractmethod
    def build(self, site: Site) -> object:
        """Record the moves that draw it; the answer is what later parts may need of it."""

    def finish(self, site: Site) -> None:
        """What is left to do of what lies on the ground when all stands on it."""
        del site
