"""What is printed, page by page: figures and plain data, set by typst into one PDF."""

from __future__ import annotations

import io
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any

import segno

from orthopsis.construction.moves import Step
from orthopsis.errors import ExerciseError
from orthopsis.exercise.board import board_factor, on_board, points_note, reach_note
from orthopsis.exercise.corner_test import corner_test
from orthopsis.exercise.materials import materials
from orthopsis.exercise.personal import with_text, word_of
from orthopsis.exercise.plan import lesson_plan
from orthopsis.exercise.resolve import Scene, picture, resolve
from orthopsis.exercise.runthrough import refuse_empty, run_through, shown
from orthopsis.exercise.task import has_word
from orthopsis.exercise.told import check, instruction, title
from orthopsis.handout.aids import (
    corner_marks,
    fan_figure,
    ladders_figure,
    starter_figure,
    strips,
)
from orthopsis.handout.closeup import step_closeup
from orthopsis.handout.corner_test import corner_figure
from orthopsis.handout.figure import Figure, in_grey, picture_figure
from orthopsis.handout.order import OFFICE_MM, Order, Part
from orthopsis.handout.page_words import exactness, measures_of, sheet_words, table_of
from orthopsis.handout.svg import to_svg
from orthopsis.handout.tiles import MARGIN_MM, OVERLAP_MM, tiled
from orthopsis.handout.typeset import typeset
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.phrase import say

STEP_FIGURE_MM = 110.0
"""Width at which a step's figure is printed; pens are thickened to match."""

FIGURES_MM: dict[int, tuple[float, float]] = {2: (176.0, 96.0), 4: (88.0, 56.0), 6: (74.0, 40.0)}
"""How large a step's figure is printed, by how many steps a page has about."""
BESIDE_MM = 100.0
"""A figure that is less wide has its words beside it."""
COVER_MM = 100.0

PLAIN = Order()

Page = dict[str, Any]
Tell = Callable[[int], None]


def handout_pdf(
    scene: Scene, order: Order | Sequence[Part] = PLAIN, tell: Tell | None = None
) -> bytes:
    """The pages that were ordered, as one PDF; `tell` hears how many pupils' sheets are ready.

    Raises ExerciseError, NoDrawingOrder.
    """
    if not isinstance(order, Order):
        order = Order(tuple(order))
    pack = Pack(scene, order)
    makers: dict[Part, Callable[[], None]] = {
        "plan": pack.plan,
        "steps": pack.steps_pages,
        "key": pack.key,
        "starter": lambda: pack.starters(tell or (lambda _: None)),
        "fan": lambda: pack.true_size("fan", fan_figure(scene), "page-fan"),
        "strips": pack.strips,
        "ladders": lambda: pack.true_size("ladders", ladders_figure(scene), "page-ladders"),
        "board": pack.board,
        "corners": pack.corners,
        "slips": pack.slips,
        "materials": pack.materials,
    }
    for part in order.parts:
        makers[part]()
    width_mm, height_mm = OFFICE_MM[order.office]
    data = {
        "title": scene.exercise.title,
        "high_to_wide": scene.sheet.height_mm / scene.sheet.width_mm,
        "office": {"width_mm": width_mm, "height_mm": height_mm},
        "margin_mm": MARGIN_MM,
        "overlap_mm": OVERLAP_MM,
        "pages": pack.pages,
    }
    return typeset("handout.typ", data, pack.files, "pdf")


def figure_png(figure: Figure, dots_per_inch: float = 100.0) -> bytes:
    """A figure as PNG at true size for the given resolution."""
    data = {"width_mm": figure.width_mm, "height_mm": figure.height_mm}
    return typeset("figure.typ", data, {"figure.svg": to_svg(figure)}, "png", dots_per_inch)


def figure_pdf(figure: Figure) -> bytes:
    """A figure as one PDF page at true size, with vector lines."""
    data = {"width_mm": figure.width_mm, "height_mm": figure.height_mm}
    return typeset("figure.typ", data, {"figure.svg": to_svg(figure)}, "pdf")


@dataclass
class Pack:
    """Pages on their way to the printer, with the figures that they show by name."""

    scene: Scene
    order: Order
    pages: list[Page] = field(default_factory=list)
    files: dict[str, str] = field(default_factory=dict)

    @cached_property
    def made(self) -> list[Step]:
        return run_through(self.scene)

    @cached_property
    def outlines(self) -> list[Stroke]:
        return [stroke for stroke in picture(self.scene) if stroke.role is Role.OUTLINE]

    def draw(self, name: str, figure: Figure) -> str:
        """Keep a figure under a name; it is printed without colour where that is asked for."""
        self.files[f"{name}.svg"] = to_svg(in_grey(figure) if self.order.grey else figure)
        return f"{name}.svg"

    def true_size(self, name: str, figure: Figure, words: str, **more: Any) -> None:
        """A page as large as the sheet, or tiles of it on office paper; `words` is its phrase."""
        whole = figure.width_mm, figure.height_mm
        page: Page = {
            "kind": "true",
            "figure": self.draw(name, figure),
            "words": self.scene.words.say(say(words)),
            "width_mm": whole[0],
            "height_mm": whole[1],
            "tiles": [],
            **more,
        }
        if self.order.paper != "sheet":
            tiling = tiled(*whole, OFFICE_MM[self.order.paper])
            page["tiles"] = [tile._asdict() for tile in tiling.tiles]
            page["rows"], page["columns"] = tiling.rows, tiling.columns
            page["page_width_mm"] = tiling.page_width_mm
            page["page_height_mm"] = tiling.page_height_mm
        self.pages.append(page)

    def plan(self) -> None:
        plan, made = lesson_plan(self.scene), self.made
        self.pages.append(
            {
                "kind": "plan",
                "minutes": plan.minutes,
                "age": self.scene.exercise.age,
                "periods": [
                    {
                        "minutes": period.minutes,
                        "steps": [
                            {"number": number, "title": title(made[number - 1], self.scene.words)}
                            for number in range(period.first, period.last + 1)
                            if not made[number - 1].hidden
                        ],
                    }
                    for period in plan.periods
                ],
                "lists": [
                    {"title": self.scene.words.say(say(name)), "lines": lines}
                    for name, lines in (
                        ("plan-words", plan.words),
                        ("plan-look-for", plan.look_for),
                        ("plan-materials", plan.materials),
                        ("plan-cautions", plan.cautions),
                        ("plan-notes", plan.notes.splitlines()),
                    )
                    if lines
                ],
            }
        )

    # --- the parts ---------------------------------------------------------------------------

    def steps_pages(self) -> None:
        scene, made, per_page = self.scene, self.made, self.order.per_page
        refuse_empty(made)
        wide_mm, high_mm = FIGURES_MM[per_page]
        for number in shown(made):
            self.draw(f"step-{number}", step_closeup(scene, made, number, wide_mm, high_mm))
        scale = max(1.0, scene.sheet.width_mm / COVER_MM * 0.45)
        cover = picture_figure(scene, self.outlines, scale)
        self.pages.append(
            {
                "kind": "steps",
                "cover": self.draw("cover", cover),
                "sheet": sheet_words(scene),
                "measures": [*measures_of(scene), *exactness(scene, made)],
                "materials": [scene.words.say(item.name) for item in materials(scene)],
                "minutes": sum(step.minutes for step in made),
                "figure": {"wide_mm": wide_mm, "high_mm": high_mm},
                "beside": wide_mm < BESIDE_MM,
                "letters_pt": {2: 12.0, 4: 10.5, 6: 9.5}[per_page],
                "steps": [
                    {
                        "figure": f"step-{number}.svg",
                        "title": title(made[number - 1], scene.words),
                        "instruction": instruction(made[number - 1], scene.words),
                        "check": check(made[number - 1], scene.words),
                        "table": table_of(made[number - 1], scene.words),
                    }
                    for number in shown(made)
                ],
            }
        )

    def key(self) -> None:
        figure = replace(picture_figure(self.scene, self.outlines), paper=False)
        self.true_size("key", figure, "page-key")

    def starters(self, tell: Tell) -> None:
        """The sheet with its points, or one for each pupil with the name on it."""
        scene, order = self.scene, self.order
        figure = starter_figure(scene, with_points=scene.exercise.given != "rules")
        if order.marks:
            corner_marks(figure)
        if not order.pupils:
            self.true_size("starter", figure, "page-starter", qr=self._code("0", None))
            return
        word = has_word(scene.exercise)
        cards: list[dict[str, Any]] = []
        for number, pupil in enumerate(order.pupils, start=1):
            code = self._code(str(number), pupil.number)
            self.true_size("starter", figure, "page-starter", pupil=pupil.name, qr=code)
            if word:
                cards += self._cards(number, pupil.name)
            tell(number)
        if cards:
            self.pages.append({"kind": "cards", "cards": cards})

    def _cards(self, number: int, pupil: str) -> list[dict[str, Any]]:
        """A pupil's own word: its picture and all its steps. None for a word that cannot be drawn,
        which is told before anything is printed.
        """
        try:
            own = resolve(with_text(self.scene.exercise, word_of(pupil)))
        except ExerciseError:
            return []
        drawn = [stroke for stroke in picture(own) if stroke.role is Role.OUTLINE]
        figure = picture_figure(own, drawn, own.sheet.width_mm / STEP_FIGURE_MM * 0.5)
        name = self.draw(f"card-{number}", figure)
        told = [
            {
                "title": title(step, own.words),
                "instruction": instruction(step, own.words),
                "table": table_of(step, own.words),
            }
            for step in run_through(own)
            if not step.hidden
        ]
        return [{"pupil": pupil, "figure": name, "steps": told}]

    def _code(self, name: str, pupil: int | None) -> str | None:
        """A QR code that says which sheet this is; None where it is not asked for."""
        if not self.order.marks or self.order.code is None:
            return None
        text = self.order.code._replace(pupil=pupil).text
        out = io.BytesIO()
        segno.make(text, error="m", micro=False).save(out, kind="svg", border=2, xmldecl=False)
        self.files[f"qr-{name}.svg"] = out.getvalue().decode()
        return f"qr-{name}.svg"

    def strips(self) -> None:
        cut = [
            {
                "title": strip.title,
                "note": strip.note,
                "figure": self.draw(f"strip-{number}", strip.figure),
                "width_mm": strip.figure.width_mm,
            }
            for number, strip in enumerate(strips(self.scene), start=1)
        ]
        self.pages.append({"kind": "strips", "strips": cut})

    def board(self) -> None:
        """The construction in board measures, for the teacher's hand."""
        large = on_board(self.scene)
        made = [step for step in run_through(large) if not step.hidden]
        factor = board_factor(self.scene)
        length = large.wording.length
        words, beside = large.words, points_note(large)
        notes = [] if beside is None else [words.say(beside)]
        self.pages.append(
            {
                "kind": "board",
                "size": f"{length(large.sheet.width_mm)} × {length(large.sheet.height_mm)}",
                "factor": f"{factor:g}",
                "notes": notes,
                "steps": [
                    {
                        "title": title(step, words),
                        "instruction": instruction(step, words),
                        "note": words.together(filter(None, [reach_note(large, step)])),
                        "table": table_of(step, words),
                    }
                    for step in made
                ],
            }
        )

    def corners(self) -> None:
        """The corner test: the worksheet, and its key; a word instead where there is none."""
        words, test = self.scene.words, corner_test(self.scene)
        if test is None:
            none = {
                "title": words.say(say("corner-test")),
                "what": words.say(say("corner-test-none")),
            }
            self.pages.append({"kind": "corners", "count": 0, **none})
            return
        draws = [corner.draws for corner in test.corners]
        for name, figure, answers in (
            ("corners", corner_figure(self.scene, test, key=False), None),
            ("corners-key", corner_figure(self.scene, test, key=True), draws),
        ):
            self.pages.append(
                {
                    "kind": "corners",
                    "figure": self.draw(name, figure),
                    "title": figure.title,
                    "count": len(test.corners),
                    "answers": answers,
                    "lines": test.lines,
                    "what": words.say(say("corner-test-what")),
                    "total": words.say(say("corner-test-total")),
                }
            )

    def slips(self) -> None:
        scene = self.scene
        families = [vp.name for vp in scene.vanishing_points]
        lines = [
            {"family": name, "count": sum(stroke.family == name for stroke in self.outlines)}
            for name in [*families, "vertical", "horizontal"]
        ]
        self.pages.append(
            {
                "kind": "slips",
                "lines": [line for line in lines if line["count"]],
                "eye_level": scene.words.say(say("eye-level")),
                "pupils": [pupil.name for pupil in self.order.pupils],
            }
        )

    def materials(self) -> None:
        count = len(self.order.pupils) or self.order.class_size
        self.pages.append(
            {
                "kind": "materials",
                "count": count,
                "items": [
                    {
                        "name": self.scene.words.say(item.name),
                        "each": self.scene.words.say(item.each),
                        "all": item.for_class(count),
                    }
                    for item in materials(self.scene)
                ],
            }
        )
