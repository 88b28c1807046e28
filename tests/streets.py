"""Random streets: ways with dashes, and rows of buildings beside them or round a corner."""

from __future__ import annotations

import random

from tests.documents import Data


def random_street(seed: int) -> Data:
    """One-point streets and two-point corners, with rows on both sides."""
    rng = random.Random(seed)
    level = rng.randint(90, 170)
    data: Data = {"format": "orthopsis-exercise", "version": 2, "title": f"street {seed}",
                  "sheet": {"size": "A3"}}  # fmt: skip
    if rng.random() < 0.5:
        return {**data, **_along_a_road(rng, level)}
    return {**data, **_round_a_corner(rng, level)}


def _along_a_road(rng: random.Random, level: int) -> Data:
    vp, half = rng.randint(170, 250), rng.randint(40, 110)
    way: Data = {"kind": "way", "id": "lane", "to": "VP1", "edges_mm": [vp - half, vp + half]}
    if rng.random() < 0.6:
        way["dashes"] = {"count": rng.randint(1, 6), "wide_mm": rng.randint(3, 12),
                         "first": {"along_mm": rng.randint(10, 40)}}  # fmt: skip
    if rng.random() < 0.3:
        way["kerb"] = {"in_mm": rng.randint(2, 12)}
    if rng.random() < 0.3:
        way["crossing"] = {"near": {"along_mm": rng.randint(5, 30)},
                           "far": {"fraction": 0.45}, "stripes": rng.randint(1, 7)}  # fmt: skip
    if rng.random() < 0.15:
        track = {"in_mm": 8, "wide_mm": 4, "side_mm": 2, "sleepers": rng.randint(1, 9),
                 "first": {"along_mm": rng.randint(8, 20)}}  # fmt: skip
        if rng.random() < 0.5:
            track["thick_mm"] = rng.choice([1, 3, 6])
        way |= {"look": "rails", "track": track}
    pieces = [way]
    for side in rng.sample(["left", "right"], rng.randint(1, 2)):
        start = {"piece": "lane", "side": side, "foot_mm": rng.randint(level + 40, 280)}
        pieces.append({"kind": "row", "id": f"row {side}", "from": start,
                       "buildings": _buildings(rng, level, 0.15)})  # fmt: skip
    if rng.random() < 0.4:
        pieces.append(_posts(rng, level, rng.choice([vp - half - 15, vp + half + 15])))
    view = {"kind": "one-point", "eye_level_mm": level, "vanishing_point_mm": vp,
            "viewing_distance_mm": rng.randint(250, 500)}  # fmt: skip
    return {"view": view, "pieces": pieces}


def _round_a_corner(rng: random.Random, level: int) -> Data:
    left, right = rng.randint(-150, 20), rng.randint(400, 560)
    corner: Data = {
        "kind": "building", "id": "corner", "standing": "ground",
        "edge": {"x_mm": rng.randint(150, 260), "top_mm": rng.randint(20, level - 10),
                 "bottom_mm": rng.randint(level + 30, 280)},
        "left": {"fraction": rng.uniform(0.15, 0.35)},
        "right": {"fraction": rng.uniform(0.15, 0.35)},
    }  # fmt: skip
    pieces = [corner]
    for side in rng.sample(["left", "right"], rng.randint(1, 2)):
        pieces.append({"kind": "row", "id": f"row {side}",
                       "from": {"piece": "corner", "side": side},
                       "buildings": _buildings(rng, level, 0.3)})  # fmt: skip
    if rng.random() < 0.4:
        pieces.append(_posts(rng, level, rng.choice([90, 350])))
    if rng.random() < 0.2 and not any("behind" in one for one in pieces[1]["buildings"]):
        corner["transparent"] = True
        pieces[1]["transparent"] = True
    view = {"kind": "two-point", "eye_level_mm": level, "left_vp_mm": left, "right_vp_mm": right}
    return {"view": view, "pieces": pieces}


def _posts(rng: random.Random, level: int, x: float) -> Data:
    foot = rng.randint(level + 40, 290)
    posts: Data = {
        "kind": "posts", "id": "poles", "to": "VP1", "count": rng.randint(2, 7),
        "post": {"x_mm": x, "top_mm": rng.randint(10, level - 5), "foot_mm": foot},
        "next": {"fraction": round(rng.uniform(0.1, 0.35), 2)},
    }  # fmt: skip
    posts["thing"] = rng.choice(
        ["pole", "pole", "fence", "lamp", "signpost", "tree", "person", "bin"]
    )
    if posts["thing"] in ("tree", "person", "bin"):
        return posts
    if rng.random() < 0.6:
        posts["arm"] = {"long_mm": rng.randint(10, 40), "down_mm": rng.randint(2, 20)}
    if rng.random() < 0.3:
        posts["wires"] = {"sag_mm": rng.randint(3, 20)}
    if rng.random() < 0.3:
        posts["rails"] = {"upper_mm": 4, "lower_mm": rng.randint(8, 30)}
    return posts


def _buildings(rng: random.Random, level: int, back: float) -> list[Data]:
    found = []
    for number in range(rng.randint(1, 4)):
        member: Data = {
            "id": f"house {number}",
            "top_mm": rng.randint(15, level + (10 if rng.random() < 0.2 else -8)),
            "length": {"fraction": round(rng.uniform(0.1, 0.3), 2)},
            "back": {"along_mm": rng.randint(15, 60)} if back < 0.2 else {"fraction": back},
        }
        if number and rng.random() < 0.25:
            far = {"fraction": round(back + rng.uniform(0.01, 0.1), 2)}
            member["behind"] = {"along_mm": rng.randint(61, 90)} if back < 0.2 else far
        elif rng.random() < 0.35:
            member["gap"] = {"fraction": round(rng.uniform(0.04, 0.12), 2)}
        if rng.random() < 0.5:
            member |= _dressed(rng, one_point=back < 0.2)
        found.append(member)
        while len(found) < 5 and "behind" not in member and rng.random() < 0.25:
            again: Data = {"id": f"again {len(found)}", "like": member["id"]}
            if rng.random() < 0.4:
                again["gap"] = {"fraction": round(rng.uniform(0.03, 0.1), 2)}
            found.append(again)
    return found


def _dressed(rng: random.Random, *, one_point: bool) -> Data:
    """A roof, and perhaps windows and what is built on it."""
    walls = ["front", "side"] if one_point else ["left", "right"]
    kind = rng.choice(["flat", "gable", "hip", "lean-to"])
    roof: Data = {"kind": kind}
    if kind != "flat":
        roof |= {"peak_mm": rng.randint(3, 25), "low" if kind == "lean-to" else "end":
                 rng.choice(walls)}  # fmt: skip
    if kind in ("gable", "lean-to"):
        roof["far"] = rng.choice(["roof point", "parallel"] + ["middle"] * (kind == "gable"))
    parts: list[Data] = []
    for wall in ("left", "right"):
        if rng.random() < 0.4:
            bays = {"count": rng.randint(1, 3)}
            parts.append({"kind": "panel", "id": f"panes {wall}", "on": wall, "look": "windows",
                          "up_mm": 1.0, "height_mm": 2.0, "bays": bays})  # fmt: skip
    return {"roof": roof, "parts": parts}
