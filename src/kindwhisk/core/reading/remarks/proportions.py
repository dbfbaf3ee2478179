"""Remarks on proportions: what is far out of them for a batter whose only leaven is air."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from kindwhisk.core.foams import balance
from kindwhisk.core.foams.foam import egg_white_g
from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.remarks.remark import Level, Remark


def _material(lines: Sequence[ReadLine]) -> Material:
    parts: dict[str, float] = {}
    for line in lines:
        if line.ingredient and line.grams:
            parts[line.ingredient] = parts.get(line.ingredient, 0.0) + line.grams
    return Material(parts=parts)


PROPORTIONS: tuple[tuple[str, float, str, str], ...] = (
    ("salt", 0.015, "all of it", "Salt is tasted from a hundredth on, and loosens the foam."),
    ("cream-of-tartar", 0.05, "the whites", "More than some hundredths tastes sour and slows the whisk."),
    ("baking-powder", 0.10, "the flour", "It rises, tastes of soap and falls."),
    ("baking-soda", 0.025, "the flour", "It tastes of soap and browns."),
    ("vanilla-extract", 0.04, "all of it", "Its alcohol and taste come through."),
    ("gelatine", 0.03, "all of it", "It sets like rubber."),
)
"""Ingredient, the share beyond which it is far out of proportion, of what, and what comes of it. Trade habit."""


MOST_COCOA = 0.66
NAMED = {"flavour": "cocoa"}


def on_proportions(lines: Sequence[ReadLine]) -> Iterator[Remark]:
    """What is far out of proportion for a foam bake."""
    whole = _material(lines)
    eggs = balance.egg_g(whole)
    whites = egg_white_g(whole) + 0.6 * whole.grams_of("whole-egg")
    totals = {
        "all of it": whole.mass_g,
        "the whites": whites,
        "the flour": balance.flour_g(whole) + balance.nut_g(whole),
    }
    for name, most, of, consequence in PROPORTIONS:
        there, total = whole.grams_of(name), totals[of]
        if there > 0 and total > 0 and there / total > most:
            yield Remark(
                id="out-of-proportion",
                level=Level.WRONG,
                where=next((line.text for line in lines if counts_as(line.ingredient or "") == name), ""),
                text=f"{ingredient(name).name}: {there / total:.0%} of {of} is far out of proportion.",
                consequence=consequence,
            )
    flour = balance.flour_g(whole)
    sugar = sum(x.grams or 0.0 for x in lines if x.ingredient and ingredient(x.ingredient).kind == "sugar")
    nuts = balance.nut_g(whole)
    cocoa, plain = whole.grams_of("cocoa", "cocoa-dutch"), flour
    of_egg = f"to {eggs:.0f} g of egg"
    checks = (
        (
            plain > 0 and cocoa / plain > MOST_COCOA and eggs > 0,
            "flavour",
            f"{cocoa:.0f} g of cocoa to {plain:.0f} g of flour",
            "It drinks the batter dry, and its fat costs the foam air.",
        ),
        (eggs > 0 and flour / eggs > 1.6, "flour", f"{flour:.0f} g of flour {of_egg}", "So little egg can't lift it."),
        (
            eggs > 0 and sugar / eggs > 2.3 and nuts < 0.3 * sugar,
            "sugar",
            f"{sugar:.0f} g of sugar {of_egg}",
            "It can't dissolve; it weeps.",
        ),
        (
            eggs > 0 and flour > 0 and sugar / eggs < 0.12,
            "sugar",
            f"only {sugar:.0f} g of sugar {of_egg}",
            "The foam dries and breaks.",
        ),
    )
    for wrong, kind, said, consequence in checks:
        if wrong:
            where = next(
                (line.text for line in lines if line.ingredient and ingredient(line.ingredient).kind == kind), ""
            )
            yield Remark(
                id="out-of-proportion",
                level=Level.WRONG,
                where=where,
                text=f"The {NAMED.get(kind, kind)} is far out of proportion: {said}.",
                consequence=consequence,
            )
