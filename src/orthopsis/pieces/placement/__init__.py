"""Where a piece takes hold of the sheet: on a front, on an edge, on the lines of another; a word.

A placement knows where its block lies, once for the picture (`frame`) and once by ruler (`corners`,
`lay_out`), its grips, and what a moved viewer sees. May import construction and perspective. Start
with `placement`, then `front`.
"""
