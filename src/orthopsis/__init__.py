"""Orthopsis: perspective exercises, built, taught, printed and judged.

Packages import only from those above them: perspective, picture | construction,
pieces, exercise, handout, marking, school, web. Start reading at `perspective`.
"""

__version__ = "0.1.0"
