"""How right the names of goods are read: those that were written for the reader, and those that were set aside."""

from __future__ import annotations

import csv
from pathlib import Path

from kindwhisk.core.ingredients import ingredient_table
from kindwhisk.core.reading.line import read_line

GOODS = Path(__file__).parents[1] / "tests" / "core" / "goods"


def _told(file: str, words: str) -> None:
    rows = list(csv.DictReader((GOODS / file).open(encoding="utf-8"), delimiter=";"))
    right = missed = wrong = lost = invented = 0
    for row in rows:
        got = read_line(f"100 g {row['name']}")
        holds, meant = set(got.allergens), set(row["contains"].split())
        right += (got.ingredient or "") == row["food"]
        missed += got.ingredient is None and bool(row["food"])
        wrong += got.ingredient is not None and got.ingredient != row["food"]
        lost += got.ingredient is not None and bool(meant - holds)
        invented += bool(holds - meant)
    print(
        f"names of goods, {words:<10} {right} of {len(rows)} as meant; {missed} known foods not understood, "
        f"{wrong} taken for another; {lost} with an allergen lost, {invented} with one invented"
    )


def names() -> None:
    """Both corpora, and how much of the table has a source."""
    _told("names.csv", "written")
    _told("held_out.csv", "set aside")
    table = ingredient_table().values()
    sourced = {i.sr28 for i in table if i.sr28}
    print(
        f"ingredient table           {len(table)} rows, {sum(bool(i.sr28) for i in table)} of them of "
        f"{len(sourced)} foods of SR28; the others are recalled and say so"
    )


if __name__ == "__main__":
    names()
