"""How many days what was made keeps, by what is in it. Guidance: the kitchen's own rule leads."""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.ingredients.groups import MUCH, SOME, shares
from kindwhisk.core.ingredients.material import Material


class KeptAs(StrEnum):
    """What is kept, by what it holds that goes off first."""

    RAW_EGG = "a mousse with raw egg"
    CREAM = "filled with cream"
    CUSTARD = "custard"
    COOKED_YOLK = "a mousse of cooked yolks"
    MILK_SOAKED = "soaked in milk"
    CURD = "curd"
    GANACHE_SHELLS = "shells with ganache"
    BUTTERCREAM_SHELLS = "shells with buttercream"
    SPONGE = "a bare sponge, wrapped"
    MERINGUE = "dry meringue"


class Limit(NamedTuple):
    """Days in the cold (up to 5 C), days in the freezer (None: it does not freeze well), and where it is kept."""

    days: float
    frozen: float | None
    at: str


COLD, DRY = "at up to 5 °C", "dry, at room warmth"
DAYS: dict[KeptAs, Limit] = {
    KeptAs.RAW_EGG: Limit(1, None, COLD),
    KeptAs.CREAM: Limit(2, 30, COLD),
    KeptAs.CUSTARD: Limit(2, None, COLD),
    KeptAs.COOKED_YOLK: Limit(2, 30, COLD),
    KeptAs.MILK_SOAKED: Limit(3, None, COLD),
    KeptAs.CURD: Limit(4, 60, COLD),
    KeptAs.GANACHE_SHELLS: Limit(5, 60, COLD),
    KeptAs.BUTTERCREAM_SHELLS: Limit(6, 60, COLD),
    KeptAs.SPONGE: Limit(3, 60, COLD),
    KeptAs.MERINGUE: Limit(21, None, DRY),
}
"""Trade habit; a bare sponge at 18 C keeps 2 days."""
SOURCE = "trade habit"


class Traits(NamedTuple):
    """What its process tells of it beside what is in it."""

    raw_egg: bool = False
    cooked_yolk: bool = False
    shells: bool = False
    soaked_in_milk: bool = False
    boiled_starch: bool = False


def kept_as(unbaked: Material, traits: Traits, *, any_baked: bool) -> KeptAs:
    """What a finished thing counts as: that of its unbaked content which goes off first.

    Args:
        unbaked: all that no oven has baked.
        traits: what its process tells.
        any_baked: whether a crumb is in it.
    """
    share = shares(unbaked)
    dairy, egg, butter = share.get("dairy", 0.0), share.get("egg", 0.0), share.get("butter", 0.0)
    chocolate = share.get("chocolate", 0.0)
    is_it = (
        (KeptAs.RAW_EGG, traits.raw_egg),
        (KeptAs.CUSTARD, traits.boiled_starch and egg > SOME),
        (KeptAs.COOKED_YOLK, traits.cooked_yolk and egg > SOME),
        (KeptAs.MILK_SOAKED, traits.soaked_in_milk and dairy > MUCH),
        (KeptAs.GANACHE_SHELLS, chocolate > MUCH and traits.shells),
        (KeptAs.CURD, egg > 2 * SOME and butter > SOME),
        (KeptAs.CREAM, dairy > MUCH or (chocolate > MUCH and dairy > 0)),
        (KeptAs.BUTTERCREAM_SHELLS, butter > MUCH),
        (KeptAs.SPONGE, unbaked.mass_g <= 0 or any_baked),
    )
    return next((kept for kept, it_is in is_it if it_is), KeptAs.MERINGUE)
