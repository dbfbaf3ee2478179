"""Stock: what there is of an ingredient, when it runs out, and what a kilogram of it costs."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from kindwhisk.core.values.model import Value

Grams = Annotated[float, Field(ge=0, le=10_000_000, allow_inf_nan=False)]


class StockItem(Value):
    """Of an ingredient: grams there, grams below which more is bought, what a pack holds, and its price per kg."""

    ingredient: Annotated[str, Field(min_length=1, max_length=60)]
    grams: Grams = 0.0
    least_g: Grams = 0.0
    pack_g: Annotated[float | None, Field(gt=0, le=1_000_000, allow_inf_nan=False)] = None
    price_per_kg: Annotated[float | None, Field(ge=0, le=1_000_000, allow_inf_nan=False)] = None
