"""Filled shells mature: moisture goes from the filling into the shell, sooner from a wet one; how long each keeps."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.ingredients.groups import MUCH, shares
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.shelf_life.limits import DAYS, SOURCE, KeptAs
from kindwhisk.core.values.estimate import Basis, Estimate


class FillingKind(StrEnum):
    """Fillings by how they mature and keep."""

    RAW_EGG = "a filling with raw egg"
    CREAM = "cream or fresh cheese"
    CURD = "curd"
    GANACHE = "ganache"
    BUTTERCREAM = "buttercream"
    OTHER = "another filling"


HOURS: dict[FillingKind, tuple[float, float, float]] = {
    FillingKind.RAW_EGG: (12, 16, 20),
    FillingKind.CREAM: (12, 16, 24),
    FillingKind.CURD: (12, 14, 20),
    FillingKind.GANACHE: (16, 24, 36),
    FillingKind.BUTTERCREAM: (24, 36, 48),
    FillingKind.OTHER: (12, 24, 48),
}
"""Until it has matured at 4 C, boxed. Trade habit."""
KEPT_AS: dict[FillingKind, KeptAs] = {
    FillingKind.RAW_EGG: KeptAs.RAW_EGG,
    FillingKind.CREAM: KeptAs.CREAM,
    FillingKind.CURD: KeptAs.CURD,
    FillingKind.GANACHE: KeptAs.GANACHE_SHELLS,
    FillingKind.BUTTERCREAM: KeptAs.BUTTERCREAM_SHELLS,
    FillingKind.OTHER: KeptAs.CREAM,
}
"""What shells that hold it count as; where nothing is known, what keeps shortest of what is cooked."""


def kind_of(filling: Material) -> FillingKind:
    """What a filling is, by what it holds most of."""
    share = shares(filling)
    if share.get("egg", 0.0) > MUCH / 2:
        return FillingKind.CURD
    if share.get("chocolate", 0.0) > MUCH:
        return FillingKind.GANACHE
    if share.get("dairy", 0.0) > MUCH:
        return FillingKind.CREAM
    return FillingKind.BUTTERCREAM if share.get("butter", 0.0) > MUCH else FillingKind.OTHER


def hours(kind: FillingKind) -> Estimate:
    """How long it takes until the bite is soft through."""
    low, likely, high = HOURS[kind]
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def keeps_days(kind: FillingKind) -> str:
    """For how long what holds such a filling keeps, by guidance, in words."""
    days = DAYS[KEPT_AS[kind]].days
    return f"{days:g} days" if days > 1 else "a day"


def keeps_in_words(kind: FillingKind, own_rule: str = "") -> str:
    """How to keep what holds such a filling, and for how long: by the kitchen's own rule where it has one."""
    if own_rule:
        return f"Keep cold, by this kitchen's rule: {own_rule}."
    return f"Keep at up to 5 °C, use within {keeps_days(kind)} ({SOURCE}; your own rule leads)."
