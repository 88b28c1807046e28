"""Good starts for a new sheet."""

from __future__ import annotations

from functools import cache

from fastapi import APIRouter, Request, Response

from orthopsis.errors import NotFound
from orthopsis.exercise.recipes import RECIPES, Recipe, recipe
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.phrase import say
from orthopsis.web.covers import cover_of, sent
from orthopsis.web.files import SVG
from orthopsis.web.models import RecipeOut
from orthopsis.web.problems import PROBLEMS

router = APIRouter(prefix="/api/recipes", tags=["recipes"], responses=PROBLEMS)


@router.get("")
def list_recipes() -> list[RecipeOut]:
    """All good starts, the easiest first."""
    return [_out(one) for one in RECIPES]


@router.get(
    "/{name}/cover.svg",
    response_class=Response,
    responses=SVG,
)
def recipe_cover(name: str, request: Request) -> Response:
    """Its real drawing."""
    found = recipe(name)
    if found is None:
        raise NotFound(say("missing-recipe"))
    return sent(request, _cover(found))


@cache
def _cover(one: Recipe) -> str:
    return cover_of(resolve(one.document))


@cache
def _out(one: Recipe) -> RecipeOut:
    document = one.document
    scene = resolve(document)
    return RecipeOut(
        name=one.name,
        title=document.title,
        learn=one.learn,
        why=one.why,
        age=document.age,
        points=len(scene.main.vanishing_points),
        minutes=sum(step.minutes for step in run_through(scene)),
        document=document,
    )
