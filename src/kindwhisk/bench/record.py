"""What finished bakes of this kitchen tell its next forecast."""

from __future__ import annotations

from kindwhisk.bench.learned.carried import carried
from kindwhisk.bench.learned.evidence import LearnedEvidence, RollSeen
from kindwhisk.bench.learned.showed import showed
from kindwhisk.bench.log.events import OutcomeRecorded
from kindwhisk.bench.measures.measured import facts_of, measures_of
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.bench.ovens.evidence import OvenEvidence
from kindwhisk.bench.ovens.record import OvenHeld, OvenTime, oven_held, oven_times
from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.diagnosis.confirmed import Confirmed
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.measures import BakeMeasure, Fact
from kindwhisk.core.piping.sorting import Counted, together
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.model import Value
from kindwhisk.store.probes import Probes


class CupRead(Value):
    """The density (g/ml) of a step's result, with the band that it was set on."""

    step: str
    title: str
    density: float
    low: float
    high: float


class BakeSummary(Value):
    """A finished bake in short: the cups that count, how it came out, and what it showed of every learned figure.

    ``dots`` are named within the bake; ``measures`` are all its figures, ``facts`` what it was made with, ``confirmed``
    the causes that were found of its faults. None where an earlier version has not worked them out.
    """

    stars: int | None
    faults: tuple[str, ...] = ()
    height_mm: float | None = None
    late_by_s: float
    cups: tuple[CupRead, ...] = ()
    counted: Counted | None = None
    dots: tuple[Dot, ...] | None = None
    ovens: tuple[OvenTime, ...] = ()
    held: tuple[OvenHeld, ...] = ()
    rolls: tuple[RollSeen, ...] = ()
    measures: tuple[BakeMeasure, ...] | None = None
    facts: tuple[Fact, ...] = ()
    note: str = ""
    confirmed: tuple[Confirmed, ...] = ()


def _cups(made: WalkedBake) -> tuple[CupRead, ...]:
    found = []
    for step in made.forecast.steps:
        band = next((c.band for c in step.checkpoints if c.band and c.band.quantity is Quantity.DENSITY), None)
        if step.id in made.observed.densities and band is not None:
            found.append(
                CupRead(
                    step=step.id,
                    title=step.title,
                    density=made.observed.densities[step.id].density,
                    low=band.range.low,
                    high=band.range.high,
                )
            )
    return tuple(found)


def _counted(made: WalkedBake) -> list[Counted]:
    """What the pieces came out as, at each step at which some were counted."""
    found = (made.places[i].counted for i in made.observed.counts if i in made.places)
    return [c for c in found if c is not None]


def _rolls(made: WalkedBake, outcome: OutcomeRecorded | None) -> tuple[RollSeen, ...]:
    """What its rolls say of the strain that a sheet stands; nothing where nobody said how it came out."""
    if outcome is None:
        return ()
    cracked = any("crack" in fault.lower() for fault in outcome.faults)
    for material in made.materials.values():
        # From the roll on every step holds the same one.
        if isinstance(material, Built) and isinstance(material.frame, Rolled):
            return (RollSeen(strain=material.frame.made(material.build).strain, cracked=cracked),)
    return ()


def summary(at: Moment, probes: Probes) -> BakeSummary:
    """The summary of a bake that is over."""
    made, progress = at.walked, at.progress
    late = ((progress.ended_at or at.now) - made.document.ready_at).total_seconds()
    outcome = progress.outcome
    held = tuple(oven_held(made, progress, at.kitchen, probes))
    return BakeSummary(
        stars=outcome.stars if outcome else None,
        faults=outcome.faults if outcome else (),
        height_mm=outcome.height_mm if outcome else None,
        late_by_s=late,
        cups=_cups(made),
        counted=together(counted) if (counted := _counted(made)) else None,
        dots=(*showed(made, progress), *carried(made, progress, at.kitchen, probes)),
        ovens=tuple(oven_times(made, progress)),
        held=held,
        rolls=_rolls(made, outcome),
        measures=measures_of(at, held),
        facts=facts_of(at),
        note=" ".join(t for t in (outcome.crumb, outcome.note) if t) if outcome else "",
        confirmed=tuple(Confirmed(fault=f, cause=c) for f, c in sorted(progress.confirmed.items())),
    )


def kitchen_record(learned: LearnedEvidence, ovens: OvenEvidence) -> KitchenRecord:
    """The record of this kitchen, of all formulas and ovens."""
    return KitchenRecord(
        dots=tuple(d for d in learned.dots if d.figure is not Figure.BAKE),
        bakes=ovens.bakes,
        degrees=ovens.degrees,
        rises=ovens.rises,
        hot_sides=ovens.hot_sides,
        sound=tuple(r.strain for r in learned.rolls if not r.cracked),
        cracked=tuple(r.strain for r in learned.rolls if r.cracked),
    )
