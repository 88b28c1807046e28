"""A circle in perspective: five marks within the square around it, and a curve by hand.

The square is p q r s, its middle M by the diagonals. The circle touches the four sides in their
perspective middles. The fifth mark is the one that every square shares: in a square from −1 to 1
the line from the middle of one side to a corner opposite meets the circle again at (0.6, 0.8), and
so does the line from the middle of the other side to the quarter of the top. Source: the
three-four-five triangle; that lines stay lines in perspective makes it exact there too.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from orthopsis.construction.moves import Act, Curve, Mark, Ruled, strung
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL
from orthopsis.phrase import Choice, PointName, Several, Value, say


def circle_within(square: Sequence[Point]) -> Ellipse:
    """The circle that the five marks will give, for planning. Raises ValueError edge-on."""
    p, q, r, s = square
    along, across = meet(join(p, q), join(s, r)), meet(join(p, s), join(q, r))
    middle = meet(join(p, r), join(q, s))
    across_line, along_line = join(middle, across), join(middle, along)
    bottom, top = meet(across_line, join(p, q)), meet(across_line, join(s, r))
    left, right = meet(along_line, join(p, s)), meet(along_line, join(q, r))
    quarter = meet(join(middle, r), join(right, top))
    eighth = meet(join(quarter, across), join(s, r))
    fifth = meet(join(left, r), join(right, eighth))
    return Ellipse.through([bottom, right, top, left, fifth])


def construct_circle(
    paper: Paper,
    square: Sequence[Mark],
    families: tuple[str, str],
    points: Mapping[str, Mark],
    body: Body,
    end: Choice,
) -> Curve:
    """Two steps: middle and touching points, then the fifth mark and the curve.

    `families` are those of the sides p–q and p–s; `end` names the circle, as the top of a drum.
    """
    p, q, r, s = square
    part = body.part
    step = paper.begin(f"circle-middle-{end.key}", Act.BACKS, part, body.name)
    step.like = "circle-middle"
    diagonal = paper.diagonal(p, r, part)
    middle = paper.cross(diagonal, paper.diagonal(q, s, part))
    sides = {
        "pq": paper.along(p, q), "qr": paper.along(q, r),
        "sr": paper.along(s, r), "ps": paper.along(p, s),
    }  # fmt: skip
    along = toward_family(paper, middle, families[0], points)
    left, right = paper.cross(along, sides["ps"]), paper.cross(along, sides["qr"])
    across = toward_family(paper, middle, families[1], points)
    near, far = paper.cross(across, sides["pq"]), paper.cross(across, sides["sr"])
    touching = [near, right, far, left]
    first, second = (line_to(family) for family in families)
    step.say(
        "circle-middle",
        down=strung(p, r), up=strung(q, s), middle=middle, first=first, second=second,
        touching=in_turn(touching),
    )  # fmt: skip
    step.check("circle-middle-check", middle=middle)

    step = paper.begin(f"circle-{end.key}", Act.BACKS, part, body.name)
    step.like = "circle"
    if paper.ways.quick_circles:
        curve = paper.sketch([near, right, far, left], circle_within([mark.at for mark in square]))
        step.say("circle-by-middles", touching=in_turn(touching))
        step.check("circle-check")
        return curve
    halves = paper.cross(paper.join(right, far, FREE, part), diagonal)
    eighth = paper.cross(toward_family(paper, halves, families[1], points), sides["sr"])
    fifth = paper.cross(paper.join(left, r, FREE, part), paper.join(right, eighth, FREE, part))
    curve = paper.sketch([near, right, far, left, fifth])
    step.say(
        "circle",
        chord=strung(right, far), half=halves, second=second, eighth=eighth,
        one=strung(left, r), other=strung(right, eighth), fifth=fifth,
        through=in_turn([*touching, fifth]),
    )  # fmt: skip
    step.check("circle-check")
    return curve


def toward_family(paper: Paper, start: Mark, family: str, points: Mapping[str, Mark]) -> Ruled:
    """A light line of a family through a mark: by set square, or by the ruler on its point."""
    if family == HORIZONTAL:
        return paper.level(start)
    if family == VERTICAL:
        return paper.upright(start)
    return paper.lay(start, points[family])


def line_to(family: str) -> Value:
    """A line of a family, as it is said."""
    if family in (HORIZONTAL, VERTICAL):
        return say("level-line" if family == HORIZONTAL else "an-upright")
    return say("line-to", point=PointName(family))


def in_turn(marks: Sequence[Mark]) -> Several:
    """Marks one after the other: A, B, C."""
    return Several(tuple(mark.said for mark in marks), "comma")
