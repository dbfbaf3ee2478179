"""What to buy for a day: what it needs against what there is, in whole packs where these are known."""

from __future__ import annotations

import math
from collections.abc import Mapping

from kindwhisk.core.day.stock import StockItem
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.goods import shelf_key
from kindwhisk.core.values.model import Value


class ToBuy(Value):
    """An ingredient: grams needed, grams there (None: not told), grams to buy and in how many packs, and what is left
    after the day. ``low``: it falls below what the kitchen wants to have."""

    ingredient: str
    name: str
    needed_g: float
    there_g: float | None
    buy_g: float
    packs: int | None
    left_g: float | None
    low: bool
    amount: float | None


def shopping(needed: Mapping[str, float], stock: Mapping[str, StockItem]) -> tuple[ToBuy, ...]:
    """By what has to be bought first.

    Args:
        needed: grams by ingredient.
        stock: what there is, by what it goes by; what is not in it is taken to be missing altogether.
    """
    wanted: dict[str, float] = {}
    ids = {key: s.ingredient for key, s in stock.items() if s.grams < s.least_g}
    for ingredient_id, grams in needed.items():
        key = shelf_key(ingredient_id)
        wanted[key] = wanted.get(key, 0.0) + grams
        ids[key] = ingredient_id
    found = []
    for key, ingredient_id in ids.items():
        grams, item = wanted.get(key, 0.0), stock.get(key)
        there = item.grams if item else None
        short = grams + (item.least_g if item else 0.0) - (there or 0.0)
        buy, packs = max(0.0, short), None
        if item is not None and item.pack_g and buy > 0:
            packs = math.ceil(round(buy / item.pack_g, 6))
            buy = packs * item.pack_g
        price = item.price_per_kg if item else None
        found.append(
            ToBuy(
                ingredient=ingredient_id,
                name=ingredient(ingredient_id).name,
                needed_g=grams,
                there_g=there,
                buy_g=buy,
                packs=packs,
                left_g=None if there is None else max(0.0, there - grams),
                low=item is not None and there is not None and there - grams < item.least_g,
                amount=None if price is None else price * buy / 1000,
            )
        )
    return tuple(sorted(found, key=lambda b: (-b.buy_g, b.name)))
