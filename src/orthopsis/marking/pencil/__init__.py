"""From a straightened sheet to strokes: pieces of line, joined and fitted to the pencil's middle.

Knows no exercise. May import sheet. Start with `find_strokes`.
"""
