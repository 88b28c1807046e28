"""From a picture file to a straightened sheet: opened, found on its desk, laid flat, its code read.

Knows no exercise but the size of its paper. Start with `find_sheet`.
"""
