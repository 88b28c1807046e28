"""The geometry of seeing: sheets, points and lines on paper, views and their vanishing points.

Pure arithmetic: no file, no clock, no document; imports nothing of ours.
Start with `view.View`; `plane` is the ruler's geometry, `eye_space` the solid one.
"""
