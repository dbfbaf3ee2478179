"""What an ingredient is: its composition, its density without air, what is in it for whom, and its colour."""

from __future__ import annotations

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

DENSITIES = {
    "water": 1.0, "sugars": 1.587, "starch": 1.50, "fat": 0.92, "protein": 1.33, "fibre": 1.45,
    "alcohol": 0.789, "salt": 2.16, "other": 1.6,
}  # fmt: skip
"""Grams a millilitre of each part. Water, sucrose, starch and fat: the craft's gas-free values; the rest recalled."""
BULK_SPREAD = 0.1
"""Of a levelled measure: a powder is sifted, spooned or scooped. Trade habit."""


class Composition(Value):
    """Mass fractions that sum to one; ``other`` is ash, acids and whatever a table does not tell apart."""

    water: float = 0
    sugars: float = 0
    starch: float = 0
    fat: float = 0
    protein: float = 0
    fibre: float = 0
    alcohol: float = 0
    salt: float = 0
    other: float = 0

    def heat_capacity(self) -> float:
        """Specific heat in kJ/(kg K), by mass fractions. Source: Choi and Okos 1986 at 20 C, recalled; ethanol 2.44."""
        return (
            4.18 * self.water
            + 1.98 * self.fat
            + 2.01 * self.protein
            + 1.55 * (self.sugars + self.starch)
            + 2.44 * self.alcohol
            + 1.3 * (self.fibre + self.salt + self.other)
        )

    def density_g_per_ml(self) -> float:
        """Density without air, volumes of the parts added; good to a few percent, alcohol in water a little less."""
        volume = sum(float(getattr(self, part)) / density for part, density in DENSITIES.items())
        return 1 / volume


class Piece(Value):
    """A solid piece that is mixed in or laid on and does not dissolve: its mass in g and its size across in mm."""

    grams: float
    size_mm: float


class Ingredient(Value):
    """One ingredient.

    Attributes:
        density_g_per_ml: free of gas.
        bulk_g_per_ml: what a levelled cup holds; turns a volume into a weight and back.
        tint: how strongly it colours a mixture, for a gram (:mod:`~kindwhisk.core.ingredients.colour`).
        allergens: by name, of :mod:`~kindwhisk.core.ingredients.allergens`, as it is usually made.
        often: allergens that it holds from some makers, or traces of them: its label says.
        check_label: it is made of several things, or its maker adds some.
        known: False for a good of which only the words and the amount are known.
        allergens_known: False until a label was read or a person has said what is in it.
        stands_for: the ingredient of the table that it counts as in ratios and foams; itself where it is empty.
        pack_g: what a pack of it holds, where its baker has said so.
        piece: of goods that stay in pieces; None for what spreads or dissolves.
        sr28: number of the food in the USDA's SR28; empty where that has none, or for a baker's own good.
        differs: why the composition or the cup is not that food's, where it is not.
    """

    id: str
    name: str
    kind: str
    composition: Composition
    density_g_per_ml: float
    bulk_g_per_ml: float
    colour: str
    allergens: tuple[str, ...] = ()
    often: tuple[str, ...] = ()
    check_label: bool = False
    known: bool = True
    allergens_known: bool = True
    stands_for: str = ""
    piece: Piece | None = None
    pack_g: float | None = None
    tint: float = 1.0
    basis: Basis = Basis.RECALLED
    source: str
    sr28: str = ""
    differs: str = ""

    def bulk_ml(self, grams: float) -> Estimate:
        """What so many grams fill of a measure, levelled: a powder by a tenth more or less, as it is packed."""
        return Estimate.around(grams / self.bulk_g_per_ml, BULK_SPREAD, Basis.weakest((self.basis, Basis.HABIT)))

    @property
    def counts_as(self) -> str:
        """The id by which foams, ratios and substitutions know it."""
        return self.stands_for or self.id
