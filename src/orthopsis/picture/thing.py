"""What a picture can show."""

from __future__ import annotations

from orthopsis.picture.bent import Bent
from orthopsis.picture.cylinder import Cylinder
from orthopsis.picture.solid import Solid

Thing = Solid | Cylinder | Bent
