"""What a batch costs, as far as the prices of its goods are known."""

from __future__ import annotations

from collections.abc import Mapping

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.goods import shelf_key
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.values.model import Value


class Cost(Value):
    """In the kitchen's own money: ``amount`` of ``priced_g`` grams; ``unpriced`` are goods without a price."""

    amount: float
    priced_g: float
    total_g: float
    unpriced: tuple[str, ...]


def cost(formula: Formula, prices: Mapping[str, float]) -> Cost:
    """The cost of a formula's goods.

    Args:
        formula: in the amounts that are made.
        prices: per kg, by what each thing on the shelf goes by.
    """
    amount = priced = 0.0
    unpriced: dict[str, None] = {}
    for portion in formula.portions():
        price = prices.get(shelf_key(portion.ingredient))
        if price is None:
            unpriced[ingredient(portion.ingredient).name] = None
        else:
            amount += price * portion.grams / 1000
            priced += portion.grams
    return Cost(amount=amount, priced_g=priced, total_g=formula.total_g(), unpriced=tuple(unpriced))
