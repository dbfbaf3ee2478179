"""A temperature that closes in on another: a bowl over steam, a foam cooling under the whisk.

``ln((T - Ts)/(T0 - Ts)) = -t/tau`` (Newton). The pace is expected beforehand and learned from the readings.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate

READING_K = 0.6
CLEARLY_K = 1.0
"""Nearer to the surroundings a reading could lie on either side."""
SPREAD_OF_PACE = 0.45
SLOWEST = 6.0
"""So many times slower than expected, it is not that: the probe is elsewhere, or the heat is off. Chosen."""
LATEST = 150


def clearly(celsius: float, surroundings_c: float, to_c: float) -> bool:
    """Whether a reading lies clearly on the target's side of the surroundings."""
    gap = to_c - surroundings_c
    return (celsius - surroundings_c) * gap > CLEARLY_K * abs(gap)


def seconds_left(
    readings: Sequence[tuple[float, float]], surroundings_c: float, to_c: float, expected_tau_s: float
) -> Estimate | None:
    """Seconds from the last reading until ``to_c``; None where it hardly moves that way, or no reading lies before it.

    Args:
        readings: (seconds, C) in order; those beyond the target tell nothing of the way there.
        surroundings_c: what it closes in on.
        to_c: where it has to go.
        expected_tau_s: the time constant expected before any reading, right to within half.
    """
    gap = to_c - surroundings_c
    if gap == 0:
        return None
    own = [(t, c) for t, c in readings if (c - to_c) * gap > 0 and clearly(c, surroundings_c, to_c)][-LATEST:]
    if not own:
        return None
    now_s = own[-1][0]
    logs = [(t - now_s, math.log(abs(c - surroundings_c)), (READING_K / abs(c - surroundings_c)) ** 2) for t, c in own]
    # A line through the logarithms, with the expected pace as one more observation of its slope.
    weights = [1 / v for *_, v in logs]
    whole = sum(weights)
    mean_t = sum(w * t for w, (t, *_) in zip(weights, logs, strict=True)) / whole
    mean_y = sum(w * y for w, (_, y, _) in zip(weights, logs, strict=True)) / whole
    spread = sum(w * (t - mean_t) ** 2 for w, (t, *_) in zip(weights, logs, strict=True))
    cross = sum(w * (t - mean_t) * (y - mean_y) for w, (t, y, _) in zip(weights, logs, strict=True))
    expected = -1 / expected_tau_s
    prior = 1 / (SPREAD_OF_PACE * expected) ** 2
    slope = (cross + prior * expected) / (spread + prior)
    deviation = 1 / math.sqrt(spread + prior)
    if slope >= expected / SLOWEST:
        return None
    level = mean_y - slope * mean_t
    distance = math.log(abs(gap)) - level
    # Readings that tell nothing may have come since.
    passed = readings[-1][0] - now_s
    likely = max(0.0, distance / slope)
    share = min(0.6, RANGE_SD * deviation / abs(slope))
    least = RANGE_SD * READING_K / max(abs(gap), 1.0) / abs(slope)
    return Estimate(
        low=max(0.0, likely / (1 + share) - least - passed),
        likely=max(0.0, likely - passed),
        high=max(0.0, likely * (1 + share) + least - passed),
        basis=Basis.MEASURED,
    )
