"""One of several equal things in a line: its own solid, body and moves."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Literal

from orthopsis.construction.division import Bay, repeat
from orthopsis.construction.moves import Act, Mark, Ruled, Step, phrase
from orthopsis.construction.order import Body, Hull, NearPlace, SeenLine, Shown
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point, distance
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import VERTICAL
from orthopsis.phrase import About, Choice, Length, Number, Own, Phrase, say
from orthopsis.picture.solid import Bar, bars, card
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Site, Stage
from orthopsis.pieces.placement.post import PostsInLine
from orthopsis.pieces.shapes.card.card import Card
from orthopsis.pieces.shapes.card.looks import LOOKS
from orthopsis.pieces.shapes.posts.arm import Arm
from orthopsis.pieces.shapes.posts.carried import Carried, PostAt, PostMarks
from orthopsis.pieces.shapes.posts.rails import Rails
from orthopsis.pieces.shapes.posts.wires import Wires

Thing = Literal["pole", "lamp", "signpost", "fence", "tree", "person", "bin"]
UPRIGHTS: frozenset[Thing] = frozenset({"pole", "lamp", "signpost", "fence"})
"""What has a ruled upright; of the others that is only a help."""
THIN_MM = 0.5
"""So wide a post is for those who ask which of two things is nearer."""
RAILS = 0.15, 0.6
"""Where a fence has its rails, below the top as shares of a post, if nobody says."""


@dataclass(frozen=True)
class PostLine:
    """What is common to all of them."""

    id: str
    name: Own
    place: PostsInLine
    thing: Thing
    arm: Arm | None
    rails: Rails | None
    wires: Wires | None

    @cached_property
    def carried(self) -> list[Carried]:
        """What each carries, drawn by ruler."""
        rails = self.rails
        if rails is None and self.thing == "fence":
            high_mm = distance(*self.place.ends)
            rails = Rails(upper_mm=high_mm * RAILS[0], lower_mm=high_mm * RAILS[1])
        return [one for one in (self.arm, rails) if one is not None]

    @property
    def spans(self) -> bool:
        """Whether something runs from each to the next."""
        return self.wires is not None or any(isinstance(one, Rails) for one in self.carried)


@dataclass(frozen=True, eq=False)
class Post(Drawn):
    """One of them; `number` counts from 0, the nearest."""

    line: PostLine
    number: int

    @property
    def part(self) -> Part:
        return Part(self.line.id, self.number + 1)

    @property
    def name(self) -> Phrase:
        return say("post-of", things=self.line.name, number=Number(self.number + 1.0))

    @property
    def _look(self) -> Choice:
        return Choice(self.line.thing)

    def _at(self, stage: Stage) -> PostAt:
        return PostAt(self.line.place, stage, self.number)

    def _card(self, stage: Stage) -> Card | None:
        """What is drawn of it by hand, if anything is."""
        if self.line.thing not in LOOKS:
            return None
        top, foot, _ = self.line.place.on_paper(stage, self.number)
        high_mm = distance(top, foot)
        wide_mm = high_mm * LOOKS[self.line.thing].wide
        return Card(self.line.thing, foot.xy, high_mm, wide_mm)

    def hand_rooms(self, stage: Stage) -> Sequence[Sequence[XY]]:
        one = self._card(stage)
        rooms: list[Sequence[XY]] = [one.room] if one else []
        if self.line.wires is not None and self.number > 0:
            spans = self.line.wires.on_paper(self._at(stage), self.line.arm)
            rooms += [_around(span, self.line.wires.sag_mm) for span in spans]
        return rooms

    # --- for the picture ---------------------------------------------------------------------

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The post with what it carries, as lines, and what is drawn by hand."""
        line, post = self.line, self._at(stage)
        top, foot = line.place.in_space(stage)[self.number]
        drawn = [Bar(top, foot, VERTICAL)] if line.thing in UPRIGHTS else []
        drawn += [bar for one in line.carried for bar in one.bars(post)]
        found: list[AnySolid] = [bars(self.part, drawn)] if drawn else []
        by_hand = self._card(stage)
        if by_hand is not None:
            found.append(by_hand.solid(self.part, foot[2]))
        if line.wires is not None and self.number > 0:
            found.append(card(self.part, [], line.wires.in_space(post, line.arm)))
        return found

    # --- for the construction ----------------------------------------------------------------

    def body(self, stage: Stage) -> Body:
        """The post by ruler: an upright, and for nearness a strip as wide as a pencil line, or all
        that lies between it and the one before.
        """
        top, foot, near = self.line.place.on_paper(stage, self.number)
        by_hand = self._card(stage)
        if by_hand is not None and self.line.thing not in UPRIGHTS:
            hull = by_hand.hull(near)
            shown = by_hand.shown(near)
        else:
            edge = SeenLine((top.xy, foot.xy), (near, near))
            hull, shown = self._hull(stage), Shown(edges=(edge,))
        return Body(
            part=self.part,
            name=self.name,
            corners=hull.corners if shown.faces else ((top, near), (foot, near)),
            faces=hull.faces if shown.faces else (),
            show=lambda: shown,
            transparent=False,
            floating=False,
            hull=hull,
        )

    def _hull(self, stage: Stage) -> Hull:
        strip = self._strip(stage, self.number)
        if self.number == 0 or not self.line.spans:
            return Hull(tuple(strip), ((0, 1, 2, 3),))
        faces = (0, 1, 2, 3), (4, 5, 6, 7), (0, 1, 5, 4), (1, 2, 6, 5), (2, 3, 7, 6), (3, 0, 4, 7)
        return Hull((*strip, *self._strip(stage, self.number - 1)), faces)

    def _strip(self, stage: Stage, number: int) -> list[NearPlace]:
        """A post with what it carries beside it, from its top's left on, clockwise."""
        place = self.line.place
        top, foot, near = place.on_paper(stage, 0)
        out_mm = max([THIN_MM, *(one.aside_mm() for one in self.line.carried)])
        by_hand = self._card(stage)
        if by_hand is not None:
            out_mm = max(out_mm, distance(top, foot) * by_hand.look.wide / 2)
        return [
            place.carried(stage, number, place.aside(stage, ((top, foot)[end], near), way * out_mm))
            for end, way in ((0, -1.0), (0, 1.0), (1, 1.0), (1, -1.0))
        ]

    def build(self, site: Site) -> PostMarks:
        """The nearest by measure, the next by a cut, the others by diagonals."""
        before = site.before.get(Part(self.line.id, self.number))
        if not isinstance(before, PostMarks) or before.alone:
            made = self._first(site)
        elif before.before is None:
            made = self._next(site, before)
        else:
            made = self._repeated(site, before, before.before)
        self._by_hand(site)
        site.paper.tidy(site.part)
        return made

    def _begin(self, site: Site, step: str, act: Act) -> Step:
        """Open a step; only what the same things do is like it."""
        begun = site.begin(step, act, look=self._look)
        begun.like = f"{step} {self.line.thing}"
        return begun

    def _first(self, site: Site) -> PostMarks:
        """The nearest post, and the light lines that all of them end on."""
        paper, line, stage = site.paper, self.line, site.stage
        high, low, _ = line.place.on_paper(stage, self.number)
        post = self._at(stage)
        goal = site.points[post.goal]
        step = self._begin(site, "post-first", Act.FRONTS)
        top = paper.measure(high.x, high.y)
        foot = paper.measure_along(top, UPRIGHT, low.y - high.y)
        self._upright(site, top, foot)
        said = {"across": across(high.x, paper.sheet), "down": down(high.y, paper.sheet)}
        step.say(
            "post-first" if line.thing in UPRIGHTS else "post-first-light",
            top=top, foot=foot, length=Length(low.y - high.y), look=self._look, **said,
        )  # fmt: skip
        starts = [one.begin(site, post, top) for one in line.carried]
        step.check("post-first-check")
        step = self._begin(site, "post-lines", Act.LINES)
        # They belong to all posts, and stay until everything is cleaned up.
        last = line.place.on_paper(stage, line.place.count - 1)

        def aimed(start: Mark, end: Point) -> Ruled:
            guide = paper.aim(start, goal, Part(line.id))
            paper.reach(guide, Mark("", end))
            return guide

        lines = aimed(top, last[0]), aimed(foot, last[1])
        carried = tuple(tuple(aimed(mark, last[0]) for mark in marks) for marks in starts)
        step.say("post-lines", top=top, foot=foot, vp=goal)
        for one in line.carried:
            step.say("post-lines-arm" if isinstance(one, Arm) else "post-lines-rails", vp=goal)
        step.check("post-lines-check", vp=goal)
        ends = tuple(tuple(marks) for marks in starts)
        return PostMarks(top, foot, lines, carried, ends, alone=self.number > 0)

    def _upright(self, site: Site, top: Mark, foot: Mark) -> None:
        """Its upright: kept, or where it is only a help, light."""
        if self.line.thing in UPRIGHTS:
            site.paper.keep(top, foot, VERTICAL, site.body)
        else:
            site.paper.join(top, foot, VERTICAL, site.part)

    def _next(self, site: Site, before: PostMarks) -> PostMarks:
        """The second post, where the cut says."""
        paper, place = site.paper, self.line.place
        goal = site.points[place.goal(site.stage).name]
        step = self._begin(site, "post-next", Act.BACKS)
        foot, said = place.next.build(
            site, before.foot, goal, before.lines[1], LEVEL, (), None, "depth"
        )
        top = paper.cross(paper.upright(foot), before.lines[0])
        step.says.append(said)
        made = self._draw(site, top, foot, before)
        step.say("post-next", foot=foot, top=top, look=self._look)
        self._say_carried(step)
        step.check("post-next-check")
        return made

    def _say_carried(self, step: Step) -> None:
        for one in self.line.carried:
            step.say("post-next-arm" if isinstance(one, Arm) else "post-next-rails")

    def _repeated(self, site: Site, last: PostMarks, before: tuple[Mark, Mark]) -> PostMarks:
        """One more at the same distance: the diagonal through the middle of the last."""
        paper = site.paper
        step = self._begin(site, "post-repeat", Act.BACKS)
        bay = Bay(before[0], before[1], last.top, last.foot)
        further = repeat(paper, bay, self._at(site.stage).goal, VERTICAL, site.points, site.part)
        top, foot = further.far_top, further.far_bottom
        made = self._draw(site, top, foot, last)
        step.say("post-repeat", near=before[1], top=top, look=self._look)
        step.again = phrase("again-posts")
        step.check("post-repeat-check")
        step.bulk = True
        return made

    def _draw(self, site: Site, top: Mark, foot: Mark, last: PostMarks) -> PostMarks:
        self._upright(site, top, foot)
        post = self._at(site.stage)
        ends = tuple(
            tuple(one.carry(site, post, (top, foot), lines, before))
            for one, lines, before in zip(self.line.carried, last.carried, last.ends, strict=True)
        )
        return PostMarks(top, foot, last.lines, last.carried, ends, (last.top, last.foot))

    def _by_hand(self, site: Site) -> None:
        """What is drawn without a ruler: the tree between its lines, wires from post to post."""
        line, post = self.line, self._at(site.stage)
        by_hand = self._card(site.stage)
        if by_hand is not None:
            step = self._begin(site, "post-by-hand", Act.DETAILS)
            by_hand.draw(site.paper, site.body)
            which = "post-by-hand" if line.thing not in UPRIGHTS else "post-on-top"
            width = About(by_hand.wide_mm)
            step.say(which, look=self._look, width=width)
            step.differs(width=width)
            self._in_bulk(step, "sketch-check")
        if line.wires is not None and self.number > 0:
            step = self._begin(site, "post-wires", Act.DETAILS)
            site.paper.keep_by_hand(line.wires.on_paper(post, line.arm), site.body)
            step.say("post-wires", sag=About(line.wires.sag_mm))
            self._in_bulk(step, "post-wires-check")

    def _in_bulk(self, step: Step, check: str) -> None:
        step.again = phrase("again-openings")
        step.check(check)
        step.bulk = True


def _around(places: Sequence[XY], by_mm: float) -> tuple[XY, ...]:
    """The box around some places, wider by so much."""
    xs, ys = zip(*places, strict=True)
    left, right = min(xs) - by_mm, max(xs) + by_mm
    top, bottom = min(ys) - by_mm, max(ys) + by_mm
    return (left, top), (right, top), (right, bottom), (left, bottom)
