"""Letters one behind the other: the first one's corners carried to the vanishing point, and the
block drawn again between those lines. The second stands where its distance is measured, each
further one where a diagonal through the middle of the last upright leads.
"""

from __future__ import annotations

from orthopsis.construction.division import Bay, repeat
from orthopsis.construction.moves import Mark
from orthopsis.perspective.plane import LEVEL
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.pieces.carve_steps import Carving
from orthopsis.pieces.carved import StreetPlace


def place_in_street(carving: Carving) -> tuple[Mark, Mark, Mark, Mark] | None:
    """The corners of a block that stands behind the first; None for the first of a street, for
    what stands in none, and where the ones before it are not drawn yet.
    """
    street = carving.owner.street_place
    if street is None or street.number == 0:
        return None
    paper, vp, piece, say = carving.paper, carving.vp, carving.piece, carving.say
    sides = paper.streets.get(carving.body.group, {})
    if not {0, street.number - 1} <= sides.keys():
        return None
    top, foot = sides[0]
    carving.begin("its place in the street")
    step = paper.steps[-1]
    over, under = (paper.aim(mark, vp, piece, fate="erase") for mark in (top, foot))
    if street.number == 1:
        low, sentence = street.step.build(paper, foot, vp, under, carving.stage, LEVEL)
        high = paper.cross(paper.upright(low), over)
    else:
        before = sides.get(street.number - 2)
        if before is None:
            paper.steps.pop()
            return None
        last = sides[street.number - 1]
        bay = repeat(paper, Bay(*before, *last), vp.name, VERTICAL, carving.points, piece)
        high, low = bay.far_top, bay.far_bottom
        sentence = say(
            f"A line from {before[1].name} through the middle of the upright {last[0].name} "
            f"{last[1].name} meets the upper light line in {high.name}: as far again.",
            f"Draw a line from {before[1].name} through the middle of {last[0].name} "
            f"{last[1].name}. It meets the upper line in {high.name}.",
        )
    step.instruction = say(
        f"Carry {top.name} and {foot.name} to {vp.name} with light lines. {sentence}",
        f"Draw light lines from {top.name} and {foot.name} to {vp.name}. {sentence}",
    )
    step.check = f"{high.name} stands straight above {low.name}."
    return _between(carving, street, (top, foot), (high, low))


def _between(
    carving: Carving, street: StreetPlace, first: tuple[Mark, Mark], here: tuple[Mark, Mark]
) -> tuple[Mark, Mark, Mark, Mark]:
    """The block from its left side, as wide as the letter would be in the first place."""
    paper, vp, piece, say = carving.paper, carving.vp, carving.piece, carving.say
    (top, _), (high, low) = first, here
    carving.begin("the block")
    step = paper.steps[-1]
    width = paper.measure_along(top, LEVEL, street.first.width_mm)
    line = paper.aim(width, vp, piece, fate="erase")
    right = paper.cross(paper.level(high), line)
    corner = paper.cross(paper.level(low), paper.upright(right))
    for start, end, family in (
        (high, right, HORIZONTAL), (right, corner, VERTICAL),
        (corner, low, HORIZONTAL), (low, high, VERTICAL),
    ):  # fmt: skip
        paper.join(start, end, family, piece)
    length = paper.wording.length(street.first.width_mm)
    step.instruction = say(
        f"Measure {length} to the right of {top.name}: {width.name}, and draw lightly to "
        f"{vp.name}. Between the light lines draw the block {high.name} {right.name} {corner.name} "
        f"{low.name}.",
        f"Put zero on {top.name}. Measure {length} to the right: {width.name}. Draw a light line "
        f"to {vp.name}. Draw the block between the light lines.",
    )
    step.check = "The block looks like the first one, only smaller."
    paper.streets[carving.body.group][street.number] = here
    return high, right, corner, low
