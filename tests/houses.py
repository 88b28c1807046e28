"""Houses to test with: one cottage, and random boxes with roofs, windows and doors."""

from __future__ import annotations

import random

from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from tests.documents import Data, changed, random_document

COTTAGE = {
    "format": "orthopsis-exercise", "version": 2, "title": "Cottage", "sheet": {"size": "A3"},
    "view": {"kind": "two-point", "eye_level_mm": 150, "left_vp_mm": -60, "right_vp_mm": 500},
    "pieces": [
        {"kind": "building", "id": "cottage", "standing": "ground",
         "edge": {"x_mm": 240, "top_mm": 120, "bottom_mm": 215},
         "left": {"x_mm": 120}, "right": {"x_mm": 320},
         "roof": {"kind": "gable", "end": "right", "peak_mm": 40, "far": "roof point"},
         "parts": [
             {"kind": "panel", "id": "panes", "on": "left", "look": "windows", "storeys": 3,
              "sill_mm": 8, "height_mm": 14, "teach": "one",
              "bays": {"count": 5, "pier": 1, "open": 2, "by": "diagonal"}},
             {"kind": "panel", "id": "door", "on": "right", "look": "door",
              "from": {"fraction": 0.1}, "to": {"fraction": 0.2}, "up_mm": 0, "height_mm": 40}]}],
}  # fmt: skip


def cottage(**fields):
    return resolve(from_data(changed(COTTAGE, **fields)))


def random_houses(seed: int, most_pieces: int = 3) -> Data:
    """Houses of every system with all roofs, and panels in their walls."""
    rng = random.Random(seed)
    data = random_document(seed, most_pieces=most_pieces)
    data["version"] = 2
    one_point = data["view"]["kind"] == "one-point"
    for piece in data["pieces"]:
        if rng.random() < 0.15:
            continue
        piece["kind"] = "building"
        piece["roof"] = _roof(rng, one_point)
        high = _height(piece)
        walls = ["front", "left", "right"] if one_point else ["left", "right"]
        some = rng.sample(walls, rng.randint(0, len(walls)))
        piece["parts"] = [_panel(rng, f"panel {wall}", wall, high) for wall in some]
        piece["parts"] += _on_the_roof(rng, piece["roof"], one_point)
        if rng.random() < 0.3:
            wall = rng.choice(["left", "right"])
            block = {"kind": "block", "id": "sign", "on": wall, "from": {"fraction": 0.03},
                     "to": {"fraction": 0.08}, "up_mm": rng.choice([0.0, high * 0.4]),
                     "height_mm": high * 0.3, "out_mm": rng.randint(1, 9)}  # fmt: skip
            piece["parts"].append(block)
        if rng.random() < 0.3:
            piece["parts"].append(_pattern(rng, piece["roof"], walls))
        if rng.random() < 0.15:
            piece["parts"].append(
                {"kind": "lettering", "id": "name", "on": rng.choice(["left", "right"]),
                 "text": rng.choice(["INK", "TEA 2"]), "from": {"fraction": 0.02},
                 "to": {"fraction": 0.09}, "up_mm": high * 0.5, "height_mm": high * 0.2,
                 "drawn": rng.choice(["by eye", "by marks"])}
            )  # fmt: skip
        _wings(rng, piece, one_point, high)
    return data


def random_flush_houses(seed: int, most_pieces: int = 2) -> Data:
    """The same with blocks that go on to the end of their wall, some as high as it, in pairs that
    touch, and roofs whose two overhangs differ.
    """
    rng = random.Random(seed)
    data = random_houses(seed, most_pieces)
    for piece in data["pieces"]:
        if piece["kind"] != "building":
            continue
        high = _height(piece)
        blocks = [one for one in piece["parts"] if one["kind"] == "block"]
        if not blocks:
            blocks = [{"kind": "block", "id": "sign", "on": rng.choice(["left", "right"]),
                       "height_mm": high * 0.3, "out_mm": rng.randint(1, 9)}]  # fmt: skip
            piece["parts"] += blocks
        block = blocks[0] | {"to": {"fraction": 0.06}, "height_mm": high * rng.choice([0.47, 1.0])}
        block["up_mm"] = 0.0
        block.pop("from", None)
        if rng.random() < 0.3:
            block.pop("to")
        elif rng.random() < 0.5:
            second = {"id": "second", "from": {"fraction": 0.06}, "to": {"fraction": 0.1}}
            piece["parts"].append(block | second)
        piece["parts"][piece["parts"].index(blocks[0])] = block
        if piece["roof"].get("eaves_mm") and piece["roof"]["kind"] == "gable":
            piece["roof"]["rake_mm"] = rng.choice([0.0, 2.0, 9.0])
    return data


def _wings(rng: random.Random, piece: Data, one_point: bool, high: float) -> None:
    """A block on a wall becomes a house by itself; on a flat roof there may be a setback."""
    for part in piece["parts"]:
        if part["kind"] == "block" and rng.random() < 0.6:
            part["roof"] = _roof(rng, one_point)
            part["roof"].pop("eaves_mm", None)
            part["roof"]["peak_mm" if part["roof"]["kind"] != "flat" else "parapet_mm"] = high * 0.1
            part["parts"] = _own_windows(rng, high * 0.3)
    if piece["roof"]["kind"] == "flat" and rng.random() < 0.6:
        cut = {"along_mm": rng.choice([1, 4, 9])}
        setback = {"kind": "setback", "id": "upper", "in": cut, "height_mm": high * 0.4}
        if rng.random() < 0.7:
            setback |= {"roof": _roof(rng, one_point), "parts": _own_windows(rng, high * 0.4)}
        piece["parts"].append(setback)


def _own_windows(rng: random.Random, high: float) -> list[Data]:
    window = {"kind": "panel", "id": "own windows", "on": rng.choice(["left", "right"]),
              "look": "windows", "up_mm": high * 0.3, "height_mm": high * 0.4,
              "bays": {"count": rng.randint(1, 3)}}  # fmt: skip
    return [window] if rng.random() < 0.6 else []


def _pattern(rng: random.Random, roof: Data, walls: list[str]) -> Data:
    slope = {"left": "roof right", "right": "roof left", "front": "roof right",
             "side": "roof front"}  # fmt: skip
    on = rng.choice([w for w in walls if w != roof.get("end")])
    if roof["kind"] in ("gable", "hip") and rng.random() < 0.6:
        on = slope[roof["end"]]
    elif roof["kind"] == "lean-to":
        on = "roof"
    looks = ["boards", "bricks", "tiles", "slabs", "stripes"]
    return {"kind": "pattern", "id": "pattern", "on": on, "look": rng.choice(looks),
            "courses": rng.randint(1, 5), "bays": rng.randint(1, 5)}  # fmt: skip


def _on_the_roof(rng: random.Random, roof: Data, one_point: bool) -> list[Data]:
    if roof["kind"] == "flat" or rng.random() < 0.5:
        return []
    facing = {"left": "right", "right": "left", "front": "right", "side": "front"}
    on = "roof" if roof["kind"] == "lean-to" else f"roof {facing[roof['end']]}"
    if one_point and roof["kind"] != "lean-to":
        on = rng.choice(["roof left", "roof right", "roof front"])
    chimney: Data = {"kind": "chimney", "id": "stack", "on": on,
                     "high_mm": rng.randint(3, 40)}  # fmt: skip
    chimney["wide"] = {"along_mm": rng.randint(1, 4)}
    chimney["deep"] = {"along_mm": rng.randint(1, 3)}
    if rng.random() < 0.3:
        chimney["from"] = {"along_mm": rng.randint(1, 4)}
    if rng.random() < 0.5:
        return [chimney]
    return [{"kind": "dormer", "id": "dormer", "on": on, "rake_mm": rng.choice([0.5, 2, 6]),
             "from": {"along_mm": rng.choice([0.5, 2, 5])}, "wide": {"along_mm": rng.randint(1, 5)},
             "high_mm": rng.choice([0.5, 2, 5]), "peak_mm": rng.choice([0.5, 2, 4])}]  # fmt: skip


def _height(piece: Data) -> float:
    if "front" in piece:
        return piece["front"]["height_mm"]
    edge = piece["edge"]
    return edge.get("length_mm") or edge["bottom_mm"] - edge["top_mm"]


def _roof(rng: random.Random, one_point: bool) -> Data:
    ends = ["front", "side", "left", "right"] if one_point else ["left", "right"]
    kind = rng.choice(["flat", "gable", "gable", "lean-to", "hip", "hip"])
    if kind == "flat":
        return {"kind": kind, **({"parapet_mm": 4} if rng.random() < 0.5 else {})}
    roof = {"kind": kind, "peak_mm": rng.randint(5, 60)}
    if kind != "lean-to" and rng.random() < 0.2:
        roof["eaves_mm"] = rng.choice([1, 4, 9])
    if kind == "gable":
        roof["end"] = rng.choice(ends)
        roof["far"] = rng.choice(["roof point", "middle", "parallel"])
    elif kind == "lean-to":
        roof["low"] = rng.choice(ends)
    else:
        roof["end"] = rng.choice(ends)
        roof["ridge"] = rng.choice(["quarter", "pyramid", "square", {"equal_mm": 4}])
    return roof


def _panel(rng: random.Random, name: str, wall: str, high: float) -> Data:
    panel: Data = {"kind": "panel", "id": name, "on": wall, "look": "windows"}
    if rng.random() < 0.5:
        storeys = rng.randint(1, 4)
        panel |= {"storeys": storeys, "skip": rng.randint(0, storeys - 1)}
        panel |= {"sill_mm": high / storeys * 0.2, "height_mm": high / storeys * 0.6}
    else:
        panel |= {"up_mm": rng.choice([0.0, high * 0.3]), "height_mm": high * 0.5}
    if rng.random() < 0.6 or wall == "front":
        by = rng.choice(["diagonal", "marks", "eye"])
        panel["bays"] = {"count": rng.randint(1, 4), "open": rng.choice([1, 2]), "by": by}
    if wall != "front" and ("bays" not in panel or rng.random() < 0.4):
        panel |= {"from": {"fraction": 0.04}, "to": {"fraction": rng.choice([0.1, 0.15])}}
    if rng.random() < 0.4:
        panel["inset"] = {"along_mm": rng.choice([0.5, 3.0, 12.0])}
    elif rng.random() < 0.3:
        shape = rng.choice(["round", "pointed"])
        panel["arch"] = {"shape": shape, "rise_mm": rng.choice([0.5, 2.0, high * 0.1])}
    return panel
