"""Covers: an exercise's real drawing as a small picture, which a page asks for once."""

from __future__ import annotations

from hashlib import sha256

from fastapi import Request, Response

from orthopsis import __version__
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import as_text
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.handout.figure import picture_figure
from orthopsis.handout.thumbnail import to_thumbnail

SHOWN_MM = 170.0
"""Pens are as thick as on a figure of this width."""


def cover_of(request: Request, exercise: Exercise) -> Response:
    """The drawing, or 304 where the page has it already."""
    known = sha256(f"{__version__}\n{as_text(exercise)}".encode()).hexdigest()[:32]
    headers = {"ETag": f'"{known}"', "Cache-Control": "private, no-cache"}
    if headers["ETag"] in request.headers.get("if-none-match", ""):
        return Response(status_code=304, headers=headers)
    scene = resolve(exercise)
    strokes = picture(scene, with_hidden=False)
    figure = picture_figure(scene, strokes, scale=scene.sheet.width_mm / SHOWN_MM)
    return Response(to_thumbnail(figure), media_type="image/svg+xml", headers=headers)
