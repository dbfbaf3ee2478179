"""How much of a content each group of ingredients is: what decides what it is, how it matures and how it keeps."""

from __future__ import annotations

from kindwhisk.core.ingredients.known import counts_as, ingredient
from kindwhisk.core.ingredients.material import Material

MUCH, SOME, LITTLE = 0.12, 0.03, 0.002
"""Shares from which a group decides, is in it, or is in it at all. Chosen."""
ACIDS = frozenset({"lemon-juice", "lime-juice", "passion-fruit", "orange-juice"})


def shares(content: Material) -> dict[str, float]:
    """Mass fraction by kind of ingredient, by what an ingredient counts as, and of ``thickener`` and ``acid``."""
    whole = content.mass_g or 1.0
    found: dict[str, float] = {}
    for part, grams in content.parts.items():
        known, kind = counts_as(part), ingredient(part).kind
        groups = {kind, known}
        if "starch" in known or kind == "flour":
            groups.add("thickener")
        if known in ACIDS:
            groups.add("acid")
        for group in groups:
            found[group] = found.get(group, 0.0) + grams / whole
    return found
