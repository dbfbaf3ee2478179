"""Lines and recipes that are read for the record."""

from __future__ import annotations

import csv
from pathlib import Path

from tests.core.test_reading import PASTE, ROLLED, SOAKED
from tests.core.test_remarks import BASIC, GOOD

with (Path(__file__).parents[1] / "core" / "lines.csv").open(newline="") as table:
    LINES: tuple[str, ...] = tuple(row["line"] for row in csv.DictReader(table))

LEMON = """Lemon chiffon
Serves 10
Batter
6 egg yolks
80 ml oil
90 ml milk
1 tsp lemon zest
140 g cake flour
1 tsp baking powder
Meringue
7 egg whites
130 g sugar
1/4 tsp cream of tartar
Method
1. Preheat the oven to 325 °F, bottom rack. Do not grease a 25 cm tube pan.
2. Whisk yolks, oil, milk and zest; sift in flour and baking powder.
3. Whip the whites with cream of tartar until frothy, add the sugar in three parts and whip to stiff peaks.
4. Fold a third of the meringue into the batter, then the rest.
5. Bake for 55 to 60 minutes, turn upside down and cool for 2 hours."""
KISSES = """Meringue kisses
100 g egg whites
200 g caster sugar
1 pinch salt
Warm the whites and the sugar over water to 60 °C, whip to stiff peaks until cool.
Pipe 3 cm kisses and dry at 95 °C for 1 h 30 min with the door ajar."""
SPONGE = """Genoise
4 eggs (large)
1/2 cup + 2 tbsp sugar
3/4 cup all-purpose flour
3 tbsp butter, melted
Whisk eggs and sugar over simmering water to 110F, whip to the ribbon, about 8 minutes.
Sift the flour over in two parts and fold. Fold in the butter. Bake at 350F in a 9-inch round pan 25-30 min."""
RECIPES: tuple[str, ...] = (
    ROLLED,
    PASTE,
    SOAKED,
    LEMON,
    KISSES,
    SPONGE,
    "Cake\nIngredients\n" + "\n".join(GOOD) + "\nMethod\n" + BASIC,
    "Cake\nIngredients\n3 egg whites\n400 g sugar\n90 g flour\nMethod\nFold in the flour. Whip the whites. "
    "Preheat the oven to 170 °C. Bake.",
)
