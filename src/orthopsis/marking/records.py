"""A verdict as a record: what `check` prints, what is kept with a sheet, and what the web sends.

One model for all three; what is not set is not put out. What is kept says a finding as a phrase, so
that it can be said later in other units and words; a sentence is put to it where somebody reads it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict
from typing import Annotated, Literal

from pydantic import Field, JsonValue

from orthopsis.construction.moves import count
from orthopsis.exercise.document import DemandName
from orthopsis.exercise.records import XY, Record, number, point
from orthopsis.exercise.task import SheetCode, Task
from orthopsis.marking.doubt import sureness
from orthopsis.marking.findings.one import Finding, Level
from orthopsis.marking.judge import SheetVerdict
from orthopsis.marking.judging.answer_key import LEVEL_GOALS
from orthopsis.marking.judging.verdicts import JudgedStroke, MeetingPoint, Verdict
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.marking.sheet.photo import Grey
from orthopsis.perspective.plane import Point, direction
from orthopsis.phrase import Number, Phrase, PointName, phrase_of, phrase_record, say
from orthopsis.wording.words import Words


class JudgedStrokeRecord(Record):
    """A line with its verdict. `number` names it in corrections; `meant` was bent on purpose.

    `true` is the true line through its middle, null for a stray.
    """

    start: Annotated[XY, Field(alias="from")]
    end: Annotated[XY, Field(alias="to")]
    family: str
    miss_mm: float | None
    angle_deg: float | None
    verdict: Literal["on", "near", "off", "stray"]
    own_deg: float | None = None
    true: tuple[XY, XY] | None = None
    number: int = -1
    dark: bool = True
    meant: bool = False
    sd_deg: float = 0.0


class MeetingPointRecord(Record):
    """`ellipse` is one standard deviation of the found point: half axes (mm) and angle (deg)."""

    name: str
    intended_mm: XY
    found_mm: XY | None
    lines: int
    ellipse: tuple[float, float, float] | None = None


class FindingRecord(Record):
    """`says` is the phrase, `message` the sentence; `lines` the numbers of its lines. `stretch` is
    how many times wider the drawing would be as it should look.
    """

    code: str
    level: Level
    where: XY
    says: dict[str, JsonValue] | None = None
    message: str = ""
    lines: list[int] = Field(default_factory=list)
    stretch: float | None = None


class FoundRecord(Record):
    """A found line as it is kept, so that it can be judged again without the photo."""

    start: Annotated[XY, Field(alias="from")]
    end: Annotated[XY, Field(alias="to")]
    sd_deg: float
    darkness: float
    dark: bool


class PhotoRecord(Record):
    """How good the photo is: see the judge's Quality."""

    px_per_mm: float
    sharpness: float
    light: float
    sure: float
    how: str


class DoubtRecord(Record):
    """A reason to look closer: see the judge's Doubt."""

    weight: float
    says: dict[str, JsonValue]
    message: str = ""
    of_photo: bool = False


class TaskRecord(Record):
    """What a sheet was held against."""

    demand: DemandName = "standard"
    word: str | None = None


class VerdictRecord(Record):
    """What the judge said of a sheet; `corners_px` are where its corners are in the photo.

    One that is `unjudged` was not held against the exercise; `looks_like` is the number of another
    that it seems to be of.
    """

    version: Literal[2] = 2
    sheet_found: bool
    strokes: list[JudgedStrokeRecord]
    vanishing_points: list[MeetingPointRecord]
    findings: list[FindingRecord]
    reached: int | None = None
    found: list[FoundRecord] = Field(default_factory=list)
    corners_px: list[XY] | None = None
    photo_px: tuple[int, int] | None = None
    photo: PhotoRecord | None = None
    code: tuple[int, int, int | None, DemandName] | None = None
    task: TaskRecord = TaskRecord()
    unjudged: bool = False
    looks_like: int | None = None
    doubts: list[DoubtRecord] = Field(default_factory=list)

    @property
    def sure(self) -> float:
        """How sure the judge is of it, 0 to 1."""
        return 0.0 if self.unjudged else sureness([one.weight for one in self.doubts])

    @property
    def drawn_from(self) -> Task:
        """What it was held against."""
        return Task(self.task.demand, self.task.word)

    @property
    def printed(self) -> SheetCode | None:
        """What its printed code says."""
        return None if self.code is None else SheetCode(*self.code)

    def said(self, words: Words, own: Mapping[str, str] | None = None) -> VerdictRecord:
        """The same with its sentences, a teacher's `own` by their code in place of ours."""
        findings = [
            one.model_copy(update={"message": (own or {}).get(one.code) or message_of(one, words)})
            for one in self.findings
        ]
        doubts = [
            one.model_copy(update={"message": words.say(phrase_of(one.says))})
            for one in self.doubts
        ]
        return self.model_copy(update={"findings": findings, "doubts": doubts})


def message_of(one: FindingRecord, words: Words) -> str:
    """A finding as a sentence."""
    return one.message if one.says is None else words.say(phrase_of(one.says))


def verdict_record(verdict: SheetVerdict, words: Words) -> VerdictRecord:
    """What `check --format json` prints."""
    findings = [
        FindingRecord(
            code=one.code, level=one.level, where=point(one.where), message=words.say(one.says)
        )
        for one in verdict.findings
    ]
    return VerdictRecord(
        sheet_found=verdict.sheet_found,
        strokes=[stroke_record(line) for line in verdict.strokes],
        vanishing_points=[meeting_record(meeting) for meeting in verdict.points],
        findings=findings,
    )


def kept_record(verdict: SheetVerdict, grey: Grey) -> VerdictRecord:
    """A verdict as it is kept with its sheet, with what the screen shows beside each line.

    `corners_px` are null when no sheet was found; `photo_px` is width and height.
    """
    height, width = grey.shape
    corners = verdict.corners
    photo = None if verdict.quality is None else PhotoRecord(**asdict(verdict.quality))
    return judged_record(verdict).model_copy(
        update={
            "found": [found_record(stroke) for stroke in verdict.found],
            "corners_px": None if corners is None else [point(corner) for corner in corners],
            "photo_px": (width, height),
            "photo": photo,
            "code": None if verdict.code is None else tuple(verdict.code),
            "task": TaskRecord(**verdict.task._asdict()),
        }
    )


def judged_record(verdict: SheetVerdict) -> VerdictRecord:
    """What is kept of the judging alone: made anew when a teacher corrects a line."""
    goals = {**LEVEL_GOALS, **{p.name: p.intended for p in verdict.points}}
    numbers = [line.assigned.found.number for line in verdict.strokes]
    return VerdictRecord(
        version=2,
        sheet_found=verdict.sheet_found,
        strokes=[
            stroke_record(line).model_copy(
                update={
                    "true": _true_line(line, goals.get(line.family)),
                    "number": line.assigned.found.number,
                    "dark": line.assigned.found.dark,
                    "meant": line.meant,
                    "sd_deg": number(line.assigned.found.angle_sd_deg),
                }
            )
            for line in verdict.strokes
        ],
        vanishing_points=[
            meeting_record(p).model_copy(
                update={"ellipse": None if p.met is None else tuple(p.met.ellipse)}
            )
            for p in verdict.points
        ],
        findings=[finding_record(one, numbers) for one in verdict.findings],
        reached=verdict.reached,
        unjudged=verdict.unjudged,
        doubts=[
            DoubtRecord(weight=one.weight, says=phrase_record(one.says), of_photo=one.of_photo)
            for one in verdict.doubts
        ],
    )


def finding_record(one: Finding, numbers: Sequence[int]) -> FindingRecord:
    """A finding as it is kept; `numbers` are those of the lines among all that were found."""
    return FindingRecord(
        code=one.code,
        level=one.level,
        where=point(one.where),
        says=phrase_record(one.says),
        lines=[numbers[n] for n in one.lines],
        stretch=None if one.stretch is None else number(one.stretch),
    )


def stroke_record(line: JudgedStroke) -> JudgedStrokeRecord:
    found = line.assigned.found
    own = {} if line.own_turn_deg is None else {"own_deg": number(abs(line.own_turn_deg))}
    return JudgedStrokeRecord(
        start=point(found.start),
        end=point(found.end),
        family=line.family,
        miss_mm=None if line.miss_mm is None else number(line.miss_mm),
        angle_deg=None if line.angle_deg is None else number(line.angle_deg),
        verdict=line.verdict.value,
        **own,
    )


def meeting_record(meeting: MeetingPoint) -> MeetingPointRecord:
    return MeetingPointRecord(
        name=meeting.name,
        intended_mm=point(meeting.intended.xy),
        found_mm=None if meeting.found is None else point(meeting.found),
        lines=meeting.lines,
    )


def found_record(stroke: FoundStroke) -> FoundRecord:
    return FoundRecord(
        start=point(stroke.start),
        end=point(stroke.end),
        sd_deg=number(stroke.angle_sd_deg),
        darkness=number(stroke.darkness),
        dark=stroke.dark,
    )


def found_of(records: Sequence[FoundRecord]) -> list[FoundStroke]:
    """The found lines from what was kept of them."""
    return [
        FoundStroke(r.start, r.end, r.sd_deg, r.darkness, r.dark, number)
        for number, r in enumerate(records)
    ]


def _true_line(line: JudgedStroke, goal: Point | None) -> tuple[XY, XY] | None:
    """As long as the pupil's line, through its middle, toward its point."""
    if goal is None:
        return None
    found = line.assigned.found
    middle = Point(*found.middle)
    dx, dy = direction(middle, goal)
    half = found.length_mm / 2
    return (
        point((middle.x - dx * half, middle.y - dy * half)),
        point((middle.x + dx * half, middle.y + dy * half)),
    )


SIGNS = {"praise": "+", "fix": "!", "tidy": "·", "ask": "?"}


def verdict_text(verdict: SheetVerdict, words: Words) -> str:
    """What `check --format text` prints: counts, then the words in their order."""
    lines = []
    if verdict.sheet_found:
        counts = {kind: sum(line.verdict is kind for line in verdict.strokes) for kind in Verdict}
        lines.append(words.say(say("verdict-counts", **{k: count(n) for k, n in counts.items()})))
        lines += [words.say(_meets(meeting)) for meeting in verdict.points]
    lines += [f"{SIGNS[f.level]} {words.say(f.says)}" for f in verdict.findings]
    return "\n".join(lines) + "\n"


def _meets(meeting: MeetingPoint) -> Phrase:
    point = say("verdict-place", x=Number(meeting.intended.xy[0]), y=Number(meeting.intended.xy[1]))
    found = say("verdict-cannot-be-told")
    if meeting.found is not None:
        found = say("verdict-place", x=Number(meeting.found[0]), y=Number(meeting.found[1]))
    name, lines = PointName(meeting.name), count(meeting.lines)
    return say("verdict-meets", point=name, intended=point, lines=lines, found=found)
