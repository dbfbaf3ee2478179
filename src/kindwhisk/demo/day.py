"""A day under way in the demo kitchen: orders, a plan for two pairs of hands, and bakes begun by it."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime, timedelta
from typing import Any

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.days.desk import Taking, works_of
from kindwhisk.bench.days.gathered import Day
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.order import Beforehand, Order, Sure
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.day.solver import solve
from kindwhisk.core.day.stock import StockItem
from kindwhisk.core.people import Craft, Hours, Person
from kindwhisk.core.process.gate import GateItemKind
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError

BEGAN_AGO = timedelta(minutes=165)
SEEK_S = 4.0
PEOPLE = (
    Person(id="mira", name="Mira"),
    Person(id="tobi", name="Tobi", does=(Craft.BATTER, Craft.OVEN, Craft.FINISHING)),
)
DUE: tuple[tuple[str, Wish, float, Sure, str], ...] = (
    ("tea-chiffon", Wish(tin="tube-17", tin_count=2), 2.2, Sure.CERTAIN, "counter"),
    ("citrus-roll", Wish(), 1.9, Sure.CERTAIN, "Linden Café"),
    ("butter-sponge", Wish(), 3.2, Sure.LIKELY, "counter"),
    ("butter-loaf", Wish(), 5.0, Sure.CERTAIN, "school fête"),
    ("coffee-mousse", Wish(), 6.5, Sure.SPARE, "counter"),
)
"""Formula, how much, due in so many hours, how sure, and for whom."""
STOCK = (
    StockItem(ingredient="cake-flour", grams=2400, least_g=1000, pack_g=1000, price_per_kg=1.3),
    StockItem(ingredient="sugar", grams=900, least_g=1000, pack_g=1000, price_per_kg=1.1),
    StockItem(ingredient="butter", grams=750, least_g=500, pack_g=250, price_per_kg=9.6),
    StockItem(ingredient="cream-35", grams=400, least_g=0, pack_g=500, price_per_kg=5.2),
    StockItem(ingredient="egg-white", grams=0, price_per_kg=6.0),
    StockItem(ingredient="egg-yolk", grams=0, price_per_kg=9.0),
    StockItem(ingredient="whole-egg", grams=0, price_per_kg=5.4),
)


def seed_day(bench: Bench, moment: datetime | None = None) -> None:
    """Put a day under way into a demo kitchen that has no orders yet."""
    store = bench.store
    if store.orders.all():
        return
    now = (moment or bench.clock.now()).astimezone().replace(second=0, microsecond=0)
    start = now - BEGAN_AGO
    _, kitchen = store.kitchens.current()
    mixers = tuple(m.model_copy(update={"bowls": 2}) for m in kitchen.mixers)
    always = (Hours(opens="00:00", closes="24:00"),)
    with store.writing():
        store.kitchens.save(
            kitchen.model_copy(update={"people": PEOPLE, "mixers": mixers, "hours": always, "hand_per_h": 24.0})
        )
        orders = [
            Order(formula=formula, wish=wish, due_at=now + timedelta(hours=hours), sure=sure, goes_to=goes_to)
            for formula, wish, hours, sure, goes_to in DUE
        ]
        saturday = now + timedelta(days=(5 - now.weekday()) % 7 + 7 * (now.weekday() == 5))
        shells = Order(
            formula="french-shells",
            wish=Wish(pieces=48),
            due_at=saturday.replace(hour=9, minute=0),
            goes_to="market",
            every=(5,),
        )
        cake = Order(
            formula="layer-cake",
            wish=Wish(),
            due_at=saturday.replace(hour=11, minute=0),
            goes_to="birthday",
            beforehand=(Beforehand(component="sponge", frozen=True),),
        )
        store.orders.add([*orders, shells, cake], "demo-orders")
        store.stocks.put(STOCK)
    _begin(bench, start, now)


def _begin(bench: Bench, start: datetime, now: datetime) -> None:
    """Plan the day as it stood at its start, and let everything happen that was planned up to now."""
    known = bench.knows(until=now + timedelta(hours=8), now=start)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    day = bench.gather(known, prepared, {})
    plan = _planned(day)
    works = works_of(day, plan)
    begin = tuple(w.id for w in works if min(s.start for s in w.steps) < now)
    for bake_id in bench.take(known, prepared, Taking(works, begin, "demo-day")):
        _told(bench, bake_id, sorted(_happened(bench, bake_id, start, now), key=lambda t: t[0]))


def _told(bench: Bench, bake_id: str, happened: list[tuple[datetime, dict[str, Any]]]) -> None:
    """Tell what happened; of two that fall on one moment, the one that waits for the other after it."""
    waiting = [(at, {**f, "client_key": f"demo-day-{bake_id}-{n:03d}"}) for n, (at, f) in enumerate(happened)]
    while waiting:
        left = []
        for at, fields in waiting:
            try:
                bench.post(bake_id, event_adapter.validate_python({**fields, "at": at}))
            except CraftError:
                left.append((at, fields))
        if len(left) == len(waiting):
            return
        waiting = left


def _planned(day: Day) -> DayPlan:
    first = starting_plan(day.bakes, day.planned, day.here, day.now_s)
    return solve(day.bakes, day.here, Asked(now_s=day.now_s, hint=tuple(first), seconds=SEEK_S)) or told(
        first, day.bakes
    )


def _happened(bench: Bench, bake_id: str, start: datetime, now: datetime) -> Iterator[tuple[datetime, dict[str, Any]]]:
    """What was done by the plan up to now: all that was to be over is, and what was to run runs."""
    state = bench.state(bake_id, now=start)
    gates = bench.moment(bake_id, start).gates
    for line in state.steps:
        begin, end = line.planned_start_at, line.planned_end_at
        if begin > now:
            continue
        if line.id in gates:
            for item in gates[line.id].items:
                if item.kind is GateItemKind.THING:
                    yield begin, {"kind": "gate_ticked", "item": item.id}
        if line.attention is not Attention.THROUGHOUT:
            yield begin, {"kind": "step_started", "step": line.id}
        if end <= now:
            yield end, {"kind": "step_done", "step": line.id}
