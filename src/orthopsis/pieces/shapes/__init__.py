"""What a thing is, wherever it stands: a box frame, something round, an extrusion.

A shape knows its solid for the picture, its body for the drawing order, and its construction; the
first never looks at the others. May import placement. Start with `box_frame`.
"""
