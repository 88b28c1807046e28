"""Documents that are worked out from others: what they cannot have is a refusal like any other."""

from __future__ import annotations

import functools
from collections.abc import Callable
from typing import ParamSpec, TypeVar

from pydantic import ValidationError

from orthopsis.errors import ExerciseError, Unfit
from orthopsis.exercise.load import explained

P = ParamSpec("P")
T = TypeVar("T")


def derives(work: Callable[P, T]) -> Callable[P, T]:
    """For what works out a document: a measure beyond all sheets, or a view in which it has no
    meaning, raises ExerciseError and nothing else.
    """

    @functools.wraps(work)
    def derived(*args: P.args, **named: P.kwargs) -> T:
        try:
            return work(*args, **named)
        except Unfit as unfit:
            raise ExerciseError(unfit.field, unfit.says) from unfit
        except ValidationError as error:
            raise explained(error.errors(include_url=False)) from None

    return derived
