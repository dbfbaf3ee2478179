"""Soaking a crumb: what it holds, how that is shared over layers and goes, and what temperatures let it in."""

from __future__ import annotations

from collections.abc import Sequence
from enum import StrEnum

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

CRUMB_SOLID_DENSITY = 1.25
BRUSHED = (0.12, 0.22, 0.40)
FLOODED = (0.55, 0.70, 0.80)
"""Share of the pores that is filled: brushed and bagged, or stood in milk. Trade habit."""
TWO_GOES_FROM = 0.5
"""Above this share of the most that it holds, a soak is given in two goes. Trade habit."""
FIRST_GO = 0.6
"""Share of it that goes in first: the second waits until that is gone. Chosen."""
COLD_C, HOT_C = 15.0, 50.0
"""Below and above these a crumb or a soak counts as cold or hot. Trade habit."""
MAX_LAYERS = 40


class Liquid(StrEnum):
    """What a crumb is soaked with, by how much of it a crumb takes."""

    SYRUP = "syrup"
    MILK = "milk"


DENSITY = {Liquid.SYRUP: 1.18, Liquid.MILK: 1.06}
"""g/ml: a syrup of sugar and water 1:1.5 by weight (published), milks with some condensed one (recalled)."""


def pores_ml(mass_g: float, density_g_per_ml: float) -> float:
    """Volume of a crumb's pores in ml: ``1 - density/1.25`` of its volume."""
    volume = mass_g / density_g_per_ml
    return max(0.0, volume * (1 - density_g_per_ml / CRUMB_SOLID_DENSITY))


def limits_ml(pores: float, *, flooded: bool) -> Estimate:
    """Millilitres that pores take without weeping."""
    low, likely, high = (pores * share for share in (FLOODED if flooded else BRUSHED))
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def room_ml(crumb: Material) -> float:
    """Volume of the crumb's pores in ml."""
    volume = crumb.volume_ml.likely
    return pores_ml(crumb.mass_g, crumb.mass_g / volume) if volume > 0 else 0.0


def takes_ml(crumb: Material, *, flooded: bool) -> Estimate:
    """Millilitres that it takes without weeping."""
    return limits_ml(room_ml(crumb), flooded=flooded)


def soaked(crumb: Material, soak: Material, together: Material) -> Material:
    """The mixture ``together``: liquid goes into the pores, so that the crumb keeps its volume while there is room."""
    left = max(0.0, crumb.gas_ml.likely - soak.gas_free_volume_ml)
    share = left / crumb.gas_ml.likely if crumb.gas_ml.likely > 0 else 0.0
    return together.with_gas(crumb.gas_ml.scaled(share))


def goes(grams: float, most_g: float) -> tuple[float, ...]:
    """How a soak is given: at once, or in two goes where it is over half of the most that a crumb holds."""
    if grams <= TWO_GOES_FROM * most_g:
        return (grams,)
    return (FIRST_GO * grams, (1 - FIRST_GO) * grams)


class SoakMeets(Value):
    """Whether crumb and soak may meet as warm as they are, and what to do where they don't."""

    fits: bool
    says: str


def warm_on_cold(crumb_c: float, liquid_c: float, liquid: Liquid = Liquid.SYRUP) -> SoakMeets:
    """One cold and one warm, or both cold for what holds cream and milk; never both hot. Trade habit."""
    if crumb_c >= HOT_C and liquid_c >= HOT_C:
        return SoakMeets(fits=False, says="Both hot: the crumb goes to mush. Let one of them cool first.")
    if liquid is Liquid.MILK and liquid_c >= HOT_C:
        return SoakMeets(fits=False, says="Hot milk skins and sours sooner: let it cool, then chill it.")
    if crumb_c >= HOT_C and liquid is Liquid.MILK:
        return SoakMeets(fits=False, says="A hot crumb warms the milk for hours: let it come to lukewarm first.")
    if crumb_c < COLD_C and liquid_c < COLD_C and liquid is Liquid.SYRUP:
        return SoakMeets(fits=False, says="Both cold: syrup stays near the face. Warm the syrup to 30 to 40 °C.")
    return SoakMeets(fits=True, says="As warm as they are, it goes in evenly.")


class LayerSoak(Value):
    """The soak of one layer, counted from below: grams, what it holds at most, and the goes that it is given in."""

    layer: int
    grams: float
    most_g: float
    goes_g: tuple[float, ...]


class SoakPlan(Value):
    """A soak shared over layers.

    Attributes:
        limit_g: what all of the crumb takes without weeping, as a range.
        per_gram: likely grams of it to a gram of crumb; ``pores_ml`` room in the crumb.
        grams: all that is given; ``over_g`` how much of it is more than it holds.
        says: how it is given, in words.
    """

    layers: tuple[LayerSoak, ...]
    limit_g: Estimate
    per_gram: Estimate
    pores_ml: float
    grams: float
    over_g: float
    fills: float
    meets: SoakMeets | None
    says: str


# A crumb, its layers and a liquid, each with what is known of it.
def plan(  # noqa: PLR0913
    mass_g: float,
    density_g_per_ml: float,
    shares: Sequence[float],
    *,
    liquid: Liquid = Liquid.SYRUP,
    grams: float | None = None,
    liquid_g_per_ml: float | None = None,
    flooded: bool | None = None,
    crumb_c: float | None = None,
    liquid_c: float | None = None,
) -> SoakPlan:
    """A soak over layers that hold ``shares`` of the crumb (any positive numbers, from below).

    Args:
        mass_g: of the crumb, in all layers.
        density_g_per_ml: of the crumb.
        shares: of it in each layer.
        liquid: what it is soaked with.
        grams: how much is given; left out, what the crumb likes best.
        liquid_g_per_ml: its density, where that is known.
        flooded: stood in it rather than brushed; milks are, where nobody says.
        crumb_c: temperature of the crumb.
        liquid_c: temperature of the liquid.

    Raises:
        CraftError: the crumb is denser than its own solids.
    """
    if density_g_per_ml >= CRUMB_SOLID_DENSITY:
        raise CraftError(
            f"A crumb of {density_g_per_ml:g} g/ml has no pores.",
            field="crumb.density_g_per_ml",
            remedy="A sponge has .2 to .5 g/ml: weigh a cube of it.",
        )
    density = liquid_g_per_ml or DENSITY[liquid]
    pores = pores_ml(mass_g, density_g_per_ml)
    stands = liquid is Liquid.MILK if flooded is None else flooded
    limit = limits_ml(pores, flooded=stands).scaled(density)
    given = limit.likely if grams is None else grams
    whole = sum(shares)
    rows = []
    for n, share in enumerate(shares, start=1):
        part = share / whole
        most = limit.high * part
        rows.append(LayerSoak(layer=n, grams=given * part, most_g=most, goes_g=goes(given * part, most)))
    two = any(len(r.goes_g) > 1 for r in rows)
    says = "Stood in it, cold, edges first" if stands else "With a brush or a bottle, edges first"
    says += "; in two goes, the second once the first is gone." if two else ", in one go."
    if given > limit.high:
        says = f"More than it holds: about {limit.high:.0f} g is the most. {says}"
    return SoakPlan(
        layers=tuple(rows),
        limit_g=limit,
        per_gram=limit.scaled(1 / mass_g),
        pores_ml=pores,
        grams=given,
        over_g=max(0.0, given - limit.high),
        fills=given / density / pores if pores > 0 else 0.0,
        meets=None if crumb_c is None or liquid_c is None else warm_on_cold(crumb_c, liquid_c, liquid),
        says=says,
    )
