"""Rows of the table as an earlier version of it had them, which bakes of that time were made with.

A bake keeps what it was reckoned with when it was made: where a version of the table moves compositions, the
migration that brings it lets the bakes on disk name the rows of before, by an id that ends in ``@`` and the table's
number. Rows are never changed. Of each: percent water, sugars, fat, protein and starch; gas-free and bulk g/ml.
"""

from __future__ import annotations

from kindwhisk.core.ingredients.ingredient import Ingredient
from kindwhisk.core.ingredients.table import INGREDIENTS
from kindwhisk.core.ingredients.table.rows import recalled

# fmt: off
FIRST: dict[str, tuple[float, ...]] = {
    "egg-white": (88, 0.7, 0.1, 10, 0, 1.037, 1.03),
    "egg-yolk": (51, 0.6, 28, 16, 0, 1.03, 1.03),
    "whole-egg": (75.5, 0.7, 9.7, 12.5, 0, 1.035, 1.03),
    "white-dried": (8, 5, 0.2, 81, 0, 1.28, 0.45),
    "white-pasteurised": (88, 0.7, 0.1, 10, 0, 1.037, 1.03),
    "yolk-pasteurised": (53, 0.6, 26.5, 15.5, 0, 1.03, 1.03),
    "egg-pasteurised": (75.5, 0.7, 9.7, 12.5, 0, 1.035, 1.03),
    "egg-dried": (4, 3, 40, 48, 0, 1.2, 0.4),
    "sugar": (0, 100, 0, 0, 0, 1.587, 0.84),
    "icing-sugar": (0.3, 97, 0, 0, 2.7, 1.58, 0.5),
    "brown-sugar": (2, 96.5, 0, 0, 0, 1.57, 0.85),
    "dark-brown-sugar": (2.5, 95, 0, 0.1, 0, 1.57, 0.85),
    "invert-syrup": (22, 78, 0, 0, 0, 1.4, 1.4),
    "maple-syrup": (32, 67, 0, 0, 0, 1.32, 1.32),
    "molasses": (22, 74, 0.1, 0, 0, 1.42, 1.42),
    "isomalt": (0.5, 99, 0, 0, 0, 1.5, 0.8),
    "honey": (17.5, 81, 0, 0.3, 0, 1.42, 1.42),
    "glucose-syrup": (19, 80, 0, 0, 0, 1.41, 1.41),
    "golden-syrup": (19, 79.5, 0, 0.2, 0, 1.42, 1.42),
    "trehalose": (9.5, 90.5, 0, 0, 0, 1.54, 0.8),
    "cake-flour": (12.5, 0.5, 1, 8, 75.5, 1.45, 0.48),
    "plain-flour": (12.5, 0.6, 1.1, 10.3, 72.5, 1.45, 0.53),
    "strong-flour": (13, 0.6, 1.5, 12.5, 69.5, 1.45, 0.54),
    "wholemeal-flour": (12, 1, 2.2, 12, 60, 1.45, 0.53),
    "self-raising-flour": (12.5, 0.6, 1.1, 9.9, 69.5, 1.46, 0.53),
    "rice-flour": (12, 0.2, 1.2, 6, 78, 1.47, 0.62),
    "corn-starch": (12, 0, 0.1, 0.3, 87.5, 1.5, 0.53),
    "potato-starch": (16, 0, 0.1, 0.1, 83, 1.5, 0.65),
    "tapioca-starch": (12, 0.5, 0, 0.2, 87, 1.5, 0.52),
    "wheat-starch": (12, 0, 0.2, 0.4, 87, 1.5, 0.53),
    "oat-flour": (9, 1, 8, 14, 60, 1.42, 0.42),
    "almond-flour": (5, 4.5, 50, 21, 0.7, 1.1, 0.43),
    "hazelnut-ground": (5, 4.3, 61, 15, 0.5, 1.05, 0.4),
    "pistachio-ground": (4, 7.7, 45, 20, 1.7, 1.1, 0.45),
    "walnut-ground": (4, 2.6, 65, 15, 0.1, 1.05, 0.4),
    "pecan-ground": (3.5, 4, 72, 9.2, 0.5, 1.03, 0.4),
    "sunflower-ground": (4.7, 2.6, 51.5, 20.8, 2, 1.1, 0.45),
    "peanut-ground": (4, 4.7, 49, 26, 4, 1.1, 0.45),
    "coconut-desiccated": (3, 7, 64, 7, 0, 1.08, 0.35),
    "sesame-black": (4, 0.3, 52, 20, 0, 1.08, 0.5),
    "oil-neutral": (0, 0, 100, 0, 0, 0.92, 0.92),
    "oil-olive": (0, 0, 100, 0, 0, 0.915, 0.915),
    "butter": (16, 0.6, 82, 0.7, 0, 0.95, 0.95),
    "butter-clarified": (0.3, 0, 99.5, 0.1, 0, 0.91, 0.91),
    "coconut-oil": (0, 0, 100, 0, 0, 0.92, 0.92),
    "margarine": (18, 0, 80, 0.2, 0, 0.95, 0.95),
    "shortening": (0, 0, 100, 0, 0, 0.92, 0.87),
    "cocoa-butter": (0, 0, 100, 0, 0, 0.91, 0.91),
    "almond-butter": (1.7, 4.4, 55.5, 21, 3, 1.09, 1.08),
    "hazelnut-paste": (1.5, 4.5, 64, 15, 0.5, 1.06, 1.05),
    "cream-cheese": (54, 3.8, 34, 6, 0, 1.02, 0.98),
    "mascarpone": (50, 4, 41, 4.5, 0, 0.99, 0.98),
    "milk": (87.8, 4.8, 3.5, 3.3, 0, 1.03, 1.03),
    "milk-powder": (3.5, 52, 0.8, 36, 0, 1.42, 0.5),
    "cream-35": (59, 3.1, 35, 2.2, 0, 1, 1),
    "evaporated-milk": (74, 10, 7.6, 6.8, 0, 1.07, 1.07),
    "condensed-milk": (27, 55, 8.5, 7.9, 0, 1.3, 1.3),
    "buttermilk": (90, 4.8, 0.9, 3.3, 0, 1.03, 1.03),
    "yogurt": (87.9, 4.7, 3.3, 3.5, 0, 1.04, 1.03),
    "sour-cream": (74, 3.5, 19.5, 2.4, 0, 1.01, 1),
    "milk-skimmed": (90.8, 5, 0.1, 3.4, 0, 1.035, 1.035),
    "ricotta": (72, 3, 13, 11, 0, 1.04, 1.03),
    "oat-drink": (90, 4, 1.5, 1, 2.5, 1.03, 1.03),
    "soya-drink": (92, 1, 1.9, 3.3, 0, 1.02, 1.02),
    "coconut-milk": (73, 2.8, 21, 2, 0, 0.99, 0.98),
    "water": (100, 0, 0, 0, 0, 1, 1),
    "orange-juice": (88.3, 8.4, 0.2, 0.7, 0, 1.04, 1.04),
    "lemon-juice": (92.3, 2.5, 0.2, 0.4, 0, 1.03, 1.03),
    "lime-juice": (91, 1.7, 0.1, 0.4, 0, 1.03, 1.03),
    "citric-acid": (0.2, 0, 0, 0, 0, 1.67, 0.95),
    "vinegar-white": (94.8, 0, 0, 0, 0, 1.01, 1.01),
    "cream-of-tartar": (0.5, 0, 0, 0, 0, 1.95, 0.9),
    "coffee": (98.5, 0, 0, 0.2, 0, 1.01, 1.01),
    "coffee-instant": (3, 10, 0.3, 12, 0, 1.35, 0.25),
    "tea-brewed": (99.5, 0, 0, 0, 0, 1, 1),
    "apple-juice": (88, 10, 0.1, 0.1, 0, 1.04, 1.04),
    "rum": (60, 0, 0, 0, 0, 0.95, 0.95),
    "liqueur": (45, 30, 0, 0, 0, 1.05, 1.05),
    "wine-sweet": (71, 14, 0, 0.2, 0, 1.03, 1.03),
    "vanilla-extract": (53, 12, 0, 0, 0, 0.95, 0.88),
    "vanilla-paste": (35, 55, 0, 0, 0, 1.25, 1.25),
    "lemon-zest": (82, 4, 0.3, 1.5, 0, 1.02, 0.4),
    "orange-zest": (75, 8, 0.2, 1.5, 0, 1.02, 0.4),
    "cinnamon": (10, 2, 1.2, 4, 3, 1.4, 0.53),
    "ginger-ground": (10, 3.4, 4.2, 9, 50, 1.4, 0.37),
    "poppy-seed": (6, 3, 42, 18, 3, 1.05, 0.6),
    "tea-black": (5, 4, 2, 20, 3, 1.35, 0.4),
    "matcha": (5, 2, 5, 30, 2, 1.4, 0.36),
    "cocoa": (4, 1.8, 14, 20, 16, 1.45, 0.42),
    "chocolate-dark": (0.8, 36, 38, 7, 6, 1.28, 0.7),
    "chocolate-white": (1, 57, 34, 6, 0, 1.25, 0.7),
    "chocolate-milk": (1, 52, 32, 7.5, 2, 1.26, 0.7),
    "pumpkin-puree": (90, 3.3, 0.3, 1.1, 1, 1.03, 1.03),
    "banana": (75, 14, 0.3, 1.1, 5, 1.04, 0.95),
    "raspberry-puree": (86, 8, 0.5, 1.2, 0, 1.04, 1.04),
    "strawberry-puree": (90, 6, 0.4, 0.7, 0, 1.03, 1.03),
    "mango-puree": (82, 14, 0.4, 0.8, 0.5, 1.05, 1.05),
    "passion-fruit": (80, 11, 0.5, 1.5, 0, 1.05, 1.05),
    "apple-puree": (86, 11, 0.1, 0.3, 0, 1.04, 1.04),
    "jam": (30, 65, 0.1, 0.5, 0, 1.32, 1.32),
    "gelatine": (13, 0, 0, 85, 0, 1.35, 0.6),
    "agar": (12, 0, 0.2, 1, 0, 1.5, 0.55),
    "baking-powder": (5, 0, 0, 0, 28, 2, 0.9),
    "baking-soda": (0.2, 0, 0, 0, 0, 2.2, 0.95),
    "salt": (0.2, 0, 0, 0, 0, 2.16, 1.2),
    "colour-gel": (60, 30, 0, 0, 0, 1.15, 1.15),
}
# fmt: on


def _as_it_was(now: Ingredient, table: int, row: tuple[float, ...]) -> Ingredient:
    water, sugars, fat, protein, starch, density, bulk = row
    return now.model_copy(
        update={
            "id": f"{now.id}@{table}",
            "composition": recalled((water, sugars, fat, protein, starch)),
            "density_g_per_ml": density,
            "bulk_g_per_ml": bulk,
            "piece": None,
            "stands_for": now.counts_as,
        }
    )


EARLIER: tuple[Ingredient, ...] = tuple(_as_it_was(item, 1, FIRST[item.id]) for item in INGREDIENTS if item.id in FIRST)
