"""Good starts with boxes, letters, shapes and round things."""

from __future__ import annotations

from orthopsis.exercise.recipes.one import Recipe, document, edge, front, one, three, two

THINGS: tuple[Recipe, ...] = (
    Recipe(
        "one-box",
        "The first box: a front face, four lines to one point, and a back.",
        "The front is 8 × 6 cm, so every corner lies on a whole centimetre. It stands low and to "
        "the left: the top and the right side show, both wide enough to draw on.",
        document("My first box", 8, one(100, 270), {
            "kind": "box", "id": "box", "standing": "ground",
            "front": front(80, 170, 80, 60), "depth": {"along_mm": 60}}),
    ),
    Recipe(
        "three-boxes",
        "What shows above, on and below the eye level.",
        "Three equal squares of 6 cm, one above, one across and one below the line, on both "
        "sides of the point, so that undersides, tops and both side walls are met.",
        document("Above, on and below", 9, one(150), *(
            {"kind": "box", "id": name, "front": front(x, y, 60, 60), "depth": {"along_mm": 45}}
            for name, x, y in (("upper", 60, 30), ("middle", 320, 120), ("lower", 60, 215)))),
    ),
    Recipe(
        "cubes",
        "True depth: a cube that really is one.",
        "The distance points lie 20 cm left and right of the point, at the ends of a 40 cm line "
        "that fits the sheet. A corner joined to the opposite one cuts the cube's true depth.",
        document("True cubes", 13, one(100, 210, 200, 180), *(
            {"kind": "box", "id": name, "standing": "ground", "front": front(x, y, 60, 60),
             "depth": {"true_mm": 60}}
            for name, x, y in (("left cube", 90, 190), ("right cube", 230, 215)))),
    ),
    Recipe(
        "initial",
        "A block letter: which corners send a line, and which are hidden.",
        "One letter 12 cm high, so the youngest have room. The point lies below and to the right: "
        "two sides show, and the inner corners stop some lines.",
        document("My initial", 9, one(240, 330), {
            "kind": "letters", "id": "initial", "text": "E",
            "front": {"x_mm": 80, "y_mm": 50, "height_mm": 120}, "depth": {"along_mm": 60}}),
    ),
    Recipe(
        "name",
        "A name in block letters, a sheet of its own for each pupil.",
        "Letters 9 cm high, so strokes and bars fall on half centimetres; the point "
        "lies below the word's middle, so that letters left and right of it show different sides.",
        document("Names in the air", 10, one(230, 210), {
            "kind": "letters", "id": "name", "text": "IVY",
            "front": {"x_mm": 110, "y_mm": 60, "height_mm": 90}, "depth": {"along_mm": 50}}),
    ),
    Recipe(
        "steps-from-the-side",
        "A shape swept back: steps seen from their side.",
        "Four steps of 2 cm each way: equal marks, and each corner sends a line to the point "
        "unless the shape itself is in the way.",
        document("Steps to the pond", 10, one(60, 330), {
            "kind": "outline", "id": "steps", "standing": "ground", "depth": {"along_mm": 70},
            "front": front(70, 160, 80, 80),
            "corners": [[0, 80], [0, 60], [20, 60], [20, 40], [40, 40], [40, 20], [60, 20],
                        [60, 0], [80, 0], [80, 80]]}),
    ),
    Recipe(
        "gable",
        "A house end facing us: the ridge goes to the point like everything else.",
        "Wall 8 cm wide and 5 cm high, peak 4 cm above the wall's middle. The back slope is "
        "parallel to the front one, because that wall stands parallel to the paper.",
        document("Potting shed", 10, one(130, 320), {
            "kind": "outline", "id": "shed", "standing": "ground", "depth": {"along_mm": 90},
            "front": front(70, 130, 80, 90),
            "corners": [[0, 40], [40, 0], [80, 40], [80, 90], [0, 90]]}),
    ),
    Recipe(
        "drums",
        "Round things: a circle in perspective by five marks.",
        "Two drums of 6 cm, one upright, one lying. The further below the eye level an end lies, "
        "the rounder it looks: compare top and foot.",
        document("Rain barrels", 12, one(60, 210, 420, 200),
            {"kind": "cylinder", "id": "barrel", "standing": "ground",
             "front": front(70, 150, 80, 90), "depth": {"true_mm": 80}},
            {"kind": "cylinder", "id": "pipe", "axis": "away", "standing": "ground",
             "front": front(270, 190, 60, 60), "depth": {"fraction": 0.4}}),
    ),
    Recipe(
        "corner-box",
        "The first box in two points: an edge, four lines, two uprights, two back edges.",
        "The points lie 10 cm outside the sheet on both sides, so the lowest corner stays blunt "
        "and nothing looks as if it tips. The edge stands a little left of the middle: one side "
        "is wider.",
        document("A box on its corner", 10, two(110, -100, 520), {
            "kind": "box", "id": "box", "standing": "ground", "edge": edge(190, 90, 220),
            "left": {"x_mm": 100}, "right": {"x_mm": 310}}),
    ),
    Recipe(
        "towers",
        "A street corner: three towers, nearest first.",
        "The middle tower is the nearest and drawn first; the others stand behind it on their own "
        "feet. Every width is a whole centimetre from the paper's edge.",
        document("Three towers", 12, two(190, -150, 570, 60),
            {"kind": "box", "id": "near tower", "standing": "ground",
             "edge": edge(200, 50, 230), "left": {"x_mm": 130}, "right": {"x_mm": 270}},
            {"kind": "box", "id": "left tower", "standing": "ground",
             "edge": edge(100, 100, 212), "left": {"x_mm": 60}, "right": {"x_mm": 135}},
            {"kind": "box", "id": "right tower", "standing": "ground",
             "edge": edge(320, 80, 212), "left": {"x_mm": 280}, "right": {"x_mm": 370}}),
    ),
    Recipe(
        "word-on-a-wall",
        "A word that shrinks to its point: letters equal in truth, smaller on paper.",
        "The edge is 12 cm, so the letters' bars lie on whole and half centimetres of it; "
        "diagonals carry them back. Thin letters I and L leave room between the others.",
        document("A word on a wall", 12, two(220, -150, 570), {
            "kind": "letters", "id": "word", "text": "TILE", "run": "right",
            "edge": edge(90, 50, 170), "length": {"x_mm": 300}, "thickness": {"x_mm": 60}}),
    ),
    Recipe(
        "from-the-roof",
        "Three points, looking down: uprights meet below.",
        "VP3 lies 24 cm below the sheet, far enough that the walls lean only a little; the "
        "triangle of the three points holds everything, so nothing is bent out of shape.",
        document("Seen from the roof", 13, three(30, -120, 540, (210, 540)),
            {"kind": "box", "id": "shed", "standing": "ground",
             "edge": {"x_mm": 230, "y_mm": 110, "length_mm": 90},
             "left": {"along_mm": 90}, "right": {"along_mm": 80}},
            {"kind": "box", "id": "hutch", "standing": "ground",
             "edge": {"x_mm": 120, "y_mm": 200, "length_mm": 30},
             "left": {"along_mm": 40}, "right": {"along_mm": 45}}),
    ),
    Recipe(
        "tower-from-below",
        "Three points, looking up: a tower that closes toward the sky.",
        "The eye level is low and VP3 lies 33 cm above the sheet. The one front edge is 22.5 cm "
        "long and reaches below the eye level, where the tower stands.",
        document("Tower from below", 13, three(260, -120, 560, (215, -330)), {
            "kind": "box", "id": "tower", "edge": {"x_mm": 200, "y_mm": 50, "length_mm": 225},
            "left": {"along_mm": 90}, "right": {"along_mm": 100}}),
    ),
)  # fmt: skip
