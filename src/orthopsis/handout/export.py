"""A drawing, or a step of it, in an open format."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal, get_args

from orthopsis.construction.moves import Step
from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import as_text
from orthopsis.exercise.resolve import Scene, picture
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.state import strokes_at
from orthopsis.handout.figure import picture_figure, step_figure
from orthopsis.handout.svg import to_svg
from orthopsis.phrase import Number, say

Format = Literal["json", "svg", "pdf", "png", "dxf", "gltf"]
FORMATS: tuple[Format, ...] = get_args(Format)

MEDIA_TYPES: dict[Format, str] = {
    "json": "application/json",
    "svg": "image/svg+xml",
    "pdf": "application/pdf",
    "png": "image/png",
    "dxf": "image/vnd.dxf",
    "gltf": "model/gltf+json",
}


def exported(
    scene: Scene, form: Format, number: int | None = None, made: Sequence[Step] = ()
) -> bytes:
    """The finished drawing, or the sheet after a step, as a file. `json` is the exercise itself.

    `made` are the steps where they are known already. What a format needs is loaded with it, as the
    command line draws quickly. Raises ExerciseError where there is no such step, or the format has
    none.
    """
    if form == "json":
        return as_text(scene.exercise).encode()
    if form == "gltf":
        if number is not None:
            raise ExerciseError("step", say("refused-gltf-of-a-step"))
        from orthopsis.handout.gltf import to_gltf

        return to_gltf(scene).encode()
    if number is not None:
        made = made or run_through(scene)
        if not 1 <= number <= len(made):
            raise ExerciseError(
                "step",
                say(
                    "refused-no-such-step",
                    number=Number(float(number)),
                    count=Number(float(len(made))),
                ),
            )
    if form == "dxf":
        from orthopsis.handout.dxf import to_dxf

        return to_dxf(scene, strokes_at(scene, made, number)).encode()
    if number is None:
        figure = picture_figure(scene, picture(scene))
    else:
        figure = step_figure(scene, made, number)
    if form == "svg":
        return to_svg(figure).encode()
    from orthopsis.handout.pages import figure_pdf, figure_png

    return figure_png(figure) if form == "png" else figure_pdf(figure)
