"""From the document to its picture and its steps: the two computations that must agree."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import NamedTuple

from orthopsis.construction.moves import Act, Step
from orthopsis.construction.order import Body, Ordered, in_building_order, near_to_far
from orthopsis.construction.paper import Paper
from orthopsis.construction.standing import StandingBodies
from orthopsis.errors import ExerciseError, Unfit
from orthopsis.exercise.change import Change, with_changes
from orthopsis.exercise.document import Exercise, OwnSize
from orthopsis.exercise.floors import under
from orthopsis.exercise.keys import with_keys
from orthopsis.exercise.schools import flow_of, ways
from orthopsis.exercise.setting import (
    HELPING,
    clean_up,
    helping_points,
    lay_out,
    place_points,
    say_helping_points,
)
from orthopsis.exercise.tone_steps import draw_tone
from orthopsis.exercise.views import view_of
from orthopsis.lesson.flow import Flow
from orthopsis.perspective.segments import XY, Segment, at
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part, Stroke
from orthopsis.perspective.view import VanishingPoint, View
from orthopsis.phrase import Length, say
from orthopsis.picture.drawing import draw
from orthopsis.picture.solids import AnySolid, is_patch
from orthopsis.picture.visibility import BehindTheEye, Sight
from orthopsis.pieces.base import Drawn, Site, Stage
from orthopsis.pieces.placement.placement import Listed
from orthopsis.pieces.registry import AnyPiece
from orthopsis.wording.choices import Wording
from orthopsis.wording.words import Words

LEAST_EYE_HEIGHT_MM = 50.0


class PlacedPart(NamedTuple):
    """Something that is drawn as one, where it stands, and the number of its piece."""

    drawn: Drawn
    stage: Stage
    number: int


@dataclass(frozen=True)
class Scene:
    """A document with its defaults settled: what the picture and the construction start from."""

    exercise: Exercise
    sheet: Sheet
    wording: Wording
    main: View
    views: dict[str, View]
    before: Scene | None = field(default=None, repr=False, compare=False)
    """The scene that this one was changed from: all but `touched` pieces are the same."""
    touched: frozenset[int | str] = frozenset()

    @cached_property
    def words(self) -> Words:
        """The teacher's way of saying things."""
        return Words(self.wording)

    def changed(self, changes: Iterable[Change]) -> Scene:
        """The scene of a changed document; pieces that no change touches are not worked out anew.

        The new values are not checked. Raises ExerciseError.
        """
        changes = tuple(changes)
        exercise = with_changes(self.exercise, changes)
        if any(change.path[0] != "pieces" for change in changes):
            return resolve(exercise)
        touched = {change.path[1] for change in changes}
        names = {self.exercise.pieces[k].id for k in touched if isinstance(k, int)}
        for number, piece in enumerate(exercise.pieces):
            if names & set(piece.rests_on):
                touched.add(number)
                names.add(piece.id)
        return replace(self, exercise=exercise, before=self, touched=frozenset(touched))

    def _as_before(self, number: int) -> Scene | None:
        """The scene of which the piece of that number can be taken as it is."""
        return None if number in self.touched else self.before

    def body(self, number: int) -> Body:
        """A part as it will stand on paper, by its number among the parts."""
        if "bodies" in self.__dict__:
            return self.bodies[number]
        part = self.parts[number]
        return part.drawn.body(part.stage)

    def stage(self, number: int, measured: Sequence[AnyPiece] | None = None) -> Stage:
        """Where that piece stands; `measured` are those before it. Raises ExerciseError."""
        piece = self.exercise.pieces[number]
        view = self.main if piece.view is None else self.views[piece.view]
        path = f"pieces[{number}]"
        try:
            view = piece.place.seen(view, piece.id)
        except Unfit as error:
            turned_mm = piece.value("turned_vp_mm")
            raise ExerciseError(
                f"{path}.turned_vp_mm", say("refused-turned", at=Length(turned_mm), why=error.says)
            ) from None
        beneath = under(piece, number, measured, self)
        floats = piece.on is None and piece.standing == "floating"
        words = sum(one.word is not None for one in self.exercise.pieces)
        named, clear = piece.place.named, piece.transparent
        return Stage(self.sheet, view, path, floats, clear, named, words, number, *beneath)

    @cached_property
    def pieces(self) -> list[AnyPiece]:
        """The document's pieces, with those on the lines of another measured out.

        Raises ExerciseError.
        """
        done: list[AnyPiece] = []
        listed: dict[str, Listed] = {}
        for number, piece in enumerate(self.exercise.pieces):
            before = self._as_before(number)
            if before is not None:
                settled = before.pieces[number]
            else:
                settled = piece.settled(listed, self.stage(number, done))
            done.append(settled)
            if settled.listed is not None:
                listed[piece.id] = settled.listed
        return done

    @cached_property
    def parts(self) -> list[PlacedPart]:
        """All that is drawn, in the order of the document. Raises ExerciseError."""
        made: list[PlacedPart] = []
        for number, piece in enumerate(self.pieces):
            before = self._as_before(number)
            if before is not None:
                made += before._parts_of[number]
                continue
            stage = self.stage(number)
            made += [PlacedPart(one, stage, number) for one in piece.parts(stage)]
        return made

    @cached_property
    def _parts_of(self) -> list[list[PlacedPart]]:
        """The parts by the number of their piece."""
        found: list[list[PlacedPart]] = [[] for _ in self.exercise.pieces]
        for part in self.parts:
            found[part.number].append(part)
        return found

    def number_of(self, part: Part) -> int:
        """The document's number of the piece that a part belongs to."""
        ids = [piece.id for piece in self.exercise.pieces]
        return ids.index(part.piece)

    @cached_property
    def sight(self) -> Sight:
        """The solids before the eye, and the eye level behind them. Raises ExerciseError."""
        left, top, right, bottom = self.sheet.bounds
        y = self.main.eye_level_mm
        # In a room there are walls before the eye level wherever one looks.
        indoors = any(piece.surrounds for piece in self.exercise.pieces)
        level = [((left, y), (right, y))] if top <= y <= bottom and not indoors else []
        try:
            # What lies on the ground is listed last: of what floats the first hides the others.
            solids = [solid for of_part in self.solids for solid in of_part]
            return Sight(sorted(solids, key=is_patch), level)
        except BehindTheEye as error:
            raise ExerciseError(
                f"pieces[{self.number_of(error.part)}]",
                say("refused-behind-the-eye"),
            ) from None

    @cached_property
    def solids(self) -> list[list[AnySolid]]:
        """The solids of every part in eye space. Raises ExerciseError."""
        return [part.drawn.solids(part.stage) for part in self.parts]

    @cached_property
    def bodies(self) -> list[Body]:
        """Every part as it will stand on paper. Raises ExerciseError."""
        known: dict[int, Body] = {}
        if self.before is not None:
            known = dict(zip(map(id, self.before.parts), self.before.bodies, strict=True))
        return [known.get(id(part)) or part.drawn.body(part.stage) for part in self.parts]

    @property
    def drawing_order(self) -> list[int]:
        """The parts from near to far. Raises ExerciseError, NoDrawingOrder."""
        return self.ordered.numbers

    @cached_property
    def ordered(self) -> Ordered:
        """The parts from near to far, from left to right where nearness allows it.

        What rests on another thing has its turn with that. Raises ExerciseError, NoDrawingOrder.
        """
        lefts: dict[str, float] = {}
        for part, body in zip(self.parts, self.bodies, strict=True):
            piece = self.exercise.pieces[part.number]
            base = next((name for name in piece.rests_on if name in lefts), None)
            left_mm = round(body.box[0], 3) if base is None else lefts[base]
            lefts.setdefault(piece.id, left_mm)
        turns = [lefts[self.exercise.pieces[part.number].id] for part in self.parts]
        return near_to_far(self.bodies, turns)

    @cached_property
    def building_order(self) -> list[int]:
        """The parts in the order in which they are made. Raises ExerciseError, NoDrawingOrder."""
        return in_building_order(self.bodies, self.drawing_order)

    @cached_property
    def flow(self) -> Flow:
        """The order of teaching: as the teacher wishes; else stage by stage where there is a word,
        for the youngest corner by corner.
        """
        parts = zip(self.parts, self.bodies, strict=True)
        of_piece = Counter(part.number for part, body in parts if body.on is None)
        return flow_of(self.exercise, has_a_word=max(of_piece.values(), default=0) > 1)

    @cached_property
    def construction(self) -> list[Step]:
        """The drawing by ruler, thing by thing. Raises ExerciseError, NoDrawingOrder."""
        return steps(self)

    @cached_property
    def lefts_mm(self) -> dict[Part | None, float]:
        """How far left each part reaches: things on the left are taught first."""
        return {body.part: round(body.box[0], 3) for body in self.bodies}

    @cached_property
    def vanishing_points(self) -> list[VanishingPoint]:
        """All vanishing points of the sheet: of the main view, the others, and turned pieces."""
        points = list(self.main.vanishing_points)
        for view in self.views.values():
            points += view.vanishing_points
        for number, piece in enumerate(self.exercise.pieces):
            if piece.place.turned:
                points += self.stage(number).view.level_points
        return points

    @cached_property
    def slope_points(self) -> list[VanishingPoint]:
        """Points of roofs and the like, which are found by drawing and never placed before."""
        return [one for part in self.parts for one in part.drawn.slope_points(part.stage)]

    @cached_property
    def by_hand(self) -> list[Sequence[XY]]:
        """Outlines on paper within which pupils draw by hand: shown, and never judged."""
        return [outline for part in self.parts for outline in part.drawn.by_hand(part.stage)]

    @cached_property
    def hand_rooms(self) -> list[Sequence[XY]]:
        """Outlines on paper within which lines by hand may stray."""
        return [outline for part in self.parts for outline in part.drawn.hand_rooms(part.stage)]

    @cached_property
    def fills(self) -> list[Segment]:
        """Lines on paper that fill a face, as bricks do."""
        return [line for part in self.parts for line in part.drawn.fills(part.stage)]

    @cached_property
    def filled(self) -> list[Sequence[XY]]:
        """The outlines on paper of faces that such lines fill."""
        return [outline for part in self.parts for outline in part.drawn.filled(part.stage)]

    @property
    def goals(self) -> list[VanishingPoint]:
        """All points that lines lead to."""
        return [*self.vanishing_points, *self.slope_points]

    @cached_property
    def helping_points(self) -> list[VanishingPoint]:
        """The distance and measuring points that are asked for; none where nothing can be drawn."""
        if not any(piece.measured_true for piece in self.exercise.pieces):
            return []
        try:
            return helping_points(self.construction)
        except ExerciseError:
            return []

    @cached_property
    def far_points(self) -> list[VanishingPoint]:
        """The points beside the sheet, where a strip or a string reaches them."""
        return [
            vp
            for vp in (*self.vanishing_points, *self.helping_points)
            if not vp.at.at_infinity and not self.sheet.contains(vp.at)
        ]


def resolve(exercise: Exercise) -> Scene:
    """Settle sheet, views and wording. Raises ExerciseError."""
    spec = exercise.sheet
    if isinstance(spec.size, OwnSize):
        sheet = Sheet(spec.size.width_mm, spec.size.height_mm, spec.frame_mm)
        inch_sheet = False
    else:
        sheet = Sheet.named(spec.size, spec.orientation or "landscape", spec.frame_mm)
        inch_sheet = spec.size.endswith("in")
    if 2 * sheet.frame_mm >= min(sheet.width_mm, sheet.height_mm):
        raise ExerciseError("sheet.frame_mm", say("refused-frame-too-wide"))
    words = exercise.wording
    units = words.units or ("in" if inch_sheet else "cm")
    eye_height_mm = exercise.view.eye_height_mm or max(
        sheet.height_mm - exercise.view.eye_level_mm, LEAST_EYE_HEIGHT_MM
    )
    return Scene(
        exercise=exercise,
        sheet=sheet,
        wording=Wording(
            units,
            words.line,
            words.spelling,
            words.reading,
            words.square,
            words.ruler_mm,
            words.far,
            exercise.given or "measures",
            exercise.schools.fronts,
            exercise.schools.guides,
        ),
        main=view_of(exercise.view, sheet, eye_height_mm),
        views={
            name: view_of(view, sheet, eye_height_mm).named(name)
            for name, view in exercise.views.items()
        },
    )


def solids(scene: Scene) -> list[AnySolid]:
    """All solids of the sheet in eye space, in the order of their pieces. Raises ExerciseError."""
    return [solid for of_part in scene.solids for solid in of_part]


def picture(scene: Scene, with_hidden: bool = True) -> list[Stroke]:
    """The lines of the drawing, by projection. Raises ExerciseError."""
    return draw(scene.sheet, scene.sight, with_hidden)


def eye_level_behind(scene: Scene) -> list[Segment]:
    """What is seen of the eye level line behind the finished drawing."""
    return [
        (at(line, a), at(line, b))
        for line, seen in zip(scene.sight.far_lines, scene.sight.far_lines_seen(), strict=True)
        for a, b in seen
    ]


def steps(scene: Scene, reading_mm: float | None = None) -> list[Step]:
    """The drawing by ruler and pencil. Raises ExerciseError, NoDrawingOrder.

    With `reading_mm` every measure is set to the nearest mark of such a ruler.
    """
    standing = StandingBodies(scene.bodies, scene.ordered)
    paper = Paper(
        scene.sheet,
        reading_mm=reading_mm,
        standing=standing,
        ways=ways(scene.exercise, scene.flow),
    )
    sheet, level_mm = scene.sheet, scene.main.eye_level_mm
    lay_out(paper, sheet, level_mm)
    points = place_points(paper, scene.vanishing_points, sheet, level_mm)
    paper.setting = paper.begin(HELPING, Act.SETTING)
    handed: dict[Part, object] = {}
    unseen: list[Body] = []
    sites: dict[Part, Site] = {}
    below: list[tuple[Drawn, Site]] = []
    for number in scene.building_order:
        part, body = scene.parts[number], scene.bodies[number]
        first, take_back = len(paper.steps), paper.on_trial()
        site = Site(paper, body, part.stage, points, handed)
        result = part.drawn.build(site)
        sites[body.part] = site
        if any(drawn.fate == "keep" for step in paper.steps[first:] for drawn in step.strokes):
            handed[body.part] = result
            below += [(part.drawn, site)] if body.ground and not body.last else []
        else:
            # Wholly behind nearer things, or off the sheet: there is nothing to draw.
            take_back()
            unseen.append(body)
    for drawn, site in below:
        drawn.finish(site)
    paper.finish()
    draw_tone(scene, paper, sites, handed)
    say_helping_points(paper, sheet, level_mm)
    clean_up(paper, {body.part for body in scene.bodies}, unseen)
    return with_keys(paper.steps, scene.exercise.pieces)
