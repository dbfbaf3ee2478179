"""What was read, sorted by the part that it plays: whites, yolks, the sugar of each, dry goods, liquids, filling."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Annotated

from pydantic import AfterValidator

from kindwhisk.core.ingredients import counts_as, ingredient, tell
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.ingredients.goods import unknown
from kindwhisk.core.process.portions import IngredientPortion
from kindwhisk.core.reading.line import MOST_G, ReadLine
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique

APART = {
    Technique.CHIFFON, Technique.CHIFFON_ROLL, Technique.SEPARATED_SPONGE, Technique.RICH_SPONGE, Technique.CREAMED_SPONGE,
    Technique.SOUFFLED_SHEET, Technique.SOAKED_SPONGE, Technique.LADYFINGERS, Technique.PATTERNED, Technique.LADYFINGER_CAKE,
}  # fmt: skip
"""Classes whose eggs are separated."""
WHITE_SHARE = {Technique.CHIFFON: 0.45, Technique.CHIFFON_ROLL: 0.5, Technique.SHELLS: 0.95}
"""Sugar to white that is taken for the meringue where a recipe gives all sugar in one line. Trade habit."""
MERINGUE_WORDS = r"meringue|white|blanc|album|卵白|メレンゲ|lòng trắng|montare"
FILLING_WORDS = (
    r"filling|cream|frost|topping|garni|farcitur|クリーム|フィリング|nhân|ganache|decoration|to serve|assembly"
)


SOAKS = {"evaporated-milk", "condensed-milk", "coconut-milk", "cream-35", "rum", "liqueur"}
"""What a soaked sponge stands in, where it is not listed under another heading."""
PIECES = {"nut", "chocolate", "bought"}
"""Kinds that, in pieces, are stirred into the base."""
FILLINGS = {
    "cream-35", "cream-double", "creme-fraiche", "mascarpone", "cream-cheese", "gelatine", "jam", "jam-raspberry",
    "jam-strawberry", "jam-berry", "marmalade", "lemon-curd",
}  # fmt: skip
"""What lies between layers, where it is not listed under another heading."""


class Question(Value):
    """Something that the recipe leaves open, with what was assumed, which ends without a full stop."""

    field: str
    text: str
    assumed: Annotated[str, AfterValidator(lambda told: told.rstrip(". "))]


@dataclass
class RecipeGoods:
    """Portions sorted by the part that they play."""

    whites: list[IngredientPortion] = field(default_factory=list)
    yolks: list[IngredientPortion] = field(default_factory=list)
    whole: list[IngredientPortion] = field(default_factory=list)
    meringue_sugar: list[IngredientPortion] = field(default_factory=list)
    base_sugar: list[IngredientPortion] = field(default_factory=list)
    acid: list[IngredientPortion] = field(default_factory=list)
    dry: list[IngredientPortion] = field(default_factory=list)
    wet: list[IngredientPortion] = field(default_factory=list)
    fat: list[IngredientPortion] = field(default_factory=list)
    filling: list[IngredientPortion] = field(default_factory=list)
    soak: list[IngredientPortion] = field(default_factory=list)


def _strange(words: str) -> str:
    """The id of a good that is not known."""
    good = unknown(words).ingredient()
    tell((good,))
    return good.id


def _portion(line: ReadLine, role: str = "", share: float = 1.0) -> IngredientPortion:
    assert line.grams is not None
    stands = line.ingredient or _strange(line.unknown)
    grams = min(max(line.grams * share, 0.01), MOST_G)
    return IngredientPortion(ingredient=stands, grams=round(grams, 2), role=role[:40], written=line.text[:200])


def _separated(line: ReadLine, eggs: EggSize, goods: RecipeGoods) -> None:
    one = egg_parts(eggs)
    count = (line.grams or 0.0) / one.whole_g.likely
    for name, each, into in (("egg-white", one.white_g, goods.whites), ("egg-yolk", one.yolk_g, goods.yolks)):
        grams = min(max(round(each.likely * count, 1), 0.01), MOST_G)
        into.append(IngredientPortion(ingredient=name, grams=grams, written=line.text[:200]))


# One branch a place that goods can have in a process.
def sort_goods(  # noqa: PLR0912
    lines: Sequence[ReadLine], groups: Sequence[str], technique: Technique, eggs: EggSize, questions: list[Question]
) -> RecipeGoods:
    """Every line with a weight, by the part that it plays; what was assumed goes into ``questions``."""
    goods = RecipeGoods()
    known = [(line, group) for line, group in zip(lines, groups, strict=True) if line.ingredient and line.grams]
    has_whites = any(counts_as(line.ingredient or "") == "egg-white" for line, _ in known)
    in_meringue = any(
        re.search(MERINGUE_WORDS, g) for line, g in known if counts_as(line.ingredient or "") == "egg-white"
    )
    sugars: list[tuple[ReadLine, str]] = []
    for line, group in known:
        item = ingredient(line.ingredient or "")
        known_as = item.counts_as
        if re.search(FILLING_WORDS, group) and not re.search(MERINGUE_WORDS, group):
            goods.filling.append(_portion(line))
        elif known_as in {"egg-white", "white-pasteurised", "white-dried"}:
            # White under another heading than the meringue's goes raw into the paste.
            paste = technique is Technique.SHELLS and in_meringue and not re.search(MERINGUE_WORDS, group)
            (goods.wet if paste else goods.whites).append(_portion(line, "paste" if paste else ""))
        elif technique is Technique.SOAKED_SPONGE and known_as in SOAKS:
            goods.soak.append(_portion(line))
        elif known_as in {"egg-yolk", "yolk-pasteurised"}:
            goods.yolks.append(_portion(line))
        elif item.kind == "egg":
            if technique in APART and not has_whites:
                _separated(line, eggs, goods)
                questions.append(
                    Question(
                        field=line.text[:80],
                        text="The eggs are taken as separated.",
                        assumed=f"{goods.whites[-1].grams:.0f} g white, {goods.yolks[-1].grams:.0f} g yolk",
                    )
                )
            else:
                goods.whole.append(_portion(line))
        elif item.kind == "sugar":
            sugars.append((line, group))
        elif item.kind == "acid":
            goods.acid.append(_portion(line))
        elif item.piece is not None and item.kind in PIECES and "melted" not in line.prepared:
            # Nothing in pieces goes through a sieve or into the fat.
            (goods.dry if technique in {Technique.MERINGUE, Technique.SHELLS} else goods.wet).append(_portion(line))
        elif item.kind in {"flour", "leavener", "salt", "nut"} or (
            item.kind == "flavour" and item.composition.water < 0.2
        ):
            goods.dry.append(_portion(line))
        elif item.kind in {"fat", "chocolate"}:
            goods.fat.append(_portion(line))
        elif known_as in FILLINGS and technique is not Technique.MOUSSE:
            goods.filling.append(_portion(line))
        else:
            goods.wet.append(_portion(line))
    for line, group in zip(lines, groups, strict=True):
        if line.ingredient is None and line.unknown and line.grams:
            (goods.filling if re.search(FILLING_WORDS, group) else goods.wet).append(_portion(line))
            questions.append(
                Question(
                    field=line.text[:80],
                    text=f"“{line.unknown}” is not known here. What is it?",
                    assumed=f"{line.grams:.0f} g of something of which only the weight counts; allergens not known",
                )
            )
    _split_sugar(sugars, goods, technique, questions)
    return goods


def _split_sugar(
    sugars: list[tuple[ReadLine, str]], goods: RecipeGoods, technique: Technique, questions: list[Question]
) -> None:
    """Sugar to the meringue and to the base: by headings, by the number of lines, else by the class's habit."""
    white = sum(p.grams for p in goods.whites)
    if not goods.whites:
        goods.base_sugar += [_portion(line) for line, _ in sugars]
        return
    if technique is Technique.SHELLS:
        goods.dry += [_portion(line, "dry") for line, _ in sugars if counts_as(line.ingredient or "") == "icing-sugar"]
        sugars = [(line, group) for line, group in sugars if counts_as(line.ingredient or "") != "icing-sugar"]
    marked = [(line, bool(re.search(MERINGUE_WORDS, f"{group} {line.text.lower()}"))) for line, group in sugars]
    if any(m for _, m in marked):
        goods.meringue_sugar += [_portion(line, "meringue") for line, m in marked if m]
        goods.base_sugar += [_portion(line, "base") for line, m in marked if not m]
        return
    if technique in {Technique.MERINGUE, Technique.SHELLS} or not goods.yolks:
        goods.meringue_sugar += [_portion(line, "meringue") for line, _ in sugars]
        return
    if len(sugars) >= 2:
        ordered = sorted(sugars, key=lambda s: s[0].grams or 0.0)
        goods.base_sugar += [_portion(line, "base") for line, _ in ordered[:-1]]
        goods.meringue_sugar.append(_portion(ordered[-1][0], "meringue"))
        said = "The largest of the sugars is taken for the whites."
        questions.append(Question(field="sugar", text=said, assumed=f"{goods.meringue_sugar[0].grams:.0f} g"))
        return
    for line, _ in sugars:
        share = min(0.9, WHITE_SHARE.get(technique, 0.55) * white / max(line.grams or 1.0, 1e-9))
        goods.meringue_sugar.append(_portion(line, "meringue", share))
        goods.base_sugar.append(_portion(line, "base", 1 - share))
        questions.append(
            Question(
                field="sugar",
                text="The recipe does not say how the sugar is divided.",
                assumed=f"{goods.meringue_sugar[-1].grams:.0f} g for the whites, the rest "
                f"({goods.base_sugar[-1].grams:.0f} g) for the base",
            )
        )
