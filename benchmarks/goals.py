"""Whether a goal is reached, in a word."""

from __future__ import annotations


def met(reached: bool) -> str:
    """The word that stands behind a figure and its goal."""
    return "met" if reached else "missed"
