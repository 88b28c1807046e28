"""A good start, and the parts that its document is written of."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data


@dataclass(frozen=True, eq=False)
class Recipe:
    """A start: what pupils learn by it, and why it is measured so."""

    name: str
    learn: str
    why: str
    data: dict[str, Any]

    @property
    def document(self) -> Exercise:
        """A fresh document of this recipe."""
        return from_data(self.data)


def document(title: str, age: int, view: dict[str, Any], *pieces: Any, **more: Any) -> Any:
    return {
        "format": "orthopsis-exercise", "version": 1, "title": title, "age": age,
        "sheet": {"size": "A3", "orientation": "landscape"},
        "wording": {"units": "cm", "reading": "simple" if age < 11 else "full"},
        "view": view, "pieces": list(pieces), **more,
    }  # fmt: skip


def one(level: float, vp: float = 210, distance: float = 300, high: float = 150) -> Any:
    return {"kind": "one-point", "eye_level_mm": level, "vanishing_point_mm": vp,
            "viewing_distance_mm": distance, "eye_height_mm": high}  # fmt: skip


def two(level: float, left: float, right: float, high: float = 150) -> Any:
    return {"kind": "two-point", "eye_level_mm": level, "left_vp_mm": left, "right_vp_mm": right,
            "eye_height_mm": high}  # fmt: skip


def three(level: float, left: float, right: float, third: tuple[float, float]) -> Any:
    return {"kind": "three-point", "eye_level_mm": level, "left_vp_mm": left,
            "right_vp_mm": right, "third_vp_mm": list(third), "eye_height_mm": 300}  # fmt: skip


def front(x: float, y: float, wide: float, high: float) -> dict[str, float]:
    return {"x_mm": x, "y_mm": y, "width_mm": wide, "height_mm": high}


def edge(x: float, top: float, bottom: float) -> dict[str, float]:
    return {"x_mm": x, "top_mm": top, "bottom_mm": bottom}


def along(mm: float) -> dict[str, float]:
    return {"along_mm": mm}


def windows(
    name: str, wall: str, storeys: int, sill: float, high: float, count: int, **more: Any
) -> dict[str, Any]:
    """So many windows in each storey of a wall."""
    return {
        "kind": "panel",
        "id": name,
        "on": wall,
        "look": "windows",
        "storeys": storeys,
        "sill_mm": sill,
        "height_mm": high,
        "bays": {"count": count},
        **more,
    }


def door(wall: str, begins: float, ends: float, high: float, **more: Any) -> dict[str, Any]:
    """A door in a wall, by how far along its foot it begins and ends."""
    return {
        "kind": "panel",
        "id": "door",
        "on": wall,
        "look": "door",
        "from": along(begins),
        "to": along(ends),
        "height_mm": high,
        **more,
    }
