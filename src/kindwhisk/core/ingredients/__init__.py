"""The ingredients that the work uses, by id."""

from functools import cache

from kindwhisk.core.ingredients.ingredient import Composition, Ingredient
from kindwhisk.core.ingredients.table import INGREDIENTS
from kindwhisk.core.values.errors import CraftError

__all__ = ["Composition", "Ingredient", "ingredient", "ingredient_table"]


@cache
def ingredient_table() -> dict[str, Ingredient]:
    """Every ingredient by its id."""
    return {item.id: item for item in INGREDIENTS}


def ingredient(ingredient_id: str) -> Ingredient:
    """The ingredient of that id.

    Raises:
        CraftError: there is none.
    """
    try:
        return ingredient_table()[ingredient_id]
    except KeyError:
        raise CraftError(
            f"There is no ingredient '{ingredient_id}'.",
            field="ingredient",
            remedy="Use an id from the ingredient table, such as 'egg-white' or 'cake-flour'.",
        ) from None
