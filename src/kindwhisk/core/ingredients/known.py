"""Ingredients by id: those of the table, and goods that were told of.

A good's id ends in a digest of all that is known of it, so that an id means one thing for ever: telling of a good
twice changes nothing, a good whose label changes is another good, and whatever was made with the old one keeps it. That
is why this memory of what was told of may grow without making any computation depend on what went before it.
"""

from __future__ import annotations

from collections.abc import Iterable
from functools import cache, lru_cache

from kindwhisk.core.ingredients.earlier import EARLIER
from kindwhisk.core.ingredients.ingredient import Ingredient
from kindwhisk.core.ingredients.table import INGREDIENTS
from kindwhisk.core.values.errors import CraftError

_TOLD: dict[str, Ingredient] = {}


@cache
def ingredient_table() -> dict[str, Ingredient]:
    """Every ingredient of the table by its id."""
    return {item.id: item for item in INGREDIENTS}


@cache
def _lasting() -> dict[str, Ingredient]:
    """The table, and the rows as they were in earlier versions of it, which bakes of then still name."""
    return {**{item.id: item for item in EARLIER}, **ingredient_table()}


def tell(goods: Iterable[Ingredient]) -> None:
    """Make goods known by their ids; those of the table are known already."""
    for good in goods:
        if find(good.id) is None:
            _TOLD[good.id] = good
            counts_as.cache_clear()


def find(ingredient_id: str) -> Ingredient | None:
    """The ingredient of that id; None where nothing was told of it."""
    return _lasting().get(ingredient_id) or _TOLD.get(ingredient_id)


@lru_cache(maxsize=4096)
def counts_as(ingredient_id: str) -> str:
    """The id by which foams and ratios know an ingredient; of one that is not known, its own."""
    found = find(ingredient_id)
    return ingredient_id if found is None else found.counts_as


def is_known(ingredient_id: str) -> bool:
    """Whether there is an ingredient of that id."""
    return find(ingredient_id) is not None


def ingredient(ingredient_id: str) -> Ingredient:
    """The ingredient of that id.

    Raises:
        CraftError: there is none.
    """
    found = find(ingredient_id)
    if found is None:
        raise CraftError(
            f"There is no ingredient '{ingredient_id}'.",
            field="ingredient",
            remedy="Use an id of the ingredient table, such as 'egg-white' or 'cake-flour', or a good of your own.",
        )
    return found
