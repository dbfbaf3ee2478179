"""Acids in a foam of whites, on the scale of cream of tartar."""

from kindwhisk.core.ingredients.material import Material

STRENGTH: dict[str, float] = {
    "cream-of-tartar": 1.0,
    "citric-acid": 1.3,
    "lemon-juice": 0.16,
    "lime-juice": 0.16,
    "vinegar-white": 0.16,
}
"""Grams of cream of tartar that a gram stands for: half a teaspoon of lemon juice or vinegar for an eighth of a
teaspoon of cream of tartar. Trade habit; citric acid recalled."""


def as_cream_of_tartar_g(material: Material) -> float:
    """Acid in grams of cream of tartar."""
    return sum(STRENGTH.get(i, 0.0) * g for i, g in material.counted.items())
