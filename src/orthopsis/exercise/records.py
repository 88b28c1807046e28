"""The drawing and its steps as records: what `draw` and `steps` print, and what the web sends.

One model each, for the command line and the web alike; what is not set is not put out.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, Literal, NotRequired

from pydantic import BaseModel, ConfigDict
from typing_extensions import TypedDict

from orthopsis.construction.moves import Step, StepStroke
from orthopsis.exercise.crowd import CLOSE, crowd, named_marks
from orthopsis.exercise.forgiveness import forgiveness, rounded_miss_mm
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.told import (
    check,
    headings,
    instruction,
    measures_of,
    rows,
    title,
)
from orthopsis.exercise.tone import Plane
from orthopsis.perspective.segments import box_of
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Stroke
from orthopsis.perspective.view import VanishingPoint
from orthopsis.phrase import Number, say
from orthopsis.wording.words import Words

DECIMALS = 6
XY = tuple[float, float]
RoleName = Literal["outline", "hidden", "guide", "shadow", "tone"]


class Record(BaseModel):
    """What is put out: built from values that are right, so that they are not checked again."""

    model_config = ConfigDict(populate_by_name=True, from_attributes=True)

    def plain(self) -> dict[str, Any]:
        """The record as it is printed or kept."""
        return self.model_dump(mode="json", by_alias=True, exclude_unset=True)


class SheetRecord(Record):
    width_mm: float
    height_mm: float


class VanishingPointRecord(Record):
    """A vanishing point: its place, or its direction when it lies at infinity."""

    name: str
    x_mm: float | None = None
    y_mm: float | None = None
    direction: XY | None = None


# Lines are many: a dictionary is put out as fast as it is made.
StrokeRecord = TypedDict(
    "StrokeRecord",
    {
        "from": XY,
        "to": XY,
        "family": str,
        "role": RoleName,
        "piece": str | None,
        "curve": NotRequired[int | None],
        "on": NotRequired[str | None],
    },
)
StrokeRecord.__doc__ = (
    "A line; the chords of one curve share its number, a shadow's lies `on` what."
)


class PlaneRecord(Record):
    """A toned plane: its value, 0 paper white to 3 darkest, and its loops."""

    piece: str
    value: int
    loops: list[list[XY]]


class DrawingRecord(Record):
    """What `draw --format json` prints."""

    version: Literal[1] = 1
    sheet: SheetRecord
    eye_level_mm: float
    vanishing_points: list[VanishingPointRecord]
    strokes: list[StrokeRecord]
    planes: list[PlaneRecord] | None = None


class MarkRecord(Record):
    name: str
    at: XY


class MeasureRecord(Record):
    zero: str
    axis: Literal["x", "y", "along"]
    mm: float


class StepStrokeRecord(StrokeRecord):
    """A line of a step, and what becomes of it."""

    fate: Literal["keep", "guide", "erase"]


class BeyondRecord(Record):
    """A sheet taped on, its left, top, right and bottom, and the ends of the lines on it."""

    paper: tuple[float, float, float, float]
    lines: list[tuple[XY, XY]]


class StepRecord(Record):
    """A step as it is said and drawn.

    `act` is what it belongs to in the order of teaching. A `bulk` step does one thing many times;
    where its measures differ, `table` has a row for each, under the headings in `columns`.
    `crowd` is the left, top, right and bottom of marks that lie too close to be told apart.
    `beyond` are sheets taped on beside the first, with the light lines on them.
    `names` are the marks that its words name, `said` its measures as a teacher's words may call
    them: {1} is the first. `key` is what it is known by; the `second` part of a split step shares
    the first one's.
    """

    number: int
    title: str
    act: str
    piece: str | None
    instruction: str
    minutes: float
    marks: list[MarkRecord]
    measures: list[MeasureRecord]
    strokes: list[StepStrokeRecord]
    tried: list[StrokeRecord]
    darkens: list[int]
    erases: list[int]
    check: str
    key: str
    hidden: bool
    note: str
    second: bool
    bulk: bool
    columns: list[str] | None = None
    table: list[list[str]] | None = None
    crowd: tuple[float, float, float, float] | None = None
    beyond: list[BeyondRecord] | None = None
    names: list[str]
    said: list[str]


class StepsRecord(Record):
    """What `steps --format json` prints; `forgiveness_mm` is the misreading that lets no corner
    gape, null when nothing is drawn.
    """

    version: Literal[1] = 1
    steps: list[StepRecord]
    forgiveness_mm: float | None


def number(value: float) -> float:
    """A coordinate with 6 decimals, and no minus before zero."""
    return round(float(value), DECIMALS) + 0.0


def point(xy: tuple[float, float]) -> XY:
    return round(xy[0], DECIMALS) + 0.0, round(xy[1], DECIMALS) + 0.0


def stroke_record(stroke: Stroke) -> StrokeRecord:
    record: StrokeRecord = {
        "from": point(stroke.start),
        "to": point(stroke.end),
        "family": stroke.family,
        "role": stroke.role.value,
        "piece": None if stroke.part is None else str(stroke.part),
    }
    if stroke.curve is not None:
        record["curve"] = stroke.curve
    if stroke.on is not None:
        record["on"] = stroke.on
    return record


def _drawn_record(drawn: StepStroke) -> StepStrokeRecord:
    return {**stroke_record(drawn.stroke), "fate": drawn.fate}


def vanishing_point_record(vp: VanishingPoint) -> VanishingPointRecord:
    if vp.at.at_infinity:
        return VanishingPointRecord(name=vp.name, direction=(number(vp.at.x), number(vp.at.y)))
    x, y = vp.at.xy
    return VanishingPointRecord(name=vp.name, x_mm=number(x), y_mm=number(y))


def drawing_record(
    scene: Scene, strokes: Sequence[Stroke], planes: Sequence[Plane] | None = None
) -> DrawingRecord:
    """The drawing, with its toned planes where these are asked for."""
    fields: dict[str, Any] = {} if planes is None else {"planes": list(map(plane_record, planes))}
    sheet = scene.sheet
    return DrawingRecord.model_construct(
        sheet=SheetRecord(width_mm=number(sheet.width_mm), height_mm=number(sheet.height_mm)),
        eye_level_mm=number(scene.main.eye_level_mm),
        vanishing_points=[vanishing_point_record(vp) for vp in scene.goals],
        strokes=[stroke_record(stroke) for stroke in strokes],
        **fields,
    )


def plane_record(plane: Plane) -> PlaneRecord:
    loops = [[point(xy) for xy in loop] for loop in plane.loops]
    return PlaneRecord.model_construct(piece=str(plane.part), value=plane.value, loops=loops)


def step_record(position: int, made: Sequence[Step], words: Words, sheet: Sheet) -> StepRecord:
    """The step at a position, from 1."""
    step = made[position - 1]
    fields: dict[str, Any] = {}
    close = crowd(named_marks(made, position), CLOSE * sheet.width_mm)
    if close:
        fields["crowd"] = box_of(mark.at.xy for mark in close)
    if step.beyond:
        fields["beyond"] = [
            BeyondRecord(
                paper=one.paper, lines=[(point(start), point(end)) for start, end in one.lines]
            )
            for one in step.beyond
        ]
    if step.table is not None:
        fields |= {"columns": headings(step.table, words), "table": rows(step.table, words)}
    return StepRecord(
        number=position,
        title=title(step, words),
        act=step.act.value,
        piece=None if step.part is None else str(step.part),
        instruction=instruction(step, words),
        minutes=step.minutes,
        marks=[
            MarkRecord(name=mark.name, at=point(mark.at.xy)) for mark in step.marks if mark.lettered
        ],
        measures=[MeasureRecord(zero=m.zero, axis=m.axis, mm=number(m.mm)) for m in step.measures],
        strokes=[_drawn_record(drawn) for drawn in step.strokes],
        tried=[stroke_record(stroke) for stroke in step.tried],
        darkens=step.darkens,
        erases=step.erases,
        check=check(step, words),
        key=str(step.key),
        hidden=step.hidden,
        note=step.note,
        second=step.second,
        bulk=step.bulk,
        **fields,
        names=sorted(step.names),
        said=[words.wording.length(mm) for mm in measures_of(step)],
    )


def steps_record(scene: Scene, steps: Sequence[Step]) -> StepsRecord:
    """The steps in a teacher's words."""
    forgiven = forgiveness(steps)
    return StepsRecord(
        steps=[step_record(i, steps, scene.words, scene.sheet) for i in range(1, len(steps) + 1)],
        forgiveness_mm=None if forgiven is None else number(forgiven.mm),
    )


def steps_text(scene: Scene, steps: Sequence[Step]) -> str:
    """What `steps --format text` prints: to be read aloud or copied to the board."""
    words = scene.words
    lines = [scene.exercise.title, *forgiveness_words(scene, steps), ""]
    said = [step for step in steps if not step.hidden]
    for i, step in enumerate(said, start=1):
        lines += [f"{i}. {title(step, words)} ({step.minutes:g} min)"]
        lines += [f"   {instruction(step, words)}"]
        lines += [f"   {line}" for line in _table_text(step, words)]
        lines += [f"   Check: {check(step, words)}", ""]
    return "\n".join(lines)


def _table_text(step: Step, words: Words) -> list[str]:
    """A table in columns of equal width."""
    if step.table is None:
        return []
    lines = [headings(step.table, words), *rows(step.table, words)]
    wide = [max(map(len, column)) for column in zip(*lines, strict=True)]
    return [
        "  ".join(cell.ljust(size) for cell, size in zip(line, wide, strict=True)).rstrip()
        for line in lines
    ]


def forgiveness_words(scene: Scene, steps: Sequence[Step]) -> list[str]:
    """How exactly to measure, in one line; none when nothing is drawn."""
    forgiven = forgiveness(steps)
    if forgiven is None:
        return []
    miss_mm = rounded_miss_mm(scene)
    return [scene.words.say(say("forgiveness", mm=Number(forgiven.mm, 1), miss=Number(miss_mm, 1)))]
