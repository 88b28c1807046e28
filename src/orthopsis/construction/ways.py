"""How things are drawn where teachers differ."""

from __future__ import annotations

from typing import NamedTuple


class Ways(NamedTuple):
    """How things are done where teachers differ; left out, exactly and with short lines."""

    quick_circles: bool = False
    """Through the four middles of the square alone."""
    quick_curves: bool = False
    """Rounded by hand through one mark that the eye chooses."""
    corners: bool = False
    """One corner of a face is finished before the next is begun."""
    long_guides: bool = False
    """Guide lines are drawn all the way to their point, or to the sheet's edge."""
    casts: bool = False
    """Things cast shadows, so that hidden corners are found as well."""
