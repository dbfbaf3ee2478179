"""What finished bakes of a formula tell its next forecast."""

from __future__ import annotations

from kindwhisk.bench.log.document import parse
from kindwhisk.bench.log.projection import StepStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.bench.ovens.evidence import OvenEvidence
from kindwhisk.bench.ovens.record import OvenHeld, OvenTime, oven_held, oven_times
from kindwhisk.core.folding.air_kept import kept_share
from kindwhisk.core.folding.airy import Airy
from kindwhisk.core.folding.together import bring_together
from kindwhisk.core.learning import KitchenRecord
from kindwhisk.core.process.formula import Formula, content_of
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps.base import Content
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.tins.rise import risen_volume_ml, settled_volume_ml
from kindwhisk.core.tins.standing import levels_mm
from kindwhisk.core.values.bands import CUP_SPREAD, Quantity
from kindwhisk.core.values.model import Value
from kindwhisk.store.database import Store
from kindwhisk.store.probes import Probes

GOOD_STARS = 4
REMEMBERED = 30


class TimedStep(Value):
    """Seconds that a step took, and that the model gave it."""

    observed_s: float
    modelled_s: float


class CupRead(Value):
    """The density (g/ml) of a step's result, with the band that it was set on."""

    step: str
    title: str
    density: float
    low: float
    high: float


class KeptAir(Value):
    """Share of its air that a fold kept by two cups, and by the model."""

    observed: float
    modelled: float


class BakeSummary(Value):
    """A finished bake in short: times by step, the cups that count, air that folds kept, and how it came out."""

    stars: int | None
    faults: tuple[str, ...] = ()
    height_mm: float | None = None
    late_by_s: float
    times: dict[str, TimedStep]
    cups: tuple[CupRead, ...] = ()
    kept: dict[str, KeptAir] = {}
    modelled_mm: float | None = None
    ovens: tuple[OvenTime, ...] = ()
    held: tuple[OvenHeld, ...] = ()


def _modelled_mm(made: WalkedBake) -> float | None:
    """How high the finished, cold bake should stand in its tin by the model alone, from the batter as it was."""
    lead = made.formula.fill
    if not isinstance(lead, FillStep) or not lead.rises:
        return None
    place, batter = made.places[lead.id], made.materials[lead.id]
    risen = risen_volume_ml(batter, place.kitchen.altitude_m)
    return levels_mm(place.tins.tin, settled_volume_ml(risen), place.tins.share).likely


def _kept(made: WalkedBake) -> dict[str, KeptAir]:
    """Folds whose batter and foam were both weighed: a fold is not judged by a foam that was guessed."""
    found = {}
    cups = {i for i, m in made.observed.densities.items() if m.spread <= CUP_SPREAD}
    for step in made.formula.steps:
        weighed = {p.step for p in step.inputs if isinstance(p, StepPortion)} & cups
        if not isinstance(step, FoldStep) or step.id not in cups or not weighed:
            continue
        intake = made.intakes[step.id]
        observed = kept_share(tuple(Airy.of(m) for m in intake), made.observed.densities[step.id].density)
        mixed = bring_together(intake, step.manner, step.portions).mixture
        modelled = mixed.gas_ml.likely / made.before[step.id].gas_ml.likely
        if observed > 0:
            found[step.id] = KeptAir(observed=observed, modelled=modelled)
    return found


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


def summary(at: Moment, probes: Probes) -> BakeSummary:
    """The summary of a bake that is over.

    Only steps that run on their own teach times: hands are slow for many reasons.
    """
    made, progress = at.walked, at.progress
    late = ((progress.ended_at or at.now) - made.document.ready_at).total_seconds()
    times = {}
    for step in made.forecast.steps:
        own = progress.steps.get(step.id)
        if step.attention is Attention.THROUGHOUT or own is None or own.status is not StepStatus.DONE:
            continue
        if own.started_at and own.ended_at:
            observed = (own.ended_at - own.started_at).total_seconds()
            times[step.id] = TimedStep(observed_s=observed, modelled_s=step.modelled_s)
    outcome = progress.outcome
    return BakeSummary(
        stars=outcome.stars if outcome else None,
        faults=outcome.faults if outcome else (),
        height_mm=outcome.height_mm if outcome else None,
        late_by_s=late,
        times=times,
        cups=_cups(made),
        kept=_kept(made),
        modelled_mm=_modelled_mm(made),
        ovens=tuple(oven_times(made, progress)),
        held=tuple(oven_held(made, progress, at.kitchen, probes)),
    )


Work = tuple[str, Content]


def _same_work(then: Work | None, now: Work | None) -> bool:
    """Whether times carry over: the same kind of step, on something as warm; what the product puts in always does."""
    if then is None or now is None:
        return then is now
    return then[0] == now[0] and then[1].warmed == now[1].warmed


def kitchen_record(store: Store, formula: Formula, ovens: OvenEvidence) -> KitchenRecord:
    """The record of this kitchen with a formula, from its latest finished bakes, oldest first, and with its ovens.

    A bake of an earlier version tells of a step only if that is still the same work: a Swiss meringue learns nothing
    from a French one, and a cup of one batter nothing of another's.
    """
    now = {s.id: (s.kind, content_of(formula, s)) for s in formula.steps}
    times: dict[str, list[tuple[float, float]]] = {}
    densities: dict[str, list[float]] = {}
    folds: dict[str, list[tuple[float, float]]] = {}
    heights: list[tuple[float, float]] = []
    lead = formula.fill.id if formula.fill is not None else ""
    rows = store.bakes.listed(status="finished", formula=formula.id, limit=REMEMBERED)
    for row in reversed(rows):
        if not row.summary:
            continue
        kept = BakeSummary.model_validate(row.summary)
        then = {s.id: (s.kind, content_of(old, s)) for old in (parse(str(row.document)).formula,) for s in old.steps}
        for step, timed in kept.times.items():
            if not _same_work(then.get(step), now.get(step)):
                continue
            times.setdefault(step, []).append((timed.observed_s, timed.modelled_s))
        if kept.height_mm is not None and kept.modelled_mm is not None and then.get(lead) == now.get(lead):
            heights.append((kept.height_mm, kept.modelled_mm))
        for step, air in kept.kept.items():
            if then.get(step) == now.get(step):
                folds.setdefault(step, []).append((air.observed, air.modelled))
        if kept.stars is not None and kept.stars >= GOOD_STARS:
            for cup in kept.cups:
                if then.get(cup.step) != now.get(cup.step):
                    continue
                densities.setdefault(cup.step, []).append(cup.density)
    return KitchenRecord(
        times={i: tuple(pairs) for i, pairs in times.items()},
        densities={i: tuple(values) for i, values in densities.items()},
        heights=tuple(heights),
        kept={i: tuple(pairs) for i, pairs in folds.items()},
        bakes=ovens.bakes,
        degrees=ovens.degrees,
        rises=ovens.rises,
        hot_sides=ovens.hot_sides,
    )
