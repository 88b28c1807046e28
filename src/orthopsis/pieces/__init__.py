"""What can stand on a sheet: `placement` says where, `shapes` what, `kinds` put both together.

Each kind is one module in `kinds` with its fields (pydantic), its solid (for the picture) and its
construction (for the steps); the last two never look at each other. Imports perspective, picture,
construction. Start with `kinds.box`; a new kind is one module there and a line in `registry`.
"""
