"""What a bake tells of its oven: seconds against the model's, and what thermometers showed."""

from __future__ import annotations

from collections.abc import Iterator

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.core.baking.reference import family
from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.ovens.cycling import OvenSeen, heating, holding
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.preheat import PreheatStep
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.model import Value
from kindwhisk.store.probes import Probes


class OvenTime(Value):
    """A bake's seconds in an oven. ``observed_s`` is None for one that was abandoned; ``not_yet_s`` is when it was last
    looked at and not done. ``checked``: its degrees had been measured or entered."""

    step: str
    oven: str
    family: str
    observed_s: float | None
    modelled_s: float
    not_yet_s: float | None = None
    checked: bool = False


class OvenHeld(Value):
    """What a thermometer told of an oven that was set to ``set_c``; ``typed``: read once by hand."""

    step: str
    oven: str
    set_c: float
    rack: Rack = Rack.MIDDLE
    mode: OvenMode
    seen: OvenSeen
    typed: bool = False


def oven_times(made: WalkedBake, progress: Progress) -> Iterator[OvenTime]:
    """How long its bakes were in the oven; one that was abandoned has at least been looked at. What was told late, and
    said so, tells nothing."""
    for step in made.formula.steps:
        own = progress.steps.get(step.id)
        if not isinstance(step, BakeStep) or own is None or own.started_at is None:
            continue
        if not own.time_counts:
            continue
        done = own.status is StepStatus.DONE and own.ended_at is not None
        observed = (own.ended_at - own.started_at).total_seconds() if done and own.ended_at else None
        not_yet = (own.looked_at[-1] - own.started_at).total_seconds() if own.looked_at else None
        if observed is None and not_yet is None:
            continue
        place = made.places[step.id]
        yield OvenTime(
            step=step.id,
            oven=place.oven.id,
            family=family(step.in_oven(made.before[step.id], place)),
            observed_s=observed,
            modelled_s=made.forecast.step(step.id).modelled_s,
            not_yet_s=not_yet,
            checked=place.record.checked(place.oven),
        )


def oven_held(made: WalkedBake, progress: Progress, kitchen: Kitchen, probes: Probes) -> Iterator[OvenHeld]:
    """What thermometers told of the oven while it heated and baked: a probe that lives in it, or readings by hand."""
    probe = next((t.id for t in kitchen.thermometers if t.place is ProbePlace.OVEN), None)
    for step in made.formula.steps:
        own = progress.steps.get(step.id)
        if not isinstance(step, BakeStep | PreheatStep) or own is None or own.started_at is None:
            continue
        place = made.places[step.id]
        blank = OvenHeld(
            step=step.id,
            oven=place.oven.id,
            set_c=float(round(step.oven_c - place.oven_offset_k(step.rack))),
            rack=step.rack,
            mode=place.oven.mode,
            seen=OvenSeen(),
        )
        since, until = own.started_at, own.ended_at or own.started_at
        readings = list(probes.between(probe, since, until)) if probe else []
        series = [((r.at - since).total_seconds(), r.celsius) for r in readings]
        seen = holding(series) if isinstance(step, BakeStep) else OvenSeen(rise_k_per_min=heating(series, step.oven_c))
        if seen != OvenSeen():
            yield blank.model_copy(update={"seen": seen})
        typed = [r.value for r in progress.readings if r.step == step.id and r.quantity is Quantity.OVEN_TEMPERATURE]
        if typed:
            yield blank.model_copy(update={"seen": OvenSeen(mean_c=typed[-1]), "typed": True})
