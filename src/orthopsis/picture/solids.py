"""What a picture can show."""

from __future__ import annotations

from orthopsis.picture.curved_prism import CurvedPrism
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.picture.solid import Solid

AnySolid = Solid | RoundSolid | CurvedPrism


def is_patch(solid: AnySolid) -> bool:
    """Whether it is a piece of the ground, which has but one face and lies behind what floats."""
    return isinstance(solid, Solid) and len(solid.faces) == 1 and solid.floating


def is_card(solid: AnySolid) -> bool:
    """Whether it is flat and drawn by hand."""
    return isinstance(solid, Solid) and any(edge.by_hand for edge in solid.edges)
