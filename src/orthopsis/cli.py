"""The command line: the same core, without server or database.

Heavy parts are imported inside the verbs that need them, so that `draw` starts at once.
"""

from __future__ import annotations

import json
import os
import sys
import tempfile
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Annotated, Any, NoReturn

import typer

from orthopsis.errors import ExerciseError, OrthopsisError, OutputError

if TYPE_CHECKING:
    from collections.abc import Iterator

    from orthopsis.exercise.document import Exercise
    from orthopsis.exercise.resolve import Scene

app = typer.Typer(
    add_completion=False,
    no_args_is_help=True,
    pretty_exceptions_enable=False,
    rich_markup_mode=None,
)

File = Annotated[str, typer.Argument(help="An exercise document, or - for standard input.")]
Out = Annotated[str, typer.Option("-o", "--output", help="Where to write; - is standard output.")]


@app.command()
def draw(
    file: File,
    form: Annotated[str, typer.Option("--format", help="json, svg or png")] = "json",
    step: Annotated[int | None, typer.Option(help="The sheet after this step.")] = None,
    output: Out = "-",
) -> None:
    """Draw the exercise, finished or up to a step."""
    from orthopsis.exercise.records import drawing_record
    from orthopsis.exercise.resolve import picture, steps

    _one_of("--format", form, ("json", "svg", "png"))
    with _scene(file) as scene:
        if form == "json":
            if step is None:
                strokes = picture(scene)
            else:
                from orthopsis.exercise.state import lines_after

                strokes = [d.stroke for d, _ in lines_after(steps(scene), _step(step, scene))]
            _write(output, _json(drawing_record(scene, strokes)))
            return
        from orthopsis.handout.figure import picture_figure, step_figure

        if step is None:
            figure = picture_figure(scene, picture(scene))
        else:
            figure = step_figure(scene, steps(scene), _step(step, scene))
        if form == "svg":
            from orthopsis.handout.svg import to_svg

            _write(output, to_svg(figure))
        else:
            from orthopsis.handout.pages import figure_png

            _write(output, figure_png(figure))


@app.command()
def steps(
    file: File,
    form: Annotated[str, typer.Option("--format", help="json or text")] = "text",
    output: Out = "-",
) -> None:
    """Print the ruler-and-pencil steps."""
    from orthopsis.exercise.records import steps_record, steps_text
    from orthopsis.exercise.resolve import steps as steps_of

    _one_of("--format", form, ("json", "text"))
    with _scene(file) as scene:
        made = steps_of(scene)
        _write(output, _json(steps_record(made)) if form == "json" else steps_text(scene, made))


@app.command()
def handout(
    file: File,
    output: Annotated[str, typer.Option("-o", "--output", help="The PDF to write.")],
    pack: Annotated[str, typer.Option(help="Parts, by comma: steps, key")] = "steps,key",
) -> None:
    """Write the handout as PDF."""
    from orthopsis.handout.pages import PARTS, handout_pdf

    parts = [part.strip() for part in pack.split(",") if part.strip()]
    for part in parts:
        _one_of("--pack", part, PARTS)
    with _scene(file) as scene:
        _write(output, handout_pdf(scene, [part for part in PARTS if part in parts]))


@app.command()
def check(
    file: File,
    image: Annotated[str, typer.Argument(help="A photo or scan (JPEG, PNG), or an SVG of lines.")],
    step: Annotated[int | None, typer.Option(help="Judge a sheet drawn up to this step.")] = None,
    form: Annotated[str, typer.Option("--format", help="json or text")] = "text",
) -> None:
    """Judge a pupil's sheet against the exercise."""
    from orthopsis.marking.judge import check_image
    from orthopsis.marking.records import verdict_record, verdict_text

    _one_of("--format", form, ("json", "text"))
    with _scene(file) as scene:
        data = _read_bytes(image)
        verdict = check_image(scene, data, None if step is None else _step(step, scene))
        _write("-", _json(verdict_record(verdict)) if form == "json" else verdict_text(verdict))


@app.command()
def scan(
    file: File,
    output: Annotated[str, typer.Option("-o", "--output", help="The JPEG or PNG to write.")],
    seed: Annotated[int, typer.Option(help="Which pupil draws it.")] = 1,
    mistakes: Annotated[str, typer.Option(help="By comma: lean, high-vp, stray, wrong-vp")] = "",
    flat: Annotated[
        bool, typer.Option("--flat", help="A flat scanner instead of a phone.")
    ] = False,
) -> None:
    """Play a pupil with a pencil and a camera; the truth is written beside the photo."""
    from orthopsis.demo.scanner import MISTAKES, scan_sheet

    names = [name.strip() for name in mistakes.split(",") if name.strip()]
    for name in names:
        _one_of("--mistakes", name, MISTAKES)
    with _scene(file) as scene:
        photo, truth = scan_sheet(scene, seed=seed, mistakes=names, flat=flat, form=_suffix(output))
        _write(output, photo)
        if output != "-":
            _write(str(Path(output).with_suffix(".truth.json")), _json(truth))


@app.command()
def schema() -> None:
    """Print the JSON Schema of exercise documents."""
    from orthopsis.exercise.document import json_schema

    _write("-", _json(json_schema()))


@contextmanager
def _scene(file: str) -> Iterator[Scene]:
    """The resolved document; every refusal becomes one line that names file, field and remedy."""
    from orthopsis.exercise.load import parse
    from orthopsis.exercise.resolve import resolve

    exercise: Exercise
    try:
        exercise = parse(_read_bytes(file))
        yield resolve(exercise)
    except ExerciseError as error:
        _fail(f"{file}: {error}")
    except OrthopsisError as error:
        _fail(str(error))


def _step(number: int, scene: Scene) -> int:
    from orthopsis.exercise.resolve import steps as steps_of

    count = len(steps_of(scene))
    if not 1 <= number <= count:
        _fail(f"--step: {number} is not one of the steps 1 to {count}; choose one of them")
    return number


def _one_of(option: str, value: str, known: tuple[str, ...]) -> None:
    if value not in known:
        _fail(f"{option}: '{value}' is unknown; use one of {', '.join(known)}")


def _suffix(output: str) -> str:
    return Path(output).suffix.lower() or ".jpg"


def _read_bytes(name: str) -> bytes:
    if name == "-":
        return sys.stdin.buffer.read()
    try:
        return Path(name).read_bytes()
    except OSError as error:
        _fail(f"{name}: cannot be read ({error.strerror}); check the name")


def _json(data: Any) -> str:
    return json.dumps(data, ensure_ascii=False, indent=1) + "\n"


def _write(name: str, content: str | bytes) -> None:
    """Write whole or not at all: a temporary file beside the target, then a rename."""
    data = content.encode() if isinstance(content, str) else content
    if name == "-":
        sys.stdout.buffer.write(data)
        sys.stdout.buffer.flush()
        return
    target = Path(name)
    try:
        if target.exists() and not target.is_file():
            # A pipe or a device is written to, never replaced.
            target.write_bytes(data)
            return
        handle, temporary = tempfile.mkstemp(dir=target.parent, prefix=f".{target.name}.")
        try:
            with os.fdopen(handle, "wb") as stream:
                stream.write(data)
            Path(temporary).chmod(0o644)
            Path(temporary).replace(target)
        except BaseException:
            Path(temporary).unlink(missing_ok=True)
            raise
    except OSError as error:
        raise OutputError(
            f"{name}: cannot be written ({error.strerror}); choose another place"
        ) from None


def _fail(message: str) -> NoReturn:
    typer.echo(" ".join(message.split()), err=True)
    raise typer.Exit(2)


def main() -> None:
    """Entry point of `python -m orthopsis.cli`."""
    app()


if __name__ == "__main__":
    main()
