"""Posts in a line: `line` is what is common to all, `post` is one of them, and what posts carry is
an `arm` across each, `rails` or `wires` from one to the next.
"""
