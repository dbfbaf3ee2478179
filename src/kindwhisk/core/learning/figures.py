"""The figures that a kitchen's own bakes teach, and what makes each of them differ: mixer, hands, kind, formula."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from enum import StrEnum
from types import MappingProxyType
from typing import NamedTuple


class Figure(StrEnum):
    """What is observed and expected, as a ratio."""

    WHIP = "time on the whisk"
    ALONE = "time of what runs by itself"
    BAKE = "time in the oven"
    AIR = "air kept in a fold"
    FOAM = "density of a foam"
    BATTER = "density of a batter"
    HEIGHT = "height of the finished bake"
    SKIN = "time until a skin holds"
    PIPE = "time of piping"
    PIECE = "weight of a piece"
    EGG = "weight of an egg"
    CARRY = "carry-over on the rack"


TIMES = frozenset({Figure.WHIP, Figure.ALONE, Figure.BAKE})
PIPING = frozenset({Figure.SKIN, Figure.PIPE, Figure.PIECE})
DENSITIES = frozenset({Figure.FOAM, Figure.BATTER})


class Spread(NamedTuple):
    """Standard deviations of the logarithm of observed over expected: ``noise`` from bake to bake of one formula with
    the same hands, and by how much each level differs."""

    noise: float
    levels: Mapping[str, float]


def _levels(**sds: float) -> Mapping[str, float]:
    return MappingProxyType(sds)


SPREADS: Mapping[Figure, Spread] = MappingProxyType(
    {
        Figure.WHIP: Spread(0.10, _levels(mixer=0.18, kind=0.10, formula=0.08)),
        Figure.ALONE: Spread(0.10, _levels(kind=0.12, formula=0.10)),
        Figure.BAKE: Spread(0.08, _levels(oven=0.15, dial=0.09, family=0.08, formula=0.05)),
        Figure.AIR: Spread(0.10, _levels(hands=0.12, kind=0.07, formula=0.06)),
        Figure.FOAM: Spread(0.05, _levels(mixer=0.07, hands=0.04, kind=0.06, formula=0.06)),
        Figure.BATTER: Spread(0.05, _levels(hands=0.06, kind=0.06, formula=0.07)),
        Figure.HEIGHT: Spread(0.08, _levels(kind=0.10, formula=0.12)),
        Figure.SKIN: Spread(0.10, _levels(kind=0.25, formula=0.12)),
        Figure.PIPE: Spread(0.12, _levels(hands=0.25, kind=0.10, formula=0.06)),
        Figure.PIECE: Spread(0.05, _levels(hands=0.08, kind=0.04, formula=0.04)),
        Figure.EGG: Spread(0.03, _levels(size=0.05, kind=0.03)),
        Figure.CARRY: Spread(0.20, _levels(family=0.30)),
    }
)
"""Ovens, families and the noise of bakes: oven reference model (0.15, 0.08, 0.06 to 0.10). ``dial`` is a dial that no
thermometer has checked: 12 K at 0.7 % a kelvin. All others: trade habit, chosen so that their sum is what a first
forecast is off by (0.15 to 0.25)."""


def prior_sd(figure: Figure) -> float:
    """Standard deviation of the logarithm of a first bake's figure over what was expected."""
    noise, levels = SPREADS[figure]
    return math.hypot(noise, *levels.values())


LOOK_NOISE = 0.06
"""Of something that was looked at and not there yet. Oven reference model."""


def effect(level: str, *names: str) -> str:
    """The name of an effect: its level, and whose it is."""
    return " ".join((level, *names))


def level_of(name: str) -> str:
    """The level of a named effect."""
    return name.split(" ", 1)[0]


def priors(figure: Figure, effects: Iterable[str], doubt: float = 0.0) -> dict[str, float]:
    """Standard deviations of effects before any bake.

    ``doubt`` is the standard deviation of the model's own range: where it is wider than all levels and the noise
    explain, the formula's own effect takes the rest, for that is what its bakes will tell.
    """
    noise, levels = SPREADS[figure]
    found = {name: levels[level_of(name)] for name in effects}
    beyond = doubt**2 - noise**2 - sum(sd**2 for sd in found.values())
    if beyond > 0:
        own = next((name for name in found if level_of(name) == "formula"), None)
        if own is not None:
            found[own] = (found[own] ** 2 + beyond) ** 0.5
    return found
