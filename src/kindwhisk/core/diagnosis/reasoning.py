"""How probable each cause of what was seen is, by Bayes' rule over the causes of the table.

One cause alone, or two together, may be at work. Weights are what a cause's share of a fault's bakes is, ahead of any
sign. A fault has to come from a cause of its own or, rarely, from elsewhere; each sign then counts by how much likelier
it is under a set of causes than without it: for a measured one, off by ``z`` where a cause puts it off by ``m``,
``exp(m z - m² / 2)``, the ratio of two Gaussians, held within bounds so that no single slip decides.

Source: Pearl 1988 (noisy-or), Bayes' rule; bounds and the discount for signs that go together are chosen.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence
from itertools import combinations
from typing import NamedTuple

import numpy as np

from kindwhisk.core.diagnosis.cause import Weight
from kindwhisk.core.diagnosis.causes import CAUSES
from kindwhisk.core.diagnosis.faults import UNLISTED, UNLISTED_WEIGHT, Fault
from kindwhisk.core.diagnosis.signs import SIGNS, Seen

TOGETHER = 0.06
"""How often a second cause is at work, against one alone. Chosen."""
ELSEWHERE = 0.05
"""How often a fault comes from outside the causes at work, in shares of it. Chosen."""
SAME_UNLISTED = 0.3
"""How often a further fault comes from the same unlisted thing. Chosen."""
MOST_FOR, MOST_AGAINST = math.log(12.0), math.log(8.0)
"""No sign counts for more than this. Chosen."""
DISCOUNT = 0.8
"""What signs that go together count for, as a power. Chosen."""
ANSWERS = {1: (2.0, 0.7), 2: (4.5, 0.35), 3: (8.0, 0.15)}
"""How much likelier a yes and a no are under a cause, by how telling the question is. Chosen."""

Weights = Mapping[str, float]


class Believed(NamedTuple):
    """How probable each cause is, by its key, and that it is something else."""

    causes: dict[str, float]
    unlisted: float


def ratio(weight: Weight, seen: Seen) -> float:
    """The logarithm of how much likelier what was seen is where the cause was at work. Rises with a measured sign in
    the cause's direction; 0 where nothing was seen."""
    if seen.yes is not None:
        speaks, against = ANSWERS[min(3, max(1, round(abs(weight.by))))]
        return math.log(speaks if seen.yes is (weight.by > 0) else against)
    if seen.off is None:
        return 0.0
    told = weight.by * seen.off - weight.by**2 / 2
    return min(MOST_FOR, max(-MOST_AGAINST, told))


def _together(found: Sequence[float]) -> float:
    """Of several causes that show in one sign: what speaks loudest for, else loudest against."""
    if not found:
        return 0.0
    return max(found) if max(found) > 0 else min(found)


def log_likelihood(at_work: Iterable[str], seen: Sequence[Seen]) -> float:
    """The logarithm of how much likelier the signs are under these causes."""
    told = {s.sign: s for s in seen}
    found: dict[str, list[float]] = {}
    for key in at_work:
        for weight in CAUSES[key].shows if key in CAUSES else ():
            if weight.sign in told:
                found.setdefault(weight.sign, []).append(ratio(weight, told[weight.sign]))
    return DISCOUNT * sum(_together(ratios) for _, ratios in sorted(found.items()))


def _shares(weights: Weights) -> dict[str, float]:
    """What part of a fault's bakes each cause stands for, the unlisted one with them."""
    all_of = {**weights, UNLISTED: weights.get(UNLISTED, UNLISTED_WEIGHT)}
    total = sum(all_of.values())
    return {key: weight / total for key, weight in all_of.items()}


def believed(faults: Sequence[Fault], seen: Sequence[Seen], weights: Sequence[Weights] | None = None) -> Believed:
    """How probable each cause is, given the faults (one or more) and what was seen.

    Args:
        faults: all that the bake shows, of one family, in any order.
        seen: its signs, in any order; a sign that was never measured is left out.
        weights: the weights of each fault's causes where bakes have taught others than the table's.
    """
    shares = [_shares(w) for w in weights or [f.causes for f in faults]]
    names = sorted({key for share in shares for key in share})
    sets: list[tuple[str, ...]] = [(n,) for n in names]
    sets += list(combinations((n for n in names if n != UNLISTED), 2))
    logs = np.array([_log_of(chosen, shares, seen) for chosen in sets])
    told = np.exp(logs - logs.max())
    told /= told.sum()
    causes = {
        name: float(sum(p for p, chosen in zip(told, sets, strict=True) if name in chosen))
        for name in names
        if name != UNLISTED
    }
    return Believed(causes, float(told[sets.index((UNLISTED,))]))


def _log_of(chosen: tuple[str, ...], shares: Sequence[Weights], seen: Sequence[Seen]) -> float:
    """The logarithm of a set of causes' weight: all faults have to come from it, each by its share."""
    prior = math.log(TOGETHER / len(chosen)) if len(chosen) > 1 else 0.0
    for share in shares:
        from_it = sum(share.get(key, 0.0) for key in chosen)
        if chosen == (UNLISTED,):
            # That one thing which nobody listed did all of it is less likely than that it did one of them.
            from_it *= SAME_UNLISTED ** (1 - 1 / len(shares))
        prior += math.log((1 - ELSEWHERE) * from_it + ELSEWHERE / len(share))
    return prior + log_likelihood(chosen, seen)


def worth_asking(faults: Sequence[Fault], seen: Sequence[Seen], told: Believed) -> list[tuple[str, float]]:
    """Signs that were not seen, with by how much each would part the causes (a variance, weighted by how probable they
    are), the most telling first."""
    known = {s.sign for s in seen}
    names = {key for f in faults for key in f.causes}
    worth: dict[str, list[tuple[float, float]]] = {}
    for key in names:
        for weight in CAUSES[key].shows:
            if weight.sign not in known:
                worth.setdefault(weight.sign, []).append((told.causes.get(key, 0.0), _strength(weight)))
    found = [(sign, _spread(by)) for sign, by in worth.items()]
    return sorted(found, key=lambda f: (-f[1], f[0]))


def _strength(weight: Weight) -> float:
    """What the sign would count for, were it seen as the cause has it."""
    if SIGNS[weight.sign].is_question:
        return math.copysign(math.log(ANSWERS[min(3, max(1, round(abs(weight.by))))][0]), weight.by)
    return math.copysign(min(MOST_FOR, weight.by**2 / 2), weight.by)


def _spread(by: Sequence[tuple[float, float]]) -> float:
    """The variance of what it counts for, over the causes; those that do not show in it count 0."""
    mean = sum(p * s for p, s in by)
    others = max(0.0, 1 - sum(p for p, _ in by))
    return sum(p * (s - mean) ** 2 for p, s in by) + others * mean**2
