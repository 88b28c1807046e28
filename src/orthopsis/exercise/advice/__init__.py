"""Advice: what will look wrong although every line is right, each with its number and one remedy.

`said.advice` gathers it from `things`, `points` and `measures`. A remedy is a
change of the document, computed, or the smallest that was tried and mends.
"""

from orthopsis.exercise.advice.measures import Strip, strips
from orthopsis.exercise.advice.one import Advice
from orthopsis.exercise.advice.said import Facts, advice, facts

__all__ = ["Advice", "Facts", "Strip", "advice", "facts", "strips"]
