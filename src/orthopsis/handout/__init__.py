"""Paper: drawings and steps as SVG, PNG and PDF pages.

A `figure` is a list of dumb primitives with finished values; `svg` writes them, `pages` sets the
handout. Imports the exercise and what lies above it.
"""
