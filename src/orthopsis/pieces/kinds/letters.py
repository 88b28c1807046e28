"""Letters: a word drawn from one block, or a single letter.

A letter is data (`alphabet`): its outline on named lines. Each letter of a word is drawn by itself
and is a member of the word by its number: ``fern:1`` is the F.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Field, model_validator

from orthopsis.construction.order import Body
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point, part_way
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View
from orthopsis.phrase import Length, Number, Own, Phrase, say
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import MOST_MM, Drawn, Grip, Site, Stage
from orthopsis.pieces.casting import Casting
from orthopsis.pieces.piece import Piece, WordPlace
from orthopsis.pieces.placement.anchor import Front, FrontEdge
from orthopsis.pieces.placement.depth import Cut, check_share
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import BlockPlacement, Listed
from orthopsis.pieces.placement.word import WordOnEdge, WordOnFront, WordOnLines
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.extrusion.alphabet import (
    GAP_MM,
    HEIGHT_MM,
    Alphabet,
    Form,
    Placed,
    letter,
    set_in_row,
)
from orthopsis.pieces.shapes.extrusion.construct import draw_profile
from orthopsis.pieces.shapes.extrusion.model import Extrusion, StreetPlace
from orthopsis.pieces.shapes.extrusion.profile import Profile
from orthopsis.pieces.shapes.extrusion.profile_site import Extruded
from orthopsis.pieces.shapes.extrusion.shadow import casting_of
from orthopsis.pieces.shapes.extrusion.text import Text

ROUND_HEIGHTS_MM: dict[Alphabet, tuple[float, ...]] = {
    "measured": (120.0, 90.0, 60.0, 30.0, 20.0, 15.0, 10.0),
    "quartered": (120.0, 96.0, 72.0, 60.0, 48.0, 36.0, 24.0, 18.0, 12.0),
}
"""Heights at which a letter's lines fall on marks of the ruler, as far as they can."""

SHARES = (1.0, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.25, 0.2, 0.15, 0.1)
"""Parts of its first height that a receding word may get."""


@dataclass(frozen=True)
class Word:
    """What the letters of a word are drawn from: their extrusion, and their places in its row."""

    shape: Extrusion
    row: tuple[Placed, ...]

    def room(self, number: int) -> tuple[float, float]:
        """Where a letter begins and ends, as shares of the word's width."""
        return room_of(self.row, number)


def true_width(row: Sequence[Placed]) -> float:
    """A word's width when its letters are 60 mm high."""
    return row[-1].left_mm + row[-1].width_mm


def room_of(row: Sequence[Placed], number: int) -> tuple[float, float]:
    """Where a letter begins and ends, as shares of the word's width."""
    placed, wide = row[number], true_width(row)
    return placed.left_mm / wide, (placed.left_mm + placed.width_mm) / wide


@dataclass(frozen=True, eq=False)
class Letter(Drawn):
    """One letter of a word; `number` is its place in the row that its block has."""

    word: Word
    number: int
    part: Part
    text: str
    among: Own | None = None
    """What the word is called, where there are others on the sheet."""

    @property
    def character(self) -> str:
        return self.word.row[self.number].character

    @property
    def is_letter(self) -> bool:
        return self.character.isalnum()

    @property
    def name(self) -> Phrase:
        """The letter, with its place where the word has it twice, and the word beside others."""
        if self.text.count(self.character) == 1:
            letter = say("letter-itself", letter=Own(self.character))
        else:
            place = Number(float(self.part.number))
            letter = say("letter-of-several", place=place, letter=Own(self.character))
        if self.among is not None:
            letter = say("letter-in-word", letter=letter, word=self.among)
        return say("letter", letter=letter)

    @property
    def profile(self) -> Profile:
        return self.word.shape.profiles[self.number]

    def solids(self, stage: Stage) -> list[AnySolid]:
        return [self.word.shape.solid(stage, self.profile, self.part)]

    def body(self, stage: Stage) -> Body:
        return self.word.shape.body(stage, self.profile, self.part, self.name)

    def casting(self, stage: Stage) -> Casting | None:
        shape = self.word.shape
        return casting_of(shape, self.profile, self.body(stage), self.name, stage)

    def build(self, site: Site) -> Extruded:
        shape = self.word.shape
        return draw_profile(shape, self.profile, site, self.word.room(self.number))


class Letters(Piece):
    """A word in block letters: in one-point `front` and `depth`; in two- and three-point `edge`,
    the side to which it `run`s, its `length` there and its `thickness`.

    `alphabet` says where the letters' lines lie: in round measures, or on quarters that diagonals
    find. `form` is the straight-edged block form, or round letters with their curves. `gap_mm` is
    the room between letters when they are 60 mm high, `bands` the stripes on each straight side.
    With `street`, in one-point, each letter stands by itself, so far behind the one before it.
    """

    wrong_form: ClassVar = "refused-form-of-a-word"

    kind: Literal["letters"]
    text: Text
    alphabet: Annotated[Alphabet, FieldRole.CHOICE] = "measured"
    form: Annotated[Form, FieldRole.CHOICE] = "block"
    gap_mm: Annotated[float, Field(ge=1, le=200), FieldRole.FIXED, Editor.NONE] = GAP_MM
    bands: Annotated[int, Field(ge=0, le=6), FieldRole.COUNT] = 0
    place: WordPlace

    @property
    def weight(self) -> float:
        return len(self.text) * (8.0 if self.form == "curved" else 4.0)

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        del at, size_mm, form
        return {"text": "ABC"}

    @cached_property
    def row(self) -> tuple[Placed, ...]:
        """The letters and where each stands, from the first one's left side on."""
        row = tuple(set_in_row(self.text, self.alphabet, self.gap_mm))
        left = row[0].left_mm
        return tuple(placed._replace(left_mm=placed.left_mm - left) for placed in row)

    @model_validator(mode="after")
    def _not_wider_than_can_be_measured(self) -> Self:
        """A word's width follows from its letters, and has the limit of every other measure."""
        if isinstance(self.place, WordOnFront):
            high_mm = self.place.front.height_mm
            wide_mm = true_width(self.row) / HEIGHT_MM * high_mm
            if wide_mm > MOST_MM:
                raise Unfit(
                    say(
                        "refused-word-too-wide",
                        high=Length(high_mm),
                        wide=Length(wide_mm),
                        most=Length(MOST_MM),
                    ),
                    "front.height_mm",
                )
        return self

    @cached_property
    def shape(self) -> Extrusion:
        """The block of the whole word with its letters' profiles."""
        return self._extrusion(
            Part(self.id), self.row, self._placed.block(true_width(self.row) / HEIGHT_MM)
        )

    @property
    def _placed(self) -> WordOnFront | WordOnEdge:
        assert not isinstance(self.place, WordOnLines), "measured out first"
        return self.place

    def _extrusion(
        self,
        block: Part,
        row: tuple[Placed, ...],
        place: BlockPlacement,
        street: StreetPlace | None = None,
    ) -> Extrusion:
        profiles = tuple(
            letter(placed.character, self.alphabet, self.form).within(*room_of(row, k))
            for k, placed in enumerate(row)
        )
        return Extrusion(
            block=block,
            name=self.name,
            what="letter",
            place=place,
            run=self.place.run,
            profiles=profiles,
            bands=self.bands,
            halved=self.alphabet == "quartered",
            street=street,
        )

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        text = "".join(placed.character for placed in self.row)
        among = self.name if stage.words > 1 else None
        if isinstance(self.place, WordOnFront) and self.place.street is not None:
            words = self._along_the_street(self.place, self.place.street, stage)
            return [
                Letter(word, 0, Part(self.id, number), text, among)
                for number, word in enumerate(words, start=1)
            ]
        word = Word(self.shape, self.row)
        return [Letter(word, k, Part(self.id, k + 1), text, among) for k in range(len(self.row))]

    def switched_on(self, field: str, stage: Stage) -> Self:
        """Letters along a street stand on the ground."""
        switched = super().switched_on(field, stage)
        return switched.with_value("standing", "ground") if field == "street" else switched

    def chosen(self, field: str, value: str | bool | None) -> Self:
        if field == "run" and isinstance(self.place, WordOnEdge) and value in ("left", "right"):
            return self.placed(self.place.run_to("left" if value == "left" else "right"))
        return super().chosen(field, value)

    def _along_the_street(self, place: WordOnFront, street: Cut, stage: Stage) -> list[Word]:
        """Each letter by itself, the same distance further back than the one before it.

        What goes t of the way to the vanishing point is in truth as q = t / (1 − t): k such steps
        go kq / (1 + kq) of the way.
        """
        if stage.floating:
            raise stage.refuse("street", say("refused-street-in-the-air"))
        vp, words = stage.view.level_points[0].at, []
        first = self.shape.on_front.front
        step = street.share_by_projection(first.corners[3], vp, stage.view)
        check_share(step, (first.corners[3], vp), street, stage, "street")
        for number, placed in enumerate(self.row):
            wide = placed.width_mm / HEIGHT_MM * first.height_mm
            front = first.model_copy(update={"width_mm": wide})
            row = (placed._replace(left_mm=0.0),)
            block = Part(self.id, number + 1)
            alone = self._extrusion(block, row, OnFront(front=front, depth=place.depth))
            start, _ = alone.on_front.depth_start(vp, alone.places)
            thick = place.depth.share_by_projection(start, vp, stage.view)
            check_share(thick, (start, vp), place.depth, stage, "depth")
            gone, deep = number * step / (1.0 - step), thick / (1.0 - thick)
            x, y = part_way(first.corners[0], vp, gone / (1.0 + gone)).xy
            there = Front(
                x_mm=x, y_mm=y,
                width_mm=wide / (1.0 + gone), height_mm=first.height_mm / (1.0 + gone),
            )  # fmt: skip
            depth = Cut(fraction=deep / (1.0 + gone + deep)) if number else place.depth
            shape = replace(
                alone,
                place=OnFront(front=there, depth=depth),
                street=StreetPlace(number, front, street),
            )
            words.append(Word(shape, row))
        return words

    @property
    def listed(self) -> Listed | None:
        """The block of the whole word, where it runs away."""
        if not isinstance(self.place, WordOnEdge):
            return None
        return Listed(self.shape.on_edge, self.view)

    @property
    def front_edge(self) -> FrontEdge | None:
        return self.place.edge if isinstance(self.place, WordOnEdge) else None

    @property
    def true_face(self) -> Front | None:
        return self.shape.on_front.front if isinstance(self.place, WordOnFront) else None

    @property
    def word(self) -> str:
        return self.text

    def fitted(self, before: Piece, stage: Stage) -> Iterator[Self]:
        assert isinstance(before, Letters)
        if isinstance(self.place, WordOnFront):
            first = self.place.front.height_mm
            lower = (mm for mm in ROUND_HEIGHTS_MM[self.alphabet] if mm < first)
            for height_mm in (first, *lower):
                yield self.placed(self.place.of_height(height_mm))
            return
        if isinstance(self.place, WordOnLines):
            yield self  # as long as the block on whose lines it stands
            return
        longer = true_width(self.row) / true_width(before.row)
        length = next(grip for grip in before.grips(stage) if grip.field == "length")
        for share in SHARES:
            yield self.placed(self.place.smaller(share, longer, length))

    def shortened(self, letters: int) -> Self:
        return self.model_copy(update={"text": self.text.strip()[:letters].strip()})

    def grips(self, stage: Stage) -> list[Grip]:
        """The cuts of the word's block, by the document's names."""
        if isinstance(self.place, WordOnLines):
            return self.place.grips(stage)
        return [
            *(
                replace(grip, field=stage.named.get(grip.field, grip.field))
                for grip in self.shape.grips(stage)
            ),
            *self.place.grips(stage),
        ]

    def moved(self, stage: Stage, view: View) -> Self:
        """The same word seen by a viewer who stands elsewhere before the same sheet."""
        street = None
        there = self.shape.moved(stage, view)
        if isinstance(self.place, WordOnFront) and self.place.street is not None:
            # The way from letter to letter is seen anew as a depth is.
            on_front = self.shape.on_front
            way = on_front.model_copy(update={"depth": self.place.street})
            moved = replace(self.shape, place=way).moved(stage, view)
            assert isinstance(moved, OnFront)
            street = moved.depth
        return self.placed(self._placed.moved_to(there, street))
