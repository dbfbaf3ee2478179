"""Learning from this kitchen's own bakes: time factors and personal bands."""

from __future__ import annotations

import math
import statistics
from collections.abc import Iterable, Sequence

from kindwhisk.core.ovens.degrees import DegreesSeen
from kindwhisk.core.ovens.times import BakeTime
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

PRIOR_SD = 0.15
NOISE_SD = 0.10
ENOUGH_FOR_BAND = 5


class Factor(Value):
    """Observed over expected, of a time, a share or a height, with the standard deviation of its logarithm."""

    factor: float
    log_sd: float
    bakes: int


UNLEARNED = Factor(factor=1.0, log_sd=PRIOR_SD, bakes=0)
"""Before anything was observed."""


def learned_factor(
    pairs: Iterable[tuple[float, float]], *, prior_sd: float = PRIOR_SD, noise_sd: float = NOISE_SD
) -> Factor:
    """The factor after (observed, expected) pairs: a Gaussian update of ln(observed / expected).

    Pairs without a positive time are left out.
    """
    mean, variance, bakes = 0.0, prior_sd**2, 0
    for observed, expected in pairs:
        if observed <= 0 or expected <= 0:
            continue
        gain = variance / (variance + noise_sd**2)
        mean += gain * (math.log(observed / expected) - mean)
        variance *= 1 - gain
        bakes += 1
    return Factor(factor=math.exp(mean), log_sd=math.sqrt(variance), bakes=bakes)


def corrected(duration: Estimate, pairs: Sequence[tuple[float, float]], noise_sd: float = NOISE_SD) -> Estimate:
    """A modelled duration with this kitchen's factor; unchanged without records."""
    learned = learned_factor(pairs, noise_sd=noise_sd)
    if not learned.bakes:
        return duration
    likely = duration.likely * learned.factor
    spread = math.exp(RANGE_SD * math.hypot(learned.log_sd, noise_sd)) - 1
    wide = Estimate.around(likely, spread, Basis.KITCHEN)
    return wide.model_copy(update={"bakes": learned.bakes})


def personal_band(values: Sequence[float], published: Estimate) -> Estimate:
    """The band of this kitchen's own good bakes, once there are enough; until then the published one.

    The usual range of their spread, never narrower than 4 % either side: a cup is not read better.
    """
    if len(values) < ENOUGH_FOR_BAND:
        return published
    mean = statistics.fmean(values)
    half = max(RANGE_SD * statistics.stdev(values), 0.04 * abs(mean))
    return Estimate(low=mean - half, likely=mean, high=mean + half, basis=Basis.KITCHEN, bakes=len(values))


class KitchenRecord(Value):
    """What this kitchen's finished bakes of one formula tell its next forecast.

    ``times``: (observed, modelled) seconds by step id. ``densities``: readings (g/ml) of good bakes by step id.
    ``kept``: (observed, modelled) share of the air that folds kept by step id, where both cups were read. ``heights``:
    (observed, modelled) mm of the finished, cold bakes. ``bakes`` are times in ovens, ``degrees`` what oven
    thermometers showed, ``rises`` K per minute and ``hot_sides`` by oven: of all formulas, for an oven is the same for
    all.
    """

    times: dict[str, tuple[tuple[float, float], ...]] = {}
    densities: dict[str, tuple[float, ...]] = {}
    kept: dict[str, tuple[tuple[float, float], ...]] = {}
    heights: tuple[tuple[float, float], ...] = ()
    bakes: tuple[BakeTime, ...] = ()
    degrees: tuple[DegreesSeen, ...] = ()
    rises: dict[str, float] = {}
    hot_sides: dict[str, str] = {}


NO_RECORD = KitchenRecord()
