"""What the bench does with a document that needs the rules: new pieces, other names."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, get_args
from uuid import uuid4

from pydantic import BaseModel

from orthopsis.errors import ExerciseError, Unfit
from orthopsis.exercise.derived import derives
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.floors import shows_top_at, surface_at
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.phrase import Number, Own, listed, say
from orthopsis.pieces.base import NewPart, RowEnd, free_name, own_name
from orthopsis.pieces.kinds.row import Row
from orthopsis.pieces.piece import PLACE, Piece, forms_of
from orthopsis.pieces.registry import KINDS
from orthopsis.pieces.roles import FieldRole, roles_of

FIRST_STEPS = 10
"""A new thing is so many steps of the round measures high."""


@derives
def with_new_piece(
    exercise: Exercise, kind: str, at: tuple[float, float], step_mm: float
) -> tuple[Exercise, str]:
    """The document with a new piece whose nearest corner stands at a place, and the piece's id.

    Below the eye level it stands on the ground. Raises ExerciseError.
    """
    model = KINDS.get(kind)
    if model is None:
        raise ExerciseError(
            "kind", say("refused-no-such-kind", kind=Own(kind), kinds=listed(KINDS))
        )
    scene = resolve(exercise)
    points = len(scene.main.vanishing_points)
    size = FIRST_STEPS * step_mm * model.first_size
    forms = [form for form in forms_of(model).values() if points in form.systems]
    surface = surface_at(scene.pieces, at, scene.main)
    # What is put in a room takes the form that fits the surface there.
    forms.sort(key=lambda form: (surface or "").partition("/")[2] not in form.surfaces)
    form = next(iter(forms), None)
    word = scene.words.say(say(f"kind-{kind}"))
    if form is None:
        said = say("refused-kind-not-here", kind=Own(word), points=Number(points))
        raise ExerciseError("kind", said)
    x, y = at
    earlier = {piece.id: piece.place for piece in exercise.pieces}
    try:
        place = form.first_beside(Point(x, y), size, scene.main, earlier)
    except Unfit as error:
        raise ExerciseError("pieces", error.says) from None
    top = _top_at(scene, (x, y)) if "floating" in _may_stand(model) else None
    if top is None and surface and surface.partition("/")[2] in form.surfaces:
        top = surface
    if top is None and model.model_fields["on"].is_required():
        raise ExerciseError("pieces", say("refused-needs-room"))
    piece = model.model_validate(
        {
            "on": top,
            "kind": kind,
            "id": free_name(word, {one.id for one in exercise.pieces}),
            "uid": uuid4().hex[:8],
            "standing": _standing(model, y > scene.main.eye_level_mm + step_mm),
            **model.own_first(Point(x, y), size, form.form),
            **place.model_dump(by_alias=True, exclude_none=True),
        }
    )
    return _with_pieces(exercise, [*exercise.pieces, piece]), piece.id


def _top_at(scene: Scene, place: XY) -> str | None:
    """The flat top that is seen at a place: what is put there stands on it."""
    for number in scene.drawing_order:
        part = scene.parts[number]
        if any(face.inside(place) for face in scene.bodies[number].shown.faces):
            piece = scene.pieces[part.number]
            return f"{piece.id}/top" if shows_top_at(piece, part.stage, place) else None
    return None


def _may_stand(model: type[Piece]) -> tuple[str, ...]:
    return get_args(model.model_fields["standing"].annotation)


def _standing(model: type[Piece], below: bool) -> str:
    """On the ground where the place lies below the eye level; some kinds stand nowhere else."""
    may = _may_stand(model)
    wanted = "ground" if below else "floating"
    return wanted if wanted in may else str(may[0])


@derives
def with_field(exercise: Exercise, id: str, field: str, value: str | bool | None) -> Exercise:
    """The document after a choice at a piece, or with a field that may be left out switched on
    (True) or off (None). Raises ExerciseError.
    """
    scene, number = resolve(exercise), _number_of(exercise, id)
    piece = exercise.pieces[number]
    first = field.partition(".")[0]
    if not any(own_name(model, first) for model in (type(piece), type(piece.place))):
        raise ExerciseError(f"pieces.{number}.{field}", say("refused-no-such-field"))
    if value is True and first == field and piece.value(field) is None:
        changed = piece.switched_on(field, scene.stage(number))
    else:
        changed = piece.chosen(field, value)
    return _with_piece(exercise, number, changed)


@derives
def with_part(exercise: Exercise, id: str, new: NewPart) -> Exercise:
    """The document with one more part in a piece. Raises ExerciseError."""
    scene, number = resolve(exercise), _number_of(exercise, id)
    changed = scene.pieces[number].with_part(new, scene.stage(number))
    piece = exercise.pieces[number].model_copy(
        update={
            name: getattr(changed, name) for name in type(changed).model_fields if name != PLACE
        }
    )
    return _with_piece(exercise, number, piece)


@derives
def with_house_beside(exercise: Exercise, id: str, side: str, what: str) -> tuple[Exercise, str]:
    """The document with one more house at an end of a row, of a building or beside a way, and the
    row that it stands in. Raises ExerciseError.
    """
    scene, number = resolve(exercise), _number_of(exercise, id)
    piece, stage, taken = scene.pieces[number], scene.stage(number), _names(exercise)
    if isinstance(piece, Row):
        return with_part(exercise, id, NewPart(what, taken=taken)), id
    if (there := _rows_begun(exercise).get((id, side))) is not None:
        return with_part(exercise, there, NewPart(what, taken=taken)), there
    end = next((one for one in piece.row_ends(stage) if one.side == side), None)
    if end is None:
        raise ExerciseError(f"pieces.{number}", say("refused-row-from-none", piece=Own(id)))
    first = Row.first_at(end, piece.place, stage, taken)
    if what == "house-after-gap":
        first["buildings"][0]["gap"] = {"along_mm": 10}
    first["from"]["piece"] = id
    name = free_name(scene.words.say(say("kind-row")), {one.id for one in exercise.pieces})
    made = Row.model_validate({"kind": "row", "id": name, "uid": uuid4().hex[:8], **first})
    return _with_pieces(exercise, [*exercise.pieces, made]), name


def open_row_ends(scene: Scene) -> list[tuple[str, RowEnd]]:
    """Where a row may go on: at the end of each, and where none begins yet."""
    begun = _rows_begun(scene.exercise)
    return [
        (piece.id, end)
        for number, piece in enumerate(scene.pieces)
        for end in piece.row_ends(scene.stage(number))
        if (piece.id, end.side) not in begun
    ]


def _rows_begun(exercise: Exercise) -> dict[tuple[str, str], str]:
    """The row that begins at a side of a piece."""
    rows = [piece for piece in exercise.pieces if isinstance(piece, Row)]
    # Of two at one side the first goes on.
    return {(row.place.from_.piece, row.place.from_.side): row.id for row in reversed(rows)}


def _names(exercise: Exercise) -> set[str]:
    """What pieces and the houses of rows are called."""
    rows = (piece for piece in exercise.pieces if isinstance(piece, Row))
    return {one.id for one in exercise.pieces} | {one.id for row in rows for one in row.buildings}


def _with_piece(exercise: Exercise, number: int, piece: Piece) -> Exercise:
    """The document with another piece in the place of one, checked."""
    pieces = [piece if k == number else one for k, one in enumerate(exercise.pieces)]
    return _with_pieces(exercise, pieces)


def _with_pieces(exercise: Exercise, pieces: Sequence[Piece]) -> Exercise:
    """The document with these pieces, checked."""
    return from_data(to_data(exercise.model_copy(update={"pieces": list(pieces)})))


def _number_of(exercise: Exercise, id: str) -> int:
    number = next((k for k, one in enumerate(exercise.pieces) if one.id == id), None)
    if number is None:
        raise ExerciseError("pieces", say("refused-no-such-piece", piece=Own(id)))
    return number


@derives
def renamed(exercise: Exercise, old: str, new: str) -> Exercise:
    """The document with another name for a piece; what names it follows. Raises ExerciseError."""
    number = _number_of(exercise, old)
    data = to_data(exercise)
    data["pieces"][number]["id"] = new
    for k, piece in enumerate(exercise.pieces):
        data["pieces"][k] = _follow(data["pieces"][k], piece.place, old, new)
        base, slash, surface = (piece.on or "").partition("/")
        if slash and base == old:
            data["pieces"][k]["on"] = f"{new}/{surface}"
    for spec in data.get("demands", {}).values():
        if spec.get("leave_out"):
            spec["leave_out"] = [new if name == old else name for name in spec["leave_out"]]
    return from_data(data)


def _follow(data: dict[str, Any], model: BaseModel, old: str, new: str) -> dict[str, Any]:
    """A model's data with every reference to a piece by its new name."""
    data = dict(data)
    for name, role in roles_of(type(model)).items():
        value = getattr(model, name)
        if role is FieldRole.REFERENCE and value == old and name in data:
            data[name] = new
        elif role is None and isinstance(value, BaseModel) and name in data:
            data[name] = _follow(data[name], value, old, new)
    return data
