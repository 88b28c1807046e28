"""The drawing and its steps as plain data: what `draw` and `steps` print and the web sends."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from orthopsis.construction.moves import Step
from orthopsis.exercise.forgiveness import forgiveness, rounded_miss_mm
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.tone import Plane
from orthopsis.perspective.stroke import Stroke
from orthopsis.perspective.view import VanishingPoint

DECIMALS = 6


def number(value: float) -> float:
    """A coordinate with 6 decimals, and no minus before zero."""
    return round(float(value), DECIMALS) + 0.0


def point(xy: tuple[float, float]) -> list[float]:
    return [round(xy[0], DECIMALS) + 0.0, round(xy[1], DECIMALS) + 0.0]


def stroke_record(stroke: Stroke) -> dict[str, Any]:
    record = {
        "from": point(stroke.start),
        "to": point(stroke.end),
        "family": stroke.family,
        "role": stroke.role.value,
        "piece": stroke.piece,
    }
    return record if stroke.curve is None else {**record, "curve": stroke.curve}


def vanishing_point_record(vp: VanishingPoint) -> dict[str, Any]:
    if vp.at.at_infinity:
        return {"name": vp.name, "direction": [number(vp.at.x), number(vp.at.y)]}
    x, y = vp.at.xy
    return {"name": vp.name, "x_mm": number(x), "y_mm": number(y)}


def drawing_record(scene: Scene, strokes: Sequence[Stroke]) -> dict[str, Any]:
    """What `draw --format json` prints."""
    return {
        "sheet": {
            "width_mm": number(scene.sheet.width_mm),
            "height_mm": number(scene.sheet.height_mm),
        },
        "eye_level_mm": number(scene.main.eye_level_mm),
        "vanishing_points": [vanishing_point_record(vp) for vp in scene.vanishing_points],
        "strokes": [stroke_record(stroke) for stroke in strokes],
    }


def planes_record(planes: Sequence[Plane]) -> list[dict[str, Any]]:
    """The toned planes, the furthest first."""
    return [
        {
            "piece": plane.piece,
            "value": plane.value,
            "loops": [[point(xy) for xy in loop] for loop in plane.loops],
        }
        for plane in planes
    ]


def step_record(position: int, step: Step) -> dict[str, Any]:
    return {
        "number": position,
        "title": step.title,
        "piece": step.piece,
        "instruction": step.instruction,
        "minutes": step.minutes,
        "marks": [{"name": mark.name, "at": point(mark.at.xy)} for mark in step.marks],
        "measures": [{"zero": m.zero, "axis": m.axis, "mm": number(m.mm)} for m in step.measures],
        "strokes": [{**stroke_record(drawn.stroke), "fate": drawn.fate} for drawn in step.strokes],
        "tried": [stroke_record(stroke) for stroke in step.tried],
        "darkens": list(step.darkens),
        "erases": list(step.erases),
        "check": step.check,
        "key": step.key,
        "hidden": step.hidden,
        "note": step.note,
    }


def steps_record(steps: Sequence[Step]) -> dict[str, Any]:
    """What `steps --format json` prints; `forgiveness_mm` is null when nothing is drawn."""
    forgiven = forgiveness(steps)
    return {
        "steps": [step_record(i, step) for i, step in enumerate(steps, start=1)],
        "forgiveness_mm": None if forgiven is None else number(forgiven.mm),
    }


def steps_text(scene: Scene, steps: Sequence[Step]) -> str:
    """What `steps --format text` prints: to be read aloud or copied to the board."""
    lines = [scene.exercise.title, *forgiveness_words(scene, steps), ""]
    said = [step for step in steps if not step.hidden]
    for i, step in enumerate(said, start=1):
        lines += [f"{i}. {step.title} ({step.minutes:g} min)", f"   {step.instruction}"]
        lines += [f"   Check: {step.check}", ""]
    return "\n".join(lines)


def forgiveness_words(scene: Scene, steps: Sequence[Step]) -> list[str]:
    """How exactly to measure, in one line; none when nothing is drawn."""
    forgiven = forgiveness(steps)
    if forgiven is None:
        return []
    miss_mm = rounded_miss_mm(scene, steps)
    return [
        f"Forgiveness: corners meet when each measure is set to within {forgiven.mm:.1f} mm; with "
        f"all of them set to half a millimetre they lie off by {miss_mm:.1f} mm."
    ]
