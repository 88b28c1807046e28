"""What is drawn as a house: a building by itself, or one of a row."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Sequence

from orthopsis.construction.order import Body
from orthopsis.perspective.segments import XY, Segment
from orthopsis.perspective.view import VanishingPoint
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, OpenFace, Site, Stage
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.roles import Path
from orthopsis.pieces.shapes.house.build import draw_house
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.lettering import Lettering
from orthopsis.pieces.shapes.house.open_faces import ON_WALLS, open_faces
from orthopsis.pieces.shapes.house.pattern import Pattern
from orthopsis.pieces.shapes.house.planes import hip_points
from orthopsis.pieces.shapes.house.shadow import HouseCasting
from orthopsis.pieces.shapes.house.walls import AROUND


class DrawnHouse(Drawn):
    """Something that stands as a house."""

    @abstractmethod
    def house(self, stage: Stage) -> House:
        """The house where it stands."""

    @property
    @abstractmethod
    def roof_path(self) -> Path:
        """Where its piece has the roof."""

    @property
    def member_name(self) -> str:
        """Which member of its piece it is, where it is one of several."""
        return ""

    @property
    def takes(self) -> tuple[str, ...]:
        """What may be put on its walls by pointing at them."""
        return ON_WALLS

    def open_faces(self, stage: Stage) -> Sequence[OpenFace]:
        return list(open_faces(self.house(stage), self.member_name, self.takes))

    def slope_points(self, stage: Stage) -> Sequence[VanishingPoint]:
        house = self.house(stage)
        return [*house.slope_points(), *hip_points(house)]

    def found_points(self, stage: Stage) -> Sequence[tuple[Path, VanishingPoint]]:
        return [((*self.roof_path, "far"), one) for one in self.house(stage).found_points()]

    def by_hand(self, stage: Stage) -> Sequence[Sequence[XY]]:
        house = self.house(stage)
        letterings = (one for one in house.patterns if isinstance(one, Lettering))
        return [
            *house.by_hand(),
            *(
                outline
                for one in letterings
                if house.faces_us(AROUND.index(one.strip.wall(house.walls).corners))
                for outline in one.by_hand(house)
            ),
        ]

    def fills(self, stage: Stage) -> Sequence[Segment]:
        house = self.house(stage)
        patterns = (one for one in house.patterns if isinstance(one, Pattern))
        return [line for pattern in patterns for line in pattern.on_paper(house)]

    def filled(self, stage: Stage) -> Sequence[Sequence[XY]]:
        house = self.house(stage)
        patterns = (one for one in house.patterns if isinstance(one, Pattern))
        return [pattern.outline(house) for pattern in patterns]

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The house as one solid, with the lines in its walls."""
        return [self.house(stage).solid()]

    def casting(self, stage: Stage) -> HouseCasting:
        return HouseCasting(self.part, self.name, self.house(stage))

    def body(self, stage: Stage) -> Body:
        """The house by ruler."""
        return self.house(stage).body()

    def build(self, site: Site) -> FrameMarks:
        """Walls, roof, what lies in them."""
        return draw_house(self.house(site.stage), site)
