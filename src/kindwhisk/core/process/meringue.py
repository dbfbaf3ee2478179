"""The three meringues as stretches of a process, and how to change one into another inside a formula."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from kindwhisk.core.foams import balance
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Peak, egg_white_g
from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.checking import fatty
from kindwhisk.core.process.formula import Draft, Formula, consumers, upstream
from kindwhisk.core.process.portions import IngredientPortion, Portion, of
from kindwhisk.core.process.setting import MACHINE
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.base import WHITES
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.skin import SkinStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import SugarSchool, WhipStep
from kindwhisk.core.sugar.boiling import WATER_PER_SUGAR
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.vessels.vessel import Vessel, VesselForm

SWISS_C = 55.0
SYRUP_C = 118.0
TITLES = {
    Method.FRENCH: "Whip whites and sugar",
    Method.SWISS: "Whip until cool",
    Method.ITALIAN: "Pour the syrup in and whip",
}
CUP = Vessel(id="sugar-cup", name="sugar cup", form=VesselForm.JUG, diameter_mm=90, height_mm=80)
POT = Vessel(id="syrup-pot", name="syrup pot", form=VesselForm.POT, diameter_mm=140, height_mm=80)


@dataclass(frozen=True)
class MeringueGoods:
    """What goes into a meringue: whites (with the water of dried ones), sugar, and the rest such as acid."""

    whites: tuple[IngredientPortion, ...]
    sugar: tuple[IngredientPortion, ...]
    rest: tuple[IngredientPortion, ...] = ()


@dataclass(frozen=True)
class MethodSettings:
    """How the finished meringue is called and whipped; ``id`` is that of the step that others take it from."""

    id: str = "whip"
    title: str = "Whip the whites"
    vessel: str = "mixer-bowl"
    component: str = ""
    peak: Peak = Peak.MEDIUM
    sugar: SugarSchool = SugarSchool.THIRDS
    speed: int = 6
    slow_finish: bool = True
    tool: str = MACHINE
    note: str = ""


def steps_for(
    method: Method, goods: MeringueGoods, settings: MethodSettings
) -> tuple[tuple[Step, ...], tuple[Step, ...]]:
    """The steps that make the meringue ready, and those from the first turn of the whisk on."""
    name, bowl, part = settings.id, settings.vessel, settings.component
    final = {
        "id": name,
        "title": settings.title,
        "vessel": bowl,
        "component": part,
        "note": settings.note,
    }
    whip = {
        "tool": settings.tool,
        "peak": settings.peak,
        "sugar": settings.sugar,
        "speed": settings.speed,
        "slow_finish": settings.slow_finish,
    }

    def weigh(suffix: str, title: str, vessel: str, inputs: tuple[Portion, ...]) -> WeighStep:
        return WeighStep(id=f"{name}-{suffix}"[:40], title=title, vessel=vessel, inputs=inputs, component=part)

    if method is Method.FRENCH:
        whites = weigh("whites", "Weigh the whites", bowl, goods.whites)
        sugar = weigh("sugar", "Weigh the sugar for the whites", CUP.id, (*goods.sugar, *goods.rest))
        return (whites, sugar), (WhipStep.model_validate({**final, **whip, "inputs": (of(whites.id), of(sugar.id))}),)
    if method is Method.SWISS:
        both = weigh("whites", "Weigh whites and sugar", bowl, (*goods.whites, *goods.sugar, *goods.rest))
        warm = WarmStep(
            id=f"{name}-warm"[:40],
            title="Dissolve the sugar over water",
            vessel=bowl,
            inputs=(of(both.id),),
            target_c=SWISS_C,
            over_water=True,
            component=part,
        )
        return (both, warm), (WhipStep.model_validate({**final, **whip, "inputs": (of(warm.id),)}),)
    water = round(WATER_PER_SUGAR * sum(p.grams for p in goods.sugar), 1)
    whites = weigh("whites", "Weigh the whites", bowl, (*goods.whites, *goods.rest))
    sugar = weigh(
        "sugar",
        "Weigh sugar and water",
        POT.id,
        (*goods.sugar, IngredientPortion(ingredient="water", grams=max(water, 0.1), role="syrup")),
    )
    boil = BoilStep(
        id=f"{name}-boil"[:40],
        title="Boil the syrup",
        vessel=POT.id,
        inputs=(of(sugar.id),),
        target_c=SYRUP_C,
        component=part,
    )
    soft = WhipStep(
        id=f"{name}-soft"[:40],
        title="Whip the whites to soft peaks",
        vessel=bowl,
        inputs=(of(whites.id),),
        peak=Peak.SOFT,
        sugar=SugarSchool.START,
        speed=settings.speed,
        tool=settings.tool,
        component=part,
    )
    stream = StreamStep.model_validate({**final, "tool": settings.tool, "inputs": (of(soft.id), of(boil.id))})
    return (whites, sugar, boil), (soft, stream)


def method_of(formula: Draft, step_id: str) -> Method | None:
    """The method of the meringue that this step finishes; None where it finishes none."""
    step = next((s for s in formula.steps if s.id == step_id), None)
    if not isinstance(step, WhipStep | StreamStep):
        return None
    stretch = _stretch(formula, step_id)
    goods = _goods(stretch)
    if not goods.whites or any(fatty(p.ingredient) for p in (*goods.rest, *goods.sugar)):
        return None
    if isinstance(step, StreamStep):
        return Method.ITALIAN
    if any(isinstance(s, StreamStep) for s in consumers(formula, step_id)):
        return None
    return Method.SWISS if any(isinstance(s, WarmStep) for s in stretch) else Method.FRENCH


def meringues(formula: Draft) -> dict[str, Method]:
    """The method of every meringue by the step that finishes it."""
    found = {s.id: method_of(formula, s.id) for s in formula.steps}
    return {i: m for i, m in found.items() if m is not None}


def _stretch(formula: Draft, step_id: str) -> list[Step]:
    """The step and everything before it that serves nothing else."""
    before = upstream(formula, step_id)
    inside = {step_id}
    for step in reversed(formula.steps):
        if step.id in before and all(c.id in inside for c in consumers(formula, step.id)):
            inside.add(step.id)
    return [s for s in formula.steps if s.id in inside]


def _goods(steps: Iterable[Step]) -> MeringueGoods:
    whites: list[IngredientPortion] = []
    sugar: list[IngredientPortion] = []
    rest: list[IngredientPortion] = []
    for step in steps:
        own = [p for p in step.inputs if isinstance(p, IngredientPortion)]
        dried = any(counts_as(p.ingredient) == "white-dried" for p in own)
        for p in own:
            if counts_as(p.ingredient) in WHITES or (p.ingredient == "water" and dried):
                whites.append(p)
            elif ingredient(p.ingredient).kind == "sugar":
                sugar.append(p)
            elif p.ingredient != "water":
                rest.append(p)
    return MeringueGoods(tuple(whites), tuple(sugar), tuple(rest))


def _sugar_for(formula: Draft, component: str, goods: MeringueGoods, method: Method) -> tuple[IngredientPortion, ...]:
    """The sugar, brought to the middle of the method's own band where it would lie outside it."""
    part = next((c for c in formula.components if c.id == component), None)
    technique = (part.technique if part else None) or formula.technique
    band = balance.METHOD_BANDS.get((technique, method))
    parts: dict[str, float] = {}
    for p in (*goods.whites, *goods.sugar):
        parts[p.ingredient] = parts.get(p.ingredient, 0.0) + p.grams
    material = Material(parts=parts)
    white, sugar = egg_white_g(material), balance.added_sugar_g(material)
    if band is None or white <= 0 or sugar <= 0 or band[0] <= sugar / white <= band[2]:
        return goods.sugar
    return tuple(p.scaled(band[1] * white / sugar) for p in goods.sugar)


def with_method(formula: Formula, step_id: str, method: Method) -> Formula:
    """The same formula with the meringue that ``step_id`` finishes made by ``method``.

    The step keeps its id, so that all that takes the meringue goes on taking it. Sugar moves to the method's band for
    this class where it would lie outside; water for a syrup comes and goes with it.

    Raises:
        CraftError: the step finishes no meringue.
    """
    own = method_of(formula, step_id)
    if own is None:
        known = ", ".join(meringues(formula)) or "none in this formula"
        raise CraftError(f"The step '{step_id}' finishes no meringue.", field="step", remedy=f"Choose one of: {known}.")
    if own is method:
        return formula
    old = formula.step(step_id)
    stretch = _stretch(formula, step_id)
    gone = {s.id for s in stretch}
    goods = _goods(stretch)
    goods = MeringueGoods(goods.whites, _sugar_for(formula, old.component, goods, method), goods.rest)
    if not goods.sugar:
        raise CraftError(
            "There is no sugar in this meringue to cook.",
            field="method",
            remedy="Add its sugar first, or stay with it.",
        )
    whip = next((s for s in stretch if isinstance(s, WhipStep)), None)
    settings = MethodSettings(
        id=old.id,
        title=TITLES[method],
        vessel=old.vessel,
        component=old.component,
        peak=whip.peak if isinstance(old, WhipStep) and whip else Peak.STIFF,
        speed=whip.speed if whip else 6,
        tool=old.tool_in_use or MACHINE,
        note=old.note,
    )
    ready, whisked = steps_for(method, goods, settings)
    first = min(i for i, s in enumerate(formula.steps) if s.id in gone)
    steps: list[Step] = []
    for i, step in enumerate(formula.steps):
        if i == first:
            steps += ready
        if step.id == step_id:
            steps += whisked
        elif step.id not in gone:
            kept = tuple(a for a in step.after if a not in gone or a == step_id)
            steps.append(step if kept == step.after else step.model_copy(update={"after": kept}))
    used = {s.vessel for s in steps}
    there = {v.id for v in formula.vessels}
    vessels = [v for v in formula.vessels if v.id in used or v.id not in {CUP.id, POT.id}]
    vessels += [v for v in (CUP, POT) if v.id in used and v.id not in there]
    made = Formula.model_validate({**dict(formula), "steps": tuple(steps), "vessels": tuple(vessels)})
    rests = tuple(
        s.model_copy(update={"method": method}) if isinstance(s, SkinStep) and step_id in upstream(made, s.id) else s
        for s in made.steps
    )
    return made.model_copy(update={"steps": rests})
