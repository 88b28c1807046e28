"""The exercise document as strict models; its JSON Schema comes from them."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field, model_validator

from orthopsis.errors import Unfit
from orthopsis.exercise.light import LightSpec
from orthopsis.exercise.upgrade import upgraded
from orthopsis.lesson.flow import Flow
from orthopsis.phrase import Length, Own, say
from orthopsis.pieces.base import (
    Down,
    EyeLength,
    Measures,
    Millimetres,
    PointAcross,
    Reference,
    Surface,
)
from orthopsis.pieces.registry import AnyPiece
from orthopsis.pieces.roles import FieldRole
from orthopsis.plain import all_cleaned
from orthopsis.wording.choices import (
    Far,
    Fronts,
    Guides,
    LineName,
    ReadingLevel,
    Spelling,
    Square,
    Units,
)

FORMAT: Literal["orthopsis-exercise"] = "orthopsis-exercise"
MAX_PIECES = 500
MOST_WEIGHT = 500.0
"""How much there may be on a sheet, counted in boxes."""

SizeName = Literal["A5", "A4", "A3", "A2", "A1", "9x12in", "11x17in", "12x18in", "18x24in"]
ViewName = Annotated[str, Field(pattern=r"^[a-z][a-z0-9 _-]{0,29}$")]


class OwnSize(Measures):
    """A sheet of any size."""

    width_mm: Annotated[float, Field(ge=50, le=3000), FieldRole.LENGTH]
    height_mm: Annotated[float, Field(ge=50, le=3000), FieldRole.LENGTH]


class SheetSpec(Measures):
    """The paper: a common size with its orientation, or a size of its own."""

    size: SizeName | OwnSize
    orientation: Literal["landscape", "portrait"] | None = None
    frame_mm: Annotated[float, Field(ge=0, le=200)] = 0.0

    @model_validator(mode="after")
    def _own_size_has_no_orientation(self) -> SheetSpec:
        if isinstance(self.size, OwnSize) and self.orientation is not None:
            raise Unfit(say("refused-size-orientation"))
        return self


class WordingSpec(Measures):
    """How the teacher says it. Units left out follow the sheet: inches for inch sizes."""

    units: Units | None = None
    line: LineName = "eye level"
    spelling: Spelling = "UK"
    reading: ReadingLevel = "full"
    square: Square = "set square"
    ruler_mm: Annotated[float, Field(ge=100, le=2000)] | None = None
    far: Far = "long ruler"


class ToneSpec(Measures):
    """Shading by planes: where the light comes from, and which plane is lightest. `cast` are the
    surfaces on which shadows fall; `values` how many tones there are from white to dark.
    """

    light: Literal["left", "right"] | LightSpec = "left"
    lightest: Literal["top", "front"] = "top"
    values: Annotated[Literal[3, 4], FieldRole.COUNT] = 4
    cast: Annotated[list[Surface], Field(max_length=20, default_factory=list)]


Words = Annotated[str, Field(min_length=1, max_length=800)]
StepKey = Annotated[str, Field(max_length=160)]


class StepEdit(Measures):
    """What a teacher changed of one step. In words, {1} stands for the step's first measure."""

    title: Annotated[str, Field(min_length=1, max_length=120)] | None = None
    instruction: Words | None = None
    check: Words | None = None
    note: Annotated[str, Field(max_length=800)] = ""
    hidden: bool = False
    with_next: bool = False
    first_lines: Annotated[int, Field(ge=1, le=100)] | None = None


DemandName = Literal["first steps", "standard", "stretch"]


class DemandSpec(Measures):
    """What a demand asks for beside the exercise as it stands; `letters` shortens its words, and of
    each row so many `houses` stay.
    """

    leave_out: Annotated[list[Reference], Field(max_length=500)] = Field(default_factory=list)
    letters: Annotated[int, Field(ge=1, le=40)] | None = None
    houses: Annotated[int, Field(ge=1, le=12)] | None = None
    points_printed: bool = False
    depth: Literal["as it is", "by eye", "measured", "true"] = "as it is"
    tone: bool | None = None
    given: Literal["measures", "points", "rules"] | None = None
    quick: bool | None = None


Lines = Annotated[list[Annotated[str, Field(min_length=1, max_length=300)]], Field(max_length=40)]


class LessonSpec(Measures):
    """The teacher's own lesson plan; what is empty follows from the exercise."""

    period_min: Annotated[float, Field(ge=15, le=180)] = 45
    materials: Lines = Field(default_factory=list)
    words: Lines = Field(default_factory=list)
    look_for: Lines = Field(default_factory=list)
    cautions: Lines = Field(default_factory=list)
    notes: Annotated[str, Field(max_length=4000)] = ""


class RunSpec(Measures):
    """The run-through as the teacher gives it: an order of steps, and changes by their keys."""

    flow: Flow | None = None
    order: Annotated[list[StepKey], Field(max_length=1000, default_factory=list)]
    steps: Annotated[dict[StepKey, StepEdit], Field(max_length=1000, default_factory=dict)]


class SchoolsSpec(Measures):
    """Where teachers differ: the quick way or the exact one. What is left out follows the age."""

    circle: Literal["four middles", "five marks"] | None = None
    curve: Literal["by hand", "by marks"] | None = None
    fronts: Fronts = "ruler"
    guides: Guides = "as far as needed"


class OnePointView(Measures):
    """Everything that runs away meets in one point on the eye level."""

    kind: Annotated[Literal["one-point"], FieldRole.NAME]
    eye_level_mm: Down
    vanishing_point_mm: PointAcross
    viewing_distance_mm: EyeLength | None = None
    eye_height_mm: EyeLength | None = None


class TwoPointView(Measures):
    """Two families of level lines, each with its point on the eye level."""

    kind: Annotated[Literal["two-point"], FieldRole.NAME]
    eye_level_mm: Down
    left_vp_mm: PointAcross
    right_vp_mm: PointAcross
    centre_mm: Annotated[Millimetres, FieldRole.GAZE] | None = None
    eye_height_mm: EyeLength | None = None

    @model_validator(mode="after")
    def _left_of_right(self) -> TwoPointView:
        if self.right_vp_mm <= self.left_vp_mm:
            raise Unfit(say("refused-points-order"))
        if self.centre_mm is not None and not self.left_vp_mm < self.centre_mm < self.right_vp_mm:
            raise Unfit(say("refused-centre-beside"))
        return self


class ThreePointView(Measures):
    """Two families of level lines with their points, and uprights that meet above or below."""

    kind: Annotated[Literal["three-point"], FieldRole.NAME]
    eye_level_mm: Down
    left_vp_mm: PointAcross
    right_vp_mm: PointAcross
    third_vp_mm: tuple[PointAcross, Down]
    eye_height_mm: EyeLength | None = None

    @model_validator(mode="after")
    def _a_triangle(self) -> ThreePointView:
        if self.right_vp_mm <= self.left_vp_mm:
            raise Unfit(say("refused-points-order"))
        if abs(self.third_vp_mm[1] - self.eye_level_mm) < 1.0:
            raise Unfit(say("refused-third-on-eye-level", down=Length(self.third_vp_mm[1])))
        return self


ViewSpec = Annotated[OnePointView | TwoPointView | ThreePointView, Field(discriminator="kind")]


class Exercise(Measures):
    """One exercise: a sheet, how it is seen, and the pieces that stand on it."""

    format: Literal["orthopsis-exercise"]
    version: Literal[1, 2]
    title: Annotated[str, Field(min_length=1, max_length=120)]
    age: Annotated[int, Field(ge=5, le=18)] | None = None
    sheet: SheetSpec
    wording: WordingSpec = WordingSpec()
    given: Literal["measures", "points", "rules"] = "measures"
    tone: ToneSpec | None = None
    schools: SchoolsSpec = SchoolsSpec()
    run: RunSpec | None = None
    demands: Annotated[dict[DemandName, DemandSpec], Field(default_factory=dict)]
    lesson: LessonSpec | None = None
    view: ViewSpec
    views: Annotated[dict[ViewName, ViewSpec], Field(max_length=20, default_factory=dict)]
    pieces: Annotated[list[AnyPiece], Field(max_length=MAX_PIECES, default_factory=list)]

    @model_validator(mode="before")
    @classmethod
    def _as_of_now(cls, data: Any) -> Any:
        """Documents of earlier versions are brought up to this one; text is what can be shown."""
        return upgraded(all_cleaned(data)) if isinstance(data, dict) else data

    @model_validator(mode="after")
    def _names_agree(self) -> Exercise:
        if sum(piece.weight for piece in self.pieces) > MOST_WEIGHT:
            raise Unfit(say("refused-too-much"), "pieces")
        seen: set[str] = set()
        known: set[str] = set()
        for number, piece in enumerate(self.pieces):
            if piece.id in seen:
                raise Unfit(say("refused-id-twice", name=Own(piece.id)), f"pieces[{number}].id")
            seen.add(piece.id)
            if piece.lasting in known:
                raise Unfit(
                    say("refused-uid-twice", name=Own(piece.lasting)), f"pieces[{number}].uid"
                )
            known.add(piece.lasting)
            if piece.view is not None and piece.view not in self.views:
                raise Unfit(
                    say("refused-no-such-view", name=Own(piece.view)), f"pieces[{number}].view"
                )
            if piece.place.turned and piece.id in self.views:
                raise Unfit(say("refused-id-of-a-view", name=Own(piece.id)), f"pieces[{number}].id")
        for name, view in self.views.items():
            if view.eye_level_mm != self.view.eye_level_mm:
                raise Unfit(
                    say("refused-one-eye-level", down=Length(self.view.eye_level_mm)),
                    f"views.{name}.eye_level_mm",
                )
            if view.eye_height_mm not in (None, self.view.eye_height_mm):
                raise Unfit(say("refused-one-eye-height"), f"views.{name}.eye_height_mm")
        return self


def json_schema() -> dict[str, Any]:
    """The document's JSON Schema."""
    schema = Exercise.model_json_schema(by_alias=True)
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **schema}
