"""What can stand on a sheet: one module per kind of thing.

Each piece knows its measures (pydantic), its solid (for the picture) and its construction (for the
steps); the two never look at each other. Imports perspective, picture and construction.
Start with `box`; a new kind is one module here and one line in `registry`.
"""
