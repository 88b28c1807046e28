"""A circle in perspective: five marks within the square around it, and a curve by hand.

The square is p q r s, its middle M by the diagonals. The circle touches the four sides in their
perspective middles. The fifth mark is the one that every square shares: in a square from −1 to 1
the line from the middle of one side to a corner opposite meets the circle again at (0.6, 0.8), and
so does the line from the middle of the other side to the quarter of the top. Source: the
three-four-five triangle; that lines stay lines in perspective makes it exact there too.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from orthopsis.construction.moves import Curve, Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL


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
    title: str,
    what: str,
    piece: str,
) -> Curve:
    """Two steps: middle and touching points, then the fifth mark and the curve.

    `families` are those of the sides p–q and p–s; `what` names the circle ("top").
    """
    p, q, r, s = square
    say = paper.wording.say
    step = paper.begin(f"{title}: the middle of the {what}", piece)
    diagonal = paper.join(p, r, FREE, piece)
    middle = paper.cross(diagonal, paper.join(q, s, FREE, piece))
    sides = {
        "pq": paper.along(p, q), "qr": paper.along(q, r),
        "sr": paper.along(s, r), "ps": paper.along(p, s),
    }  # fmt: skip
    along = toward_family(paper, middle, families[0], points, piece)
    left, right = paper.cross(along, sides["ps"]), paper.cross(along, sides["qr"])
    across = toward_family(paper, middle, families[1], points, piece)
    near, far = paper.cross(across, sides["pq"]), paper.cross(across, sides["sr"])
    touching = [near.name, right.name, far.name, left.name]
    step.instruction = say(
        f"Cross the diagonals {p.name} {r.name} and {q.name} {s.name}: {middle.name} is the "
        f"middle. Through it draw {_way(families[0])} and {_way(families[1])}: they meet the "
        f"sides in {', '.join(touching)}, where the circle will touch.",
        f"Draw the diagonals {p.name} {r.name} and {q.name} {s.name}. They cross in the middle, "
        f"{middle.name}. Draw {_way(families[0])} through {middle.name}. Draw "
        f"{_way(families[1])} through it. Mark {', '.join(touching)} on the sides.",
    )
    step.check = f"{middle.name} lies on all four light lines."

    step = paper.begin(f"{title}: the circle of the {what}", piece)
    halves = paper.cross(paper.join(right, far, FREE, piece), diagonal)
    eighth = paper.cross(toward_family(paper, halves, families[1], points, piece), sides["sr"])
    fifth = paper.cross(paper.join(left, r, FREE, piece), paper.join(right, eighth, FREE, piece))
    curve = paper.sketch([near, right, far, left, fifth], piece)
    step.instruction = say(
        f"Join {right.name} {far.name}; where it crosses the diagonal is {halves.name}, and "
        f"{_way(families[1])} from there meets the side in {eighth.name}. The lines {left.name} "
        f"{r.name} and {right.name} {eighth.name} cross in {fifth.name}, on the circle. Sketch "
        f"the circle lightly through {', '.join([*touching, fifth.name])}.",
        f"Draw {right.name} {far.name}. Mark {halves.name} on the diagonal. Draw "
        f"{_way(families[1])} from {halves.name} to the side: {eighth.name}. Draw {left.name} "
        f"{r.name} and {right.name} {eighth.name}. They cross in {fifth.name}. Sketch the circle "
        f"through all five marks.",
    )
    step.check = "The curve touches each side in its mark and has no corner anywhere."
    return curve


def toward_family(
    paper: Paper, start: Mark, family: str, points: Mapping[str, Mark], piece: str
) -> Ruled:
    """A light line of a family through a mark: by set square, or by the ruler on its point."""
    if family == HORIZONTAL:
        return paper.level(start)
    if family == VERTICAL:
        return paper.upright(start)
    return paper.lay(start, points[family])


def _way(family: str) -> str:
    if family == HORIZONTAL:
        return "a level line"
    return "an upright" if family == VERTICAL else f"a line to {family}"
