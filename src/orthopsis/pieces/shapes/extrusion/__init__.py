"""Profiles on a face of a block, swept back: letters, and any outline.

`profile` is the shape as data, `model` its solid and its body, `visible` what it shows of itself;
`construct` leads through the steps: on the `face`, along the lines back, `behind` it.
"""
