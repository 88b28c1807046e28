"""Where the steps of a staircase lie among the planes of its block, counted as one climbs."""

from __future__ import annotations

from dataclasses import dataclass

from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, Knot
from orthopsis.pieces.shapes.made.flight_parting import Turn
from orthopsis.pieces.shapes.made.model import Made


@dataclass(frozen=True)
class FlightPlan:
    """A flight that climbs along a way, to its `far` end or back to its near one."""

    made: Made
    way: int
    far: bool
    turn: Turn | None

    @property
    def other(self) -> int:
        """The other level way."""
        return AWAY if self.way == ACROSS else ACROSS

    @property
    def risers(self) -> int:
        return self.made.parting.end[DOWN] - self.made.parting.first[DOWN]

    @property
    def treads(self) -> int:
        """As many as risers, one less against a landing."""
        return self.risers - (self.turn is not None)

    @property
    def side(self) -> int:
        """The plane of the side on which the steps are found, across or away: that which shows."""
        made = self.made
        near, far = made.parting.first[self.other], made.parting.end[self.other]
        if self.way == ACROSS or made.on_edge:
            return near
        assert isinstance(made.place, OnFront)
        right_mm = made.place.front.corners[1].x
        return far if made.stage.view.level_points[0].at.x > right_mm else near

    def plane(self, along: int) -> int:
        """The number of the plane so many steps along."""
        return along if self.far else self.made.parting.last[self.way] - along

    def row(self, down: int) -> int:
        """The number of the plane so many risers below the top of the flight."""
        return self.made.parting.first[DOWN] + down

    def at(self, along: int, down: int, aside: int) -> Knot:
        """The knot in three planes."""
        return (along, down, aside) if self.way == ACROSS else (aside, down, along)

    def knot(self, along: int, down: int) -> Knot:
        """A knot of the side, so many steps along and so many risers below the top."""
        return self.at(self.plane(along), self.row(down), self.side)

    # --- the second flight ---------------------------------------------------------------------

    @property
    def start(self) -> int:
        """The plane, of the other way, in which the second flight begins."""
        far = self.turn is not None and self.turn.far
        return (self.made.parting.end if far else self.made.parting.first)[self.other]

    def aside(self, steps: int) -> int:
        """The plane so many steps up the second flight."""
        return self.start + (steps if self.turn and self.turn.far else -steps)

    @property
    def last_along(self) -> int:
        """How many planes along the landing ends."""
        return self.made.parting.last[self.way]

    def second(self, along: int, down: int, steps: int) -> Knot:
        """A knot of the second flight."""
        return self.at(self.plane(along), self.row(down), self.aside(steps))

    # --- the rails -----------------------------------------------------------------------------

    @property
    def noses(self) -> list[tuple[Knot, Knot]]:
        """The first nose and the last of each flight, on the side where its steps are found."""
        last = self.treads if self.turn else self.treads - 1
        found = [(self.knot(0, self.risers - 1), self.knot(last, 0))]
        if self.turn and self.turn.risers > 1:
            # The inner side of the second flight.
            along = self.last_along - 1
            first = self.second(along, -1, 0)
            found.append((first, self.second(along, -self.turn.risers, self.turn.risers - 1)))
        return found
