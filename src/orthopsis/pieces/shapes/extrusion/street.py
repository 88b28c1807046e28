"""Letters one behind the other: the first one's corners carried to the vanishing point, and the
block drawn again between those lines. The second stands where its distance is measured, each
further one where a diagonal through the middle of the last upright leads.
"""

from __future__ import annotations

from orthopsis.construction.division import Bay, repeat
from orthopsis.construction.moves import Act, Mark, strung
from orthopsis.perspective.plane import LEVEL
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import Length
from orthopsis.pieces.shapes.extrusion.model import StreetPlace
from orthopsis.pieces.shapes.extrusion.profile_site import ProfileSite


def place_in_street(work: ProfileSite) -> tuple[Mark, Mark, Mark, Mark] | None:
    """The corners of a block that stands behind the first; None for the first of a street, for
    what stands in none, and where the ones before it are not drawn yet.
    """
    street = work.owner.street
    if street is None or street.number == 0:
        return None
    paper, vp, part = work.paper, work.vp, work.part
    sides = {one.number: one.side for one in work.earlier if one.side is not None}
    if not {0, street.number - 1} <= sides.keys():
        return None
    before = sides.get(street.number - 2)
    if before is None and street.number > 1:
        return None
    top, foot = sides[0]
    step = work.begin("street-place", Act.PLAN)
    over, under = (paper.aim(mark, vp, part, fate="erase") for mark in (top, foot))
    step.say("street-carry", top=top, foot=foot, vp=vp)
    if before is None:
        low, said = street.step.build(work.site, foot, vp, under, LEVEL)
        high = paper.cross(paper.upright(low), over)
        step.says.append(said)
        step.say("street-up", low=low, high=high)
    else:
        last = sides[street.number - 1]
        bay = repeat(paper, Bay(*before, *last), vp.name, VERTICAL, work.points, part)
        high, low = bay.far_top, bay.far_bottom
        step.say("street-repeat", before=before[1], last=strung(*last), high=high)
        step.say("street-down", low=low, high=high)
        # The same diagonals once more: the middle of an upright, and on through it.
        step.bulk = True
    step.check("street-place-check", high=high, low=low)
    work.side = high, low
    return _between(work, street, top)


def _between(work: ProfileSite, street: StreetPlace, top: Mark) -> tuple[Mark, Mark, Mark, Mark]:
    """The block from its left side, as wide as the letter would be in the first place."""
    assert work.side is not None
    paper, vp, part, (high, low) = work.paper, work.vp, work.part, work.side
    step = work.begin("street-block", Act.PLAN)
    width = paper.measure_along(top, LEVEL, street.first.width_mm)
    line = paper.aim(width, vp, part, fate="erase")
    right = paper.cross(paper.level(high), line)
    corner = paper.cross(paper.level(low), paper.upright(right))
    for start, end, family in (
        (high, right, HORIZONTAL), (right, corner, VERTICAL),
        (corner, low, HORIZONTAL), (low, high, VERTICAL),
    ):  # fmt: skip
        paper.join(start, end, family, part)
    step.say(
        "street-block",
        width=Length(street.first.width_mm), top=top, mark=width, vp=vp,
    )  # fmt: skip
    step.differs(width=Length(street.first.width_mm))
    step.check("street-block-check")
    return high, right, corner, low
