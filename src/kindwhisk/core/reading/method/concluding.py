"""The class of a bake, from what is made of what: which foam, what it meets, what becomes of it."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import WHITES, YOLKY
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.roll import RollStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.values.technique import Technique

OILS = "oil-"
LEAST_FLOUR = 0.06
"""With less flour than this share of it, a batter is a meringue with nuts, or a sheet without flour. Trade habit."""


def conclude(made: Sequence[Made]) -> Technique | None:
    """The class of what is made; None where no foam is.

    The batter that is judged is the one that goes into the oven, or what is moulded where nothing is baked.
    """
    baked = [m for m in made if m.kind is BakeStep]
    if not baked:
        foams = [m for m in made if m.kind in {WhipStep, StreamStep}]
        return Technique.MOUSSE if foams and any(m.kind is FillStep for m in made) else None
    batter = max(baked, key=lambda m: m.grams())
    steps = list(batter.upstream())
    after = [m for m in made if batter in list(m.upstream())]
    if any(m.fields.get("joining") is Joining.LINE for m in after) and any(m.kind is PipeStep for m in steps):
        return Technique.LADYFINGER_CAKE
    return _of_batter(batter, steps, after)


# One return a class, the most special first.
def _of_batter(batter: Made, steps: Sequence[Made], after: Sequence[Made]) -> Technique | None:  # noqa: PLR0911
    ids, raw = batter.ids, batter.raw_ids
    kinds = {ingredient(i).kind for i in raw}
    piped = any(m.kind is PipeStep for m in steps)
    rolled = any(m.kind is RollStep for m in after)
    grams = sum(
        t.grams
        for m in steps
        for t in m.takes
        if ingredient(t.ingredient).kind == "flour" and not t.ingredient.endswith("-starch")
    )
    flour = grams > LEAST_FLOUR * batter.grams()
    yolks, whites = bool(ids & YOLKY), any(m.white_foam for m in steps)
    fat = kinds & {"fat"}
    oil = any(i.startswith(OILS) or i == "coconut-oil" for i in raw)
    flooded = any(m.kind is SoakStep and m.fields.get("flooded") for m in after)
    if flooded:
        return Technique.SOAKED_SPONGE
    nuts = sum(t.grams for m in steps for t in m.takes if ingredient(t.ingredient).kind == "nut")
    if whites and not yolks and not fat and (not flour or nuts > grams):
        nutty = any(m.kind is MacaronageStep for m in steps)
        return Technique.SHELLS if nutty and piped else Technique.MERINGUE
    if any(m.kind is SplitStep for m in steps) or any(m.kind is FillStep and len(m.uses) > 1 for m in steps):
        return Technique.PATTERNED
    if piped and whites and yolks and flour:
        return Technique.LADYFINGERS
    if whites and oil and flour:
        sheet = rolled or any(m.kind is FillStep and m.fields.get("flat") for m in steps)
        return Technique.CHIFFON_ROLL if sheet else Technique.CHIFFON
    if whites and "chocolate" in kinds:
        plain = not fat and not flour and "nut" not in kinds
        return Technique.SOUFFLED_SHEET if plain else Technique.RICH_SPONGE
    if (
        whites
        and "butter" in ids
        and any("butter" in {t.ingredient for t in m.takes} and m.fields.get("seconds") for m in steps)
    ):
        return Technique.CREAMED_SPONGE
    if whites:
        return Technique.SEPARATED_SPONGE
    if any(m.kind is WhipStep and m.ids & YOLKY for m in steps):
        warmed = any(m.kind is WarmStep and m.ids & (WHITES | YOLKY) for m in steps)
        return Technique.GENOISE if warmed else Technique.COLD_GENOISE
    return None
