"""One profile from the light block to the finished piece, in one, two and three points."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace

from orthopsis.construction.face import FrontFace, RecedingFace
from orthopsis.construction.moves import Act, Mark, count, measures_set, phrase, strung
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, distance
from orthopsis.perspective.segments import WHOLE
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import Length, Phrase, Several, say
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.shapes.box_frame import draw_frame
from orthopsis.pieces.shapes.extrusion.back import draw_behind
from orthopsis.pieces.shapes.extrusion.bands import draw_bands
from orthopsis.pieces.shapes.extrusion.behind import Parallels, Rows
from orthopsis.pieces.shapes.extrusion.by_corners import draw_by_corners
from orthopsis.pieces.shapes.extrusion.corner_lines import corners_drawn, draw_guides, guide_line
from orthopsis.pieces.shapes.extrusion.curves import Far
from orthopsis.pieces.shapes.extrusion.face import (
    draw_columns,
    draw_face,
    draw_rows,
)
from orthopsis.pieces.shapes.extrusion.model import Extrusion
from orthopsis.pieces.shapes.extrusion.profile import Profile
from orthopsis.pieces.shapes.extrusion.profile_site import MOST_LINES, Extruded, ProfileSite
from orthopsis.pieces.shapes.extrusion.street import place_in_street
from orthopsis.pieces.shapes.extrusion.visible import ExtrudedBody
from orthopsis.pieces.shapes.tidy import tidy

Room = tuple[float, float]


def draw_profile(owner: Extrusion, profile: Profile, site: Site, room: Room = WHOLE) -> Extruded:
    """All steps of one profile. `room` is its part of the owner's face, by shares of the width."""
    assert isinstance(site.body, ExtrudedBody)
    earlier = [
        handed
        for part, handed in site.before.items()
        if part.piece == site.part.piece and isinstance(handed, Extruded)
    ]
    face = None
    if owner.run is None:
        left, right = room
        own = replace(profile, columns=tuple((c - left) / (right - left) for c in profile.columns))
        work = ProfileSite(site, owner, own, site.body, earlier)
        if owner.measured:
            _from_corners(work)
        else:
            _from_front(work, room)
    else:
        work = ProfileSite(site, owner, profile, site.body, earlier)
        face = _from_side(work, room)
    tidy(site, owner.what)
    if owner.bands and work.shows_depth:
        draw_bands(work, owner.bands + 1)
    number = owner.street.number if owner.street else 0
    marks = work.marks | {k + work.count: mark for k, mark in work.behind.items()}
    return Extruded(work.frame, face, work.depth, work.side, number, marks)


def _from_front(work: ProfileSite, room: Room) -> None:
    """One point: the block in true shape, its lines measured, the back by parallels."""
    owner = work.owner
    front = owner.on_front.front
    left, right = room
    x_mm, width_mm = front.x_mm + left * front.width_mm, (right - left) * front.width_mm
    corners = place_in_street(work) or _block(work, x_mm, width_mm)
    a, _, c, d = corners
    lines = FrontFace(work.paper, corners, work.part, halved=owner.halved)
    if owner.halved:
        draw_rows(work, lines, lambda _: [phrase("face-rows-halved", side=strung(a, d))])
        draw_columns(work, lines, lambda _: [phrase("face-columns-halved", diagonal=strung(a, c))])
    else:
        draw_rows(work, lines, lambda downs: [phrase("face-rows", corner=a, downs=downs)])
        draw_columns(work, lines, lambda rights: [phrase("face-columns", corner=a, rights=rights)])
    draw_face(work, lines)
    draw_back(work, lambda: (Parallels(work), _how_far_back(work)))


def _from_corners(work: ProfileSite) -> None:
    """One point: each corner measured from the sheet's edges and joined, the back by parallels."""
    paper, body = work.paper, work.body
    step = work.begin("face-corners", Act.FRONTS)
    said, places = [], []
    for k in range(work.count):
        place = body.corners[k][0]
        places.append(say("face-corner-short", left=Length(place.x), top=Length(place.y)))
        mark = work.marks[k] = paper.measure(*place.xy)
        said.append(say("face-corner-at", mark=mark.said, across=across(place.x, paper.sheet),
                        down=down(place.y, paper.sheet)))  # fmt: skip
    for a, b in work.profile.sides:
        paper.keep(work.marks[a], work.marks[b], work.family((a, b)), body)
    step.say("face-by-corners", what=work.what, corners=Several(tuple(said), "semicolon"))
    step.differs(places=Several(tuple(places), "semicolon"))
    step.bulk = len(step.strokes) >= MOST_LINES
    step.check("face-corners-check", what=work.what, count=count(work.count))
    draw_back(work, lambda: (Parallels(work), _how_far_back(work)))


def _block(work: ProfileSite, x_mm: float, width_mm: float) -> tuple[Mark, Mark, Mark, Mark]:
    """The light block around a profile, measured from the sheet's edges."""
    paper = work.paper
    front = work.owner.on_front.front.model_copy(update={"x_mm": x_mm, "width_mm": width_mm})
    step = work.begin("block", Act.PLAN)
    a, b, c, d = measured_front(paper, front)
    for start, end, family in (
        (a, b, HORIZONTAL), (b, c, VERTICAL), (c, d, HORIZONTAL), (d, a, VERTICAL),
    ):  # fmt: skip
        paper.join(start, end, family, work.part)
    measures = front_measures(paper, front)
    step.say("block", corner=a, **measures)
    step.differs(**measures)
    step.check("block-check")
    work.side = a, d
    return a, b, c, d


def _how_far_back(work: ProfileSite) -> list[Phrase]:
    """The depth, measured along one line; further letters of a word take it from the first.

    What is said with the back: nothing where a step of its own says it.
    """
    paper, vp, depth = work.paper, work.vp, work.owner.on_front.depth
    given = next((one.depth for one in work.earlier if one.depth is not None), None)
    if given is not None and work.owner.street is None:
        work.depth = given
        return [phrase("back-as-deep", near=given[0], far=given[1])]
    start, inward = work.owner.on_front.depth_start(vp.at, work.owner.places)
    number = next((k for k, m in work.marks.items() if distance(m.at, start) < 1e-6), None)
    step = work.begin("back-depth", Act.BACKS)
    if number is None:
        mark = paper.measure(*start.xy)
        x, y = start.xy
        step.say(
            "back-depth-mark", mark=mark, across=across(x, paper.sheet), down=down(y, paper.sheet)
        )
    else:
        mark = work.marks[number]
    guide = work.guides.get(-1 if number is None else number)
    if guide is None:
        shows = number is not None and number in corners_drawn(work)
        if number is not None and shows:
            guide = guide_line(work, number)
        else:
            guide = paper.aim(mark, vp, work.part, fate="erase")
        step.say("back-depth-line", mark=mark, vp=vp)
        if number is not None:
            work.guides[number] = guide
    far, said = depth.build(work.site, mark, vp, guide, inward, work.marks.values())
    work.depth = mark, far
    if number is not None:
        work.behind[number] = far
    step.says.append(said)
    step.check("back-depth-check", far=far, near=mark, vp=vp)
    return []


def _from_side(work: ProfileSite, room: Room) -> RecedingFace:
    """Two and three points: carved from a light block; what is cut away in front is cut away
    behind, and the new corner goes to the other point.
    """
    owner = work.owner
    drawn = next((one for one in reversed(work.earlier) if one.face is not None), None)
    if drawn is not None and drawn.face is not None:
        face, work.frame = drawn.face.taken_up(), drawn.frame
    else:
        face = _lay_out(work)
        _halve(work, face)
    if room != WHOLE:
        step = work.begin("face-place", Act.PLAN)
        face.bay(*WHOLE)
        for share in room:
            face.column(share)
        face.bay(*room)
        measured = measures_set(step)
        if measured.items:
            step.say(
                "face-place-measured",
                what=work.what, goal=face.along, top=face.top, downs=measured,
            )  # fmt: skip
        else:
            which = "face-place" if work.third is None else "face-place-from-halves"
            step.say(which, what=work.what, goal=face.along)
        if measured.items:
            step.differs(measures=measured)
        step.check("face-place-check")
        step.bulk = len(step.strokes) >= MOST_LINES
    again = None
    if owner.halved and work.third is not None:
        # Some letters need a measure beside the halves, and some do not.
        again = phrase("again-lines-on-face", goal=face.along)
    draw_rows(work, face, lambda measured: _said_of_rows(work, face, measured), again)
    draw_columns(work, face, lambda measured: _said_of_columns(work, face, measured), again)
    draw_face(work, face)
    frame = work.frame
    assert frame is not None
    draw_back(work, lambda: (Rows(work, face, frame), [say("back-cut-away", vp=work.vp.said)]))
    return face


def draw_back(work: ProfileSite, begin: Callable[[], tuple[Far, list[Phrase]]]) -> None:
    """What lies behind the face: all lines first and then all far sides, or corner by corner.

    `begin` tells how far back, and what finds the marks behind those of the face.
    """
    if not (work.shows_depth and work.paper.ways.corners):
        draw_guides(work)
    if work.shows_depth:
        far, said = begin()
        draw = draw_by_corners if work.paper.ways.corners else draw_behind
        draw(work, far, said)


def _halve(work: ProfileSite, face: RecedingFace) -> None:
    """Halves and quarters of a front edge that leans, for all profiles of the face at once."""
    shares = {
        share
        for profile in work.owner.profiles
        for share in (*profile.rows, profile.columns[0], profile.columns[-1])
    }
    step = work.site.plan_of(work.owner.block_body(work.stage)).begin("face-halves", Act.PLAN)
    halvings = face.halve(shares)
    if not halvings:
        work.paper.steps.remove(step)
        return
    for one in halvings:
        step.say(
            "face-halve",
            down=strung(*one.down), up=strung(*one.up), goal=face.along, mark=one.mark,
        )  # fmt: skip
        far = face.opposite(one)
        if far is not None:
            step.say("face-halve-opposite", far=far)
    step.check("face-halves-check", edge=strung(face.top, face.foot))


def _said_of_rows(work: ProfileSite, face: RecedingFace, measured: Several) -> list[Phrase]:
    """How the rows were found: measured down the front edge, or by halving."""
    edge, goal = strung(face.top, face.foot), face.along
    if measured.items:
        return [phrase("face-levels", top=face.top, goal=goal, downs=measured)]
    if work.third is not None:
        return [phrase("face-levels-from-halves", goal=goal)]
    return [phrase("face-levels-by-halves", edge=edge, goal=goal)]


def _said_of_columns(work: ProfileSite, face: RecedingFace, measured: Several) -> list[Phrase]:
    """How the columns were found: by true measures, or where rows meet the diagonal."""
    goal = face.along
    if face.true is not None:
        _, point, start = face.true
        said = [phrase("face-columns-true", start=start, point=point, measures=measured)]
    elif measured.items:
        said = [phrase("face-columns-measured", top=face.top, goal=goal, downs=measured)]
    else:
        said = [phrase("face-columns-diagonal", goal=goal)]
    if work.third is not None:
        said.append(phrase("face-columns-to", third=work.third))
    return said


def _lay_out(work: ProfileSite) -> RecedingFace:
    """The light block, and its face with the front edge."""
    owner, stage = work.owner, work.stage
    block = work.site.plan_of(owner.block_body(stage))
    first = len(work.paper.steps)
    marks = draw_frame(owner.place, block, Edges(work.paper, block.body, light=True))
    work.frame = marks
    near = "right" if owner.run == "left" else "left"
    corners = tuple(marks[k] for k in owner.face_of_block.near)
    across, _, _ = owner.families(stage)
    along = work.points[across]
    return RecedingFace(
        work.paper,
        (corners[0], corners[1], corners[2], corners[3]),
        near,
        along,
        work.third,
        owner.block,
        halved=owner.halved,
        true=_true_width(work, marks, along, first),
    )


def _true_width(
    work: ProfileSite, marks: Mapping[int, Mark], along: Mark, first: int
) -> tuple[float, Mark, Mark] | None:
    """The face's true width, its measuring point, and the end of the edge it is laid out from;
    None where the width was not given in true measure. `first` is the block's first step.
    """
    owner, view = work.owner, work.stage.view
    assert owner.run is not None
    cut, end = owner.on_edge.cut(owner.run), owner.on_edge.cut_end(owner.run, view)
    if cut.true_mm is None:
        return None
    start = marks[end + 1]
    way = cut.laying(start.at, along.at, LEVEL if owner.run == "right" else LEFT)
    if way == UPRIGHT:
        return None
    mark = work.paper.helping_point(view.measuring_point(along.at, way))
    return None if mark is None else (cut.true_mm, mark, start)
