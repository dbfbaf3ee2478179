"""Filled shells mature: moisture goes from the filling into the shell, sooner from a wet one; how long each keeps."""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate


class FillingKind(StrEnum):
    """Fillings by how they mature and keep."""

    RAW_EGG = "a filling with raw egg"
    CREAM = "cream or fresh cheese"
    CURD = "curd"
    GANACHE = "ganache"
    BUTTERCREAM = "buttercream"
    OTHER = "another filling"


class Keeping(NamedTuple):
    """Hours until it has matured at 4 C, boxed; days that it keeps at up to 5 C, and where these come from."""

    hours: tuple[float, float, float]
    days: int
    source: str


KEEPS: dict[FillingKind, Keeping] = {
    FillingKind.RAW_EGG: Keeping((12, 16, 20), 1, "trade habit"),
    FillingKind.CREAM: Keeping((12, 16, 24), 2, "trade habit"),
    FillingKind.CURD: Keeping((12, 14, 20), 4, "trade habit"),
    FillingKind.GANACHE: Keeping((16, 24, 36), 5, "trade habit"),
    FillingKind.BUTTERCREAM: Keeping((24, 36, 48), 6, "trade habit"),
    FillingKind.OTHER: Keeping((12, 24, 48), 2, "trade habit, the shortest where nothing is known"),
}
"""Trade habit; a kitchen's own rule leads."""
MUCH = 0.12
"""An ingredient of which a filling holds this share decides what it is."""


def kind_of(filling: Material) -> FillingKind:
    """What a filling is, by what it holds most of."""
    whole = filling.mass_g or 1.0
    share: dict[str, float] = {}
    for part, grams in filling.parts.items():
        group = "butter" if counts_as(part) == "butter" else ingredient(part).kind
        share[group] = share.get(group, 0.0) + grams / whole
    if share.get("egg", 0.0) > MUCH / 2:
        return FillingKind.CURD
    if share.get("chocolate", 0.0) > MUCH:
        return FillingKind.GANACHE
    if share.get("dairy", 0.0) > MUCH:
        return FillingKind.CREAM
    return FillingKind.BUTTERCREAM if share.get("butter", 0.0) > MUCH else FillingKind.OTHER


def hours(kind: FillingKind) -> Estimate:
    """How long it takes until the bite is soft through."""
    low, likely, high = KEEPS[kind].hours
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def keeps_in_words(kind: FillingKind, own_rule: str = "") -> str:
    """How to keep what holds such a filling, and for how long: by the kitchen's own rule where it has one."""
    if own_rule:
        return f"Keep cold, by this kitchen's rule: {own_rule}."
    keeps = KEEPS[kind]
    days = f"{keeps.days} days" if keeps.days > 1 else "a day"
    return f"Keep at up to 5 °C, use within {days} ({keeps.source}; your own rule leads)."
