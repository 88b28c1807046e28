"""What is said of a judged sheet: one module for each kind of cause, `gather` for all in order.

A finding is a code and a phrase, never a sentence. May import judging. Start with `one`.
"""
