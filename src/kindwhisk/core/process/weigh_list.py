"""The weigh list: what goes into which vessel, in the order of the work, component by component."""

from __future__ import annotations

from collections.abc import Iterable

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.held import Held
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value


class Weighing(Value):
    """One ingredient into a vessel; ``written`` is how the recipe that was read in had it."""

    ingredient: str
    name: str
    grams: float
    bulk_ml: Estimate
    role: str
    written: str
    allergens: tuple[str, ...]
    allergens_known: bool
    check_label: bool


class Bowl(Value):
    """What is weighed into one vessel for one step."""

    step: str
    title: str
    vessel: str
    items: tuple[Weighing, ...]


class ComponentList(Held):
    """The bowls of a component, with what it holds for whom."""

    component: str
    name: str
    bowls: tuple[Bowl, ...]


def weigh_list(forecast: Forecast) -> tuple[ComponentList, ...]:
    """Every weighing of a forecast; components without any are left out."""
    known = {i.id: i for i in forecast.ingredients}

    def bowls(steps: Iterable[str]) -> tuple[Bowl, ...]:
        found = []
        for step_id in steps:
            step = forecast.step(step_id)
            items = tuple(
                Weighing(
                    ingredient=t.ingredient,
                    name=t.name,
                    grams=t.grams,
                    bulk_ml=ingredient(t.ingredient).bulk_ml(t.grams),
                    role=t.role,
                    written=t.written,
                    allergens=known[t.ingredient].allergens,
                    allergens_known=known[t.ingredient].allergens_known,
                    check_label=known[t.ingredient].check_label,
                )
                for t in step.inputs
                if t.ingredient is not None
            )
            if items:
                found.append(Bowl(step=step.id, title=step.title, vessel=step.vessel_name, items=items))
        return tuple(found)

    lists = (ComponentList(component=c.id, name=c.name, bowls=bowls(c.steps), **c.held) for c in forecast.components)
    return tuple(part for part in lists if part.bowls)
