"""Two bakes side by side: all that differed, by how much it is out of what is usual between bakes of this kitchen."""

from __future__ import annotations

import math
import statistics
from collections.abc import Mapping, Sequence

from scipy.special import ndtri

from kindwhisk.core.measures import BakeMeasure, Fact
from kindwhisk.core.values.estimate import RANGE_SD
from kindwhisk.core.values.model import Value

PRIOR_BAKES = 3.0
"""What is supposed of a spread before any bake counts as much as so many. Chosen."""
SUPPOSED = 0.08
"""Bakes differ by so much of a figure whose range nobody tells. Chosen."""
MAD_TO_SD = 1.4826
"""Of a Gaussian. Published."""
LEAST_OUT = 0.05
RESULTS = frozenset({"stars", "height", "late"})
MOST_OUT = 9.0


class BakeDifference(Value):
    """Something that differed. ``out`` is by how many usual differences; ``spread`` is what two bakes usually differ
    by, from so many ``bakes``. ``result``: it is how they came out, not what was done."""

    key: str
    words: str
    unit: str
    a: float | None = None
    b: float | None = None
    said_a: str
    said_b: str
    out: float
    spread: float | None
    bakes: int
    step: str = ""
    result: bool = False


def spread_of(values: Sequence[float], supposed: float) -> float:
    """The standard deviation of a figure from bake to bake, by medians, so that one slip in it does no harm; drawn
    towards what was supposed while there are few."""
    if len(values) < 2:
        return supposed
    middle = statistics.median(values)
    own = MAD_TO_SD * statistics.median(abs(v - middle) for v in values)
    count = len(values) - 1
    return math.sqrt((PRIOR_BAKES * supposed**2 + count * own**2) / (PRIOR_BAKES + count))


def _supposed(measure: BakeMeasure) -> float:
    """What a figure is supposed to differ by, before any bake."""
    scale = measure.of or 1.0
    if measure.low is not None and measure.high is not None and measure.high > measure.low:
        return (measure.high - measure.low) / (2 * RANGE_SD) / scale
    return max(abs(measure.compared) * SUPPOSED, 1e-6)


def out_by(share: float) -> float:
    """How far out something is that happens between this share of pairs of bakes, in standard deviations."""
    return float(-ndtri(min(0.999, max(1e-6, share)) / 2))


def differences(
    a: tuple[Sequence[BakeMeasure], Sequence[Fact]],
    b: tuple[Sequence[BakeMeasure], Sequence[Fact]],
    usual: Mapping[str, Sequence[float]],
    facts: Mapping[str, Sequence[str]],
) -> list[BakeDifference]:
    """All that differs between two bakes, what is furthest out of the usual first.

    Args:
        a: measures and facts of the one.
        b: those of the other.
        usual: by key, what this kitchen's bakes of the formula had (as :attr:`BakeMeasure.compared`).
        facts: by key, what was said of them.
    """
    return sorted([*_figures(a[0], b[0], usual), *_facts(a[1], b[1], facts)], key=lambda d: (-d.out, d.key))


def _figures(
    a: Sequence[BakeMeasure], b: Sequence[BakeMeasure], usual: Mapping[str, Sequence[float]]
) -> list[BakeDifference]:
    first, second = {m.key: m for m in a}, {m.key: m for m in b}
    found = []
    for key in dict.fromkeys((*first, *second)):
        one, other = first.get(key), second.get(key)
        told = one or other
        assert told is not None
        if one is None or other is None:
            continue
        known = usual.get(key, ())
        spread = spread_of(known, max(_supposed(one), _supposed(other)))
        out = abs(one.compared - other.compared) / (math.sqrt(2) * spread)
        if out < LEAST_OUT:
            continue
        found.append(
            BakeDifference(
                key=key, words=told.words, unit=told.unit, a=one.value, b=other.value,
                said_a=_said(one), said_b=_said(other), out=min(MOST_OUT, out),
                spread=math.sqrt(2) * spread * (told.of or 1.0), bakes=len(known), step=told.step,
                result=key in RESULTS,
            )
        )  # fmt: skip
    return found


def _facts(a: Sequence[Fact], b: Sequence[Fact], known: Mapping[str, Sequence[str]]) -> list[BakeDifference]:
    first, second = {f.key: f for f in a}, {f.key: f for f in b}
    found = []
    for key in dict.fromkeys((*first, *second)):
        one, other = first.get(key), second.get(key)
        if one is not None and other is not None and one.said == other.said:
            continue
        told = one or other
        assert told is not None
        said = known.get(key, ())
        found.append(
            BakeDifference(
                key=key, words=told.words, unit="",
                said_a=one.said if one else "–", said_b=other.said if other else "–",
                out=out_by(_differ(said)), spread=None, bakes=len(said),
            )
        )  # fmt: skip
    return found


def _differ(said: Sequence[str]) -> float:
    """The share of pairs of bakes that differ in it; where hardly any is known, one in three."""
    counts = [said.count(one) for one in set(said)]
    pairs = len(said) * (len(said) - 1) / 2
    alike = sum(c * (c - 1) / 2 for c in counts)
    return (pairs - alike + 1) / (pairs + 3)


def _said(measure: BakeMeasure) -> str:
    size = abs(measure.value)
    if measure.value.is_integer() and not measure.unit:
        return f"{measure.value:.0f}"
    digits = 0 if size >= 20 else 1 if size >= 2 else 2
    return f"{measure.value:.{digits}f} {measure.unit}".strip()
