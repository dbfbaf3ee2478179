"""The oven before the batter: how long it takes to be really there."""

import math

from kindwhisk.core.estimate import Basis, Estimate

SETTLE_S = 120.0
"""Walls and racks follow the air by about two minutes. Trade habit."""


def preheat_s(from_c: float, to_c: float, rise_k_per_min: float) -> Estimate:
    """Seconds from ``from_c`` until the oven holds ``to_c``; ``rise_k_per_min`` is the oven's own (about 8)."""
    warm = max(0.0, to_c - from_c) / rise_k_per_min * 60
    return Estimate.around(warm + SETTLE_S, 0.25, Basis.HABIT)


def expected_c(elapsed_s: float, from_c: float, to_c: float, rise_k_per_min: float) -> float:
    """Oven temperature ``elapsed_s`` after it was switched on: a straight line up to the setting."""
    return min(max(from_c, to_c), from_c + rise_k_per_min * elapsed_s / 60)


def seconds_to(target_c: float, reading_c: float, rise_k_per_min: float) -> float:
    """Seconds until ``target_c`` from a reading; 0 when it is there within 2 K."""
    missing = target_c - reading_c
    return 0.0 if missing <= 2 or math.isnan(missing) else missing / rise_k_per_min * 60
