"""What bakes tell of an oven's time: how much longer than reckoned a bake takes in it, of its kind, of its formula.

The logarithm of observed over modelled time is the sum of what the oven, the kind of bake and the formula do to it. A
bake that was "not yet" at a moment tells that it took longer; that is kept too. Times can't tell degrees: an oven that
is ten degrees too cool and one that moves its air slowly look the same. Only a thermometer tells them apart.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from functools import lru_cache

from pydantic import Field

from kindwhisk.core.learning import dots
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.effects import Belief
from kindwhisk.core.learning.expected import range_of
from kindwhisk.core.learning.figures import SPREADS, Figure, effect
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

TRUSTS_SD = 0.07
"""A factor is trusted when what is not known of it is below this: less than bakes differ anyway. Chosen."""
NOISE_SD = SPREADS[Figure.BAKE].noise


class BakeTime(Value):
    """A bake's seconds in an oven against the model's. ``above``: it took longer than ``observed_s``, how long is not
    known. ``checked``: the oven's degrees had been measured by then."""

    id: str
    oven: str
    family: str
    formula: str
    observed_s: float = Field(gt=0)
    modelled_s: float = Field(gt=0)
    above: bool = False
    checked: bool = False

    @property
    def dot(self) -> Dot:
        """As a dot of its figure."""
        return Dot(
            id=self.id,
            figure=Figure.BAKE,
            effects=effects_of(self.oven, self.family, self.formula, checked=self.checked),
            observed=self.observed_s,
            modelled=self.modelled_s,
            above=self.above,
        )


def effects_of(
    oven: str, family: str | None = None, formula: str | None = None, *, checked: bool = False
) -> tuple[str, ...]:
    """Names of what lengthens a bake: the oven, its dial where no thermometer has checked it, its kind, its formula."""
    found = [effect("oven", oven)]
    found += [] if checked else [effect("dial", oven)]
    found += [effect("family", family)] if family else []
    found += [effect("formula", formula)] if formula else []
    return tuple(found)


@lru_cache(maxsize=64)
def dots_of(bakes: tuple[BakeTime, ...]) -> tuple[Dot, ...]:
    """Bakes as dots."""
    return tuple(b.dot for b in bakes)


def trust(bakes: tuple[BakeTime, ...]) -> dict[str, float]:
    """How far each of the last bakes was trusted (0 to 1), by its id."""
    return dots.trust(dots_of(bakes))


def _belief(bakes: tuple[BakeTime, ...], effects: Sequence[str]) -> Belief:
    return dots.belief(dots_of(bakes), Figure.BAKE, tuple(effects))


class TimeFactor(Value):
    """Observed over modelled time, with its range and the bakes behind it; ``log_sd`` is what is not known of it."""

    factor: Estimate
    log_sd: float
    bakes: int
    trusted: bool
    trusted_after: int


def factor_for(
    bakes: tuple[BakeTime, ...],
    oven: str,
    family: str | None = None,
    formula: str | None = None,
    *,
    checked: bool = False,
) -> TimeFactor:
    """The factor of an oven, for a kind of bake and a formula if they are named.

    ``ln f ~ N(m, v)``: the sum of the beliefs of each effect that is named; the factor is ``exp(m)``, its range
    ``exp(m -+ 1.4 sqrt(v))``. ``bakes`` counts those of the oven itself. ``checked``: its degrees were measured.

    Source: :mod:`~kindwhisk.core.learning.effects`; priors of the oven reference model.
    """
    belief = _belief(bakes, effects_of(oven, family, formula, checked=checked))
    own = sum(1 for b in bakes if b.oven == oven and not b.above)
    return TimeFactor(
        factor=range_of(belief, own),
        log_sd=belief.sd,
        bakes=own,
        trusted=belief.sd <= TRUSTS_SD,
        trusted_after=own + _more_bakes(belief.sd),
    )


def _more_bakes(sd: float) -> int:
    """How many more bakes of its kind it takes until it is trusted."""
    return max(0, math.ceil(NOISE_SD**2 * (1 / TRUSTS_SD**2 - 1 / sd**2) - 1e-9)) if sd > TRUSTS_SD else 0


def with_factor(
    done: Estimate,
    bakes: tuple[BakeTime, ...],
    oven: str,
    family: str,
    formula: str,
    own_spread: float,
    *,
    checked: bool = False,
) -> Estimate:
    """A modelled time with this kitchen's factor.

    ``t' = t exp(m)``, with a spread of the logarithm from what is not known of the effects (v; without bakes, all of
    it), what bakes differ by anyway (0.08) and what the model adds away from its reference (u):
    ``sqrt(v + 0.08^2 + u^2)``.

    Args:
        done: modelled seconds.
        bakes: those that are known, of all ovens.
        oven, family, formula: what lengthens it.
        own_spread: share that a time at its reference is unsure by already; oven, kind and formula stand for it.
        checked: the oven's degrees were measured.
    """
    belief = _belief(bakes, effects_of(oven, family, formula, checked=checked))
    spread = math.sqrt(done.high / done.low) - 1
    further = math.sqrt(max(0.0, spread**2 - own_spread**2))
    wide = math.exp(RANGE_SD * math.hypot(belief.sd, NOISE_SD, further / RANGE_SD)) - 1
    likely = done.likely * math.exp(belief.mean)
    told = [b for b in bakes if b.oven == oven or b.family == family or b.formula == formula]
    if not told:
        return Estimate.around(likely, wide, done.basis)
    own = sum(1 for b in told if b.oven == oven and not b.above)
    return Estimate.around(likely, wide, Basis.KITCHEN).model_copy(update={"bakes": max(own, 1)})
