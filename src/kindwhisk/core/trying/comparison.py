"""Did it help? Bakes with a change against bakes without it, with the doubt that few bakes leave.

Whether the fault came is a share: before and after are two Beta distributions that begin alike (Jeffreys' prior), and
what counts is how probable it is that the one of the tried bakes is lower. A yes or no is said only once that is beyond
thirty-two in thirty-three, and both sides have bakes enough.

Source: Bayes' rule; Jeffreys 1946 (prior of a share); the integral by Gauss-Legendre points.
"""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

import numpy as np
from scipy.special import betainc, betaincinv, roots_legendre

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

JEFFREYS = 0.5
SURE, LEAST_BAKES = 0.97, 3
"""From so sure on, and with so many bakes on each side, it is said. Chosen."""
POINTS = 200
MIDDLE = (0.1, 0.9)


class Came(NamedTuple):
    """In how many of so many bakes the fault came."""

    times: int
    bakes: int

    def plus(self, *, came: bool) -> Came:
        """One bake more."""
        return Came(self.times + came, self.bakes + 1)


class Answer(StrEnum):
    """What the bakes say so far."""

    HELPS = "helps"
    HARMS = "makes it worse"
    OPEN = "not told yet"
    TOO_FEW = "too few bakes"


class Comparison(Value):
    """``better``: how probable it is that the fault comes less often with the change. ``before`` and ``after`` are the
    shares of bakes in which it came. ``more_bakes`` is how many more would tell, if they went on like this (0 where it
    is told, or where they would never tell)."""

    better: float
    before: Estimate
    after: Estimate
    answer: Answer
    says: str
    more_bakes: int


def _shape(came: Came) -> tuple[float, float]:
    return JEFFREYS + came.times, JEFFREYS + came.bakes - came.times


def share(came: Came) -> Estimate:
    """The share of bakes in which the fault comes, with the range that so few of them leave."""
    a, b = _shape(came)
    low, high = (float(betaincinv(a, b, p)) for p in MIDDLE)
    middle = min(high, max(low, a / (a + b)))
    return Estimate(low=low, likely=middle, high=high, basis=Basis.KITCHEN, bakes=came.bakes)


def lower(before: Came, after: Came) -> float:
    """How probable it is that the fault comes less often after than before."""
    a, b = _shape(before)
    at, weights = roots_legendre(POINTS)
    # Over equal parts of the probability of the first: no density has to be reckoned where it is endless.
    points = betaincinv(a, b, (at + 1) / 2)
    return float(np.sum(weights / 2 * betainc(*_shape(after), points)))


def compare(before: Came, after: Came) -> Comparison:
    """Bakes without the change against bakes with it."""
    better = lower(before, after)
    answer = _answer(better, before, after)
    more = _more(before, after) if answer in {Answer.OPEN, Answer.TOO_FEW} else 0
    return Comparison(
        better=better,
        before=share(before),
        after=share(after),
        answer=answer,
        says=_says(answer, better, before, after, more),
        more_bakes=more,
    )


def _answer(better: float, before: Came, after: Came) -> Answer:
    if min(before.bakes, after.bakes) < LEAST_BAKES:
        return Answer.TOO_FEW
    if better >= SURE:
        return Answer.HELPS
    return Answer.HARMS if better <= 1 - SURE else Answer.OPEN


LOOKED_AHEAD = 12


def _more(before: Came, after: Came) -> int:
    """How many more bakes like those so far would tell; 0 where a dozen would not."""
    for more in range(1, LOOKED_AHEAD + 1):
        bakes = after.bakes + more
        rate = after.times / after.bakes if after.bakes else 0.0
        ahead = Came(round(rate * bakes), bakes)
        if _answer(lower(before, ahead), before, ahead) in {Answer.HELPS, Answer.HARMS}:
            return more
    return 0


def _times(came: Came) -> str:
    return f"{came.times} of {came.bakes}"


def _odds(sure: float) -> str:
    """The odds of a verdict; no surer than ninety-nine to one."""
    told = min(99, round(100 * sure))
    return f"{told} to {100 - told}"


def _says(answer: Answer, better: float, before: Came, after: Came, more: int) -> str:
    counted = f"It came in {_times(before)} before, and in {_times(after)} with the change."
    if not after.bakes:
        return f"It came in {_times(before)} before. No bake has tried it yet."
    if answer is Answer.HELPS:
        return f"{counted} It helps: {_odds(better)}."
    if answer is Answer.HARMS:
        return f"{counted} It makes it worse: {_odds(1 - better)}."
    odds = f"The chances that it helps are {min(99, max(1, round(100 * better)))} in 100"
    ahead = (
        f": {'one' if more == 1 else more} more like these would tell."
        if more
        else ": bakes like these won't tell soon; try a larger change."
        if answer is Answer.OPEN
        else "."
    )
    return f"{counted} {odds}{ahead}"
