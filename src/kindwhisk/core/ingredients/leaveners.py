"""Chemical leaveners in a batter, on the scale of baking powder."""

from kindwhisk.core.ingredients.material import Material

STRENGTH: dict[str, float] = {
    "baking-powder": 1.0,
    "baking-soda": 2.0,
    "self-raising-flour": 0.045,
}
"""Grams of baking powder that a gram stands for in a batter of sponge or chiffon.

A gram of soda gives, with acid enough, as much gas as three to four of powder; in such a batter acid is scarce, and
about half of it works. Self-raising flour holds four to five parts of powder in a hundred. Trade habit, recalled.
"""


def as_baking_powder_g(material: Material) -> float:
    """Leavener in grams of baking powder."""
    return sum(STRENGTH.get(i, 0.0) * g for i, g in material.counted.items())
