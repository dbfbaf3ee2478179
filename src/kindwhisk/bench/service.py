"""The bench at work: start a bake, take an event, tell the state."""

from __future__ import annotations

import secrets
from datetime import datetime
from typing import NamedTuple

from kindwhisk.bench.clock import Clock
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.document import BakeDocument, Beside
from kindwhisk.bench.log.projection import Progress, StepStatus, project
from kindwhisk.bench.now.walked import WalkedBake, parse, walked
from kindwhisk.bench.plans import plan_backward
from kindwhisk.bench.record import kitchen_record, summary
from kindwhisk.bench.rules import check, ribbon_density
from kindwhisk.bench.told.state import StateMaker
from kindwhisk.bench.told.views import BakeState, TraceView
from kindwhisk.core.braid import Braid, braid
from kindwhisk.core.ingredients.eggs import EggsOfTheDay, egg_need, eggs_of_the_day
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.model import Value
from kindwhisk.store import bakes, formulas, kitchens
from kindwhisk.store.models import BakeRow
from kindwhisk.store.writing import writing


class BakeBraid(Value):
    """The braid as planned and as it goes or went, with the moment that its seconds count from."""

    origin: datetime
    planned: Braid
    actual: Braid


class StepAtHand(NamedTuple):
    """A step with what goes into it, one by one, and its setting."""

    step: Step
    intake: tuple[Material, ...]
    setting: Setting


class AtWork(NamedTuple):
    """A step that runs: its bake, since when, what went into it one by one, and its setting."""

    bake: str
    step: Step
    started_at: datetime
    intake: tuple[Material, ...]
    setting: Setting


class Bench:
    """All bakes of this data file. Every method may be called from any thread."""

    def __init__(self, hub: Hub, clock: Clock | None = None) -> None:
        self.hub = hub
        self.clock = clock or Clock()

    def start(
        self,
        formula_id: str,
        wish: Wish,
        ready_at: datetime,
        client_key: str,
        began_at: datetime | None = None,
    ) -> str:
        """Start a bake and return its id; the same key again returns the same bake.

        Raises:
            CraftError: the formula, the wish or the plan cannot be met.
        """
        known = bakes.find_by_key(client_key)
        if known is not None:
            return str(known.id)
        began = began_at or self.clock.now()
        version, formula = formulas.get(formula_id)
        revision, kitchen = kitchens.current()
        record = kitchen_record(formula)
        scaled = scale(formula, kitchen, wish, record)
        plan = plan_backward(scaled.forecast, kitchen, ready_at, began)
        document = BakeDocument(
            formula=scaled.formula,
            formula_version=version,
            kitchen=kitchen,
            kitchen_revision=revision,
            oven=scaled.oven,
            tin_name=scaled.tin_name,
            tin=scaled.tin,
            tin_wall=scaled.tin_wall,
            tin_count=scaled.tin_count,
            beside=tuple(Beside(name=b.name, tin=b.tin, count=b.count) for b in scaled.beside),
            record=record,
            ready_at=ready_at,
            planned=plan.steps,
        )
        bake_id = f"{began:%Y%m%d}-{formula_id[:24]}-{secrets.token_hex(3)}"
        with writing():
            known = bakes.find_by_key(client_key)
            if known is not None:
                return str(known.id)
            bakes.create(
                BakeRow(
                    id=bake_id,
                    formula=formula_id,
                    version=version,
                    title=formula.title,
                    started_at=began.isoformat(),
                    status="running",
                    client_key=client_key,
                    document=document.model_dump_json(),
                )
            )
        self.hub.wake()
        return bake_id

    def post(self, bake_id: str, event: ev.BenchEvent) -> None:
        """Keep an event; returns only when it is on the disk. A repeated key changes nothing.

        Raises:
            BenchRefusal: the event does not fit what has happened so far.
            CraftError: there is no such bake, or its reading cannot be.
        """
        with writing():
            row = bakes.get(bake_id)
            if bakes.has_key(bake_id, event.client_key):
                return
            happened = _happened(bake_id)
            began = datetime.fromisoformat(row.started_at)
            at = self._moment(event, happened, began)
            made, progress = _progress(row, happened, began, at)
            event = _set_right(event, made)
            check(event, made.forecast, progress, happened)
            bakes.append(
                bake_id,
                at=at.isoformat(),
                kind=event.kind,
                payload=event.model_dump_json(),
                client_key=event.client_key,
            )
            made, after = _progress(row, _happened(bake_id), began, at)
            late = ((after.ended_at or at) - made.document.ready_at).total_seconds()
            _, kitchen = kitchens.current()
            ended = summary(made, after, late, kitchen).model_dump(mode="json") if after.ended_at else None
            bakes.set_outcome(bake_id, after.status.value, ended)
        self.hub.wake()

    def _moment(self, event: ev.BenchEvent, happened: list[ev.Happened], began: datetime) -> datetime:
        """When it happened: as told, but neither before the last event nor in the future."""
        now = self.clock.now()
        at = now if event.at is None else min(event.at, now)
        return max(at, happened[-1].at if happened else began)

    def state(self, bake_id: str, focus: str | None = None, now: datetime | None = None) -> BakeState:
        """The state of a bake at a moment (default now).

        Raises:
            CraftError: there is no such bake.
        """
        row, maker = self._maker(bake_id, now)
        shown = focus if focus in maker.steps else None
        return maker.state(str(row.title), shown, self.clock.speed)

    def braid(self, bake_id: str, now: datetime | None = None) -> BakeBraid:
        """The braid of a bake, planned and as it goes.

        Raises:
            CraftError: there is no such bake.
        """
        _, maker = self._maker(bake_id, now)
        origin = maker.began_at

        def seconds(moment: datetime) -> float:
            return (moment - origin).total_seconds()

        planned = {p.step: (seconds(p.start), seconds(p.end)) for p in maker.document.planned}
        actual = {i: (seconds(a), seconds(b)) for i, (a, b) in maker.expected.items()}
        ended = maker.progress.ended_at is not None
        real = {i: t for i, t in actual.items() if not ended or maker.progress.is_over(i)}
        return BakeBraid(origin=origin, planned=braid(maker.forecast, planned), actual=braid(maker.forecast, real))

    def traces(self, bake_id: str, now: datetime | None = None) -> tuple[TraceView, ...]:
        """The temperatures of a bake, step by step.

        Raises:
            CraftError: there is no such bake.
        """
        _, maker = self._maker(bake_id, now)
        return maker.traces()

    def at_work(self) -> list[AtWork]:
        """Every step of every bake that runs now, for whoever stands in for the world outside."""
        found = []
        for row in bakes.listed(status="running"):
            began = datetime.fromisoformat(row.started_at)
            made, progress = _progress(row, _happened(str(row.id)), began, self.clock.now())
            for step in made.formula.steps:
                own = progress.steps.get(step.id)
                if own is not None and own.status is StepStatus.RUNNING and own.started_at is not None:
                    place = made.places[step.id]
                    found.append(AtWork(str(row.id), step, own.started_at, made.intakes[step.id], place))
        return found

    def steps_of(self, bake_id: str) -> list[StepAtHand]:
        """The steps of a bake in order.

        Raises:
            CraftError: there is no such bake.
        """
        row = bakes.get(bake_id)
        made, _ = _progress(row, [], datetime.fromisoformat(row.started_at), self.clock.now())
        return [StepAtHand(s, made.intakes[s.id], made.places[s.id]) for s in made.formula.steps]

    def last_moment(self) -> datetime | None:
        """The latest moment that anything was said to have happened at; None in an empty data file."""
        last = bakes.latest_moment()
        return None if last is None else datetime.fromisoformat(last)

    def eggs_today(self, now: datetime | None = None) -> EggsOfTheDay | None:
        """Eggs for the bakes that were begun on this day (UTC) and not given up; None when none of them has egg."""
        moment = now or self.clock.now()
        needs = []
        for row in bakes.listed():
            if row.status == "abandoned" or datetime.fromisoformat(row.started_at).date() != moment.date():
                continue
            document = parse(str(row.document))
            formula = document.formula
            need = egg_need(
                formula.grams_of("egg-white"),
                formula.grams_of("egg-yolk"),
                formula.grams_of("whole-egg"),
                document.kitchen.eggs,
            )
            needs += [need] if need else []
        _, kitchen = kitchens.current()
        return eggs_of_the_day(needs, kitchen.eggs)

    def _maker(self, bake_id: str, now: datetime | None) -> tuple[BakeRow, StateMaker]:
        row = bakes.get(bake_id)
        began = datetime.fromisoformat(row.started_at)
        moment = now or self.clock.now()
        made, progress = _progress(row, _happened(bake_id), began, moment)
        _, kitchen = kitchens.current()
        return row, StateMaker(made, progress, began, moment, str(row.id), kitchen)


def _set_right(event: ev.BenchEvent, made: WalkedBake) -> ev.BenchEvent:
    """A reading of a checked thermometer, corrected, or of a ribbon, as a density; what was read is kept beside.

    Raises:
        BenchRefusal: a ribbon tells nothing of what is in the bowl at that step.
    """
    if not isinstance(event, ev.ReadingAdded):
        return event
    if event.ribbon_s is not None and event.quantity is Quantity.DENSITY and event.step in made.before:
        return event.model_copy(update={"value": ribbon_density(event, made.forecast)})
    if event.thermometer is None or event.value is None:
        return event
    _, kitchen = kitchens.current()
    value = kitchen.corrected_c(event.thermometer, event.value)
    return event.model_copy(update={"value": value, "read": event.value})


def _progress(row: BakeRow, happened: list[ev.Happened], began: datetime, now: datetime) -> tuple[WalkedBake, Progress]:
    text = str(row.document)
    document = parse(text)
    progress = project(happened, began, document.hand_steps)
    fades = {s.id: s.reading_fades_s for s in document.formula.steps}
    densities, waited = progress.densities(now, fades), progress.waited_s(now, document.takers)
    return walked(text, tuple(sorted(densities.items())), tuple(sorted(waited.items()))), progress


def _happened(bake_id: str) -> list[ev.Happened]:
    return [
        ev.Happened(
            sequence=row.sequence,
            at=datetime.fromisoformat(row.at),
            event=ev.event_adapter.validate_json(row.payload),
        )
        for row in bakes.events(bake_id)
    ]
