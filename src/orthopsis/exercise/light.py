"""Where the light of a document comes from, in space and on paper."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from orthopsis.pieces.base import Across, Down, Measures, Reference
from orthopsis.pieces.roles import FieldRole


class SideLight(Measures):
    """Along the sheet, from the left or the right; `rise_deg` is how steeply it falls."""

    kind: Literal["side"]
    from_: Annotated[Literal["left", "right"], Field(alias="from"), FieldRole.CHOICE] = "left"
    rise_deg: Annotated[float, Field(ge=5, le=85), FieldRole.FIXED] = 45.0


class SunLight(Measures):
    """A sun at a place of the sheet; below the eye level it stands behind us."""

    kind: Literal["sun"]
    x_mm: Across
    y_mm: Down


class LampLight(Measures):
    """A lamp: the middle of one of the pieces."""

    kind: Literal["lamp"]
    piece: Reference


LightSpec = Annotated[SideLight | SunLight | LampLight, Field(discriminator="kind")]
