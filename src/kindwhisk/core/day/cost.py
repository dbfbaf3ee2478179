"""What an order costs: its ingredients and the hands that make it, as far as the kitchen has told its prices."""

from __future__ import annotations

from collections.abc import Mapping

from kindwhisk.core.process.cost import cost
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.values.model import Value


class OrderCost(Value):
    """In the kitchen's own money. ``goods`` is for ``priced_share`` of the weight; ``hands`` is None where an hour of
    hands has no price. ``each`` is for one of ``pieces`` (tins, pieces or portions)."""

    bake: str
    title: str
    goods: float
    priced_share: float
    unpriced: tuple[str, ...]
    hands_s: float
    hands: float | None
    total: float
    pieces: int
    each: float


def order_cost(
    bake: str, formula: Formula, prices: Mapping[str, float], hands_s: float, hand_per_h: float | None, pieces: int
) -> OrderCost:
    """The cost of a bake.

    Args:
        bake: its id.
        formula: in the amounts that are made.
        prices: per kg, by what each thing on the shelf goes by.
        hands_s: seconds that somebody is busy with it throughout.
        hand_per_h: what an hour of hands costs; None where that is not told.
        pieces: into how many it is counted, at least one.
    """
    goods = cost(formula, prices)
    hands = None if hand_per_h is None else hand_per_h * hands_s / 3600
    total = goods.amount + (hands or 0.0)
    return OrderCost(
        bake=bake,
        title=formula.title,
        goods=goods.amount,
        priced_share=goods.priced_g / max(1e-9, goods.total_g),
        unpriced=goods.unpriced,
        hands_s=hands_s,
        hands=hands,
        total=total,
        pieces=max(1, pieces),
        each=total / max(1, pieces),
    )
