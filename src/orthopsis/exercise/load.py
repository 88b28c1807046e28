"""Reading and writing exercise documents: every refusal names its field and the remedy."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator, Mapping, Sequence, Set
from typing import Any

from pydantic import ValidationError

from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import FORMAT, Exercise
from orthopsis.exercise.upgrade import VERSION
from orthopsis.pieces.piece import PLACE
from orthopsis.pieces.registry import KINDS

MAX_BYTES = 2_000_000


def parse(text: str | bytes) -> Exercise:
    """Read a document from JSON text; raises ExerciseError."""
    if len(text) > MAX_BYTES:
        raise ExerciseError("", f"the document is larger than {MAX_BYTES // 1_000_000} MB")
    try:
        data = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise ExerciseError("", f"this is not JSON ({_first_line(error)}); save it again") from None
    return from_data(data)


def from_data(data: Any) -> Exercise:
    """Read a document from parsed JSON; raises ExerciseError for its first fault."""
    if not isinstance(data, dict) or data.get("format") != FORMAT:
        raise ExerciseError("format", f"this is no exercise: 'format' must be '{FORMAT}'")
    version = data.get("version")
    if isinstance(version, int) and version > VERSION:
        raise ExerciseError(
            "version", f"version {version} is newer than this program knows ({VERSION}); update it"
        )
    try:
        return Exercise.model_validate(data)
    except ValidationError as error:
        raise explained(error.errors(include_url=False)) from None


def to_data(exercise: Exercise) -> dict[str, Any]:
    """The document as JSON data, without fields left at their default."""
    data = exercise.model_dump(mode="json", by_alias=True, exclude_none=True, exclude_defaults=True)
    data["pieces"] = [
        {"kind": piece.kind, **dumped}
        for piece, dumped in zip(exercise.pieces, data.get("pieces", []), strict=True)
    ]
    return data


def as_text(exercise: Exercise) -> str:
    """The document as it is kept in a file."""
    return json.dumps(to_data(exercise), indent=1, ensure_ascii=False)


def field_path(location: Sequence[str | int]) -> str:
    """A field's path as a person writes it.

    >>> field_path(["pieces", 0, "depth", "x_mm"])
    'pieces[0].depth.x_mm'
    """
    path = ""
    for part in location:
        path += f"[{part}]" if isinstance(part, int) else f".{part}" if path else part
    return path


_UNION_TAGS = {"OwnSize", "one-point", "two-point", "three-point", *KINDS}


def explained(errors: Sequence[Mapping[str, Any]], skip: Set[str] = frozenset()) -> ExerciseError:
    """The first of pydantic's faults in plain words; `skip` are parts of the path left out."""
    found = errors[0]
    location = [
        part
        for part in _in_document(found["loc"])
        if part not in _UNION_TAGS | skip and not str(part).startswith("literal[")
    ]
    path, message = field_path(location), found["msg"]
    match found["type"]:
        case "extra_forbidden":
            message = "unknown field; remove it or check its spelling"
        case "missing":
            message = "this field is missing; add it"
        case "union_tag_invalid":
            message = f"unknown kind '{found['ctx']['tag']}'; use {found['ctx']['expected_tags']}"
            path = field_path([*location, "kind"])
        case "union_tag_not_found":
            message, path = "this field is missing; add it", field_path([*location, "kind"])
        case "value_error":
            message = str(found["ctx"]["error"])
            inner = re.match(r"^([a-z][\w.\[\] -]*): (.*)$", message) if not path else None
            if inner:
                path, message = inner.groups()
        case "float_parsing" | "float_type" | "int_parsing":
            message = f"must be a number; it is {found.get('input')!r}"
        case "literal_error" | "enum":
            message = f"must be {found['ctx']['expected']}; it is {found.get('input')!r}"
        case _:
            value = found.get("input")
            if isinstance(value, str | int | float) and not isinstance(value, bool):
                message = f"{message}; it is {value!r}"
    return ExerciseError(path, message)


def _in_document(location: Sequence[str | int]) -> Iterator[str | int]:
    """The parts of a path as the document has them: fields of a placement stand in their piece."""
    parts = iter(location)
    for part in parts:
        if part == PLACE:
            next(parts, None)
        else:
            yield part


def _first_line(error: Exception) -> str:
    return str(error).splitlines()[0]
