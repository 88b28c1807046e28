"""From a picture file to a verdict: the stations of marking, in order."""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import NamedTuple

import numpy as np

from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.task import STANDARD_TASK, SheetCode, Task
from orthopsis.marking import doubt
from orthopsis.marking.doubt import Doubt
from orthopsis.marking.findings.gather import findings, with_values
from orthopsis.marking.findings.one import Finding, JudgedSheet
from orthopsis.marking.findings.photo import photo_findings
from orthopsis.marking.findings.unjudged import READ, by_its_lines, no_sheet, poor_photo
from orthopsis.marking.findings.values import value_findings
from orthopsis.marking.fitting import ends_of
from orthopsis.marking.judging.answer_key import AnswerKey, answer_key
from orthopsis.marking.judging.families import Assigned, assign, support
from orthopsis.marking.judging.given import given_by
from orthopsis.marking.judging.hand import wander_mm, with_its_doubt
from orthopsis.marking.judging.reached_step import FINISHED, as_far_as_drawn
from orthopsis.marking.judging.verdicts import (
    STANDARD,
    SURE,
    JudgedStroke,
    MeetingPoint,
    Strictness,
    as_meant,
    judge_lines,
    meeting_points,
)
from orthopsis.marking.pencil.find_strokes import FoundStroke, find_strokes
from orthopsis.marking.pencil.svg_lines import is_svg, lines_of_svg
from orthopsis.marking.sheet.code import read_code, without_print
from orthopsis.marking.sheet.find_sheet import FoundSheet, find_sheet
from orthopsis.marking.sheet.intake import the_only_sheet
from orthopsis.marking.sheet.photo import Grey
from orthopsis.marking.sheet.quality import Quality, quality
from orthopsis.marking.sheet.straighten import Straightened, straighten
from orthopsis.perspective.segments import XY
from orthopsis.perspective.sheet import Sheet


@dataclass(frozen=True)
class SheetVerdict:
    """All that is said of one sheet. An SVG of lines has no `sheet` in a photo.

    One that is `unjudged` was not held against the exercise: its one finding says why. `support` is
    the share of the edges that were found in their places.
    """

    sheet_found: bool
    strokes: list[JudgedStroke]
    points: list[MeetingPoint]
    findings: list[Finding]
    sheet: FoundSheet | None = None
    straightened: Straightened | None = None
    reached: int | None = None
    found: Sequence[FoundStroke] = ()
    code: SheetCode | None = None
    quality: Quality | None = None
    task: Task = STANDARD_TASK
    unjudged: bool = False
    support: float = 0.0
    doubts: Sequence[Doubt] = ()

    def unjudged_for(self, why: Finding) -> SheetVerdict:
        """The same, not held against the exercise."""
        points = [MeetingPoint(p.name, p.intended, None, 0) for p in self.points]
        return replace(self, strokes=[], points=points, findings=[why], unjudged=True, doubts=())

    @property
    def corners(self) -> list[XY] | None:
        """The sheet's corners in the photo (px); None for an SVG and where none was found."""
        if self.sheet is None:
            return None
        return [(float(x), float(y)) for x, y in self.sheet.corners]


def check_image(
    scene: Scene,
    data: bytes,
    step: int | None = None,
    *,
    corners: Sequence[XY] | None = None,
    demand: Strictness = STANDARD,
) -> SheetVerdict:
    """Judge a photo, scan or SVG of lines. `corners` set by hand replace the search for them.

    Raises ImageError for a file that cannot be read, ExerciseError for a document without steps.
    """
    key = answer_key(scene, step)
    if is_svg(data):
        return judge_strokes(key, lines_of_svg(data, scene.sheet), demand)
    return check_grey(Asked(key, demand), the_only_sheet(data), corners=corners)


class Asked(NamedTuple):
    """What a sheet may have been drawn from, and how strictly it is judged then."""

    key: AnswerKey
    demand: Strictness = STANDARD
    task: Task = STANDARD_TASK


def check_grey(
    asked: Asked,
    grey: Grey,
    *,
    corners: Sequence[XY] | None = None,
    by_code: Callable[[SheetCode | None], Iterable[Asked]] | None = None,
) -> SheetVerdict:
    """Judge an opened picture.

    `by_code` tells by the printed code what else it may have been drawn from, the likeliest first;
    the sheet of paper is the same for all.
    """
    sheet = asked.key.scene.sheet
    laid = _laid_flat(grey, sheet, corners)
    if laid is None:
        return _no_sheet(asked.key.scene)
    strokes = find_strokes(laid.bare)
    ways = [strokes]
    if laid.code is None and corners is None:
        ways.append(_turned_half(strokes, sheet))
    choice = _best_supported(ways, [asked] if by_code is None else by_code(laid.code))
    found, flat, bare, code = laid.turned_half() if choice.way else laid
    (key, demand, task), lines = choice.asked, choice.lines
    given = given_by(key)
    sized = given.sized(key, [line.found for line in lines])
    if sized.scene is not key.scene:
        lines = assign([line.found for line in lines], sized)
    key = sized
    lines, reached = given.without_fill(lines), None
    if key.step is None and given.places:
        key, lines, reached = as_far_as_drawn(key, lines)
    strokes = given.looked_for(bare, lines, key, demand)
    strokes = [replace(stroke, number=number) for number, stroke in enumerate(strokes)]
    blurred = strokes
    strokes = with_its_doubt(strokes, wander_mm(bare, strokes))
    verdict = judge_strokes(key, strokes, demand, reached)
    seen = quality(grey, found, flat, sheet)
    doubtful = sum(SURE * s.angle_sd_deg > demand.near_deg for s in blurred) / max(1, len(blurred))
    little = verdict.unjudged or (given.places and verdict.support < READ)
    of_photo = photo_findings(seen, sheet, 1.0 if little else doubtful)
    # On bare paper a photo's sharpness cannot be told.
    if little and "blank-sheet" not in [one.code for one in verdict.findings]:
        poor = poor_photo(sheet, of_photo)
        verdict = verdict if poor is None else verdict.unjudged_for(poor)
    said = verdict.findings if verdict.unjudged else [*verdict.findings, *of_photo]
    if not verdict.unjudged and key.step is None and reached is None and given.places:
        # Tone comes when all is drawn, and only the photo tells of it.
        said = with_values(said, value_findings(key.scene, flat))
    doubts = [*doubt.of_photo(seen, of_photo), *verdict.doubts]
    return replace(
        verdict, found=strokes, findings=said, doubts=doubts, sheet=found, straightened=flat,
        code=code, quality=seen, task=task,
    )  # fmt: skip


def which_fits(
    grey: Grey, keys: Sequence[AnswerKey], corners: Sequence[XY] | None = None
) -> int | None:
    """The number of the exercise whose edges most of an opened picture's lines lie on; None where
    none is borne out well enough.
    """
    best: tuple[float, int] | None = None
    for sheet in dict.fromkeys(key.scene.sheet for key in keys):
        laid = _laid_flat(grey, sheet, corners)
        if laid is None:
            return None
        strokes = find_strokes(laid.bare)
        for number, key in enumerate(keys):
            if key.scene.sheet != sheet:
                continue
            for way in (strokes, _turned_half(strokes, sheet)):
                share = support(assign(way, key), key.expected)
                if share > FINISHED and (best is None or share > best[0]):
                    best = share, number
    return None if best is None else best[1]


def _as_told(line: Assigned, family: str | None) -> Assigned:
    """A line in the family that a teacher gave it."""
    if family is None or family == line.family:
        return line
    return Assigned(line.found, family)


def judge_strokes(
    key: AnswerKey,
    found: Sequence[FoundStroke],
    demand: Strictness = STANDARD,
    reached: int | None = None,
    *,
    families: Mapping[int, str] | None = None,
    meant: Collection[int] = (),
    anyway: bool = False,
) -> SheetVerdict:
    """Judge lines already in sheet millimetres.

    `families` and `meant` are a teacher's word on lines of some numbers; `anyway` is the word that
    it is of this exercise, whatever it looks like.
    """
    given = given_by(key)
    straight = given.straight(found, key)
    key = given.sized(key, straight)
    goals = given.goals(straight, key)
    lines, key = given.families(straight, key, demand)
    supported = support(lines, key.expected)
    why = None if anyway else by_its_lines(lines, key)
    if why is not None:
        points = [MeetingPoint(vp.name, vp.at, None, 0) for vp in key.scene.vanishing_points]
        verdict = SheetVerdict(True, [], points, [], reached=reached, support=supported)
        return verdict.unjudged_for(why)
    lines = [_as_told(line, (families or {}).get(line.found.number)) for line in lines]
    judged = judge_lines(lines, goals, demand)
    judged = [as_meant(j) if j.assigned.found.number in meant else j for j in judged]
    points = meeting_points(judged, key.scene, demand, own=given.own_points)
    judged = given.with_own_angles(judged, points, demand)
    said = findings(JudgedSheet(key, judged, points, reached))
    doubts = doubt.of_lines(judged, said, reached)
    return SheetVerdict(
        True, judged, points, said, reached=reached, support=supported, doubts=doubts
    )


class _Laid(NamedTuple):
    """A sheet in the photo, straightened, and the same without what is printed on it."""

    found: FoundSheet
    flat: Straightened
    bare: Straightened
    code: SheetCode | None

    def turned_half(self) -> _Laid:
        found, flat, bare, code = self
        return _Laid(found.turned(2), flat.turned_half(), bare.turned_half(), code)


def _laid_flat(grey: Grey, sheet: Sheet, corners: Sequence[XY] | None) -> _Laid | None:
    """The sheet, its right way up where a code tells that; None when none is found."""
    if corners is not None:
        found = FoundSheet.by_hand(np.array(corners, dtype=float))
    else:
        sought = find_sheet(grey, sheet)
        if sought is None:
            return None
        found = sought
    flat = straighten(grey, found, sheet)
    printed = read_code(flat)
    if printed is None and corners is None:
        printed = read_code(flat.turned_half())
        if printed is not None:
            found, flat = found.turned(2), flat.turned_half()
    code = printed.code if printed is not None else None
    return _Laid(found, flat, without_print(flat, printed), code)


class _Choice(NamedTuple):
    asked: Asked
    way: int
    lines: list[Assigned]


def _best_supported(ways: Sequence[Sequence[FoundStroke]], asked: Iterable[Asked]) -> _Choice:
    """The first that the lines bear out well enough, one way up or the other, else the best.

    Raises ValueError where nothing is asked.
    """
    tried: list[tuple[float, _Choice]] = []
    for one in asked:
        for way, strokes in enumerate(ways):
            lines = assign(strokes, one.key)
            tried.append((support(lines, one.key.expected), _Choice(one, way, lines)))
            if tried[-1][0] > FINISHED:
                return tried[-1][1]
    return max(tried, key=lambda pair: pair[0])[1]


def _turned_half(strokes: Sequence[FoundStroke], sheet: Sheet) -> list[FoundStroke]:
    width, height = sheet.width_mm, sheet.height_mm
    turned = [width, height, width, height] - ends_of(strokes)
    return [s.between(row[:2], row[2:]) for s, row in zip(strokes, turned, strict=True)]


def _no_sheet(scene: Scene) -> SheetVerdict:
    points = [MeetingPoint(vp.name, vp.at, None, 0) for vp in scene.vanishing_points]
    return SheetVerdict(False, [], points, [no_sheet(scene.sheet)], unjudged=True)
