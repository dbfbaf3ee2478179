"""How a row of the ingredient table is written, and what follows from it."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from kindwhisk.core.ingredients.ingredient import Composition, Ingredient, Piece
from kindwhisk.core.ingredients.sr28 import SR28, Sr28
from kindwhisk.core.values.estimate import Basis

RECALLED = "food composition tables, rounded, recalled"
CUP_ML = 236.588
MEASURES = {"cup": CUP_ML, "tbsp": 14.787, "tsp": 4.929, "fl oz": 29.574, "jigger": 44.36}
STARCHY = {"flour", "nut", "chocolate", "bought", "flavour", "leavener"}
"""Kinds whose carbohydrate beyond sugars and fibre is starch; elsewhere it is acids, gums and dextrins: ``other``."""
SWEET = {"dairy", "liquid", "fruit", "sugar"}
"""Kinds whose carbohydrate beyond fibre is sugars where the source does not tell them apart."""

Recalled = tuple[float, float, float, float, float]
"""Percent of water, sugars, fat, protein and starch; the remainder is other solids."""
Form = tuple[str, float, float]
"""The source's household measure of a form, and grams and mm of one of its pieces."""


def composition_of(row: Sr28, kind: str, *, unsalted: bool = False) -> Composition:
    """The mass fractions of a food of SR28.

    What it does not tell apart goes by the ``kind`` of food (:data:`STARCHY`, :data:`SWEET`). Salt is what the sodium
    would make; ``unsalted`` where the sodium is not salt's.
    """
    available = max(0.0, row.carbohydrate - row.fibre)
    # The sugars of some rows were analysed apart and come out above all of their carbohydrate.
    sugars = min(row.sugars, available) if row.sugars is not None else available if kind in SWEET else 0.0
    rest = max(0.0, available - sugars)
    starch = row.starch if row.starch is not None else rest if kind in STARCHY else 0.0
    salt = 0.0 if unsalted else min(2.5421 * row.sodium_mg / 1000, row.ash)
    parts = {
        "water": row.water, "sugars": sugars, "starch": min(starch, rest), "fat": row.fat, "protein": row.protein,
        "fibre": row.fibre, "alcohol": row.alcohol, "salt": salt,
    }  # fmt: skip
    told = row.water + row.fat + row.protein + row.carbohydrate + row.ash + row.alcohol
    whole = max(100.0, told, sum(parts.values()))
    shares = {name: round(value / whole, 6) for name, value in parts.items()}
    return Composition(**shares, other=round(1 - sum(shares.values()), 6))


def recalled(percent: Recalled, *, alcohol: float = 0) -> Composition:
    """Mass fractions of a food that is written down from memory."""
    water, sugars, fat, protein, starch = percent
    parts = {
        "water": water, "sugars": sugars, "fat": fat, "protein": protein, "starch": starch, "alcohol": alcohol,
    }  # fmt: skip
    shares = {name: value / 100 for name, value in parts.items()}
    return Composition(**shares, other=round(1 - sum(shares.values()), 6))


def bulk_of(row: Sr28, measure: str) -> float:
    """Grams a millilitre by one of the source's household measures, such as ``cup, sliced``."""
    grams = dict(row.measures)[measure]
    unit = next(name for name in MEASURES if measure.startswith(name))
    return grams / MEASURES[unit]


# The columns of the table, in their order.
def food(  # noqa: PLR0913
    food_id: str,
    name: str,
    kind: str,
    source: str | Recalled,
    colour: str,
    cup: str | float = "",
    *,
    density: float | None = None,
    tint: float = 1.0,
    allergens: str = "",
    often: str = "",
    label: bool = False,
    piece: tuple[float, float] | None = None,
    composition: Composition | None = None,
    differs: str = "",
    unsalted: bool = False,
    alcohol: float = 0,
    stands_for: str = "",
) -> Ingredient:
    """A row.

    Args:
        source: the food's number in SR28, or its composition, recalled.
        cup: the measure of SR28 that gives what a cup holds, or grams a millilitre, recalled; by default a cup of it
            holds no air.
        piece: grams and mm of a piece, for goods that stay in pieces.
        composition: measured, where it leads over the source for the reason in ``differs``.
        often: allergens that some makers add; implies ``label``.
    """
    number, row = (source, SR28[source]) if isinstance(source, str) else ("", None)
    if composition is None:
        if isinstance(source, str):
            composition = composition_of(SR28[source], kind, unsalted=unsalted)
        else:
            composition = recalled(source, alcohol=alcohol)
    rho = density if density is not None else round(composition.density_g_per_ml(), 3)
    bulk = cup if isinstance(cup, float | int) else bulk_of(SR28[number], cup) if cup else rho
    rho = max(rho, round(bulk, 4))  # a measure that was weighed full of it can't hold more than all of it
    sourced = row is not None and not differs
    return Ingredient(
        id=food_id,
        name=name,
        kind=kind,
        composition=composition,
        density_g_per_ml=rho,
        bulk_g_per_ml=round(bulk, 4),
        colour=colour,
        allergens=tuple(allergens.split()),
        often=tuple(often.split()),
        check_label=label or bool(often),
        tint=tint,
        piece=None if piece is None else Piece(grams=piece[0], size_mm=piece[1]),
        basis=Basis.PUBLISHED if sourced else Basis.RECALLED,
        source=f"USDA SR28, {number}: {row.name}" if sourced and row is not None else differs or RECALLED,
        sr28=number,
        differs=differs,
        stands_for=stands_for,
    )


def with_forms(base: Ingredient, **forms: Form) -> Iterator[Ingredient]:
    """A food and the forms that it is cut into: ``sliced=("cup, sliced", 3.0, 20)`` makes its ``-sliced``."""
    yield base
    named: Mapping[str, Form] = forms
    for form, (measure, grams, size_mm) in named.items():
        yield base.model_copy(
            update={
                "id": f"{base.id}-{form}",
                "name": f"{form} {base.name.removeprefix('whole ')}",
                "bulk_g_per_ml": round(bulk_of(SR28[base.sr28], measure), 4),
                "piece": Piece(grams=grams, size_mm=size_mm),
            }
        )
