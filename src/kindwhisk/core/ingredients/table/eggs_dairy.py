"""Eggs, milk and what is made of milk, and the drinks that take its place."""

from kindwhisk.core.ingredients.ingredient import Ingredient
from kindwhisk.core.ingredients.table.rows import food, recalled

MEASURED = "egg parts as they are weighed and analysed at the bench, recalled"

# fmt: off
EGGS: tuple[Ingredient, ...] = (
    food("egg-white", "egg white", "egg", "01124", "#f4f1e2", 1.03, density=1.037, allergens="egg", differs=MEASURED,
         composition=recalled((88.0, 0.7, 0.1, 10.0, 0))),
    food("egg-yolk", "egg yolk", "egg", "01125", "#efab24", 1.03, density=1.03, allergens="egg", tint=0.55, differs=MEASURED,
         composition=recalled((51.0, 0.6, 28.0, 16.0, 0))),
    food("whole-egg", "whole egg", "egg", "01123", "#f2c14e", 1.03, density=1.035, allergens="egg", tint=0.75, differs=MEASURED,
         composition=recalled((75.5, 0.7, 9.7, 12.5, 0))),
    food("white-dried", "dried egg white", "egg", "01173", "#f3ecd2", 0.45, density=1.28, allergens="egg"),
    food("white-pasteurised", "pasteurised egg white", "egg", "01172", "#f4f1e2", 1.03, density=1.037, allergens="egg"),
    food("yolk-pasteurised", "pasteurised egg yolk", "egg", "01126", "#efab24", 1.03, density=1.03, allergens="egg", tint=0.55),
    food("egg-pasteurised", "pasteurised whole egg", "egg", "01171", "#f2c14e", 1.03, density=1.035, allergens="egg", tint=0.75),
    food("egg-dried", "dried whole egg", "egg", "01133", "#f0cf7c", "cup, sifted", density=1.20, allergens="egg", tint=0.9),
    food("yolk-dried", "dried egg yolk", "egg", "01137", "#eeb23f", "cup, sifted", density=1.15, allergens="egg", tint=0.8),
    food("yolk-sugared", "sugared egg yolk", "egg", "01127", "#eeab28", 1.06, allergens="egg", stands_for="egg-yolk", tint=0.55),
    food("quail-egg", "quail egg", "egg", "01140", "#f0c255", 1.03, density=1.035, allergens="egg", stands_for="whole-egg", tint=0.8),
    food("duck-egg", "duck egg", "egg", "01138", "#f0b23c", 1.03, density=1.035, allergens="egg", stands_for="whole-egg", tint=0.8),
    food("meringue-powder", "meringue powder", "egg", (3.0, 65.0, 0.1, 20.0, 8.0), "#f8f4e6", 0.55, allergens="egg", label=True),
)

DAIRY: tuple[Ingredient, ...] = (
    food("butter", "butter", "fat", "01145", "#f3d778", 0.95, density=0.95, allergens="milk",
         composition=recalled((16.0, 0.6, 82.0, 0.7, 0)), differs="European butter of 82 % fat; the source's is American"),
    food("butter-salted", "salted butter", "fat", "01001", "#f3d778", 0.95, density=0.96, allergens="milk", stands_for="butter"),
    food("butter-brown", "brown butter", "fat", (0.5, 0.5, 97.5, 1.2, 0), "#c98f3a", 0.91, density=0.91, allergens="milk"),
    food("butter-clarified", "clarified butter", "fat", "01003", "#efc750", 0.91, density=0.91, allergens="milk"),
    food("milk", "whole milk", "dairy", "01211", "#f8f4e8", 1.03, density=1.03, allergens="milk"),
    food("milk-semi", "semi-skimmed milk", "dairy", "01174", "#f7f4ea", 1.033, density=1.033, allergens="milk", stands_for="milk"),
    food("milk-skimmed", "skimmed milk", "dairy", "01151", "#f5f3ec", 1.035, density=1.035, allergens="milk"),
    food("milk-lactose-free", "lactose-free milk", "dairy", (88.0, 4.7, 3.5, 3.3, 0), "#f8f4e8", 1.03, density=1.03, allergens="milk", stands_for="milk"),
    food("milk-goat", "goat's milk", "dairy", "01106", "#f9f6ec", 1.03, density=1.03, allergens="milk", stands_for="milk"),
    food("milk-sheep", "sheep's milk", "dairy", "01109", "#f9f5e8", 1.035, density=1.035, allergens="milk", stands_for="milk"),
    food("milk-powder", "skimmed milk powder", "dairy", "01091", "#f6eed8", "cup", density=1.42, allergens="milk"),
    food("milk-powder-whole", "whole milk powder", "dairy", "01212", "#f6ecd0", "cup", density=1.30, allergens="milk"),
    food("buttermilk-powder", "buttermilk powder", "dairy", "01094", "#f5ecd4", "cup", density=1.40, allergens="milk"),
    food("whey-powder", "whey powder", "dairy", "01115", "#f3e9cc", "cup", density=1.45, allergens="milk"),
    food("malted-milk", "malted milk powder", "dairy", (2.5, 60.0, 8.0, 13.0, 12.0), "#ecd9a8", 0.45, allergens="barley wheat milk", label=True),
    food("cream-35", "cream, 35 % fat", "dairy", "01053", "#f8f0da", 1.00, density=1.00, allergens="milk"),
    food("cream-30", "cream, 30 % fat", "dairy", "01052", "#f8f1dd", 1.005, density=1.005, allergens="milk", stands_for="cream-35"),
    food("cream-double", "double cream, 48 % fat", "dairy", (47.5, 1.7, 48.0, 1.7, 0), "#f8eed0", 0.98, density=0.98, allergens="milk", stands_for="cream-35"),
    food("cream-light", "single cream", "dairy", "01050", "#f8f2e0", 1.01, density=1.01, allergens="milk"),
    food("half-and-half", "half and half", "dairy", "01049", "#f8f3e4", 1.02, density=1.02, allergens="milk"),
    food("cream-clotted", "clotted cream", "dairy", (31.0, 2.3, 63.5, 1.6, 0), "#f4e3ae", 0.95, allergens="milk"),
    food("creme-fraiche", "crème fraîche", "dairy", (61.5, 2.6, 33.0, 2.2, 0), "#f8f3e4", 1.00, density=1.00, allergens="milk"),
    food("sour-cream", "sour cream", "dairy", "01056", "#f8f4e8", "cup", density=1.01, allergens="milk"),
    food("evaporated-milk", "evaporated milk", "dairy", "01214", "#efdcb4", 1.07, density=1.07, allergens="milk"),
    food("condensed-milk", "condensed milk", "dairy", "01095", "#efdca8", 1.30, density=1.30, allergens="milk"),
    food("dulce-de-leche", "dulce de leche", "dairy", (27.0, 55.0, 7.5, 7.0, 0), "#b8733a", 1.33, allergens="milk", tint=1.7),
    food("buttermilk", "buttermilk", "dairy", "01088", "#f6f0df", 1.03, density=1.03, allergens="milk"),
    food("yogurt", "plain yogurt", "dairy", "01116", "#f8f4ea", 1.03, density=1.04, allergens="milk"),
    food("yogurt-greek", "Greek yogurt", "dairy", "01293", "#f9f6ec", 1.05, density=1.05, allergens="milk"),
    food("kefir", "kefir", "dairy", (89.5, 4.6, 1.0, 3.8, 0), "#f7f3e6", 1.03, density=1.03, allergens="milk"),
    food("quark", "quark", "dairy", (81.0, 4.0, 0.3, 12.5, 0), "#f9f6ee", 1.04, density=1.04, allergens="milk"),
    food("cream-cheese", "cream cheese", "dairy", "01017", "#f7f1df", "cup", density=1.02, allergens="milk"),
    food("mascarpone", "mascarpone", "dairy", (50.0, 4.0, 41.0, 4.5, 0), "#f8f2e0", 0.98, density=0.99, allergens="milk"),
    food("ricotta", "ricotta", "dairy", "01036", "#faf6ec", "cup", density=1.04, allergens="milk"),
    food("cottage-cheese", "cottage cheese", "dairy", "01012", "#faf7ee", "cup, large curd (not packed)", density=1.05, allergens="milk"),
    food("cheese-goat", "fresh goat's cheese", "dairy", "01159", "#faf7ee", 1.03, allergens="milk"),
    food("parmesan", "grated parmesan", "dairy", "01032", "#efdca0", "cup", allergens="milk"),
)

DRINKS: tuple[Ingredient, ...] = (
    food("oat-drink", "oat drink", "liquid", (90.0, 4.0, 1.5, 1.0, 2.5), "#efe6d2", 1.03, density=1.03, allergens="oats", label=True),
    food("oat-cream", "oat cream", "liquid", (78.0, 4.0, 13.0, 1.0, 3.0), "#f0e6cf", 1.00, density=1.00, allergens="oats", label=True),
    food("soya-drink", "soya drink", "liquid", "16222", "#f3ead2", 1.02, density=1.02, allergens="soya", label=True),
    food("soya-cream", "soya cream", "liquid", (77.0, 1.5, 17.5, 2.5, 0.5), "#f3ead0", 1.00, density=1.00, allergens="soya", label=True),
    food("almond-drink", "almond drink", "liquid", "14091", "#f3ebd8", 1.01, density=1.01, allergens="almond", label=True),
    food("rice-drink", "rice drink", "liquid", "14639", "#f2ede0", 1.03, density=1.03, label=True),
    food("hazelnut-drink", "hazelnut drink", "liquid", (92.0, 3.2, 1.6, 0.4, 2.0), "#e8d9bf", 1.02, density=1.02, allergens="hazelnut", label=True),
    food("cashew-drink", "cashew drink", "liquid", (95.0, 1.5, 1.5, 0.5, 0.5), "#f1e8d4", 1.01, density=1.01, allergens="cashew", label=True),
    food("coconut-drink", "coconut drink", "liquid", "14171", "#f7f5ee", 1.01, density=1.01, label=True),
    food("coconut-milk", "coconut milk", "liquid", "12118", "#f9f7f0", 0.98, density=0.99, often="sulphites"),
    food("coconut-cream", "coconut cream", "liquid", "12115", "#faf8f0", 0.98, density=0.98, often="sulphites"),
    food("coconut-cream-sweet", "cream of coconut", "liquid", "12116", "#f8f4e8", "tbsp", often="sulphites"),
    food("coconut-water", "coconut water", "liquid", "12119", "#eef0ea", 1.01, density=1.01, often="sulphites"),
    food("tofu", "silken tofu", "setting", (88.0, 0.8, 2.8, 5.2, 0.5), "#f6f0df", 1.03, density=1.03, allergens="soya"),
)
# fmt: on
