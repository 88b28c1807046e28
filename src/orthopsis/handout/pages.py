"""The handout as PDF, and drawings as PNG, both set by typst from figures and plain data."""

from __future__ import annotations

import json
import tempfile
from collections.abc import Sequence
from importlib.resources import files
from pathlib import Path
from typing import Any, Literal

import typst

from orthopsis.construction.moves import Step
from orthopsis.construction.wording import Wording
from orthopsis.exercise.forgiveness import forgiveness
from orthopsis.exercise.resolve import Scene, picture, steps, where_point
from orthopsis.handout.figure import Figure, picture_figure, step_figure
from orthopsis.handout.svg import to_svg
from orthopsis.perspective.stroke import Role

Part = Literal["steps", "key"]
PARTS: tuple[Part, ...] = ("steps", "key")

STEP_FIGURE_MM = 110.0
"""Width at which a step's figure is printed; pens are thickened to match."""


def handout_pdf(scene: Scene, parts: Sequence[Part] = PARTS) -> bytes:
    """The pages of an exercise as one PDF.

    `steps` are A4 pages with one picture and sentence per step; `key` is the finished drawing at
    true size on the exercise's own sheet, with a 100 mm bar to check the printer's scale.
    Raises ExerciseError, NoDrawingOrder.
    """
    drawing = picture(scene)
    files_: dict[str, str] = {}
    scale = max(1.0, scene.sheet.width_mm / STEP_FIGURE_MM * 0.62)
    made = steps(scene) if "steps" in parts else []
    for number in range(1, len(made) + 1):
        files_[f"step-{number}.svg"] = to_svg(step_figure(scene, made, number, scale))
    outlines = [stroke for stroke in drawing if stroke.role is Role.OUTLINE]
    files_["cover.svg"] = to_svg(picture_figure(scene, outlines, scale))
    files_["key.svg"] = to_svg(_bare(picture_figure(scene, outlines)))
    data = _data(scene, made, parts)
    return _typeset("handout.typ", data, files_, "pdf")


def figure_png(figure: Figure, dots_per_inch: float = 100.0) -> bytes:
    """A figure as PNG at true size for the given resolution."""
    data = {"width_mm": figure.width_mm, "height_mm": figure.height_mm}
    return _typeset("figure.typ", data, {"figure.svg": to_svg(figure)}, "png", dots_per_inch)


def figure_pdf(figure: Figure) -> bytes:
    """A figure as one PDF page at true size, with vector lines."""
    data = {"width_mm": figure.width_mm, "height_mm": figure.height_mm}
    return _typeset("figure.typ", data, {"figure.svg": to_svg(figure)}, "pdf")


def _bare(figure: Figure) -> Figure:
    figure.paper = False
    return figure


def _data(scene: Scene, made: Sequence[Step], parts: Sequence[Part]) -> dict[str, Any]:
    exercise, wording = scene.exercise, scene.wording
    return {
        "title": exercise.title,
        "parts": list(parts),
        "sheet": _sheet_words(scene),
        "measures": [*_measures(scene, wording), *_exactness(made)],
        "materials": _materials(scene, wording),
        "minutes": sum(step.minutes for step in made),
        "steps": [
            {
                "title": step.title,
                "instruction": step.instruction,
                "check": step.check,
                "minutes": step.minutes,
            }
            for step in made
        ],
        "width_mm": scene.sheet.width_mm,
        "height_mm": scene.sheet.height_mm,
    }


def _sheet_words(scene: Scene) -> str:
    size, spec = scene.wording.length, scene.exercise.sheet
    across = f"{size(scene.sheet.width_mm)} wide, {size(scene.sheet.height_mm)} high"
    return f"{spec.size} ({across})" if isinstance(spec.size, str) else across


def _measures(scene: Scene, wording: Wording) -> list[list[str]]:
    """The measures a pupil needs before the first step, name and value."""
    rows = [
        [
            f"{wording.eye_level[0].upper()}{wording.eye_level[1:]}",
            f"{wording.length(scene.main.eye_level_mm)} from the top",
        ]
    ]
    for vp in scene.vanishing_points:
        name, place = vp.name, where_point(vp, scene)
        rows.append([name, place.removeprefix(name).strip()])
    return rows


def _exactness(made: Sequence[Step]) -> list[list[str]]:
    forgiven = forgiveness(made)
    return [["Forgiveness", f"measure to within {forgiven.mm:.1f} mm"]] if forgiven else []


def _materials(scene: Scene, wording: Wording) -> list[str]:
    eraser = "rubber" if wording.spelling == "UK" else "eraser"
    things = ["one sheet of drawing paper", "HB and 2B pencils", eraser, "ruler", "set square"]
    if any(not scene.sheet.contains(vp.at) for vp in scene.vanishing_points):
        things.append("a strip of paper and tape for the far vanishing point")
    return things


def _typeset(
    template: str,
    data: dict[str, Any],
    figures: dict[str, str],
    form: Literal["pdf", "png"],
    dots_per_inch: float | None = None,
) -> bytes:
    here = files("orthopsis.handout")
    with tempfile.TemporaryDirectory() as folder:
        room = Path(folder)
        for name, text in figures.items():
            (room / name).write_text(text, encoding="utf-8")
        (room / "data.json").write_text(json.dumps(data), encoding="utf-8")
        page = room / template
        page.write_text(here.joinpath(template).read_text(encoding="utf-8"), encoding="utf-8")
        result = typst.compile(
            page,
            root=room,
            font_paths=[Path(str(here.joinpath("fonts")))],
            ignore_system_fonts=True,
            format=form,
            ppi=dots_per_inch,
        )
    return result if isinstance(result, bytes) else result[0]
