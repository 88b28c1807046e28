"""Houses: walls with a roof, and what lies in their faces.

`walls` names the faces, `roofs` closes them, `panels` are windows and doors; `house` is the whole.
"""
