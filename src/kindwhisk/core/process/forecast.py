"""The forecast: the process walked with a kitchen profile, before a gram is weighed."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from kindwhisk.core.baking.straight_after import straight_after
from kindwhisk.core.baking.view import BakeView
from kindwhisk.core.foams.ageing import Ageing
from kindwhisk.core.foams.balance import Ratio
from kindwhisk.core.folding.cup import told_by_ribbon
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.allergens import holds
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.patterns.pattern import PatternView
from kindwhisk.core.process.finished import Offcut, offcuts
from kindwhisk.core.process.folds import FoldCourse, fold_courses
from kindwhisk.core.process.formula import Formula, content_of, upstream
from kindwhisk.core.process.held import Held, at_serving, coming_in, goods_of, told
from kindwhisk.core.process.outcome import (
    Attention,
    Figures,
    Outcome,
    Resource,
)
from kindwhisk.core.process.parts import ComponentView, IngredientTotal, balance_of, components, law_of, totals
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.ready_for import ready_for_next
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.base import WHITES, YOLKY, OnTray
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.roll import RollStep
from kindwhisk.core.process.walk import NOTHING_OBSERVED, Observed, WalkedStep, kept, walk
from kindwhisk.core.process.washing import WashPlan, wash_plan
from kindwhisk.core.readiness.window import Ready
from kindwhisk.core.safety.cautions import RAW_FLOUR, UNBAKED_EGG, Caution
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.vessels.section import Section, of_vessel
from kindwhisk.core.vessels.vessel import BAG

EGGS = WHITES | YOLKY


class MaterialView(Value):
    """A material's figures."""

    mass_g: float
    volume_ml: Estimate
    density_g_per_ml: Estimate
    gas_free_density_g_per_ml: float
    air_fraction: float
    baked: bool
    temperature_c: float
    colour: str
    allergens: tuple[str, ...]
    allergens_unknown: tuple[str, ...]


class Taken(Value):
    """What goes into a step: of an ingredient, or from a step."""

    name: str
    grams: float
    ingredient: str | None = None
    step: str | None = None
    role: str = ""
    share: str = ""
    written: str = ""


class StepForecast(Figures):
    """A step as it is expected to go: its figures, and what it is in the process.

    ``ribbon`` is whether its density can be told by one; ``before`` are the vessels that it takes from, cut in half, as
    they stand before it; ``additions`` are a fold's. ``tray`` is which tray or load of several it is for, ``late_s`` by
    how much longer than it holds its content waits for it. ``ready`` is whether its result is right for what takes it,
    ``goes`` how it is shared out where several steps take of it.
    """

    id: str
    kind: str
    title: str
    note: str
    vessel: str
    vessel_name: str
    component: str
    inputs: tuple[Taken, ...]
    needs: tuple[str, ...]
    material: MaterialView
    attention: Attention
    uses: tuple[Resource, ...]
    begins_foam: bool
    sets_foam: bool
    stills_foam: bool
    passes_window: bool
    under_way_is_enough: bool
    section: Section | None
    late_s: float
    tray: OnTray | None
    ribbon: bool
    ageing: Ageing | None
    before: tuple[Section, ...]
    pattern: PatternView | None
    ready: Ready | None
    goes: tuple[GoesTo, ...]


class GoesTo(Value):
    """How much of a step's result goes to a later step: grams and share of it."""

    step: str
    title: str
    grams: float
    share: float


class Caveat(Value):
    """A risk that the forecast sees, at its step."""

    step: str
    level: str
    text: str
    remedy: str


class Forecast(Held):
    """All steps, what to weigh, what to beware of, what is cut off. ``besides`` is used without an amount."""

    steps: tuple[StepForecast, ...]
    ingredients: tuple[IngredientTotal, ...]
    components: tuple[ComponentView, ...]
    warnings: tuple[Caveat, ...]
    balance: tuple[Ratio, ...]
    folds: tuple[FoldCourse, ...]
    washing: WashPlan
    total_g: float
    besides: tuple[str, ...]
    offcuts: tuple[Offcut, ...]

    def step(self, step_id: str) -> StepForecast:
        """The step of that id.

        Raises:
            KeyError: there is none.
        """
        for step in self.steps:
            if step.id == step_id:
                return step
        raise KeyError(step_id)


def view(material: Material) -> MaterialView:
    """The figures of a material."""
    return MaterialView(
        mass_g=material.mass_g,
        volume_ml=material.volume_ml,
        density_g_per_ml=material.density_g_per_ml,
        gas_free_density_g_per_ml=material.gas_free_density,
        air_fraction=material.air_fraction,
        baked=material.baked,
        temperature_c=material.temperature_c,
        colour=material.colour,
        allergens=material.holds.allergens,
        allergens_unknown=material.holds.unknown,
    )


def _share_in_words(portion: StepPortion) -> str:
    if portion.offcut:
        return "what was cut off"
    if portion.rest:
        return "the rest"
    if portion.fraction is not None:
        return f"{portion.fraction:.0%}"
    return "" if portion.grams is None else f"{portion.grams:.0f} g"


def _taken(step: Step, intake: tuple[Material, ...], titles: Mapping[str, str]) -> tuple[Taken, ...]:
    return tuple(
        Taken(
            name=ingredient(p.ingredient).name, grams=m.mass_g, ingredient=p.ingredient, role=p.role, written=p.written
        )
        if isinstance(p, IngredientPortion)
        else Taken(name=titles[p.step], grams=m.mass_g, step=p.step, share=_share_in_words(p))
        for p, m in zip(step.inputs, intake, strict=True)
    )


def _served_raw(step: Step, formula: Formula, outcome: Outcome) -> tuple[Caution, ...]:
    """At the end of it all: a caution where egg is in it that no oven has set."""
    material = outcome.material
    if step.id != formula.steps[-1].id or (material.baked and not _raw_inside(formula)):
        return ()
    return (UNBAKED_EGG,) if any(ingredient(i).kind == "egg" for i in material.parts) else ()


def _flour_comes_in(formula: Formula) -> str | None:
    """The step at which raw flour first meets something moist; None without any."""
    for step in formula.steps:
        holds = content_of(formula, step).ingredients
        kinds = {ingredient(i).kind for i in holds}
        if "flour" in kinds and kinds - {"flour", "leavener", "salt", "sugar", "nut", "flavour"}:
            return step.id
    return None


def _raw_inside(formula: Formula) -> bool:
    """Whether a foam of egg reaches the end without an oven on its way."""
    last = formula.steps[-1].id
    reach = upstream(formula, last) | {last}
    return any(
        s.begins_foam
        and s.id in reach
        and bool(EGGS & content_of(formula, s).ingredients)
        and not any(b.sets_foam and s.id in upstream(formula, b.id) for b in formula.steps)
        for s in formula.steps
    )


def _before(one: WalkedStep, by_id: Mapping[str, WalkedStep]) -> tuple[Section, ...]:
    """The vessels that a step takes from, as they stand before it."""
    if not one.step.shows_before:
        return ()
    if isinstance(one.step, PipeStep):
        return (of_vessel(BAG, combine(one.intake)),)
    found = []
    for step_id, stood in one.stood.items():
        source = by_id[step_id]
        section = source.step.section(stood, source.place)
        if section is not None:
            found.append(section.model_copy(update={"name": source.place.vessel_name(source.step.vessel)}))
    return tuple(found)


def _with_its_roll(bake: BakeView | None, formula: Formula, place: Setting) -> BakeView | None:
    """A bake with what comes straight after it, as this formula rolls its sheet."""
    rolls = [s.warm for s in formula.steps if isinstance(s, RollStep)]
    if bake is None or not rolls:
        return bake
    return bake.model_copy(update={"after": straight_after(place.technique, rolled_warm=any(rolls))})


def _shared_out(one: WalkedStep, walked: Sequence[WalkedStep]) -> tuple[GoesTo, ...]:
    """Where a result goes that several steps take of: told before it is whipped. Nothing where one takes all."""
    whole = kept(one.outcome.material).mass_g
    found = [
        GoesTo(step=w.step.id, title=w.step.title, grams=m.mass_g, share=m.mass_g / whole)
        for w in walked
        for p, m in zip(w.step.inputs, w.intake, strict=True)
        if isinstance(p, StepPortion) and p.step == one.step.id and not p.offcut and whole > 0
    ]
    return tuple(found) if len({f.step for f in found}) > 1 else ()


def walk_prepared(formula: Formula, setting: Setting, observed: Observed = NOTHING_OBSERVED) -> list[WalkedStep]:
    """The formula with the hot ovens and washes that it does not name, walked."""
    full = prepared(formula)
    return walk(full, replace(setting, vessels={v.id: v for v in full.vessels}), observed)


def forecast(formula: Formula, setting: Setting, observed: Observed = NOTHING_OBSERVED) -> Forecast:
    """Walk the prepared formula.

    Args:
        formula: already scaled.
        setting: the kitchen, oven and tins; its vessels are taken from the formula.
        observed: what the bake has shown so far.
    """
    return forecast_of(formula, walk_prepared(formula, setting, observed))


def forecast_of(formula: Formula, walked: Sequence[WalkedStep]) -> Forecast:
    """The forecast of a formula that was walked, prepared."""
    full = formula.model_copy(update={"steps": tuple(w.step for w in walked)})
    titles = {s.id: s.title for s in full.steps}
    steps, warnings = [], []
    law = law_of(walked)
    goods = formula.ingredients()
    entering, last = coming_in(full.steps), formula.steps[-1].id
    served, floured = at_serving(goods, law), _flour_comes_in(full)
    by_id = {w.step.id: w for w in walked}
    for one in walked:
        step, intake, outcome, place, _, parts = one
        figures = outcome.figures | {
            "modelled_s": outcome.modelled_s or outcome.duration_s.likely,
            "cautions": (
                *outcome.cautions,
                *((entering[step.id],) if step.id in entering else ()),
                *((RAW_FLOUR,) if step.id == floured else ()),
                *_served_raw(step, full, outcome),
                *((served,) if served is not None and step.id == last else ()),
            ),
            "bake": _with_its_roll(outcome.bake, full, place),
        }
        steps.append(
            StepForecast(
                **figures,
                id=step.id,
                kind=step.kind,
                title=step.title,
                note=step.note,
                vessel=step.vessel,
                vessel_name=place.vessel_name(step.vessel),
                component=step.component,
                inputs=_taken(step, intake, titles),
                needs=step.needs,
                material=view(kept(outcome.material)),
                attention=step.attention,
                uses=step.uses,
                begins_foam=step.begins_foam,
                sets_foam=step.sets_foam,
                stills_foam=step.stills_foam,
                passes_window=step.passes_window,
                under_way_is_enough=step.under_way_is_enough,
                section=step.section(outcome.material, place),
                late_s=step.late_s,
                tray=step.tray,
                ribbon=told_by_ribbon(outcome.foam),
                ageing=outcome.ageing,
                before=_before(one, by_id),
                pattern=step.pattern_view(parts, place),
                ready=ready_for_next(step, outcome.material, full),
                goes=_shared_out(one, walked),
            )
        )
        warnings += [Caveat(step=step.id, level=n.level, text=n.text, remedy=n.remedy) for n in outcome.notices]
    warnings += [
        Caveat(
            step=f.step,
            level="risk",
            text=f"{f.text[0].upper()}{f.text[1:]}.",
            remedy="A trace of fat stops whites from rising.",
        )
        for f in formula.findings()
        if not f.blocks
    ]
    warnings += [
        Caveat(
            step=s.id,
            level="risk",
            text=f"“{g.name}” is not known here: it counts by its weight alone.",
            remedy="Say what it is, or read its label, under Goods in Kitchen.",
        )
        for s in formula.steps
        for g in goods_of(s)
        if not g.known
    ]
    weighed = totals(formula)
    return Forecast(
        steps=tuple(steps),
        ingredients=weighed,
        components=components(formula, walked),
        warnings=tuple(warnings),
        balance=balance_of(formula, walked),
        folds=fold_courses(walked),
        washing=wash_plan(formula, walked),
        total_g=formula.total_g(),
        besides=tuple(ingredient(i).name for i in formula.besides),
        offcuts=offcuts(formula, walked),
        **told(holds(goods), law),
    )
