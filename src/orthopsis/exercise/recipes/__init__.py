"""Good starts: small exercises that work at once, each with why its measures are what they are.

A recipe is an ordinary document. Whoever begins from one may change everything in it.
"""

from __future__ import annotations

from orthopsis.exercise.recipes.houses import HOUSES
from orthopsis.exercise.recipes.one import Recipe
from orthopsis.exercise.recipes.rooms import ROOMS
from orthopsis.exercise.recipes.streets import STREETS
from orthopsis.exercise.recipes.things import THINGS

SYSTEMS = ("one-point", "two-point", "three-point")
RECIPES: tuple[Recipe, ...] = tuple(
    sorted(
        (*THINGS, *STREETS, *HOUSES, *ROOMS),
        key=lambda one: (SYSTEMS.index(one.data["view"]["kind"]), one.data["age"]),
    )
)
"""One point first, and the easiest first."""


def recipe(name: str) -> Recipe | None:
    """The recipe of that name, if there is one."""
    return next((one for one in RECIPES if one.name == name), None)


__all__ = ["RECIPES", "Recipe", "recipe"]
