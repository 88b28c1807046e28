"""The tree of every error that Orthopsis raises on purpose.

A message is written for a teacher: what is wrong with its number, and the remedy.
"""

from __future__ import annotations

from orthopsis.phrase import Own, Phrase, Several, Value
from orthopsis.plain import shortened
from orthopsis.wording.choices import Wording
from orthopsis.wording.words import Words

IN_MM = Words(Wording(units="mm"))
"""Documents count in millimetres, and so do those who write them by hand."""


class Refusal(Exception):
    """Something refused in words: `says` tells what is wrong, and the remedy."""

    def __init__(self, says: Phrase) -> None:
        super().__init__(says)
        self.says = _without_megabytes(says)

    @property
    def message(self) -> str:
        """What is wrong, in the millimetres of a document."""
        return IN_MM.say(self.says)

    def __str__(self) -> str:
        return self.message


class OrthopsisError(Refusal):
    """Something a person can put right."""


def _without_megabytes(says: Phrase) -> Phrase:
    """What a refusal repeats of somebody's input is cut to what is read."""

    def short(value: Value) -> Value:
        match value:
            case Own(text):
                return Own(shortened(text))
            case Several(items, by):
                return Several(tuple(map(short, items)), by)
            case Phrase():
                return _without_megabytes(value)
        return value

    return Phrase(says.id, {name: short(value) for name, value in says.values.items()})


class Unfit(Refusal, ValueError):
    """Measures that cannot be used; `field` names one of them.

    Whoever knows where they stand in a document makes an ExerciseError of it.
    """

    def __init__(self, says: Phrase, field: str = "") -> None:
        super().__init__(says)
        self.field = field


class ExerciseError(OrthopsisError):
    """An exercise document that cannot be used as it is.

    `path` names the field, as in ``pieces[0].depth.x_mm``.
    """

    def __init__(self, path: str, says: Phrase) -> None:
        super().__init__(says)
        self.path = path

    def __str__(self) -> str:
        return f"{self.path}: {self.message}" if self.path else self.message


class ImageError(OrthopsisError):
    """A picture file that cannot be read as a sheet of paper."""


class OutputError(OrthopsisError):
    """A result that cannot be written where it was asked for."""


class SchoolError(OrthopsisError):
    """A request about classes, sheets or marks that cannot be carried out."""


class NotFound(SchoolError):
    """The thing asked for does not exist, or belongs to another teacher."""


class EditConflict(SchoolError):
    """Somebody saved a newer version in the meantime; both are kept."""

    def __init__(self, says: Phrase, current_counter: int, kept_copy_id: int) -> None:
        super().__init__(says)
        self.current_counter = current_counter
        self.kept_copy_id = kept_copy_id
