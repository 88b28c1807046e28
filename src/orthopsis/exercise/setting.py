"""What belongs to the whole sheet: eye level and points before the first thing is drawn, and the
last cleaning up.
"""

from __future__ import annotations

from collections.abc import Container, Sequence

from orthopsis.construction.moves import Act, Idea, Mark, Step, count
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.construction.places import across, down
from orthopsis.perspective.segments import boxes_touch
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import VanishingPoint
from orthopsis.phrase import Choice, Length, Phrase, PointName, Several, say

HELPING = "helping-points"
"""The step in which distance and measuring points are placed."""


def lay_out(paper: Paper, sheet: Sheet, level_mm: float) -> None:
    """The frame, where the sheet has one, and the eye level line."""
    if sheet.frame_mm:
        step = paper.begin("frame", Act.SETTING)
        paper.frame()
        step.say("frame", inside=Length(sheet.frame_mm))
        step.check("frame-check")
    step = paper.begin("eye-level-line", Act.SETTING)
    paper.eye_level(level_mm)
    step.say("eye-level-line", down=Length(level_mm))
    step.check("eye-level-line-check")


def place_points(
    paper: Paper, vps: Sequence[VanishingPoint], sheet: Sheet, level_mm: float
) -> dict[str, Mark]:
    """The vanishing points, on the sheet or on strips beside it; their marks by name."""
    step = paper.begin("points", Act.SETTING, count=count(len(vps)))
    points = {vp.name: paper.given(vp, level_mm) for vp in vps}
    on_level, elsewhere = _where(vps, sheet, level_mm)
    each = Several(tuple(say("point-mark", point=point) for point in on_level), "space")
    step.say("points", points=Several(tuple(on_level), "semicolon"), each=each)
    step.says += [say("point-mark", point=point) for point in elsewhere]
    step.check("points-check-elsewhere" if elsewhere else "points-check")
    return points


def say_helping_points(paper: Paper, sheet: Sheet, level_mm: float) -> None:
    """Say where the distance and measuring points lie that the things have asked for, if any."""
    step = paper.setting
    assert step is not None
    if not step.marks:
        paper.steps.remove(step)
        return
    many, points = count(len(step.marks)), helping_points([step])
    kind = Choice("measuring" if Idea.MEASURING_POINT in step.ideas else "distance")
    on_level, elsewhere = _where(points, sheet, level_mm)
    step.title = say("helping-points-title", count=many, kind=kind)
    if on_level:
        step.say("helping-points-level", points=Several(tuple(on_level), "semicolon"))
    step.says += [say("point-mark", point=point) for point in elsewhere]
    step.say("helping-points", count=many)
    step.check("helping-points-check", count=many)


def helping_points(made: Sequence[Step]) -> list[VanishingPoint]:
    """The distance and measuring points that some steps place."""
    placed = (step.marks for step in made if step.phrase == HELPING)
    return [VanishingPoint(mark.name, mark.at) for marks in placed for mark in marks]


def _where(
    points: Sequence[VanishingPoint], sheet: Sheet, level_mm: float
) -> tuple[list[Phrase], list[Phrase]]:
    """Points with their places: those on the eye level, and the others."""
    on_level = [point_phrase(p, sheet, level_mm) for p in points if p.at.y == level_mm]
    return on_level, [point_phrase(p, sheet, level_mm) for p in points if p.at.y != level_mm]


def point_phrase(vp: VanishingPoint, sheet: Sheet, level_mm: float) -> Phrase:
    """A point with its place, and the strip it needs when it lies off the sheet."""
    name, place = PointName(vp.name), place_of_point(vp, sheet, level_mm)
    where = "point-on-sheet" if sheet.contains(vp.at) else "point-on-strip"
    return say(where, name=name, place=place)


def place_of_point(vp: VanishingPoint, sheet: Sheet, level_mm: float) -> Phrase:
    """Where a point lies, from the sheet's edges."""
    x, y = vp.at.xy
    if y == level_mm:
        return across(x, sheet)
    return say("place-of-point", across=across(x, sheet), down=down(y, sheet))


def clean_up(paper: Paper, parts: Container[Part], unseen: Sequence[Body]) -> None:
    """The last step: what light lines are left, and what was nowhere seen."""
    if not any(drawn.fate == "keep" for drawn in paper.strokes):
        return
    erased = {number for step in paper.steps for number in step.erases}
    step = paper.begin("finish", Act.INK)
    for number, drawn in enumerate(paper.strokes):
        # Light lines of a part that it has not erased itself are its pattern.
        stays = drawn.fate == "keep" or drawn.stroke.part in parts
        if not stays and number not in erased:
            step.erases.append(number)
    step.say("finish")
    for body in unseen:
        on_sheet = boxes_touch(body.box, paper.sheet.bounds)
        step.say("unseen-behind" if on_sheet else "unseen-beside", piece=body.name)
    step.check("finish-check")
