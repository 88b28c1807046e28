"""What a picture can show."""

from __future__ import annotations

from orthopsis.picture.curved_prism import CurvedPrism
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.picture.solid import Solid

AnySolid = Solid | RoundSolid | CurvedPrism
