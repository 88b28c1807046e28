"""What lies straight below or above a mark, on a floor or on a top: by level lines that meet on the
eye level, and by the walls of a room.

Source: parallel lines of two levels lead to one point of the eye level; handbooks of perspective
(from memory).
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.exercise.receivers import Placed, Receiver, Surfaces, stage_of
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE, HORIZONTAL
from orthopsis.pieces.kinds.room import Room
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.placement import BlockPlacement

Upright = tuple[Mark, Mark]
"""Two marks, one straight above the other."""
LEVEL_MM = 1e-6
"""A line that rises by less leads to no point of the eye level."""


class BelowThings:
    """Finds places under what stands on a top or hangs in a room."""

    def __init__(self, scene: Surfaces, paper: Paper, handed: Mapping[Part, object]) -> None:
        self.scene, self.paper, self.handed = scene, paper, handed
        self._plans: dict[str, RoomPlan] = {}

    def way(self, number: int) -> str:
        """How a thing is held: on a top, a wall or the ceiling."""
        part = self.scene.parts[number]
        if part.stage.hung is None:
            return "top"
        surface = (self.scene.pieces[part.number].on or "").rpartition("/")[2]
        return surface if surface == "ceiling" else "wall"

    def finder(self, number: int) -> Callable[[Mark], Mark]:
        """Finds the place on the floor under a mark at the foot of that part's thing."""
        scene, part = self.scene, self.scene.parts[number]
        piece = scene.pieces[part.number]
        name, _, surface = (piece.on or "").partition("/")
        assert isinstance(piece.place, BlockPlacement)
        if part.stage.hung is None:
            uprights = self.uprights_of(name)
        else:
            corners = marks_of(self.paper, piece.place, part, self.handed)
            left, _, right, _ = self.plan(name).of(corners, surface)
            uprights = [(corners[3], left), (corners[2], right)]
        return lambda mark: self.level_with(uprights, mark)

    def on_top(self, receiver: Receiver, foot: Mark) -> Mark:
        """The place on a top straight above one on the floor."""
        assert receiver.base is not None
        name = self.scene.pieces[receiver.base.number].id
        return self.level_with([(low, top) for top, low in self.uprights_of(name)], foot)

    def uprights_of(self, name: str) -> list[Upright]:
        """Two uprights of a block, each from the top."""
        part = next(one for one in self.scene.parts if self.scene.pieces[one.number].id == name)
        place = self.scene.pieces[part.number].place
        assert isinstance(place, BlockPlacement)
        corners = marks_of(self.paper, place, part, self.handed)
        return [(corners[0], corners[3]), (corners[1], corners[2])]

    def plan(self, room: str) -> RoomPlan:
        """Plans on the floor of that room."""
        if room not in self._plans:
            one = next(one for one in self.scene.pieces if isinstance(one, Room) and one.id == room)
            self._plans[room] = RoomPlan(self.scene, self.paper, one, self.handed)
        return self._plans[room]

    def level_with(self, uprights: Sequence[Upright], mark: Mark) -> Mark:
        """What lies plumb with a mark, and level with the second ends of some uprights whose first
        ends are level with it.
        """
        paper = self.paper
        first, second = max(uprights, key=lambda pair: abs(pair[0].at.x - mark.at.x))
        if distance(first.at, mark.at) < LEVEL_MM:
            return second
        if abs(first.at.y - mark.at.y) < LEVEL_MM:
            return paper.cross(paper.level(second), paper.upright(mark))
        level = paper.beside_all(Point(0.0, self.scene.main.eye_level_mm), HORIZONTAL)
        goal = paper.cross(paper.along(first, mark), level)
        return paper.cross(paper.along(second, goal), paper.upright(mark))


def marks_of(
    paper: Paper, block: BlockPlacement, part: Placed, handed: Mapping[Part, object]
) -> list[Mark]:
    """The eight corners of a block, those that do not show included."""
    frame = handed.get(part.drawn.part)
    known = frame if isinstance(frame, FrameMarks) else FrameMarks()
    places = [corner for corner, _ in block.corners(part.stage)]
    return [known[k] if k in known else paper.mark(places[k]) for k in range(8)]


def crossing(paper: Paper, ends: Sequence[Mark]) -> Mark:
    """Where two diagonals cross, each given by its ends."""
    a, c, b, d = ends
    return paper.cross(paper.along(a, c), paper.along(b, d))


class RoomPlan:
    """The plan on the floor of what hangs in a room."""

    def __init__(
        self, scene: Surfaces, paper: Paper, room: Room, handed: Mapping[Part, object]
    ) -> None:
        self.paper, self.room = paper, room
        self.walls = room.place.walls(stage_of(room, scene))
        frame, corners = handed.get(room.part), room.place.corners()
        known = frame if isinstance(frame, FrameMarks) else FrameMarks()
        self.marks = [known[k] if k in known else paper.mark(c) for k, c in enumerate(corners)]
        self.goals = {vp.name: paper.mark(vp.at) for vp in scene.main.level_points}

    def of(self, corners: Sequence[Mark], surface: str) -> list[Mark]:
        """The feet of a block's corners 0 and 5, 1 and 4."""
        if surface == "ceiling":
            return [self._round(corners[k]) for k in (0, 5, 1, 4)]
        # Two corners lie on the wall, straight above its foot; the others come out from there.
        against = {"left": (0, 4), "right": (1, 5), "back": (4, 5)}
        pairs = {"left": ((0, 1), (4, 5)), "right": ((1, 0), (5, 4)), "back": ((4, 0), (5, 1))}
        if len(self.walls) == 2:
            against, pairs = {"left": (0, 4), "right": (5, 4)}, {
                "left": ((0, 1), (4, 5)), "right": ((5, 1), (4, 0)),
            }  # fmt: skip
        foot_line = self.foot_of(surface)
        feet = {
            k: self.paper.cross(self.paper.upright(corners[k]), foot_line) for k in against[surface]
        }
        for known, wanted in pairs[surface]:
            out = self._out(surface, feet[known])
            feet[wanted] = self.paper.cross(out, self.paper.upright(corners[wanted]))
        return [feet[k] for k in (0, 5, 1, 4)]

    def _round(self, mark: Mark) -> Mark:
        """From the ceiling to a side wall, down it, and back along the floor."""
        paper = self.paper
        wall = paper.cross(self._out("right", mark), self._upper("right"))
        low = paper.cross(paper.upright(wall), self.foot_of("right"))
        found = paper.cross(self._out("right", low), paper.upright(mark))
        for start, end in ((mark, wall), (wall, low), (low, found)):
            paper.light(start.at, end.at, FREE, None)
        return found

    def foot_of(self, surface: str) -> Ruled:
        """The line in which a wall meets the floor."""
        wall = self.walls[surface]
        return self._toward(self.marks[wall.corner], wall.goal.name)

    def _upper(self, surface: str) -> Ruled:
        """The line in which a side wall meets the ceiling."""
        wall = self.walls[surface]
        return self._toward(self.marks[0 if len(self.walls) == 2 else 1], wall.goal.name)

    def _out(self, surface: str, mark: Mark) -> Ruled:
        """Square out from a wall, through a mark."""
        goals = [name for name in self.goals if name != self.walls[surface].goal.name]
        return self._toward(mark, goals[0] if goals else HORIZONTAL)

    def _toward(self, mark: Mark, family: str) -> Ruled:
        if family == HORIZONTAL:
            return self.paper.level(mark)
        return self.paper.lay(mark, self.goals[family])
