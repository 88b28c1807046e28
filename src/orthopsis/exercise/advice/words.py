"""What advice says: one sentence or two for the teacher, and the label of its remedy."""

from __future__ import annotations

from typing import Any

from orthopsis.construction.wording import Wording
from orthopsis.exercise.advice.one import Advice


def message(one: Advice, words: Wording) -> str:
    """The advice in plain words, with its number."""
    more, number, size = one.more, one.number, words.length
    match one.code:
        case "in-one-another":
            first, second = more["pair"]
            return (
                f"'{first}' and '{second}' stand in one another, or around each other: the "
                "picture is right, but neither can be drawn first."
            )
        case "points-too-close":
            return (
                f"The lowest corner is {number:.0f}°. It will look as if it tips. "
                f"Move both points out by {size(more['out_mm'])}."
            )
        case "flat-triangle":
            return (
                f"The triangle of the three points has an angle of {number:.0f}°, so no eye sees "
                "right angles like these. A fine first drawing all the same; for true boxes "
                f"put VP3 {size(more['third'][0])} from the left and {_down(more['third'], words)}."
            )
        case "outside-triangle":
            return (
                f"{more['piece']} reaches {size(_whole(number))} outside the triangle of the "
                "three points, and what lies there comes out wrong. Keep within it."
            )
        case "sliver":
            return (
                f"A side of {more['piece']} shows only {number:.1f} mm wide. Pupils lose such a "
                "sliver; move the piece or the point."
            )
        case "small-letters":
            return (
                f"{more['piece']} is only {size(_whole(number))} high; for these pupils letters "
                f"need {size(more['least_mm'])}. Take larger letters, or a shorter word."
            )
        case "outside-cone":
            return (
                f"{number:.0f} % of the drawing lies outside the 60° cone of vision and will look "
                "stretched there. Beginners' sheets often do; it is a hint, no fault."
            )
        case "unreadable":
            where = f"of {more['piece']} " if more["piece"] else ""
            others = more["count"] - 1
            rest = "" if not others else f" So do {others} other measures."
            return (
                f"The measure {number:.2f} mm {where}falls between the marks of a ruler; the "
                f"nearest is {size(more['nearest_mm'])}.{rest}"
            )
        case "unforgiving":
            return (
                f"A measure misread by {number:.1f} mm already makes a corner gape by 1.5 mm. "
                "Give the lines that cross there a better angle."
            )
    assert one.code == "tape-strip"
    ruler = more["ruler_mm"]
    reach = (
        f"a ruler of {size(ruler)} reaches it"
        if ruler
        else "no classroom ruler reaches it from everywhere"
    )
    return (
        f"{more['name']} lies {size(number)} off the sheet: tape on a strip of paper at the "
        f"{more['side']} edge; {reach}."
    )


def remedy(one: Advice, words: Wording) -> str:
    """What the one button does; empty when there is none."""
    if not one.changes:
        return ""
    more, size = one.more, words.length
    labels: dict[str, Any] = {
        "in-one-another": lambda: f"Move '{more['pair'][1]}' aside by {size(one.number)}",
        "points-too-close": lambda: f"Move both points out by {size(more['out_mm'])}",
        "flat-triangle": lambda: "Move VP3 to where boxes are true",
        "outside-triangle": lambda: f"Move all points {more['times']:g} times as far out",
        "sliver": lambda: f"Move it aside by {size(more['step_mm'])}",
        "small-letters": lambda: f"Make the letters {size(more['height_mm'])} high",
        "outside-cone": lambda: f"Look from {more['times']:g} times as far away",
        "unreadable": lambda: "Set all measures to marks of the ruler",
    }
    return str(labels[one.code]())


def _whole(mm: float) -> float:
    return float(max(1, round(mm)))


def _down(third: tuple[float, float], words: Wording) -> str:
    y = third[1]
    return f"{words.length(-y)} above the top" if y < 0 else f"{words.length(y)} down from the top"
