"""Cast shadows by ruler: the steps that find where each ends, draw its outline and fill it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from orthopsis.construction.moves import Act, Do, count, phrase
from orthopsis.construction.paper import Paper
from orthopsis.construction.shadow import keep_shadow, shadow_shown
from orthopsis.exercise.below import BelowThings
from orthopsis.exercise.casting import Caster, casters, check_light
from orthopsis.exercise.document import ToneSpec
from orthopsis.exercise.light_steps import LightMarks, light_marks, on_paper, tone_kind
from orthopsis.exercise.receivers import Receiver, Surfaces, receivers
from orthopsis.perspective.light import LightOnPaper
from orthopsis.perspective.plane import Point, join
from orthopsis.perspective.segments import Portion, Segment, at
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import level_families
from orthopsis.phrase import Choice, Phrase, Several
from orthopsis.pieces.base import Site
from orthopsis.pieces.casting import CastEdge, Finder
from orthopsis.pieces.shapes.shadow.shadow import Shadow, ShadowOn, ShadowWork, Surface

MOST_PLACES = 4
"""So many places are told one by one."""
_WORDS = {"side": "shadow-tips-side", "sun": "shadow-tips-sun", "lamp": "shadow-tips-lamp"}


def draw_shadows(
    scene: Surfaces, paper: Paper, sites: Mapping[Part, Site], handed: Mapping[Part, object]
) -> None:
    """The steps of all cast shadows. Raises ExerciseError."""
    tone = scene.exercise.tone
    if tone is None or not tone.cast:
        return
    check_light(tone, scene.main)
    marks = light_marks(scene, paper, tone, handed)
    light, toward, lamp = on_paper(scene, tone, marks)
    drawn = [one for one in casters(scene) if one.thing.part in handed]
    casting = [Shadow(one.thing, light, toward, lamp) for one in drawn]
    below = BelowThings(scene, paper, handed)
    falls = []
    for receiver in receivers(scene):
        here = _light_over(receiver, marks, below, lamp=lamp)
        shone = light if here is None or here is marks else light._replace(foot=here[1].at)
        shadows = [
            ShadowOn(cast, _surface(scene, receiver, one, shone)) if one.reaches(receiver) else None
            for one, cast in zip(drawn, casting, strict=True)
        ]
        falls.append(_Fall.of(paper, receiver, shadows, here))
    seen = [k for k in range(len(casting)) if any(fall.shown[k] for fall in falls)]
    finders = {k: casting[k].thing.finder(sites[casting[k].part], handed) for k in seen}
    for number in seen:
        _draw_plan(paper, drawn[number], finders[number], [fall.real(number) for fall in falls])
    for fall in falls:
        for number in seen:
            if fall.shown[number]:
                work = casting[number].work(paper, finders[number], fall.light)
                if not drawn[number].stands_on(fall.receiver):
                    _draw_feet(paper, below, drawn[number], work, fall.real(number))
                _draw_tips(paper, tone, fall, number, work, below)
    for number in seen:
        _draw_outline(paper, falls, number, casting[number])


def _draw_plan(paper: Paper, one: Caster, finder: Finder, wanted: Sequence[Sequence[int]]) -> None:
    """The step that finds the places on its floor under a thing's corners, where that takes lines
    of its own.
    """
    thing = one.thing
    if not thing.plans:
        return
    step = paper.begin("shadow-plan", Act.TONE, thing.part, thing.name)
    found: dict[str, Phrase] = {}
    for number in sorted({k for some in wanted for k in some}):
        moves = len(step.moves)
        foot = finder.foot(number)
        if len(step.moves) > moves:
            corner = finder.corner(number)
            found[foot.name] = phrase("shadow-plan-one", foot=foot, corner=corner)
    if not step.moves:
        paper.steps.remove(step)
        return
    if len(found) <= MOST_PLACES:
        step.say("shadow-plan", places=Several(tuple(found.values())))
    else:
        step.say("shadow-plan-many", count=count(len(found)))
    step.check("shadow-plan-check")
    step.bulk = True


def _draw_feet(
    paper: Paper, below: BelowThings, one: Caster, work: ShadowWork, wanted: Sequence[int]
) -> None:
    """The step that finds the places on the floor under what stands or hangs higher."""
    if not wanted:
        return
    step = paper.begin("shadow-below", Act.TONE, one.thing.part, one.thing.name)
    find = below.finder(one.number)
    for foot in map(work.finder.foot, wanted):
        if foot.name not in work.lows:
            work.lows[foot.name] = find(foot)
    step.say(f"shadow-below-{below.way(one.number)}", count=count(len(work.lows)))
    step.check("shadow-below-check")
    step.bulk = True


def _light_over(
    receiver: Receiver, marks: LightMarks, below: BelowThings, *, lamp: bool
) -> LightMarks:
    """The light and its foot on a surface: of a lamp over a top that is above its foot on the
    floor.
    """
    if receiver.base is None or marks is None:
        return marks
    return (marks[0], below.on_top(receiver, marks[1])) if lamp else marks


class _Line(NamedTuple):
    """What bounds a shadow, and what is shown of it."""

    edge: CastEdge
    ends: tuple[Point, Point]
    shown: list[Portion]

    def segment(self, portion: Portion) -> Segment:
        whole = self.ends[0].xy, self.ends[1].xy
        return at(whole, portion[0]), at(whole, portion[1])


class _Fall(NamedTuple):
    """A surface, what each thing casts on it, and the lines of it that are seen."""

    receiver: Receiver
    shadows: list[ShadowOn | None]
    shown: list[list[_Line]]
    light: LightMarks

    @classmethod
    def of(
        cls, paper: Paper, receiver: Receiver, shadows: list[ShadowOn | None], light: LightMarks
    ) -> _Fall:
        areas = [area for one in shadows if one for area in one.areas]
        bodies = paper.standing.bodies
        if receiver.base is not None:
            bodies = paper.standing.before(receiver.base.drawn.part)
        standing = [body for body in bodies if not (body.ground or body.transparent)]
        found, drawn = list[list[_Line]](), list[Segment]()
        for shadow in shadows:
            lines = [
                _Line(edge, ends, shadow_shown(paper, ends, areas, receiver.area, standing, drawn))
                for edge, ends in (shadow.lines if shadow else ())
            ]
            found.append([line for line in lines if line.shown])
            drawn += [line.segment(portion) for line in found[-1] for portion in line.shown]
        return cls(receiver, shadows, found, light)

    def real(self, number: int) -> list[int]:
        """The corners whose shadow is looked for here: the ends of what is seen, as far as they
        fall before us and on the surface itself.
        """
        shadow, area = self.shadows[number], self.receiver.area
        if shadow is None:
            return []
        ends = sorted({k for line in self.shown[number] for k in (line.edge.start, line.edge.end)})
        tips = {end: shadow.tip(end) for end in ends}
        return [
            k for k, tip in tips.items()
            if tip.reached
            and (area is None or area.inside(tip.at.xy) or area.on_border(tip.at.xy))
        ]  # fmt: skip


def _surface(scene: Surfaces, receiver: Receiver, one: Caster, light: LightOnPaper) -> Surface:
    view, wall = scene.main, receiver.wall
    below = None if one.stands_on(receiver) else view.eye_height_mm
    found = Surface(view.eye_level_mm, light, level_families(view), below=below)
    if wall is None or receiver.room is None:
        return found
    foot = join(receiver.room.place.corners()[wall.corner], wall.goal.at)
    return found._replace(foot=foot, along=(wall.goal.name, view.uprights.name))


def _draw_tips(
    paper: Paper, tone: ToneSpec, fall: _Fall, number: int, work: ShadowWork, below: BelowThings
) -> None:  # fmt: skip
    """The step that finds where the shadow of each corner ends on a surface."""
    shadow, receiver = fall.shadows[number], fall.receiver
    real = fall.real(number)
    if shadow is None or not real:
        return
    one, wall, room = shadow.cast, receiver.wall, receiver.room
    step = paper.begin(
        "shadow-tips" if wall is None else "shadow-turns", Act.TONE, one.part, one.thing.name
    )
    if wall is None or room is None:
        tips = one.draw_tips(work, real)
        step.say(_WORDS[tone_kind(tone)], count=count(len(tips)))
        step.check("shadow-tips-check")
    else:
        tips = one.draw_turns(work, below.plan(room.id).foot_of(receiver.surface), real)
        step.say("shadow-turns", count=count(len(tips)), wall=Choice(receiver.surface))
        step.check("shadow-turns-check")
    step.differs(lines=count(len(tips)))
    step.bulk = True


def _draw_outline(paper: Paper, falls: Sequence[_Fall], number: int, cast: Shadow) -> None:
    step = paper.begin("shadow-outline", Act.TONE, cast.part, cast.thing.name)
    for fall in falls:
        shadow = fall.shadows[number]
        for edge, ends, shown in fall.shown[number] if shadow else ():
            assert shadow is not None
            family = shadow.family(edge)
            keep_shadow(paper, step, ends, shown, family, cast.part, fall.receiver.name)
    paper.moved(Do.SHADE, (), None)
    on_wall = any(fall.receiver.wall and fall.shown[number] for fall in falls)
    step.say("shadow-outline-on-wall" if on_wall else "shadow-outline")
    step.check("shadow-outline-check")
    step.bulk = True
