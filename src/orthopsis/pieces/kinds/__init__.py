"""The kinds of pieces, one module each: its fields, its placements, and the shape it has there.

A kind puts a placement and a shape together; it may import both, and no other kind. Start with
`box`. A new one is a module here, a line in `pieces/registry`, its phrases, an example and a page.
"""
