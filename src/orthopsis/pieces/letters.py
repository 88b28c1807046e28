"""Letters: a word carved from one block, or a single letter.

A letter is data (`alphabet`): its outline on named lines. Each letter of a word is drawn by itself
and has a name of its own, the word's and its number: ``fern:1`` is the F.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Annotated, Any, Literal, Self

from pydantic import AfterValidator, Field, model_validator

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import LEVEL, part_way
from orthopsis.perspective.view import View
from orthopsis.picture.thing import Thing
from orthopsis.pieces.alphabet import (
    FORMS,
    GAP_MM,
    HEIGHT_MM,
    Alphabet,
    Form,
    Placed,
    letter,
    set_in_row,
)
from orthopsis.pieces.anchor import Front, FrontEdge
from orthopsis.pieces.base import Drawn, Grip, Length, Measures, Millimetres, Piece, Stage
from orthopsis.pieces.carve import carve
from orthopsis.pieces.carved import Carved, Run, StreetPlace
from orthopsis.pieces.carved_shape import CarvedBody
from orthopsis.pieces.cut import Cut, check_share
from orthopsis.pieces.profile import Profile

MOST_LETTERS = 24


def _can_be_drawn(text: str) -> str:
    if not text.strip():
        raise ValueError("write at least one letter")
    for character in text:
        if character not in FORMS and character != " ":
            if character.upper() in FORMS:
                raise ValueError(
                    f"'{character}' is a small letter; block letters are capitals, so write "
                    f"'{text.upper()}'"
                )
            raise ValueError(
                f"there is no block letter for '{character}'; use A to Z, 0 to 9 and & ! ? - . '"
            )
    return text


Text = Annotated[str, Field(min_length=1, max_length=MOST_LETTERS), AfterValidator(_can_be_drawn)]


class LettersFront(Measures):
    """The place of the first letter's top left corner on the sheet, and the letters' height."""

    x_mm: Millimetres
    y_mm: Millimetres
    height_mm: Length


class Word(Carved):
    """The block that a word is carved from."""

    kind: Literal["letters"] = "letters"
    id: str
    group: str
    street: StreetPlace | None = None
    row: tuple[Placed, ...]
    alphabet: Alphabet
    form: Form

    @property
    def halved(self) -> bool:
        return self.alphabet == "quartered"

    @property
    def street_place(self) -> StreetPlace | None:
        return self.street

    @property
    def true_width(self) -> float:
        """The word's width when its letters are 60 mm high."""
        last = self.row[-1]
        return last.left_mm + last.width_mm

    def room(self, number: int) -> tuple[float, float]:
        """Where a letter begins and ends, as shares of the word's width."""
        placed = self.row[number]
        end = placed.left_mm + placed.width_mm
        return placed.left_mm / self.true_width, end / self.true_width

    @cached_property
    def _profiles(self) -> tuple[Profile, ...]:
        return tuple(
            letter(placed.character, self.alphabet, self.form).within(*self.room(k))
            for k, placed in enumerate(self.row)
        )

    def profiles(self) -> Sequence[Profile]:
        return self._profiles


@dataclass(frozen=True, eq=False)
class Letter(Drawn):
    """One letter of a word."""

    word: Word
    number: int
    text: str

    @property
    def id(self) -> str:
        return self.word.id if self.word.street else f"{self.word.id}:{self.number + 1}"

    @property
    def character(self) -> str:
        return self.word.row[self.number].character

    @property
    def name(self) -> str:
        """The letter, with its place where the word has it twice."""
        number = self.number + 1 if self.word.street is None else self.word.street.number + 1
        if self.text.count(self.character) == 1:
            return f"Letter {self.character}"
        ordinal = _ORDINALS.get(number, f"{number}th")
        return f"{ordinal} letter, {self.character}"

    @property
    def profile(self) -> Profile:
        return self.word.profiles()[self.number]

    def solids(self, stage: Stage) -> list[Thing]:
        stage = named(stage, self.word)
        return [self.word.carved_solid(stage, self.profile, self.id, self.word.group)]

    def body(self, stage: Stage) -> Body:
        stage = named(stage, self.word)
        block = self.word.block_body(stage)
        return self.word.carved_body(stage, self.profile, self.id, block, self.word.group)

    def build(self, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]) -> None:
        assert isinstance(body, CarvedBody)
        stage, room = named(stage, self.word), self.word.room(self.number)
        carve(self.word, self.name, self.profile, body, paper, stage, points, room)


_ORDINALS = {1: "1st", 2: "2nd", 3: "3rd", 21: "21st", 22: "22nd", 23: "23rd"}


def named(stage: Stage, word: Word) -> Stage:
    """The stage on which a word's sides go by the names that the document gives them."""
    if word.run is None:
        return stage
    other = "left" if word.run == "right" else "right"
    return replace(stage, named={word.run: "length", other: "thickness"})


class Letters(Piece):
    """A word in block letters: in one-point `front` and `depth`; in two- and three-point `edge`,
    the side to which it `run`s, its `length` there and its `thickness`.

    `alphabet` says where the letters' lines lie: in round measures, or on quarters that diagonals
    find. `form` is the straight-edged block form, or round letters with their curves. `gap_mm` is
    the room between letters when they are 60 mm high, `bands` the stripes on each straight side.
    With `street`, in one-point, each letter stands by itself, so far behind the one before it.
    """

    kind: Literal["letters"]
    text: Text
    alphabet: Alphabet = "measured"
    form: Form = "block"
    gap_mm: Annotated[float, Field(ge=1, le=200)] = GAP_MM
    front: LettersFront | None = None
    street: Cut | None = None
    bands: Annotated[int, Field(ge=0, le=6)] = 0
    depth: Cut | None = None
    edge: FrontEdge | None = None
    run: Run | None = None
    length: Cut | None = None
    thickness: Cut | None = None

    @model_validator(mode="after")
    def _one_form(self) -> Self:
        by_front = (self.front, self.depth)
        by_edge = (self.edge, self.run, self.length, self.thickness)
        if not (
            (None not in by_front and by_edge == (None,) * 4)
            or (None not in by_edge and by_front == (None, None))
        ):
            raise ValueError("give either front and depth, or edge, run, length and thickness")
        return self

    @cached_property
    def word(self) -> Word:
        """The block of the whole word."""
        row = tuple(set_in_row(self.text, self.alphabet, self.gap_mm))
        left, last = row[0].left_mm, row[-1]
        row = tuple(placed._replace(left_mm=placed.left_mm - left) for placed in row)
        common = {
            name: getattr(self, name)
            for name in (
                "view",
                "standing",
                "transparent",
                "turned_vp_mm",
                "alphabet",
                "form",
                "bands",
            )
        }
        common |= {"id": self.id, "group": self.id}
        if self.front is not None:
            wide = (last.left_mm - left + last.width_mm) / HEIGHT_MM * self.front.height_mm
            front = Front(
                x_mm=self.front.x_mm,
                y_mm=self.front.y_mm,
                width_mm=wide,
                height_mm=self.front.height_mm,
            )
            return Word(**common, row=row, front=front, depth=self.depth)
        sides = {"left": self.length, "right": self.thickness}
        if self.run == "right":
            sides = {"left": self.thickness, "right": self.length}
        return Word(**common, row=row, edge=self.edge, run=self.run, **sides)

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        text = "".join(placed.character for placed in self.word.row)
        if self.street is not None:
            return [Letter(word, 0, text) for word in self._along_the_street(self.street, stage)]
        return [Letter(self.word, number, text) for number in range(len(self.word.row))]

    def _along_the_street(self, street: Cut, stage: Stage) -> list[Word]:
        """Each letter by itself, the same distance further back than the one before it.

        What goes t of the way to the vanishing point is in truth as q = t / (1 − t): k such steps
        go kq / (1 + kq) of the way.
        """
        if self.front is None or self.depth is None:
            raise stage.refuse("street", "letters stand along a street in one point; give a front")
        if self.standing != "ground":
            raise stage.refuse("street", "letters along a street stand on the ground")
        vp, words = stage.view.level_points[0].at, []
        first = self.word.front
        assert first is not None
        step = street.share_by_projection(first.corners[3], vp, stage.view)
        check_share(step, street, stage, "street")
        for number, placed in enumerate(self.word.row):
            wide = placed.width_mm / HEIGHT_MM * first.height_mm
            front = first.model_copy(update={"width_mm": wide})
            alone = self.word.model_copy(
                update={"row": (placed._replace(left_mm=0.0),), "front": front}
            )
            thick = self.depth.share_by_projection(alone.depth_start(vp)[0], vp, stage.view)
            check_share(thick, self.depth, stage, "depth")
            gone, deep = number * step / (1.0 - step), thick / (1.0 - thick)
            x, y = part_way(first.corners[0], vp, gone / (1.0 + gone)).xy
            there = Front(
                x_mm=x, y_mm=y,
                width_mm=wide / (1.0 + gone), height_mm=first.height_mm / (1.0 + gone),
            )  # fmt: skip
            update = {
                "id": f"{self.id}:{number + 1}",
                "front": there,
                "street": StreetPlace(number=number, first=front, step=street),
            }
            if number:
                update["depth"] = Cut(fraction=deep / (1.0 + gone + deep))
            words.append(alone.model_copy(update=update))
        return words

    def grips(self, stage: Stage) -> list[Grip]:
        """The cuts of the word's block, by the document's names."""
        stage = named(stage, self.word)
        grips = [
            replace(grip, field=stage.named.get(grip.field, grip.field))
            for grip in self.word.grips(stage)
        ]
        if self.street is not None and self.word.front is not None:
            start, vp = self.word.front.corners[3], stage.view.level_points[0].at
            place = self.street.place_on_paper(start, vp, stage.view, LEVEL)
            grips.append(Grip("street", self.street.way, start, vp, place))
        return grips

    def moved(self, stage: Stage, view: View) -> Self:
        """The same word seen by a viewer who stands elsewhere before the same sheet."""
        there = self.word.moved(named(stage, self.word), view)
        if there.front is not None:
            front = LettersFront(
                x_mm=there.front.x_mm, y_mm=there.front.y_mm, height_mm=there.front.height_mm
            )
            changed: dict[str, Any] = {"front": front, "depth": there.depth}
            if self.street is not None:
                # The way from letter to letter is seen anew as a depth is.
                as_depth = self.word.model_copy(update={"depth": self.street})
                changed["street"] = as_depth.moved(stage, view).depth
            return self.model_copy(update=changed)
        length, thickness = there.left, there.right
        if self.run == "right":
            length, thickness = thickness, length
        return self.model_copy(
            update={
                "edge": there.edge,
                "length": length,
                "thickness": thickness,
                "turned_vp_mm": there.turned_vp_mm,
            }
        )
