"""Learning a sum of effects (an oven's, a mixer's, a kind's) from what was observed, exactly or from one side.

Each effect has a Gaussian prior; an observation is the sum of some effects with noise. Now and then one is simply wrong
(a forgotten timer, a slip of the finger, a tin of another batter): it is a mixture of the usual noise and of one that
spreads far wider and tells nothing. "Still raw at" bounds from one side. Observations enter as Gaussian factors found
by expectation propagation: their order does not matter, unless they fall into halves that contradict each other.

Source: Minka 2001 (expectation propagation); moments of a truncated Gaussian, published.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import NamedTuple

import numpy as np
from scipy.special import log_ndtr

WRONG_SHARE, WRONG_WIDER = 0.05, 12.0
"""So many observations in a hundred are wrong, and err so many times as widely. Chosen."""
SWEEPS, SETTLED = 20, 1e-6
"""Sweeps over all observations until the means move less than this."""


class Observation(NamedTuple):
    """A value of the sum of ``effects`` with ``noise`` (a standard deviation); with ``above`` it is only more than
    that."""

    value: float
    effects: tuple[str, ...]
    noise: float
    above: bool = False


class Belief(NamedTuple):
    """Mean and standard deviation."""

    mean: float
    sd: float


class Learned(NamedTuple):
    """What is believed of each effect, and how far each observation was trusted (0 to 1), in their order."""

    mean: Mapping[str, float]
    covariance: np.ndarray[tuple[int, int], np.dtype[np.float64]]
    names: tuple[str, ...]
    trusted: tuple[float, ...]

    def sum_of(self, effects: Sequence[str], priors: Mapping[str, float] | None = None) -> Belief:
        """Of a sum of effects; one that was never observed adds its prior's spread."""
        known = [self.names.index(e) for e in effects if e in self.names]
        variance = float(self.covariance[np.ix_(known, known)].sum()) if known else 0.0
        variance += sum((priors or {}).get(e, 0.0) ** 2 for e in effects if e not in self.names)
        return Belief(sum(self.mean.get(e, 0.0) for e in effects), math.sqrt(variance))


def _beyond(z: float) -> tuple[float, float]:
    """Of a standard normal: the share below ``z``, and the density there over that share, however small both are."""
    log_share = float(log_ndtr(z))
    return math.exp(log_share), math.exp(-z * z / 2 - math.log(2 * math.pi) / 2 - log_share)


def _tilted(observed: Observation, mean: float, variance: float, wrong: float) -> tuple[float, float, float]:
    """Mean and variance of the sum once this observation is known, from its belief without it; and its trust."""
    if observed.above:
        spread = math.sqrt(variance + observed.noise**2)
        z = (mean - observed.value) / spread
        share, ratio = _beyond(z)
        # A wrong bound tells nothing.
        trust = (1 - wrong) * share / ((1 - wrong) * share + wrong * 0.5) if wrong else 1.0
        moved = mean + variance / spread * ratio
        narrowed = variance - variance**2 / spread**2 * ratio * (ratio + z)
        return _mixed(((trust, moved, narrowed), (1 - trust, mean, variance)), trust)
    away = observed.value - mean

    def evidence(noise: float) -> float:
        total = variance + noise**2
        return math.exp(-(away**2) / (2 * total)) / math.sqrt(total)

    right, off = (1 - wrong) * evidence(observed.noise), wrong * evidence(observed.noise * WRONG_WIDER)
    trust = 1.0 if not wrong else right / (right + off) if right + off > 0 else 0.0
    gain = variance / (variance + observed.noise**2)
    return _mixed(((trust, mean + gain * away, variance * (1 - gain)), (1 - trust, mean, variance)), trust)


def _mixed(parts: Sequence[tuple[float, float, float]], trust: float) -> tuple[float, float, float]:
    mean = sum(w * m for w, m, _ in parts)
    variance = sum(w * (v + (m - mean) ** 2) for w, m, v in parts)
    return mean, variance, trust


def learn(observations: Sequence[Observation], priors: Mapping[str, float], wrong: float = WRONG_SHARE) -> Learned:
    """What the observations tell of their effects.

    Args:
        observations: in any order.
        priors: standard deviation of every effect before anything is known; each has mean 0.
        wrong: share of observations that are expected to be wrong; 0 for plain Gaussian learning.
    """
    names = tuple(sorted({e for o in observations for e in o.effects}))
    at = {name: i for i, name in enumerate(names)}
    size = len(names)
    prior = np.diag([1 / priors[n] ** 2 for n in names]) if names else np.zeros((0, 0))
    rows = np.zeros((len(observations), size))
    for i, observed in enumerate(observations):
        for effect in observed.effects:
            rows[i, at[effect]] = 1.0
    precision, shift = np.zeros(len(observations)), np.zeros(len(observations))
    trusted = [1.0] * len(observations)
    covariance = np.diag([priors[n] ** 2 for n in names]) if names else np.zeros((0, 0))
    mean = np.zeros(size)
    for _ in range(SWEEPS):
        before = mean
        for i, observed in enumerate(observations):
            row = rows[i]
            seen = covariance @ row
            here, spread = float(row @ mean), float(row @ seen)
            # The belief without this observation.
            without = max(1 / spread - precision[i], 1e-9)
            cavity_variance = 1 / without
            cavity_mean = cavity_variance * (here / spread - shift[i])
            moved, narrowed, trusted[i] = _tilted(observed, cavity_mean, cavity_variance, wrong)
            new = max(1 / max(narrowed, 1e-12) - without, 1e-9)
            more, precision[i], shift[i] = new - precision[i], new, moved * (new + without) - cavity_mean * without
            covariance = covariance - np.outer(seen, seen) * (more / (1 + more * spread))
            mean = covariance @ (rows.T @ shift)
        # Afresh, so that rounding does not add up.
        covariance = np.linalg.inv(prior + (rows.T * precision) @ rows) if size else covariance
        mean = covariance @ (rows.T @ shift)
        if np.allclose(mean, before, atol=SETTLED):
            break
    return Learned(dict(zip(names, (float(m) for m in mean), strict=True)), covariance, names, tuple(trusted))
