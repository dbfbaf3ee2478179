"""What an ingredient is: its composition, its density without air, its allergens and its colour."""

from kindwhisk.core.values.estimate import Basis
from kindwhisk.core.values.model import Value


class Composition(Value):
    """Mass fractions that sum to one."""

    water: float = 0
    sugars: float = 0
    fat: float = 0
    protein: float = 0
    starch: float = 0
    other: float = 0

    def heat_capacity(self) -> float:
        """Specific heat in kJ/(kg K), by mass fractions. Source: Choi and Okos 1986 at 20 C, recalled."""
        return (
            4.18 * self.water
            + 1.98 * self.fat
            + 2.01 * self.protein
            + 1.55 * (self.sugars + self.starch)
            + 1.3 * self.other
        )


class Ingredient(Value):
    """One ingredient.

    ``density_g_per_ml`` is free of gas; ``bulk_g_per_ml`` is what a levelled cup holds and only serves
    to show a volume beside a weight. ``tint`` weighs its colour when colours are mixed by mass.
    """

    id: str
    name: str
    kind: str
    composition: Composition
    density_g_per_ml: float
    bulk_g_per_ml: float
    colour: str
    allergens: tuple[str, ...] = ()
    tint: float = 1.0
    basis: Basis = Basis.RECALLED
    source: str
