"""The stand-in ovens of a kitchen: heated, filled and emptied as the bench says, with what bakes or cools of them."""

from __future__ import annotations

import zlib
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import datetime, timedelta

from kindwhisk.bench.now.awake import AtWork
from kindwhisk.core.baking.course import Sets
from kindwhisk.core.ingredients.material import combine
from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.preheat import PreheatStep
from kindwhisk.devices.intake import OutsideReading
from kindwhisk.devices.oven import LOADING_DOOR_S, OvenPlan, StandInCake, StandInOven
from kindwhisk.devices.view import StandInView, probe_of

STAYS_ON = timedelta(minutes=40)
"""An oven that nothing wants is switched off after so long; it may be waiting for a fold."""
ON_RACK = timedelta(hours=4)
"""A probe stays in a cake on the rack for so long."""
READS_S = 5.0
OFF_K = (-5.0, 1.0)
"""How much hotter than the kitchen supposes a stand-in oven is, at least and at most: something to be found out."""
RACK_STEP_S = 5.0
MOST_BEHIND_S = 4 * 3600.0


@dataclass
class _Cake:
    body: StandInCake
    bake: str
    step: str
    began: datetime
    out_at: datetime | None = None
    read_at: datetime | None = None


@dataclass
class _Oven:
    body: StandInOven
    began: datetime
    wanted_at: datetime
    bake: str
    step: str
    read_at: datetime | None = None
    cakes: dict[tuple[str, str, datetime], _Cake] = field(default_factory=dict)


class StandInOvens:
    """All of them, by the kitchen's ids."""

    def __init__(self) -> None:
        self._ovens: dict[str, _Oven] = {}

    def open_door(self, seconds: float) -> None:
        """Of each that is on."""
        for oven in self._ovens.values():
            oven.body.open_door(seconds)

    def views(self) -> Iterator[StandInView]:
        """Each oven, and each cake with a probe in it."""
        for oven in self._ovens.values():
            yield StandInView(
                bake=oven.bake,
                step=oven.step,
                place=ProbePlace.OVEN,
                true_c=oven.body.air_c,
                probe_c=oven.body.probe_c,
                door_open=oven.body.door_open,
            )
            for cake in oven.cakes.values():
                core = cake.body.core_c
                yield StandInView(bake=cake.bake, step=cake.step, place=ProbePlace.CRUMB, true_c=core, probe_c=core)

    def advance(self, work: Sequence[AtWork], now: datetime, kitchen: Kitchen) -> list[OutsideReading]:
        """Up to a moment, with what is at work in a kitchen; what the probes said on the way."""
        ovens = [w for w in work if isinstance(w.step, PreheatStep | BakeStep)]
        if not ovens and not self._ovens:
            return []
        for one in ovens:
            self._heat(one, kitchen)
        readings: list[OutsideReading] = []
        running = {(w.bake, w.step.id, w.started_at) for w in ovens}
        for name, oven in list(self._ovens.items()):
            self._advance(oven, running, now)
            readings += self._read(oven, kitchen, now)
            idle = now - oven.wanted_at
            if idle > STAYS_ON:
                oven.body.dial_c = None
            if idle > ON_RACK:
                del self._ovens[name]
        return readings

    def _heat(self, work: AtWork, kitchen: Kitchen) -> None:
        """Switch the oven of a step on, and put in what it bakes."""
        own, step = work.setting.oven, work.step
        if own.id not in self._ovens:
            seed = zlib.crc32(own.id.encode())
            low, high = OFF_K
            off = work.setting.oven.offset_k + low + (high - low) * (seed % 97) / 96
            plan = OvenPlan(offset_k=off, kitchen_c=kitchen.air_c, seed=seed)
            self._ovens[own.id] = _Oven(StandInOven(plan), work.started_at, work.started_at, work.bake, step.id)
            if isinstance(step, BakeStep):  # the preheat was before this server: it is hot
                warm = self._ovens[own.id].body
                warm.air_c = warm.wall_c = warm.probe_c = step.oven_c
        oven = self._ovens[own.id]
        oven.wanted_at, oven.bake, oven.step = max(oven.wanted_at, work.started_at), work.bake, step.id
        if not isinstance(step, PreheatStep | BakeStep):
            return
        oven.body.dial_c = float(round(step.oven_c - work.setting.oven_offset_k(step.rack)))
        key = (work.bake, step.id, work.started_at)
        if isinstance(step, BakeStep) and key not in oven.cakes:
            seed = zlib.crc32(f"{work.bake} {step.id}".encode())
            content = step.in_oven(combine(work.intake), work.setting)
            cake = StandInCake(content, work.setting.tins.count, seed)
            missed = oven.body.t_s - (work.started_at - oven.began).total_seconds()
            while cake.t_s + RACK_STEP_S <= missed:  # it went in before the oven was told
                cake.bake_on(RACK_STEP_S, oven.body.felt_c)
            oven.body.cakes.append(cake)
            oven.body.open_door(LOADING_DOOR_S)
            oven.cakes[key] = _Cake(cake, work.bake, step.id, work.started_at)

    def _advance(self, oven: _Oven, running: set[tuple[str, str, datetime]], now: datetime) -> None:
        for key, cake in oven.cakes.items():
            if cake.out_at is None and key not in running:
                cake.out_at = now
                cake.body.take_out()
                oven.body.cakes.remove(cake.body)
                oven.body.open_door(LOADING_DOOR_S)
        if running:
            oven.wanted_at = now
        seconds = (now - oven.began).total_seconds() - oven.body.t_s
        if seconds > MOST_BEHIND_S:  # a server that was away: what happened long ago is not made up for
            oven.began += timedelta(seconds=seconds - MOST_BEHIND_S)
            seconds = MOST_BEHIND_S
        if seconds >= 1:
            oven.body.advance(seconds)
        for cake in oven.cakes.values():
            if cake.out_at is None:
                continue
            owed = (now - cake.began).total_seconds() - cake.body.t_s
            while owed >= RACK_STEP_S:
                cake.body.bake_on(RACK_STEP_S, oven.body.plan.kitchen_c)
                owed -= RACK_STEP_S
        oven.cakes = {k: c for k, c in oven.cakes.items() if c.out_at is None or now - c.out_at < ON_RACK}

    def _read(self, oven: _Oven, kitchen: Kitchen, now: datetime) -> Iterator[OutsideReading]:
        """The oven's probe, and that of the cake which went in last."""

        def due(at: datetime | None) -> bool:
            return at is None or (now - at).total_seconds() >= READS_S

        def reading(place: ProbePlace, value: float) -> OutsideReading:
            probe = probe_of(place, kitchen)
            return OutsideReading(probe=probe, value=kitchen.shows_c(probe, value), at=now)

        if due(oven.read_at):
            oven.read_at = now
            yield reading(ProbePlace.OVEN, oven.body.read())
        probed = [c for c in oven.cakes.values() if c.body.content.sets is Sets.CRUMB]
        last = max(probed, key=lambda c: c.began, default=None)
        if last is not None and due(last.read_at):
            last.read_at = now
            yield reading(ProbePlace.CRUMB, last.body.read())
