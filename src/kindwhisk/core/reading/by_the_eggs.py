"""What a line weighs that is told by the weight of the eggs: “4 eggs, their weight in sugar”."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.ingredients import counts_as
from kindwhisk.core.ingredients.eggs import SHELL_SHARE, EggSize, egg_parts
from kindwhisk.core.reading.goods import Question
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.names import Shelf
from kindwhisk.core.reading.parts.told_by_eggs import by_the_eggs
from kindwhisk.core.reading.shells import in_shell, without_shell
from kindwhisk.core.reading.slips import read_with_slips

EGGS = {"whole-egg", "egg-white", "egg-yolk"}
SURE = 0.6
"""Less than of eggs that are counted: nobody says how large theirs were."""


def weighed(
    lines: Sequence[ReadLine], told: Sequence[str], size: EggSize, shelf: Shelf
) -> tuple[tuple[ReadLine, ...], Sequence[Question]]:
    """Lines with the amounts that they tell by the eggs, and what is to be asked of it.

    Such recipes are of kitchens that laid eggs on one side of the scales as they are, so an egg is weighed in its
    shell unless one of the rows (``told``) says without; where none says either, it is asked.
    """
    bare, shelled = any(map(without_shell, told)), any(map(in_shell, told))
    one = egg_parts(size)
    each = one.whole_g if bare else one.in_shell_g
    out = sum(line.grams or 0.0 for line in lines if counts_as(line.ingredient or "") in EGGS)
    found: list[ReadLine] = []
    asked: list[Question] = []
    for line in lines:
        means = by_the_eggs(line.text)
        if means is None:
            found.append(line)
            continue
        read = read_with_slips(" and ".join(means.foods), size, shelf).model_copy(update={"text": line.text})
        eggs = means.eggs or out / one.whole_g.likely
        if read.grams is None and eggs > 0:
            grams = each.scaled(means.share * eggs)
            least = grams.low if bare or shelled else one.whole_g.scaled(means.share * eggs).low
            shells = f"{'without' if bare else 'in'} their shells, {each.likely:.0f} g each"
            read = read.model_copy(
                update={
                    "grams": round(grams.likely, 1), "low_g": round(least, 1), "high_g": round(grams.high, 1),
                    "sure": SURE, "by": "eggs", "note": f"By the weight of {eggs:.3g} eggs {shells}: weigh yours.",
                }
            )  # fmt: skip
            if not bare and not shelled and not asked:
                without = f"{grams.likely * (1 - SHELL_SHARE):.0f} g of {read.name}"
                text = f"Are the eggs weighed in their shells? Without them it would be {without}."
                asked.append(Question(field=line.text[:80], text=text, assumed=f"yes, {grams.likely:.0f} g"))
        found.append(read)
    return tuple(found), asked
