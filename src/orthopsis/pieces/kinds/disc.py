"""The disc of a little planet: a circle behind the towers that stand out from it all round."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise
from typing import Annotated, ClassVar, Literal, Self

from orthopsis.construction.moves import Act
from orthopsis.construction.order import Body, Hull, SeenLine, Shown
from orthopsis.construction.places import across, down
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View, eye_space, on_paper
from orthopsis.phrase import Length
from orthopsis.picture.solid import card
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Grip, Measures, PaperLength, Site, Stage
from orthopsis.pieces.kinds.sketch import BEHIND, FAR
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.round import Centre, RoundPlace
from orthopsis.pieces.roles import Editor, FieldRole

WITHIN_MM = 0.02
"""So near the true circle its chords are."""
HILLS = 11
"""So many hills has the land round the planet."""


class Disc(Piece, Drawn):
    """A circle round a `centre`, with wavy land so high round it, drawn by hand. It lies behind all
    that stands; the towers on it are shapes and drums whose fronts face us.
    """

    wrong_form: ClassVar = "refused-form-of-a-disc"

    kind: Literal["disc"]
    standing: Annotated[Literal["floating"], FieldRole.CHOICE] = "floating"
    land_mm: Annotated[PaperLength | None, Editor.SWITCH] = None
    place: RoundPlace

    @property
    def part(self) -> Part:
        """It is drawn as one."""
        return Part(self.id)

    def _round(self, radius_mm: float, wave_mm: float = 0.0) -> list[XY]:
        """Places of a closed line round the middle, the first again at the end."""
        centre = self.place.centre
        apart = math.acos(1.0 - min(1.0, WITHIN_MM / radius_mm))
        count = max(24, math.ceil(math.pi / apart))
        found = []
        for k in range(count + 1):
            turn = math.tau * (k % count) / count
            far = radius_mm + wave_mm * (0.55 + 0.45 * math.sin(HILLS * turn))
            found.append((centre.x_mm + far * math.cos(turn), centre.y_mm + far * math.sin(turn)))
        return found

    @property
    def _lines(self) -> list[list[XY]]:
        """The circle, and the land round it."""
        radius_mm = self.place.radius_mm
        land = [self._round(radius_mm, self.land_mm)] if self.land_mm else []
        return [self._round(radius_mm), *land]

    def _depth(self, stage: Stage) -> float:
        return FAR * (1.0 + BEHIND * stage.number)

    def hand_rooms(self, stage: Stage) -> Sequence[Sequence[XY]]:
        del stage
        far = self.place.radius_mm + 2.0 * (self.land_mm or 0.0)
        x, y = self.place.centre.x_mm, self.place.centre.y_mm
        return [((x - far, y - far), (x + far, y - far), (x + far, y + far), (x - far, y + far))]

    def solids(self, stage: Stage) -> list[AnySolid]:
        """A round card."""
        depth = self._depth(stage)
        lines = [[eye_space(Point(*place), depth) for place in line] for line in self._lines]
        return [card(self.part, lines[0][:-1], lines)]

    def body(self, stage: Stage) -> Body:
        """The same on paper."""
        nearness = 1.0 / self._depth(stage)
        (corners,) = self.hand_rooms(stage)
        hull = Hull(tuple((Point(*corner), nearness) for corner in corners), ((0, 1, 2, 3),))
        lines = self._lines
        edges = tuple(
            SeenLine(ends, (nearness, nearness)) for line in lines for ends in pairwise(line)
        )
        return Body(
            part=self.part, name=self.name, corners=hull.corners, faces=hull.faces,
            show=lambda: Shown((Area((tuple(lines[0][:-1]),)),), edges),
            transparent=False, floating=False, ground=True,
        )  # fmt: skip

    def build(self, site: Site) -> None:
        """The circle round a roll of tape, and the land by hand."""
        paper, place = site.paper, self.place
        step = site.begin("disc", Act.SETTING)
        # Whole and light first: what will stand on it covers some of it.
        paper.draw_lightly(self._lines[0], Part(self.id, 1))
        paper.keep_by_hand(self._lines[:1], site.body)
        step.say(
            "disc",
            across=across(place.centre.x_mm, paper.sheet), radius=Length(place.radius_mm),
            down=down(place.centre.y_mm, paper.sheet), wide=Length(2 * place.radius_mm),
        )  # fmt: skip
        step.check("disc-first-check")
        step.bulk = True

    def finish(self, site: Site) -> None:
        """What shows of the circle between the towers, and the land."""
        paper = site.paper
        step = site.begin("disc-finish", Act.INK)
        step.say("disc-finish")
        if self.land_mm:
            paper.keep_by_hand(self._lines[1:], site.body)
            step.say("disc-land", high=Length(self.land_mm))
        step.check("disc-check")
        step.bulk = True
        paper.tidy(site.part)
        paper.tidy(Part(self.id, 1))

    def switched_on(self, field: str, stage: Stage) -> Self:
        if field != "land_mm":
            return super().switched_on(field, stage)
        return self.model_copy(update={field: max(2.0, round(self.place.radius_mm / 6.0))})

    def grips(self, stage: Stage) -> list[Grip]:
        return self.place.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        """The same circle seen from elsewhere."""
        centre, depth = self.place.anchor, self._depth(stage)
        there = stage.view.place_seen_by(view, eye_space(centre, depth))
        x, y = on_paper(there)
        grown = depth / there[2]
        changed: dict[str, Measures | float] = {
            "centre": Centre(x_mm=x, y_mm=y), "radius_mm": self.place.radius_mm * grown,
        }  # fmt: skip
        return self.placed(self.place.model_copy(update=changed))
