"""Cast shadows: by projection for the picture, by ruler for the steps.

What is cut from a block and stands on the ground or on a floor casts them, boxes, furniture and
stairs alike, if anything of it shows; ground and floors receive them.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import replace
from itertools import islice
from typing import NamedTuple, Protocol

from orthopsis.construction.moves import Act, Do, Mark, count
from orthopsis.construction.paper import Paper
from orthopsis.construction.places import across, down
from orthopsis.construction.shadow import keep_shadow
from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import Exercise, ToneSpec
from orthopsis.exercise.light import LampLight, SunLight
from orthopsis.perspective.area import Area
from orthopsis.perspective.light import LightOnPaper, from_the_side, sun_at
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import (
    XY,
    Portion,
    Segment,
    at,
    box_of,
    boxes_touch,
    length,
    portion_shared,
    remainder,
    within_convex,
)
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part, Role, Stroke
from orthopsis.perspective.vector import Vector, plus, times
from orthopsis.perspective.view import FREE, HORIZONTAL, View
from orthopsis.phrase import Own, say
from orthopsis.picture.shadow import BehindUs, Cast, LevelPlane, Light, cast, outline
from orthopsis.picture.solid import Bar, Shape, Solid, bars
from orthopsis.picture.solids import AnySolid, is_patch
from orthopsis.picture.visibility import HiddenEdge, Sight
from orthopsis.pieces.base import Drawn, Site, Stage
from orthopsis.pieces.kinds.room import Room
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.registry import AnyPiece
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.shadow import CellShadow

GROUND = "ground"
DOWN_CORNERS = (3, 6), (2, 7)
"""The diagonals of a block's foot, and those through its middle."""
THROUGH = (0, 6), (1, 7)


class Placed(Protocol):
    """Something that is drawn as one, where it stands, and the number of its piece."""

    @property
    def drawn(self) -> Drawn: ...
    @property
    def stage(self) -> Stage: ...
    @property
    def number(self) -> int: ...


class Shaded(Protocol):
    """A document with all that stands on its sheet."""

    @property
    def exercise(self) -> Exercise: ...
    @property
    def sheet(self) -> Sheet: ...
    @property
    def main(self) -> View: ...
    @property
    def pieces(self) -> Sequence[AnyPiece]: ...
    @property
    def parts(self) -> Sequence[Placed]: ...
    @property
    def solids(self) -> Sequence[Sequence[AnySolid]]: ...
    @property
    def sight(self) -> Sight: ...


class Receiver(NamedTuple):
    """A level surface that shadows fall on, and what it covers of the sheet; None for all of it."""

    name: str
    area: Area | None


def receivers(scene: Shaded) -> list[Receiver]:
    """The surfaces that the document names. Raises ExerciseError for what receives none."""
    tone = scene.exercise.tone
    found = []
    for number, name in enumerate(tone.cast if tone else ()):
        piece, _, surface = name.partition("/")
        room = next((one for one in scene.pieces if one.id == piece), None)
        if name == GROUND:
            found.append(Receiver(name, None))
        elif isinstance(room, Room) and surface == "floor":
            found.append(Receiver(name, _floor_of(room, scene)))
        else:
            says = say("refused-no-shadow-there", surface=Own(name))
            raise ExerciseError(f"tone.cast[{number}]", says)
    return found


def _floor_of(room: Room, scene: Shaded) -> Area:
    """A floor on paper, from its back to beyond the sheet."""
    stage = next(part.stage for part in scene.parts if part.drawn.part == room.part)
    return Area((tuple(room.place.floor_outline(stage)),))


def _casters(scene: Shaded) -> Iterator[tuple[int, Made]]:
    """What casts shadows, by the numbers of the parts."""
    for number, part in enumerate(scene.parts):
        stage = part.stage
        if stage.floating or stage.transparent or stage.floor is not None:
            continue
        made = part.drawn.cells(stage) if stage.view == scene.main else None
        if isinstance(made, Made) and not _is_lamp(scene, part):
            yield number, made


def _is_lamp(scene: Shaded, part: Placed) -> bool:
    light = scene.exercise.tone.light if scene.exercise.tone else ""
    return isinstance(light, LampLight) and scene.pieces[part.number].id == light.piece


def _lamp_block(scene: Shaded, light: LampLight) -> tuple[BlockPlacement, Placed]:
    for part in scene.parts:
        piece = scene.pieces[part.number]
        if piece.id == light.piece and isinstance(piece.place, BlockPlacement):
            return piece.place, part
    raise ExerciseError("tone.light.piece", say("refused-no-such-piece", piece=Own(light.piece)))


def _checked(tone: ToneSpec, view: View) -> None:
    light = tone.light
    if isinstance(light, SunLight) and abs(light.y_mm - view.eye_level_mm) < 1.0:
        raise ExerciseError("tone.light.y_mm", say("refused-sun-on-level"))
    if not view.uprights.at.at_infinity:
        raise ExerciseError("tone.cast", say("refused-shadows-in-three"))


# --- for the picture -------------------------------------------------------------------------


def _in_space(scene: Shaded, tone: ToneSpec) -> Light:
    light = tone.light
    if isinstance(light, LampLight):
        return Light(lamp_in_space(scene, light), near=True)
    if isinstance(light, SunLight):
        behind = 1.0 if light.y_mm > scene.main.eye_level_mm else -1.0
        return Light(times((light.x_mm, light.y_mm, 1.0), behind))
    toward = _aside(tone).at
    return Light((-toward.x, -toward.y, 0.0))


def lamp_in_space(scene: Shaded, light: LampLight) -> Vector:
    """The middle of the block of a lamp, in eye space. Raises ExerciseError."""
    place, part = _lamp_block(scene, light)
    (one, opposite), _ = THROUGH
    corners = place.in_space(part.stage)
    return times(plus(corners[one], corners[opposite]), 0.5)


def _aside(tone: ToneSpec) -> LightOnPaper:
    light = tone.light
    if isinstance(light, str):
        return from_the_side(light == "right", 45.0)
    assert not isinstance(light, SunLight | LampLight)
    return from_the_side(light.from_ == "right", light.rise_deg)


def shadows(scene: Shaded) -> list[Stroke]:
    """The lines of all cast shadows as they are seen. Raises ExerciseError."""
    tone = scene.exercise.tone
    if tone is None or not tone.cast:
        return []
    of_things = _seen(scene)
    free = list(_free(scene, _casts(scene, tone, of_things), of_things))
    return [
        stroke
        for receiver in receivers(scene)
        for edge, hidden in free
        for stroke in _strokes(scene, edge, hidden, receiver)
    ]


def _free(
    scene: Shaded, casts: Sequence[Cast], of_things: Mapping[Part, Sequence[Segment]]
) -> Iterator[tuple[HiddenEdge, list[Portion]]]:
    """What bounds the shadows, and where things stand before it or have a line of their own."""
    drawn: dict[Part, list[Bar]] = {}
    for part, bar in outline(casts):
        drawn.setdefault(part, []).append(bar)
    lines = [bars(part, of_part) for part, of_part in drawn.items()]
    # Of what stands there only the faces are asked for.
    standing = (s for of_part in scene.solids for s in of_part if not s.transparent)
    faces = [replace(s, shape=Shape(s.faces, ())) if isinstance(s, Solid) else s for s in standing]
    edges = Sight([*lines, *sorted(faces, key=is_patch)]).edges()
    others = [(box_of(line), line) for part in of_things.values() for line in part]
    for edge in islice(edges, sum(len(line.edges) for line in lines)):
        box = box_of(edge.segment)
        # Along the foot of a thing its own line is there.
        near = (portion_shared(edge.segment, o) for around, o in others if boxes_touch(around, box))
        yield edge, [*edge.hidden, *(one for one in near if one is not None)]


def _within(segment: Segment, area: Area | None) -> Portion:
    if area is None:
        return 0.0, 1.0
    inside = area.portions_inside(segment)
    return inside[0] if inside else (0.0, 0.0)


def _strokes(
    scene: Shaded, edge: HiddenEdge, hidden: list[Portion], receiver: Receiver
) -> Iterator[Stroke]:
    part, family, segment = edge.solid.part, edge.edge.family, edge.segment
    on_sheet = scene.sheet.clip(segment)
    if on_sheet is None:
        return
    for t0, t1 in remainder(hidden, _within(segment, receiver.area)):
        t0, t1 = max(t0, on_sheet[0]), min(t1, on_sheet[1])
        if (t1 - t0) * length(segment) > 1e-6:
            ends = at(segment, t0), at(segment, t1)
            yield Stroke(*ends, family, Role.SHADOW, part, None, receiver.name)


def _casts(scene: Shaded, tone: ToneSpec, seen: Collection[Part]) -> list[Cast]:
    view = scene.main
    _checked(tone, view)
    plane = LevelPlane((0.0, 1.0, -view.eye_level_mm), view.eye_height_mm)
    light = _in_space(scene, tone)
    aside = not isinstance(tone.light, SunLight | LampLight)
    uprights = view.uprights.name, HORIZONTAL if aside else FREE
    found = []
    for number, made in _casters(scene):
        if made.part not in seen:
            continue  # nobody has drawn it
        for solid in scene.solids[number]:
            assert isinstance(solid, Solid)
            try:
                found.append(cast(solid, light, plane, uprights))
            except BehindUs as error:
                says = say("refused-shadow-behind", piece=Own(error.part.piece))
                raise ExerciseError("tone.light", says) from None
    return found


def _seen(scene: Shaded) -> dict[Part, list[Segment]]:
    """What is seen on the sheet of the lines of each part, if anything is."""
    found: dict[Part, list[Segment]] = {}
    for solid, _, segment, hidden in scene.sight.edges():
        on_sheet = scene.sheet.clip(segment)
        for t0, t1 in remainder(hidden, on_sheet) if on_sheet else ():
            if (t1 - t0) * length(segment) > 1e-6:
                found.setdefault(solid.part, []).append((at(segment, t0), at(segment, t1)))
    return found


def shadow_areas(scene: Shaded) -> list[tuple[Part, tuple[tuple[XY, ...], ...]]]:
    """What shadows cover on paper, before what stands there is laid over them. Raises
    ExerciseError.
    """
    tone = scene.exercise.tone
    if tone is None or not tone.cast:
        return []
    casts = _casts(scene, tone, _seen(scene))
    found = []
    for receiver in receivers(scene):
        for one in casts:
            for area in one.areas:
                loops = area.loops
                if receiver.area is not None:
                    (floor,) = receiver.area.loops
                    loops = tuple(within_convex(loop, floor) for loop in loops)
                found.append((one.part, tuple(loop for loop in loops if len(loop) > 2)))
    return [(part, loops) for part, loops in found if loops]


# --- for the construction --------------------------------------------------------------------


LightMarks = tuple[Mark, Mark] | None
"""The light and its foot as marks; none where it comes from the side."""


def _on_paper(
    scene: Shaded, tone: ToneSpec, marks: LightMarks
) -> tuple[LightOnPaper, Vector, bool]:
    """The light by ruler, the way to it, and whether it is a lamp."""
    light = tone.light
    if isinstance(light, SunLight):
        place = Point(light.x_mm, light.y_mm)
        before = 1.0 if light.y_mm < scene.main.eye_level_mm else -1.0
        toward = times((place.x, place.y, 1.0), before)
        return sun_at(place, scene.main.eye_level_mm), toward, False
    if isinstance(light, LampLight):
        block, part = _lamp_block(scene, light)
        assert marks is not None
        middle, foot = marks
        space = [(x / n, y / n, 1.0 / n) for (x, y, _), n in block.corners(part.stage)]
        (one, opposite), _ = THROUGH
        within = times(plus(space[one], space[opposite]), 0.5)
        return LightOnPaper(middle.at, foot.at), within, True
    aside = _aside(tone)
    return aside, (aside.at.x, aside.at.y, 0.0), False


def draw_shadows(
    scene: Shaded, paper: Paper, sites: Mapping[Part, Site], handed: Mapping[Part, object]
) -> None:
    """The steps of all cast shadows. Raises ExerciseError."""
    tone = scene.exercise.tone
    if tone is None or not tone.cast:
        return
    _checked(tone, scene.main)
    marks = _light_marks(scene, paper, tone, handed)
    light, toward, lamp = _on_paper(scene, tone, marks)
    casting = [
        CellShadow(made, light, toward, lamp) for _, made in _casters(scene)
        if isinstance(handed.get(made.part), FrameMarks)
    ]  # fmt: skip
    areas = [area for one in casting for area in one.areas]
    surfaces = receivers(scene)
    for one in casting:
        step = paper.begin("shadow-tips", Act.TONE, None, one.made.name)
        frame = handed[one.part]
        assert isinstance(frame, FrameMarks)
        tips = one.draw_tips(sites[one.part], frame, marks)
        step.say(_WORDS[tone_kind(tone)], count=count(len(tips)))
        step.differs(lines=count(len(tips)))
        step.check("shadow-tips-check")
        step.bulk = True
        step = paper.begin("shadow-outline", Act.TONE, None, one.made.name)
        for receiver in surfaces:
            for edge in one.edges:
                ends = tips[edge.start], tips[edge.end]
                keep_shadow(
                    paper, step, ends, one.family(edge), one.part, receiver.name, areas,
                    receiver.area,
                )  # fmt: skip
        paper.moved(Do.SHADE, (), None)
        step.say("shadow-outline")
        step.check("shadow-outline-check")
        step.bulk = True


def tone_kind(tone: ToneSpec) -> str:
    """What kind of light it is."""
    return "side" if isinstance(tone.light, str) else tone.light.kind


_WORDS = {"side": "shadow-tips-side", "sun": "shadow-tips-sun", "lamp": "shadow-tips-lamp"}


def _light_marks(
    scene: Shaded, paper: Paper, tone: ToneSpec, handed: Mapping[Part, object]
) -> LightMarks:
    """The steps that mark the light and its foot."""
    light = tone.light
    if isinstance(light, SunLight):
        step = paper.begin("light-sun", Act.TONE)
        sun = paper.measure(light.x_mm, light.y_mm)
        level = paper.beside_all(Point(0.0, scene.main.eye_level_mm), HORIZONTAL)
        foot = paper.cross(paper.upright(sun), level)
        before = light.y_mm < scene.main.eye_level_mm
        step.say(
            "light-sun" if before else "light-sun-behind", sun=sun, foot=foot,
            across=across(light.x_mm, paper.sheet), down=down(light.y_mm, paper.sheet),
        )  # fmt: skip
        step.check("light-sun-check", sun=sun, foot=foot)
        return sun, foot
    if isinstance(light, LampLight):
        block, part = _lamp_block(scene, light)
        step = paper.begin("light-lamp", Act.TONE)
        frame = handed.get(part.drawn.part)
        places = [corner for corner, _ in block.corners(part.stage)]
        known = frame if isinstance(frame, FrameMarks) else FrameMarks()
        corners = [known[k] if k in known else paper.mark(places[k]) for k in range(8)]
        (a, c), (b, d) = THROUGH
        (e, g), (f, h) = DOWN_CORNERS
        middle = paper.cross(
            paper.along(corners[a], corners[c]), paper.along(corners[b], corners[d])
        )
        foot = paper.cross(paper.along(corners[e], corners[g]), paper.along(corners[f], corners[h]))
        step.say("light-lamp", middle=middle, foot=foot, lamp=part.drawn.name)
        step.check("light-lamp-check", middle=middle, foot=foot)
        return middle, foot
    return None
