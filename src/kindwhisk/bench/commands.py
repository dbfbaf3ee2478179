"""What is done at the bench: a bake started, an event kept."""

from __future__ import annotations

import secrets
from datetime import datetime

from kindwhisk.bench.learned.asking import asks
from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.document import BakeDocument
from kindwhisk.bench.log.log import BakeLog
from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.plans import plan_backward
from kindwhisk.bench.record import summary
from kindwhisk.bench.rules import check, ribbon_density
from kindwhisk.bench.told.foreseen import Foreseen, foreseen
from kindwhisk.bench.turns import Turning, placed
from kindwhisk.bench.workplace import Workplace
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.course import Beside
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.scaling import Scaled, in_loads, scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.bands import Quantity


class Commands(Workplace):
    """Takes what happens; each returns only when it is on the disk."""

    def start(
        self,
        formula_id: str,
        wish: Wish,
        ready_at: datetime | None,
        client_key: str,
        began_at: datetime | None = None,
        hands: str = "",
        *,
        bell: bool = False,
    ) -> str:
        """Start a bake and return its id; the same key again returns the same bake.

        Args:
            formula_id: what is made.
            wish: how much of it.
            ready_at: by when; None for as soon as it can be.
            client_key: of the request.
            began_at: the first moment that may be used, by default now.
            hands: who bakes, by the id of one of the kitchen's people.
            bell: set a timer for the moment at which the plan begins.

        Raises:
            CraftError: the formula, the wish or the plan cannot be met.
        """
        bakes = self.store.bakes
        known = bakes.find_by_key(client_key)
        if known is not None:
            return str(known.id)
        began = began_at or self.clock.now()
        version, formula = self.store.formulas.get(formula_id)
        revision, kitchen = self.store.kitchens.current()
        if hands:
            kitchen.person(hands)
        record = self.record()
        scaled = in_loads(scale(formula, kitchen, wish, record), kitchen, record)
        plan = plan_backward(scaled.forecast, kitchen, ready_at, began)
        made_in = (version, revision, kitchen, record)
        document = document_of(scaled, made_in, hands, plan.wanted_at, plan.steps)
        with self.store.writing():
            known = bakes.find_by_key(client_key)
            if known is not None:
                return str(known.id)
            bake_id = self._begun(document, began, client_key)
            wait_s = (plan.start_at - began).total_seconds()
            if bell and wait_s > 0:
                self.logs.add(self.logs.read(bake_id), began, _bell(client_key, formula.title, wait_s))
        self.hub.wake()
        return bake_id

    def _begun(self, document: BakeDocument, began: datetime, client_key: str) -> str:
        """Keep a new bake, and return its id."""
        formula = document.formula
        bake_id = f"{began:%Y%m%d}-{formula.id[:24]}-{secrets.token_hex(3)}"
        self.store.bakes.create(
            id=bake_id,
            formula=formula.id,
            version=document.formula_version,
            title=formula.title,
            started_at=began.isoformat(),
            status="running",
            client_key=client_key,
            document=document.model_dump_json(),
        )
        return bake_id

    def post(self, bake_id: str, event: ev.BenchEvent) -> Moment:
        """Keep an event, and tell the bake right after it; a repeated key changes nothing.

        Raises:
            BenchRefusal: the event does not fit what has happened so far.
            CraftError: there is no such bake, or its reading cannot be.
        """
        placed_for: int | None = None
        if isinstance(event, ev.BegunAgain | ev.Changed):
            # A plan takes its time: nobody else's events wait for it.
            event, placed_for = self._placed(bake_id, event)
        with self.store.writing():
            log = self.logs.read(bake_id)
            now = self.clock.now()
            if any(h.event.client_key == event.client_key for h in log.happened):
                return Moment(log, self.kitchen, self.following, now)
            at = _moment(event, log, now)
            before = Moment(log, self.kitchen, self.following, at)
            event = _set_right(event, before)
            check(event, before)
            if isinstance(event, ev.BegunAgain | ev.Changed) and before.progress.last_sequence != placed_for:
                event, _ = placed(event, before)
            event = _asked(event, before)
            log = self.logs.add(log, at, event)
            after = Moment(log, self.kitchen, self.following, max(now, at))
            progress = after.progress
            ended = None
            if progress.ended_at is not None:
                then = Moment(log, self.kitchen, self.following, at)
                ended = summary(then, self.store.probes).model_dump(mode="json")
            self.store.bakes.set_outcome(bake_id, progress.status.value, ended)
        self.hub.wake()
        return after

    def foreseen(self, bake_id: str, event: Turning) -> Foreseen:
        """What would follow from a change; nothing is kept.

        Raises:
            CraftError: there is no such bake, or it does not allow the change.
        """
        log = self.logs.read(bake_id)
        before = Moment(log, self.kitchen, self.following, _moment(event, log, self.clock.now()))
        check(event, before)
        return foreseen(event, before)

    def _placed(self, bake_id: str, event: Turning) -> tuple[Turning, int]:
        """The event with its plan, and the last sequence that this plan knows of."""
        log = self.logs.read(bake_id)
        before = Moment(log, self.kitchen, self.following, _moment(event, log, self.clock.now()))
        if any(h.event.client_key == event.client_key for h in log.happened):
            return event, before.progress.last_sequence
        check(event, before)
        planned, _ = placed(event, before)
        return planned, before.progress.last_sequence


MadeIn = tuple[int, int, Kitchen, KitchenRecord]
"""A formula's version, the kitchen's revision, that kitchen, and what its bakes have told."""


def document_of(
    scaled: Scaled, made_in: MadeIn, hands: str, ready_at: datetime, planned: tuple[PlannedStep, ...]
) -> BakeDocument:
    """What a bake is made from, with its plan."""
    version, revision, kitchen, record = made_in
    return BakeDocument(
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
        hands=hands,
        ready_at=ready_at,
        planned=planned,
    )


def _bell(client_key: str, title: str, seconds: float) -> ev.TimerStarted:
    """It rings when a bake is planned to begin."""
    key = f"{ev.BELL}{client_key[:70]}"
    return ev.TimerStarted(
        kind="timer_started", client_key=key, timer=key, label=f"Begin {title}"[:80], seconds=seconds
    )


def _moment(event: ev.BenchEvent, log: BakeLog, now: datetime) -> datetime:
    """When it happened: as told, but neither before the last event nor in the future."""
    return max(now if event.at is None else min(event.at, now), log.last_at)


def _asked(event: ev.BenchEvent, at: Moment) -> ev.BenchEvent:
    """The event with what is asked about it."""
    if not isinstance(event, ev.StepDone | ev.ReadingAdded | ev.OutcomeRecorded):
        return event
    return event.model_copy(update={"asks": asks(event, at) or None})


def _set_right(event: ev.BenchEvent, at: Moment) -> ev.BenchEvent:
    """A reading of a checked thermometer, corrected, or of a ribbon, as a density; what was read is kept beside.

    Raises:
        BenchRefusal: a ribbon tells nothing of what is in the bowl at that step.
    """
    if not isinstance(event, ev.ReadingAdded):
        return event
    if event.ribbon_s is not None and event.quantity is Quantity.DENSITY and event.step in at.walked.before:
        return event.model_copy(update={"value": ribbon_density(event, at.walked.forecast)})
    if event.thermometer is None or event.value is None:
        return event
    value = at.kitchen.corrected_c(event.thermometer, event.value)
    return event.model_copy(update={"value": value, "read": event.value})
