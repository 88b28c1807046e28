"""From strokes to verdicts: the answer key, the families, each line's angle.

How much a sheet's places prove depends on what was given (`given`). May import pencil and sheet.
Start with `answer_key`, then `verdicts`.
"""
