"""Everything for a lesson in one archive."""

from __future__ import annotations

import io
import zipfile
from dataclasses import replace

from orthopsis.exercise.resolve import Scene
from orthopsis.handout.export import exported
from orthopsis.handout.order import Order, Part, SheetFor
from orthopsis.handout.pages import handout_pdf


def class_pack(scene: Scene, order: Order, pupils: tuple[SheetFor, ...]) -> bytes:
    """Everything for a lesson in one ZIP: the document, drawings, each part as its own PDF, and
    each pupil's sheet when there are pupils.
    """
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("exercise.json", exported(scene, "json"))
        for form in ("svg", "png"):
            archive.writestr(f"drawing.{form}", exported(scene, form))
        for part in order.parts:
            archive.writestr(f"{part}.pdf", handout_pdf(scene, _only(order, part, ())))
        if pupils:
            archive.writestr("pupils.pdf", handout_pdf(scene, _only(order, "starter", pupils)))
    return out.getvalue()


def _only(order: Order, part: Part, pupils: tuple[SheetFor, ...]) -> Order:
    return replace(order, parts=(part,), pupils=pupils, marks=order.marks or bool(pupils))
