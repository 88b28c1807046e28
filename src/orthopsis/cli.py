"""The command line: the same core, without server or database.

Only the standard library is imported here, and each verb imports what it needs: `draw` of a small
document is done before an eye notices.
"""

from __future__ import annotations

import argparse
import gc
import json
import os
import sys
from collections.abc import Callable, Sequence
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Any, NoReturn

from orthopsis.errors import ExerciseError, OrthopsisError, OutputError
from orthopsis.phrase import Number, Own, listed, say

# A verb runs and ends: collecting garbage meanwhile would only slow its start.
gc.disable()

if TYPE_CHECKING:
    from collections.abc import Iterator

    from orthopsis.construction.moves import Step
    from orthopsis.exercise.document import DemandName, Exercise
    from orthopsis.exercise.resolve import Scene
    from orthopsis.marking.judge import SheetVerdict


def draw(args: argparse.Namespace) -> None:
    """Draw the exercise, finished or up to a step."""
    from orthopsis.exercise.runthrough import run_through
    from orthopsis.handout.export import exported

    with _scene(args) as scene:
        if args.format == "gltf" and args.step is not None:
            raise OutputError(say("cli-step-of-solids"))
        made = [] if args.step is None else run_through(scene)
        number = None if args.step is None else _step(args.step, len(made))
        if args.format == "json":
            _write(args.output, _json(_drawing(scene, made, number)))
        else:
            _write(args.output, exported(scene, args.format, number, made))


def _drawing(scene: Scene, made: Sequence[Step], number: int | None) -> dict[str, Any]:
    from orthopsis.exercise.records import drawing_record
    from orthopsis.exercise.state import strokes_at
    from orthopsis.exercise.tone import planes

    toned = scene.exercise.tone is not None and number is None
    strokes = strokes_at(scene, made, number)
    return drawing_record(scene, strokes, planes(scene) if toned else None).plain()


def steps(args: argparse.Namespace) -> None:
    """Print the ruler-and-pencil steps."""
    from orthopsis.exercise.records import steps_record, steps_text
    from orthopsis.exercise.runthrough import run_through

    with _scene(args) as scene:
        made = run_through(scene)
        text = (
            _json(steps_record(scene, made).plain())
            if args.format == "json"
            else steps_text(scene, made)
        )
        _write(args.output, text)


def handout(args: argparse.Namespace) -> None:
    """Write the handout as PDF."""
    from orthopsis.handout.order import PARTS, Order
    from orthopsis.handout.pages import handout_pdf

    wanted = [part.strip() for part in args.pack.split(",") if part.strip()]
    _known("--pack", wanted, PARTS)
    with _scene(args) as scene:
        order = Order(
            parts=tuple(part for part in PARTS if part in wanted),
            per_page=args.per_page,
            paper=args.paper,
            office="Letter" if args.paper == "Letter" else "A4",
            grey=args.grey,
            marks=args.marks,
        )
        _write(args.output, handout_pdf(scene, order))


def check(args: argparse.Namespace) -> None:
    """Judge a pupil's sheet against the exercise, or with --free a picture by itself."""
    if args.free:
        if args.image is not None:
            raise OutputError(say("cli-free-alone"))
        _check_freely(args)
        return
    if args.image is None:
        raise OutputError(say("cli-check-both"))
    from orthopsis.exercise.resolve import resolve
    from orthopsis.marking.records import verdict_record, verdict_text

    picture = _read_bytes(args.image)
    with _document(args) as exercise:
        verdict = _judged(exercise, args, picture, args.demand or "standard")
        if args.demand is None and verdict.code is not None and verdict.code.demand != "standard":
            # The sheet says itself from what it was drawn.
            verdict = _judged(exercise, args, picture, verdict.code.demand)
        words = resolve(exercise).words
        if args.format == "json":
            shown = _json(verdict_record(verdict, words).plain())
        else:
            shown = verdict_text(verdict, words)
        _write("-", shown)


def _judged(
    exercise: Exercise, args: argparse.Namespace, picture: bytes, demand: DemandName
) -> SheetVerdict:
    from orthopsis.exercise.resolve import resolve
    from orthopsis.exercise.task import Task, as_asked
    from orthopsis.marking.judge import check_image
    from orthopsis.marking.judging.verdicts import STRICTNESS

    scene = resolve(as_asked(exercise, Task(demand, args.text)))
    return check_image(scene, picture, args.step, demand=STRICTNESS[demand])


def _check_freely(args: argparse.Namespace) -> None:
    from orthopsis.marking.free_records import free_record, free_text
    from orthopsis.marking.judging.free_picture import read_picture
    from orthopsis.marking.sheet.intake import the_only_sheet

    record = free_record(read_picture(the_only_sheet(_read_bytes(args.file))))
    _write("-", _json(record.plain()) if args.format == "json" else free_text(record))


def scan(args: argparse.Namespace) -> None:
    """Play a pupil with a pencil and a camera; the truth is written beside the photo."""
    from orthopsis.demo.scanner import MISTAKES, scan_sheet

    mistakes = [name.strip() for name in args.mistakes.split(",") if name.strip()]
    _known("--mistakes", mistakes, MISTAKES)
    form = "png" if Path(args.output).suffix.lower() == ".png" else "jpeg"
    with _scene(args) as scene:
        photo, truth = scan_sheet(scene, args.seed, mistakes, flat=args.flat, form=form)
        _write(args.output, photo)
        if args.output != "-":
            _write(str(Path(args.output).with_suffix(".truth.json")), _json(truth))


def schema(args: argparse.Namespace) -> None:
    """Print the JSON Schema of exercise documents."""
    from orthopsis.exercise.document import json_schema

    _write("-", _json(json_schema()))


FORMATS = ("json", "svg", "png", "pdf", "dxf", "gltf")


def parser() -> argparse.ArgumentParser:
    """The verbs and their options."""
    top = _Parser(prog="orthopsis", description="Perspective exercises: drawn, taught, judged.")
    verbs = top.add_subparsers(metavar="VERB", required=True, parser_class=_Parser)

    def verb(run: Callable[[argparse.Namespace], None]) -> argparse.ArgumentParser:
        added = verbs.add_parser(run.__name__, help=run.__doc__, description=run.__doc__)
        added.set_defaults(run=run)
        if run is not schema:
            added.add_argument("file", help="an exercise document, or - for standard input")
            added.add_argument(
                "--text", help="draw this in its first word, fitted to the sheet: a pupil's name"
            )
            added.add_argument(
                "--demand",
                choices=("first steps", "standard", "stretch"),
                help="the exercise as this demand has it; check also finds it in a printed code",
            )
        return added

    drawing = verb(draw)
    drawing.add_argument("--format", choices=FORMATS, default="json")
    drawing.add_argument("--step", type=int, help="the sheet after this step")
    stepping = verb(steps)
    stepping.add_argument("--format", choices=("json", "text"), default="text")
    for printing in (drawing, stepping):
        printing.add_argument("-o", "--output", default="-", help="where to write; - for output")
    paging = verb(handout)
    paging.add_argument("-o", "--output", required=True, help="the PDF to write")
    paging.add_argument(
        "--pack",
        default="steps,key",
        help="parts, by comma: plan, steps, key, starter, fan, strips, ladders, board, slips, "
        "materials",
    )
    paging.add_argument(
        "--per-page", type=int, choices=(2, 4, 6), default=6, help="steps to a page"
    )
    paging.add_argument(
        "--paper",
        choices=("sheet", "A4", "Letter"),
        default="sheet",
        help="true-size pages on the exercise's own sheet, or in tiles on office paper",
    )
    paging.add_argument("--grey", action="store_true", help="no colours")
    paging.add_argument("--marks", action="store_true", help="corner marks on starter sheets")
    checking = verb(check)
    checking.add_argument(
        "image",
        nargs="?",
        help="a photo or scan (JPEG, PNG, WebP, HEIC, TIFF, PDF), or an SVG of lines",
    )
    checking.add_argument(
        "--free", action="store_true", help="no exercise: find eye level and points of a picture"
    )
    checking.add_argument("--step", type=int, help="judge a sheet drawn up to this step")
    checking.add_argument("--format", choices=("json", "text"), default="text")
    scanning = verb(scan)
    scanning.add_argument("-o", "--output", required=True, help="the JPEG or PNG to write")
    scanning.add_argument("--seed", type=int, default=1, help="which pupil draws it")
    scanning.add_argument(
        "--mistakes",
        default="",
        help="by comma: lean, high-vp, stray, wrong-vp, missing, overshoot, gape, unerased",
    )
    scanning.add_argument("--flat", action="store_true", help="a flat scanner, not a phone")
    verb(schema)
    return top


class _Parser(argparse.ArgumentParser):
    """Refuses in one line."""

    def error(self, message: str) -> NoReturn:
        _fail(f"{message}; see {self.prog} --help")


@contextmanager
def _document(args: argparse.Namespace) -> Iterator[Exercise]:
    """The document; a refusal of it names the file."""
    from orthopsis.exercise.load import parse

    data = _read_bytes(args.file)
    try:
        yield parse(data)
    except ExerciseError as error:
        _fail(f"{args.file}: {error}")


@contextmanager
def _scene(args: argparse.Namespace) -> Iterator[Scene]:
    """The resolved document, by the demand and with the word that are asked for."""
    from orthopsis.exercise.resolve import resolve

    with _document(args) as exercise:
        if args.demand is not None or args.text is not None:
            from orthopsis.exercise.task import Task, as_asked

            exercise = as_asked(exercise, Task(args.demand or "standard", args.text))
        yield resolve(exercise)


def _step(number: int, count: int) -> int:
    if not 1 <= number <= count:
        raise OutputError(say("cli-no-such-step", number=Number(number), count=Number(count)))
    return number


def _known(option: str, values: Sequence[str], known: Sequence[str]) -> None:
    for value in values:
        if value not in known:
            raise OutputError(
                say("cli-unknown", option=Own(option), value=Own(value), known=listed(known))
            )


def _read_bytes(name: str) -> bytes:
    if name == "-":
        return sys.stdin.buffer.read()
    try:
        return Path(name).read_bytes()
    except OSError as error:
        raise OutputError(
            say("cli-cannot-read", file=Own(name), why=Own(error.strerror or ""))
        ) from None


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
        part = target.with_name(f".{target.name}.{os.getpid()}.part")
        try:
            with part.open("xb") as stream:
                stream.write(data)
            part.replace(target)
        finally:
            part.unlink(missing_ok=True)
    except OSError as error:
        why = Own(error.strerror or "")
        raise OutputError(say("cli-cannot-write", file=Own(name), why=why)) from None


def _fail(message: str) -> NoReturn:
    print(" ".join(message.split()), file=sys.stderr)
    raise SystemExit(2)


MOST_MEMORY = 4_000_000_000
MOST_SECONDS = 300
"""Of one verb: what wants more is a mistake or an attack, and no exercise."""


def _bounded() -> None:
    """Have the system end what takes too much, in words where there is still room for them."""
    import resource
    import signal

    def too_long(*_: object) -> NoReturn:
        raise OutputError(say("cli-too-long"))

    signal.signal(signal.SIGXCPU, too_long)
    used = resource.getrusage(resource.RUSAGE_SELF)
    ends = int(used.ru_utime + used.ru_stime) + MOST_SECONDS
    for what, most in ((resource.RLIMIT_AS, MOST_MEMORY), (resource.RLIMIT_CPU, ends)):
        _, hard = resource.getrlimit(what)
        if hard == resource.RLIM_INFINITY or hard > most:
            resource.setrlimit(what, (most, hard))


def main(arguments: Sequence[str] | None = None) -> None:
    """Run one verb; exit 2 with one line on stderr when it is refused."""
    args = parser().parse_args(arguments)
    try:
        args.run(args)
    except OrthopsisError as error:
        _fail(str(error))
    except MemoryError:
        gc.collect()
        _fail(str(OutputError(say("cli-too-much-memory"))))
    except BrokenPipeError:
        # The reader of a pipe has gone: nothing is wrong here.
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())


if __name__ == "__main__":
    _bounded()
    main()
