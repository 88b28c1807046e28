"""The compiled kernel made ready.

What was compiled is kept on disk, so that this module, run once in a process of its own, spares the
server both the work and the waiting.
"""

from __future__ import annotations

import os

from orthopsis.perspective.area import Area, quarter_between
from orthopsis.perspective.stroke import Part
from orthopsis.picture import compiled
from orthopsis.picture.curved_prism import CurvedPrism
from orthopsis.picture.solid import prism
from orthopsis.picture.visibility import Sight


def load() -> None:
    """Use the compiled kernel from now on, once it is ready to answer."""
    compiled.use(ready())


def ready() -> compiled.Kernel:
    """The compiled kernel after one small drawing, for which the compiler has done everything."""
    made = compiled.translated()
    square = [(0.0, 0.0, 1.0), (9.0, 0.0, 1.0), (9.0, 9.0, 1.0), (0.0, 9.0, 1.0)]
    box = prism(Part("box"), [square], [["free"] * 4], (4.0, 4.0, 1.0), "free")
    bend = quarter_between((0.0, 9.0), (0.0, 0.0), (9.0, 0.0))
    area = Area((((0.0, 9.0), (9.0, 0.0), (9.0, 9.0)),), {(0, 0): bend})
    across, down = (1.0, 0.0, 0.0), (0.0, 1.0, 0.0)
    letter = CurvedPrism(
        Part("letter"), (2.0, 2.0, 1.5), across, down, area, ("free",) * 3, (4.0, 4.0, 1.0), "free"
    )
    Sight([box, letter], kernel=made).hidden()
    return made


if __name__ == "__main__":
    # Whoever draws meanwhile goes first.
    os.nice(15)
    ready()
