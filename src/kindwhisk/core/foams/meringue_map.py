"""What a meringue becomes by sugar, method, acid and warmth: density, volume, gloss, how long it keeps, what it is for.

Densities of French meringue: the meringue reference model. The syrup in its film: solubility, published. Bands, hold
windows and uses: trade habit. Gloss and steadiness are orders of rank made from these, not measurements.
"""

from __future__ import annotations

import math
from enum import StrEnum

from kindwhisk.core.foams import whipping
from kindwhisk.core.foams.balance import KINDS, METHOD_BANDS, Method
from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.foams.meringue_foam import KINDS_OF, USUAL_C, density_of, holds_s
from kindwhisk.core.foams.whipping import Whites
from kindwhisk.core.sugar import syrup
from kindwhisk.core.sugar.dissolving import WHITE_WATER, saturation_percent
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique

LEAST_RATIO, MOST_RATIO = 0.2, 2.4
WHITES_G = 100.0
LIMITS_C = {Method.FRENCH: (4.0, 30.0), Method.SWISS: (35.0, 75.0), Method.ITALIAN: (110.0, 130.0)}
MIXED_C = 55.0
"""Where a syrup and whites meet, near enough to tell what stays dissolved."""
SHORTEST_MIN, LONGEST_MIN = 3.0, 75.0
NEARLY = 0.3


class Use(StrEnum):
    """What a meringue is made for."""

    FOLD = "folding"
    PIPE = "piping"
    TOP = "topping"
    SHELLS = "shells"
    DRY = "baked dry"


class Fit(StrEnum):
    """How well it serves."""

    GOOD = "good"
    CAN = "can be done"
    NOT = "not this"


USE_BANDS: dict[tuple[Use, Method], tuple[float, float]] = {
    (Use.FOLD, Method.FRENCH): (0.3, 0.95),
    (Use.FOLD, Method.SWISS): (0.7, 1.3),
    (Use.FOLD, Method.ITALIAN): (0.9, 1.8),
    (Use.PIPE, Method.FRENCH): (1.3, 2.1),
    (Use.PIPE, Method.SWISS): (1.3, 2.2),
    (Use.PIPE, Method.ITALIAN): (1.3, 2.2),
    (Use.TOP, Method.FRENCH): (0.9, 1.6),
    (Use.TOP, Method.SWISS): (1.2, 2.1),
    (Use.TOP, Method.ITALIAN): (1.2, 2.1),
}
"""Sugar to white. Trade habit; shells and baked dry take the bands of their classes."""
CLASSES = {Use.SHELLS: Technique.SHELLS, Use.DRY: Technique.MERINGUE}


class Serves(Value):
    """A use, how well it fits, from which to which ratio it does, and why it does not."""

    use: Use
    fit: Fit
    low: float
    high: float
    why: str


class Spot(Value):
    """A meringue on the map.

    ``film_percent`` is sugar in the water between the bubbles, ``undissolved`` the share of sugar that stays in grains.
    ``gloss`` and ``steadiness`` rank from 0 to 1.
    """

    sugar_to_white: float
    method: Method
    temperature_c: float
    acid_percent: float
    density_g_per_ml: Estimate
    volume_ml: Estimate
    hold_s: Estimate
    whip_s: Estimate
    over_s: Estimate
    film_percent: Estimate
    undissolved: Estimate
    gloss: float
    steadiness: float
    uses: tuple[Serves, ...]


class Line(Value):
    """A method's density (g/ml) and hold (s) along the ratios, and between which temperatures (C) it may be moved."""

    method: Method
    coolest_c: float
    usual_c: float
    hottest_c: float
    ratios: tuple[float, ...]
    density: tuple[Estimate, ...]
    hold_s: tuple[float, ...]


def usual_c(method: Method) -> float:
    """The whites' temperature (French), what they are warmed to (Swiss), or the syrup's."""
    return USUAL_C[method]


def _check(ratio: float, method: Method, acid_percent: float, temperature_c: float) -> None:
    if not LEAST_RATIO <= ratio <= MOST_RATIO:
        raise CraftError(
            f"{ratio:g} of sugar to white lies off the map.",
            field="sugar_to_white",
            remedy=f"Choose between {LEAST_RATIO} and {MOST_RATIO}.",
        )
    if not 0 <= acid_percent <= whipping.MOST_PERCENT:
        raise CraftError(
            f"{acid_percent:g} % of acid is too sour to eat.",
            field="acid_percent",
            remedy=f"Choose up to {whipping.MOST_PERCENT:g} % of the whites, as cream of tartar.",
        )
    low, high = LIMITS_C[method]
    if not low <= temperature_c <= high:
        raise CraftError(
            f"{temperature_c:.0f} °C is out of reach for the {method.value} method.",
            field="temperature_c",
            remedy=f"Choose between {low:.0f} and {high:.0f} °C.",
        )


WATER_SPREAD = 0.01
"""How much the white's share of water, 0.88, differs from egg to egg. Recalled."""


def _film(ratio: float, method: Method, temperature_c: float) -> tuple[Estimate, Estimate]:
    """What the film holds (percent) and what can't go into it (a share), for what water a white may hold."""
    drier, usual, wetter = (
        _film_of(WHITE_WATER + off, ratio, method, temperature_c) for off in (-WATER_SPREAD, 0.0, WATER_SPREAD)
    )
    film, undissolved = (
        Estimate(low=low, likely=likely, high=high, basis=Basis.RECALLED)
        for low, likely, high in zip(wetter, usual, drier, strict=True)
    )
    return film, undissolved


def _film_of(white_water: float, ratio: float, method: Method, temperature_c: float) -> tuple[float, float]:
    """Percent of sugar in the film's water, and the share of the sugar that can't go into it.

    ``100 d/(d + w)`` with ``d = min(r, w s/(100 - s))``: w the white's water (and the syrup's, where it is boiled), s
    the percent of a saturated solution where both meet. Source: solubility after Vavrinecz, published.
    """
    water = white_water
    if method is Method.ITALIAN:
        share = syrup.concentration_percent(temperature_c) / 100
        water += ratio * (1 - share) / share
    dissolving_c = MIXED_C if method is Method.ITALIAN else temperature_c
    saturated = saturation_percent(dissolving_c)
    most = water * saturated / (100 - saturated)
    dissolved = min(ratio, most)
    return 100 * dissolved / (dissolved + water), 1 - dissolved / ratio


def _uses(ratio: float, method: Method) -> tuple[Serves, ...]:
    found = []
    for use in Use:
        technique = CLASSES.get(use)
        if technique is None:
            low, high = USE_BANDS[use, method]
        else:
            low, _, high = METHOD_BANDS[technique, method]
        fit, why = Fit.GOOD, ""
        if not low <= ratio <= high:
            side = KINDS["sugar-to-white"].low if ratio < low else KINDS["sugar-to-white"].high
            near = low * (1 - NEARLY) <= ratio <= high * (1 + NEARLY)
            fit, why = (Fit.CAN if near else Fit.NOT), side
        found.append(Serves(use=use, fit=fit, low=low, high=high, why=why))
    return tuple(found)


def spot(ratio: float, method: Method, acid_percent: float = 0.0, temperature_c: float | None = None) -> Spot:
    """The meringue of ``ratio`` sugar to white by a method, for 100 g of white.

    Args:
        ratio: grams of sugar to a gram of white, 0.2 to 2.4.
        method: how white and sugar meet.
        acid_percent: acid on the white, as cream of tartar, 0 to 1.
        temperature_c: see :func:`usual_c`, which is the default.

    Raises:
        CraftError: one of them lies off the map.
    """
    celsius = usual_c(method) if temperature_c is None else temperature_c
    _check(ratio, method, acid_percent, celsius)
    whites = Whites(
        mass_g=WHITES_G * (1 + ratio),
        sugar_to_white=ratio,
        temperature_c=celsius if method is Method.FRENCH else 22.0,
        acid_percent=acid_percent,
    )
    density = density_of(ratio, method, celsius)
    film, undissolved = _film(ratio, method, celsius)
    hold = holds_s(ratio, method, celsius).scaled(min(whites.guard, 1.6) * (1 - 0.5 * undissolved.likely))
    mass = WHITES_G * (1 + ratio)
    if method is Method.FRENCH:
        whip = whipping.whites_s(whites, Peak.MEDIUM)
    else:
        whip = whipping.plain_s(KINDS_OF[method], mass).scaled(1 + whipping.ACID_SLOWS * acid_percent)
    minutes = min(LONGEST_MIN, max(SHORTEST_MIN, hold.likely / 60))
    return Spot(
        sugar_to_white=ratio,
        method=method,
        temperature_c=celsius,
        acid_percent=acid_percent,
        density_g_per_ml=density,
        volume_ml=Estimate(
            low=mass / density.high, likely=mass / density.likely, high=mass / density.low, basis=density.basis
        ),
        hold_s=hold,
        whip_s=whip,
        over_s=whipping.over_s(whip, whites),
        film_percent=film,
        undissolved=undissolved,
        gloss=max(0.0, min(1.0, (film.likely - 20) / 55)) * (1 - undissolved.likely) ** 2,
        steadiness=math.log(minutes / SHORTEST_MIN) / math.log(LONGEST_MIN / SHORTEST_MIN),
        uses=_uses(ratio, method),
    )


def lines() -> tuple[Line, ...]:
    """Every method along the ratios, as it is usually made."""
    ratios = tuple(round(LEAST_RATIO + 0.1 * i, 2) for i in range(round((MOST_RATIO - LEAST_RATIO) / 0.1) + 1))
    found = []
    for method in Method:
        spots = [spot(r, method) for r in ratios]
        found.append(
            Line(
                method=method,
                coolest_c=LIMITS_C[method][0],
                usual_c=USUAL_C[method],
                hottest_c=LIMITS_C[method][1],
                ratios=ratios,
                density=tuple(s.density_g_per_ml for s in spots),
                hold_s=tuple(s.hold_s.likely for s in spots),
            )
        )
    return tuple(found)
