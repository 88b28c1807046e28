"""The drawing for a plotter or cutter: DXF in millimetres, one layer per family and role."""

from __future__ import annotations

import io
import re
from collections.abc import Sequence
from itertools import groupby

from ezdxf import units
from ezdxf.document import Drawing
from ezdxf.filemanagement import new

from orthopsis.exercise.resolve import Scene
from orthopsis.handout.figure import INK, family_colour
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Role, Stroke


def to_dxf(scene: Scene, strokes: Sequence[Stroke]) -> str:
    """The strokes as lines, curves as polylines; y runs up the sheet from its lower edge."""
    drawing = new("R2010", units=units.MM)
    space, height = drawing.modelspace(), scene.sheet.height_mm
    width = scene.sheet.width_mm

    def up(xy: XY) -> XY:
        return xy[0], height - xy[1]

    edge = [(0.0, 0.0), (width, 0.0), (width, height), (0.0, height)]
    space.add_lwpolyline(edge, close=True, dxfattribs={"layer": _layer(drawing, "sheet", INK)})
    for (_, curve), group in groupby(strokes, key=lambda s: (s.curve is None, s.curve)):
        chords = list(group)
        if curve is not None:
            places = [up(chords[0].start), *(up(chord.end) for chord in chords)]
            space.add_lwpolyline(places, dxfattribs={"layer": _stroke_layer(drawing, chords[0])})
            continue
        for line in chords:
            layer = _stroke_layer(drawing, line)
            space.add_line(up(line.start), up(line.end), dxfattribs={"layer": layer})
    text = io.StringIO()
    drawing.write(text)
    return text.getvalue()


def _stroke_layer(drawing: Drawing, stroke: Stroke) -> str:
    colour = INK if stroke.role is Role.OUTLINE else family_colour(stroke.family)
    return _layer(drawing, f"{stroke.family} {stroke.role}", colour)


def _layer(drawing: Drawing, name: str, colour: str) -> str:
    # A view's or piece's name is parted from its point's by a colon, which layers may not have.
    name = re.sub(r"[<>/\\\":;?*|=']+", " ", name)
    if name not in drawing.layers:
        red, green, blue = bytes.fromhex(colour[1:])
        drawing.layers.add(name).rgb = (red, green, blue)
    return name
