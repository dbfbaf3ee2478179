"""The ingredient table: one row a food, by family.

Compositions and household measures are those of the USDA's SR28 where it has the food (``sr28``); where it has none the
row is recalled and says so; a measured value leads over both and says why. Labels of bought goods lead over all.
Densities are free of gas. Kinds say what a food does in a batter; allergens are those of the food as it is usually made.
"""

from kindwhisk.core.ingredients.ingredient import Ingredient
from kindwhisk.core.ingredients.table.bought import BISCUITS, SWEETS
from kindwhisk.core.ingredients.table.eggs_dairy import DAIRY, DRINKS, EGGS
from kindwhisk.core.ingredients.table.fats_liquids import FATS, LIQUIDS, SPIRITS
from kindwhisk.core.ingredients.table.flavours import CHOCOLATE, FLAVOURS, SETTING
from kindwhisk.core.ingredients.table.fruit import DRIED, FRESH, JAMS, PUREES
from kindwhisk.core.ingredients.table.nuts import GROUND, PASTES, WHOLE
from kindwhisk.core.ingredients.table.sugars_flours import FLOURS, SUGARS

INGREDIENTS: tuple[Ingredient, ...] = (
    *EGGS, *SUGARS, *FLOURS, *GROUND, *PASTES, *WHOLE, *FATS, *DAIRY, *DRINKS, *LIQUIDS, *SPIRITS, *FLAVOURS, *CHOCOLATE,
    *FRESH, *PUREES, *DRIED, *JAMS, *BISCUITS, *SWEETS, *SETTING,
)  # fmt: skip
