"""Amounts told by the weight of the eggs: “4 eggs, their weight in sugar, half the weight of the eggs in flour”."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import NamedTuple

from kindwhisk.core.ingredients import counts_as
from kindwhisk.core.ingredients.eggs import SHELL_SHARE, EggSize, egg_parts
from kindwhisk.core.reading.amounts import in_figures
from kindwhisk.core.reading.goods import Question
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.names import Shelf
from kindwhisk.core.reading.plain import folded, plain
from kindwhisk.core.reading.slips import read_with_slips

SHARES = {
    **dict.fromkeys(
        ("half", "half of", "la moitie de", "moitie de", "la moitie du", "moitie du", "la meta del", "meta del"), 0.5
    ),
    **dict.fromkeys(("twice", "double", "le double de", "le double du", "il doppio del"), 2.0),
    **dict.fromkeys(("a quarter of", "le quart de", "un quarto del"), 0.25),
}
_EGGS = r"(?:eggs?|oeufs?|uov[ao])"
_TOLD = (
    rf"(?:(?P<share>{'|'.join(sorted(SHARES, key=len, reverse=True))}) )?(?:the |le |lo |il |an? )?"
    rf"(?:(?:their|its|leur|loro) (?:own )?(?:weight|poids|peso)|(?:same|equal|meme|stesso) (?:weight|poids|peso)"
    rf"(?: (?:as|of|que|des|delle) (?:the |les |le )?{_EGGS})?"
    rf"|(?:weight|poids|peso) (?:of |des |delle |de |d'|di |du )(?:the |les |le )?(?:(?P<count>\d{{1,2}})(?: {_EGGS})?|{_EGGS}))(?!\w)"
)
_SPEAKS = re.compile("weight|poids|peso", re.IGNORECASE)
_BEFORE = re.compile(rf"{_TOLD} ?(?:in |of |en |de |d'|di )?(?P<food>(?!{_EGGS}(?!\w))[^\W\d].*)")
_BEHIND = re.compile(rf"(?P<food>[^\W\d][^,:]*)[,:] {_TOLD}")
_SEVERAL = re.compile(r"(?:,| and| et| e)(?: in| of| en| de| di)? ")

EGGS = {"whole-egg", "egg-white", "egg-yolk"}
SURE = 0.6
_SHELL = r"(?: the| their| leur| la| il)? ?(?:shells?|coquilles?|guscio)(?!\w)"
IN_SHELL = re.compile(rf"(?:in|with|avec|dans|con|col|nel){_SHELL}")
OUT_OF_SHELL = re.compile(rf"(?:without|out of|sans|hors|senza|shelled){_SHELL}")


class ByTheEggs(NamedTuple):
    """So many times the weight of some eggs, those of the list where none are counted, of each of some foods."""

    share: float
    eggs: float | None
    foods: tuple[str, ...]


def _spelled(text: str) -> str:
    return folded(in_figures(plain(text))).rstrip(" .")


def by_the_eggs(text: str) -> ByTheEggs | None:
    """What a line says by the weight of the eggs; None where it says nothing so."""
    if _SPEAKS.search(text) is None:
        return None
    match = _BEFORE.fullmatch(_spelled(text)) or _BEHIND.fullmatch(_spelled(text))
    if match is None:
        return None
    foods = tuple(food.strip() for food in _SEVERAL.split(match["food"]) if food.strip())
    return ByTheEggs(SHARES.get(match["share"] or "", 1.0), float(match["count"]) if match["count"] else None, foods)


def one_by_one(text: str) -> Sequence[str]:
    """“Their weight in sugar and flour” as a line each; nothing where there is one food, or none so told."""
    means = by_the_eggs(text)
    if means is None or len(means.foods) < 2:
        return ()
    told = _spelled(text).partition(means.foods[0])[0]
    return tuple(f"{told}{food}" for food in means.foods)


def _out_of_the_shell(line: ReadLine) -> ReadLine:
    """“200 g eggs in their shells”: what comes out of them."""
    if line.by != "weight" or counts_as(line.ingredient or "") != "whole-egg" or not IN_SHELL.search(plain(line.text)):
        return line
    fields = ("grams", "low_g", "high_g")
    out = {f: round(g * (1 - SHELL_SHARE), 1) for f in fields if (g := getattr(line, f)) is not None}
    return line.model_copy(update={**out, "note": f"Without the shells, {SHELL_SHARE:.0%} of it.", "sure": 0.85})


def weighed(
    lines: Sequence[ReadLine], told: Sequence[str], size: EggSize, shelf: Shelf
) -> tuple[tuple[ReadLine, ...], Sequence[Question]]:
    """Lines with the amounts that they tell by the eggs, and what is to be asked of it.

    Such recipes are of kitchens that laid eggs on one side of the scales as they are, so an egg is weighed in its
    shell unless one of the rows (``told``) says without; where none says either, it is asked.
    """
    bare, in_shell = (any(sign.search(plain(row)) for row in told) for sign in (OUT_OF_SHELL, IN_SHELL))
    one = egg_parts(size)
    each = one.whole_g if bare else one.in_shell_g
    out = sum(line.grams or 0.0 for line in lines if counts_as(line.ingredient or "") in EGGS)
    found: list[ReadLine] = []
    asked: list[Question] = []
    for line in lines:
        means = by_the_eggs(line.text)
        if means is None:
            found.append(_out_of_the_shell(line))
            continue
        read = read_with_slips(" and ".join(means.foods), size, shelf).model_copy(update={"text": line.text})
        eggs = means.eggs or out / one.whole_g.likely
        if read.grams is None and eggs > 0:
            grams = each.scaled(means.share * eggs)
            least = grams.low if bare or in_shell else one.whole_g.scaled(means.share * eggs).low
            shells = f"{'without' if bare else 'in'} their shells, {each.likely:.0f} g each"
            read = read.model_copy(
                update={
                    "grams": round(grams.likely, 1), "low_g": round(least, 1), "high_g": round(grams.high, 1),
                    "sure": SURE, "by": "eggs", "note": f"By the weight of {eggs:.3g} eggs {shells}: weigh yours.",
                }
            )  # fmt: skip
            if not bare and not in_shell and not asked:
                without = f"{grams.likely * (1 - SHELL_SHARE):.0f} g of {read.name}"
                text = f"Are the eggs weighed in their shells? Without them it would be {without}."
                asked.append(Question(field=line.text[:80], text=text, assumed=f"yes, {grams.likely:.0f} g"))
        found.append(read)
    return tuple(found), asked
