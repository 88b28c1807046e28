"""Letters and outlines for tests: every letter in every system, and random words."""

from __future__ import annotations

import random
from collections.abc import Iterator

from orthopsis.pieces.shapes.extrusion.alphabet import CURVED, FORMS
from tests.documents import Data, random_document

ALPHABETS = ("measured", "quartered")
LETTERS = sorted(FORMS)
ROUND_LETTERS = sorted(CURVED)

ONE: Data = {
    "format": "orthopsis-exercise",
    "version": 1,
    "title": "A letter",
    "sheet": {"size": "A3"},
    "view": {"kind": "one-point", "eye_level_mm": 260, "vanishing_point_mm": 360,
             "viewing_distance_mm": 300},
    "pieces": [{"kind": "letters", "id": "word", "text": "H", "depth": {"fraction": 0.25},
                "front": {"x_mm": 100, "y_mm": 60, "height_mm": 60}}],
}  # fmt: skip

TWO: Data = {
    **ONE,
    "view": {"kind": "two-point", "eye_level_mm": 150, "left_vp_mm": -60, "right_vp_mm": 480},
    "pieces": [{"kind": "letters", "id": "word", "text": "H", "run": "right",
                "edge": {"x_mm": 210, "top_mm": 110, "bottom_mm": 190},
                "length": {"fraction": 0.4}, "thickness": {"fraction": 0.15}}],
}  # fmt: skip

THREE: Data = {
    **TWO,
    "view": {**TWO["view"], "kind": "three-point", "eye_level_mm": 60, "third_vp_mm": [220, 560]},
    "pieces": [{**TWO["pieces"][0], "edge": {"x_mm": 210, "y_mm": 110, "length_mm": 80}}],
}

STREET: Data = {
    **ONE,
    "view": {"kind": "one-point", "eye_level_mm": 120, "vanishing_point_mm": 330,
             "viewing_distance_mm": 400, "eye_height_mm": 150},
    "pieces": [{"kind": "letters", "id": "word", "text": "FERN", "standing": "ground",
                "front": {"x_mm": 30, "y_mm": 100, "height_mm": 120},
                "depth": {"fraction": 0.08}, "street": {"fraction": 0.35}}],
}  # fmt: skip

STAIR: Data = {
    **ONE,
    "pieces": [{"kind": "outline", "id": "stair", "depth": {"along_mm": 40},
                "front": {"x_mm": 100, "y_mm": 60, "width_mm": 80, "height_mm": 60},
                "corners": [[0, 60], [0, 40], [20, 40], [20, 20], [40, 20], [40, 0], [80, 0],
                            [80, 60]],
                "holes": [[[50, 20], [70, 20], [70, 40], [55, 50]]]}],
}  # fmt: skip


def in_nine_places(letter: str, alphabet: str, system: str, form: str = "block") -> Iterator[Data]:
    """A letter with the vanishing point, or its own edge and the eye level, in nine places."""
    base = {"one": ONE, "two": TWO, "three": THREE}[system]
    piece = {**base["pieces"][0], "text": letter, "alphabet": alphabet, "form": form}
    if system == "one":
        front = {"x_mm": 180, "y_mm": 120, "height_mm": 60}
        for x in (60, 205, 380):
            for y in (40, 150, 260):
                view = {**ONE["view"], "eye_level_mm": y, "vanishing_point_mm": x}
                yield {**ONE, "view": view, "pieces": [{**piece, "front": front}]}
        return
    for k, level in enumerate((60, 150, 260)):
        for x in (110, 210, 330):
            view = {**base["view"], "eye_level_mm": level}
            if system == "three":
                view["third_vp_mm"] = [[220, 560], [200, -300], [220, -200]][k]
            run = ("left", "right")[(k + x // 10) % 2]
            edge = {**piece["edge"], "x_mm": x}
            yield {**base, "view": view, "pieces": [{**piece, "run": run, "edge": edge}]}


def random_words(seed: int) -> Data:
    """A random document in which most pieces are words, of one to five letters."""
    rng = random.Random(seed)
    data = random_document(seed, most_pieces=3, round_share=0.2)
    for number, piece in enumerate(data["pieces"]):
        if rng.random() < 0.25:
            continue
        text = "".join(rng.choice([*LETTERS, " "]) for _ in range(rng.randint(1, 5)))
        word = {name: piece[name] for name in ("id", "standing", "transparent")}
        word.update(kind="letters", text=text.strip() or "A", alphabet=rng.choice(ALPHABETS))
        word["form"] = rng.choice(["block", "curved"])
        if "front" in piece:
            front = {name: piece["front"][name] for name in ("x_mm", "y_mm", "height_mm")}
            word.update(front=front, depth=piece["depth"])
        else:
            run, other = rng.sample(["left", "right"], 2)
            word.update(edge=piece["edge"], run=run, length=piece[run], thickness=piece[other])
        if rng.random() < 0.2:
            word["bands"] = rng.randint(1, 4)
        if rng.random() < 0.2 and "front" in word:
            word["street"] = {"fraction": 0.3}
        data["pieces"][number] = word
    if rng.random() < 0.3:
        data["tone"] = {"light": rng.choice(["left", "right"])}
    return data
