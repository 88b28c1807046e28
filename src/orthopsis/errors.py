"""The tree of every error that Orthopsis raises on purpose.

A message is written for a teacher: what is wrong with its number, and the remedy.
"""

from __future__ import annotations


class OrthopsisError(Exception):
    """Something a person can put right."""


class ExerciseError(OrthopsisError):
    """An exercise document that cannot be used as it is.

    `path` names the field, as in ``pieces[0].depth.x_mm``.
    """

    def __init__(self, path: str, message: str) -> None:
        super().__init__(f"{path}: {message}" if path else message)
        self.path = path
        self.message = message


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

    def __init__(self, message: str, current_counter: int, kept_copy_id: int) -> None:
        super().__init__(message)
        self.current_counter = current_counter
        self.kept_copy_id = kept_copy_id
