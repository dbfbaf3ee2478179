"""Goods of a made-up kitchen."""

from __future__ import annotations

from typing import Any

from kindwhisk.core.ingredients import tell
from kindwhisk.core.ingredients.goods import Good, slug


def own(name: str, **figures: Any) -> Good:
    """A good on the shelf, told of."""
    good = Good(**{"key": slug(name), "name": name, **figures})
    tell((good.ingredient(),))
    return good
