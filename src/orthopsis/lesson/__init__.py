"""From a construction to what a teacher says: its order, what is said once, and its letters.

A construction is a proof and a lesson is shorter. Nothing here changes a line: steps change
places, equal ones become one with a table of what differs, and only places that are spoken of
have letters.
"""
