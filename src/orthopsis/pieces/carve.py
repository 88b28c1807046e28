"""Carving one profile: from the light block to the finished piece, in one, two and three points."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from orthopsis.construction.face import Face, Front
from orthopsis.construction.moves import Mark
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, distance
from orthopsis.perspective.segments import WHOLE
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.pieces.base import Stage
from orthopsis.pieces.block_steps import Edges, construct_block, tidy_piece
from orthopsis.pieces.carve_bands import draw_bands
from orthopsis.pieces.carve_behind import Parallels, Rows
from orthopsis.pieces.carve_steps import Carving
from orthopsis.pieces.carve_street import place_in_street
from orthopsis.pieces.carved import Carved
from orthopsis.pieces.carved_shape import CarvedBody
from orthopsis.pieces.profile import Profile

Room = tuple[float, float]


def carve(
    owner: Carved,
    name: str,
    profile: Profile,
    body: CarvedBody,
    paper: Paper,
    stage: Stage,
    points: Mapping[str, Mark],
    room: Room = WHOLE,
) -> None:
    """All steps of one profile. `room` is its part of the owner's face, by shares of the width."""
    if owner.run is None:
        left, right = room
        own = replace(profile, columns=tuple((c - left) / (right - left) for c in profile.columns))
        carving = Carving(owner, name, own, body, paper, stage, points)
        _from_front(carving, room)
    else:
        carving = Carving(owner, name, profile, body, paper, stage, points)
        _from_side(carving, room)
    tidy_piece(body.piece, name, carving.what, paper)
    if owner.bands and carving.shows_depth:
        draw_bands(carving, owner.bands + 1)


def _from_front(carving: Carving, room: Room) -> None:
    """One point: the block in true shape, its lines measured, the back by parallels."""
    paper, owner = carving.paper, carving.owner
    assert owner.front is not None and owner.depth is not None
    length, front, piece = paper.wording.length, owner.front, carving.piece
    left, right = room
    x_mm, width_mm = front.x_mm + left * front.width_mm, (right - left) * front.width_mm
    a, b, c, d = place_in_street(carving) or _block(carving, x_mm, width_mm)
    halved = owner.halved
    lines = Front(paper, (a, b, c, d), piece, halved=halved)
    inner = [part for part in carving.profile.rows if 0.0 < part < 1.0]
    across = [part for part in carving.profile.columns if 0.0 < part < 1.0]
    if halved:
        carving.draw_rows(
            lines,
            f"Halve {a.name} {d.name} with the ruler, and halve the halves, as far as the letter "
            "needs it. Draw light level lines across the block.",
            f"Halve the side {a.name} {d.name}. Halve the halves. Draw light level lines.",
        )
        carving.draw_columns(
            lines,
            f"Draw the diagonal {a.name} {c.name} lightly. Where a level line meets it, an upright "
            "stands.",
            f"Draw the diagonal {a.name} {c.name}. Draw uprights where level lines meet it.",
        )
    else:
        downs = ", ".join(length(part * front.height_mm) for part in inner)
        rights = ", ".join(length(part * width_mm) for part in across)
        carving.draw_rows(
            lines,
            f"Down from {a.name} measure {downs}, and draw light level lines across the block.",
            f"Put zero on {a.name}. Measure down {downs}. Draw light level lines.",
        )
        carving.draw_columns(
            lines,
            f"Along from {a.name} measure {rights}, and draw light uprights down the block.",
            f"Put zero on {a.name}. Measure to the right {rights}. Draw light uprights.",
        )
    carving.draw_face(lines)
    carving.draw_guides()
    if not carving.shows_depth:
        return
    carving.draw_behind(Parallels(carving), _how_far_back(carving))


def _block(carving: Carving, x_mm: float, width_mm: float) -> tuple[Mark, Mark, Mark, Mark]:
    """The light block around a profile, measured from the sheet's edges."""
    paper, owner, say, piece = carving.paper, carving.owner, carving.say, carving.piece
    assert owner.front is not None
    length, front = paper.wording.length, owner.front
    carving.begin("the block")
    step = paper.steps[-1]
    a = paper.measure(x_mm, front.y_mm)
    b = paper.measure_along(a, LEVEL, width_mm)
    c = paper.measure_along(b, UPRIGHT, front.height_mm)
    d = paper.cross(paper.level(c), paper.upright(a))
    for start, end, family in (
        (a, b, HORIZONTAL), (b, c, VERTICAL), (c, d, HORIZONTAL), (d, a, VERTICAL),
    ):  # fmt: skip
        paper.join(start, end, family, piece)
    step.instruction = say(
        f"Mark {a.name} {length(x_mm)} from the left edge and {length(front.y_mm)} from the top "
        f"edge. Draw a light block {a.name} {b.name} {c.name} {d.name}: {length(width_mm)} wide "
        f"and {length(front.height_mm)} high.",
        f"Mark {a.name}: {length(x_mm)} from the left edge, {length(front.y_mm)} from the top "
        f"edge. Draw a light block: {length(width_mm)} wide, {length(front.height_mm)} high.",
    )
    step.check = "The block is square to the edges of the sheet."
    street = owner.street_place
    if street is not None:
        paper.streets.setdefault(carving.body.group, {})[street.number] = a, d
    return a, b, c, d


def _how_far_back(carving: Carving) -> str:
    """The depth, measured along one line; further letters of a word take it from the first."""
    paper, owner, vp = carving.paper, carving.owner, carving.vp
    assert owner.depth is not None
    given = paper.depths.get(owner.id)
    if given is not None:
        return carving.say(
            f"{given[0].name} in front is {given[1].name} behind: as far back goes this letter.",
            f"Find {given[1].name} behind {given[0].name}. This letter is as deep.",
        )
    start, inward = owner.depth_start(vp.at)
    number = next((k for k, m in carving.marks.items() if distance(m.at, start) < 1e-6), None)
    carving.begin("how far back")
    before = ""
    if number is None:
        mark = paper.measure(*start.xy)
        length = paper.wording.length
        before = (
            f"Mark {mark.name} {length(start.xy[0])} from the left edge and "
            f"{length(start.xy[1])} from the top edge. "
        )
    else:
        mark = carving.marks[number]
    guide = carving.guides.get(-1 if number is None else number)
    if guide is None:
        guide = paper.aim(mark, vp, carving.piece, fate="erase")
        before += f"Draw a very light line from {mark.name} to {vp.name}, only for the depth. "
        if number is not None:
            carving.guides[number] = guide
    far, sentence = owner.depth.build(
        paper, mark, vp, guide, carving.stage, inward, carving.marks.values()
    )
    paper.depths[owner.id] = mark, far
    if number is not None:
        carving.behind[number] = far
    step = paper.steps[-1]
    step.instruction = before + sentence
    step.check = f"{far.name} lies on the line from {mark.name} to {vp.name}."
    return ""


def _from_side(carving: Carving, room: Room) -> None:
    """Two and three points: carved from a light block; what is cut away in front is cut away
    behind, and the new corner goes to the other point.
    """
    paper, owner, say = carving.paper, carving.owner, carving.say
    face = paper.faces.get(owner.id) or _lay_out(carving)
    if room != WHOLE:
        carving.begin("its place")
        step = paper.steps[-1]
        face.bay(*WHOLE)
        for share in room:
            face.column(share)
        face.bay(*room)
        step.instruction = say(
            f"Find the two uprights between which this {carving.what} stands: a mark on the front "
            f"edge, a light line to {face.along.name}, and an upright where it meets the diagonal "
            "of the face.",
            f"Mark the front edge. Draw light lines to {face.along.name}. Where they meet the "
            f"diagonal, draw two uprights. This {carving.what} stands between them.",
        )
        step.check = "Equal letters look narrower the further back they stand."
    third = carving.third
    top, foot, goal = face.top.name, face.foot.name, face.along.name
    if owner.halved:
        found = "by halving it" if third is None else "by crossing diagonals"
        levels = (
            f"Halve the front edge {top} {foot} {found}, and halve the halves. From the marks draw "
            f"light lines to {goal}.",
            f"Halve the front edge {top} {foot}. Halve the halves. Draw light lines to {goal}.",
        )
    else:
        levels = (
            f"Measure the levels down the front edge from {top}, and draw light lines to {goal}.",
            f"Put zero on {top}. Measure down the front edge. Draw light lines to {goal}.",
        )
    carving.draw_rows(face, *levels)
    carving.draw_columns(
        face,
        f"Where a light line to {goal} meets the diagonal of the face, an upright stands: as far "
        f"across as it is down. {_uprights(third)}",
        f"Draw the diagonal. Where a line to {goal} meets it, draw an upright. {_uprights(third)}",
    )
    carving.draw_face(face)
    carving.draw_guides()
    if not carving.shows_depth:
        return
    behind = Rows(carving, face, paper.corner_marks[owner.id])
    carving.draw_behind(
        behind,
        say(
            "Where the front was cut away the back is cut away too: each new far corner lies on "
            f"its line to {carving.vp.name}.",
            f"Cut the back like the front. Each far corner lies on its line to {carving.vp.name}.",
        ),
    )


def _uprights(third: Mark | None) -> str:
    return "" if third is None else f"Every upright points at {third.name}."


def _lay_out(carving: Carving) -> Face:
    """The light block, and its face with the front edge."""
    paper, owner, stage, points = carving.paper, carving.owner, carving.stage, carving.points
    edges = Edges(paper, owner.block_body(stage), light=True)
    marks = construct_block(owner, paper, stage, edges, points)
    near = "right" if owner.run == "left" else "left"
    corners = tuple(marks[k] for k in owner.face_of_block.near)
    across, _, _ = owner.families(stage)
    along = points[across]
    face = Face(
        paper,
        (corners[0], corners[1], corners[2], corners[3]),
        near,
        along,
        carving.third,
        owner.id,
        halved=owner.halved,
        true=_true_width(carving, marks, along),
    )
    paper.faces[owner.id] = face
    return face


def _true_width(
    carving: Carving, marks: Mapping[int, Mark], along: Mark
) -> tuple[float, Mark, Mark] | None:
    """The face's true width, its measuring point, and the end of the edge it is laid out from;
    None where the width was not given in true measure.
    """
    owner, view = carving.owner, carving.stage.view
    assert owner.run is not None
    cut, end = owner.cut(owner.run), owner.cut_end(owner.run, view)
    if cut.true_mm is None:
        return None
    start = marks[end + 1]
    way = cut.laying(start.at, along.at, LEVEL if owner.run == "right" else LEFT)
    if way == UPRIGHT:
        return None
    place = view.measuring_point(along.at, way)
    for step in reversed(carving.paper.steps):
        for mark in step.marks:
            if distance(mark.at, place) < 1e-9:
                return cut.true_mm, mark, start
    return None
