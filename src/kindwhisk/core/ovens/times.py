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

from kindwhisk.core.ovens.effects import WRONG_SHARE, Belief, Learned, Observation, learn
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

OVEN_SD, FAMILY_SD, FORMULA_SD = 0.15, 0.08, 0.05
"""How much ovens, kinds of bakes and formulas differ, as standard deviations of the logarithm. Oven reference model;
the formula's is chosen."""
NOISE_SD = 0.08
"""How much bakes of the same formula in the same oven differ. Oven reference model: 0.06 to 0.10."""
LOOK_SD = 0.06
"""The same, of a bake that was looked at and not yet done."""
TRUSTS_SD = 0.07
"""A factor is trusted when what is not known of it is below this: less than bakes differ anyway. Chosen."""
MOST = 80


class BakeTime(Value):
    """A bake's seconds in an oven against the model's. ``above``: it took longer than ``observed_s``, how long is not
    known."""

    id: str
    oven: str
    family: str
    formula: str
    observed_s: float = Field(gt=0)
    modelled_s: float = Field(gt=0)
    above: bool = False

    @property
    def observation(self) -> Observation:
        """As a sum of effects."""
        return Observation(
            math.log(self.observed_s / self.modelled_s),
            effects_of(self.oven, self.family, self.formula),
            LOOK_SD if self.above else NOISE_SD,
            self.above,
        )


def effects_of(oven: str, family: str, formula: str) -> tuple[str, str, str]:
    """Names of what lengthens a bake."""
    return (f"oven {oven}", f"family {family}", f"formula {formula}")


_SD = {"oven": OVEN_SD, "family": FAMILY_SD, "formula": FORMULA_SD}


def priors(effects: Sequence[str]) -> dict[str, float]:
    """Their standard deviations before any bake."""
    return {e: _SD[e.split(" ", 1)[0]] for e in effects}


@lru_cache(maxsize=32)
def learned(bakes: tuple[BakeTime, ...], wrong: float = WRONG_SHARE) -> Learned:
    """What the last bakes tell of all their effects."""
    observations = [b.observation for b in bakes[-MOST:]]
    return learn(observations, priors([e for o in observations for e in o.effects]), wrong)


def trust(bakes: tuple[BakeTime, ...]) -> dict[str, float]:
    """How far each of the last bakes was trusted (0 to 1), by its id."""
    return dict(zip((b.id for b in bakes[-MOST:]), learned(bakes).trusted, strict=True))


class TimeFactor(Value):
    """Observed over modelled time, with its range and the bakes behind it; ``log_sd`` is what is not known of it."""

    factor: Estimate
    log_sd: float
    bakes: int
    trusted: bool
    trusted_after: int


def factor_for(
    bakes: tuple[BakeTime, ...], oven: str, family: str | None = None, formula: str | None = None
) -> TimeFactor:
    """The factor of an oven, for a kind of bake and a formula if they are named.

    ``ln f ~ N(m, v)``: the sum of the beliefs of each effect that is named; the factor is ``exp(m)``, its range
    ``exp(m -+ 1.4 sqrt(v))``. ``bakes`` counts those of the oven itself.

    Source: :mod:`~kindwhisk.core.ovens.effects`; priors of the oven reference model.
    """
    effects = [f"oven {oven}"]
    effects += [f"family {family}"] if family else []
    effects += [f"formula {formula}"] if formula else []
    belief = learned(bakes).sum_of(effects, priors(effects))
    own = sum(1 for b in bakes if b.oven == oven and not b.above)
    return TimeFactor(
        factor=_range(belief, own),
        log_sd=belief.sd,
        bakes=own,
        trusted=belief.sd <= TRUSTS_SD,
        trusted_after=own + _more_bakes(belief.sd),
    )


def _range(belief: Belief, bakes: int) -> Estimate:
    middle, wide = math.exp(belief.mean), math.exp(RANGE_SD * belief.sd)
    return Estimate(
        low=middle / wide,
        likely=middle,
        high=middle * wide,
        basis=Basis.KITCHEN if bakes else Basis.HABIT,
        bakes=bakes,
    )


def _more_bakes(sd: float) -> int:
    """How many more bakes of its kind it takes until it is trusted."""
    return max(0, math.ceil(NOISE_SD**2 * (1 / TRUSTS_SD**2 - 1 / sd**2) - 1e-9)) if sd > TRUSTS_SD else 0


def with_factor(
    done: Estimate, bakes: tuple[BakeTime, ...], oven: str, family: str, formula: str, own_spread: float
) -> Estimate:
    """A modelled time with this kitchen's factor; as it is without bakes of the oven or of the kind.

    ``t' = t exp(m)``, with a spread of the logarithm from what is not known of the effects (v), what bakes differ by
    anyway (0.08) and what the model adds away from its reference (u): ``sqrt(v + 0.08^2 + u^2)``.

    Args:
        done: modelled seconds.
        bakes: those that are known, of all ovens.
        oven, family, formula: what lengthens it.
        own_spread: share that a time at its reference is unsure by already; the bakes replace it.
    """
    told = [b for b in bakes if b.oven == oven or b.family == family or b.formula == formula]
    if not told:
        return done
    effects = effects_of(oven, family, formula)
    belief = learned(bakes).sum_of(effects, priors(effects))
    spread = math.sqrt(done.high / done.low) - 1
    further = math.sqrt(max(0.0, spread**2 - own_spread**2))
    wide = math.exp(RANGE_SD * math.hypot(belief.sd, NOISE_SD, further / RANGE_SD)) - 1
    likely = done.likely * math.exp(belief.mean)
    own = sum(1 for b in told if b.oven == oven and not b.above)
    return Estimate.around(likely, wide, Basis.KITCHEN).model_copy(update={"bakes": max(own, 1)})
