"""What runs over the ground to a point of the eye level: a way, or a line of posts."""

from __future__ import annotations

from typing import Annotated, Literal

from orthopsis.perspective.view import VanishingPoint, View
from orthopsis.phrase import say
from orthopsis.pieces.base import Stage
from orthopsis.pieces.placement.placement import Placement
from orthopsis.pieces.roles import FieldRole


class ToPoint(Placement):
    """The point that something runs `to`."""

    to: Annotated[Literal["VP1", "VP2"], FieldRole.CHOICE] = "VP1"

    def goal(self, stage: Stage) -> VanishingPoint:
        """That point. Raises ExerciseError."""
        found = [vp for vp in stage.view.level_points if vp.name.endswith(self.to)]
        if not found:
            raise stage.refuse("to", say("refused-no-such-point"))
        return found[0]

    def goal_in(self, view: View) -> VanishingPoint:
        """The same point as another viewer has it."""
        return view.level_points[0 if self.to == "VP1" else -1]

    def across(self, stage: Stage) -> VanishingPoint | None:
        """The point of lines straight across; None where they are level."""
        goal = self.goal(stage)
        return next((vp for vp in stage.view.level_points if vp != goal), None)
