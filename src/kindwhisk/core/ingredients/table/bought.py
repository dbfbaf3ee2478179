"""Bought parts: biscuits, pastry, crumbs, sweets and decorations. Their labels lead."""

from kindwhisk.core.ingredients.ingredient import Ingredient
from kindwhisk.core.ingredients.table.rows import food

# fmt: off
BISCUITS: tuple[Ingredient, ...] = (
    food("ladyfinger", "ladyfinger biscuits", "bought", "18423", "#e6c688", 0.20, density=0.30, piece=(7.0, 28), allergens="wheat egg", often="milk soya"),
    food("digestive", "digestive biscuits", "bought", (2.5, 17.0, 21.0, 7.0, 46.0), "#c9964f", 0.50, density=0.62, piece=(14.0, 70), allergens="wheat", often="milk soya"),
    food("graham-cracker", "graham crackers", "bought", "18173", "#c08a48", 0.42, density=0.55, piece=(14.0, 65), allergens="wheat", often="milk soya"),
    food("speculoos", "spiced caramel biscuits", "bought", (2.0, 38.0, 19.0, 5.0, 34.0), "#a8642e", 0.50, density=0.65, piece=(7.5, 60), allergens="wheat", often="soya milk", tint=1.5),
    food("speculoos-spread", "spiced biscuit spread", "bought", (1.5, 36.0, 38.0, 3.0, 20.0), "#a8662f", 1.15, density=1.18, allergens="wheat soya", label=True, tint=1.7),
    food("gingersnap", "ginger biscuits", "bought", "18172", "#9a5a2c", 0.50, density=0.70, piece=(7.0, 50), allergens="wheat", often="milk soya egg", tint=1.5),
    food("amaretti", "amaretti", "bought", (3.0, 70.0, 10.0, 6.0, 8.0), "#c98f4c", 0.35, density=0.45, piece=(4.0, 30), allergens="egg almond", often="wheat milk"),
    food("shortbread", "shortbread biscuits", "bought", "18192", "#e0b871", 0.50, density=0.70, piece=(12.0, 50), allergens="wheat milk", label=True),
    food("butter-biscuit", "butter biscuits", "bought", "18155", "#dcae62", 0.50, density=0.65, piece=(5.0, 50), allergens="wheat milk egg", label=True),
    food("vanilla-wafer", "vanilla wafers", "bought", "18213", "#e3bd76", 0.40, density=0.60, piece=(6.0, 38), allergens="wheat", often="egg milk soya"),
    food("marie-biscuit", "plain tea biscuits", "bought", "28351", "#dcae66", 0.50, density=0.60, piece=(5.0, 60), allergens="wheat", often="milk soya"),
    food("chocolate-sandwich", "cream-filled chocolate biscuits", "bought", "18166", "#2b1d1a", 0.50, density=0.75, piece=(11.0, 45), allergens="wheat soya", often="milk", tint=2.2),
    food("chocolate-wafer", "chocolate wafers", "bought", "18157", "#33201a", "cup, crumbs", density=0.70, piece=(6.0, 50), allergens="wheat", often="milk soya egg", tint=2.2),
    food("feuilletine", "crisp wafer flakes", "bought", (2.0, 40.0, 12.0, 7.0, 37.0), "#cf9a4f", 0.25, density=0.60, piece=(0.05, 8), allergens="wheat milk", often="soya egg"),
    food("biscuit-crumbs", "biscuit crumbs", "bought", "18173", "#c08a48", 0.40, density=1.30, allergens="wheat", often="milk soya egg"),
    food("breadcrumbs", "dry breadcrumbs", "bought", "18079", "#d9b97f", "cup", density=1.35, allergens="wheat", often="milk soya sesame"),
    food("cake-crumbs", "sponge crumbs", "bought", "18133", "#e6c47c", 0.30, density=1.20, allergens="wheat egg", often="milk soya"),
    food("puff-pastry", "puff pastry", "bought", (32.0, 1.0, 24.0, 6.0, 35.0), "#ead6a6", 0.90, density=1.05, allergens="wheat", often="milk egg"),
    food("phyllo", "filo pastry", "bought", "18338", "#efe0b8", 0.60, density=1.20, allergens="wheat", label=True),
    food("croissant", "croissants", "bought", "18239", "#cf9446", 0.12, density=0.30, piece=(57.0, 110), allergens="wheat milk", often="egg soya"),
    food("meringue-shells", "baked meringue", "bought", (2.0, 90.0, 0, 6.0, 0), "#faf5e8", 0.12, density=0.35, piece=(10.0, 50), allergens="egg", label=True),
)

SWEETS: tuple[Ingredient, ...] = (
    food("marshmallow", "marshmallows", "bought", "19116", "#fbf6f2", "cup of miniature", density=0.35, piece=(7.0, 28), often="egg sulphites"),
    food("marshmallow-cream", "marshmallow cream", "bought", "19365", "#fbf8f4", 0.60, allergens="egg", label=True),
    food("caramel", "soft caramels", "bought", "19074", "#b9722c", 0.90, density=1.30, piece=(10.0, 20), allergens="milk", label=True, tint=1.5),
    food("caramel-sauce", "caramel sauce", "bought", "19364", "#a8601f", "tbsp", density=1.33, allergens="milk", label=True, tint=1.9),
    food("toffee", "toffee pieces", "bought", "19383", "#a8662a", 0.70, density=1.30, piece=(0.3, 8), allergens="milk", label=True),
    food("fudge", "vanilla fudge", "bought", "19103", "#d8ac6c", 0.90, density=1.35, piece=(4.0, 15), allergens="milk", label=True),
    food("nougat", "nougat", "bought", "43046", "#f0e2c4", 0.90, density=1.25, piece=(10.0, 22), allergens="egg almond", often="hazelnut pistachio"),
    food("sprinkles", "sugar sprinkles", "bought", (1.0, 82.0, 6.0, 0.2, 9.0), "#e0889a", 0.80, density=1.45, piece=(0.01, 4), often="wheat milk soya"),
    food("sprinkles-chocolate", "chocolate sprinkles", "bought", (1.0, 68.0, 15.0, 3.5, 7.0), "#3f261b", 0.75, density=1.35, piece=(0.01, 5), allergens="soya", often="milk"),
    food("sugar-pearls", "sugar pearls", "bought", (1.0, 92.0, 0, 0.2, 5.0), "#e6e3e0", 0.95, density=1.50, piece=(0.05, 4), often="wheat soya milk"),
    food("rolling-icing", "rolling icing", "bought", (9.0, 82.0, 6.0, 0.2, 1.0), "#fbf9f4", 1.20, density=1.40, label=True),
)
# fmt: on
