"""Stand-ins for the thermometers of a kitchen: what runs at the bench is simulated, and read as by outside probes.

They post through the same door as any device. They are there where a server was started with them, as the demo is.
"""

from __future__ import annotations

import zlib
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from enum import StrEnum
from threading import Event, Lock, Thread

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.now.awake import AtWork
from kindwhisk.core.foams.hot_foam import whisked_w_per_k
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.stream import StreamStep, split
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.values.model import Value
from kindwhisk.devices.bowl import BowlPlan, StandInBowl
from kindwhisk.devices.intake import OutsideReading, take
from kindwhisk.devices.ovens import StandInOvens
from kindwhisk.devices.pot import PotPlan, Span, StandInPot
from kindwhisk.devices.room import RoomView, StandInRooms
from kindwhisk.devices.view import StandInView, probe_of

TICK_S = 0.2
READS_EVERY_S = 1.0
LEFT_STANDING_S = 90.0
MISHAP_S = 25.0
WARMING_BOWL_G = 400.0
RING_W, RING_W_PER_G = 500.0, 1.4
"""A ring as one would set it for so much sugar."""
SPOON_G = 15.0


class Mishap(StrEnum):
    """Something that can be made to go wrong."""

    TOUCHING = "probe on the bottom"
    SILENT = "probe silent"
    WATER = "a spoon of water"


class StandInsView(Value):
    """Whether stand-ins are there, how fast their clock runs, and what they stand in for now."""

    available: bool
    on: bool
    speed: float
    things: tuple[StandInView, ...] = ()
    room: RoomView | None = None


@dataclass
class _Thing:
    """Something that is simulated for a running step."""

    body: StandInPot | StandInBowl
    place: ProbePlace
    probe: str
    began: datetime
    kitchen: Kitchen
    ended: datetime | None = None

    def view(self, bake: str, step: str) -> StandInView:
        """As it is."""
        pot = self.body if isinstance(self.body, StandInPot) else None
        return StandInView(
            bake=bake,
            step=step,
            place=self.place,
            true_c=self.body.syrup_c if isinstance(self.body, StandInPot) else self.body.content_c,
            probe_c=self.body.probe_c,
            flame=pot.flame if pot else None,
            spilt_g=pot.spilt_g if pot else 0.0,
        )


class StandIns:
    """Simulates what runs at the bench, on the bench's own clock."""

    def __init__(self, bench: Bench, *, available: bool) -> None:
        self.bench, self.clock, self.available = bench, bench.clock, available
        self.on = available
        self._things: dict[tuple[str, str, datetime], _Thing] = {}
        self._ovens = StandInOvens()
        self._rooms = StandInRooms()
        self._lock = Lock()
        self._stop = Event()
        self._thread: Thread | None = None

    def start(self) -> None:
        """Begin, where they are available."""
        if self.available and self._thread is None:
            self._thread = Thread(target=self._run, name="stand-ins", daemon=True)
            self._thread.start()

    def stop(self) -> None:
        """End with the server."""
        self._stop.set()
        if self._thread is not None:
            self._thread.join(timeout=2)

    def view(self) -> StandInsView:
        """What there is."""
        with self._lock:
            things = (*(t.view(b, s) for (b, s, _), t in self._things.items()), *self._ovens.views())
            room = self._rooms.view() if self.on else None
        return StandInsView(available=self.available, on=self.on, speed=self.clock.speed, things=things, room=room)

    def turn_flame(self, share: float) -> None:
        """Every pot's flame, 0 to 1.2 of what it was lit at."""
        with self._lock:
            for thing in self._things.values():
                if isinstance(thing.body, StandInPot):
                    thing.body.turn(share)

    def mishap(self, what: Mishap) -> None:
        """Make it happen now, to every pot."""
        with self._lock:
            for thing in self._things.values():
                if not isinstance(thing.body, StandInPot):
                    continue
                span = Span(thing.body.t_s, thing.body.t_s + MISHAP_S)
                plan = thing.body.plan
                if what is Mishap.TOUCHING:
                    thing.body.plan = replace(plan, touching=(*plan.touching, span))
                elif what is Mishap.SILENT:
                    thing.body.plan = replace(plan, silent=(*plan.silent, span))
                else:
                    thing.body.pour_water(SPOON_G)

    def open_door(self, seconds: float) -> None:
        """Every oven's door, for a while."""
        with self._lock:
            self._ovens.open_door(seconds)

    def _run(self) -> None:
        while not self._stop.wait(TICK_S if self.clock.speed > 1 else READS_EVERY_S):
            if self.on:
                self.advance(self.clock.now())

    def advance(self, now: datetime) -> None:
        """Bring everything that runs up to a moment and post what was read on the way."""
        at_work = self.bench.at_work(now)
        work = {(w.bake, w.step.id, w.started_at): w for w in at_work}
        with self._lock:
            for key, one in work.items():
                if key not in self._things and (thing := self._begin(one)) is not None:
                    self._things[key] = thing
            # A probe is in one vessel at a time: the one that was begun last.
            holds = {thing.probe: key for key, thing in sorted(self._things.items(), key=lambda t: t[1].began)}
            readings = [
                reading
                for key, thing in self._things.items()
                for reading in self._read(thing, key in work, now)
                if holds[thing.probe] == key
            ]
            readings += self._ovens.advance(at_work, now, self.bench.kitchen)
            readings += self._rooms.advance(at_work, now, self.bench.kitchen)
            self._things = {
                k: t
                for k, t in self._things.items()
                if t.ended is None or now - t.ended < timedelta(seconds=LEFT_STANDING_S)
            }
        if readings:
            take(readings, self.bench)

    def _read(self, thing: _Thing, running: bool, now: datetime) -> list[OutsideReading]:
        if not running and thing.ended is None:
            thing.ended = now
            if isinstance(thing.body, StandInPot):
                thing.body.on_flame = False
        readings = []
        while thing.body.t_s + READS_EVERY_S <= (now - thing.began).total_seconds():
            thing.body.advance(READS_EVERY_S)
            value = thing.body.read()
            if value is not None:
                at = thing.began + timedelta(seconds=thing.body.t_s)
                readings.append(
                    OutsideReading(probe=thing.probe, value=thing.kitchen.shows_c(thing.probe, value), at=at)
                )
        return readings

    def _begin(self, work: AtWork) -> _Thing | None:
        seed = zlib.crc32(f"{work.bake} {work.step.id}".encode())
        body = stand_in_for(work.step, work.intake, work.setting, seed=seed, pot_c=self._last_pot_c(work.bake))
        if body is None:
            return None
        place = work.step.probe or ProbePlace.HAND
        kitchen = self.bench.kitchen
        return _Thing(body, place, probe_of(place, kitchen), work.started_at, kitchen)

    def _last_pot_c(self, bake: str) -> float | None:
        pots = [t.body for (b, *_), t in self._things.items() if b == bake and isinstance(t.body, StandInPot)]
        return pots[-1].syrup_c if pots else None


def stand_in_for(
    step: Step, intake: tuple[Material, ...], setting: Setting, *, seed: int, pot_c: float | None = None
) -> StandInPot | StandInBowl | None:
    """A pot or bowl for a step with what goes into it; None for one that heats nothing. ``pot_c`` is the syrup's."""
    if isinstance(step, BoilStep):
        start = combine(intake)
        pot, vessel = step.pot(start, setting), setting.vessels.get(step.vessel)
        return StandInPot(
            PotPlan(
                sugar_g=pot.sugar_g,
                water_g=pot.water_g,
                power_w=RING_W + RING_W_PER_G * pot.sugar_g,
                start_c=start.temperature_c,
                air_c=setting.kitchen.air_c,
                pressure_kpa=setting.kitchen.pressure_kpa,
                diameter_mm=vessel.diameter_mm if vessel else 140,
                height_mm=vessel.height_mm if vessel else 80,
                seed=seed,
            )
        )
    if isinstance(step, StreamStep):
        syrup, egg = split(intake)
        together = sum(m.mass_g / 1000 * m.composition.heat_capacity() for m in (syrup, egg))
        return StandInBowl(
            BowlPlan(
                content_kj_per_k=egg.mass_g / 1000 * egg.composition.heat_capacity(),
                start_c=egg.temperature_c,
                air_c=setting.kitchen.air_c,
                bowl_g=setting.kitchen.mixers[0].bowl_g,
                pour_g=0.95 * syrup.mass_g,
                pour_c=syrup.temperature_c if pot_c is None else pot_c,
                whisked_w_per_k=whisked_w_per_k(together)[1],
                seed=seed,
            )
        )
    if isinstance(step, WarmStep) and step.over_water:
        start = combine(intake)
        return StandInBowl(
            BowlPlan(
                content_kj_per_k=start.mass_g / 1000 * start.composition.heat_capacity(),
                start_c=start.temperature_c,
                air_c=setting.kitchen.air_c,
                bowl_g=WARMING_BOWL_G,
                steam_w_per_k=6.0,
                seed=seed,
            )
        )
    return None
