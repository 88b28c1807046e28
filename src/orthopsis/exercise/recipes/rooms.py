"""Good starts with rooms, furniture and stairs."""

from __future__ import annotations

from orthopsis.exercise.recipes.one import Recipe, document, edge, front, one, two

ROOMS: tuple[Recipe, ...] = (
    Recipe(
        "first-room",
        "A room seen from inside: a back wall, four lines, a table planned on the floor.",
        "The back wall is 13 × 9 cm round the point, so floor and ceiling are both wide enough to "
        "draw on. Six tiles across are 5 cm wide each on their front line.",
        document("A room", 11, one(125, 205, 300), {
            "kind": "room", "id": "room", "back": front(140, 75, 130, 90)},
            {"kind": "made", "form": "table", "id": "table", "on": "room/floor",
             "foot": {"x_mm": 130, "y_mm": 240, "width_mm": 110}, "depth": {"along_mm": 30},
             "height": {"mm": 60}, "top_mm": 5, "leg_mm": 8},
            {"kind": "panel", "id": "tiles", "on": "room/floor", "look": "tiles", "grid": [6, 8],
             "foot": {"x_mm": 55, "y_mm": 275, "width_mm": 300}}, version=2),
    ),
    Recipe(
        "potting-room",
        "A furnished room: heights chosen once and carried round, tiles by one diagonal.",
        "The bench takes its height from the back wall, 3.5 cm up there. Shelf and stool stand "
        "well apart, so each is seen from another side; the tiles stop at their feet.",
        document("The potting room", 12, one(115, 200, 280), {
            "kind": "room", "id": "potting room", "back": front(130, 65, 150, 100),
            "levels": {"bench": 35}},
            {"kind": "panel", "id": "window", "on": "potting room/back", "look": "window",
             "front": front(160, 80, 60, 40)},
            {"kind": "panel", "id": "door", "on": "potting room/right", "look": "door",
             "from": {"x_mm": 350}, "to": {"x_mm": 305}, "height_mm": 75},
            {"kind": "made", "form": "shelf", "id": "shelf", "on": "potting room/floor",
             "back": "left", "boards": 4, "foot": {"x_mm": 50, "y_mm": 225, "width_mm": 35},
             "depth": {"along_mm": 45}, "height": {"mm": 120}, "top_mm": 4, "leg_mm": 3},
            {"kind": "made", "form": "table", "id": "bench", "on": "potting room/floor",
             "foot": {"x_mm": 150, "y_mm": 240, "width_mm": 140}, "depth": {"along_mm": 30},
             "height": {"level": "bench"}, "top_mm": 6, "leg_mm": 8},
            {"kind": "made", "form": "stool", "id": "stool", "on": "potting room/floor",
             "foot": {"x_mm": 300, "y_mm": 270, "width_mm": 45}, "depth": {"true_mm": 45},
             "height": {"mm": 50}, "top_mm": 4, "leg_mm": 6},
            {"kind": "panel", "id": "tiles", "on": "potting room/floor", "look": "tiles",
             "grid": [6, 10], "chequered": True}, version=2),
    ),
    Recipe(
        "reading-corner",
        "A room in two points: each wall's lines come from the point on the other side.",
        "The corner stands left of the middle, so the right wall is the wider one. The pillar "
        "reaches the ceiling: its height goes round by the wall and comes back.",
        document("The reading corner", 13, two(110, -110, 530), {
            "kind": "room", "id": "corner",
            "corner": {"x_mm": 170, "top_mm": 55, "bottom_mm": 155}},
            {"kind": "panel", "id": "window", "on": "corner/right", "look": "window",
             "from": {"x_mm": 340}, "to": {"x_mm": 250}, "up_mm": 35, "height_mm": 40},
            {"kind": "box", "id": "pillar", "on": "corner/floor",
             "foot": {"x_mm": 320, "y_mm": 190}, "left": {"along_mm": 20},
             "right": {"along_mm": 18}, "height": {"to": "corner/ceiling"}},
            {"kind": "panel", "id": "tiles", "on": "corner/floor", "look": "tiles", "grid": [6, 6],
             "tile_mm": 25},
            {"kind": "made", "form": "chair", "id": "chair", "on": "corner/floor",
             "back": "far left", "foot": {"x_mm": 215, "y_mm": 260}, "left": {"along_mm": 45},
             "right": {"along_mm": 45}, "height": {"mm": 90}, "seat_mm": 45, "top_mm": 5,
             "leg_mm": 6}, version=2),
    ),
    Recipe(
        "lamplight",
        "A lamp under the ceiling: its foot is found round by the wall, and shadows climb it.",
        "The lamp hangs left of the table, so the table's shadow falls to the right. The parcel's "
        "begins on the table, and the niches in the wall are equally wide and deep in truth.",
        document("Lamplight", 13, one(120, 215, 300), {
            "kind": "room", "id": "room", "back": front(140, 70, 140, 105)},
            {"kind": "panel", "id": "niche", "on": "room/right", "look": "cupboard",
             "from": {"x_mm": 390}, "to": {"x_mm": 360}, "up_mm": 45, "height_mm": 35,
             "recess": {"along_mm": 10}, "repeat": {"count": 2, "toward": "away"}},
            {"kind": "box", "id": "lamp", "on": "room/ceiling", "front": front(150, 35, 30, 12),
             "depth": {"along_mm": 8}},
            {"kind": "made", "form": "table", "id": "table", "on": "room/floor",
             "foot": {"x_mm": 215, "y_mm": 250, "width_mm": 110}, "depth": {"along_mm": 30},
             "height": {"mm": 65}, "top_mm": 6, "leg_mm": 8},
            {"kind": "box", "id": "parcel", "on": "table/top", "front": front(260, 158, 30, 20),
             "depth": {"along_mm": 8}}, version=2, tone={
                "light": {"kind": "lamp", "piece": "lamp"}, "values": 3,
                "cast": ["room/floor", "room/back", "room/right", "table/top"]}),
    ),
    Recipe(
        "flight",
        "Stairs from their side: equal marks up, a slope, and steps between the two.",
        "Five steps of 1.2 cm up and 2 cm along: every riser stands on a whole centimetre, and the "
        "slope runs through all their feet.",
        document("Steps to the stage", 11, one(100, 325, 320), {
            "kind": "stairs", "id": "steps", "risers": 5, "climbs": "right", "standing": "ground",
            "front": front(90, 180, 100, 60), "depth": {"along_mm": 60}}, version=2),
    ),
    Recipe(
        "two-flights",
        "Stairs with a landing, a second flight at a right angle, and a rail along both.",
        "Risers are 1.2 cm and treads 2 cm, so every mark is a round one. The stairs are 10 cm "
        "wide in truth, the landing is just as long, and the second flight leads away from us.",
        document("Up to the loft", 13, one(80, 245, 320), {
            "kind": "stairs", "id": "stairs", "risers": 5, "climbs": "right", "standing": "ground",
            "front": front(50, 190, 80, 60), "depth": {"true_mm": 100},
            "then": {"landing": 1.0, "risers": 5, "turn": "left"}, "rail": {"mm": 30}}, version=2),
    ),
    Recipe(
        "terrace-steps",
        "Stairs in two points: a measuring line, a slope, and lines to the point between.",
        "The measuring line is 12 cm, so six steps are 2 cm each on it. They climb to the right "
        "and shrink evenly; the noses lie on a straight line, which is the check.",
        document("Terrace steps", 13, two(70, -105, 520), {
            "kind": "stairs", "id": "steps", "standing": "ground", "risers": 6, "climbs": "right",
            "edge": edge(150, 120, 240), "left": {"along_mm": 90}, "right": {"along_mm": 170}},
            version=2),
    ),
)  # fmt: skip
