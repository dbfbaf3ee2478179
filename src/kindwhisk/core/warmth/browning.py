"""Browning of a surface: sugars and proteins colour by temperature and time."""

import math

BROWN_AT_C, BROWN_PER_K = 140.0, 18.0
"""A surface browns by one measure in a second at 140 C, and e times as fast for each 18 K more. Recalled: browning
doubles every 10 to 15 K."""


def browning_rate(surface_c: float) -> float:
    """Measures in a second at a temperature (C)."""
    return math.exp((surface_c - BROWN_AT_C) / BROWN_PER_K)
