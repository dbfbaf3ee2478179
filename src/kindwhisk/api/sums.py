"""Sums that may take seconds: what they need goes in as values, so that another process can do them."""

from __future__ import annotations

import json
import tempfile
from collections.abc import Sequence
from datetime import datetime
from pathlib import Path

from kindwhisk.bench.ovens.baking import Reckoned
from kindwhisk.bench.plans import PlanView, plan_backward
from kindwhisk.core.baking.answers import Answer, answers
from kindwhisk.core.baking.carry_over import CarryOver, carried_over
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.plan import DayPlan
from kindwhisk.core.day.prepared import PartSource, Prepared, prepare, prepare_part
from kindwhisk.core.day.resources import DayResources
from kindwhisk.core.day.solver import solve
from kindwhisk.core.day.ways import Way, ways
from kindwhisk.core.day.work import DayBake
from kindwhisk.core.ingredients import tell
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ingredients.goods import Good
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.scaling import in_loads, scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading import proposal
from kindwhisk.core.reading.recipe import Written, from_csv, from_text
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.forecast import SyrupForecast
from kindwhisk.core.sugar.watch import watch
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.technique import Technique
from kindwhisk.formats import archive

WAY_S = 1.2
"""So long a change is tried that might bring all in time."""


# What a plan is made from.
def planned(
    formula: Formula,
    kitchen: Kitchen,
    wish: Wish,
    record: KitchenRecord,
    ready_at: datetime | None,
    not_before: datetime,
) -> PlanView:
    """A formula, scaled and planned.

    Raises:
        CraftError: the wish or the plan cannot be met.
    """
    _told(formula.goods)
    made = in_loads(scale(formula, kitchen, wish, record), kitchen, record)
    return plan_backward(made.forecast, kitchen, ready_at, not_before)


# What a day is planned by.
def day_prepared(formula: Formula, wish: Wish, kitchen: Kitchen, record: KitchenRecord) -> Prepared:
    """An order made ready for the plan of its day.

    Raises:
        CraftError: the wish can't be met.
    """
    _told(formula.goods)
    return prepare(formula, kitchen, wish, record)


def day_part_prepared(sources: tuple[PartSource, ...], kitchen: Kitchen, record: KitchenRecord) -> Prepared:
    """A part that is made by itself, made ready.

    Raises:
        CraftError: a wish can't be met.
    """
    for source in sources:
        _told(source.formula.goods)
    return prepare_part(sources, kitchen, record)


def day_solved(bakes: tuple[DayBake, ...], here: DayResources, asked: Asked) -> DayPlan | None:
    """A better plan of a day; None where none was found in the time."""
    return solve(bakes, here, asked)


def day_ways(plan: DayPlan, bakes: tuple[DayBake, ...], here: DayResources, now_s: float) -> tuple[Way, ...]:
    """What would bring all in time."""

    def tried(changed: Sequence[DayBake], other: DayResources) -> DayPlan | None:
        first = starting_plan(changed, {}, other, now_s) if not any(b.known for b in changed) else ()
        return solve(changed, other, Asked(now_s=now_s, hint=tuple(first), seconds=WAY_S))

    return tuple(ways(plan, bakes, here, now_s, tried))


# What a recipe is read by.
def read(
    text: str | Written,
    form: str,
    eggs: EggSize,
    technique: Technique | None,
    goods: tuple[Good, ...],
    by_hand: proposal.ByHand,
) -> proposal.ReadRecipe:
    """A recipe read, as text, as a table (``form`` ``csv``), or in its parts already.

    Raises:
        CraftError: it can't be read.
    """
    _told(goods)
    if isinstance(text, str):
        text = from_csv(text) if form == "csv" else from_text(text)
    return proposal.read(text, eggs, technique, goods, by_hand)


def what_ifs(
    reckoned: Reckoned, shelf: tuple[tuple[str, Tin], ...], trays: int, kitchen_c: float
) -> tuple[tuple[Answer, ...], list[tuple[float, CarryOver]]]:
    """What else could be done with a bake, and what follows on the rack."""
    found = answers(reckoned.content, reckoned.reference, reckoned.model, shelf, trays, reckoned.own)
    return found, carried_over(reckoned.content, reckoned.made.done_s.likely, kitchen_c)


# What thermometers tell.
def pot_told(
    pot: Pot, target_c: float, readings: list[tuple[float, float]], power_w: float | None, water_known: bool
) -> SyrupForecast:
    """When a pot will be at its target, by its readings (seconds, C)."""
    return watch(pot, target_c, readings, power_w, water_known=water_known).forecast()


def crumb_told(reckoned: Reckoned, readings: list[tuple[float, float]]) -> CrumbFollower:
    """A bake followed by readings of its middle (seconds, C)."""
    follower = CrumbFollower(reckoned.content, reckoned.made)
    for at_s, core_c in readings:
        follower.take(at_s, core_c)
    return follower


# What goes out.
def taken_out(data: Path, into: Path) -> None:
    """All of a data file as an open archive.

    Raises:
        DataTrouble: nothing of it can be read.
    """
    with into.open("wb") as file:
        archive.write(data, file)


def openapi_document() -> bytes:
    """The description of all doors, as JSON."""
    from kindwhisk.api.app import create_app
    from kindwhisk.api.settings import Settings

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Settings(data=Path(folder)))
        app.state.bench.store.close()
        return json.dumps(app.openapi()).encode()


def _told(goods: tuple[Good, ...]) -> None:
    """What comes over from another process was not validated here: its goods are not known yet."""
    tell(good.ingredient() for good in goods)
