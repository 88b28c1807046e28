"""The picture: solids projected, with what is hidden found exactly.

Never looks at the construction; imports `perspective` alone.
Start with `drawing.draw`; `solid` is what is drawn, `hidden` decides what is seen.
"""
