"""Judging a pupil's sheet: photo, straightened sheet, pencil lines, families, verdicts, words.

Imports the exercise and what lies above it, and OpenCV; never the scanner stand-in.
Start with `judge.check_image`, which names the stations in order.
"""
