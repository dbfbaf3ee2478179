"""The ingredient table: one row an ingredient.

Compositions are rounded values of the public food composition tables (USDA FoodData Central and the
like), recalled and not checked against a copy, so every row is marked ``recalled``; labels of bought goods
lead. Egg parts and gas-free densities of white, yolk, sucrose, oil, flour, starch and ground almond are
the craft table's own. Bulk weights are levelled, spooned cups: good to about a tenth.
"""

from kindwhisk.core.ingredients.ingredient import Composition, Ingredient

_TABLES = "food composition tables, rounded, recalled"


def _row(
    ingredient_id: str,
    name: str,
    kind: str,
    composition: tuple[float, float, float, float, float],
    density: float,
    bulk: float,
    colour: str,
    allergens: str = "",
    tint: float = 1.0,
) -> Ingredient:
    """A row; ``composition`` is percent water, sugars, fat, protein, starch; the remainder is other solids."""
    water, sugars, fat, protein, starch = (part / 100 for part in composition)
    return Ingredient(
        id=ingredient_id,
        name=name,
        kind=kind,
        composition=Composition(
            water=water, sugars=sugars, fat=fat, protein=protein, starch=starch,
            other=round(1 - water - sugars - fat - protein - starch, 6),
        ),
        density_g_per_ml=density,
        bulk_g_per_ml=bulk,
        colour=colour,
        allergens=tuple(allergens.split()),
        tint=tint,
        source=_TABLES,
    )  # fmt: skip


# fmt: off
INGREDIENTS: tuple[Ingredient, ...] = (
    #    id                  name                   kind         water sugars fat protein starch  density bulk colour  allergens tint
    _row("egg-white",        "egg white",           "egg",       (88.0, 0.7, 0.1, 10.0, 0),    1.037, 1.03, "#f4f1e2", "egg"),
    _row("egg-yolk",         "egg yolk",            "egg",       (51.0, 0.6, 28.0, 16.0, 0),   1.03,  1.03, "#efab24", "egg", 2.0),
    _row("whole-egg",        "whole egg",           "egg",       (75.5, 0.7, 9.7, 12.5, 0),    1.035, 1.03, "#f2c14e", "egg", 1.6),
    _row("white-dried",      "dried egg white",     "egg",       (8.0, 5.0, 0.2, 81.0, 0),     1.28,  0.45, "#f3ecd2", "egg"),
    _row("white-pasteurised", "pasteurised egg white", "egg",    (88.0, 0.7, 0.1, 10.0, 0),    1.037, 1.03, "#f4f1e2", "egg"),
    _row("sugar",            "caster sugar",        "sugar",     (0, 100, 0, 0, 0),            1.587, 0.84, "#fbfaf6"),
    _row("icing-sugar",      "icing sugar",         "sugar",     (0.3, 97.0, 0, 0, 2.7),       1.58,  0.50, "#fdfcfa"),
    _row("brown-sugar",      "light brown sugar",   "sugar",     (2.0, 96.5, 0, 0, 0),         1.57,  0.85, "#c89a63", "", 2.0),
    _row("honey",            "honey",               "sugar",     (17.5, 81.0, 0, 0.3, 0),      1.42,  1.42, "#dc9a2e", "", 2.0),
    _row("glucose-syrup",    "glucose syrup",       "sugar",     (19.0, 80.0, 0, 0, 0),        1.41,  1.41, "#f4efe0"),
    _row("golden-syrup",     "cane syrup",          "sugar",     (19.0, 79.5, 0, 0.2, 0),      1.42,  1.42, "#d99a2b", "", 2.0),
    _row("trehalose",        "trehalose",           "sugar",     (9.5, 90.5, 0, 0, 0),         1.54,  0.80, "#fcfcf9"),
    _row("cake-flour",       "cake flour",          "flour",     (12.5, 0.5, 1.0, 8.0, 75.5),  1.45,  0.48, "#f5ecd7", "gluten"),
    _row("plain-flour",      "plain flour",         "flour",     (12.5, 0.6, 1.1, 10.3, 72.5), 1.45,  0.53, "#f3e8cf", "gluten"),
    _row("strong-flour",     "strong flour",        "flour",     (13.0, 0.6, 1.5, 12.5, 69.5), 1.45,  0.54, "#f1e5c9", "gluten"),
    _row("rice-flour",       "rice flour",          "flour",     (12.0, 0.2, 1.2, 6.0, 78.0),  1.47,  0.62, "#f8f6ef"),
    _row("corn-starch",      "maize starch",        "flour",     (12.0, 0, 0.1, 0.3, 87.5),    1.50,  0.53, "#fbfaf3"),
    _row("potato-starch",    "potato starch",       "flour",     (16.0, 0, 0.1, 0.1, 83.0),    1.50,  0.65, "#fcfcfa"),
    _row("almond-flour",     "ground almonds",      "nut",       (5.0, 4.5, 50.0, 21.0, 0.7),  1.10,  0.43, "#ecdcb9", "almond"),
    _row("hazelnut-ground",  "ground hazelnuts",    "nut",       (5.0, 4.3, 61.0, 15.0, 0.5),  1.05,  0.40, "#c9a06c", "hazelnut", 1.5),
    _row("pistachio-ground", "ground pistachios",   "nut",       (4.0, 7.7, 45.0, 20.0, 1.7),  1.10,  0.45, "#a9b163", "pistachio", 1.6),
    _row("walnut-ground",    "ground walnuts",      "nut",       (4.0, 2.6, 65.0, 15.0, 0.1),  1.05,  0.40, "#a98157", "walnut", 1.5),
    _row("coconut-desiccated", "desiccated coconut", "nut",      (3.0, 7.0, 64.0, 7.0, 0),     1.08,  0.35, "#f6f2e8"),
    _row("sesame-black",     "ground black sesame", "nut",       (4.0, 0.3, 52.0, 20.0, 0),     1.08,  0.50, "#4c463f", "sesame", 5.0),
    _row("oil-neutral",      "neutral oil",         "fat",       (0, 0, 100, 0, 0),            0.92,  0.92, "#ecd477"),
    _row("oil-olive",        "olive oil",           "fat",       (0, 0, 100, 0, 0),            0.915, 0.915, "#c9b448"),
    _row("butter",           "butter",              "fat",       (16.0, 0.6, 82.0, 0.7, 0),    0.95,  0.95, "#f3d778", "milk"),
    _row("butter-clarified", "clarified butter",    "fat",       (0.3, 0, 99.5, 0.1, 0),       0.91,  0.91, "#efc750", "milk"),
    _row("coconut-oil",      "coconut oil",         "fat",       (0, 0, 100, 0, 0),            0.92,  0.92, "#faf8f0"),
    _row("cream-cheese",     "cream cheese",        "dairy",     (54.0, 3.8, 34.0, 6.0, 0),    1.02,  0.98, "#f7f1df", "milk"),
    _row("mascarpone",       "mascarpone",          "dairy",     (50.0, 4.0, 41.0, 4.5, 0),    0.99,  0.98, "#f8f2e0", "milk"),
    _row("milk",             "whole milk",          "dairy",     (87.8, 4.8, 3.5, 3.3, 0),     1.03,  1.03, "#f8f4e8", "milk"),
    _row("milk-powder",      "skimmed milk powder", "dairy",     (3.5, 52.0, 0.8, 36.0, 0),    1.42,  0.50, "#f6eed8", "milk"),
    _row("cream-35",         "cream, 35 % fat",     "dairy",     (59.0, 3.1, 35.0, 2.2, 0),    1.00,  1.00, "#f8f0da", "milk"),
    _row("evaporated-milk",  "evaporated milk",     "dairy",     (74.0, 10.0, 7.6, 6.8, 0),    1.07,  1.07, "#efdcb4", "milk"),
    _row("condensed-milk",   "condensed milk",      "dairy",     (27.0, 55.0, 8.5, 7.9, 0),    1.30,  1.30, "#efdca8", "milk"),
    _row("buttermilk",       "buttermilk",          "dairy",     (90.0, 4.8, 0.9, 3.3, 0),     1.03,  1.03, "#f6f0df", "milk"),
    _row("yogurt",           "plain yogurt",        "dairy",     (87.9, 4.7, 3.3, 3.5, 0),     1.04,  1.03, "#f8f4ea", "milk"),
    _row("water",            "water",               "liquid",    (100, 0, 0, 0, 0),            1.0,   1.0,  "#e3eef0"),
    _row("orange-juice",     "orange juice",        "liquid",    (88.3, 8.4, 0.2, 0.7, 0),     1.04,  1.04, "#f0a63a", "", 2.0),
    _row("lemon-juice",      "lemon juice",         "acid",      (92.3, 2.5, 0.2, 0.4, 0),     1.03,  1.03, "#f1ecc0"),
    _row("vinegar-white",    "white vinegar",       "acid",      (94.8, 0, 0, 0, 0),           1.01,  1.01, "#f3f4ee"),
    _row("cream-of-tartar",  "cream of tartar",     "acid",      (0.5, 0, 0, 0, 0),            1.95,  0.90, "#fbfaf6"),
    _row("coffee",           "strong coffee",       "liquid",    (98.5, 0, 0, 0.2, 0),         1.01,  1.01, "#54331f", "", 4.0),
    _row("rum",              "rum, 40 %",           "liquid",    (60.0, 0, 0, 0, 0),           0.95,  0.95, "#c98d45", "", 1.5),
    _row("vanilla-extract",  "vanilla extract",     "flavour",   (53.0, 12.0, 0, 0, 0),        0.95,  0.88, "#6e4425", "", 4.0),
    _row("vanilla-paste",    "vanilla paste",       "flavour",   (35.0, 55.0, 0, 0, 0),        1.25,  1.25, "#573722", "", 5.0),
    _row("lemon-zest",       "lemon zest",          "flavour",   (82.0, 4.0, 0.3, 1.5, 0),     1.02,  0.40, "#e8c832", "", 2.0),
    _row("tea-black",        "fine black tea",      "flavour",   (5.0, 4.0, 2.0, 20.0, 3.0),   1.35,  0.40, "#5e3d24", "", 14.0),
    _row("matcha",           "matcha",              "flavour",   (5.0, 2.0, 5.0, 30.0, 2.0),   1.40,  0.36, "#718b35", "", 12.0),
    _row("cocoa",            "cocoa powder",        "flavour",   (4.0, 1.8, 14.0, 20.0, 16.0), 1.45,  0.42, "#5a3524", "", 9.0),
    _row("chocolate-dark",   "dark chocolate, 64 %", "chocolate", (0.8, 36.0, 38.0, 7.0, 6.0), 1.28,  0.70, "#3f241a", "milk soya", 5.0),
    _row("chocolate-white",  "white chocolate",     "chocolate", (1.0, 57.0, 34.0, 6.0, 0),    1.25,  0.70, "#f2e5c4", "milk soya", 1.5),
    _row("pumpkin-puree",    "pumpkin puree",       "fruit",     (90.0, 3.3, 0.3, 1.1, 1.0),   1.03,  1.03, "#d9822b", "", 2.5),
    _row("banana",           "ripe banana",         "fruit",     (75.0, 14.0, 0.3, 1.1, 5.0),  1.04,  0.95, "#e9d597"),
    _row("raspberry-puree",  "raspberry puree",     "fruit",     (86.0, 8.0, 0.5, 1.2, 0),     1.04,  1.04, "#ae2346", "", 3.0),
    _row("gelatine",         "gelatine leaf",       "setting",   (13.0, 0, 0, 85.0, 0),        1.35,  0.60, "#efe6c8"),
    _row("baking-powder",    "baking powder",       "leavener",  (5.0, 0, 0, 0, 28.0),         2.0,   0.90, "#fbfaf7"),
    _row("baking-soda",      "baking soda",         "leavener",  (0.2, 0, 0, 0, 0),            2.2,   0.95, "#fcfcfa"),
    _row("salt",             "fine salt",           "salt",      (0.2, 0, 0, 0, 0),            2.16,  1.2,  "#fafafa"),
    _row("colour-gel",       "food colour gel",     "colour",    (60.0, 30.0, 0, 0, 0),        1.15,  1.15, "#b73358", "", 30.0),
)
# fmt: on
