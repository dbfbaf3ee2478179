"""Nuts, seeds and coconut: whole, cut, ground and as paste."""

from kindwhisk.core.ingredients.ingredient import Ingredient
from kindwhisk.core.ingredients.table.rows import food, with_forms

# fmt: off
GROUND: tuple[Ingredient, ...] = (
    food("almond-flour", "ground almonds", "nut", "12062", "#ecdcb9", 0.4015, density=1.10, allergens="almond"),
    food("hazelnut-ground", "ground hazelnuts", "nut", "12120", "#c9a06c", "cup, ground", density=1.05, allergens="hazelnut", tint=1.3),
    food("pistachio-ground", "ground pistachios", "nut", "12151", "#a9b163", 0.42, density=1.10, allergens="pistachio", tint=1.3),
    food("walnut-ground", "ground walnuts", "nut", "12155", "#a98157", "cup, ground", density=1.05, allergens="walnut", tint=1.3),
    food("pecan-ground", "ground pecans", "nut", "12142", "#a07a50", 0.40, density=1.03, allergens="pecan", tint=1.3),
    food("cashew-ground", "ground cashews", "nut", "12087", "#ecd9b0", 0.45, density=1.08, allergens="cashew"),
    food("peanut-ground", "ground peanuts", "nut", "16087", "#d2a76a", 0.45, density=1.10, allergens="peanut", tint=1.1),
    food("sunflower-ground", "ground sunflower seeds", "nut", "12036", "#bdb39a", 0.45, density=1.10),
    food("coconut-desiccated", "desiccated coconut", "nut", "12108", "#f6f2e8", 0.35, density=1.08, often="sulphites"),
    food("sesame-black", "ground black sesame", "nut", "12023", "#4c463f", 0.50, density=1.08, allergens="sesame", tint=2.5),
)

WHOLE: tuple[Ingredient, ...] = (
    *with_forms(food("almond", "whole almonds", "nut", "12061", "#b07a4a", "cup, whole", density=1.07, allergens="almond", piece=(1.2, 22)),
                chopped=("cup, ground", 0.2, 6), slivered=("cup, slivered", 0.25, 15), sliced=("cup, sliced", 0.12, 16)),
    *with_forms(food("hazelnut", "whole hazelnuts", "nut", "12120", "#b9824a", "cup, whole", density=1.03, allergens="hazelnut", piece=(1.4, 14)),
                chopped=("cup, chopped", 0.15, 6)),
    *with_forms(food("pistachio", "whole pistachios", "nut", "12151", "#9aa552", "cup", density=1.06, allergens="pistachio", piece=(0.6, 14)),
                chopped=("cup", 0.1, 5)),
    *with_forms(food("walnut", "walnut halves", "nut", "12155", "#9a6f43", "cup shelled (50 halves)", density=1.00, allergens="walnut", piece=(2.0, 28)),
                chopped=("cup, chopped", 0.3, 8)),
    *with_forms(food("pecan", "pecan halves", "nut", "12142", "#8a5a33", "cup, halves", density=0.98, allergens="pecan", piece=(1.4, 28)),
                chopped=("cup, chopped", 0.3, 8)),
    food("cashew", "whole cashews", "nut", "12087", "#e6d0a6", 0.55, density=1.06, allergens="cashew", piece=(1.5, 24)),
    food("macadamia", "macadamia nuts", "nut", "12131", "#ead9b2", "cup, whole or halves", density=0.98, allergens="macadamia", piece=(2.4, 18)),
    food("brazil-nut", "Brazil nuts", "nut", "12078", "#d8c29a", "cup, whole", density=1.02, allergens="brazil-nut", piece=(5.0, 32)),
    food("pine-nut", "pine nuts", "nut", "12147", "#eadcae", "cup", density=1.00, allergens="pine-nut", piece=(0.17, 11)),
    food("peanut", "whole peanuts", "nut", "16087", "#cf9f63", "cup", density=1.05, allergens="peanut", piece=(0.8, 13)),
    food("peanut-roasted", "roasted peanuts", "nut", "16390", "#b9803f", "cup", density=1.03, allergens="peanut", piece=(0.8, 13)),
    food("nuts-mixed", "mixed nuts", "nut", "12138", "#b08452", "cup", density=1.03, piece=(1.3, 18), label=True,
         allergens="almond hazelnut cashew pecan brazil-nut", often="peanut walnut macadamia pistachio"),
    food("chestnut", "cooked chestnuts", "fruit", "12101", "#a9774a", 0.60, piece=(9.0, 26)),
    food("chestnut-puree", "chestnut puree", "fruit", "12098", "#a27a54", 1.08, tint=1.3),
    food("chestnut-cream", "sweet chestnut cream", "fruit", (36.0, 45.0, 0.6, 1.5, 15.0), "#7d5434", 1.25, tint=1.5),
    food("coconut-fresh", "fresh coconut", "nut", "12104", "#fbf9f2", "cup, shredded", density=1.05, piece=(0.3, 20)),
    food("coconut-flakes", "coconut flakes", "nut", "12108", "#f6f2e8", 0.25, density=1.02, piece=(0.15, 20), often="sulphites"),
    food("coconut-sweetened", "sweetened shredded coconut", "nut", "12179", "#f8f5ec", "cup, shredded", density=1.15, often="sulphites"),
    food("sesame", "sesame seeds", "nut", "12023", "#e6d3a4", "cup", density=1.08, allergens="sesame"),
    food("poppy-seed", "poppy seed", "flavour", "02033", "#4d5058", "tsp", density=1.05, tint=2.2),
    food("sunflower-seeds", "sunflower seeds", "nut", "12036", "#bdb39a", "cup", density=1.05, piece=(0.05, 9)),
    food("pumpkin-seeds", "pumpkin seeds", "nut", "12014", "#6f8148", "cup", density=1.08, piece=(0.14, 14)),
    food("flaxseed", "linseed", "nut", "12220", "#7a4b2a", "tbsp, whole", density=1.12, tint=1.2),
    food("chia", "chia seeds", "nut", "12006", "#4d4a47", 0.68, density=1.10, tint=1.5),
    food("hemp-seed", "hemp seeds", "nut", "12012", "#c9c19a", "tbsp", density=1.05),
)

PASTES: tuple[Ingredient, ...] = (
    food("almond-butter", "almond butter", "nut", "12195", "#b98a5b", "cup", density=1.09, allergens="almond", tint=1.5, label=True),
    food("peanut-butter", "peanut butter", "nut", "16398", "#b9823f", "cup", density=1.09, allergens="peanut", tint=1.5, label=True),
    food("cashew-butter", "cashew butter", "nut", "12088", "#d9b77c", "tbsp", density=1.09, allergens="cashew", tint=1.3, label=True),
    food("sunflower-butter", "sunflower seed butter", "nut", "12040", "#a58a5c", "tbsp", density=1.08, tint=1.3, label=True),
    food("tahini", "tahini", "nut", "12166", "#c9ab7a", "tbsp", density=1.06, allergens="sesame", tint=1.3),
    food("hazelnut-paste", "hazelnut paste", "nut", (1.5, 4.5, 64.0, 15.0, 0.5), "#8f5f36", 1.05, density=1.06, allergens="hazelnut", tint=1.9, label=True),
    food("pistachio-paste", "pistachio paste", "nut", (2.5, 8.0, 48.0, 20.0, 2.0), "#8f9a45", 1.07, density=1.08, allergens="pistachio", tint=1.9, often="almond soya"),
    food("praline-paste", "praline paste", "nut", (1.0, 50.0, 33.0, 8.5, 1.0), "#96632f", 1.20, density=1.22, allergens="hazelnut almond", tint=1.9, often="soya milk"),
    food("gianduja", "gianduja", "chocolate", (1.0, 48.0, 34.0, 7.0, 2.0), "#6e4425", 0.75, density=1.20, allergens="hazelnut soya", often="milk almond", tint=2.2),
    food("hazelnut-spread", "chocolate hazelnut spread", "nut", "19125", "#5b3520", 1.20, density=1.22, allergens="hazelnut milk soya", tint=2.2, label=True),
    food("almond-paste", "almond paste", "nut", "12071", "#e3cc9c", "cup, firmly packed", density=1.20, allergens="almond", label=True),
    food("marzipan", "marzipan", "nut", (8.0, 62.0, 17.0, 6.5, 0.5), "#ead7ac", 1.15, density=1.28, allergens="almond", often="egg sulphites"),
    food("nougatine", "nougatine", "nut", (1.0, 62.0, 22.0, 8.0, 0), "#b8742c", 0.60, density=1.35, allergens="almond", often="hazelnut milk", piece=(0.2, 6)),
    food("halva", "halva", "nut", "19117", "#d2b380", 1.0, allergens="sesame", often="pistachio almond", tint=1.2),
)
# fmt: on
