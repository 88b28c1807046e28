"""Documents that nobody should write: good ones with one to four things spoilt, from a seed."""

from __future__ import annotations

import copy
import json
import math
import random
import time
from collections.abc import Callable
from typing import Any, TypeVar

from orthopsis.errors import ExerciseError, OrthopsisError
from orthopsis.exercise.advice import advice, facts
from orthopsis.exercise.board import on_board, reach_note
from orthopsis.exercise.demand import for_demand
from orthopsis.exercise.demonstration import climbed, lifted, spread
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.plan import lesson_plan
from orthopsis.exercise.records import steps_record
from orthopsis.exercise.resolve import eye_level_behind, picture, resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.tone import planes
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.handout.export import exported
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.web.covers import cover_of
from orthopsis.web.routes.drawing import as_json, picture_record, run_record
from tests.documents import ROOT, Data, random_document
from tests.houses import random_houses
from tests.letters import random_words
from tests.rooms import random_made, random_room
from tests.streets import random_street
from tests.words import message, remedy

T = TypeVar("T")

ODD: list[Any] = [
    0, -1, 1, 1e-9, -1e-9, 1e6, -1e6, 1e9, 1e308, 0.5, 100, 210, 1.0000001, float("nan"),
    float("inf"), None, True, "", "x", "12", [], {}, [1, 2], [1, 2, 3], {"x_mm": 5},
]  # fmt: skip


def mutated(seed: int) -> Data:
    """A random document, changed in one to four places."""
    rng = random.Random(seed)
    start = rng.randrange(10**9)
    kind = rng.random()
    if kind < 0.25:
        data = random_words(start)
    elif kind < 0.4:
        data = random_houses(start, 2)
    elif kind < 0.5:
        data = random_street(start)
    elif kind < 0.58:
        data = random_room(start)
    elif kind < 0.64:
        data = random_made(start)
    else:
        data = random_document(start, round_share=rng.choice([0.0, 0.4]))
    if rng.random() < 0.15 and data["pieces"]:
        own = {"on": data["pieces"][0]["id"], "top_mm": rng.randint(0, 300),
               "bottom_mm": rng.randint(0, 300)}  # fmt: skip
        data["pieces"].append({"kind": "box", "id": "on its lines", "stack": own})
    for _ in range(rng.choice([0, 0, 1, 1, 2, 2, 3, 4])):
        _spoil(data, rng)
    return data


EXTREME = [
    1e-12, 1e-9, 1e-6, 1e-3, 0.01, 0.1, 0.5, 1, 5, 49, 200, 297, 420, 1000, 1e4, 1e5, 999999.0, 1e6,
    -1e-9, -0.001, -1, -50, -1000, -1e6, 0,
]  # fmt: skip
"""Measures that a document may have, at the ends of what it may have."""


def extreme(seed: int) -> Data:
    """A good document, or one of `mutated`, with one to three measures at their limits."""
    rng = random.Random(seed)
    data = mutated(seed)
    if rng.random() < 0.4:
        data = json.loads(rng.choice(sorted((ROOT / "examples").glob("*.json"))).read_text())
        data.pop("run", None)
    numbers = [
        (place, key)
        for place, key in _places(data)
        if isinstance(place[key], int | float) and not isinstance(place[key], bool)
        if key not in ("version", "age")
    ]
    for _ in range(rng.choice([1, 1, 1, 2, 2, 3]) if numbers else 0):
        place, key = rng.choice(numbers)
        match rng.randrange(4):
            case 0 | 1:
                place[key] = rng.choice(EXTREME)
            case 2:
                place[key] *= rng.choice([1e-9, 1e-6, 1e-3, 0.01, 100, 1e3, 1e4, 1e6, -1, -1e3])
            case _:
                other, same = rng.choice(numbers)
                place[key] = other[same] + rng.choice([0, 0, 1e-9, -1e-9, 1e-6])
    return data


def everything(data: Data) -> str:
    """Make all that can be made of a document; "answer", or "refusal" of the document itself."""
    try:
        scene = resolve(from_data(data))
    except ExerciseError:
        return "refusal"
    document = scene.exercise
    some = document.pieces[:1]
    for make in (
        lambda: as_json(picture_record(scene)),
        lambda: as_json(run_record(scene)),
        lambda: lesson_plan(scene),
        lambda: [reach_note(on_board(scene), step) for step in run_through(on_board(scene))],
        lambda: picture(resolve(viewer_moved(document, 20, 10, 30))),
        lambda: picture(resolve(viewer_moved(document, -1e5, 1e5, -1e5))),
        lambda: [picture(resolve(lifted(document, one.id, 40, 10)[0])) for one in some],
        lambda: picture(resolve(spread(document, 1.5)[0])),
        lambda: picture(resolve(climbed(document, 50)[0])),
        lambda: steps(resolve(for_demand(document, "first steps"))),
        lambda: steps(resolve(for_demand(document, "stretch"))),
        lambda: cover_of(scene),
        lambda: [exported(scene, form, None) for form in ("svg", "dxf", "gltf")],
        lambda: answer_key(scene),
    ):
        try:
            make()
        except OrthopsisError as refusal:
            assert refusal.message
    return "answer"


def _spoil(data: Data, rng: random.Random) -> None:
    place, key = rng.choice(list(_places(data)))
    old = place[key]
    number = isinstance(old, int | float) and not isinstance(old, bool)
    match rng.randrange(7):
        case 0:
            place[key] = copy.deepcopy(rng.choice(ODD))
        case 1 if number:
            place[key] = old * rng.choice([0, -1, 0.1, 10, 1000, 1 + 1e-12])
        case 2 if number:
            place[key] = old + rng.choice([-100, -1, -1e-7, 1e-7, 1, 100])
        case 3 if isinstance(place, dict):
            del place[key]
        case 4 if number:
            # Two measures that happen to be equal are where geometry degenerates.
            others = [p[k] for p, k in _places(data) if isinstance(p[k], int | float)]
            place[key] = rng.choice(others)
        case 5 if isinstance(place, list):
            place.append(copy.deepcopy(old))
        case _:
            view = data.get("view")
            if isinstance(view, dict):
                view["kind"] = rng.choice(["one-point", "two-point", "three-point", "no-point"])


def _places(data: Any) -> Any:
    """Every container with each of its keys."""
    items = data.items() if isinstance(data, dict) else enumerate(data)
    for key, value in list(items):
        yield data, key
        if isinstance(value, dict | list):
            yield from _places(value)


MOST_S = 10.0


def outcome(data: Data) -> str:
    """Draw a document in every way; "answer" or "refusal".

    None takes longer than `MOST_S` of processor time, on a machine that is busy with others, too:
    that tells what never ends from what is slow. Raises AssertionError.
    """
    slowest: list[float] = [0.0]
    found = _outcome(data, slowest)
    if slowest[0] >= MOST_S:
        raise AssertionError(f"an answer took {slowest[0]:.1f} s")
    return found


def _outcome(data: Data, slowest: list[float]) -> str:
    def timed(answer: Callable[[], T]) -> T:
        began = time.process_time()
        try:
            return answer()
        finally:
            slowest[0] = max(slowest[0], time.process_time() - began)

    try:
        scene = timed(lambda: resolve(from_data(data)))
        strokes = timed(lambda: picture(scene))
        for one in timed(lambda: advice(scene, strokes, 99)):
            assert message(one, scene.words) and isinstance(remedy(one, scene.words), str)
            assert math.isfinite(one.number), one.code
        timed(lambda: facts(scene, strokes))
        eye_level_behind(scene)
        assert all(0 <= plane.value <= 3 for plane in timed(lambda: planes(scene)))
        made = timed(lambda: steps(scene))
        timed(lambda: steps_record(scene, made))
        drawn = [d.stroke for step in made for d in step.strokes]
        for stroke in [*strokes, *drawn]:
            assert all(math.isfinite(v) for end in stroke.segment for v in end), stroke
        to_data(scene.exercise)
    except ExerciseError as refusal:
        assert refusal.message, "a refusal says why"
        return "refusal"
    return "answer"
