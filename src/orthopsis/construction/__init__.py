"""The construction: the ruler-and-pencil moves that make a drawing, grouped into steps.

Never looks at the picture; imports `perspective` alone. It measures, aims, cuts and crosses lines
on the paper as a pupil does. Start with `paper.Paper`; `wording` puts measures into words.
"""
