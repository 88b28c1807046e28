"""Reading and writing exercise documents: every refusal names its field and the remedy."""

from __future__ import annotations

import json
from collections.abc import Iterator, Mapping, Sequence, Set
from typing import Any

from pydantic import ValidationError

from orthopsis.errors import ExerciseError, Unfit
from orthopsis.exercise.document import FORMAT, Exercise
from orthopsis.exercise.upgrade import VERSION
from orthopsis.phrase import Number, Own, Phrase, say
from orthopsis.pieces.piece import PLACE
from orthopsis.pieces.registry import ALL_KINDS

MAX_BYTES = 2_000_000


def parse(text: str | bytes) -> Exercise:
    """Read a document from JSON text; raises ExerciseError."""
    if len(text) > MAX_BYTES:
        raise ExerciseError("", say("refused-too-large", most=Number(MAX_BYTES / 1_000_000)))
    try:
        data = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise ExerciseError("", say("refused-no-json", fault=Own(_first_line(error)))) from None
    return from_data(data)


def from_data(data: Any) -> Exercise:
    """Read a document from parsed JSON; raises ExerciseError for its first fault."""
    if not isinstance(data, dict) or data.get("format") != FORMAT:
        raise ExerciseError("format", say("refused-no-exercise", format=Own(FORMAT)))
    version = data.get("version")
    if isinstance(version, int) and version > VERSION:
        raise ExerciseError(
            "version",
            say(
                "refused-newer-version",
                version=Number(float(version)),
                known=Number(float(VERSION)),
            ),
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


_UNION_TAGS = {"OwnSize", "one-point", "two-point", "three-point", *ALL_KINDS}


def explained(errors: Sequence[Mapping[str, Any]], skip: Set[str] = frozenset()) -> ExerciseError:
    """The first of pydantic's faults in plain words; `skip` are parts of the path left out."""
    found = errors[0]
    location = [
        part
        for part in _in_document(found["loc"])
        if part not in _UNION_TAGS | skip and not str(part).startswith("literal[")
    ]
    path, kind, told = field_path(location), found["type"], found.get("ctx", {})
    value = Own(repr(found.get("input")))
    if kind == "value_error" and isinstance(told["error"], Unfit):
        unfit = told["error"]
        return ExerciseError(path + ("." if path and unfit.field else "") + unfit.field, unfit.says)
    if kind in ("union_tag_invalid", "union_tag_not_found"):
        path = field_path([*location, "kind"])
    return ExerciseError(path, _fault(kind, told, value, found))


def _fault(kind: str, told: Mapping[str, Any], value: Own, found: Mapping[str, Any]) -> Phrase:
    """What is wrong with a single value."""
    match kind:
        case "extra_forbidden":
            return say("refused-unknown-field")
        case "missing" | "union_tag_not_found":
            return say("refused-missing")
        case "union_tag_invalid":
            kinds = Own(str(told["expected_tags"]))
            return say("refused-unknown-kind", kind=Own(str(told["tag"])), kinds=kinds)
        case "float_parsing" | "float_type" | "int_parsing" | "int_type":
            return say("refused-no-number", value=value)
        case "literal_error" | "enum":
            return say("refused-none-of", choices=Own(str(told["expected"])), value=value)
        case "greater_than" | "greater_than_equal":
            least = Own(f"{told.get('gt', told.get('ge')):g}")
            return say(f"refused-{kind.replace('_', '-')}", least=least, value=value)
        case "less_than" | "less_than_equal":
            most = Own(f"{told.get('lt', told.get('le')):g}")
            return say(f"refused-{kind.replace('_', '-')}", most=most, value=value)
        case "finite_number":
            return say("refused-no-finite-number", value=value)
        case "too_long" | "string_too_long":
            return say("refused-too-long", most=Own(str(told["max_length"])))
        case "too_short" | "string_too_short":
            return say("refused-too-short", least=Own(str(told["min_length"])))
        case "string_pattern_mismatch":
            return say("refused-name", value=value)
    given = found.get("input")
    what = Own(str(found["msg"]))
    if isinstance(given, str | int | float) and not isinstance(given, bool):
        return say("refused-other", what=what, value=value)
    return say("refused-other-bare", what=what)


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
