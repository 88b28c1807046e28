"""Posts: equal things in a line that runs away, as poles beside a road or the posts of a fence."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Any, ClassVar, Literal, NamedTuple, Self

from orthopsis.construction.division import Bay, repeat
from orthopsis.construction.moves import Act, Mark, Ruled, phrase
from orthopsis.construction.order import Body, Hull, NearPlace, SeenLine, Shown
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, Point, distance, part_way
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.perspective.view import HORIZONTAL, VERTICAL, View, eye_space, on_paper
from orthopsis.phrase import Length, Number, Phrase, Several, say
from orthopsis.picture.solid import Bar, bars
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Grip, Measures, PaperLength, Site, Stage
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.depth import ON_LEVEL_MM
from orthopsis.pieces.placement.post import FirstPost, PostsInLine
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.tidy import tidy

THIN_MM = 0.5
"""So wide a post is for those who ask which of two things is nearer."""


class Arm(Measures):
    """A bar straight across each post: so long on the nearest, and so far below its top."""

    long_mm: PaperLength
    down_mm: PaperLength


class PostMarks(NamedTuple):
    """What a post hands on: its top and foot, the place of its arm, the lines that all posts end on
    (by their tops, feet, arms and the arms' ends), and the post before it.
    """

    top: Mark
    foot: Mark
    lines: tuple[Ruled, ...]
    before: tuple[Mark, Mark] | None = None
    alone: bool = False
    """Whether it was measured by itself, as those before it do not show."""


@dataclass(frozen=True, eq=False)
class Post(Drawn):
    """One of the posts; `number` counts from 0, the nearest."""

    posts: Posts
    number: int

    @property
    def part(self) -> Part:
        return Part(self.posts.id, self.number + 1)

    @property
    def name(self) -> Phrase:
        return say("post-of", things=self.posts.name, number=Number(self.number + 1.0))

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The post and its arm, as lines."""
        place = self.posts.place
        ends = place.in_space(stage)
        top, foot = ends[self.number]
        drawn = [Bar(top, foot, VERTICAL)]
        arm = self.posts.arm
        if arm is not None:
            back = minus(top, ends[0][0])
            left, right = (plus(end, back) for end in _arm_ends(arm, ends[0], place, stage))
            drawn.append(Bar(left, right, self.posts.arm_family(stage)))
        return [bars(self.part, drawn)]

    def body(self, stage: Stage) -> Body:
        """The post by ruler: an upright, and for nearness a strip as wide as a pencil line."""
        top, foot, near = self.posts.place.on_paper(stage, self.number)
        strip = tuple(
            self._beside(stage, end, way) for end, way in ((0, -1.0), (0, 1.0), (1, 1.0), (1, -1.0))
        )
        edge = SeenLine((top.xy, foot.xy), (near, near))
        return Body(
            part=self.part,
            name=self.name,
            corners=((top, near), (foot, near)),
            faces=(),
            show=lambda: Shown(edges=(edge,)),
            transparent=False,
            floating=False,
            hull=Hull(strip, ((0, 1, 2, 3),)),
        )

    def _beside(self, stage: Stage, end: int, way: float) -> NearPlace:
        """A place beside the post's top or foot, as far out as its arm reaches."""
        arm, place = self.posts.arm, self.posts.place
        top, foot, near = place.on_paper(stage, 0)
        out_mm = way * (arm.long_mm / 2 if arm else THIN_MM)
        beside = place.aside(stage, ((top, foot)[end], near), out_mm)
        return place.carried(stage, self.number, beside)

    def build(self, site: Site) -> PostMarks:
        """The nearest by measure, the next by a cut, the others by diagonals."""
        before = site.before.get(Part(self.posts.id, self.number))
        if not isinstance(before, PostMarks) or before.alone:
            made = self._first(site)
        elif before.before is None:
            made = self._next(site, before)
        else:
            made = self._repeated(site, before, before.before)
        tidy(site, "post")
        return made

    def _first(self, site: Site) -> PostMarks:
        """The nearest post, and the light lines that all of them end on."""
        paper, posts, stage = site.paper, self.posts, site.stage
        high, low, _ = posts.place.on_paper(stage, self.number)
        goal = site.points[posts.place.goal(stage).name]
        step = site.begin("post-first", Act.FRONTS)
        top = paper.measure(high.x, high.y)
        foot = paper.measure_along(top, UPRIGHT, low.y - high.y)
        paper.keep(top, foot, VERTICAL, site.body)
        said = {"across": across(high.x, paper.sheet), "down": down(high.y, paper.sheet)}
        step.say("post-first", top=top, foot=foot, length=Length(low.y - high.y), **said)
        starts = [top, foot]
        if posts.arm is not None and self.number == 0:
            starts += self._first_arm(site, posts.arm, top)
        elif posts.arm is not None:
            starts += self._arm_alone(site, posts.arm)
        step.check("post-first-check")
        step = site.begin("post-lines", Act.LINES)
        # They belong to all posts, and stay until everything is cleaned up.
        guides = tuple(paper.aim(start, goal, Part(posts.id)) for start in starts)
        last = posts.place.on_paper(stage, posts.place.count - 1)
        for guide, end in zip(guides, last[:2], strict=False):
            paper.reach(guide, Mark("", end))
        for guide in guides[2:]:
            paper.reach(guide, Mark("", last[0]))
        step.say("post-lines", top=top, foot=foot, vp=goal)
        if posts.arm is not None:
            step.say("post-lines-arm", vp=goal)
        step.check("post-lines-check", vp=goal)
        return PostMarks(top, foot, guides, alone=self.number > 0)

    def _arm_alone(self, site: Site, arm: Arm) -> list[Mark]:
        """The arm of a post that is measured by itself, where those before it do not show."""
        paper, stage, place = site.paper, site.stage, self.posts.place
        high, low, near = place.on_paper(stage, 0)
        middle, half_mm = part_way(high, low, arm.down_mm / distance(high, low)), arm.long_mm / 2
        ends = (place.aside(stage, (middle, near), mm) for mm in (-half_mm, half_mm))
        there = [place.carried(stage, self.number, one)[0] for one in ((middle, near), *ends)]
        marks = [paper.measure(*one.xy) for one in there]
        paper.keep(marks[1], marks[2], self.posts.arm_family(stage), site.body)
        said = [say("post-arm-end", across=across(one.x, paper.sheet),
                    down=down(one.y, paper.sheet)) for one in there]  # fmt: skip
        paper.steps[-1].say("post-arm-alone", ends=Several(tuple(said), "semicolon"))
        return marks

    def _first_arm(self, site: Site, arm: Arm, top: Mark) -> list[Mark]:
        paper, step = site.paper, site.paper.steps[-1]
        half_mm, other = arm.long_mm / 2, self.posts.place.across(site.stage)
        middle = paper.measure_along(top, UPRIGHT, arm.down_mm)
        if other is None:
            ends = [paper.measure_along(middle, way, half_mm) for way in (LEFT, LEVEL)]
            step.say("post-arm-level", down=Length(arm.down_mm), half=Length(half_mm))
        else:
            goal = site.points[other.name]
            ends = [paper.measure_along(middle, goal, mm) for mm in (-half_mm, half_mm)]
            step.say("post-arm-to", down=Length(arm.down_mm), half=Length(half_mm), vp=goal)
        left, right = ends
        paper.keep(left, right, self.posts.arm_family(site.stage), site.body)
        return [middle, left, right]

    def _next(self, site: Site, before: PostMarks) -> PostMarks:
        """The second post, where the cut says."""
        paper, place = site.paper, self.posts.place
        goal = site.points[place.goal(site.stage).name]
        step = site.begin("post-next", Act.BACKS)
        foot, said = place.next.build(
            site, before.foot, goal, before.lines[1], LEVEL, (), None, "depth"
        )
        top = paper.cross(paper.upright(foot), before.lines[0])
        step.says.append(said)
        self._draw(site, top, foot, before.lines)
        step.say("post-next", foot=foot, top=top)
        if self.posts.arm is not None:
            step.say("post-next-arm")
        step.check("post-next-check")
        return PostMarks(top, foot, before.lines, (before.top, before.foot))

    def _repeated(self, site: Site, last: PostMarks, before: tuple[Mark, Mark]) -> PostMarks:
        """One more at the same distance: the diagonal through the middle of the last."""
        paper, place = site.paper, self.posts.place
        family = place.goal(site.stage).name
        step = site.begin("post-repeat", Act.BACKS)
        bay = Bay(before[0], before[1], last.top, last.foot)
        further = repeat(paper, bay, family, VERTICAL, site.points, site.part)
        top, foot = further.far_top, further.far_bottom
        self._draw(site, top, foot, last.lines)
        step.say("post-repeat", near=before[1], top=top)
        step.again = phrase("again-posts")
        step.check("post-repeat-check")
        step.bulk = True
        return PostMarks(top, foot, last.lines, (last.top, last.foot))

    def _draw(self, site: Site, top: Mark, foot: Mark, lines: Sequence[Ruled]) -> None:
        paper = site.paper
        paper.keep(top, foot, VERTICAL, site.body)
        if self.posts.arm is None:
            return
        middle = paper.cross(paper.along(top, foot), lines[2])
        other = self.posts.place.across(site.stage)
        line = paper.level(middle) if other is None else paper.lay(middle, site.points[other.name])
        left, right = (paper.cross(line, guide) for guide in lines[3:])
        paper.keep(left, right, self.posts.arm_family(site.stage), site.body)


def _arm_ends(
    arm: Arm, nearest: tuple[Vector, Vector], place: PostsInLine, stage: Stage
) -> list[Vector]:
    """The ends of the nearest post's arm in eye space."""
    top, foot = nearest
    high_mm = distance(*place.ends)
    middle = plus(top, times(minus(foot, top), arm.down_mm / high_mm))
    half_mm, other = arm.long_mm / 2, place.across(stage)
    if other is None:
        return [plus(middle, (way * half_mm * middle[2], 0.0, 0.0)) for way in (-1.0, 1.0)]
    reach = distance(Point(*on_paper(middle)), other.at)
    shares = (-half_mm / reach, half_mm / reach)
    return [plus(middle, eye_space(other.at, middle[2] * t / (1.0 - t))) for t in shares]


class Posts(Piece):
    """Equal posts in a line `to` a point: poles with an `arm` across them, or bare ones."""

    wrong_form: ClassVar = "refused-form-of-posts"

    kind: Literal["posts"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    arm: Annotated[Arm | None, Editor.SWITCH] = None
    place: PostsInLine

    @property
    def weight(self) -> float:
        return self.place.count / 2.0

    def switched_on(self, field: str, stage: Stage) -> Self:
        if field != "arm":
            return super().switched_on(field, stage)
        high_mm = distance(*self.place.ends)
        arm = Arm(long_mm=max(2.0, round(high_mm / 3)), down_mm=max(1.0, round(high_mm / 8)))
        return self.model_copy(update={"arm": arm})

    def arm_family(self, stage: Stage) -> str:
        """The family of the arms."""
        other = self.place.across(stage)
        return HORIZONTAL if other is None else other.name

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        if self.arm is not None:
            arm_mm = self.place.post.top_mm + self.arm.down_mm
            if abs(arm_mm - stage.view.eye_level_mm) < ON_LEVEL_MM:
                raise stage.refuse("arm.down_mm", say("refused-arm-on-level"))
        return [Post(self, number) for number in range(self.place.count)]

    def grips(self, stage: Stage) -> list[Grip]:
        return self.place.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        """The same posts seen from elsewhere."""
        place = self.place
        nearest, second = place.in_space(stage)[:2]

        def there(one: Vector) -> Point:
            return Point(*on_paper(stage.view.place_seen_by(view, one)))

        top, foot = map(there, nearest)
        goal = place.goal_in(view).at
        post = FirstPost(x_mm=foot.x, top_mm=top.y, foot_mm=foot.y)
        grown = nearest[1][2] / stage.view.place_seen_by(view, nearest[1])[2]
        cut = place.next.moved("bottom", foot, goal, there(second[1]), grown)
        if cut.from_ is not None:
            cut = cut.model_copy(update={"from_": None})
        changed: dict[str, Any] = {"place": place.model_copy(update={"post": post, "next": cut})}
        if self.arm is not None:
            changed["arm"] = self.arm.model_copy(
                update={"long_mm": self.arm.long_mm * grown, "down_mm": self.arm.down_mm * grown}
            )
        return self.model_copy(update=changed)
