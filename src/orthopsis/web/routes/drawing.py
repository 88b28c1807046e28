"""Drawing is stateless: a document comes in, its picture, steps or pages go out."""

from __future__ import annotations

from typing import Any

from fastapi import APIRouter, Response

from orthopsis.exercise.advice import advice, facts, message, remedy
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.records import drawing_record, planes_record, point, steps_record
from orthopsis.exercise.resolve import Scene, eye_level_behind, picture, resolve, steps
from orthopsis.exercise.tone import planes
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.handout.figure import toned
from orthopsis.handout.pages import handout_pdf
from orthopsis.web.models import PictureOut, StepsOut, ViewerIn
from orthopsis.web.problems import PROBLEMS

router = APIRouter(prefix="/api", tags=["drawing"], responses=PROBLEMS)


@router.post("/picture")
def draw_picture(exercise: Exercise) -> PictureOut:
    """The drawing of a document, with facts and advice."""
    return PictureOut.model_validate(picture_record(resolve(exercise)))


@router.post("/steps")
def make_steps(exercise: Exercise) -> StepsOut:
    """The ruler-and-pencil steps of a document."""
    return StepsOut.model_validate(steps_record(steps(resolve(exercise))))


@router.post("/viewer")
def move_viewer(step: ViewerIn) -> Exercise:
    """The document of the same world, for a viewer who took a step."""
    return viewer_moved(step.document, step.right_mm, step.up_mm, step.back_mm)


@router.post(
    "/handout",
    response_class=Response,
    responses={200: {"content": {"application/pdf": {"schema": {"type": "string"}}}}},
)
def print_handout(exercise: Exercise) -> Response:
    """Steps and answer key as PDF."""
    return pdf(exercise)


def pdf(exercise: Exercise) -> Response:
    name = "".join(c if c.isascii() and c.isalnum() else "-" for c in exercise.title.lower())
    return Response(
        handout_pdf(resolve(exercise)),
        media_type="application/pdf",
        headers={"Content-Disposition": f'inline; filename="{name}.pdf"'},
    )


def picture_record(scene: Scene) -> dict[str, Any]:
    strokes, toned_planes = picture(scene), planes(scene)
    fills = toned(scene, toned_planes)
    return {
        "drawing": drawing_record(scene, strokes),
        "planes": [
            {**record, "colour": fill.colour}
            for record, fill in zip(planes_record(toned_planes), fills, strict=True)
        ],
        "eye_level": [(point(a), point(b)) for a, b in eye_level_behind(scene)],
        "facts": facts(scene, strokes),
        "advice": [
            {
                "code": one.code,
                "where": one.where,
                "number": one.number,
                "message": message(one, scene.wording),
                "remedy": remedy(one, scene.wording),
                "changes": one.changes,
            }
            for one in advice(scene, strokes)
        ],
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
            if getattr(piece, "stack", None) is None
            for grip in piece.grips(scene.stage(number))
        ],
    }
