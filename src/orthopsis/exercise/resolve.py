"""From the document to its picture and its steps: the two computations that must agree."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthopsis.construction.moves import Mark, Step
from orthopsis.construction.order import Body, near_to_far
from orthopsis.construction.paper import Paper
from orthopsis.construction.wording import Wording
from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import Exercise, OnePointView, OwnSize, ThreePointView, ViewSpec
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import Segment, at
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Stroke
from orthopsis.perspective.view import VanishingPoint, View
from orthopsis.picture.drawing import draw
from orthopsis.picture.hidden import BehindTheEye, Sight
from orthopsis.picture.thing import Thing
from orthopsis.pieces.base import Drawn, Stage
from orthopsis.pieces.registry import AnyPiece

LEAST_EYE_HEIGHT_MM = 50.0


class Part(NamedTuple):
    """Something that is drawn as one, where it stands, and the number of its piece."""

    piece: Drawn
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

    def stage(self, number: int) -> Stage:
        """Where the piece of that number stands."""
        piece = self.exercise.pieces[number]
        view = self.main if piece.view is None else self.views[piece.view]
        path = f"pieces[{number}]"
        if piece.turned_vp_mm is not None:
            try:
                view = view.turned(piece.id, piece.turned_vp_mm)
            except ValueError as error:
                raise ExerciseError(
                    f"{path}.turned_vp_mm", f"{piece.turned_vp_mm:g} mm: {error}; leave it out"
                ) from None
        return Stage(self.sheet, view, path)

    @cached_property
    def pieces(self) -> list[AnyPiece]:
        """The document's pieces, with those on the lines of another measured out.

        Raises ExerciseError.
        """
        done: list[AnyPiece] = []
        for number, piece in enumerate(self.exercise.pieces):
            done.append(piece.on_lines_of(done, self.stage(number)))
        return done

    @cached_property
    def parts(self) -> list[Part]:
        """All that is drawn, in the order of the document. Raises ExerciseError."""
        return [
            Part(one, stage, number)
            for number, piece in enumerate(self.pieces)
            for stage in (self.stage(number),)
            for one in piece.parts(stage)
        ]

    def number_of(self, name: str) -> int:
        """The document's number of the piece that has a part of this name."""
        return next(part.number for part in self.parts if part.piece.id == name)

    @cached_property
    def sight(self) -> Sight:
        """The solids before the eye, and the eye level behind them. Raises ExerciseError."""
        left, top, right, bottom = self.sheet.bounds
        y = self.main.eye_level_mm
        level = [((left, y), (right, y))] if top <= y <= bottom else []
        try:
            return Sight(solids(self), level)
        except BehindTheEye as error:
            raise ExerciseError(
                f"pieces[{self.number_of(error.piece)}]",
                f"{error}, where nothing is seen; shorten it or move it back",
            ) from None

    @cached_property
    def bodies(self) -> list[Body]:
        """Every part as it will stand on paper. Raises ExerciseError."""
        return [part.piece.body(part.stage) for part in self.parts]

    @cached_property
    def drawing_order(self) -> list[int]:
        """The parts from near to far. Raises ExerciseError, NoDrawingOrder."""
        return near_to_far(self.bodies)

    @cached_property
    def vanishing_points(self) -> list[VanishingPoint]:
        """All vanishing points of the sheet: of the main view, the others, and turned pieces."""
        points = list(self.main.vanishing_points)
        for view in self.views.values():
            points += view.vanishing_points
        for number, piece in enumerate(self.exercise.pieces):
            if piece.turned_vp_mm is not None:
                points += self.stage(number).view.level_points
        return points

    @cached_property
    def far_points(self) -> list[VanishingPoint]:
        """The vanishing points beside the sheet, where a strip or a string reaches them."""
        return [
            vp
            for vp in self.vanishing_points
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
        raise ExerciseError(
            "sheet.frame_mm", "the frame leaves nothing to draw on; make it narrower"
        )
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
        ),
        main=_view(exercise.view, sheet, eye_height_mm),
        views={
            name: _view(view, sheet, eye_height_mm).named(name)
            for name, view in exercise.views.items()
        },
    )


def _view(spec: ViewSpec, sheet: Sheet, eye_height_mm: float) -> View:
    if isinstance(spec, OnePointView):
        return View.one_point(
            spec.vanishing_point_mm,
            spec.eye_level_mm,
            spec.viewing_distance_mm or sheet.width_mm / 2,
            eye_height_mm,
        )
    if isinstance(spec, ThreePointView):
        return View.three_point(
            spec.left_vp_mm,
            spec.right_vp_mm,
            spec.eye_level_mm,
            Point(*spec.third_vp_mm),
            eye_height_mm,
        )
    left_mm, right_mm, middle_mm = spec.left_vp_mm, spec.right_vp_mm, sheet.width_mm / 2
    centre_mm = spec.centre_mm
    if centre_mm is None:
        centre_mm = middle_mm if left_mm < middle_mm < right_mm else (left_mm + right_mm) / 2
    return View.two_point(left_mm, right_mm, spec.eye_level_mm, centre_mm, eye_height_mm)


def solids(scene: Scene) -> list[Thing]:
    """All solids of the sheet in eye space, in the order of their pieces. Raises ExerciseError."""
    return [solid for part in scene.parts for solid in part.piece.solids(part.stage)]


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


def bodies(scene: Scene) -> list[Body]:
    """Every part as it will stand on paper. Raises ExerciseError."""
    return scene.bodies


def steps(scene: Scene, reading_mm: float | None = None) -> list[Step]:
    """The drawing by ruler and pencil. Raises ExerciseError, NoDrawingOrder.

    With `reading_mm` every measure is set to the nearest mark of such a ruler.
    """
    paper = Paper(scene.sheet, scene.wording, reading_mm=reading_mm)
    _lay_out(paper, scene)
    points = _place_points(paper, scene)
    standing = paper.standing = bodies(scene)
    for number in scene.drawing_order:
        first, known = len(paper.steps), (dict(paper.faces), dict(paper.depths))
        part = scene.parts[number]
        part.piece.build(paper, part.stage, standing[number], points)
        if not any(drawn.fate == "keep" for step in paper.steps[first:] for drawn in step.strokes):
            # Wholly behind nearer things, or off the sheet: there is nothing to draw.
            del paper.steps[first:]
            paper.faces, paper.depths = known
        paper.nearer.append(standing[number])
    _clean_up(paper)
    return paper.steps


def _lay_out(paper: Paper, scene: Scene) -> None:
    length, level_mm = scene.wording.length, scene.main.eye_level_mm
    if scene.sheet.frame_mm:
        step = paper.begin("The frame")
        paper.frame()
        step.instruction = f"Draw a frame {length(scene.sheet.frame_mm)} inside the edge."
        step.check = "The frame is equally wide on all four sides."
    step = paper.begin(f"The {scene.wording.eye_level}")
    step.key = "/eye level"
    paper.eye_level(level_mm)
    step.instruction = (
        f"Measure {length(level_mm)} down from the top at the left and at the right edge, and "
        f"draw the {scene.wording.eye_level} lightly between the marks."
    )
    step.check = "Both ends are equally far from the top, so the line is level."


def _place_points(paper: Paper, scene: Scene) -> dict[str, Mark]:
    vps = scene.vanishing_points
    step = paper.begin("The vanishing point" if len(vps) == 1 else "The vanishing points")
    step.key = "/points"
    level_mm = scene.main.eye_level_mm
    points = {vp.name: paper.given(vp, level_mm) for vp in vps}
    on_level = [where_point(vp, scene) for vp in vps if vp.at.y == level_mm]
    elsewhere = [f"Mark {where_point(vp, scene)}." for vp in vps if vp.at.y != level_mm]
    line = f"On the {scene.wording.eye_level}"
    step.instruction = scene.wording.say(
        f"{line} mark {'; '.join(on_level)}.",
        f"Stay on the {scene.wording.eye_level}. Mark {'. Mark '.join(on_level)}.",
    )
    step.check = "Each point is a small dot with its name, exactly on the line."
    if elsewhere:
        step.instruction += f" {' '.join(elsewhere)}"
        step.check = "Each point is a small dot with its name; the level ones lie on the line."
    return points


def where_point(vp: VanishingPoint, scene: Scene) -> str:
    """A vanishing point's place in words, with the strip it needs when it lies off the sheet."""
    length, (x, y), sheet = scene.wording.length, vp.at.xy, scene.sheet
    if x < 0.0:
        across = f"{length(-x)} out from the left edge"
    elif x > sheet.width_mm:
        across = f"{length(x - sheet.width_mm)} out from the right edge"
    else:
        across = f"{length(x)} from the left edge"
    down = ""
    if y != scene.main.eye_level_mm:
        if y < 0.0:
            down = f" and {length(-y)} above the top edge"
        elif y > sheet.height_mm:
            down = f" and {length(y - sheet.height_mm)} below the bottom edge"
        else:
            down = f" and {length(y)} from the top edge"
    strip = "" if sheet.contains(vp.at) else " on a strip of paper,"
    return f"{vp.name}{strip} {across}{down}"


def _clean_up(paper: Paper) -> None:
    if not any(drawn.fate == "keep" for drawn in paper.strokes):
        return
    erased = {number for step in paper.steps for number in step.erases}
    # Light lines of a part that it has not erased itself are its pattern.
    parts = {body.piece for body in paper.standing}
    step = paper.begin("Finish")
    for number, drawn in enumerate(paper.strokes):
        stays = drawn.fate == "keep" or drawn.stroke.piece in parts
        if not stays and number not in erased:
            step.erases.append(number)
    line = paper.wording.eye_level
    step.instruction = f"{paper.wording.rub_out} the {line} and the marks that are still there."
    step.check = "Put the ruler along two edges of each family: they lead to the same point."
