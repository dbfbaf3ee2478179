"""How an oven behaves by its own probe: how fast it warms, how it swings around its mean, how fast it comes back."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

import numpy as np

from kindwhisk.core.ovens.air import bakes
from kindwhisk.core.values.model import Value

ENOUGH_S, ENOUGH_READINGS = 240.0, 20
"""An oven that was watched for less tells nothing of its swing."""
DROP_K, DROP_S = 14.0, 60.0
"""So much colder within such a time: the door was open."""
SHARE = (0.25, 0.8)
"""Warming is read off between these shares of its way: the start is slow, the end thermostat."""
REGAINED = 0.632


class OvenSeen(Value):
    """What a probe told of an oven while it heated or held.

    ``rise_k_per_min`` while heating; ``mean_c``, ``swing_k`` (half of highest minus lowest) and ``period_s`` while it
    held; ``recovers_s`` until it had made up 63 % of what the door took. None for what was not seen.
    """

    rise_k_per_min: float | None = None
    mean_c: float | None = None
    swing_k: float | None = None
    period_s: float | None = None
    recovers_s: float | None = None


Readings = Sequence[tuple[float, float]]


def heating(readings: Readings, to_c: float) -> float | None:
    """K per minute on the way up to ``to_c``; None where it was not seen."""
    if len(readings) < 5 or to_c - readings[0][1] < 40:
        return None
    start = readings[0][1]
    low, high = (start + s * (to_c - start) for s in SHARE)
    way = [(t, c) for t, c in readings if low <= c <= high]
    if len(way) < 4 or way[-1][0] <= way[0][0]:
        return None
    times, celsius = np.array([t for t, _ in way]), np.array([c for _, c in way])
    slope = float(np.polyfit(times, celsius, 1)[0]) * 60
    return slope if slope > 0 else None


def _recovery(readings: Readings) -> tuple[float | None, float]:
    """How fast it came back from the deepest drop, and when that was over (s)."""
    best: tuple[float, int, int] | None = None
    for i, (t, c) in enumerate(readings):
        for j in range(i + 1, len(readings)):
            if readings[j][0] - t > DROP_S:
                break
            drop = c - readings[j][1]
            if drop >= DROP_K and (best is None or drop > best[0]):
                best = (drop, i, j)
    if best is None:
        return None, 0.0
    drop, i, j = best
    back = readings[j][1] + REGAINED * drop
    for t, c in readings[j:]:
        if c >= back:
            return t - readings[j][0], t
    return None, readings[-1][0]


def holding(readings: Readings) -> OvenSeen:
    """What it does while something bakes: its mean and swing once the door's drop is over.

    A probe that read what no oven bakes at lay elsewhere, and tells nothing.
    """
    recovers, over = _recovery(readings)
    held = [(t, c) for t, c in readings if t >= over]
    if len(held) < ENOUGH_READINGS or held[-1][0] - held[0][0] < ENOUGH_S:
        return OvenSeen(recovers_s=recovers)
    celsius = np.array([c for _, c in held])
    mean = float(np.mean(celsius))
    if not bakes(mean):
        return OvenSeen()
    low, high = (float(v) for v in np.percentile(celsius, (5, 95)))
    swing = (high - low) / 2
    # Upward crossings of the mean with a dead band, so that noise is no cycle.
    state, crossings = 0, []
    for (_, _c), (t, c) in pairwise(held):
        if c > mean + swing * 0.3 and state <= 0:
            if state < 0:
                crossings.append(t)
            state = 1
        elif c < mean - swing * 0.3:
            state = -1
    period = (crossings[-1] - crossings[0]) / (len(crossings) - 1) if len(crossings) > 2 else None
    return OvenSeen(mean_c=mean, swing_k=swing, period_s=period, recovers_s=recovers)
