"""Drawing is stateless: a document comes in, its picture, steps or pages go out."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from fastapi import APIRouter, Response
from pydantic_core import to_json

from orthopsis.exercise.advice import advice, facts, message, remedy
from orthopsis.exercise.board import board_factor, on_board, points_note, reach_note
from orthopsis.exercise.demonstration import climbed, lifted, spread
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.records import drawing_record, number, planes_record, point, steps_record
from orthopsis.exercise.resolve import Scene, eye_level_behind, picture, resolve
from orthopsis.exercise.runthrough import may_change_places, run_through, said_measures
from orthopsis.exercise.tone import planes
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.handout.figure import picture_figure, toned
from orthopsis.handout.svg import to_svg
from orthopsis.perspective.stroke import Stroke
from orthopsis.web.models import PictureOut, StepsOut, ViewerIn
from orthopsis.web.problems import PROBLEMS
from orthopsis.web.teach_models import BoardOut, DemonstrateIn, DemonstrationOut, LiftIn, SpreadIn

router = APIRouter(prefix="/api", tags=["drawing"], responses=PROBLEMS)


@router.post("/picture", response_model=PictureOut)
def draw_picture(
    exercise: Exercise, lines_only: bool = False, hidden: bool = True, chosen: str | None = None
) -> Response:
    """The drawing of a document, with facts, advice and all grips; `lines_only` leaves out these
    and the grips of all but the `chosen` piece, and without `hidden` the lines that are not seen
    are missing, so that the answer keeps up with a moving hand.
    """
    # Put out as it is: to check our own record again costs more than to draw it.
    record = picture_record(resolve(exercise), lines_only, hidden, chosen)
    return Response(to_json(record), media_type="application/json")


@router.post("/steps")
def make_steps(exercise: Exercise) -> StepsOut:
    """The ruler-and-pencil steps of a document."""
    return StepsOut.model_validate(run_record(resolve(exercise)))


@router.post("/board")
def at_the_board(exercise: Exercise) -> BoardOut:
    """The exercise in board measures, and what to do where the ruler does not reach."""
    scene = resolve(exercise)
    large = on_board(scene)
    notes = [reach_note(large, step) for step in run_through(large)]
    return BoardOut(
        document=large.exercise,
        factor=board_factor(scene),
        points_note=points_note(large),
        step_notes=notes,
    )


@router.post("/viewer")
def move_viewer(step: ViewerIn) -> Exercise:
    """The document of the same world, for a viewer who took a step."""
    return viewer_moved(step.document, step.right_mm, step.up_mm, step.back_mm)


def cover_of(exercise: Exercise) -> Response:
    """The real drawing as a small picture."""
    scene = resolve(exercise)
    figure = picture_figure(scene, picture(scene), scale=scene.sheet.width_mm / 170)
    return Response(to_svg(figure), media_type="image/svg+xml")


@router.post("/demonstrate")
def demonstrate(asked: DemonstrateIn) -> DemonstrationOut:
    """A changed copy of the exercise, with the sentence that a teacher says to it."""
    show = asked.show
    if isinstance(show, LiftIn):
        shown, sentence = lifted(asked.document, show.piece, show.up_mm, show.right_mm)
    elif isinstance(show, SpreadIn):
        shown, sentence = spread(asked.document, show.factor)
    else:
        shown, sentence = climbed(asked.document, show.up_mm)
    return DemonstrationOut(document=shown, sentence=sentence)


def run_record(scene: Scene) -> dict[str, Any]:
    """The steps with what the bench asks besides: said measures, and what may come earlier."""
    made = run_through(scene)
    record = steps_record(made)
    for k, (step, out) in enumerate(zip(made, record["steps"], strict=True)):
        out["said"] = said_measures(step, scene.wording)
        out["earlier"] = k > 0 and may_change_places(made[k - 1], step)
    return record


def picture_record(
    scene: Scene, lines_only: bool = False, hidden: bool = True, chosen: str | None = None
) -> dict[str, Any]:
    strokes, toned_planes = picture(scene, hidden), planes(scene)
    fills = toned(scene, toned_planes)
    return {
        "drawing": drawing_record(scene, strokes),
        "planes": [
            {**record, "colour": fill.colour}
            for record, fill in zip(planes_record(toned_planes), fills, strict=True)
        ],
        "eye_level": [(point(a), point(b)) for a, b in eye_level_behind(scene)],
        "facts": None if lines_only else asdict(facts(scene, strokes)),
        "advice": None if lines_only else advice_record(scene, strokes),
        "units": scene.wording.units,
        "grips": [
            {
                "piece": piece.id,
                "field": grip.field,
                "way": grip.way,
                "start": point(grip.start.xy),
                "goal": point(grip.goal.xy),
                "at": point(grip.at.xy),
            }
            for number, piece in enumerate(scene.pieces)
            if getattr(piece, "stack", None) is None and (not lines_only or piece.id == chosen)
            for grip in piece.grips(scene.stage(number))
        ],
    }


def advice_record(scene: Scene, strokes: list[Stroke]) -> list[dict[str, Any]]:
    return [
        {
            "code": one.code,
            "where": point(one.where),
            "number": number(one.number),
            "message": message(one, scene.wording),
            "remedy": remedy(one, scene.wording),
            "changes": [{"path": change.path, "value": change.value} for change in one.changes],
        }
        for one in advice(scene, strokes)
    ]
