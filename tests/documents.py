"""Exercise documents for tests: a plain one to change, and random ones from a seed."""

from __future__ import annotations

import copy
import json
import random
from pathlib import Path
from typing import Any

from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import eye_of_triangle

ROOT = Path(__file__).parents[1]
EXAMPLES = ROOT / "examples"

Data = dict[str, Any]

EXAMPLE_NAMES = sorted(path.stem for path in EXAMPLES.glob("*.json"))
EXAMPLE_TITLES = {json.loads(path.read_text())["title"] for path in EXAMPLES.glob("*.json")}
"""The demo puts every example on the shelf."""

ONE_POINT: Data = {
    "format": "orthopsis-exercise",
    "version": 1,
    "title": "One box",
    "sheet": {"size": "A3", "orientation": "landscape"},
    "view": {
        "kind": "one-point",
        "eye_level_mm": 100,
        "vanishing_point_mm": 210,
        "viewing_distance_mm": 300,
        "eye_height_mm": 120,
    },
    "pieces": [
        {
            "kind": "box",
            "id": "crate",
            "front": {"x_mm": 60, "y_mm": 160, "width_mm": 60, "height_mm": 50},
            "depth": {"fraction": 0.4},
        }
    ],
}

TWO_POINT: Data = {
    "format": "orthopsis-exercise",
    "version": 1,
    "title": "One corner",
    "sheet": {"size": "A3", "orientation": "landscape"},
    "view": {
        "kind": "two-point",
        "eye_level_mm": 120,
        "left_vp_mm": -90,
        "right_vp_mm": 510,
        "eye_height_mm": 120,
    },
    "pieces": [
        {
            "kind": "box",
            "id": "shed",
            "edge": {"x_mm": 200, "top_mm": 150, "bottom_mm": 230},
            "left": {"fraction": 0.3},
            "right": {"along_mm": 70},
        }
    ],
}


def changed(data: Data, **fields: Any) -> Data:
    """A deep copy with fields set by path: ``pieces__0__front__x_mm=30``."""
    result = copy.deepcopy(data)
    for path, value in fields.items():
        *way, last = [int(part) if part.isdigit() else part for part in path.split("__")]
        place = result
        for part in way:
            place = place[part]
        place[last] = value
    return result


def scene_of(data: Data, **fields: Any) -> Scene:
    """A resolved document."""
    return resolve(from_data(changed(data, **fields)))


def example(name: str) -> Scene:
    """A resolved document of the examples folder."""
    return resolve(from_data(json.loads((EXAMPLES / f"{name}.json").read_text())))


THREE_POINT: Data = {
    **TWO_POINT,
    "title": "One tower",
    "view": {
        "kind": "three-point",
        "eye_level_mm": 60,
        "left_vp_mm": -60,
        "right_vp_mm": 480,
        "third_vp_mm": [220, 520],
        "eye_height_mm": 120,
    },
    "pieces": [
        {
            "kind": "box",
            "id": "tower",
            "edge": {"x_mm": 200, "y_mm": 100, "length_mm": 110},
            "left": {"fraction": 0.3},
            "right": {"along_mm": 70},
        }
    ],
}


def random_document(seed: int, most_pieces: int = 5, round_share: float = 0.0) -> Data:
    """Boxes of every system, all cuts, floating and standing, some transparent, some round."""
    rng = random.Random(seed)
    kind = rng.choice(["one-point", "two-point", "three-point"])
    level = rng.randint(40, 250)
    left, right = rng.randint(-300, 150), rng.randint(250, 700)
    view: Data = {"kind": kind, "eye_level_mm": level}
    third_mm = 0
    if kind == "one-point":
        view["vanishing_point_mm"] = rng.randint(-100, 500)
        view["viewing_distance_mm"] = rng.randint(100, 600)
    else:
        view.update(left_vp_mm=left, right_vp_mm=right)
    if kind == "three-point":
        third_mm = level + rng.choice([-1, 1]) * rng.randint(120, 900)
        view["third_vp_mm"] = [rng.randint(left, right), third_mm]
    # No eye sees right angles unless the triangle of the points is acute.
    metric = (
        kind != "three-point"
        or eye_of_triangle(Point(left, level), Point(right, level), Point(*view["third_vp_mm"]))
        is not None
    )
    pieces = []
    for number in range(rng.randint(1, most_pieces)):
        piece: Data = {
            "kind": "box",
            "id": f"box {number}",
            "standing": rng.choice(["ground", "floating"]),
            "transparent": rng.random() < 0.2,
        }
        on_ground = piece["standing"] == "ground"
        top, height = rng.randint(5, 240), rng.randint(5, 100)
        if on_ground:
            height = max(height, level + rng.randint(5, 60) - top)
        if kind == "one-point":
            width = rng.randint(10, 120)
            x = rng.randint(0, 380)
            piece["front"] = {"x_mm": x, "y_mm": top, "width_mm": width, "height_mm": height}
            piece["depth"] = _random_cut(rng, x, view["vanishing_point_mm"])
        else:
            anywhere = rng.random() < 0.3
            low, high = (20, 400) if anywhere else (max(left, 10) + 5, min(right, 410) - 5)
            x = rng.randint(low, high)
            piece["edge"] = {"x_mm": x, "top_mm": top, "bottom_mm": top + height}
            if kind == "three-point":
                piece["edge"] = {"x_mm": x, "y_mm": top, "length_mm": height}
            piece["left"] = _random_cut(rng, x, left, metric)
            piece["right"] = _random_cut(rng, x, right, metric)
        if rng.random() < round_share:
            piece["kind"] = "cylinder"
            piece["axis"] = rng.choice(
                ["up", "away"] if kind == "one-point" else ["up", "left", "right"]
            )
        pieces.append(piece)
    return {
        "format": "orthopsis-exercise",
        "version": 1,
        "title": f"random {seed}",
        "sheet": {"size": "A3"},
        "view": view,
        "pieces": pieces,
    }


def mixed_document(seed: int) -> Data:
    """A random document whose pieces are turned or seen in a second view, some of them."""
    rng = random.Random(seed)
    data = random_document(seed, round_share=0.3)
    view = data["view"]
    metric = scene_of({**data, "pieces": []}).main.eye is not None
    own = view["kind"] if view["kind"] != "three-point" else "two-point"
    data["views"] = {"rail": {"kind": own, "eye_level_mm": view["eye_level_mm"]}}
    if own == "one-point":
        data["views"]["rail"]["vanishing_point_mm"] = rng.randint(-50, 450)
    else:
        data["views"]["rail"].update(left_vp_mm=rng.randint(-250, 100),
                                     right_vp_mm=rng.randint(300, 650))  # fmt: skip
    for piece in data["pieces"]:
        if view["kind"] != "three-point" and rng.random() < 0.3:
            piece["view"] = "rail"
        elif metric and rng.random() < 0.4:
            _turn(piece, rng)
    return data


def _turn(piece: Data, rng: random.Random) -> None:
    """Turn a piece about the vertical; a front becomes the edge at its left."""
    front = piece.pop("front", None)
    piece["turned_vp_mm"] = rng.randint(-400, 800)
    if front is not None:
        del piece["depth"]
        top, x = front["y_mm"], front["x_mm"]
        piece["edge"] = {"x_mm": x, "top_mm": top, "bottom_mm": top + front["height_mm"]}
        if piece.get("axis") == "away":
            piece["axis"] = "left"
    piece["left"], piece["right"] = ({"fraction": round(rng.uniform(0.05, 0.5), 2)} for _ in "lr")


def touching_document(seed: int) -> Data:
    """Boxes on a grid, side by side and back to back, in any order of the list."""
    rng = random.Random(seed)
    level, eye_height, vp = 80.0, 180.0, rng.choice([60, 150, 210, 333])
    cells = [(column, row) for column in range(4) for row in range(3)]
    rng.shuffle(cells)
    pieces = []
    for number, (column, row) in enumerate(cells[: rng.randint(2, 9)]):
        depth, high = 1 + 0.25 * row, rng.choice([40, 40, 60, 90])
        front = {
            "x_mm": vp + 80 * (column - 2) / depth,
            "y_mm": level + (eye_height - high) / depth,
            "width_mm": 80 / depth,
            "height_mm": high / depth,
        }
        cut = {"fraction": 0.25 / (depth + 0.25)}
        pieces.append({"kind": "box", "id": f"box {number}", "standing": "ground",
                       "front": front, "depth": cut})  # fmt: skip
    view = {**ONE_POINT["view"], "eye_level_mm": level, "vanishing_point_mm": vp,
            "eye_height_mm": eye_height}  # fmt: skip
    return {**ONE_POINT, "title": f"touching {seed}", "sheet": {"size": "A2"}, "view": view,
            "pieces": pieces}  # fmt: skip


def _random_cut(rng: random.Random, start_mm: float, goal_mm: float, metric: bool = True) -> Data:
    """Any way of cutting a guide line from x `start_mm` to a point at x `goal_mm`."""
    low, high = sorted((start_mm, goal_mm))
    ways: list[Data] = [
        {"fraction": round(rng.uniform(0.05, 0.9), 2)},
        {"along_mm": rng.randint(5, 60)},
        {"x_mm": round(rng.uniform(low, high), 1)},
    ]
    if metric:
        ways.append({"true_mm": rng.randint(5, 120)})
        ways.append({"true_mm": rng.randint(5, 120), "point": rng.choice(["left", "right"])})
    return rng.choice(ways)
