"""The whole process of a class of bake, put together from its usual stretches."""

from __future__ import annotations

from dataclasses import replace

from kindwhisk.core.foams.foam import BATTERS, Peak
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.ingredients.material import combine
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.components import Component, Part
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion, of
from kindwhisk.core.process.setting import NO_TINS, Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.process.walk import stepwise
from kindwhisk.core.reading.goods import RecipeGoods
from kindwhisk.core.reading.shapes import ALL, BASE, BOWL, CREAM, FAT_POT, OILS, TIN, Builder, MethodPlan
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.technique import Technique

LOOSEN = 0.33
LEAST_FILL, MOST_FILL = 0.15, 1.0


def _separated(build: Builder) -> str:
    shells = build.plan.technique is Technique.SHELLS
    over = build.plan.technique in {
        Technique.SEPARATED_SPONGE,
        Technique.LADYFINGERS,
        Technique.SOAKED_SPONGE,
        Technique.MERINGUE,
    }
    sifted = build.dry()
    base = build.base(sifted, stir_in_flour=not over)
    foam = build.whites()
    batter = BATTERS.get(build.plan.technique)
    if base is None:
        if sifted is None:
            return foam
        if shells:
            return build.add(
                MacaronageStep(id="fold", title="Macaronage", vessel=BASE.id, inputs=(of(sifted), of(foam)))
            )
        return build.add(
            FoldStep(
                id="fold", title="Fold", vessel=BOWL.id, inputs=(of(foam), of(sifted)), manner=Manner.SIFT_OVER,
                batter=batter,
            )
        )  # fmt: skip
    if shells:
        return build.add(MacaronageStep(id="fold", title="Macaronage", vessel=BASE.id, inputs=(of(base), of(foam))))
    if over:
        done = build.add(FoldStep(id="fold", title="Fold the yolks in", vessel=BOWL.id, inputs=(of(foam), of(base))))
        if sifted is None:
            return done
        return build.add(
            FoldStep(
                id="fold-flour", title="Sift over and fold", vessel=BOWL.id, inputs=(of(done), of(sifted)),
                manner=Manner.SIFT_OVER, batter=batter,
            )
        )  # fmt: skip
    build.add(
        FoldStep(
            id="loosen", title="Loosen the base with a third", vessel=BASE.id, inputs=(of(base), of(foam, LOOSEN)),
            manner=Manner.SACRIFICE,
        )
    )  # fmt: skip
    return build.add(
        FoldStep(
            id="fold",
            title="Fold in the rest",
            vessel=BASE.id,
            inputs=(of("loosen"), of(foam, rest=True)),
            batter=batter,
        )
    )


def _whole(build: Builder) -> str:
    goods = build.goods
    sifted = build.dry()
    fats = [p for p in goods.fat if p.ingredient in OILS]
    rich: list[IngredientPortion] = [*[p for p in goods.fat if p not in fats], *fats, *goods.wet]
    melted = None
    if rich:
        build.add(WeighStep(id="weigh-fat", title="Weigh fat and liquid", vessel=FAT_POT.id, inputs=tuple(rich)))
        melted = build.add(
            WarmStep(id="melt", title="Warm them", vessel=FAT_POT.id, inputs=(of("weigh-fat"),), target_c=50)
        )
    eggs = build.add(
        WeighStep(
            id="weigh-eggs", title="Weigh eggs and sugar", vessel=BOWL.id,
            inputs=(*goods.whole, *goods.yolks, *goods.base_sugar, *goods.acid),
        )
    )  # fmt: skip
    if build.plan.technique is Technique.GENOISE:
        eggs = build.add(
            WarmStep(
                id="warm-eggs",
                title="Warm over water",
                vessel=BOWL.id,
                inputs=(of(eggs),),
                target_c=42,
                over_water=True,
            )
        )
    done = build.add(
        WhipStep(id="whip", title="Whip to the ribbon", vessel=BOWL.id, inputs=(of(eggs),), speed=8, slow_finish=True)
    )
    batter = BATTERS.get(build.plan.technique)
    if sifted:
        done = build.add(
            FoldStep(
                id="fold-flour", title="Sift over and fold", vessel=BOWL.id, inputs=(of(done), of(sifted)),
                manner=Manner.SIFT_OVER, batter=None if melted else batter,
            )
        )  # fmt: skip
    if melted:
        done = build.add(
            FoldStep(
                id="fold-fat",
                title="Fold in what was melted",
                vessel=BOWL.id,
                inputs=(of(done), of(melted)),
                batter=batter,
            )
        )
    return done


def _chilled(build: Builder) -> str:
    """A mousse: everything folded, in glasses, cold. The recipe's own order is left to the baker."""
    goods = build.goods
    cream = [p for p in goods.wet if p.ingredient == "cream-35"]
    # The acid steadies the whites where there are any.
    acid = [] if goods.whites else goods.acid
    rest = [
        p
        for p in (*goods.yolks, *goods.whole, *goods.base_sugar, *goods.dry, *goods.fat, *acid, *goods.wet)
        if p not in cream
    ]
    parts: list[str] = []
    if rest:
        build.add(WeighStep(id="weigh-base", title="Weigh the base", vessel=BASE.id, inputs=tuple(rest)))
        parts.append(
            build.add(
                WarmStep(
                    id="warm-base", title="Warm it over water", vessel=BASE.id, inputs=(of("weigh-base"),), target_c=55,
                    over_water=True,
                )
            )
        )  # fmt: skip
    if goods.whites:
        parts.append(build.whites())
    if cream:
        build.add(WeighStep(id="weigh-cream", title="Weigh the cream", vessel=CREAM.id, inputs=tuple(cream)))
        parts.append(
            build.add(
                WhipStep(
                    id="whip-cream", title="Whip the cream", vessel=CREAM.id, inputs=(of("weigh-cream"),),
                    tool="hand mixer", peak=Peak.SOFT,
                )
            )
        )  # fmt: skip
    done = parts[0]
    for n, other in enumerate(parts[1:]):
        done = build.add(
            FoldStep(id=f"fold-{n + 1}", title="Fold together", vessel=BASE.id, inputs=(of(done), of(other)))
        )
    plan = build.plan
    build.add(
        FillStep(
            id="fill", title="Fill", vessel=TIN.id, inputs=(of(done),), tin=plan.tin, tin_name=plan.tin_name, rises=False,
            leads=True,
        )
    )  # fmt: skip
    return build.add(ChillStep(id="chill", title="Chill", vessel=TIN.id, inputs=(of("fill"),), hours=4))


def as_filled(formula: Formula) -> Formula:
    """The fill and the reference bake brought to how high this batter really stands in this tin."""
    kitchen = Kitchen()
    setting = Setting(kitchen, kitchen.oven(None), NO_TINS, {v.id: v for v in formula.vessels})
    fill = formula.fill
    if not isinstance(fill, FillStep):
        return formula
    place = replace(setting, tins=replace(NO_TINS, name=fill.tin_name, tin=fill.tin))
    batter = next(combine(w.intake) for w in stepwise(formula, place) if w.step.id == fill.id)
    share = min(MOST_FILL, max(LEAST_FILL, batter.volume_ml.likely / fill.tin.volume_ml()))
    level = round(fill.tin.level_mm(fill.tin.volume_ml() * share), 1)
    steps: list[Step] = []
    for step in formula.steps:
        if isinstance(step, FillStep) and step.id == fill.id:
            steps.append(step.model_copy(update={"fill_fraction": round(share, 3)}))
        elif isinstance(step, BakeStep):
            steps.append(step.model_copy(update={"reference": step.reference.model_copy(update={"fill_mm": level})}))
        else:
            steps.append(step)
    return formula.model_copy(update={"steps": tuple(steps)})


def build(formula_id: str, title: str, servings: int, plan: MethodPlan, goods: RecipeGoods) -> Formula:
    """A formula by the class's usual shape.

    Raises:
        CraftError: there is no egg in it to make a foam of.
    """
    if not goods.whites and not goods.whole and not goods.yolks and plan.technique is not Technique.MOUSSE:
        raise CraftError(
            "No egg was found to make a foam of.",
            field="lines",
            remedy="Give the eggs or whites an amount in the list.",
        )
    others = [
        Component(id=name, name=name, part=part)
        for name, part, there in (("soak", Part.SOAK, goods.soak), ("filling", Part.FILLING, goods.filling))
        if there
    ]
    components = (Component(id="cake", name="cake", part=Part.SPONGE), *others) if others else ()
    made = Builder(plan, goods)
    made.part = components[0].id if components else ""
    if plan.technique is Technique.MOUSSE and (goods.yolks or goods.whole or goods.wet or goods.whites):
        stands = _chilled(made)
    else:
        stands = made.soaked(made.finish(_separated(made) if goods.whites else _whole(made)))
    made.filling(stands)
    used = {s.vessel for s in made.steps}
    formula = Formula(
        id=formula_id,
        title=title,
        summary="Read in; confirm amounts, order and end points.",
        technique=plan.technique,
        servings=max(1, min(servings, 1000)),
        components=components,
        vessels=tuple(v for v in ALL if v.id in used),
        steps=tuple(made.steps),
    )
    return as_filled(formula)
