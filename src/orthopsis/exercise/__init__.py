"""The exercise document: its model, reading and writing, what it resolves into, and advice.

Imports the pieces and what lies above them. Start with `document.Exercise`, then `resolve`.
"""
