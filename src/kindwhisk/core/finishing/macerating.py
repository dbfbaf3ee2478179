"""Fruit under sugar: how much juice it gives by when. Trade habit; it differs by ripeness by half and more."""

from __future__ import annotations

import math

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate

MOST_JUICE = 0.45
"""Share of ripe fruit that runs out under much sugar."""
HALF_AT = 0.35
"""Grams of sugar to a gram of fruit that draw half of that."""
MINUTES = 45.0
AT_MM = 20.0
"""A piece of this size has given two thirds of its juice after so many minutes; a larger one takes longer."""
SPREAD = 0.4
WET = 0.6
JUICES = {
    "strawberry": "strawberry-puree", "raspberry": "raspberry-puree", "blueberry": "blueberry-puree",
    "cherry": "cherry-puree", "peach": "peach-puree", "apricot": "apricot-puree", "pear": "pear-puree",
    "mango": "mango-puree",
    "blackcurrant": "blackcurrant-puree",
}  # fmt: skip
"""What the juice of a fruit counts as from then on: the same food, no longer in pieces."""


def _juicy(material: Material) -> dict[str, float]:
    return {
        i: g
        for i, g in material.parts.items()
        if ingredient(i).piece is not None and ingredient(i).kind == "fruit" and ingredient(i).composition.water > WET
    }


def juice_g(material: Material, minutes: float) -> Estimate:
    """Juice in g that the fruit of a content has given after so many minutes; none where no sugar draws it."""
    fruit = _juicy(material)
    mass = sum(fruit.values())
    sugar = sum(g for i, g in material.parts.items() if ingredient(i).kind == "sugar")
    if mass <= 0 or sugar <= 0:
        return Estimate.exact(0.0, Basis.HABIT)
    ratio = sugar / mass
    share = MOST_JUICE * ratio / (ratio + HALF_AT)
    given = 0.0
    for ingredient_id, grams in fruit.items():
        piece = ingredient(ingredient_id).piece
        size = piece.size_mm if piece else AT_MM
        given += grams * share * (1 - math.exp(-minutes / (MINUTES * size / AT_MM)))
    return Estimate.around(given, SPREAD, Basis.HABIT)


def macerated(material: Material, minutes: float) -> Material:
    """The same content with its juice run out: fruit in pieces less, juice of the same food more; no gram is lost."""
    juice = juice_g(material, minutes).likely
    fruit = _juicy(material)
    mass = sum(fruit.values())
    if juice <= 0:
        return material
    parts = dict(material.parts)
    for ingredient_id, grams in fruit.items():
        into = next((j for base, j in JUICES.items() if ingredient_id.split("-")[0] == base), None)
        if into is not None:
            runs = juice * grams / mass
            parts[ingredient_id] = grams - runs
            parts[into] = parts.get(into, 0.0) + runs
    return material.model_copy(update={"parts": parts})
