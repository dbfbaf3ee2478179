"""What things are made of: the ingredient table, and goods that a kitchen has told of, by id."""

from kindwhisk.core.ingredients.ingredient import Composition, Ingredient, Piece
from kindwhisk.core.ingredients.known import counts_as, ingredient, ingredient_table, is_known, tell

__all__ = ["Composition", "Ingredient", "Piece", "counts_as", "ingredient", "ingredient_table", "is_known", "tell"]
